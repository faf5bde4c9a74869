import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';

export interface LooseRollersQuestion {
  /** across the shaft they run on, nm */
  readonly trackInner: Length;
  readonly rollerDiameter: Length;
  /** across the bore they run in, nm */
  readonly trackOuter?: Length;
  readonly rollerLength?: Length;
  /** from end to end of where they lie, washers and spacers taken off, nm */
  readonly trackLength?: Length;
  /** rows end to end, one unless it is said */
  readonly rows?: number;
}

export interface LooseRollers {
  /** in one row */
  readonly count: number;
  /** in all rows */
  readonly all: number;
  /** what is left over round the shaft when they all lie against each other, nm */
  readonly circumferentialGap: Length;
  /** half of what is left between shaft, rollers and bore, all across, nm */
  readonly radialClearance?: Length;
  /** across what the arch of rollers leaves free with the shaft out: what a dummy shaft has to go into, nm */
  readonly archBore: Length;
  /** end to end, all rows together, nm */
  readonly axialGap?: Length;
}

/**
 * Loose rollers round a shaft: how many make a full row, and what is left over. The last goes in snug with the shaft out, because the row
 * closes into an arch by itself. The count that came out wins over this one.
 *
 * @throws ReckoningError `notASize`, `trackTooNarrow` where the rollers do not go between shaft and bore
 * Source: plane trigonometry; n rollers of d about a shaft of D each take 2·asin(d/(D+d)).
 * @example looseRollers({ trackInner: mm(20), rollerDiameter: mm(2.5) }).count // 28
 */
export function looseRollers(question: LooseRollersQuestion): LooseRollers {
  const { trackInner: D, rollerDiameter: d, trackOuter, rollerLength, trackLength, rows = 1 } = question;
  if (!(D > 0 && d > 0)) refuse('notASize', 'Give how far it is across the shaft, and across one roller.');
  if (!Number.isInteger(rows) || rows < 1) refuse('notACount', 'Rows are counted: a whole number from one.');
  const each = Math.asin(d / (D + d));
  // a full row to the last figure is one roller more, not one less: 1e-9 of a roller is no gap
  const count = Math.floor(Math.PI / each + 1e-9);
  if (count < 3) refuse('notASize', 'Those are not rollers round a shaft: fewer than three go round it.');
  const left = (Math.PI - count * each) * (D + d);
  const arch = d / Math.sin(Math.PI / count) - d;
  if (trackOuter !== undefined && trackOuter < D + 2 * d)
    refuse('trackTooNarrow', 'Those rollers do not go between that shaft and that bore: measure all three again.');
  return {
    count,
    all: count * rows,
    circumferentialGap: nanometres(Math.max(0, left)),
    archBore: nanometres(arch),
    ...(trackOuter === undefined ? {} : { radialClearance: nanometres((trackOuter - D - 2 * d) / 2) }),
    ...(rollerLength === undefined || trackLength === undefined ? {} : { axialGap: nanometres(trackLength - rows * rollerLength) }),
  };
}

/** The Sum beside {@link looseRollers}. */
export function looseRollersSum(question: LooseRollersQuestion): Sum {
  const { count, circumferentialGap, archBore, radialClearance, axialGap } = looseRollers(question);
  return [
    lengthLine('across the shaft', '', question.trackInner),
    lengthLine('across a roller', '', question.rollerDiameter),
    { label: 'rollers in a row', expression: 'π ÷ asin(roller ÷ (shaft + roller))', value: count, unit: '' },
    lengthLine('left over round it', '', circumferentialGap),
    lengthLine('the arch alone leaves', 'roller ÷ sin(180° ÷ rollers) − roller', archBore),
    ...(radialClearance === undefined ? [] : [lengthLine('radial clearance', '(bore − shaft) ÷ 2 − roller', radialClearance)]),
    ...(axialGap === undefined ? [] : [lengthLine('end to end', 'track − rollers', axialGap)]),
  ];
}
