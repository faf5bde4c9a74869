import { existsSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import type { EventMessage, Trouble } from '@elder-cog/contract';
import { counted } from '@elder-cog/core';
import { diskTrouble, WorkshopError } from './errors.ts';
import { backUp, backUpTo, deleteBackup, listBackups, sweepUnfinished, type Backup } from './folder/backups.ts';
import { readJson, writeWhole } from './folder/files.ts';
import { holdFolder } from './folder/lock.ts';
import { DATABASE, troubleOf, writeMarker } from './folder/look.ts';
import { finishRestore, putBack, sweepArriving } from './folder/restore.ts';
import { setAsideAll } from './folder/setAside.ts';
import { sweepPhotos } from './folder/sweep.ts';
import { journalDisagrees } from './store/agree.ts';
import { JobCache } from './store/jobCache.ts';
import { openDb, workshopId, type Db } from './store/open.ts';

/** A workshop's data: the database in use, and where one is on disk, its folder with the backups in it. */
export interface Workshop {
  /** throws `trouble` while the data has not been opened */
  readonly db: Db;
  readonly cache: JobCache;
  /** null for one that lives in memory only */
  readonly folder: string | null;
  /** what was found and put right at the start, in sentences */
  readonly recovered: readonly string[];
  /** why the data was not opened; null where it was */
  readonly trouble: Trouble | null;
  /** Tells every open page of something that was written. */
  tell(message: EventMessage): void;
  /** Hears of what is written, until what it returns is called. */
  listen(hear: (message: EventMessage) => void): () => void;
  /** Does one thing that must not be met by another; refused while one runs. */
  alone<Result>(what: string, run: () => Promise<Result>): Promise<Result>;
  /** Refuses where the folder was taken from under it. */
  stillThere(): void;
  backUp(byHand?: boolean): Promise<Backup | null>;
  backUpTo(path: string): Promise<{ jobs: number; entries: number }>;
  backups(): Backup[];
  deleteBackup(name: string): void;
  /** Goes back to a backup; returns where what was there is now. */
  restore(from: string): string | null;
  /** Begins a new workshop, and sets the old one aside; returns where it is now. */
  startNew(): string | null;
  /** Opens the data as it is, though it is not what was here last. */
  goOn(): void;
  close(): void;
}

const RUNNING = 'running.json';

/** Those that are told. */
class Hearers {
  private readonly all = new Set<(message: EventMessage) => void>();
  readonly tell = (message: EventMessage): void => this.all.forEach((hear) => hear(message));
  readonly listen = (hear: (message: EventMessage) => void): (() => void) => {
    this.all.add(hear);
    return () => void this.all.delete(hear);
  };
}

/** One thing at a time, of those that must not meet. */
class Alone {
  private what: string | null = null;
  /** @throws WorkshopError `busy` */
  refuse(): void {
    if (this.what !== null) throw new WorkshopError('busy', `${this.what} is going on: wait until it is done, and try again.`);
  }
  readonly run = async <Result>(what: string, run: () => Promise<Result>): Promise<Result> => {
    this.refuse();
    this.what = what;
    try {
      return await run();
    } finally {
      this.what = null;
    }
  };
}

/** One that lives in memory, for tests and for nothing else. */
export function memoryWorkshop(db: Db = openDb(':memory:')): Workshop {
  const { tell, listen } = new Hearers();
  const nowhere = (): never => {
    throw new WorkshopError('noBackup', 'This workshop is in memory only: there is nowhere to keep a backup.');
  };
  return {
    db,
    cache: new JobCache(db),
    folder: null,
    recovered: [],
    trouble: null,
    tell,
    listen,
    alone: new Alone().run,
    stillThere: () => undefined,
    backUp: () => Promise.resolve().then(nowhere),
    backUpTo: () => Promise.resolve().then(nowhere),
    backups: () => [],
    deleteBackup: nowhere,
    restore: nowhere,
    startNew: nowhere,
    goOn: () => undefined,
    close: () => db.close(),
  };
}

interface Options {
  /** begin a new workshop, and set aside whatever is there */
  readonly anew?: boolean;
}

/**
 * Opens the workshop in a folder, whatever state the last run left it in, and says what it put right.
 *
 * @throws WorkshopError `inUse`, `trouble`, `readOnly`, `diskFull`
 */
export function openWorkshop(folder: string, options: Options = {}): Workshop {
  const workshop = holdWorkshop(folder, options);
  if (workshop.trouble === null) return workshop;
  workshop.close();
  throw new WorkshopError('trouble', workshop.trouble.sentence, { trouble: workshop.trouble });
}

/**
 * The same, and where the data cannot be opened, nothing of it is touched: it is held all the same, says why, and can go back to a backup
 * or begin anew.
 *
 * @throws WorkshopError `inUse`, `readOnly`, `diskFull`
 */
export function holdWorkshop(folder: string, { anew = false }: Options = {}): Workshop {
  const letGo = holdFolder(folder);
  try {
    return held(folder, letGo, anew);
  } catch (error) {
    letGo();
    throw diskTrouble(error) ?? error;
  }
}

function held(folder: string, letGo: () => void, anew: boolean): Workshop {
  const file = join(folder, DATABASE);
  const recovered: string[] = [];
  const { tell, listen } = new Hearers();
  const alone = new Alone();
  let db: Db | null = null;
  let cache: JobCache | null = null;
  let trouble: Trouble | null = null;

  const use = (opened: Db): void => {
    writeMarker(folder, workshopId(opened));
    db = opened;
    cache = new JobCache(opened);
    trouble = null;
  };
  const open = (): Db => {
    if (db === null) throw new WorkshopError('trouble', trouble?.sentence, { trouble });
    return db;
  };
  const shut = (): void => {
    db?.close();
    db = null;
    cache = null;
  };
  /** Exchanges the data under every open page: each asks for all of it again. */
  const exchange = (run: () => string | null): string | null => {
    alone.refuse();
    shut();
    try {
      return run();
    } finally {
      trouble = troubleOf(folder);
      if (trouble === null) use(openDb(file));
      tell({ seq: 0, jobId: null, commandId: '' });
    }
  };
  const start = (): void => {
    const crashed = existsSync(join(folder, RUNNING)) ? lastRun(folder) : null;
    const left = existsSync(`${file}-wal`) ? statSync(`${file}-wal`).size : 0;
    if (finishRestore(folder)) recovered.push('Going back to a backup had been broken off: it was finished.');
    sweepArriving(folder);
    if (anew) setAsideAll(folder);
    trouble = troubleOf(folder);
    const unfinished = sweepUnfinished(folder);
    if (trouble !== null) return void recovered.push(trouble.sentence);
    use(openDb(file));
    if (crashed !== null) recovered.push(...found(open(), crashed, left));
    if (unfinished > 0) recovered.push(`${counted(unfinished, 'A backup was', 'backups were')} not finished, and taken away.`);
    recovered.push(...sweepPhotos(open(), folder));
    writeWhole(join(folder, RUNNING), JSON.stringify({ since: new Date().toISOString() }));
  };
  try {
    start();
  } catch (error) {
    shut();
    throw error;
  }
  return {
    get db() {
      return open();
    },
    get cache() {
      open();
      return cache as JobCache;
    },
    get trouble() {
      return trouble;
    },
    folder,
    recovered,
    tell,
    listen,
    alone: alone.run,
    stillThere() {
      if (!existsSync(file)) throw new WorkshopError('folderGone');
    },
    backUp: (byHand = false) => alone.run('A backup', () => backUp(open(), folder, { byHand })),
    backUpTo: (path) => alone.run('A backup', () => backUpTo(open(), folder, path)),
    backups: () => listBackups(folder),
    deleteBackup(name) {
      alone.refuse();
      deleteBackup(folder, name);
    },
    restore: (from) => exchange(() => putBack(folder, from)),
    startNew: () => exchange(() => setAsideAll(folder)),
    goOn() {
      if (trouble?.canGoOn) use(openDb(file));
    },
    close() {
      shut();
      rmSync(join(folder, RUNNING), { force: true });
      letGo();
    },
  };
}

/** When the run began that never said it had ended; nothing is known of it where what it left cannot be read. */
const lastRun = (folder: string): string => {
  const since = (readJson(join(folder, RUNNING)) as { since?: unknown } | null)?.since;
  return typeof since === 'string' ? since : '';
};

function found(db: Db, since: string, left: number): string[] {
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
