import { refuse } from '../errors.ts';
import { lengthLine, type Sum } from '../sum.ts';
import { meanLength, nanometres, type Length } from '../quantity/index.ts';

export interface ThrustQuestion {
  /** thickness at points round the washer */
  readonly points: readonly Length[];
  readonly new?: Length;
  /** depth of each oil groove that can still be measured */
  readonly grooves?: readonly Length[];
}

export interface ThrustSurvey {
  readonly mean: Length;
  readonly least: Length;
  /** thickest − thinnest */
  readonly taper: Length;
  /** positive for metal gone at its thinnest; only where the new thickness is known */
  readonly wear?: Length;
  /** the shallowest groove: what is left to carry oil */
  readonly grooveLeft?: Length;
}

/**
 * A thrust washer or a thrust face, measured at points round it.
 *
 * @throws ReckoningError `noReadings`, `notASize`
 * @example thrustSurvey({ points: [mm(3.06), mm(3.05)], new: mm(3.2) }).wear // 0.15 mm
 */
export function thrustSurvey({ points, new: fresh, grooves = [] }: ThrustQuestion): ThrustSurvey {
  if (points.length === 0) refuse('noReadings', 'Nothing has been measured here yet: take a thickness at three points or more.');
  if (points.some((point) => point <= 0)) refuse('notASize', 'A thickness is more than nothing: check the reading.');
  if (grooves.some((depth) => depth < 0)) refuse('notASize', 'A groove is no less than nothing deep: check the reading.');
  const least = nanometres(Math.min(...points));
  return {
    mean: meanLength(points),
    least,
    taper: nanometres(Math.max(...points) - least),
    ...(fresh === undefined ? {} : { wear: nanometres(fresh - least) }),
    ...(grooves.length === 0 ? {} : { grooveLeft: nanometres(Math.min(...grooves)) }),
  };
}

export function thrustSurveySum(question: ThrustQuestion): Sum {
  const { mean, least, taper, wear, grooveLeft } = thrustSurvey(question);
  return [
    lengthLine('mean', 'Σ ÷ n', mean),
    lengthLine('thinnest', '', least),
    lengthLine('taper', 'thickest − thinnest', taper),
    ...(wear === undefined ? [] : [lengthLine('wear', 'new − thinnest', wear)]),
    ...(grooveLeft === undefined ? [] : [lengthLine('groove left', 'shallowest', grooveLeft)]),
  ];
}
