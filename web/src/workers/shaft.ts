import type { ShaftSolved, SolverQuestion } from '@elder-cog/core';
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { wrap, type Remote } from 'comlink';
import type { ShaftWorker } from './shaft.worker.ts';

/** One search at a time: another question, or a press on Stop, ends the worker that was at it. */
let running: { readonly worker: Worker; readonly api: Remote<ShaftWorker> } | null = null;

function fresh(): Remote<ShaftWorker> {
  running?.worker.terminate();
  const worker = new Worker(new URL('./shaft.worker.ts', import.meta.url), { type: 'module' });
  running = { worker, api: wrap<ShaftWorker>(worker) };
  return running.api;
}

/** Sets of parts that bring every gap in, searched off the main thread. */
export const useShaftSolved = (question: SolverQuestion | null): UseQueryResult<ShaftSolved | null> =>
  useQuery({ queryKey: ['shaft', question], queryFn: () => (question ? fresh().solve(question) : null), staleTime: Infinity, retry: false });
