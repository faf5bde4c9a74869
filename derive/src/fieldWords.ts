import type { Joint, RowEffect, Station, Wrench } from '@elder-cog/contract';
import { describeLength, describeQuantity, nanometres, sayRounds, ZERO } from '@elder-cog/core';

/** Fields of a row, and what stands in them, in a few words: where one was changed, and where two versions stand side by side. */

const FIELDS: Readonly<Record<string, string>> = {
  machine: 'machine',
  archivedAt: 'put away',
  cameApart: 'came already apart',
  mirrorOf: 'other side of',
  newSize: 'size when new',
  moreIs: 'more is',
  inUse: 'in use',
  keptIn: 'kept in',
  canBuy: 'can be bought',
  leftOut: 'left out',
  pageOrWhom: 'page or whom',
  saidAt: 'said when',
  endedAt: 'ended',
  gone: 'taken out',
  adjusts: 'sets a float',
  major: 'over the crests',
  isReadAgain: 'read again, and so',
  seal: 'the seal alone',
  trackInner: 'across the shaft',
  trackOuter: 'across the bore',
  diameter: 'across one roller',
  trackLength: 'room endways',
  outer: 'outer part:',
  inner: 'inner part:',
  blank: 'cut from',
};
const fieldName = (key: string): string => FIELDS[key] ?? key.replace(/([A-Z])/g, ' $1').toLowerCase();

/** Fields that are lengths: said in millimetres, whatever they were typed in. */
export const LENGTH_FIELDS: ReadonlySet<string> = new Set([
  ...['size', 'newSize', 'thickness', 'width', 'length', 'crushed', 'bore', 'outside', 'proportion', 'nominal', 'journal', 'ease', 'roughness'],
  ...['major', 'pitch', 'trackInner', 'trackOuter', 'diameter', 'trackLength'],
]);
/** Rows of a row of which every figure is a length. */
const LENGTHS_ALL: ReadonlySet<string> = new Set(['sizes', 'window', 'clearance', 'radius']);

const AIMS = {
  tight: 'the least of its limits',
  middle: 'the middle of its limits',
  loose: 'the most of its limits',
  value: 'a value',
} as const;
/** "the middle of its limits", "62.281 mm, and 0.097 mm that is still to close". */
function aimWords({ at, value, closesBy = ZERO }: Station['aim']): string {
  const to = value === undefined ? AIMS[at] : describeLength(value, 'mm');
  const by = describeLength(nanometres(Math.abs(closesBy)), 'mm');
  return closesBy === 0 ? to : `${to}, and ${by} that is still to ${closesBy > 0 ? 'close' : 'open'}`;
}

/** "split pin, 6 slots, 2 ends of holes", "tab, notches at 0 61 118" */
function lockWords({ kind, slots, notches, holeEnds }: Joint['lock']): string {
  const cut = notches.length > 0 ? `, notches at ${notches.join(' ')}` : slots === null ? '' : `, ${slots} slots`;
  return `${kind}${cut}${cut === '' ? '' : `, ${holeEnds} ends of holes`}`;
}

/** What is said of a field in words of its own. */
const SAID: Readonly<Record<string, (value: never) => string>> = {
  aim: aimWords,
  lock: lockWords,
  wrench: ({ name, unit, division }: Wrench) => `${name}, ${describeQuantity(division, unit, 3)} apart`,
  rounds: (rounds: Joint['rounds']) => (rounds.length === 0 ? 'none' : sayRounds(rounds)),
  order: (order: readonly number[]) => (order.length === 0 ? 'as reckoned' : order.join(' ')),
  seal: (newtonMetres: number) => describeQuantity(newtonMetres, 'N·m', 3),
  mirrorOf: () => 'another box',
};

const isNothing = (value: unknown): boolean => value === null || value === undefined || value === '';

function valueWords(key: string, value: unknown, within = ''): string {
  const say = SAID[key];
  if (say && !isNothing(value)) return say(value as never);
  if (isNothing(value)) return 'none';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return /^\d{4}-\d\d-\d\dT/.test(value) ? value.slice(0, 16).replace('T', ' ') : value;
  if (typeof value === 'number') return LENGTH_FIELDS.has(key) || LENGTHS_ALL.has(within) ? describeLength(nanometres(value), 'mm') : String(value);
  if (Array.isArray(value)) return value.length === 0 ? 'none' : value.map((each) => valueWords('', each, key)).join(', ');
  return Object.entries(value as object)
    .filter(([field, each]) => !isSilent(field) && !isNothing(each) && !(Array.isArray(each) && each.length === 0))
    .map(([field, each]) => `${fieldName(field)} ${valueWords(field, each, key)}`)
    .join(', ');
}

/** A field and what stands in it, as both are said beside another version of it. */
export const fieldWords = (key: string, value: unknown): { readonly field: string; readonly value: string } => ({
  field: fieldName(key),
  value: key === 'archivedAt' ? (value === null ? 'no' : 'yes') : isNothing(value) ? '–' : valueWords(key, value),
});

/** What nobody would miss of a row, and what only the program knows a thing by. */
const SILENT = new Set(['revision', 'id', 'instrument', 'position', 'who', 'at']);
const isSilent = (key: string): boolean => SILENT.has(key) || key.endsWith('Id');

interface ChangedField {
  readonly key: string;
  readonly within: string;
  readonly field: string;
  readonly before: unknown;
  readonly after: unknown;
}
type Row = Readonly<Record<string, unknown>>;
const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Every field that changed; of a row in a row, the fields of it. */
function changedFields(before: Row, after: Row, within = '', path = ''): ChangedField[] {
  return [...new Set([...Object.keys(after), ...Object.keys(before)])].flatMap((key) => {
    const [a, b] = [before[key], after[key]];
    if (isSilent(key) || JSON.stringify(a ?? null) === JSON.stringify(b ?? null)) return [];
    if (isRow(a) && isRow(b) && !(key in SAID)) return changedFields(a, b, key, `${path}${fieldName(key)} `);
    return [{ key, within, field: `${path}${fieldName(key)}`, before: a, after: b }];
  });
}

/** The fields that changed, in a few words either side: "pitch not known", "pitch 1.814 mm". */
export function difference(effect: Pick<RowEffect, 'before' | 'after'> | undefined): { readonly from: string | null; readonly to: string | null } {
  const { before, after } = effect ?? {};
  if (!before || !after) return { from: null, to: null };
  const all = changedFields(before, after);
  // a thread that is named has its sizes
  const changed = all.some(({ key }) => key === 'thread') ? all.filter(({ key }) => key !== 'major' && key !== 'pitch') : all;
  if (changed.length === 0) return { from: null, to: null };
  const say = (side: 'before' | 'after'): string =>
    changed
      .map(({ key, within, field, [side]: value, before: was, after: is }) => {
        if (isNothing(value)) return typeof (was ?? is) === 'boolean' ? `${field} no` : LENGTH_FIELDS.has(key) ? `${field} not known` : `no ${field}`;
        const words = valueWords(key, value, within);
        return changed.length === 1 && (typeof value === 'string' || key === 'aim' || key === 'lock') ? words : `${field} ${words}`;
      })
      .join(', ');
  return { from: say('before'), to: say('after') };
}
