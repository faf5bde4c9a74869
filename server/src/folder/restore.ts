import { cpSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { openDb, workshopId } from '../store/open.ts';
import { photos } from '../store/photos.ts';
import { BACKUP_NAME } from './backups.ts';
import { isWhole, namesIn, readJson, settle, uniqueName, writeWhole } from './files.ts';
import { DATABASE, lookAt, MARKER, writeMarker } from './look.ts';
import { fetchPhoto } from './sweep.ts';

const INTENT = 'restoring.json';
const ARRIVING = /^restoring(?:-[0-9TZa-f-]+)?$/;
/** What is exchanged, in this order. Photos are named for what is in them: they are only ever added to. */
const EXCHANGED = [`${DATABASE}-wal`, `${DATABASE}-shm`, DATABASE, MARKER] as const;

/** What is being done, written down before the first of it and wiped out after the last: a start that finds it goes on from there. */
interface Intent {
  /** `aside`: what was there goes; `in`: what was fetched comes */
  readonly phase: 'aside' | 'in';
  readonly arriving: string;
  readonly aside: string;
}

/**
 * Puts a backup in the place of what is there; what was there is set aside in a folder of its own, never thrown away. All that can fail is
 * done before anything is moved. The database must be closed.
 *
 * @param from a backup of this workshop by name, or the path of any backup's folder
 * @param between called before each step that cannot be half done, for a test to break off at
 * @returns where what was there before now is, or null where there was nothing
 * @throws WorkshopError `noBackup`, `unreadable`, `tooNew`
 */
export function putBack(data: string, from: string, between?: (step: string) => void): string | null {
  const source = BACKUP_NAME.test(from) ? join(data, 'backups', from) : from;
  const looked = lookAt(join(source, DATABASE));
  if (looked.is === 'missing') throw new WorkshopError('noBackup');
  if (looked.is === 'newer') throw new WorkshopError('tooNew');
  if (looked.is !== 'ours') throw new WorkshopError('unreadable', 'That backup could not be read. Nothing was touched: choose another.');
  const name = uniqueName();
  const [arriving, aside] = [`restoring-${name}`, `set-aside-${name}`];
  try {
    fetch(data, source, join(data, arriving));
    const hadAny = EXCHANGED.some((each) => existsSync(join(data, each)));
    between?.('intent');
    writeIntent(data, { phase: 'aside', arriving, aside });
    finishRestore(data, between);
    return hadAny ? join(data, aside) : null;
  } catch (error) {
    throw diskTrouble(error) ?? error;
  }
}

/** The database to be, up to date and closed, and its photos among those that are there. */
function fetch(data: string, source: string, arriving: string): void {
  mkdirSync(arriving, { recursive: true });
  for (const name of [DATABASE, `${DATABASE}-wal`]) if (existsSync(join(source, name))) cpSync(join(source, name), join(arriving, name));
  const db = openDb(join(arriving, DATABASE));
  try {
    writeMarker(arriving, workshopId(db));
    for (const sha256 of photos.names(db))
      if (!isWhole(join(data, 'photos', sha256), sha256)) fetchPhoto(data, sha256, [join(source, 'photos', sha256)]);
  } finally {
    db.close();
  }
  settle(arriving);
}

const writeIntent = (data: string, intent: Intent): void => writeWhole(join(data, INTENT), JSON.stringify(intent));

/**
 * Goes on with a restore from wherever it broke off; nothing where none is being done.
 *
 * @returns whether one was finished
 */
export function finishRestore(data: string, between?: (step: string) => void): boolean {
  const intent = readJson(join(data, INTENT)) as Intent | null;
  if (intent === null) {
    // written in one piece: one that cannot be read was never begun
    rmSync(join(data, INTENT), { force: true });
    return false;
  }
  const { phase, arriving, aside } = intent;
  if (phase === 'aside') {
    mkdirSync(join(data, aside), { recursive: true });
    for (const name of EXCHANGED) {
      between?.(`aside ${name}`);
      if (existsSync(join(data, name))) renameSync(join(data, name), join(data, aside, name));
    }
    settle(data);
    between?.('turn');
    writeIntent(data, { ...intent, phase: 'in' });
  }
  for (const name of EXCHANGED) {
    between?.(`in ${name}`);
    if (existsSync(join(data, arriving, name))) renameSync(join(data, arriving, name), join(data, name));
  }
  settle(data);
  between?.('done');
  rmSync(join(data, INTENT), { force: true });
  rmSync(join(data, arriving), { recursive: true, force: true });
  if (namesIn(join(data, aside)).length === 0) rmSync(join(data, aside), { recursive: true, force: true });
  return true;
}

/** Copies that were being fetched when the program ended: taken away, for they are there still where they came from. */
export function sweepArriving(data: string): void {
  for (const name of namesIn(data)) if (ARRIVING.test(name)) rmSync(join(data, name), { recursive: true, force: true });
}
