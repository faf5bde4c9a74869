/** Every refusal the server makes: code, sentence, HTTP status. Plain words, never a stack trace. */
const CATALOGUE = {
  notFound: [404, 'That is not here: it may have been put away, or the address is mistyped.'],
  badRequest: [400, 'That could not be read: check the entry and try again.'],
  stale: [409, 'Somebody changed this since you opened it. Look at both and choose.'],
  nothingToUndo: [409, 'There is nothing of yours left to undo.'],
  otherLast: [409, 'Something else was done here since, and would be taken back first: look, and undo again.'],
  newerBuild: [409, 'Another build was made since the one you saw. Look at both and choose.'],
  notForGood: [409, 'Something is still in for the time being: swap it for what stays, or count it out, and build it for good then.'],
  stationDone: [409, 'This was said to be done, and its last reading stands. Open it again before reading it.'],
  restsOnIt: [409, 'Something already rests on it, so it cannot be undone: take that back first.'],
  unknownParent: [409, 'What this belongs to is not here: it may have been undone.'],
  alreadyHere: [409, 'One of these is already here under the same number.'],
  putAway: [409, 'This machine is put away: take it out again on the Shelf before changing anything.'],
  badPhoto: [400, 'That is not a photo this can keep: JPEG, PNG and WebP are taken.'],
  photoTooBig: [413, 'That photo is over 12 MB, even made smaller.'],
  photoGone: [409, 'The photo itself did not arrive: send it again.'],
  badFile: [400, 'That file could not be read.'],
  tooBig: [413, 'That is bigger than this takes: 256 MB for a file, 2 MB for anything else.'],
  signIn: [401, 'This workshop asks for its passcode first.'],
  wrongPasscode: [401, 'That is not the passcode.'],
  tooManyTries: [429, 'Too many wrong tries: wait a little, and try again.'],
  tooSlow: [408, 'What was being sent stopped on the way: send it again.'],
  elsewhere: [403, 'That came from another page or another name of this machine: open Elder Cog at the address it printed.'],
  busy: [409, 'The workshop is busy with something that must end first: try again in a moment.'],
  trouble: [503, 'The workshop’s data was not opened: nothing has been touched.'],
  folderGone: [507, 'The data folder was taken away while the program ran: nothing was kept. Put it back, or start again.'],
  inTheWay: [507, 'Something that is not the program’s own is in the way in the data folder: nothing was kept. Move it out, and keep it again.'],
  noBackup: [404, 'There is no such backup.'],
  diskFull: [507, 'The disk is full: nothing was kept. Make room on it, and keep it again.'],
  readOnly: [507, 'The data folder cannot be written to: nothing was kept. Make it writable, and keep it again.'],
  diskTrouble: [507, 'The disk would not take it: nothing was kept. Check the disk, and keep it again.'],
  unreadable: [500, 'The workshop’s data could not be read. Nothing was touched: restore a backup, or ask someone who can mend the file.'],
  inUse: [500, 'Another Elder Cog is already open on this data. Close that one first.'],
  tooNew: [500, 'This data was written by a newer Elder Cog. Nothing was touched: start the newer one.'],
  broken: [500, 'Something went wrong in the program. What you entered has not been changed: try again.'],
} as const satisfies Record<string, readonly [number, string]>;

export type ErrorCode = keyof typeof CATALOGUE;

export class WorkshopError extends Error {
  readonly code: ErrorCode;
  readonly status: number;
  readonly more: Readonly<Record<string, unknown>>;

  constructor(code: ErrorCode, message: string = CATALOGUE[code][1], more: Readonly<Record<string, unknown>> = {}) {
    super(message);
    this.code = code;
    this.status = CATALOGUE[code][0];
    this.more = more;
  }
}

const DISK: readonly (readonly [RegExp, ErrorCode])[] = [
  [/^(?:SQLITE_FULL|ENOSPC|EDQUOT)/, 'diskFull'],
  [/^(?:SQLITE_READONLY|SQLITE_CANTOPEN|EROFS|EACCES|EPERM)/, 'readOnly'],
  [/^(?:ENOTDIR|EISDIR|EEXIST)/, 'inTheWay'],
  [/^(?:SQLITE_CORRUPT|SQLITE_NOTADB)/, 'unreadable'],
  [/^(?:SQLITE_IOERR|EIO)/, 'diskTrouble'],
];

/** What SQLite or the system says of the disk, in plain words; null where it says nothing of it. */
export function diskTrouble(error: unknown): WorkshopError | null {
  const code = (error as { code?: unknown }).code;
  const found = typeof code === 'string' ? DISK.find(([pattern]) => pattern.test(code)) : undefined;
  return found ? new WorkshopError(found[1]) : null;
}
