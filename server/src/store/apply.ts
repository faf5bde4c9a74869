import { command as commandSchema, type Build, type Command, type CommandReply, type Limit, type Making } from '@elder-cog/contract';
import { inForNow } from '@elder-cog/derive';
import type { z } from 'zod';
import { WorkshopError } from '../errors.ts';
import { closings } from './closings.ts';
import { emptiness } from './emptiness.ts';
import { currentBuild, type Current } from './currentBuild.ts';
import { jobFacts } from './facts.ts';
import { journal, type JournalRow } from './journal.ts';
import { limits } from './limits.ts';
import type { Db } from './open.ts';
import { jobOfRow, stands } from './tables.ts';
import { undo } from './undo.ts';
import { enter, inPlainWords, refusePutAway, Writer } from './writer.ts';

type Applied = z.output<typeof commandSchema>;
type AppliedChange = Applied['change'];

const FIRST = { revision: 1 } as const;
const NO_FORM = { bore: undefined, outside: undefined, tang: undefined, crushed: undefined };

const CONDITIONS = ['bearings', 'seal', 'wheel'] as const;
const isFor = (one: Pick<Limit, 'conditions'>, other: Pick<Limit, 'conditions'>): boolean =>
  CONDITIONS.every((key) => one.conditions?.[key] === other.conditions?.[key]);

function putOutOfUse(db: Db, write: Writer, limit: Pick<Limit, 'stationId' | 'conditions'>): void {
  for (const old of limits.ofStation(db, limit.stationId))
    if (old.inUse && isFor(old, limit)) write.change('limit', old.id, old.revision, { inUse: false });
}

/** One limit of a station is in use at a time, for each thing it is said to be for: new bearings, used ones. The others stay beside it. */
function setLimit(db: Db, write: Writer, limit: Omit<Limit, 'revision'>): void {
  if (limit.inUse) putOutOfUse(db, write, limit);
  write.create('limit', { ...FIRST, ...limit });
}

type WholeShaft = Omit<Extract<AppliedChange, { kind: 'shaft.create' }>, 'kind'>;
function createShaft(write: Writer, { shaft, ...rows }: WholeShaft): void {
  write.create('shaft', { ...FIRST, ...shaft });
  createRows(write, rows);
}

function createRows(write: Writer, { parts, places, features, contacts, stations }: Omit<WholeShaft, 'shaft'>): void {
  for (const row of parts) write.create('part', { ...FIRST, ...row });
  for (const row of places) write.create('place', { ...FIRST, ...row });
  for (const row of features) write.create('feature', { ...FIRST, ...row });
  for (const row of contacts) write.create('contact', { ...FIRST, ...row });
  for (const row of stations) write.create('station', { ...FIRST, ...row });
}

/** What goes makes way before what comes takes its name; what has changed lies against both. */
function editShaft(write: Writer, { goneRows, changedPlaces, changedContacts, ...rows }: Extract<AppliedChange, { kind: 'shaft.edit' }>): void {
  for (const { table, id, revision } of goneRows) write.change(table, id, revision, { gone: true });
  for (const { id, revision, ...patch } of changedPlaces) write.change('place', id, revision, patch);
  createRows(write, rows);
  for (const { id, revision, ...patch } of changedContacts) write.change('contact', id, revision, patch);
}

/** Where another build has been made since the one that was seen, both are said, and whoever sent it chooses. */
function refuseOvertaken(overtaken: Current | null): void {
  if (overtaken) throw new WorkshopError('newerBuild', undefined, overtaken);
}

/** A build for good has nothing in it that is there for the time being. */
function refuseUnswapped(db: Db, { stage, assemblyId }: Build): void {
  const jobId = stage === 'final' ? jobOfRow(db, 'assembly', assemblyId) : null;
  const left = jobId === null ? [] : inForNow(jobFacts(db, jobId), assemblyId);
  if (left.length > 0) throw new WorkshopError('notForGood', `Still in for the time being: ${left.map(({ words }) => words).join(', ')}.`);
}

/** Nothing is read by accident where the last reading was taken. */
function refuseDone(db: Db, stationId: string): void {
  if (closings.ofStation(db, stationId).some(({ id }) => stands(db, 'closing', id))) throw new WorkshopError('stationDone');
}

/** What has something in it stays: it is part of the record. */
function refuseFull(isEmpty: boolean, what: string): void {
  if (!isEmpty) throw new WorkshopError('badRequest', `This ${what} has something in its record: it can be renamed, and not taken away.`);
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
      if (patch.gone) refuseFull(emptiness.ofAssembly(db, id), 'box');
      return write.change('assembly', id, revision, patch);
    }
    case 'shaft.change': {
      const { kind: _, id, revision, ...patch } = change;
      if (patch.gone) refuseFull(emptiness.ofShaft(db, id), 'shaft');
      return write.change('shaft', id, revision, patch);
    }
    case 'shaft.create':
      return createShaft(write, change);
    case 'shaft.edit':
      return editShaft(write, change);
    case 'job.begin':
      write.create('job', { ...FIRST, ...change.job });
      for (const row of change.assemblies) write.create('assembly', { ...FIRST, ...row });
      for (const row of change.shafts) createShaft(write, row);
      for (const row of change.limits) setLimit(db, write, row);
      for (const row of change.builds) write.observe('build', row);
      for (const row of change.readings) write.observe('reading', row);
      return;
    case 'stations.add':
      for (const row of change.stations) write.create('station', { ...FIRST, ...row });
      for (const row of change.settings ?? []) write.create('setting', { ...FIRST, ...row });
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
    case 'part.change':
      return write.change('part', change.id, change.revision, { number: change.number, isReadAgain: change.isReadAgain });
    case 'place.wants':
      return write.change('place', change.id, change.revision, { wants: change.wants ?? undefined });
    case 'limit.set':
      return setLimit(db, write, change.limit);
    case 'limit.use': {
      const limit = limits.byId(db, change.id);
      if (!limit) throw new WorkshopError('notFound', 'That limit is not here: it may have been undone.');
      putOutOfUse(db, write, limit);
      return write.change('limit', change.id, change.revision, { inUse: true });
    }
    case 'specs.add':
      for (const row of change.specs) write.create('spec', { ...FIRST, ...row });
      return;
    case 'spec.change': {
      const { id, revision, gone: _, ...patch } = change.spec;
      return write.change('spec', id, revision, patch);
    }
    case 'spec.copy': {
      const { id, revision, gone: _, ...patch } = change.spec;
      write.change('spec', id, revision, patch);
      return setLimit(db, write, change.limit);
    }
    case 'build.add':
      refuseOvertaken(currentBuild.after(db, change.build, change.saw));
      write.observe('build', change.build);
      return refuseUnswapped(db, change.build);
    case 'reading.keep':
      refuseDone(db, change.reading.stationId);
      refuseOvertaken(currentBuild.ofStation(db, change.reading.stationId, change.saw));
      return write.observe('reading', change.reading);
    case 'feel.add':
      return write.observe('feel', change.feel);
    case 'temporary.count':
      for (const row of change.temporaries) write.observe('temporary', row);
      return;
    case 'remove':
      if (change.build) {
        refuseOvertaken(currentBuild.after(db, change.build, change.saw));
        write.observe('build', change.build);
      }
      return write.observe('removal', change.removal);
    case 'station.close':
      return write.observe('closing', change.closing);
    case 'instrument.add':
      return write.create('instrument', { ...FIRST, ...change.instrument });
    case 'instrument.change': {
      const { id, revision, ...patch } = change.instrument;
      return write.change('instrument', id, revision, patch);
    }
    case 'stock.add':
      for (const row of change.stock) write.create('stock', { ...FIRST, ...row });
      return;
    case 'stock.change': {
      const { id, revision, ...patch } = change.stock;
      return write.change('stock', id, revision, patch);
    }
    case 'making.add':
      return write.create('making', { ...FIRST, ...change.making });
    case 'making.change':
      return changeMaking(write, change.making);
    case 'making.finish':
      for (const row of change.lots) write.create('lot', { ...FIRST, ...row });
      if (change.build) {
        refuseOvertaken(currentBuild.after(db, change.build, change.saw));
        write.observe('build', change.build);
      }
      for (const row of change.removals) write.observe('removal', row);
      for (const row of change.readings) {
        refuseDone(db, row.stationId);
        write.observe('reading', row);
      }
      return changeMaking(write, change.making);
    case 'pass.add':
      return write.observe('pass', change.pass);
    case 'fitting.add':
      return write.create('fitting', { ...FIRST, ...change.fitting });
    case 'fitting.change': {
      const { id, revision, ...patch } = change.fitting;
      return write.change('fitting', id, revision, patch);
    }
    case 'heating.add':
      return write.observe('heating', change.heating);
    case 'joint.add':
      write.create('joint', { ...FIRST, ...change.joint });
      for (const row of change.stations) write.create('station', { ...FIRST, ...row });
      return;
    case 'joint.change': {
      const { id, revision, ...patch } = change.joint;
      return write.change('joint', id, revision, patch);
    }
    case 'joint.pull':
      for (const row of change.pulls) write.observe('pull', row);
      if (!change.build) return;
      refuseOvertaken(currentBuild.after(db, change.build, change.saw));
      return write.observe('build', change.build);
    case 'rollers.add':
      write.create('rollers', { ...FIRST, ...change.rollers });
      for (const row of change.counts) write.observe('rollerCount', row);
      return;
    case 'rollers.change': {
      const { id, revision, ...patch } = change.rollers;
      return write.change('rollers', id, revision, patch);
    }
    case 'rollers.count':
      return write.observe('rollerCount', change.count);
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
    case 'setting.add':
      return write.create('setting', { ...FIRST, ...change.setting });
    case 'setting.change': {
      const { id, revision, ...patch } = change.setting;
      return write.change('setting', id, revision, patch);
    }
    case 'openItem.raise':
      return write.create('openItem', { ...FIRST, ...change.openItem });
    case 'openItem.change': {
      const { id, revision, gone: _, ...patch } = change.openItem;
      return write.change('openItem', id, revision, patch);
    }
    case 'withdraw':
      return write.observe('withdrawal', change.withdrawal);
    case 'lots.add':
      for (const row of change.lots) write.create('lot', { ...FIRST, ...row });
      return;
    case 'lot.change': {
      const { kind: _, id, revision, ...patch } = change;
      // what is not said of its form any more is not known of it
      return write.change('lot', id, revision, { ...NO_FORM, ...patch });
    }
  }
}

const changeMaking = (write: Writer, { id, revision, ...patch }: Making): void => write.change('making', id, revision, patch);

const SAID: Readonly<Record<string, string>> = {
  'job.create': 'the new machine',
  'job.begin': 'the new machine',
  'job.change': 'the change to the machine',
  'assembly.create': 'the new box',
  'shaft.create': 'the new shaft',
  'stations.add': 'the new stations',
  'rows.add': 'the rows brought in',
  'rows.takeOut': 'taking them out of the book',
  'station.change': 'the change to the station',
  'feature.size': 'the size',
  'part.turn': 'the turned part',
  'place.turn': 'the turned part',
  'part.change': 'the number on the part',
  'place.wants': 'what goes there',
  'limit.set': 'the limits',
  'limit.use': 'the choice of limits',
  'specs.add': 'the lines of the spec sheet',
  'spec.change': 'the change to the spec sheet',
  'spec.copy': 'the limit taken from the spec sheet',
  'build.add': 'the build',
  'reading.keep': 'the reading',
  'assembly.change': 'the change to the box',
  'shaft.change': 'the change to the shaft',
  'shaft.edit': 'the change to the parts of the shaft',
  'strip.add': 'the entry of the strip log',
  inspect: 'the inspection',
  accept: 'the acceptance',
  'photo.add': 'the photo',
  'lookAlike.add': 'the look-alikes',
  'lookAlike.change': 'the change to the look-alikes',
  'matchedSet.add': 'the matched set',
  'matchedSet.change': 'the change to the matched set',
  'setting.add': 'what is judged together',
  'setting.change': 'the change to what is judged together',
  'openItem.raise': 'the open item',
  'openItem.change': 'the change to the open item',
  withdraw: 'the withdrawal',
  'feel.add': 'how it felt',
  'temporary.count': 'the count of what is in for the time being',
  remove: 'what was taken off',
  'station.close': 'the closing',
  'instrument.add': 'the new instrument',
  'instrument.change': 'the change to the instrument',
  'stock.add': 'the stock',
  'stock.change': 'the change to the stock',
  'making.add': 'what is made',
  'making.change': 'the change to what is made',
  'making.finish': 'what was made',
  'pass.add': 'the pass',
  'fitting.add': 'the fit',
  'fitting.change': 'the change to the fit',
  'heating.add': 'the go at the fit',
  'joint.add': 'the joint',
  'joint.change': 'the change to the joint',
  'joint.pull': 'what was pulled',
  'rollers.add': 'the loose rollers',
  'rollers.change': 'the change to the loose rollers',
  'rollers.count': 'the count of the rollers',
  'lots.add': 'the leaves',
  'lot.change': 'the change to the leaves',
};

/**
 * The only writer of what people enter. One transaction: the rows and the journal. A command id seen before is answered as before and
 * changes nothing.
 *
 * @throws WorkshopError `stale`, `newerBuild`, `notForGood`, `stationDone`, `notFound`, `nothingToUndo`, `restsOnIt`, `unknownParent`, `alreadyHere`, `badRequest`, `putAway`,
 *   `diskFull`, `readOnly`, `diskTrouble`
 */
export const apply = (db: Db, input: Command): CommandReply => applyRead(db, commandSchema.parse(input));

/** The same, of a command that was read by its shape already. */
export function applyRead(db: Db, command: Applied): CommandReply {
  const { commandId, change } = command;
  const run = db.transaction((): CommandReply => {
    const seen = journal.byCommand(db, commandId);
    if (seen) return replyOf(db, seen, true);
    const write = new Writer(db);
    const last = change.kind === 'undo' ? undo(db, write, command, change.seq) : null;
    if (change.kind !== 'undo') carryOut(db, write, change);
    const jobId = last ? last.jobId : write.jobId();
    const putsAway = change.kind === 'job.change' || last?.kind === 'job.change';
    if (!putsAway) refusePutAway(db, jobId);
    if (!last) write.check(jobId);
    const { clientId, who, at } = command;
    const undid = last ? (SAID[last.kind] ?? 'the last thing') : null;
    enter(db, { commandId, clientId, who, at, kind: change.kind, what: change, jobId, undoes: last?.seq ?? null, undid, effects: write.effects });
    return replyOf(db, journal.byCommand(db, commandId) as JournalRow, false);
  });
  try {
    return run.immediate();
  } catch (error) {
    throw inPlainWords(error, change.kind === 'undo');
  }
}

const replyOf = (db: Db, { seq, jobId, undid, effects }: JournalRow, already: boolean): CommandReply => ({
  already,
  undid,
  seq,
  jobId,
  before: jobId === null ? 0 : journal.before(db, jobId, seq),
  effects: JSON.parse(effects) as CommandReply['effects'],
});
