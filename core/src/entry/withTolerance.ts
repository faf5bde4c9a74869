import { isMetric, mm, nanometres, thou, ZERO } from '../quantity/index.ts';
import type { LimitsEntry, Meaning, Understood } from './meaning.ts';
import { sayLimits } from './shapes.ts';

const MOST_MEANINGS = 4;

/** Limits to judge by: one figure alone judges nothing: it is a middle with a tolerance, or the most there may be, or is kept as it is and nothing is judged by it. */
export function withTolerance(understood: Understood<LimitsEntry>): Understood<LimitsEntry> {
  if (understood.kind === 'ask') {
    const meanings = understood.meanings.flatMap((each) => (each.value.single === undefined ? [each] : tolerances(each)));
    return { ...understood, meanings: meanings.slice(0, MOST_MEANINGS) };
  }
  if (understood.kind !== 'understood') return understood;
  const { value } = understood;
  if (value.single !== undefined)
    return {
      kind: 'ask',
      meanings: tolerances(understood),
      why: 'One figure alone has no verdict: is it the middle, with a tolerance, or the most? Or kept as it is, till a tolerance is known?',
    };
  return value.min === undefined && value.max === undefined
    ? { kind: 'refused', code: 'noLimits', message: 'Limits are two figures, or the most there may be: type them as in 5-8 thou or max 9 thou.' }
    : understood;
}

function tolerances({ value: { single = ZERO }, unit }: Meaning<LimitsEntry>): Meaning<LimitsEntry>[] {
  const either = isMetric(unit) ? mm(0.02) : thou(1);
  const limits: readonly LimitsEntry[] = [{ min: nanometres(single - either), max: nanometres(single + either) }, { max: single }, { single }];
  return limits.map((value) => ({ value, unit, said: sayLimits(value, unit) }));
}
