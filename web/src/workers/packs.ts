import type { SimulatedStack, StackQuestion } from '@elder-cog/core';
import type { drawerReach, DrawerReach, onHand, packChoices, PackChoices } from '@elder-cog/derive';
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { wrap } from 'comlink';
import type { PacksWorker } from './packs.worker.ts';

const worker = wrap<PacksWorker>(new Worker(new URL('./packs.worker.ts', import.meta.url), { type: 'module' }));

type ChoicesQuestion = Parameters<typeof packChoices>[0];

/** Packs for a window, searched off the main thread. */
export const usePackChoices = (question: ChoicesQuestion | null): UseQueryResult<PackChoices | null> =>
  useQuery({ queryKey: ['packs', question], queryFn: () => (question ? worker.packChoices(question) : null), staleTime: Infinity });

type Hands = ReturnType<typeof onHand>;
export const useDrawerReach = (hands: Hands): UseQueryResult<DrawerReach> =>
  useQuery({
    queryKey: ['reach', hands.map((h) => [h.lot.thickness, h.onHand])],
    queryFn: (): Promise<ReturnType<typeof drawerReach>> => worker.drawerReach(hands),
    staleTime: Infinity,
  });

/** Stacks drawn many times, off the main thread. */
export const useSimulated = (questions: readonly StackQuestion[]): UseQueryResult<SimulatedStack[]> =>
  useQuery({ queryKey: ['stacks', questions], queryFn: () => (questions.length === 0 ? [] : worker.simulate(questions)), staleTime: Infinity });
