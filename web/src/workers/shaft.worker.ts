import { solveShaft, type ShaftSolved, type SolverQuestion } from '@elder-cog/core';
import { expose } from 'comlink';

/** A search that takes longer is stopped, and says so, ms. */
const PATIENCE = 20_000;

const api = {
  solve(question: SolverQuestion): ShaftSolved {
    const end = performance.now() + PATIENCE;
    return solveShaft(question, () => performance.now() > end);
  },
};
export type ShaftWorker = typeof api;
expose(api);
