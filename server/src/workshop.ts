import { existsSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { diskTrouble, WorkshopError } from './errors.ts';
import { sweepPhotos } from './exchange/photoFiles.ts';
import { journalDisagrees } from './store/agree.ts';
import { backUp, listBackups, putBack, sweepUnfinished, type Backup } from './store/backups.ts';
import { openDb, type Db } from './store/open.ts';

/** A workshop's data: the database in use, and where one is on disk, its folder with the backups in it. */
export interface Workshop {
  readonly db: Db;
  /** null for one that lives in memory only */
  readonly folder: string | null;
  /** what was found and put right at the start, in sentences */
  readonly recovered: readonly string[];
  backUp(force?: boolean): Promise<Backup | null>;
  backups(): Backup[];
  /** Goes back to a backup; returns where what was there is now. */
  restore(from: string): string | null;
  close(): void;
}

const FILE = 'workshop.sqlite';
const RUNNING = 'running.json';

/** One that lives in memory, for tests and for nothing else. */
export function memoryWorkshop(db: Db = openDb(':memory:')): Workshop {
  return {
    db,
    folder: null,
    recovered: [],
    backUp: () => Promise.reject(new WorkshopError('noBackup', 'This workshop is in memory only: there is nowhere to keep a backup.')),
    backups: () => [],
    restore: () => {
      throw new WorkshopError('noBackup');
    },
    close: () => db.close(),
  };
}

/**
 * Opens the workshop in a folder, whatever state the last run left it in, and says what it put right.
 *
 * @throws WorkshopError `inUse`, `tooNew`, `unreadable`, `readOnly`, `diskFull`
 */
export function openWorkshop(folder: string): Workshop {
  const file = join(folder, FILE);
  const before = lastRun(folder);
  const left = existsSync(`${file}-wal`) ? statSync(`${file}-wal`).size : 0;
  let db = openDb(file);
  const recovered = before === null ? [] : found(db, before, left);
  try {
    const unfinished = sweepUnfinished(folder);
    if (unfinished > 0) recovered.push(`${unfinished === 1 ? 'A backup was' : `${unfinished} backups were`} not finished, and taken away.`);
    recovered.push(...sweepPhotos(db, folder));
    rmSync(join(folder, 'restoring'), { recursive: true, force: true });
    writeFileSync(join(folder, RUNNING), JSON.stringify({ pid: process.pid, since: new Date().toISOString() }));
  } catch (error) {
    db.close();
    throw diskTrouble(error) ?? error;
  }
  return {
    get db() {
      return db;
    },
    folder,
    recovered,
    backUp: (force = false) => backUp(db, folder, { force }),
    backups: () => listBackups(folder),
    restore(from) {
      db.close();
      try {
        return putBack(folder, from);
      } finally {
        db = openDb(file);
      }
    },
    close() {
      db.close();
      rmSync(join(folder, RUNNING), { force: true });
    },
  };
}

interface Run {
  readonly pid: number;
  readonly since: string;
}

/** The run that never said it had ended, if there was one; refuses while it is still going. */
function lastRun(folder: string): Run | null {
  const path = join(folder, RUNNING);
  if (!existsSync(path)) return null;
  let run: Run;
  try {
    run = JSON.parse(readFileSync(path, 'utf8')) as Run;
  } catch {
    return { pid: 0, since: '' };
  }
  if (run.pid !== process.pid && isAlive(run.pid)) throw new WorkshopError('inUse');
  return run;
}

function isAlive(pid: number): boolean {
  if (!Number.isInteger(pid) || pid <= 0) return false;
  try {
    process.kill(pid, 0);
  } catch (error) {
    return (error as { code?: string }).code === 'EPERM';
  }
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('node');
  } catch {
    return true;
  }
}

function found(db: Db, { since }: Run, left: number): string[] {
  const last = db.prepare<[], { at: string; n: number }>('SELECT max(at) AS at, count(*) AS n FROM journal').get();
  const wrong = journalDisagrees(db);
  return [
    `The last run${since === '' ? '' : `, begun ${since},`} ended without being stopped.`,
    left > 0 ? 'What it had acknowledged and not yet filed was taken over from its log.' : 'Nothing of it was waiting to be filed.',
    last && last.n > 0
      ? `The record is whole: ${last.n} entries, the last of ${last.at}${wrong.length === 0 ? ', and the tables agree with it' : ''}.`
      : 'There are no entries yet.',
    ...wrong.slice(0, 5),
  ];
}
