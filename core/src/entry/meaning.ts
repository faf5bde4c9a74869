import { describeLength, otherUnit, type Length, type LengthUnit, type Limits } from '../quantity/index.ts';
import type { ReadingEntry } from '../reading/index.ts';

export interface LeafLine {
  readonly thickness: Length;
  readonly count: number;
  /** the figure as it was written, and its unit: what is said of the leaf from then on */
  readonly written: string;
  readonly unit: LengthUnit;
}

/** Limits as they were typed; one figure alone has no verdict until a tolerance is given. */
export interface LimitsEntry extends Limits {
  readonly single?: Length;
  /** where in them it is to come, where that was said: 9 within 2 to 14 */
  readonly aim?: Length;
}

/** What each field makes of an entry. */
export interface Values {
  readonly size: Length;
  readonly limits: LimitsEntry;
  readonly pack: readonly LeafLine[];
  readonly leaves: readonly LeafLine[];
  readonly reading: ReadingEntry;
}
export type EntryField = keyof Values;

export interface Meaning<Value, Unit extends string = LengthUnit> {
  readonly value: Value;
  readonly unit: Unit;
  /** in both systems, as it is said beside the field */
  readonly said: string;
  /** what stands there, kept although it looks like a slip */
  readonly asTyped?: true;
}

export type Understood<Value, Unit extends string = LengthUnit> =
  | ({ readonly kind: 'understood' } & Meaning<Value, Unit>)
  | { readonly kind: 'ask'; readonly meanings: readonly Meaning<Value, Unit>[]; readonly why: string }
  | { readonly kind: 'refused'; readonly code: string; readonly message: string };

/** Whatever an entry was understood as, or may mean; nothing where it is refused. */
export const meantBy = <Value>(understood: Understood<Value, string>): readonly Value[] =>
  understood.kind === 'understood' ? [understood.value] : understood.kind === 'ask' ? understood.meanings.map(({ value }) => value) : [];

/** "15.0 thou · 0.381 mm" */
export function inBoth(length: Length, unit: LengthUnit): string {
  const other = unit === 'in' || Math.abs(length) < 6_000_000 ? otherUnit(unit) : 'in';
  return `${describeLength(length, unit)} · ${describeLength(length, other)}`;
}

/** What an entry may mean, in the words of its first system: "0.3 mm, or 300 thou". */
export const eitherOf = (meanings: readonly Pick<Meaning<unknown>, 'said'>[]): string =>
  meanings.map(({ said }) => said.split(' · ')[0]).join(', or ');

/** Why a list of which one figure stands out is asked about. */
export const ONE_APART = 'One stands far from the others: a slip?';
