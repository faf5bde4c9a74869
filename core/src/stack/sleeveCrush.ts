import { refuse } from '../errors.ts';
import { nanometres, ZERO, type Length } from '../quantity/index.ts';
import { packWindow, type WindowQuestion } from './packWindow.ts';

/** How much shorter a crush sleeve has to become. */
export interface SleeveCrush {
  /** lands in the limits by the value of the reading alone; no less than nothing */
  readonly min: Length;
  readonly max: Length;
  readonly ideal: Length;
  /** lands in them whatever the doubt of the reading; null where none can be sure */
  readonly sure: { readonly min: Length; readonly max: Length } | null;
  /** by how much it is crushed too far already, for it does not come back; null where it is not */
  readonly over: Length | null;
}

/**
 * How much shorter a sleeve between the cones has to become to bring a gap into its limits: read less limit where a longer one opens it.
 *
 * @param question the gap as it was read, and `sense`: +1 where a longer sleeve opens it
 * @throws ReckoningError `dragTells` where the reading shows no movement; else as packWindow
 * @example sleeveCrush({ measured: estimate(thou(9), 0), limits: { min: thou(-3), max: thou(-1) }, sense: 1 }).ideal // 11 thou
 */
export function sleeveCrush(question: Omit<WindowQuestion, 'fittedPack' | 'factor'>): SleeveCrush {
  const { measured } = question;
  if (measured.value === 0)
    refuse('dragTells', 'No movement: it is nipped, and a dial cannot say how hard. The drag does: turn it, and hold that against the manual.');
  const { min, max, ideal, sure } = packWindow({ ...question, fittedPack: null });
  const shorter = (by: Length): Length => nanometres(Math.max(ZERO, -by));
  const isSure = sure !== null && sure.min <= 0;
  return {
    min: shorter(max),
    max: shorter(min),
    ideal: shorter(ideal),
    sure: isSure ? { min: shorter(sure.max), max: shorter(sure.min) } : null,
    over: min > 0 ? min : null,
  };
}
