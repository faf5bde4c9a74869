import { randomUUID } from 'node:crypto';
import type { UndoableReply } from '@elder-cog/contract';
import { journalWords, type JournalEffect } from '@elder-cog/derive';
import { WorkshopError } from '../errors.ts';
import { canonical } from './canonical.ts';
import { jobFacts } from './facts.ts';
import { jobs } from './jobs.ts';
import { journal, type Effect, type JournalRow } from './journal.ts';
import type { Db } from './open.ts';
import { places } from './places.ts';
import { shafts } from './shafts.ts';
import { stations } from './stations.ts';
import { descriptionStore, isObservation, namedBy, stands, type DescriptionTable } from './tables.ts';
import type { Writer } from './writer.ts';

/** Who undoes, and when. */
interface By {
  readonly clientId: string;
  readonly who: string;
  readonly at: string;
}

type Row = { readonly id: string; readonly revision?: number; readonly gone?: boolean };

/** The same in what stands: how often it was written does not count. */
const isAs = (now: Row, wrote: unknown): boolean =>
  wrote !== null && canonical({ ...now, revision: 0 }) === canonical({ ...(wrote as Row), revision: 0 });

/**
 * Takes back a client's last command that has not been taken back: observations are withdrawn, descriptions written back if they are still
 * what it made of them. Again and again it goes back to the first.
 *
 * @param expected the entry it was said to take back; any other is refused
 * @returns the entry that was taken back
 * @throws WorkshopError `nothingToUndo`, `restsOnIt`, `stale`
 */
export function undo(db: Db, write: Writer, { clientId, who, at }: By, expected?: number): JournalRow {
  const last = journal.lastOf(db, clientId);
  if (!last) throw new WorkshopError('nothingToUndo');
  if (expected !== undefined && last.seq !== expected) throw new WorkshopError('otherLast');
  for (const { table, id, before, after } of (JSON.parse(last.effects) as Effect[]).reverse()) {
    if (isObservation(table)) {
      // what was taken back by hand in the meantime is taken back already
      if (!stands(db, table, id)) continue;
      if (namedBy(db, table, id) === 'standing') throw new WorkshopError('restsOnIt');
      write.observe('withdrawal', { id: randomUUID(), ofKind: table, ofId: id, who, at, why: 'undone' });
    } else undoDescription(db, write, { table: table as DescriptionTable, id, before, after });
  }
  return last;
}

function undoDescription(db: Db, write: Writer, { table, id, before, after }: Effect & { readonly table: DescriptionTable }): void {
  const now = descriptionStore(table).byId(db, id) as Row | null;
  if (!now || (before === null && now.gone === true)) return;
  if (!isAs(now, after)) {
    const changed = journal.lastChange(db, id);
    throw new WorkshopError('stale', `${changed.who || 'Somebody'} changed it since: it is left as it is.`, { theirs: now, ...changed });
  }
  if (before === null) return write.takeAway(table, now);
  const revision = now.revision === undefined ? {} : { revision: now.revision + 1 };
  write.write(table, now, { ...(before as Row), ...revision });
}

const DRAWER_WORDS: Readonly<Record<string, string>> = { instrument: 'An instrument in the Drawer', stock: 'Stock in the Drawer' };

/** What undo would take back, in words, and where it was done: said before it is done where it is out of sight. */
export function undoable(db: Db, clientId: string): UndoableReply {
  const last = journal.lastOf(db, clientId);
  if (!last) return { entry: null };
  const job = last.jobId === null ? null : jobs.byId(db, last.jobId);
  const effects = JSON.parse(last.effects) as JournalEffect[];
  const shaftId = shaftOf(db, effects);
  const facts = job ? jobFacts(db, job.id) : null;
  const inDrawer = DRAWER_WORDS[effects[0]?.table ?? ''] ?? 'Leaves in the Drawer';
  const words = facts ? journalWords(last.kind, effects, facts).words : inDrawer;
  const shaft = shaftId === null ? null : (shafts.byId(db, shaftId)?.name ?? null);
  return { entry: { seq: last.seq, at: last.at, words, jobId: last.jobId, machine: job?.machine ?? null, shaftId, shaft } };
}

/** The shaft the first of it that has one belongs to. */
function shaftOf(db: Db, effects: readonly JournalEffect[]): string | null {
  for (const { table, id, after } of effects) {
    if (table === 'shaft') return id;
    const row = after as { shaftId?: string | null; stationId?: string; fits?: { placeId: string }[]; ofId?: string } | null;
    if (row?.shaftId) return row.shaftId;
    const [fit] = row?.fits ?? [];
    const found = stations.byId(db, row?.stationId ?? '')?.shaftId ?? places.byId(db, fit?.placeId ?? '')?.shaftId;
    if (found !== undefined) return found;
  }
  return null;
}
