import { canonical } from './canonical.ts';
import type { Effect } from './journal.ts';
import type { Db } from './open.ts';
import { isTable, storeOf } from './tables.ts';

type Row = Readonly<Record<string, unknown>>;

const rowNow = (db: Db, table: string, id: string): Row | null => (isTable(table) ? (storeOf(table).byId(db, id) as Row | null) : null);

const isRow = (value: unknown): value is Row => typeof value === 'object' && value !== null && !Array.isArray(value);

/** What the place of a fit was called until version 7. */
const OLD_NAME = '"slotId":';

/** Alike in all that the journal knew of: what a row was given by a later version stands only in the table. */
function same(wrote: unknown, now: unknown): boolean {
  if (!isRow(wrote) || !isRow(now)) return canonical(wrote) === canonical(now);
  return Object.entries(now).every(([key, value]) => !(key in wrote) || same(wrote[key], value));
}

/**
 * Whether the tables hold what the journal last wrote of every row.
 *
 * @returns one sentence for each row that differs; none when they agree
 */
export function journalDisagrees(db: Db): string[] {
  const last = new Map<string, Effect>();
  for (const { effects } of db.prepare<[], { effects: string }>('SELECT effects FROM journal ORDER BY seq').iterate())
    for (const effect of JSON.parse(effects.replaceAll(OLD_NAME, '"placeId":')) as Effect[]) last.set(`${effect.table} ${effect.id}`, effect);
  return (
    [...last.values()]
      // a table there is no more holds nothing to agree with
      .filter(({ table, id, after }) => isTable(table) && !same(after, rowNow(db, table, id)))
      .map(({ table, id, after }) =>
        after === null ? `The ${table} ${id} was taken away and is there.` : `The ${table} ${id} is not as the journal last wrote it.`,
      )
  );
}
