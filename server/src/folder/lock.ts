import { mkdirSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import Database from 'better-sqlite3';
import { diskTrouble, WorkshopError } from '../errors.ts';
import { uniqueName } from './files.ts';

const FILE = 'in-use.sqlite';

/**
 * Holds a data folder for this program alone, for as long as it runs: by the system's own lock on a file, as SQLite takes it, which ends
 * with the program however it ends. No number of a process is trusted.
 *
 * @returns lets go of it
 * @throws WorkshopError `inUse`, `readOnly`, `diskFull`
 */
export function holdFolder(folder: string): () => void {
  const path = join(folder, FILE);
  try {
    mkdirSync(folder, { recursive: true });
    return hold(path);
  } catch (error) {
    if (error instanceof WorkshopError) throw error;
    const trouble = diskTrouble(error);
    if (trouble?.code !== 'unreadable' && (error as { code?: string }).code !== 'SQLITE_CANTOPEN') throw trouble ?? error;
  }
  // something else is there under that name: it is left as it is, under another
  try {
    renameSync(path, `${path}.${uniqueName()}`);
    return hold(path);
  } catch (error) {
    throw diskTrouble(error) ?? error;
  }
}

function hold(path: string): () => void {
  const lock = new Database(path, { timeout: 0 });
  try {
    // in memory: nothing is written, and nothing of it is left behind
    lock.pragma('journal_mode = MEMORY');
    lock.exec('BEGIN EXCLUSIVE');
  } catch (error) {
    lock.close();
    throw (error as { code?: string }).code === 'SQLITE_BUSY' ? new WorkshopError('inUse') : error;
  }
  return () => void lock.close();
}
