import {
  command as commandSchema,
  type Build,
  type Command,
  type CommandReply,
  type Limit,
  type ReadingFact,
  type Withdrawal,
} from '@elder-cog/contract';
import type { z } from 'zod';
import { WorkshopError } from '../errors.ts';
import { assemblies } from './assemblies.ts';
import { builds } from './builds.ts';
import { contacts } from './contacts.ts';
import { features } from './features.ts';
import { jobs } from './jobs.ts';
import { journal, type Effect, type JournalRow } from './journal.ts';
import { limits } from './limits.ts';
import { lots } from './lots.ts';
import type { Db } from './open.ts';
import { parts } from './parts.ts';
import { readings } from './readings.ts';
import { shafts } from './shafts.ts';
import { slots } from './slots.ts';
import { stations } from './stations.ts';
import { withdrawals } from './withdrawals.ts';

type Applied = z.output<typeof commandSchema>;
type AppliedChange = Applied['change'];

/** Descriptions: rows that change and can be written back. */
const DESCRIPTIONS = {
  job: jobs,
  assembly: assemblies,
  shaft: shafts,
  part: parts,
  feature: features,
  contact: contacts,
  slot: slots,
  station: stations,
  limit: limits,
  lot: lots,
} as const;
type DescriptionTable = keyof typeof DESCRIPTIONS;
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

  observe(table: 'build' | 'reading' | 'withdrawal', row: Build | ReadingFact | Withdrawal): void {
    if (table === 'build') builds.insert(this.db, row as Build);
    else if (table === 'reading') readings.insert(this.db, row as ReadingFact);
    else withdrawals.insert(this.db, row as Withdrawal);
    this.effects.push({ table, id: row.id, before: null, after: row });
  }
}

const FIRST = { revision: 1 } as const;

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
    case 'station.change': {
      const { kind: _, id, revision, ...patch } = change;
      return write.change('station', id, revision, patch);
    }
    case 'feature.size':
      return write.change('feature', change.id, change.revision, { size: change.size });
    case 'part.turn':
      return write.change('part', change.id, change.revision, { turned: change.turned });
    case 'limit.set': {
      const inUse = limits.ofStation(db, change.limit.stationId).filter((l) => l.inUse);
      if (change.limit.inUse) for (const old of inUse) write.change('limit', old.id, old.revision, { inUse: false });
      const row: Limit = { ...FIRST, ...change.limit };
      return write.create('limit', row);
    }
    case 'build.add':
      return write.observe('build', change.build);
    case 'reading.keep':
      return write.observe('reading', change.reading);
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
  'station.change': 'the change to the station',
  'feature.size': 'the size',
  'part.turn': 'the turned part',
  'limit.set': 'the limits',
  'build.add': 'the build',
  'reading.keep': 'the reading',
  withdraw: 'the withdrawal',
  'lots.add': 'the leaves',
  'lot.change': 'the change to the leaves',
};

/** Takes back a client's last command: observations are withdrawn, descriptions written back if nobody has touched them since. */
function undo(db: Db, write: Writer, last: JournalRow, { who, at, commandId }: Applied): void {
  const effects = (JSON.parse(last.effects) as Effect[]).reverse();
  effects.forEach(({ table, id, before, after }, i) => {
    if (table === 'build' || table === 'reading' || table === 'withdrawal') {
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
    if (before === null) {
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
  throw error;
}

/**
 * The only writer. One transaction: the rows and the journal. A command id seen before is answered as before and changes nothing.
 *
 * @throws WorkshopError `stale`, `notFound`, `nothingToUndo`, `restsOnIt`, `unknownParent`, `alreadyHere`
 */
export function apply(db: Db, input: Command): CommandReply {
  const command = commandSchema.parse(input);
  const { commandId, clientId, who, at, change } = command;
  const run = db.transaction((): CommandReply => {
    const seen = journal.byCommand(db, commandId);
    if (seen) return { already: true, undid: seen.undid };
    const write = new Writer(db);
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
