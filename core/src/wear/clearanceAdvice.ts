import { refuse } from '../errors.ts';
import { describeLength, nanometres, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';

export const BUSH_MATERIALS = ['bronze', 'white metal', 'cast iron', 'aluminium', 'brass'] as const;
export type BushMaterial = (typeof BUSH_MATERIALS)[number];

export interface ClearanceQuestion {
  readonly diameter: Length;
  /** of the journal in its bush; the shop rule does not ask it */
  readonly revsPerMinute: number;
  readonly material: BushMaterial;
  /** by sliding speed, or by the shop's thou an inch (oiled bronze only) */
  readonly rule?: 'speed' | 'thouAnInch';
}

export interface ClearanceAdvice {
  readonly min: Length;
  readonly max: Length;
  readonly wearLimit: Length;
  readonly reckoned: true;
  readonly because: string;
}

/** How far either side of Vogelpohl's figure to allow. */
const SPREAD = [0.8, 1.3] as const;
/** A worn bush is let go to about twice the greatest it would have new: common practice, no source. */
const WORN = 2;
const HALF_THOU = 12_700;

const speedOf = (diameter: Length, revsPerMinute: number): number => (Math.PI * (diameter / 1e9) * revsPerMinute) / 60;
const perMilleAt = (metresPerSecond: number): number => 0.8 * metresPerSecond ** 0.25;

/**
 * A running clearance for a plain bush where no specification survives, diametral, as it runs: in place, after the bush has closed in,
 * and hot. Always reckoned: never the maker's figure.
 *
 * By speed (the default): ψ = 0.8 ‰ · ⁴√(v in m/s) of the bore, −20 % to +30 %. By the shop rule: one thou an inch of bore, to that and
 * half a thou, for oiled bronze.
 *
 * @param diameter of the bore, more than nothing
 * @param revsPerMinute more than nothing for the rule by speed: a bush that does not turn has no running clearance
 * @throws ReckoningError `notASize`, `noSpeed`, `wrongMaterial`
 * Source: Vogelpohl's rule for the relative clearance of plain bearings, from memory; the shop rule and twice the new greatest as the
 * wear limit are common practice, no source.
 * @example clearanceAdvice({ diameter: inch(1), revsPerMinute: 3000, material: 'bronze' }).min // ψ 1.13 ‰ less a fifth: 23 µm
 */
export function clearanceAdvice({ diameter, revsPerMinute, material, rule = 'speed' }: ClearanceQuestion): ClearanceAdvice {
  if (!(diameter > 0)) refuse('notASize', 'The bore has a size more than nothing: give its diameter.');
  const advised = (min: number, max: number, because: string): ClearanceAdvice => ({
    min: nanometres(Math.round(min)),
    max: nanometres(Math.round(max)),
    wearLimit: nanometres(Math.round(WORN * max)),
    reckoned: true,
    because,
  });
  if (rule === 'thouAnInch') {
    if (material !== 'bronze') refuse('wrongMaterial', `A thou an inch is a rule for oiled bronze: for ${material} go by the speed.`);
    const min = diameter / 1000;
    return advised(min, min + HALF_THOU, `oiled bronze, a thou for each inch of ${describeLength(diameter, 'in')}, to half a thou more`);
  }
  if (!(revsPerMinute > 0)) refuse('noSpeed', 'A bush that does not turn has no running clearance to reckon: give its speed, or use a fit instead.');
  const speed = speedOf(diameter, revsPerMinute);
  const middle = (diameter * perMilleAt(speed)) / 1000;
  return advised(
    middle * SPREAD[0],
    middle * SPREAD[1],
    `${speed.toFixed(2)} m/s at the bore, so ${perMilleAt(speed).toFixed(2)} ‰ of it, −20 % to +30 %`,
  );
}

export function clearanceAdviceSum(question: ClearanceQuestion): Sum {
  const { min, max, wearLimit } = clearanceAdvice(question);
  const speed = speedOf(question.diameter, question.revsPerMinute);
  const byRule =
    question.rule === 'thouAnInch'
      ? [lengthLine('least', 'a thou an inch of bore', min), lengthLine('greatest', 'and half a thou', max)]
      : [
          { label: 'speed at the bore, m/s', expression: 'π × d × rev/min ÷ 60', value: speed, unit: '' as const },
          { label: 'of the bore', expression: '0.8 × ⁴√speed', value: perMilleAt(speed), unit: '‰' as const },
          lengthLine('least', 'less a fifth', min),
          lengthLine('greatest', 'and three tenths', max),
        ];
  return [lengthLine('bore', '', question.diameter), ...byRule, lengthLine('let it go to', '2 × greatest', wearLimit)];
}
