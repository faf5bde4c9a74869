import {
  drawerReply,
  journalReply,
  workshopReply,
  jobReply,
  shelfReply,
  type Change,
  type CommandReply,
  type DrawerReply,
  type JobReply,
  type JournalReply,
  type WorkshopReply,
  type ShelfReply,
} from '@elder-cog/contract';
import {
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
  type InfiniteData,
  type UseInfiniteQueryResult,
  type UseQueryResult,
} from '@tanstack/react-query';
import { useEffect } from 'react';
import { create } from 'zustand';
import { ask, post, sendWhatWaits, tryAgainNow, useOutbox } from './outbox.ts';

export { RefusedError } from './outbox.ts';

const FRESH = { refetchInterval: 20_000, refetchOnWindowFocus: true } as const;

export const useShelf = (): UseQueryResult<ShelfReply> => useQuery({ queryKey: ['shelf'], queryFn: () => ask(shelfReply, '/api/jobs'), ...FRESH });
export const useDrawer = (): UseQueryResult<DrawerReply> =>
  useQuery({ queryKey: ['drawer'], queryFn: () => ask(drawerReply, '/api/drawer'), ...FRESH });
export const useWorkshop = (): UseQueryResult<WorkshopReply> =>
  useQuery({ queryKey: ['workshop'], queryFn: () => ask(workshopReply, '/api/workshop'), ...FRESH });
/** The journal of a job, newest first, a page at a time. */
export const useJournal = (id: string): UseInfiniteQueryResult<InfiniteData<JournalReply>> =>
  useInfiniteQuery({
    queryKey: ['journal', id],
    queryFn: ({ pageParam }) => ask(journalReply, `/api/jobs/${id}/journal${pageParam === 0 ? '' : `?before=${pageParam}`}`),
    initialPageParam: 0,
    getNextPageParam: (last) => (last.more ? last.entries.at(-1)?.seq : undefined),
  });
export const useJobReply = (id: string): UseQueryResult<JobReply> =>
  useQuery({ queryKey: ['job', id], queryFn: () => ask(jobReply, `/api/jobs/${id}`), ...FRESH });

export interface Commander {
  /** Sends changes in order; resolves when all are kept. */
  send(...changes: readonly Change[]): Promise<CommandReply>;
  readonly sending: boolean;
}

/** The way anything is changed: commands, one at a time, then the facts afresh. */
export function useCommand(): Commander {
  const client = useQueryClient();
  const mutation = useMutation({
    mutationFn: (changes: readonly Change[]): Promise<CommandReply> => {
      useRefusal.getState().say('');
      return post(changes);
    },
    // what is entered while the server is away waits in the outbox, not in the query library
    networkMode: 'always',
    retry: false,
    onSuccess: () => client.invalidateQueries(),
    onError: (error) => useRefusal.getState().say(error.message),
  });
  return { send: (...changes) => mutation.mutateAsync(changes), sending: mutation.isPending };
}

/** Why the last change was not kept, until the next one is. */
interface Refusal {
  readonly message: string;
  say(message: string): void;
}
export const useRefusal = create<Refusal>((set) => ({ message: '', say: (message) => set({ message }) }));

/** How it stands with the server, as the title block says it. */
export function useSaveState(): { readonly state: 'saved' | 'saving' | 'waiting' | 'not saved'; readonly message: string; readonly waiting: number } {
  const { waiting, away } = useOutbox();
  const message = useRefusal((s) => s.message);
  if (waiting > 0 && away)
    return { state: 'waiting', message: 'The server is away. What you entered is kept here, and sent when it answers.', waiting };
  if (waiting > 0) return { state: 'saving', message: '', waiting };
  return message === '' ? { state: 'saved', message: '', waiting } : { state: 'not saved', message, waiting };
}

/** Sends what an earlier page left, and tries again as soon as the browser thinks it may. */
export function useOutboxSender(): void {
  const client = useQueryClient();
  useEffect(() => {
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
    };
  }, [client]);
}
