import { createHmac, randomBytes, scryptSync, timingSafeEqual } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { diskTrouble, WorkshopError } from './errors.ts';

/** The passcode as it is kept: never itself, only what it hashes to. Changing it ends every session, for the secret changes with it. */
interface Kept {
  readonly salt: string;
  readonly hash: string;
  readonly secret: string;
}

const FILE = 'passcode.json';
const SHORTEST = 6;
const SESSION_MS = 90 * 24 * 3_600_000;
/** scrypt with the cost OWASP gives as its least for N (2^17 with r 8 needs more memory than an old laptop should give); from memory. */
const COST = { N: 2 ** 15, r: 8, p: 3, maxmem: 128 * 1024 * 1024 };

const hashed = (passcode: string, salt: string): Buffer => scryptSync(passcode.normalize('NFKC'), Buffer.from(salt, 'hex'), 32, COST);

function kept(folder: string): Kept | null {
  const path = join(folder, FILE);
  return existsSync(path) ? (JSON.parse(readFileSync(path, 'utf8')) as Kept) : null;
}

export const hasPasscode = (folder: string): boolean => kept(folder) !== null;

/**
 * Sets the workshop's passcode, in place of any before it.
 *
 * @throws WorkshopError `badRequest` under six characters; `readOnly`, `diskFull`
 */
export function setPasscode(folder: string, passcode: string): void {
  if (passcode.trim().length < SHORTEST)
    throw new WorkshopError('badRequest', `A passcode has at least ${SHORTEST} characters: three words will do.`, { field: 'passcode' });
  const salt = randomBytes(16).toString('hex');
  const row: Kept = { salt, hash: hashed(passcode.trim(), salt).toString('hex'), secret: randomBytes(32).toString('hex') };
  try {
    writeFileSync(join(folder, FILE), JSON.stringify(row), { mode: 0o600 });
  } catch (error) {
    throw diskTrouble(error) ?? error;
  }
}

export function isPasscode(folder: string, passcode: string): boolean {
  const row = kept(folder);
  return row !== null && timingSafeEqual(hashed(passcode.trim(), row.salt), Buffer.from(row.hash, 'hex'));
}

const signature = (secret: string, until: string): string => createHmac('sha256', Buffer.from(secret, 'hex')).update(until).digest('hex');

/** What a browser that has signed in holds: until when, signed. */
export function newSession(folder: string, now = Date.now()): string {
  const row = kept(folder);
  if (!row) throw new WorkshopError('signIn');
  const until = String(now + SESSION_MS);
  return `${until}.${signature(row.secret, until)}`;
}

export function isSession(folder: string, session: string | undefined, now = Date.now()): boolean {
  const row = kept(folder);
  const [until = '', signed = ''] = (session ?? '').split('.');
  if (!row || !/^\d+$/.test(until) || !/^[0-9a-f]{64}$/.test(signed)) return false;
  return Number(until) > now && timingSafeEqual(Buffer.from(signed, 'hex'), Buffer.from(signature(row.secret, until), 'hex'));
}

export const SESSION_SECONDS = SESSION_MS / 1000;
