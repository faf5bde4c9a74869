import { lengthLine, type Sum } from '../sum.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import type { Survey } from './survey.ts';

export interface RunningClearance {
  readonly least: Length;
  readonly mean: Length;
  readonly greatest: Length;
  /** 1000 × mean clearance ÷ mean bore */
  readonly perMille: number;
  readonly u: number;
}

/**
 * Clearance of a shaft in its bush, all diametral: least = smallest bore − largest journal, greatest the other way about.
 * Negative is an interference.
 *
 * @example runningClearance(boreSurvey([{ readings: [mm(25.05)] }]), journalSurvey([{ readings: [mm(25)] }])).mean // 0.05 mm
 */
export function runningClearance(bore: Survey, journal: Survey): RunningClearance {
  const mean = nanometres(bore.mean - journal.mean);
  return {
    least: nanometres(bore.smallest - journal.largest),
    mean,
    greatest: nanometres(bore.largest - journal.smallest),
    perMille: (1000 * mean) / bore.mean,
    u: Math.hypot(bore.u, journal.u),
  };
}

export function runningClearanceSum(bore: Survey, journal: Survey): Sum {
  const { least, mean, greatest, perMille } = runningClearance(bore, journal);
  return [
    lengthLine('least', 'smallest bore − largest journal', least),
    lengthLine('mean', 'mean bore − mean journal', mean),
    lengthLine('greatest', 'largest bore − smallest journal', greatest),
    { label: 'per thousand of the bore', expression: '1000 × mean ÷ bore', value: perMille, unit: '‰' },
  ];
}
