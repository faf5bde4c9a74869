import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { nanometres, type Length } from '../quantity/index.ts';

export interface DepthReading {
  readonly reading: Length;
  /** every parallel the reading was taken across; two side by side count as one height */
  readonly parallels: readonly Length[];
}

/**
 * A depth read across one or more stacked parallels, less the parallels. Negative is a face standing proud.
 *
 * @throws ReckoningError `badParallel` for a parallel of no thickness
 * @example depthOverParallels({ reading: inch(1.103), parallels: [inch(0.375)] }) // 0.728 in
 */
export function depthOverParallels({ reading, parallels }: DepthReading): Length {
  if (parallels.some((p) => p <= 0)) refuse('badParallel', 'A parallel has a thickness: give it, or leave it out.');
  return nanometres(parallels.reduce<number>((left, p) => left - p, reading));
}

export const depthOverParallelsSum = (depth: DepthReading): Sum => [
  lengthLine('read across the parallel', '', depth.reading),
  ...depth.parallels.map((p) => lengthLine('less the parallel', '−', p)),
  lengthLine('depth', 'reading − parallels', depthOverParallels(depth)),
];
