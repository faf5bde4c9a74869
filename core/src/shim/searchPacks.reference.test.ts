import { createRequire } from 'node:module';
import { describe, expect, it } from '@jest/globals';
import { asProgramme, seededDrawer } from '../../../bench/drawers.ts';
import { searchPacks } from './searchPacks.ts';

interface Solver {
  solve(programme: string, options: object): { Status: string; Columns: Record<string, { Primal: number }> };
}
const loadHighs = createRequire(import.meta.url)('highs') as () => Promise<Solver>;

describe('packs against an integer-programme solver (HiGHS, zero gap)', () => {
  it('are as near, with as few leaves, in 50 seeded drawers of 60 thicknesses × 4, up to six leaves', async () => {
    const highs = await loadHighs();
    for (let n = 0; n < 50; n++) {
      const question = seededDrawer(n);
      const [pack] = searchPacks(question.drawer, question.search).packs;
      const solved = highs.solve(asProgramme(question), { mip_rel_gap: 0, mip_abs_gap: 0 });
      const error = Math.round(solved.Columns.e?.Primal ?? NaN) * 100;
      const leaves = question.drawer.reduce((sum, _, i) => sum + Math.round(solved.Columns[`x${i}`]?.Primal ?? NaN), 0);
      expect({ n, status: solved.Status, error: Math.abs(pack?.error ?? NaN), leaves: pack?.leaves.reduce((sum, l) => sum + l.count, 0) }).toEqual({
        n,
        status: 'Optimal',
        error,
        leaves,
      });
    }
  }, 900_000);
});
