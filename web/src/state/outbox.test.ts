import { afterEach, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import { SHAPES, SHAPES_HEADER, type Change, type Command } from '@elder-cog/contract';
import type * as Ask from './ask.ts';
import type * as Outbox from './outbox.ts';

/** A browser's store, in memory. */
const kept = new Map<string, string>();
const storage = new Proxy(
  {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
    removeItem: (key: string) => void kept.delete(key),
  },
  { ownKeys: () => [...kept.keys()], getOwnPropertyDescriptor: () => ({ enumerable: true, configurable: true }) },
);

type Answer = { status: number; body: unknown } | 'away';
const sent: Command[] = [];
let answers: Answer[] = [];
const TAKEN: Answer = { status: 200, body: { already: false, undid: null, seq: 1, jobId: null, before: 0, effects: [] } };
const refusal = (code: string, message: string, status = 409): Answer => ({ status, body: { error: { code, message } } });

let outbox: typeof Outbox;
let door: typeof Ask;
beforeAll(async () => {
  Object.assign(globalThis, { localStorage: storage });
  globalThis.fetch = (_url, init) => {
    const command = JSON.parse(String(init?.body)) as Command;
    const answer = answers.shift() ?? TAKEN;
    if (answer === 'away') return Promise.reject(new TypeError('network'));
    sent.push(command);
    return Promise.resolve(
      new Response(JSON.stringify(answer.body), { status: answer.status, headers: { 'content-type': 'application/json', [SHAPES_HEADER]: SHAPES } }),
    );
  };
  outbox = await import('./outbox.ts');
  door = await import('./ask.ts');
});
beforeEach(() => {
  sent.length = 0;
  answers = [];
  kept.clear();
});
afterEach(() => expect(outbox.useOutbox.getState().waiting).toBe(0));

const raised = (text: string): Change => ({
  kind: 'openItem.raise',
  openItem: {
    id: '5e1ec7ed-0000-4000-8000-000000000001',
    jobId: '5e1ec7ed-0000-4000-8000-000000000002',
    text,
    where: '',
    state: 'open',
    reason: '',
    who: '',
    raisedAt: '2026-01-01T00:00:00.000Z',
    endedAt: null,
  },
});
const texts = (): string[] => sent.map(({ change }) => (change.kind === 'openItem.raise' ? change.openItem.text : change.kind));
const waitingKeys = (): string[] => [...kept.keys()].filter((key) => key.startsWith('elder-cog-waiting:'));
const until = async (holds: () => boolean): Promise<void> => {
  while (!holds()) await new Promise((resolve) => setTimeout(resolve, 5));
};

describe('what is entered', () => {
  it('is sent in the order it was entered, one at a time, each under an id of its own', async () => {
    await Promise.all([outbox.post([raised('first'), raised('second')]), outbox.post([raised('third')])]);
    expect(texts()).toEqual(['first', 'second', 'third']);
    expect(new Set(sent.map((c) => c.commandId)).size).toBe(3);
    expect(waitingKeys()).toEqual([]);
  });
  it('waits while the server is away, in the browser’s store too, and goes under the same id when it answers', async () => {
    answers = ['away'];
    const acknowledged = outbox.post([raised('while away')]);
    await until(() => outbox.useOutbox.getState().because !== null);
    expect(outbox.useOutbox.getState().waiting).toBe(1);
    const [key] = waitingKeys();
    const [stored] = JSON.parse(kept.get(key ?? '') ?? '[]') as Command[];
    outbox.tryAgainNow();
    await acknowledged;
    expect(sent.map((c) => c.commandId)).toEqual([stored?.commandId]);
    expect(outbox.useOutbox.getState()).toMatchObject({ waiting: 0, because: null });
    expect(waitingKeys()).toEqual([]);
  });
  it('goes no further past a command of its batch that is refused, and says why', async () => {
    answers = [TAKEN, refusal('stale', 'Somebody changed this since you opened it.')];
    await expect(outbox.post([raised('one'), raised('two'), raised('three')])).rejects.toMatchObject({ code: 'stale', message: /Somebody changed/ });
    expect(texts()).toEqual(['one', 'two']);
    expect(waitingKeys()).toEqual([]);
  });
  it('is not held up by what was refused before it', async () => {
    answers = [refusal('putAway', 'This machine is put away.')];
    const [first, second] = await Promise.allSettled([outbox.post([raised('refused')]), outbox.post([raised('after it')])]);
    expect([first.status, second.status]).toEqual(['rejected', 'fulfilled']);
  });
  it('is refused in plain words where the answer cannot be read', async () => {
    answers = Array<Answer>(3).fill({ status: 500, body: 'nonsense' });
    const refused = outbox.post([raised('one')]).catch((error: unknown) => error);
    const pressing = setInterval(() => outbox.tryAgainNow(), 5);
    expect(await refused).toMatchObject({ code: 'broken', message: expect.stringMatching(/could not be read/) });
    clearInterval(pressing);
    outbox.useOutbox.getState().parked.forEach(({ key }) => outbox.useOutbox.getState().read(key));
  });
  it('waits for the passcode, and shuts the door until it is given', async () => {
    answers = [refusal('signIn', 'This workshop asks for its passcode first.', 401)];
    const acknowledged = outbox.post([raised('behind the door')]);
    await until(() => door.useDoor.getState().shut);
    expect(outbox.useOutbox.getState().waiting).toBe(1);
    door.openDoor();
    outbox.tryAgainNow();
    await acknowledged;
    expect(door.useDoor.getState().shut).toBe(false);
    expect(texts()).toEqual(['behind the door', 'behind the door']);
  });
});

describe('what an earlier page left', () => {
  const left = (key: string, text: string): void => {
    const command: Command = {
      commandId: `5e1ec7ed-0000-4000-8000-0000000001${key}`,
      clientId: '5e1ec7ed-0000-4000-8000-000000000003',
      who: '',
      at: '2026-01-01T00:00:00.000Z',
      change: raised(text),
    };
    kept.set(`elder-cog-waiting:2026-01-01T00:00:${key}.000Z`, JSON.stringify([command]));
  };
  it('is sent by the next one, oldest first, and counted, so that what is shown is asked for again', async () => {
    left('02', 'later');
    left('01', 'earlier');
    const { late } = outbox.useOutbox.getState();
    outbox.sendWhatWaits();
    await until(() => outbox.useOutbox.getState().late === late + 2);
    expect(texts()).toEqual(['earlier', 'later']);
    expect(waitingKeys()).toEqual([]);
  });
  it('is shown with what was in it where the server will not take it, until it is read', async () => {
    left('01', 'no longer wanted');
    answers = [refusal('stale', 'Somebody changed it since.')];
    outbox.sendWhatWaits();
    await until(() => outbox.useOutbox.getState().parked.length > 0);
    const [parked] = outbox.useOutbox.getState().parked;
    expect(parked).toMatchObject({ entered: 'no longer wanted', message: 'Somebody changed it since.' });
    outbox.useOutbox.getState().read(parked?.key ?? '');
    expect(outbox.useOutbox.getState().parked).toEqual([]);
    expect(waitingKeys()).toEqual([]);
  });
});
