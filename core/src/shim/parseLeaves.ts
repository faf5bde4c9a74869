import { refuse } from '../errors.ts';
import { readLength, tidy, type Length, type LengthUnit } from '../quantity/index.ts';

export interface LeavesLot {
  readonly thickness: Length;
  readonly quantity: number;
  readonly written: string;
  readonly unit: LengthUnit;
}

/**
 * Leaves on hand in one line: `4×3 2×5 thou, 0.20×2 mm` (thickness × how many; a lone figure is one leaf). A unit holds
 * for what stands before it back to the last unit or comma; a bare 0.20 among thou, with no unit of its own, is read as mm
 * when it is under 1 and written with two or more decimals, and says so.
 *
 * @param text the line; parts are split by spaces, commas followed by a space, or semicolons
 * @param unit unit of bare numbers
 * @throws ReckoningError `empty`, `notLeaves`, `badCount`, and those of readLength
 * @example parseLeaves('4×3 2×5 thou, 0.20×2 mm', 'thou').length // 3
 */
export function parseLeaves(text: string, unit: LengthUnit): (LeavesLot & { readonly guessed: boolean })[] {
  const clean = tidy(text).replace(/ ?[×xX*] ?/g, '×');
  if (clean === '') refuse('empty', 'Type what is on hand, such as 4×3 2×5 thou, 0.20×2 mm.');
  const lots = clean.split(/, |;/).flatMap((group) => readGroup(group.trim(), unit));
  return lots.length > 0 ? lots : refuse('notLeaves', 'Type thickness × how many, such as 4×3 2×5 thou.');
}

const UNITS = /(?:mm|inch(?:es)?|in\b|"|thou|um)/i;

function readGroup(group: string, fallback: LengthUnit): (LeavesLot & { guessed: boolean })[] {
  const runs = group.match(new RegExp(String.raw`[^a-z"]+(?:${UNITS.source})?`, 'gi')) ?? [];
  if (runs.join('') !== group)
    refuse('notLeaves', `“${group.slice(0, 24)}” is not a list of leaves: type thickness × how many, such as 4×3 2×5 thou.`);
  return runs.flatMap((run) => {
    const unitWord = UNITS.exec(run)?.[0];
    const items = run
      .replace(UNITS, '')
      .trim()
      .replace(/(\d) (\d+\/\d+)/g, '$1-$2')
      .split(' ')
      .filter((item) => item !== '');
    return items.map((item) => readLot(item, unitWord, fallback));
  });
}

function readLot(item: string, unitWord: string | undefined, fallback: LengthUnit): LeavesLot & { guessed: boolean } {
  const [size = '', count, ...more] = item.split('×');
  if (more.length > 0 || size === '') refuse('notLeaves', `“${item.slice(0, 24)}” is not thickness × how many: write 4×3 for three leaves of 4.`);
  const quantity = count === undefined ? 1 : Number(count);
  if (!Number.isInteger(quantity) || quantity < 1 || quantity > 999)
    refuse('badCount', `How many is a whole number from 1: “${item.slice(0, 24)}” is thickness × how many.`);
  const guessed = unitWord === undefined && fallback === 'thou' && /^0?[.,]\d{2,}$/.test(size);
  const read = readLength(`${size}${unitWord ?? ''}`, guessed ? 'mm' : fallback);
  if (read.value <= 0) refuse('badLeaf', 'A leaf has a thickness: it cannot be nothing.');
  return { thickness: read.value, quantity, written: size.replace('-', ' '), unit: read.unit, guessed };
}

/**
 * A pack as it is said: `20+8`, `none`, `10½`, `0.20 + 6 thou` (each leaf may carry its own unit).
 *
 * @returns leaves in the order written; empty for none
 * @throws ReckoningError `negativePack`, `empty`, and those of readLength
 */
export function parsePack(text: string, unit: LengthUnit): { readonly thickness: Length; readonly written: string; readonly unit: LengthUnit }[] {
  const clean = tidy(text);
  if (clean === '') refuse('empty', 'Type the pack that is in, such as 20+8, or none.');
  if (/^(?:none|no|nothing|nil|0)$/i.test(clean)) return [];
  if (clean.startsWith('-')) refuse('negativePack', 'A pack cannot be less than nothing: type what is in, or none.');
  const unitOf = (piece: string): string | undefined => UNITS.exec(piece)?.[0];
  const pieces = clean.split('+').map((p) => p.trim());
  const last = unitOf(pieces[pieces.length - 1] ?? '');
  return pieces.map((piece) => {
    const guessed = last === undefined && unitOf(piece) === undefined && unit === 'thou' && /^0?[.,]\d{2,}$/.test(piece);
    const read = readLength(unitOf(piece) === undefined && last !== undefined ? `${piece}${last}` : piece, guessed ? 'mm' : unit);
    if (read.value <= 0) refuse('negativePack', 'Every leaf in a pack has a thickness: type what is in, or none.');
    return { thickness: read.value, written: piece.replace(UNITS, '').trim(), unit: read.unit };
  });
}
