import { refuse } from '../errors.ts';
import { mm, nanometres, type Length } from '../quantity/index.ts';
import { BEARINGS, type Bearing } from './bearings.ts';

/** A bearing as it was measured. Of a taper bearing it is said what its width is of: both rings together (T), the cone (B) or the cup (C). */
export interface MeasuredBearing {
  readonly bore: Length;
  readonly outside: Length;
  readonly width?: Length;
  readonly measured?: 'T' | 'B' | 'C';
}

export interface BearingCandidate {
  readonly name: string;
  /** the farthest off of the sizes that were measured, measured less what it should be, nm */
  readonly residual: Length;
  readonly row: Bearing;
}

/** `same`: no size that was measured tells them apart; else the one that does. */
export interface NearBearing {
  readonly name: string;
  readonly why: 'same' | 'otherWidth' | 'otherBore' | 'otherOutside';
  readonly row: Bearing;
}

/** A bore and an outside are measured so near, and a width, which is made less close. Common practice. */
const ACROSS = mm(0.06);
const WIDE = mm(0.2);

function widthOf(row: Bearing, measured: MeasuredBearing['measured']): Length | null {
  if (!row.stand) return measured === undefined || measured === 'B' || measured === 'T' ? row.width : null;
  return row.stand[measured ?? 'T'];
}

/** How far each size that was measured is off a row's; null where that row has no such size. */
function offBy(row: Bearing, { bore, outside, width, measured }: MeasuredBearing): { bore: number; outside: number; width: number } | null {
  const wide = width === undefined ? 0 : widthOf(row, measured);
  return wide === null ? null : { bore: bore - row.bore, outside: outside - row.outside, width: width === undefined ? 0 : width - wide };
}

/**
 * Which bearings have the sizes that were measured, nearest first; those that share them are all named. Boundary sizes do not tell the type.
 *
 * @throws ReckoningError `notASize`
 * Source: {@link BEARINGS}.
 * @example identifyBearing({ bore: mm(35), outside: mm(80), width: mm(22.75), measured: 'T' }).map(({ name }) => name).join(' ') // '30307 31307'
 */
export function identifyBearing(measured: MeasuredBearing): readonly BearingCandidate[] {
  if (!(measured.bore > 0 && measured.outside > measured.bore)) refuse('notASize', 'Give its bore and its outside: the outside is the greater.');
  return BEARINGS.flatMap((row) => {
    const off = offBy(row, measured);
    if (!off || Math.abs(off.bore) > ACROSS || Math.abs(off.outside) > ACROSS || Math.abs(off.width) > WIDE) return [];
    const [farthest = 0] = [off.bore, off.outside, off.width].toSorted((a, b) => Math.abs(b) - Math.abs(a));
    return [{ name: row.designation, residual: nanometres(farthest), row }];
  }).sort((a, b) => Math.abs(a.residual) - Math.abs(b.residual));
}

/**
 * What a measured bearing is, and what it could be mistaken for: one like it in two of its three sizes.
 *
 * @throws ReckoningError as {@link identifyBearing}
 * @example bearingFits({ bore: mm(20), outside: mm(47), width: mm(14) }).near[0].name // 'NU204'
 */
export function bearingFits(measured: MeasuredBearing): { readonly fits: readonly BearingCandidate[]; readonly near: readonly NearBearing[] } {
  const fits = identifyBearing(measured);
  const [best, ...others] = fits;
  const same = others.filter(({ row }) => row.bore === best?.row.bore && row.outside === best.row.outside && row.width === best.row.width);
  const named = new Set(fits.map(({ name }) => name));
  const near = BEARINGS.flatMap((row): NearBearing[] => {
    const off = offBy(row, measured);
    if (!off || named.has(row.designation)) return [];
    const is = { bore: Math.abs(off.bore) <= ACROSS, outside: Math.abs(off.outside) <= ACROSS, width: Math.abs(off.width) <= WIDE };
    const why = is.bore && is.outside ? 'otherWidth' : is.outside && is.width ? 'otherBore' : is.bore && is.width ? 'otherOutside' : null;
    return why === null || measured.width === undefined ? [] : [{ name: row.designation, why, row }];
  });
  const order = ['otherWidth', 'otherBore', 'otherOutside'];
  return {
    fits,
    near: [
      ...same.map(({ name, row }) => ({ name, why: 'same' as const, row })),
      ...near.sort((a, b) => order.indexOf(a.why) - order.indexOf(b.why)),
    ],
  };
}

/** A bearing of that designation; spaces, hyphens, capitals and what makers add after it left out. Undefined where none is known. */
export function bearingNamed(number: string): Bearing | undefined {
  const plain = number.toUpperCase().replace(/[\s-]/g, '');
  return (
    BEARINGS.find(({ designation }) => designation === plain) ??
    BEARINGS.filter(({ designation }) => plain.startsWith(designation)).sort((a, b) => b.designation.length - a.designation.length)[0]
  );
}

/**
 * Whether two numbers that should be of the same thing, or of mates, are one figure apart: the slip of a box, or of a pen.
 *
 * @example isOneDigitApart('30307', '31307') // true
 */
export function isOneDigitApart(one: string, other: string): boolean {
  const plain = (number: string): string => number.toUpperCase().replace(/[\s-]/g, '');
  const [a, b] = [plain(one), plain(other)];
  return a.length === b.length && [...a].filter((char, i) => char !== b[i]).length === 1;
}
