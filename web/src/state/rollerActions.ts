import { newRollers, type Change, type PartFact, type RollerCount, type Rollers } from '@elder-cog/contract';
import { newId, useSettings } from './settings.ts';

/** The commands of bearings and loose rollers. */

/** What is counted: how many, how many spacers with them, and whether the last went in snug. */
export type Counted = Pick<RollerCount, 'way' | 'count' | 'spacers' | 'snug'>;

const countOf = (rollersId: string, buildId: string | null, counted: Counted): RollerCount => ({
  id: newId(),
  rollersId,
  buildId,
  ...counted,
  note: '',
  who: useSettings.getState().who,
  at: new Date().toISOString(),
});

/** Loose rollers of a box; with how many came out, where the strip log has it. */
export function addRollers(assemblyId: string, name: string, out: number | null): Extract<Change, { kind: 'rollers.add' }> {
  const rollers = newRollers({ assemblyId, placeId: null, name }, newId);
  const counts = out === null ? [] : [countOf(rollers.id, null, { way: 'out', count: out, spacers: 0, snug: null })];
  return { kind: 'rollers.add', rollers, counts };
}

export const changeRollers = (rollers: Rollers, patch: Partial<Omit<Rollers, 'id' | 'revision' | 'assemblyId'>>): Change => ({
  kind: 'rollers.change',
  rollers: { ...rollers, ...patch },
});

export const countRollers = ({ id }: Rollers, buildId: string | null, counted: Counted): Change => ({
  kind: 'rollers.count',
  count: countOf(id, buildId, counted),
});

/** What is stamped on a part; where it is one figure off its mate's, it is asked about anew. */
export const numberOn = ({ id, revision }: PartFact, number: string): Change => ({ kind: 'part.change', id, revision, number: number.trim() });

/** Both of two numbers that are one figure apart were read again, and are so. */
export const numbersAreSo = (parts: readonly PartFact[]): Change[] =>
  parts
    .filter((part) => part.isReadAgain !== true)
    .map(({ id, revision, number }) => ({ kind: 'part.change', id, revision, number, isReadAgain: true }));
