import { nanometres, type Length } from '../quantity/index.ts';
import type { MadeForm, MadeKind } from './madeKinds.ts';

/** What a tool is made to go with: a bush, a washer or shim, a flange with holes; as far as it was measured. */
export interface ToolSource {
  readonly inner?: Length | undefined;
  readonly outer?: Length | undefined;
  readonly length?: Length | undefined;
  readonly thickness?: Length | undefined;
  readonly holeDiameter?: Length | undefined;
  readonly holeCircle?: Length | undefined;
  readonly holes?: number | undefined;
}

const um = (value: number): number => value * 1000;
const lessBy = (size: Length | undefined, micrometres: number): Length | undefined =>
  size === undefined ? undefined : nanometres(size - um(micrometres));
const moreBy = (size: Length | undefined, micrometres: number): Length | undefined => lessBy(size, -micrometres);

/**
 * The sizes of a tool from those of what it is for: a pilot slides in the bore, a shoulder clears the housing, a pocket takes a washer that
 * stands out of it. What the source does not say stays to be said.
 *
 * Source: common practice, no source.
 * @example toolFor('drift', { inner: mm(25.4), outer: mm(28.575), length: mm(30) }).sizes.pilot // 25.35 mm
 */
export function toolFor(kind: MadeKind, source: ToolSource): MadeForm {
  const { inner, outer, length, thickness, holeDiameter, holeCircle, holes = 0 } = source;
  const made = (sizes: Readonly<Record<string, Length | undefined>>, counts: MadeForm['counts'] = {}): MadeForm => ({
    kind,
    sizes: Object.fromEntries(Object.entries(sizes).filter(([, size]) => size !== undefined)),
    counts,
  });
  switch (kind) {
    case 'drift':
      // a pilot three quarters as long as the bush keeps it square, and never comes out at the other end before it is home
      return made({
        pilot: lessBy(inner, 50),
        pilotLength: length && nanometres(Math.round(length * 0.75)),
        outer: lessBy(outer, 150),
        length: nanometres(um(60_000)),
      });
    case 'depthPusher':
      return made({ pilot: lessBy(outer, 150), pilotLength: length, outer: moreBy(outer, 15_000), length: nanometres(um(10_000)) });
    case 'lapPlate':
      return made({
        outer: moreBy(outer, 30_000),
        thickness: nanometres(um(12_000)),
        pocket: moreBy(outer, 100),
        pocketDepth: thickness && nanometres(Math.round(thickness * 0.6)),
      });
    case 'dummyFlange':
      return made({ inner, outer, thickness: nanometres(um(10_000)), holeDiameter, holeCircle }, { holes });
    case 'dummyShaft':
      return made({ outer: lessBy(inner, 150), length: lessBy(length, 500), chamfer: nanometres(um(1000)) });
    case 'guidePin':
      return made({ outer: lessBy(holeDiameter, 100), length: nanometres(um(60_000)) });
    default:
      return made({ inner, outer, length, thickness });
  }
}
