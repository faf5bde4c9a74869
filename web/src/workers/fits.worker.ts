import { timeInHand } from '@elder-cog/core';
import { expose } from 'comlink';

const api = { timeInHand };
export type FitsWorker = typeof api;
expose(api);
