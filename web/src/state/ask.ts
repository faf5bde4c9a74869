import { SHAPES, SHAPES_HEADER, type ErrorReply } from '@elder-cog/contract';
import { create } from 'zustand';

/** A refusal from the server, or no server at all, as one sentence. */
export class RefusedError extends Error {
  readonly code: string;
  readonly status: number;
  /** where in a file, where it was a file */
  readonly line: number | undefined;
  /** what stands there now, where somebody else wrote it, and who and when */
  readonly theirs: unknown;
  readonly who: string | undefined;
  readonly at: string | undefined;

  constructor(code: string, message: string, status = 0, more: { line?: number; theirs?: unknown; who?: string; at?: string } = {}) {
    super(message);
    this.code = code;
    this.status = status;
    this.line = more.line;
    this.theirs = more.theirs;
    this.who = more.who;
    this.at = more.at;
  }
}

/** The workshop asks for its passcode before anything else. `opened` counts the times it was given. */
export const useDoor = create<{ readonly shut: boolean; readonly opened: number }>(() => ({ shut: false, opened: 0 }));
export const openDoor = (): void => useDoor.setState((door) => ({ shut: false, opened: door.opened + 1 }));

/** The workshop's data was not opened at the start: the page offers what can be done, and nothing else. */
export const useTrouble = create<{ readonly sentence: string | null }>(() => ({ sentence: null }));

const PATIENCE_MS = 15_000;

/**
 * Asks the server. Its replies are held to their shapes before they are sent, and say which those are: a page that knows others is to be
 * loaded again. No answer in time is a server that is away.
 */
export async function ask<Reply>(url: string, init?: RequestInit, patience = PATIENCE_MS): Promise<Reply> {
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
  const { status } = response;
  if (!response.ok) {
    // an answer to something asked before the passcode was given shuts nothing
    if (status === 401 && url !== '/api/sign-in' && opened === useDoor.getState().opened) useDoor.setState({ shut: true });
    const refusal = (body as Partial<ErrorReply> | null)?.error;
    if (typeof refusal?.code !== 'string')
      throw new RefusedError('broken', 'The server answered with something that could not be read: try again.', status);
    const { code, message, line, theirs, who, at } = refusal;
    if (code === 'trouble') useTrouble.setState({ sentence: message });
    throw new RefusedError(code, message, status, {
      theirs,
      ...(line === undefined ? {} : { line }),
      ...(who === undefined ? {} : { who }),
      ...(at === undefined ? {} : { at }),
    });
  }
  if (response.headers.get(SHAPES_HEADER) !== SHAPES)
    throw new RefusedError('otherShape', 'Elder Cog was changed since this page was opened: load the page again.');
  return body as Reply;
}

export const postJson = (body: unknown): RequestInit => ({
  method: 'POST',
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
});
