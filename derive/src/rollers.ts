import type { JobFacts, RollerCount, Rollers } from '@elder-cog/contract';
import { looseRollers, ReckoningError, type LooseRollers } from '@elder-cog/core';
import { withdrawnIds } from './builds.ts';
import { plainName } from './plainName.ts';
import { stripLog } from './stripLog.ts';

/** Loose rollers in one place: what goes in by their sizes, what came out, and what has gone in since. */
export interface RollerState {
  readonly rollers: Rollers;
  /** by their sizes; null while those are not known, or do not go together */
  readonly fit: LooseRollers | null;
  /** why their sizes do not go together; null where they do */
  readonly misfit: string | null;
  /** counts that stand, oldest first */
  readonly counts: readonly RollerCount[];
  /** as they came out the last time, before anything went in */
  readonly out: RollerCount | null;
  /** as they went in after that; null while they are out */
  readonly in: RollerCount | null;
  /** how many have to go in: the count that came out wins over the sizes */
  readonly wanted: number | null;
  /** what does not agree, one sentence each */
  readonly queries: readonly string[];
  readonly mark: 'in' | 'cannotTell' | 'unmeasured';
}

/** Loose rollers of a job, in the order they were put down. */
export function rollerStates(facts: JobFacts): readonly RollerState[] {
  const gone = withdrawnIds(facts);
  const standing = facts.rollerCounts.filter(({ id }) => !gone.has(id));
  return facts.rollers
    .filter((rollers) => rollers.gone !== true)
    .map((rollers) =>
      rollerState(
        rollers,
        standing.filter(({ rollersId }) => rollersId === rollers.id),
      ),
    );
}

function rollerState(rollers: Rollers, counts: readonly RollerCount[]): RollerState {
  const { fit, misfit } = fitOf(rollers);
  const last = counts.at(-1) ?? null;
  const inNow = last?.way === 'in' ? last : null;
  const out = counts.findLast(({ way }) => way === 'out') ?? null;
  const wanted = out?.count ?? fit?.all ?? null;
  const queries = [...(misfit === null ? [] : [misfit]), ...outQueries(rollers, fit, out, lastIn(counts, out)), ...inQueries(rollers, inNow, wanted)];
  const mark = queries.length > 0 ? 'cannotTell' : inNow ? 'in' : 'unmeasured';
  return { rollers, fit, misfit, counts, out, in: inNow, wanted, queries, mark };
}

function fitOf({ trackInner, trackOuter, diameter, length, trackLength, rows }: Rollers): Pick<RollerState, 'fit' | 'misfit'> {
  if (trackInner === null || diameter === null) return { fit: null, misfit: null };
  const sizes = {
    ...(trackOuter === null ? {} : { trackOuter }),
    ...(length === null || trackLength === null ? {} : { rollerLength: length, trackLength }),
  };
  try {
    return { fit: looseRollers({ trackInner, rollerDiameter: diameter, rows, ...sizes }), misfit: null };
  } catch (error) {
    if (!(error instanceof ReckoningError)) throw error;
    return { fit: null, misfit: error.message };
  }
}

/** What had gone in before they came out the last time. */
const lastIn = (counts: readonly RollerCount[], out: RollerCount | null): RollerCount | null =>
  out === null ? null : (counts.slice(0, counts.indexOf(out)).findLast(({ way }) => way === 'in') ?? null);

function outQueries({ rows }: Rollers, fit: LooseRollers | null, out: RollerCount | null, before: RollerCount | null): string[] {
  if (out === null) return [];
  const lost =
    before && before.count !== out.count ? [`${before.count} went in and ${out.count} came out: find ${apart(before.count, out.count)}.`] : [];
  const inRows = rows > 1 ? ` in ${rows} rows` : '';
  const reckoned =
    fit && fit.all !== out.count && lost.length === 0
      ? [
          `By their sizes ${fit.all} go in${inRows}, and ${out.count} came out. What came out is kept to: measure again, or ${missing(fit.all - out.count)}.`,
        ]
      : [];
  const isLoose =
    fit !== null && fit.axialGap !== undefined && fit.axialGap < 0 ? ['They are longer, end to end, than where they lie: measure both again.'] : [];
  return [...lost, ...reckoned, ...isLoose];
}

function inQueries({ spacers }: Rollers, inNow: RollerCount | null, wanted: number | null): string[] {
  if (inNow === null) return [];
  const isOff = wanted !== null && inNow.count !== wanted;
  return [
    ...(isOff ? [`${inNow.count} went in, and ${wanted} belong there: ${missing(wanted - inNow.count)}.`] : []),
    ...(inNow.spacers === spacers ? [] : [`Spacers: ${inNow.spacers} went in, and there should be ${spacers}.`]),
    ...(inNow.snug === false && !isOff ? ['The last did not go in snug: one is missing, or they are not all of one size.'] : []),
  ];
}

const missing = (short: number): string =>
  short > 0 ? `${short === 1 ? 'one is' : `${short} are`} missing` : `${short === -1 ? 'one is' : `${-short} are`} too many`;
const apart = (before: number, after: number): string =>
  before > after ? (before - after === 1 ? 'the one that is missing' : `the ${before - after} that are missing`) : 'out which is right';

/** Rollers that the strip log counted and nobody has put down here yet. */
export const rollersInStrip = (facts: JobFacts, assemblyId: string): readonly { readonly name: string; readonly count: number }[] =>
  stripLog(facts, assemblyId).flatMap(({ entry }) =>
    entry.count &&
    /roller|needle/i.test(`${entry.part} ${entry.count.of}`) &&
    !facts.rollers.some((r) => !r.gone && plainName(r.name) === plainName(entry.part))
      ? [{ name: entry.part, count: entry.count.n }]
      : [],
  );
