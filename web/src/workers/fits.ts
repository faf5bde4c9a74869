import type { TimeInHand, TimeInHandQuestion } from '@elder-cog/core';
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { wrap } from 'comlink';
import type { FitsWorker } from './fits.worker.ts';

const worker = wrap<FitsWorker>(new Worker(new URL('./fits.worker.ts', import.meta.url), { type: 'module' }));

/** The seconds there are for a hot part, integrated off the main thread. */
export const useTimeInHand = (question: TimeInHandQuestion | null): UseQueryResult<TimeInHand | null> =>
  useQuery({ queryKey: ['hand', question], queryFn: () => (question ? worker.timeInHand(question) : null), staleTime: Infinity });
