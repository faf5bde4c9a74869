import { simulateStack, type SimulatedStack, type StackQuestion } from '@elder-cog/core';
import { drawerReach, packChoices } from '@elder-cog/derive';
import { expose } from 'comlink';

const api = {
  packChoices,
  drawerReach,
  simulate: (questions: readonly StackQuestion[]): SimulatedStack[] => questions.map(simulateStack),
};
export type PacksWorker = typeof api;
expose(api);
