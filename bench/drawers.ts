import { nanometres, type DrawerLeaf, type PackSearch } from '@elder-cog/core';

/** A seeded stream of numbers from 0 to 1 (Park–Miller, from memory), so that every run sees the same drawers. */
export function seeded(seed: number): () => number {
  let state = seed % 2_147_483_647 || 1;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/**
 * Drawer number n: 60 thicknesses from 0.05 to 1.20 mm, four of each, and a total to look for, in tenths of a micron. Every
 * other drawer is on a coarse grid that cannot hit its target, so that the least error is not simply nothing.
 */
export function seededDrawer(n: number): { drawer: DrawerLeaf[]; search: PackSearch } {
  const random = seeded(1_000 + n * 7_919);
  const grid = n % 2 === 0 ? 100 : 7_300;
  const drawer = Array.from({ length: 60 }, () => ({
    thickness: nanometres((1 + Math.floor(50_000 / grid) + Math.floor((random() * 1_150_000) / grid)) * grid),
    quantity: 4,
  }));
  const target = nanometres(Math.floor((500_000 + random() * 3_500_000) / grid) * grid + (n % 2 === 0 ? 0 : 2_900));
  return { drawer, search: { min: nanometres(0), max: nanometres(target * 2), target, maxLeaves: 6, keep: 1 } };
}

/** The same question as an integer programme, in tenths of a micron: least |total − target|, then fewest leaves, at most six. */
export function asProgramme({ drawer, search }: ReturnType<typeof seededDrawer>): string {
  const tenths = (nm: number): number => nm / 100;
  const sum = drawer.map((leaf, i) => `${tenths(leaf.thickness)} x${i}`).join(' + ');
  return `Minimize\n obj: 100 e + ${drawer.map((_, i) => `x${i}`).join(' + ')}\nSubject To\n over: ${sum} - e <= ${tenths(search.target)}\n under: ${sum} + e >= ${tenths(search.target)}\n count: ${drawer.map((_, i) => `x${i}`).join(' + ')} <= ${search.maxLeaves}\nBounds\n ${drawer.map((leaf, i) => `0 <= x${i} <= ${leaf.quantity}`).join('\n ')}\n e >= 0\nGeneral\n ${drawer.map((_, i) => `x${i}`).join(' ')}\nEnd`;
}
