import type { Change, Command, CommandReply } from '@elder-cog/contract';
import { create } from 'zustand';
import { ask, postJson, RefusedError } from './ask.ts';
import { overThis, type Theirs } from './conflict.ts';
import { newId, useSettings } from './settings.ts';

/** Commands that belong together, not yet acknowledged. They keep their ids for as long as it takes, so that none lands twice. */
interface Batch {
  readonly key: string;
  commands: readonly Command[];
  /** how often the server broke over it */
  broke: number;
}

/** What the server would not take: in sight, with what was in it, until it is read. It is kept through a reload. */
export interface Parked {
  readonly key: string;
  readonly entered: string;
  readonly message: string;
  /** to be sent again, where that may help: the server broke over it, and not the other way about */
  readonly again: readonly Command[] | null;
}

/** A change that met another: both are shown, and one is chosen. */
export interface Conflict {
  readonly key: string;
  readonly mine: Change;
  readonly theirs: Theirs;
}

interface Outbox {
  readonly waiting: number;
  /** why what waits was not taken the last time; nothing while it goes on its way */
  readonly because: string | null;
  readonly parked: readonly Parked[];
  readonly conflicts: readonly Conflict[];
  /** batches of an earlier page that were kept: nobody here waits for them, and what is shown is to be asked for again */
  readonly late: number;
  read(key: string): void;
  again(key: string): void;
  /** Mine is written over theirs; or, with nothing, theirs is left as it is. */
  choose(key: string, mine: Change | null): void;
}

const WAITING = 'elder-cog-waiting:';
const PARKED = 'elder-cog-parked:';
const RETRY_MS = [1_000, 2_000, 4_000, 8_000] as const;
/** What is not the entry's own fault: no passcode yet, another name of the machine, too many at once, a full disk, the data not opened. */
const NOT_ITS_FAULT: ReadonlySet<number> = new Set([0, 401, 403, 408, 429, 503, 507]);
const MOST_BREAKS = 3;

export const useOutbox = create<Outbox>((set, get) => ({
  waiting: 0,
  because: null,
  parked: [],
  conflicts: [],
  late: 0,
  read: (key) => {
    storage.forget(key);
    set((s) => ({ parked: s.parked.filter((p) => p.key !== key) }));
  },
  again: (key) => {
    const commands = get().parked.find((p) => p.key === key)?.again;
    get().read(key);
    if (commands) enqueue({ key: newKey(), commands, broke: 0 });
  },
  choose: (key, mine) => {
    const batch = held.get(key);
    held.delete(key);
    set((s) => ({ conflicts: s.conflicts.filter((c) => c.key !== key) }));
    if (!batch) return;
    if (mine === null) return settleWith(batch, new RefusedError('leftAsIs', 'Left as it is: the other was kept, and yours was not.', 409));
    const [first, ...rest] = batch.commands;
    if (first) batch.commands = [{ ...first, commandId: newId(), change: mine }, ...rest];
    enqueue(batch);
  },
}));

type Settle = { resolve: (reply: CommandReply) => void; reject: (error: Error) => void };
const queue: Batch[] = [];
const held = new Map<string, Batch>();
const waitedFor = new Map<string, Settle>();
/** What was acknowledged is told to whoever keeps what is shown. */
const hearers = new Set<(commandId: string, reply: CommandReply) => void>();
/** Commands of this very page: what is heard of them from the server is no news. */
const own = new Set<string>();
const ownBuilds = new Set<string>();
let delivering = false;
let tries = 0;
let timer: ReturnType<typeof setTimeout> | undefined;

/** The browser's own store; a browser that has none, or no room, keeps things in the page alone. */
const storage = {
  put(key: string, value: unknown): void {
    try {
      localStorage.setItem(key, JSON.stringify(value));
    } catch {
      // kept in the page alone
    }
  },
  forget(key: string): void {
    try {
      localStorage.removeItem(key);
    } catch {
      // nothing was stored
    }
  },
  under<Value>(prefix: string): [key: string, value: Value][] {
    try {
      const keys = Object.keys(localStorage).filter((key) => key.startsWith(prefix));
      return keys.sort().map((key) => [key, JSON.parse(localStorage.getItem(key) ?? 'null') as Value]);
    } catch {
      return [];
    }
  },
};

const newKey = (): string => `${WAITING}${new Date().toISOString()}:${newId()}`;
const show = (because: string | null): void => useOutbox.setState({ waiting: queue.length, because });

function enqueue(batch: Batch): void {
  for (const { commandId, change } of batch.commands) {
    own.add(commandId);
    if (change.kind === 'build.add') ownBuilds.add(change.build.id);
  }
  storage.put(batch.key, batch.commands);
  queue.push(batch);
  show(useOutbox.getState().because);
  void deliver();
}

export const isOwn = (commandId: string): boolean => own.has(commandId);
export const whenAcknowledged = (hear: (commandId: string, reply: CommandReply) => void): (() => void) => {
  hearers.add(hear);
  return () => void hearers.delete(hear);
};

/** Puts changes in the queue, in order, and sends them; resolves when all are acknowledged, however long the server is away. */
export function post(changes: readonly Change[]): Promise<CommandReply> {
  const { who, clientId } = useSettings.getState();
  const at = new Date().toISOString();
  const commands = changes.map((change) => ({ commandId: newId(), clientId, who, at, change }));
  const batch: Batch = { key: newKey(), commands, broke: 0 };
  const acknowledged = new Promise<CommandReply>((resolve, reject) => waitedFor.set(batch.key, { resolve, reject }));
  enqueue(batch);
  return acknowledged;
}

/** What an earlier page left unsent is sent now, and what it left in sight is in sight again. */
export function sendWhatWaits(): void {
  const known = new Set([...queue.map((batch) => batch.key), ...held.keys()]);
  const parked = storage.under<Parked>(PARKED).map(([, value]) => value);
  useOutbox.setState({ parked });
  for (const [key, commands] of storage.under<Command[]>(WAITING)) if (!known.has(key)) enqueue({ key, commands, broke: 0 });
}

async function deliver(): Promise<void> {
  if (delivering) return;
  delivering = true;
  clearTimeout(timer);
  try {
    for (let batch = queue[0]; batch; batch = queue[0]) await deliverOne(batch);
    tries = 0;
    show(null);
  } catch (error) {
    show((error as Error).message);
    timer = setTimeout(() => void deliver(), RETRY_MS[Math.min(tries++, RETRY_MS.length - 1)]);
  } finally {
    delivering = false;
  }
}

/** Sends one batch; throws where it is to wait, for a reason that is not its own. */
async function deliverOne(batch: Batch): Promise<void> {
  try {
    let reply: CommandReply | null = null;
    for (let command = batch.commands[0]; command; command = batch.commands[0]) {
      reply = await ask<CommandReply>('/api/commands', postJson(command));
      for (const hear of hearers) hear(command.commandId, reply);
      if (batch.commands.length > 1) {
        batch.commands = batch.commands.slice(1);
        storage.put(batch.key, batch.commands);
      } else break;
    }
    queue.shift();
    if (reply) settleWith(batch, reply);
  } catch (error) {
    const refused =
      error instanceof RefusedError ? error : new RefusedError('broken', 'The server answered with something that could not be read.', 500);
    if (NOT_ITS_FAULT.has(refused.status) && refused.code !== 'otherShape') throw refused;
    if (refused.status >= 500 && ++batch.broke < MOST_BREAKS) throw refused;
    queue.shift();
    const theirs = refused.status === 409 ? theirsOf(refused) : null;
    const [first] = batch.commands;
    if (theirs && first) hold(batch, first.change, theirs);
    else settleWith(batch, refused);
  }
}

const theirsOf = ({ code, theirs, who, at }: RefusedError): Theirs | null =>
  code === 'newerBuild' || (code === 'stale' && theirs !== undefined && theirs !== null)
    ? { code, row: (theirs ?? null) as Theirs['row'], who: who ?? '', at: at ?? null }
    : null;

/** It stays with the browser until one of the two is chosen, and the others go on. An undo is never written over anybody. */
function hold(batch: Batch, mine: Change, theirs: Theirs): void {
  const rebased = overMyOwn(mine, theirs);
  if (rebased) {
    held.set(batch.key, batch);
    return useOutbox.getState().choose(batch.key, rebased);
  }
  if (mine.kind === 'undo' || overThis(mine, theirs).length === 0) return settleWith(batch, new RefusedError('stale', sentenceOf(theirs), 409));
  held.set(batch.key, batch);
  useOutbox.setState((s) => ({ waiting: queue.length, conflicts: [...s.conflicts, { key: batch.key, mine, theirs }] }));
}

/** Two things done one after the other on this page, the second before the first had come back: it stands after the first, unless it is the same done twice. */
function overMyOwn(mine: Change, theirs: Theirs): Change | null {
  const { row } = theirs;
  if (theirs.code !== 'newerBuild' || row?.id === undefined || !ownBuilds.has(row.id)) return null;
  const slots = new Set((row.fits as { placeId: string }[]).map((fit) => fit.placeId));
  if (mine.kind === 'build.add' && mine.build.fits.some((fit) => slots.has(fit.placeId))) return null;
  return overThis(mine, theirs)[0]?.change ?? null;
}

const sentenceOf = ({ who }: Theirs): string => `${who || 'Somebody'} changed it since: it is left as it is.`;

/** A batch is done with: kept, or not. What nobody here waits for, and what the server broke over, is parked in sight. */
function settleWith(batch: Batch, outcome: CommandReply | RefusedError): void {
  const settle = waitedFor.get(batch.key);
  waitedFor.delete(batch.key);
  storage.forget(batch.key);
  show(null);
  if (!(outcome instanceof RefusedError)) {
    if (settle) settle.resolve(outcome);
    else useOutbox.setState((s) => ({ late: s.late + 1 }));
    return;
  }
  if (!settle || outcome.status >= 500) park(batch, outcome);
  settle?.reject(outcome);
}

function park({ key, commands }: Batch, { message, status }: RefusedError): void {
  const entered = commands.map(enteredIn).join('; ');
  const parked: Parked = { key: key.replace(WAITING, PARKED), entered, message, again: status >= 500 ? commands : null };
  storage.put(parked.key, parked);
  useOutbox.setState((s) => ({ parked: [...s.parked, parked] }));
}

/** What a person would miss of a command that was not taken. */
function enteredIn({ change }: Command): string {
  switch (change.kind) {
    case 'reading.keep':
      return change.reading.raw.text;
    case 'limit.set':
      return change.limit.written;
    case 'strip.add':
      return change.entry.text;
    case 'openItem.raise':
      return change.openItem.text;
    case 'inspect':
      return `${change.inspection.part}: ${change.inspection.decision}`;
    case 'accept':
      return change.acceptance.reason;
    case 'specs.add':
      return change.specs.map((spec) => spec.text).join('; ');
    case 'job.begin':
      return `the new machine ${change.job.machine}`;
    case 'build.add':
      return `the build: ${change.build.fits.map((fit) => fit.leaves.map((leaf) => leaf.written).join(' + ') || (fit.state ?? 'none')).join(', ')}`;
    default:
      return change.kind.replace('.', ' ');
  }
}

/** The browser says the network is back, or the page is looked at again: try at once. */
export function tryAgainNow(): void {
  if (queue.length > 0) void deliver();
}
