import type { Assembly, JobFacts, Shaft, Station } from '@elder-cog/contract';
import { isFeatureKind, type MarkKind } from '@elder-cog/core';
import { buildsOfShaft, changesBetween, packTotal, packWords, readingsOf, stateNow, withdrawnIds, type BuildNow } from './builds.ts';
import { depthsOf, depthStates } from './depths.ts';
import { dragMark, dragStates, sayDrag, type DragState } from './drag/index.ts';
import { gapState, markAsJudged, withTogether, type GapState, type KnownStep } from './gap/index.ts';
import { drawnShaft } from './drawn.ts';
import { filledPlaces, formsOf, formsRead } from './graph.ts';
import {
  judgedOf,
  rowHolders,
  worstMark,
  type BoxState,
  type CheckState,
  type JobState,
  type LastReading,
  type RowHolder,
  type ShaftState,
} from './jobState.ts';
import { nextAction } from './nextAction.ts';
import { readable } from './readable.ts';
import { acceptanceOf } from './inspections.ts';
import { partWayOf } from './joints.ts';
import { settingsOf, type SettingState } from './settings.ts';
import type { SlotState } from './slotState.ts';
import { slotsOfShaft } from './slots.ts';
import { lentBy, twinOf } from './twins.ts';
import { featureState, markWith, pairState } from './wear.ts';

/**
 * Facts of a job → everything shown of it. Pure: the same facts give the same state in Node and in the browser. It never throws on facts of
 * the right shape: a row that cannot be reckoned with is left out, and named among the damage.
 */
export function derive(stored: JobFacts): JobState {
  const { facts, damage: bad } = readable(stored);
  const damage = [...bad];
  const gone = withdrawnIds(facts);
  const built = [...facts.shafts]
    .sort((a, b) => a.position - b.position)
    .flatMap((shaft) => {
      const assembly = facts.assemblies.find((a) => a.id === shaft.assemblyId);
      if (!assembly) return [];
      try {
        return [shaftState(facts, shaft, assembly, gone)];
      } catch (error) {
        damage.push({
          table: 'shaft',
          id: shaft.id,
          what: `a shaft, ${shaft.name}`,
          found: (error as Error).message,
          wanted: 'facts that can be reckoned with',
        });
        return [];
      }
    });
  const boxes = facts.assemblies.map((assembly): BoxState => ({
    assembly,
    ...rowsMeasured(facts, inOrder(facts.stations.filter((s) => s.assemblyId === assembly.id && !s.gone)), gone),
  }));
  const lent = lending(facts, built, gone);
  const settings = facts.settings.length === 0 ? [] : settingsJudged(facts, lent, boxes);
  const shafts = sparing(lent, settings);
  const gapMarks = [...shafts.flatMap(marksOf), ...settings.map(({ mark }) => mark)];
  const wearMarks = rowHolders({ shafts, boxes }).flatMap((s) => [...s.features.map((f) => f.mark), ...s.pairs.map((p) => p.mark)]);
  const marks = {
    section: worstMark(gapMarks),
    wear: worstMark(wearMarks),
    builds: worstMark(gapMarks),
    bench: worstMark([...gapMarks, ...wearMarks]),
  };
  return {
    job: facts.job,
    assemblies: [...facts.assemblies].sort((a, b) => a.position - b.position),
    shafts,
    boxes: boxes.sort((a, b) => a.assembly.position - b.assembly.position),
    ...(settings.length === 0 ? {} : { settings }),
    next: nextAction(shafts, settings),
    openItems: facts.openItems.filter((item) => item.state === 'open'),
    lastReadings: lastReadings(facts, { shafts, boxes }, gone),
    damage,
    marks,
  };
}

/** Shafts whose twin on the other side taught something, reckoned with what it lends; the very same where nothing is lent. */
function lending(facts: JobFacts, built: readonly ShaftState[], gone: ReadonlySet<string>): readonly ShaftState[] {
  if (facts.assemblies.every(({ mirrorOf }) => mirrorOf === null)) return built;
  return built.map((shaft) => {
    const twin = twinOf(facts, shaft, built);
    const borrowed = twin ? lentBy(facts, twin) : null;
    return borrowed && borrowed.size > 0 ? shaftState(facts, shaft.shaft, shaft.assembly, gone, borrowed) : shaft;
  });
}

/** Settings are judged by whatever is measured, looked at or read of the job: depths too, which stand in no list of gaps. */
const settingsJudged = (facts: JobFacts, shafts: readonly ShaftState[], boxes: readonly BoxState[]): SettingState[] =>
  settingsOf(facts, {
    gaps: shafts.flatMap((shaft) => [...shaft.gaps, ...depthsOf(facts, shaft)]),
    features: rowHolders({ shafts, boxes }).flatMap((holder) => holder.features),
    pairs: rowHolders({ shafts, boxes }).flatMap((holder) => holder.pairs),
    checks: shafts.flatMap((shaft) => shaft.checks),
    drags: shafts.flatMap((shaft) => shaft.drags ?? []),
  });

const marksOf = (shaft: Pick<ShaftState, 'gaps' | 'depths' | 'drags'>): MarkKind[] => [
  ...judgedOf(shaft).map(markAsJudged),
  ...(shaft.drags ?? []).map(dragMark),
];

/** Shafts with the gaps that need not be read marked so. */
function sparing(shafts: readonly ShaftState[], settings: readonly SettingState[]): readonly ShaftState[] {
  const spared = new Set(settings.flatMap((each) => each.spared));
  if (spared.size === 0) return shafts;
  return shafts.map((shaft) => {
    const spare = (gap: GapState): GapState => (spared.has(gap.station.id) ? { ...gap, isSpared: true, needsPack: false } : gap);
    const sparedDrag = (drag: DragState): DragState => (spared.has(drag.station.id) ? { ...drag, isSpared: true } : drag);
    const now = {
      gaps: shaft.gaps.map(spare),
      ...(shaft.depths ? { depths: shaft.depths.map(spare) } : {}),
      ...(shaft.drags ? { drags: shaft.drags.map(sparedDrag) } : {}),
    };
    return { ...shaft, ...now, mark: worstMark(marksOf(now)) };
  });
}

const inOrder = (stations: Station[]): Station[] => stations.sort((a, b) => a.position - b.position);

/** The rows of the Wear book among some stations, and the clearances between two of them. */
function rowsMeasured(facts: JobFacts, stations: readonly Station[], gone: ReadonlySet<string>): Pick<RowHolder, 'features' | 'pairs'> {
  const features = stations.flatMap((station) => (isFeatureKind(station.subject) ? [featureState(facts, station, station.subject, gone)] : []));
  const byId = new Map(features.map((f) => [f.station.id, f]));
  return { features, pairs: stations.filter((s) => s.subject === 'pair').map((station) => pairState(facts, station, byId)) };
}

export function shaftState(
  facts: JobFacts,
  shaft: Shaft,
  assembly: Assembly,
  gone: ReadonlySet<string>,
  borrowed: ReadonlyMap<string, readonly KnownStep[]> = new Map(),
): ShaftState {
  const builds = buildsOfShaft(facts, shaft.id, assembly.id);
  const current = builds[builds.length - 1] ?? null;
  const stations = inOrder(facts.stations.filter((s) => s.shaftId === shaft.id && !s.gone));
  const forms = formsOf(facts, shaft, current);
  const partWay = partWayOf(facts, shaft.id);
  const now = { slots: slotsOfShaft(facts, shaft.id), builds, forms, read: formsRead(forms, stations), gone, borrowed, partWay };
  const each = stations
    .filter((s) => s.subject === 'gap')
    .map((station, i) => accepting(facts, gapState(facts, station, String.fromCharCode(65 + i), now)));
  const gaps = withTogether(each, now.forms);
  const depths = depthStates(facts, stations, now).flatMap((depth) => (depth.limits ? [accepting(facts, depth)] : []));
  const drags = dragStates(facts, stations, now).map((drag) => acceptingDrag(facts, drag));
  const slots = now.slots.map((slot): SlotState => {
    const fitting = current?.fitted.get(slot.id) ?? { leaves: null, state: null };
    return {
      slot,
      fitting,
      total: packTotal(fitting.leaves),
      words: slot.kind === 'adjuster' ? packWords(fitting.leaves) : (stateNow(fitting) ?? 'not said'),
    };
  });
  const [first] = gaps;
  const filled = filledPlaces(facts, shaft, current);
  return {
    shaft,
    assembly,
    builds,
    current,
    stage: first?.ladder.at(-1)?.stage ?? 'not built yet',
    slots,
    gaps,
    ...(depths.length > 0 ? { depths } : {}),
    ...(drags.length > 0 ? { drags } : {}),
    ...rowsMeasured(facts, stations, gone),
    checks: stations.filter((s) => s.subject === 'check').map((station) => checkState(facts, station, builds, gone)),
    section: drawnShaft(facts, shaft, { filled, current, gaps, slots }),
    mark: worstMark([...gaps, ...depths, ...drags].map((g) => g.mark)),
  };
}

/** A gap taken outside its limits on purpose is marked so, and is no longer what to do next. */
function accepting(facts: JobFacts, gap: GapState): GapState {
  const { now, limits } = gap;
  const value = now.kind === 'read' ? (now.reading?.value ?? null) : null;
  const accepted = acceptanceOf(facts, gap.station.id, value, limits?.limits ?? null, now.U ?? 0);
  const mark = markWith(gap.mark, accepted);
  return { ...gap, accepted, mark, needsPack: gap.needsPack && mark !== 'accepted' };
}

function acceptingDrag(facts: JobFacts, drag: DragState): DragState {
  const { now, limits } = drag;
  const value = now.kind === 'read' ? (now.reading?.value ?? null) : null;
  const accepted = acceptanceOf(facts, drag.station.id, value, limits?.limits ?? null, now.U ?? 0);
  return { ...drag, accepted, mark: markWith(drag.mark, accepted) };
}

function checkState(facts: JobFacts, station: Station, builds: readonly BuildNow[], gone: ReadonlySet<string>): CheckState {
  const last = readingsOf(facts, station.id, gone).at(-1);
  const current = builds[builds.length - 1];
  const then = builds.find((b) => b.build.id === last?.buildId);
  const slots = slotsOfShaft(facts, station.shaftId ?? '');
  const stale =
    last !== undefined && current !== undefined && then !== current && (then === undefined || changesBetween(then, current, slots).length > 0);
  const answer = last?.raw.answer ?? 'notLooked';
  return {
    station,
    answer,
    seen: last?.raw.seen ?? '',
    readingId: last?.id ?? null,
    stale,
    mark: answer === 'notLooked' ? 'unmeasured' : stale ? 'stale' : answer === 'yes' ? 'in' : 'tight',
  };
}

/** What a reading of a drag came to, as it is said, and how its build stands; undefined where it is of no drag. */
function draggedBy(
  shafts: readonly ShaftState[],
  stationId: string,
  readingId: string,
): { readonly said: string | undefined; readonly mark: MarkKind } | undefined {
  const drag = shafts.flatMap(({ drags = [] }) => drags).find(({ station }) => station.id === stationId);
  const row = drag?.ladder.find(({ readings }) => readings.some(({ id }) => id === readingId));
  const value = row?.readings.find(({ id }) => id === readingId)?.value;
  return drag && row ? { said: value ? sayDrag(value.reading.value, drag.unit) : undefined, mark: row.mark } : undefined;
}

function lastReadings(facts: JobFacts, { shafts, boxes }: Pick<JobState, 'shafts' | 'boxes'>, gone: ReadonlySet<string>): LastReading[] {
  const names = new Map(facts.stations.map((s) => [s.id, s]));
  const last: JobFacts['readings'] = [];
  for (let i = facts.readings.length - 1; i >= 0 && last.length < 12; i--) {
    const reading = facts.readings[i];
    if (reading && reading.raw.method !== 'look' && !reading.raw.migrated) last.push(reading);
  }
  return last.map((r) => {
    const dragged = draggedBy(shafts, r.stationId, r.id);
    const gap = shafts.flatMap(judgedOf).find((g) => g.station.id === r.stationId);
    const row = gap?.ladder.find((l) => l.readings.some((k) => k.id === r.id));
    const kept = row?.readings.find((k) => k.id === r.id);
    const feature = rowHolders({ shafts, boxes })
      .flatMap((s) => s.features)
      .find((f) => f.station.id === r.stationId);
    return {
      id: r.id,
      takenAt: r.takenAt,
      name: names.get(r.stationId)?.name ?? '',
      words: r.raw.text,
      value: kept?.value?.reading.value ?? r.keptAs.value,
      ...(dragged?.said === undefined ? {} : { drag: dragged.said }),
      mark: dragged?.mark ?? row?.mark ?? feature?.mark ?? 'unmeasured',
      withdrawn: gone.has(r.id),
    };
  });
}
