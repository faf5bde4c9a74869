import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import Database from 'better-sqlite3';

const FIXTURES = new URL('../../../contract/fixtures/', import.meta.url);

/** Writes a database as the version before places wrote it: sixteen machines after an evening's commands of every kind. */
export function writeDatabaseSix(file: string): void {
  const db = new Database(file);
  db.pragma('foreign_keys = OFF');
  db.exec(gunzipSync(readFileSync(new URL('database-v6.sql.gz', FIXTURES))).toString('utf8'));
  db.close();
}

/** What that version said of each of its machines. */
export const statesSix = (): unknown[] => JSON.parse(readFileSync(new URL('database-v6.json', FIXTURES), 'utf8')) as unknown[];
/** What it said of the made-up machine. */
export const demoStateSix = (): unknown => JSON.parse(readFileSync(new URL('state-v6.json', FIXTURES), 'utf8')) as unknown;

/** What a drawing is made from, and names of what places took the place of: no answer to anybody. */
const NAMES: ReadonlySet<string> = new Set([
  'section',
  'adjuster',
  'isOne',
  'isShared',
  'ends',
  'template',
  'place',
  'gasket',
  'origin',
  'partRole',
  'contactRole',
  'reads',
]);

/** A state with all that it says, and without the names of what it is kept as. */
export const asSaid = (state: unknown): unknown =>
  JSON.parse(
    JSON.stringify(state, (key, value: unknown) =>
      NAMES.has(key) ? undefined : value instanceof Map ? [...(value as Map<unknown, unknown>).entries()] : value,
    )
      .replaceAll('"slotId":', '"placeId":')
      .replaceAll('"cover.gasket"', '"gasket"'),
  ) as unknown;
