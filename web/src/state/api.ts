import {
  drawerReply,
  errorReply,
  jobReply,
  shelfReply,
  commandReply,
  type Change,
  type CommandReply,
  type DrawerReply,
  type JobReply,
  type ShelfReply,
} from '@elder-cog/contract';
import { useMutation, useQuery, useQueryClient, type UseQueryResult } from '@tanstack/react-query';
import type { z } from 'zod';
import { create } from 'zustand';
import { newId, useSettings } from './settings.ts';

/** A refusal from the server, or no server at all, as one sentence. */
export class RefusedError extends Error {
  readonly code: string;
  constructor(code: string, message: string) {
    super(message);
    this.code = code;
  }
}

async function ask<Schema extends z.ZodType>(schema: Schema, url: string, init?: RequestInit): Promise<z.output<Schema>> {
  let response: Response;
  try {
    response = await fetch(url, init);
  } catch {
    throw new RefusedError('away', 'The server is away. What you typed is still here: try again when it is back.');
  }
  const body: unknown = await response.json().catch(() => null);
  if (!response.ok) {
    const refused = errorReply.safeParse(body);
    throw refused.success
      ? new RefusedError(refused.data.error.code, refused.data.error.message)
      : new RefusedError('broken', 'The server answered with something that could not be read: try again.');
  }
  return schema.parse(body);
}

/** Saved, saving, or why not: shown in the title block. */
interface SaveState {
  readonly state: 'saved' | 'saving' | 'not saved';
  readonly message: string;
  set(state: SaveState['state'], message?: string): void;
}
export const useSaveState = create<SaveState>((set) => ({ state: 'saved', message: '', set: (state, message = '') => set({ state, message }) }));

const FRESH = { refetchInterval: 20_000, refetchOnWindowFocus: true } as const;

export const useShelf = (): UseQueryResult<ShelfReply> => useQuery({ queryKey: ['shelf'], queryFn: () => ask(shelfReply, '/api/jobs'), ...FRESH });
export const useDrawer = (): UseQueryResult<DrawerReply> =>
  useQuery({ queryKey: ['drawer'], queryFn: () => ask(drawerReply, '/api/drawer'), ...FRESH });
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
    mutationFn: async (changes: readonly Change[]): Promise<CommandReply> => {
      const { who, clientId } = useSettings.getState();
      useSaveState.getState().set('saving');
      let reply: CommandReply = { already: false, undid: null };
      for (const change of changes) {
        const command = { commandId: newId(), clientId, who, at: new Date().toISOString(), change };
        reply = await ask(commandReply, '/api/commands', {
          method: 'POST',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify(command),
        });
      }
      return reply;
    },
    retry: false,
    onSuccess: async () => {
      await client.invalidateQueries();
      useSaveState.getState().set('saved');
    },
    onError: (error) => useSaveState.getState().set('not saved', error.message),
  });
  return { send: (...changes) => mutation.mutateAsync(changes), sending: mutation.isPending };
}
