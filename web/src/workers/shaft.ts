import type { ShaftSolved, SolverQuestion } from '@elder-cog/core';
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { wrap, type Remote } from 'comlink';
import type { ShaftWorker } from './shaft.worker.ts';

/** Whoever pressed Stop is told so, and may begin again. */
export class StoppedError extends Error {}

interface Running {
  readonly api: Remote<ShaftWorker>;
  /** ends the worker, and whatever waits for it */
  readonly end: () => void;
  readonly ended: Promise<never>;
}
/** One search at a time: another question, or a press on Stop, ends the worker that was at it. */
let running: Running | null = null;

function fresh(): Running {
  running?.end();
  const worker = new Worker(new URL('./shaft.worker.ts', import.meta.url), { type: 'module' });
  let refuse: (error: StoppedError) => void = () => undefined;
  const ended = new Promise<never>((_, reject) => {
    refuse = reject;
  });
  ended.catch(() => undefined);
  running = {
    api: wrap<ShaftWorker>(worker),
    ended,
    end: () => {
      worker.terminate();
      refuse(new StoppedError());
    },
  };
  return running;
}

export const stopShaftSearch = (): void => running?.end();

/** Sets of parts that bring every gap in, searched off the main thread. */
export const useShaftSolved = (question: SolverQuestion | null): UseQueryResult<ShaftSolved | null> =>
  useQuery({
    queryKey: ['shaft', question],
    queryFn: () => {
      if (!question) return null;
      const { api, ended } = fresh();
      return Promise.race([api.solve(question), ended]);
    },
    staleTime: Infinity,
    retry: false,
  });
