import {
  patchFacts,
  type Change,
  type ChangesReply,
  type CommandReply,
  type DrawerReply,
  type JobReply,
  type JournalReply,
  type ShelfReply,
  type UndoableReply,
  type WorkshopReply,
} from '@elder-cog/contract';
import { journalWords, trust } from '@elder-cog/derive';
import {
  queryOptions,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
  type InfiniteData,
  type QueryClient,
  type UseInfiniteQueryResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import { useEffect } from 'react';
import { create } from 'zustand';
import { ask } from './ask.ts';
import { isOwn, post, sendWhatWaits, tryAgainNow, useOutbox, whenAcknowledged } from './outbox.ts';
import { useSettings } from './settings.ts';

export { RefusedError } from './ask.ts';

/** Told by the server what changed, a page asks on being looked at again, and no oftener. */
const FRESH = { refetchOnWindowFocus: true } as const;

export const useShelf = (): UseQueryResult<ShelfReply> => useQuery({ ...shelfQuery, ...FRESH });
export const useDrawer = (): UseQueryResult<DrawerReply> => useQuery({ ...drawerQuery, ...FRESH });
export const useWorkshop = (): UseQueryResult<WorkshopReply> =>
  useQuery({ queryKey: ['workshop'], queryFn: () => ask<WorkshopReply>('/api/workshop'), ...FRESH });
/** The journal of a job, newest first, a page at a time. */
export const useJournal = (id: string): UseInfiniteQueryResult<InfiniteData<JournalReply>> =>
  useInfiniteQuery({
    queryKey: ['journal', id],
    queryFn: ({ pageParam }) => ask<JournalReply>(`/api/jobs/${id}/journal${pageParam === 0 ? '' : `?before=${pageParam}`}`),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.more ? last.entries.at(-1)?.seq : undefined),
  });

/** A job's facts: all of them the first time, and from then on what was written since. */
const jobQuery = (client: QueryClient, id: string) =>
  queryOptions({
    queryKey: ['job', id],
    queryFn: () => fetchJob(client, id),
    // ten thousand rows are not looked through to find that one is new: rows and tables that were not written are the very same
    structuralSharing: false,
  });

export const useJobReply = (id: string): UseQueryResult<JobReply> => useQuery({ ...jobQuery(useQueryClient(), id), enabled: id !== '', ...FRESH });

const shelfQuery = queryOptions({ queryKey: ['shelf'], queryFn: () => ask<ShelfReply>('/api/jobs') });
const drawerQuery = queryOptions({ queryKey: ['drawer'], queryFn: () => ask<DrawerReply>('/api/drawer') });

/** What the address at hand will want is asked for while the page is still being put together. */
export function askAhead(client: QueryClient, jobId: string | null): void {
  if (jobId === null) return void client.prefetchQuery(shelfQuery);
  void client.prefetchQuery(jobQuery(client, jobId));
  void client.prefetchQuery(drawerQuery);
}

async function fetchWhole(id: string): Promise<JobReply> {
  const reply = await ask<JobReply>(`/api/jobs/${id}`);
  if (reply.sound) trust(reply.facts);
  return reply;
}

const jobInHand = (client: QueryClient, id: string): JobReply | undefined => client.getQueryData<JobReply>(['job', id]);

async function fetchJob(client: QueryClient, id: string): Promise<JobReply> {
  const known = jobInHand(client, id);
  if (!known) return fetchWhole(id);
  const changes = await ask<ChangesReply>(`/api/jobs/${id}/changes?after=${known.last}`);
  if (changes.whole) return fetchWhole(id);
  // one of this page's own may have come in while it was asked
  const base = jobInHand(client, id) ?? known;
  const fresh = changes.entries.filter((entry) => entry.seq > base.seq);
  const facts =
    fresh.length === 0
      ? base.facts
      : patchFacts(
          base.facts,
          fresh.flatMap((entry) => entry.effects),
        );
  const others = fresh.filter((entry) => !isOwn(entry.commandId));
  useNews.getState().hear(
    others.map(({ seq, who, at, kind, undid, effects }) => ({
      key: `${id} ${seq}`,
      jobId: id,
      who,
      at,
      words: undid === null ? journalWords(kind, effects, facts).words : `Undone: ${undid}`,
    })),
  );
  const isAhead = changes.seq > base.seq;
  return { ...base, facts, seq: isAhead ? changes.seq : base.seq, last: isAhead ? changes.last : base.last };
}

/** What another tablet, or another window here, did to a job that is open: said until it is read, the last few of it. */
export interface News {
  readonly key: string;
  readonly jobId: string;
  readonly who: string;
  readonly at: string;
  readonly words: string;
}
const MOST_NEWS = 3;
export const useNews = create<{ readonly news: readonly News[]; hear(news: readonly News[]): void; read(key: string): void }>((set) => ({
  news: [],
  hear: (fresh) => {
    if (fresh.length > 0) set((s) => ({ news: [...s.news, ...fresh].slice(-MOST_NEWS) }));
  },
  read: (key) => set((s) => ({ news: s.news.filter((n) => n.key !== key) })),
}));

/** A command of this page was taken: what it wrote is put among what is shown, and nothing is asked for that did not change. */
function takeIn(client: QueryClient, commandId: string, { already, seq, before, jobId, effects }: CommandReply): void {
  if (jobId !== null) {
    const known = jobInHand(client, jobId);
    if (known && !already && before <= known.seq && known.seq < seq)
      client.setQueryData<JobReply>(['job', jobId], { ...known, seq, last: commandId, facts: patchFacts(known.facts, effects) });
    else void client.invalidateQueries({ queryKey: ['job', jobId] });
    void client.invalidateQueries({ queryKey: ['journal', jobId] });
  }
  void client.invalidateQueries({ queryKey: ['shelf'] });
  if (jobId === null || effects.some(isOfDrawer)) void client.invalidateQueries({ queryKey: ['drawer'] });
}

/** What the Drawer tells of: leaves and instruments, and what hands say beside the drags that were read. */
function isOfDrawer({ table, before, after }: CommandReply['effects'][number]): boolean {
  const row = after ?? before ?? {};
  if (table === 'withdrawal') return row.ofKind === 'feel' || row.ofKind === 'reading';
  return table === 'lot' || table === 'instrument' || table === 'feel' || (table === 'reading' && isDrag(row.raw));
}

const isDrag = (raw: unknown): boolean => {
  const { how } = (raw as { understood?: { how?: string } } | undefined)?.understood ?? {};
  return how === 'torques' || how === 'pulls';
};

export interface Commander {
  /** Sends changes in order; resolves when all are kept. */
  send(...changes: readonly Change[]): Promise<CommandReply>;
  readonly sending: boolean;
}

/** The way anything is changed: commands, one at a time. */
export function useCommand(): Commander {
  const mutation = useMutation({
    mutationFn: (changes: readonly Change[]): Promise<CommandReply> => {
      useRefusal.getState().say('');
      return post(changes);
    },
    // what is entered while the server is away waits in the outbox, not in the query library
    networkMode: 'always',
    retry: false,
    onError: (error) => useRefusal.getState().say(error.message),
  });
  return { send: (...changes) => mutation.mutateAsync(changes), sending: mutation.isPending };
}

export type UndoEntry = NonNullable<UndoableReply['entry']>;
/** What undo would take back, and where: asked before it is done. */
export const askUndoable = (): Promise<UndoableReply> => ask<UndoableReply>(`/api/undo?client=${useSettings.getState().clientId}`);

/** Why the last change was not kept, until the next one is. */
interface Refusal {
  readonly message: string;
  say(message: string): void;
}
export const useRefusal = create<Refusal>((set) => ({ message: '', say: (message) => set({ message }) }));

/** How it stands with the server, as the title block says it. */
export function useSaveState(): {
  readonly state: 'saved' | 'saving' | 'waiting' | 'not saved' | 'choose';
  readonly message: string;
  readonly waiting: number;
} {
  const { waiting, because, conflicts } = useOutbox();
  const message = useRefusal((s) => s.message);
  if (conflicts.length > 0) return { state: 'choose', message: '', waiting: conflicts.length };
  if (waiting > 0 && because !== null) return { state: 'waiting', message: because, waiting };
  if (waiting > 0) return { state: 'saving', message: '', waiting };
  return message === '' ? { state: 'saved', message: '', waiting } : { state: 'not saved', message, waiting };
}

/** Sends what an earlier page left, puts in sight what was taken, and tries again as soon as the browser thinks it may. */
export function useOutboxSender(): void {
  const client = useQueryClient();
  useEffect(() => {
    const deaf = whenAcknowledged((commandId, reply) => takeIn(client, commandId, reply));
    sendWhatWaits();
    window.addEventListener('online', tryAgainNow);
    window.addEventListener('focus', tryAgainNow);
    const stop = useOutbox.subscribe((now, before) => {
      if (now.late > before.late) void client.invalidateQueries();
    });
    return () => {
      window.removeEventListener('online', tryAgainNow);
      window.removeEventListener('focus', tryAgainNow);
      stop();
      deaf();
    };
  }, [client]);
}
