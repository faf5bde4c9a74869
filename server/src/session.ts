import { createHash, randomBytes, scryptSync, timingSafeEqual } from 'node:crypto';
import { join } from 'node:path';
import { diskTrouble, WorkshopError } from './errors.ts';
import { readJson, writeWhole } from './folder/files.ts';

/** The passcode as it is kept: never itself, only what it hashes to. */
interface Kept {
  readonly salt: string;
  readonly hash: string;
}
/** Browsers that have signed in: what each one's session hashes to, and until when. */
type Sessions = Readonly<Record<string, number>>;

const FILE = 'passcode.json';
const SESSIONS = 'sessions.json';
const SHORTEST = 6;
const SESSION_MS = 90 * 24 * 3_600_000;
/** More tablets than a workshop has: the oldest is asked again. */
const MOST_SESSIONS = 200;
/** scrypt with the cost OWASP gives as its least for N (2^17 with r 8 needs more memory than an old laptop should give); from memory. */
const COST = { N: 2 ** 15, r: 8, p: 3, maxmem: 128 * 1024 * 1024 };

const hashed = (passcode: string, salt: string): Buffer => scryptSync(passcode.normalize('NFKC'), Buffer.from(salt, 'hex'), 32, COST);

/** What is kept; null where none is, or where what is there was cut short, so that it is set anew. */
function kept(folder: string): Kept | null {
  const row = readJson(join(folder, FILE)) as Partial<Kept> | null;
  const isSound = /^[0-9a-f]{32}$/.test(row?.salt ?? '') && /^[0-9a-f]{64}$/.test(row?.hash ?? '');
  return isSound ? (row as Kept) : null;
}

export const hasPasscode = (folder: string): boolean => kept(folder) !== null;

const write = (folder: string, name: string, value: unknown): void => {
  try {
    writeWhole(join(folder, name), JSON.stringify(value));
  } catch (error) {
    throw diskTrouble(error) ?? error;
  }
};

/**
 * Sets the workshop's passcode, in place of any before it, and ends every session.
 *
 * @throws WorkshopError `badRequest` under six characters; `readOnly`, `diskFull`
 */
export function setPasscode(folder: string, passcode: string): void {
  if (passcode.trim().length < SHORTEST)
    throw new WorkshopError('badRequest', `A passcode has at least ${SHORTEST} characters: three words will do.`, { field: 'passcode' });
  const salt = randomBytes(16).toString('hex');
  write(folder, SESSIONS, {});
  write(folder, FILE, { salt, hash: hashed(passcode.trim(), salt).toString('hex') } satisfies Kept);
}

export function isPasscode(folder: string, passcode: string): boolean {
  const row = kept(folder);
  return row !== null && timingSafeEqual(hashed(passcode.trim(), row.salt), Buffer.from(row.hash, 'hex'));
}

const keyOf = (session: string): string => createHash('sha256').update(session).digest('hex');

function sessionsOf(folder: string, now: number): Sessions {
  const rows = Object.entries((readJson(join(folder, SESSIONS)) ?? {}) as Record<string, unknown>);
  return Object.fromEntries(rows.filter((row): row is [string, number] => typeof row[1] === 'number' && row[1] > now));
}

/** What a browser that has signed in holds: a word of chance, known here by its hash alone. It ends where it is signed out, for every copy. */
export function newSession(folder: string, now = Date.now()): string {
  if (!hasPasscode(folder)) throw new WorkshopError('signIn');
  const session = randomBytes(32).toString('hex');
  const newest = Object.entries(sessionsOf(folder, now))
    .sort(([, a], [, b]) => b - a)
    .slice(0, MOST_SESSIONS - 1);
  write(folder, SESSIONS, { ...Object.fromEntries(newest), [keyOf(session)]: now + SESSION_MS });
  return session;
}

export function endSession(folder: string, session: string, now = Date.now()): void {
  const { [keyOf(session)]: ended, ...others } = sessionsOf(folder, now);
  if (ended !== undefined) write(folder, SESSIONS, others);
}

export const isSession = (folder: string, session: string | undefined, now = Date.now()): boolean =>
  session !== undefined && /^[0-9a-f]{64}$/.test(session) && hasPasscode(folder) && (sessionsOf(folder, now)[keyOf(session)] ?? 0) > now;

export const SESSION_SECONDS = SESSION_MS / 1000;
