import { refuse } from '../errors.ts';
import { nanometres, readLength, type Length, type LengthUnit } from '../quantity/index.ts';

/** Thicknesses that can be had, from the thinnest to the thickest by steps, nm. */
export interface SupplierRange {
  readonly from: Length;
  readonly to: Length;
  readonly step: Length;
}

/** More than a supplier lists. */
const MOST = 500;
const SHAPE = /^(.+?)\s*(?:–|-|to)\s*(.+?)\s+by\s+(.+?)$/i;

/**
 * A supplier's range in one line, as it is printed: a unit said last holds for all three.
 *
 * @param bare the unit where none is said
 * @throws ReckoningError `notARange`, and those of `readLength`
 * @example readSupplierRange('2.80–3.60 by 0.04 mm', 'thou').step // 0.04 mm
 */
export function readSupplierRange(text: string, bare: LengthUnit): SupplierRange {
  const [, first = '', last = '', by = ''] = SHAPE.exec(text.trim()) ?? [];
  if (first === '') return refuse('notARange', 'Type it like 2.80–3.60 by 0.04 mm: the thinnest, the thickest, the step.');
  const step = readLength(by, bare);
  const unit = /[a-z"″]/i.test(by) ? step.unit : bare;
  const [from, to] = [readLength(first, unit).value, readLength(last, unit).value];
  if (!(from > 0 && to >= from && step.value > 0)) return refuse('notARange', 'The thinnest comes first, and the step is more than nothing.');
  if ((to - from) / step.value > MOST) return refuse('notARange', `That is more than ${MOST} thicknesses: check the step.`);
  return { from, to, step: step.value };
}

/**
 * Every thickness of a range, thinnest first.
 *
 * @example thicknessesOf({ from: mm(2.8), to: mm(3.6), step: mm(0.04) }).length // 21
 */
export const thicknessesOf = ({ from, to, step }: SupplierRange): Length[] =>
  Array.from({ length: Math.max(0, Math.floor((to - from) / step + 1e-9) + 1) }, (_, k) => nanometres(from + k * step));

/**
 * The thickness of a range that is nearest to what is wanted, and lies in the window; null where none does.
 *
 * @example nearestOf({ from: mm(2.8), to: mm(3.6), step: mm(0.04) }, { min: mm(3.1), max: mm(3.15), ideal: mm(3.13) }) // 3.12 mm
 */
export function nearestOf(
  range: SupplierRange,
  { min, max, ideal }: { readonly min: Length; readonly max: Length; readonly ideal: Length },
): Length | null {
  const inside = thicknessesOf(range).filter((thickness) => thickness >= min && thickness <= max);
  return inside.sort((a, b) => Math.abs(a - ideal) - Math.abs(b - ideal))[0] ?? null;
}
