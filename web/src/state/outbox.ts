import { commandReply, errorReply, type Change, type Command, type CommandReply } from '@elder-cog/contract';
import type { z } from 'zod';
import { create } from 'zustand';
import { newId, useSettings } from './settings.ts';

/** A refusal from the server, or no server at all, as one sentence. */
export class RefusedError extends Error {
  readonly code: string;
  /** where in a file, where it was a file */
  readonly line: number | undefined;
  constructor(code: string, message: string, line?: number) {
    super(message);
    this.code = code;
    this.line = line;
  }
}

/** The workshop asks for its passcode before anything else. `opened` counts the times it was given. */
export const useDoor = create<{ readonly shut: boolean; readonly opened: number }>(() => ({ shut: false, opened: 0 }));
export const openDoor = (): void => useDoor.setState((door) => ({ shut: false, opened: door.opened + 1 }));

const PATIENCE_MS = 15_000;

/** Asks the server, and reads its answer by its shape. No answer in time is a server that is away. */
export async function ask<Schema extends z.ZodType>(
  schema: Schema,
  url: string,
  init?: RequestInit,
  patience = PATIENCE_MS,
): Promise<z.output<Schema>> {
  let response: Response;
  let body: unknown;
  const { opened } = useDoor.getState();
  try {
    response = await fetch(url, { ...init, signal: AbortSignal.timeout(patience) });
    body = await response.json().catch((error: unknown) => {
      if (error instanceof DOMException || error instanceof TypeError) throw error;
      return null;
    });
  } catch {
    throw new RefusedError('away', 'The server is away. What you entered is kept here, and sent when it answers.');
  }
  if (!response.ok) {
    // an answer to something asked before the passcode was given shuts nothing
    if (response.status === 401 && url !== '/api/sign-in' && opened === useDoor.getState().opened) useDoor.setState({ shut: true });
    const refused = errorReply.safeParse(body);
    throw refused.success
      ? new RefusedError(refused.data.error.code, refused.data.error.message, refused.data.error.line)
      : new RefusedError('broken', 'The server answered with something that could not be read: try again.');
  }
  const read = schema.safeParse(body);
  if (!read.success) throw new RefusedError('otherShape', 'Elder Cog was changed since this page was opened: load the page again.');
  return read.data;
}

/** Commands that belong together, not yet acknowledged. They keep their ids for as long as it takes, so that none lands twice. */
interface Batch {
  readonly key: string;
  readonly commands: readonly Command[];
}

/** A batch from an earlier page that the server would not take: shown until it is read, with what was in it. */
export interface Parked {
  readonly key: string;
  readonly entered: string;
  readonly message: string;
}

interface Outbox {
  readonly waiting: number;
  /** the server did not answer the last time */
  readonly away: boolean;
  readonly parked: readonly Parked[];
  /** batches of an earlier page that were kept: nobody here waits for them, and what is shown is to be asked for again */
  readonly late: number;
  read(key: string): void;
}

export const useOutbox = create<Outbox>((set) => ({
  waiting: 0,
  away: false,
  parked: [],
  late: 0,
  read: (key) => set((s) => ({ parked: s.parked.filter((p) => p.key !== key) })),
}));

const PREFIX = 'elder-cog-waiting:';
const RETRY_MS = [1_000, 2_000, 4_000, 8_000] as const;

type Settle = { resolve: (reply: CommandReply) => void; reject: (error: Error) => void };
const queue: Batch[] = [];
const waitedFor = new Map<string, Settle>();
let delivering = false;
let tries = 0;
let timer: ReturnType<typeof setTimeout> | undefined;

const store = (batch: Batch): void => {
  try {
    localStorage.setItem(batch.key, JSON.stringify(batch.commands));
  } catch {
    // a browser with no room keeps it in the page alone
  }
};
const forget = (key: string): void => {
  try {
    localStorage.removeItem(key);
  } catch {
    // nothing was stored
  }
};

const show = (away: boolean): void => useOutbox.setState({ waiting: queue.length, away });

/** Puts changes in the queue, in order, and sends them; resolves when all are acknowledged, however long the server is away. */
export function post(changes: readonly Change[]): Promise<CommandReply> {
  const { who, clientId } = useSettings.getState();
  const at = new Date().toISOString();
  const batch: Batch = { key: `${PREFIX}${at}:${newId()}`, commands: changes.map((change) => ({ commandId: newId(), clientId, who, at, change })) };
  store(batch);
  queue.push(batch);
  const acknowledged = new Promise<CommandReply>((resolve, reject) => waitedFor.set(batch.key, { resolve, reject }));
  show(useOutbox.getState().away);
  void deliver();
  return acknowledged;
}

/** What an earlier page left unsent is sent now. */
export function sendWhatWaits(): void {
  const known = new Set(queue.map((batch) => batch.key));
  try {
    const keys = Object.keys(localStorage).filter((key) => key.startsWith(PREFIX) && !known.has(key));
    for (const key of keys.sort()) queue.push({ key, commands: JSON.parse(localStorage.getItem(key) ?? '[]') as Command[] });
  } catch {
    // no storage, nothing waits
  }
  if (queue.length > 0) {
    show(useOutbox.getState().away);
    void deliver();
  }
}

async function deliver(): Promise<void> {
  if (delivering) return;
  delivering = true;
  clearTimeout(timer);
  try {
    for (let batch = queue[0]; batch; batch = queue[0]) await deliverOne(batch);
    tries = 0;
    show(false);
  } catch {
    show(true);
    timer = setTimeout(() => void deliver(), RETRY_MS[Math.min(tries++, RETRY_MS.length - 1)]);
  } finally {
    delivering = false;
  }
}

/** Sends one batch; throws only where the server is away. */
async function deliverOne(batch: Batch): Promise<void> {
  const settle = waitedFor.get(batch.key);
  try {
    let reply: CommandReply = { already: false, undid: null };
    for (const command of batch.commands) reply = await sendOne(command);
    done(batch);
    if (settle) settle.resolve(reply);
    else useOutbox.setState((s) => ({ late: s.late + 1 }));
  } catch (error) {
    const refused = error instanceof RefusedError ? error : new RefusedError('broken', 'The server answered with something that could not be read.');
    if (refused.code === 'away' || refused.code === 'signIn') throw refused;
    done(batch);
    if (settle) settle.reject(refused);
    else
      useOutbox.setState((s) => ({
        parked: [...s.parked, { key: batch.key, entered: batch.commands.map(enteredIn).join('; '), message: refused.message }],
      }));
  }
}

function done(batch: Batch): void {
  queue.shift();
  waitedFor.delete(batch.key);
  forget(batch.key);
  show(false);
}

const sendOne = (command: Command): Promise<CommandReply> =>
  ask(commandReply, '/api/commands', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(command) });

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
    default:
      return change.kind.replace('.', ' ');
  }
}

/** The browser says the network is back, or the page is looked at again: try at once. */
export function tryAgainNow(): void {
  if (queue.length > 0) void deliver();
}
