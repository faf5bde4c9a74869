import { type Length, nanometres, type ProvedSense, type Sense, sensesFromTrials } from '@elder-cog/core';
import { buildName, changesBetween } from '../builds.ts';
import type { Slot } from '../slots.ts';
import { touching, type Coefficients } from './carried.ts';
import type { LadderRow } from './ladder.ts';

/** Which way a pack works, shown by two builds that differ in nothing else. */
export type Proof = ProvedSense & { readonly build: number; readonly name?: string; readonly packMoved: Length; readonly gapMoved: Length };

/** The latest pair of readings between which nothing that the gap can feel changed but the pack. */
export function provedBy(
  rows: readonly LadderRow[],
  adjuster: Slot,
  { drawn, slots, coefficients }: { readonly drawn: Sense; readonly slots: readonly Slot[]; readonly coefficients: Coefficients },
): Proof | null {
  const read = rows.filter((row) => row.reading?.kind === 'estimate');
  for (let i = read.length - 1; i > 0; i--) {
    const [before, after] = [read[i - 1], read[i]];
    if (before?.reading?.kind !== 'estimate' || after?.reading?.kind !== 'estimate') continue;
    const others = touching(changesBetween(before.build, after.build, slots), coefficients).filter(({ slot }) => slot.id !== adjuster.id);
    if (before.pack === after.pack || others.length > 0) continue;
    const u = Math.hypot(before.reading.u, after.reading.u);
    const proved = sensesFromTrials({ pack: before.pack, gap: before.reading.value }, { pack: after.pack, gap: after.reading.value }, { drawn, u });
    if (proved.sense !== null)
      return {
        ...proved,
        build: after.build.number,
        ...(after.build.torqued === undefined ? {} : { name: buildName(after.build) }),
        packMoved: nanometres(after.pack - before.pack),
        gapMoved: nanometres(after.reading.value - before.reading.value),
      };
  }
  return null;
}
