/** Every refusal the server makes: code, sentence, HTTP status. Plain words, never a stack trace. */
const CATALOGUE = {
  notFound: [404, 'That is not here: it may have been put away, or the address is mistyped.'],
  badRequest: [400, 'That could not be read: check the entry and try again.'],
  stale: [409, 'Somebody changed this since you opened it. Look at both and choose.'],
  nothingToUndo: [409, 'There is nothing of yours left to undo.'],
  restsOnIt: [409, 'Something already rests on it, so it cannot be undone: take that back first.'],
  unknownParent: [409, 'What this belongs to is not here: it may have been undone.'],
  alreadyHere: [409, 'One of these is already here under the same number.'],
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
