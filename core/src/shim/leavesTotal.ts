import { nanometres, type Length } from '../quantity/index.ts';

/**
 * How thick leaves are together, nm.
 *
 * @example leavesTotal([{ thickness: thou(5), count: 2 }, { thickness: thou(3), count: 1 }]) // 13 thou
 */
export const leavesTotal = (leaves: readonly { readonly thickness: number; readonly count: number }[]): Length =>
  nanometres(leaves.reduce((sum, { thickness, count }) => sum + thickness * count, 0));
