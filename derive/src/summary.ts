import type { JobFacts, JobSummary } from '@elder-cog/contract';
import { counted } from '@elder-cog/core';
import { derive } from './derive.ts';
import { judgedOf, rowHolders, worstMark, type JobState } from './jobState.ts';
import { dragMark, sayDrag } from './drag/index.ts';
import { markAsJudged } from './gap/index.ts';
import { byTime } from './builds.ts';

/** How far along a job is, as one of eight stages: strip, clean, measure, reckon, shim, dry build, final, run in. */
function howFar(facts: JobFacts, state: JobState): number {
  if (facts.builds.some((b) => b.stage === 'run_in')) return 7;
  if (facts.builds.some((b) => b.stage === 'final')) return 6;
  if (facts.builds.length > 1) return 5;
  const gap = state.shafts.flatMap((s) => s.gaps).find((g) => g.pack?.window);
  if (gap) return 4;
  return facts.readings.length > 0 ? 3 : facts.builds.length > 0 ? 2 : 0;
}

/** "2 of its entries are damaged": what the Shelf says of a machine that is not whole; null where it is. */
const damagedWords = ({ damage }: JobState): string | null =>
  damage.length === 0 ? null : `${counted(damage.length, 'One of its entries is', 'of its entries are')} damaged, and left out.`;

/** A machine of which nothing can be reckoned: it is on the Shelf all the same, beside the others. */
const spoilt = (facts: JobFacts): JobSummary => ({
  job: facts.job,
  damaged: 'Nothing can be reckoned from its entries. They are kept: open it to see what can be done.',
  touchedAt: facts.job.createdAt,
  who: '',
  boxes: [],
  shaft: null,
  worst: null,
  next: '',
  waits: '',
  far: 0,
});

/** One machine on the Shelf. Never throws: one that cannot be reckoned is shown as damaged. */
export function summary(facts: JobFacts): JobSummary {
  try {
    return soundSummary(facts);
  } catch {
    return spoilt(facts);
  }
}

function soundSummary(facts: JobFacts): JobSummary {
  const state = derive(facts);
  const stamps = [...facts.readings.map((r) => ({ at: r.takenAt, who: r.who })), ...facts.builds.map((b) => ({ at: b.at, who: b.who }))].sort(
    (a, b) => byTime(b.at, a.at),
  );
  const gaps = state.shafts.flatMap((s) =>
    judgedOf(s).map((g) => ({
      mark: markAsJudged(g),
      name: g.station.name,
      value: g.now.kind === 'read' ? (g.now.reading?.value ?? null) : null,
      limits: g.limits?.limits ?? null,
      ...(g.station.subject === 'depth' ? { isDepth: true as const } : {}),
    })),
  );
  const pairs = rowHolders(state).flatMap((s) =>
    s.pairs.map((p) => ({ mark: p.mark, name: p.station.name, value: p.clearance?.greatest ?? null, limits: p.limits?.limits ?? null })),
  );
  const drags = state.shafts.flatMap((s) =>
    (s.drags ?? []).map((drag) => ({
      mark: dragMark(drag),
      name: drag.station.name,
      value: null,
      limits: null,
      ...(drag.now.kind === 'read' && drag.now.reading ? { drag: sayDrag(drag.now.reading.value, drag.unit) } : {}),
    })),
  );
  const measured = [...gaps, ...pairs, ...drags];
  const worst = worstMark(measured.map((m) => m.mark));
  const shaft = state.shafts.find((s) => s.shaft.id === state.next.shaftId) ?? state.shafts[0];
  return {
    job: facts.job,
    damaged: damagedWords(state),
    touchedAt: stamps[0]?.at ?? facts.job.createdAt,
    who: stamps[0]?.who ?? '',
    boxes: state.assemblies.map((a) => a.name),
    shaft: shaft
      ? {
          id: shaft.shaft.id,
          name: shaft.shaft.name,
          assembly: shaft.assembly.name,
          origin: shaft.shaft.origin,
          place: shaft.slots.find((s) => s.slot.kind === 'adjuster')?.slot.place ?? null,
        }
      : null,
    worst: measured.find((m) => m.mark === worst) ?? null,
    next: state.next.words,
    waits: 'for nothing',
    far: howFar(facts, state),
  };
}
