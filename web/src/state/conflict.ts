import type { Change } from '@elder-cog/contract';
import { fieldWords } from '@elder-cog/derive';

/** What stands there now, and who wrote it when. */
export interface Theirs {
  readonly code: string;
  readonly row: (Readonly<Record<string, unknown>> & { readonly id?: string; readonly revision?: number }) | null;
  readonly who: string;
  readonly at: string | null;
}

/** One way on from a conflict: what the button says, and the change it sends. */
export interface WayOn {
  readonly says: string;
  readonly change: Change;
}

/** The same change, over the revision that is there now. */
function atRevision<Value>(value: Value, id: string, revision: number): Value {
  if (Array.isArray(value)) return value.map((each) => atRevision(each as unknown, id, revision)) as Value;
  if (typeof value !== 'object' || value === null) return value;
  const fields = Object.entries(value as Record<string, unknown>).map(([key, field]) => [key, atRevision(field, id, revision)]);
  const copied = Object.fromEntries(fields) as Record<string, unknown>;
  return (copied.id === id && 'revision' in copied ? { ...copied, revision } : copied) as Value;
}

/** What may be done with a change that met another; theirs may always be left as it is. */
export function overThis(mine: Change, { code, row }: Theirs): WayOn[] {
  if (code !== 'newerBuild') {
    if (row?.id === undefined || row.revision === undefined) return [];
    return [{ says: 'Keep mine', change: atRevision(mine, row.id, row.revision) }];
  }
  const now = row?.id ?? null;
  if (mine.kind === 'build.add') return [{ says: 'Fit mine after it', change: { ...mine, saw: now, build: { ...mine.build, parentId: now } } }];
  if (mine.kind !== 'reading.keep') return [];
  const onNew: WayOn = { says: 'It was read on the new one', change: { ...mine, saw: now, reading: { ...mine.reading, buildId: now } } };
  const onOld: WayOn = { says: 'It was read before that', change: { ...mine, saw: now } };
  return now === null ? [onNew] : [onNew, onOld];
}

/** A field that differs, as each has it. */
export interface Difference {
  readonly field: string;
  readonly mine: string;
  readonly theirs: string;
}

/** The row a change would write, as far as it says. */
function rowOfMine(mine: Change, id: string): Readonly<Record<string, unknown>> {
  if (mine.kind === 'limit.use') return { inUse: true };
  if (mine.kind === 'rows.takeOut') return { gone: true };
  const find = (value: unknown): Readonly<Record<string, unknown>> | null => {
    if (typeof value !== 'object' || value === null) return null;
    const row = value as Readonly<Record<string, unknown>>;
    if (row.id === id) return row;
    for (const field of Object.values(row)) {
      const found = find(field);
      if (found) return found;
    }
    return null;
  };
  return find(mine) ?? {};
}

type Fits = readonly {
  readonly state: string | null;
  readonly leaves: readonly { readonly written: string; readonly unit: string; readonly count: number }[];
}[];
const leafWords = ({ written, unit, count }: Fits[number]['leaves'][number]): string => `${count > 1 ? `${count} × ` : ''}${written} ${unit}`;
const packOf = (build: { readonly fits: Fits }): string =>
  build.fits.map((fit) => fit.state ?? (fit.leaves.map(leafWords).join(' + ') || 'none')).join(', ') || 'as it stood';

/** Both versions, field by field, where they differ. */
export function differences(mine: Change, { code, row }: Theirs): Difference[] {
  if (code === 'newerBuild') {
    const theirs = row ? packOf(row as unknown as { fits: Fits }) : 'taken back';
    if (mine.kind === 'build.add') return [{ field: 'fitted', mine: packOf(mine.build), theirs }];
    return mine.kind === 'reading.keep' ? [{ field: 'read, and fitted since', mine: mine.reading.raw.text, theirs }] : [];
  }
  if (!row?.id) return [];
  const { id: _, kind: _kind, revision: _revision, ...mineRow } = rowOfMine(mine, row.id);
  return Object.entries(mineRow).flatMap(([key, value]) => {
    const [a, b] = [fieldWords(key, value), fieldWords(key, row[key])];
    return JSON.stringify(value ?? null) === JSON.stringify(row[key] ?? null) ? [] : [{ field: a.field, mine: a.value, theirs: b.value }];
  });
}
