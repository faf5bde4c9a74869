import { command as commandSchema, type Command, type CommandReply, type Limit, type Station } from '@elder-cog/contract';
import type { z } from 'zod';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { DESCRIPTIONS, type DescriptionTable } from './descriptions.ts';
import { jobs } from './jobs.ts';
import { jobOf } from './jobOf.ts';
import { journal, type Effect, type JournalRow } from './journal.ts';
import { limits } from './limits.ts';
import { isObservation, OBSERVATIONS, type ObservationTable } from './observations.ts';
import type { Db } from './open.ts';
import { stations } from './stations.ts';

type Applied = z.output<typeof commandSchema>;
type AppliedChange = Applied['change'];

interface Described {
  readonly id: string;
  readonly revision?: number;
}
interface DescriptionStore {
  byId(db: Db, id: string): Described | null;
  insert(db: Db, row: Described): void;
  update(db: Db, row: Described): void;
  remove(db: Db, id: string): void;
}
const storeOf = (table: DescriptionTable): DescriptionStore => DESCRIPTIONS[table] as unknown as DescriptionStore;

/** Collects what one command does, so that the journal can hold it and undo can take it back. */
class Writer {
  readonly effects: Effect[] = [];
  private readonly db: Db;

  constructor(db: Db) {
    this.db = db;
  }

  create(table: DescriptionTable, row: Described): void {
    storeOf(table).insert(this.db, row);
    this.effects.push({ table, id: row.id, before: null, after: row });
  }

  /** Writes a description if its revision is the one the writer saw. */
  change(table: DescriptionTable, id: string, revision: number, patch: object): void {
    const before = storeOf(table).byId(this.db, id);
    if (!before) throw new WorkshopError('notFound');
    if (before.revision !== revision) {
      const last = journal.lastChange(this.db, id);
      throw new WorkshopError('stale', undefined, { theirs: before, ...(last ?? {}) });
    }
    const after = { ...before, ...patch, revision: revision + 1 };
    storeOf(table).update(this.db, after);
    this.effects.push({ table, id, before, after });
  }

  observe<Row extends { readonly id: string }>(table: ObservationTable, row: Row): void {
    const { insert } = OBSERVATIONS[table] as unknown as { insert(db: Db, row: object): void };
    insert(this.db, row);
    this.effects.push({ table, id: row.id, before: null, after: row });
  }
}

const FIRST = { revision: 1 } as const;

function putOutOfUse(db: Db, write: Writer, stationId: string): void {
  for (const old of limits.ofStation(db, stationId)) if (old.inUse) write.change('limit', old.id, old.revision, { inUse: false });
}

/** One limit of a station is in use at a time; the others stay beside it. */
function setLimit(db: Db, write: Writer, limit: Omit<Limit, 'revision'>): void {
  if (limit.inUse) putOutOfUse(db, write, limit.stationId);
  write.create('limit', { ...FIRST, ...limit });
}

function carryOut(db: Db, write: Writer, change: Exclude<AppliedChange, { kind: 'undo' }>): void {
  switch (change.kind) {
    case 'job.create':
      return write.create('job', { ...FIRST, ...change.job });
    case 'job.change': {
      const { kind: _, id, revision, ...patch } = change;
      return write.change('job', id, revision, patch);
    }
    case 'assembly.create':
      return write.create('assembly', { ...FIRST, ...change.assembly });
    case 'assembly.change': {
      const { kind: _, id, revision, ...patch } = change;
      return write.change('assembly', id, revision, patch);
    }
    case 'shaft.create':
      write.create('shaft', { ...FIRST, ...change.shaft });
      for (const row of change.parts) write.create('part', { ...FIRST, ...row });
      for (const row of change.features) write.create('feature', { ...FIRST, ...row });
      for (const row of change.contacts) write.create('contact', row);
      for (const row of change.slots) write.create('slot', row);
      for (const row of change.stations) write.create('station', { ...FIRST, ...row });
      return;
    case 'stations.add':
      for (const row of change.stations) write.create('station', { ...FIRST, ...row });
      return;
    case 'rows.add':
      for (const row of change.stations) write.create('station', { ...FIRST, ...row });
      for (const row of change.limits) setLimit(db, write, row);
      for (const row of change.readings) write.observe('reading', row);
      return;
    case 'rows.takeOut':
      for (const { id, revision } of change.stations) write.change('station', id, revision, { gone: true });
      return;
    case 'station.change': {
      const { kind: _, id, revision, ...patch } = change;
      return write.change('station', id, revision, patch);
    }
    case 'feature.size':
      return write.change('feature', change.id, change.revision, { size: change.size });
    case 'part.turn':
      return write.change('part', change.id, change.revision, { turned: change.turned });
    case 'limit.set':
      return setLimit(db, write, change.limit);
    case 'limit.use': {
      const limit = limits.byId(db, change.id);
      if (!limit) throw new WorkshopError('notFound', 'That limit is not here: it may have been undone.');
      putOutOfUse(db, write, limit.stationId);
      return write.change('limit', change.id, change.revision, { inUse: true });
    }
    case 'specs.add':
      for (const row of change.specs) write.create('spec', { ...FIRST, ...row });
      return;
    case 'spec.change': {
      const { id, revision, ...patch } = change.spec;
      return write.change('spec', id, revision, patch);
    }
    case 'spec.copy': {
      const { id, revision, ...patch } = change.spec;
      write.change('spec', id, revision, patch);
      return setLimit(db, write, change.limit);
    }
    case 'build.add':
      return write.observe('build', change.build);
    case 'reading.keep':
      return write.observe('reading', change.reading);
    case 'strip.add':
      write.observe('strip', change.entry);
      for (const row of change.builds) write.observe('build', row);
      for (const row of change.readings) write.observe('reading', row);
      return;
    case 'inspect':
      return write.observe('inspection', change.inspection);
    case 'accept':
      return write.observe('acceptance', change.acceptance);
    case 'photo.add':
      return write.observe('photo', change.photo);
    case 'lookAlike.add':
      return write.create('lookAlike', { ...FIRST, ...change.lookAlike });
    case 'lookAlike.change': {
      const { id, revision, ...patch } = change.lookAlike;
      return write.change('lookAlike', id, revision, patch);
    }
    case 'matchedSet.add':
      return write.create('matchedSet', { ...FIRST, ...change.matchedSet });
    case 'matchedSet.change': {
      const { id, revision, ...patch } = change.matchedSet;
      return write.change('matchedSet', id, revision, patch);
    }
    case 'openItem.raise':
      return write.create('openItem', { ...FIRST, ...change.openItem });
    case 'openItem.change': {
      const { id, revision, ...patch } = change.openItem;
      return write.change('openItem', id, revision, patch);
    }
    case 'withdraw':
      return write.observe('withdrawal', change.withdrawal);
    case 'lots.add':
      for (const row of change.lots) write.create('lot', { ...FIRST, ...row });
      return;
    case 'lot.change': {
      const { kind: _, id, revision, ...patch } = change;
      return write.change('lot', id, revision, patch);
    }
  }
}

const SAID: Readonly<Record<string, string>> = {
  'job.create': 'the new machine',
  'job.change': 'the change to the machine',
  'assembly.create': 'the new box',
  'shaft.create': 'the new shaft',
  'stations.add': 'the new stations',
  'rows.add': 'the rows brought in',
  'rows.takeOut': 'taking them out of the book',
  'station.change': 'the change to the station',
  'feature.size': 'the size',
  'part.turn': 'the turned part',
  'limit.set': 'the limits',
  'limit.use': 'the choice of limits',
  'specs.add': 'the lines of the spec sheet',
  'spec.change': 'the change to the spec sheet',
  'spec.copy': 'the limit taken from the spec sheet',
  'build.add': 'the build',
  'reading.keep': 'the reading',
  'assembly.change': 'the change to the box',
  'strip.add': 'the entry of the strip log',
  inspect: 'the inspection',
  accept: 'the acceptance',
  'photo.add': 'the photo',
  'lookAlike.add': 'the look-alikes',
  'lookAlike.change': 'the change to the look-alikes',
  'matchedSet.add': 'the matched set',
  'matchedSet.change': 'the change to the matched set',
  'openItem.raise': 'the open item',
  'openItem.change': 'the change to the open item',
  withdraw: 'the withdrawal',
  'lots.add': 'the leaves',
  'lot.change': 'the change to the leaves',
};

/** Takes back a client's last command: observations are withdrawn, descriptions written back if nobody has touched them since. */
function undo(db: Db, write: Writer, last: JournalRow, { who, at, commandId }: Applied): void {
  const effects = (JSON.parse(last.effects) as Effect[]).reverse();
  effects.forEach(({ table, id, before, after }, i) => {
    if (isObservation(table)) {
      const withdrawalId = i === 0 ? commandId : `${commandId.slice(0, -4)}${i.toString(16).padStart(4, '0')}`;
      return write.observe('withdrawal', { id: withdrawalId, ofKind: table, ofId: id, who, at, why: 'undone' });
    }
    const store = storeOf(table as DescriptionTable);
    const now = store.byId(db, id);
    if (!now) return;
    if (now.revision !== (after as Described).revision) {
      const changed = journal.lastChange(db, id);
      throw new WorkshopError('stale', `${changed?.who || 'Somebody'} changed it since: it is left as it is.`, { theirs: now, ...(changed ?? {}) });
    }
    const observed = before === null && table === 'station' ? stations.observed(db, id) : null;
    if (observed && observed.every > 0) {
      // what was read of it is kept, taken back though it is: the row leaves the book and not the database
      if (observed.standing > 0) throw new WorkshopError('restsOnIt');
      const back = { ...(now as Station), revision: (now.revision ?? 0) + 1, gone: true };
      store.update(db, back);
      write.effects.push({ table, id, before: now, after: back });
    } else if (before === null) {
      store.remove(db, id);
      write.effects.push({ table, id, before: now, after: null });
    } else {
      const back = { ...(before as Described), revision: (now.revision ?? 0) + 1 };
      store.update(db, back);
      write.effects.push({ table, id, before: now, after: back });
    }
  });
}

/** SQLite's refusals in plain words. */
function inPlainWords(error: unknown, undoing: boolean): never {
  const code = (error as { code?: string }).code;
  if (code === 'SQLITE_CONSTRAINT_FOREIGNKEY') throw new WorkshopError(undoing ? 'restsOnIt' : 'unknownParent');
  if (code === 'SQLITE_CONSTRAINT_PRIMARYKEY' || code === 'SQLITE_CONSTRAINT_UNIQUE') throw new WorkshopError('alreadyHere');
  if (code === 'SQLITE_CONSTRAINT_CHECK') throw new WorkshopError('badRequest', 'Those figures contradict each other: give the smaller limit first.');
  throw diskTrouble(error) ?? error;
}

/**
 * The only writer. One transaction: the rows and the journal. A command id seen before is answered as before and changes nothing.
 *
 * @throws WorkshopError `stale`, `notFound`, `nothingToUndo`, `restsOnIt`, `unknownParent`, `alreadyHere`, `putAway`, `diskFull`, `readOnly`, `diskTrouble`
 */
export const apply = (db: Db, input: Command): CommandReply => applyRead(db, commandSchema.parse(input));

/** The same, of a command that was read by its shape already. */
export function applyRead(db: Db, command: Applied): CommandReply {
  const { commandId, clientId, who, at, change } = command;
  const run = db.transaction((): CommandReply => {
    const seen = journal.byCommand(db, commandId);
    if (seen) return { already: true, undid: seen.undid };
    const write = new Writer(db);
    const jobId = change.kind === 'undo' ? null : jobOf(db, change);
    if (jobId !== null && change.kind !== 'job.change' && jobs.byId(db, jobId)?.archivedAt) throw new WorkshopError('putAway');
    const last = change.kind === 'undo' ? journal.lastOf(db, clientId) : null;
    if (change.kind === 'undo') {
      if (!last) throw new WorkshopError('nothingToUndo');
      undo(db, write, last, command);
    } else carryOut(db, write, change);
    const undid = last ? (SAID[last.kind] ?? 'the last thing') : null;
    journal.insert(db, {
      commandId,
      clientId,
      who,
      at,
      kind: change.kind,
      jobId: last?.jobId ?? jobId,
      what: JSON.stringify(change),
      effects: JSON.stringify(write.effects),
      undoes: last?.seq ?? null,
      undid,
    });
    return { already: false, undid };
  });
  try {
    return run.immediate();
  } catch (error) {
    return inPlainWords(error, change.kind === 'undo');
  }
}
