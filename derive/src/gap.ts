import type { Acceptance, JobFacts, Limit, ReadingFact, Shaft, Slot, Station } from '@elder-cog/contract';
import {
  coverageFactor,
  gapFromSizes,
  lengthLine,
  nanometres,
  packWindow,
  packWindowSum,
  ReckoningError,
  senseOnPath,
  sensesFromTrials,
  verdict,
  type Aim,
  type Length,
  type Limits,
  type MarkKind,
  type PackWindow,
  type ProvedSense,
  type Reading,
  type Sense,
  type Sum,
  type Verdict,
} from '@elder-cog/core';
import { changesBetween, packTotal, readingsOf, rowsOf, type BuildNow } from './builds.ts';
import { graphOf } from './graph.ts';
import { rememberedOf } from './remember.ts';
import { asInstrument, poolEntries, readingValue, type MethodReading, type Pooled, type ReadingValue } from './readingValue.ts';

export interface LimitState {
  readonly limits: Limits;
  readonly fact: Limit;
}

/** A reading as kept, with what it now reckons to. */
export interface KeptReading {
  readonly id: string;
  readonly text: string;
  readonly takenAt: string;
  readonly value: ReadingValue | null;
  readonly refusal: string | null;
  readonly keptAs: string;
}

/** A reading taken back: kept, and struck through. */
export interface StruckReading {
  readonly id: string;
  readonly text: string;
  readonly why: string;
}

/** What one build read, and what had been said of it beforehand. */
export interface LadderRow {
  readonly build: BuildNow;
  readonly stage: string;
  readonly pack: Length;
  readonly readings: readonly KeptReading[];
  readonly reading: Reading | null;
  readonly methods: readonly MethodReading[];
  readonly disagree: Pooled['disagree'];
  readonly U: number | null;
  readonly mark: MarkKind;
  readonly said: Length | null;
  /** read less said */
  readonly residual: Length | null;
  readonly staleBecause: string | null;
  readonly isNow: boolean;
}

export interface Lesson {
  readonly words: string;
  readonly detail: string;
}

export interface GapState {
  readonly station: Station;
  readonly letter: string;
  readonly limits: LimitState | null;
  readonly now: {
    readonly kind: 'read' | 'forecast' | 'stale' | 'none';
    readonly reading: Reading | null;
    readonly U: number | null;
    readonly values: readonly Length[];
    readonly range: Length | null;
    readonly because: string | null;
    readonly kept: readonly KeptReading[];
    /** what was read on this build and taken back since, with why */
    readonly struck: readonly StruckReading[];
    /** each method by itself, where two were used on this build */
    readonly methods: readonly MethodReading[];
    readonly disagree: Pooled['disagree'];
  };
  readonly verdict: Verdict | null;
  readonly mark: MarkKind;
  readonly accepted: Acceptance | null;
  readonly pack: PackQuestionState | null;
  readonly ladder: readonly LadderRow[];
  readonly lessons: readonly Lesson[];
  /** the gap as the sizes alone give it, where every one is known */
  readonly fromSizes: { readonly value: Length } | { readonly missing: readonly string[] } | null;
  readonly sum: Sum;
}

export interface PackQuestionState {
  readonly slot: Slot;
  readonly sense: Sense;
  readonly fitted: Length;
  readonly proved: (ProvedSense & { readonly build: number; readonly packMoved: Length; readonly gapMoved: Length }) | null;
  readonly window: PackWindow | null;
  readonly refusal: { readonly code: string; readonly message: string } | null;
  readonly sum: Sum;
}

export const cleanAim = (aim: Station['aim']): Aim => ({
  at: aim.at,
  ...(aim.value === undefined ? {} : { value: aim.value }),
  ...(aim.closesBy === undefined ? {} : { closesBy: aim.closesBy }),
});

export function limitInUse(facts: JobFacts, stationId: string): LimitState | null {
  const fact = rowsOf(facts, stationId)
    .limits.filter((l) => l.inUse)
    .at(-1);
  return fact ? { fact, limits: { ...(fact.min === null ? {} : { min: fact.min }), ...(fact.max === null ? {} : { max: fact.max }) } } : null;
}

export const expandedU = (reading: Reading | null): number | null => (reading?.kind === 'estimate' ? coverageFactor(reading.dof) * reading.u : null);

export function markOf(v: Verdict | null): MarkKind {
  if (!v) return 'unmeasured';
  if (v.place === 'unmeasured' || (v.sure === 'cannotTell' && v.place === 'in')) return 'cannotTell';
  return v.place;
}

/** "as found", "loose", "dry, torqued": a build's stage in a few words. */
function stageWords(build: BuildNow, slots: readonly Slot[]): string {
  if (build.build.stage === 'as_found') return 'as found';
  const bolts = slots.find((s) => s.kind === 'fastening');
  const torque = bolts ? build.fitted.get(bolts.id)?.state : null;
  return build.build.stage === 'dry' ? (torque ? `dry, ${torque}` : 'dry') : build.build.stage.replace('_', ' ');
}

export function gapState(
  facts: JobFacts,
  shaft: Shaft,
  station: Station,
  builds: readonly BuildNow[],
  gone: ReadonlySet<string>,
  letter: string,
): GapState {
  const slots = facts.slots.filter((s) => s.shaftId === shaft.id);
  const adjuster = slots.find((s) => s.kind === 'adjuster') ?? null;
  const current = builds[builds.length - 1] ?? null;
  const packNow = adjuster && current ? (current.fitted.get(adjuster.id)?.leaves ?? null) : null;
  const graph = graphOf(facts, shaft, packNow === null ? null : packTotal(packNow));
  const sense: Sense = adjuster?.partRole ? senseOnPath(graph, adjuster.partRole, station.contactRole ?? '') : 0;
  const limits = limitInUse(facts, station.id);
  const judge = (reading: Reading, range: Length | null): Verdict | null =>
    limits ? verdict(reading, limits.limits, { rule: station.rule, moreIs: station.moreIs, ...(range === null ? {} : { range }) }) : null;

  const readings = readingsOf(facts, station.id, gone);
  const rows = ladderOf({ builds, slots, adjuster, sense, readings, current, judge });
  const now = { ...nowOf(rows, slots, sense), struck: current ? struckOn(facts, station.id, current.build.id, gone) : [] };
  const judged = now.kind === 'read' && now.reading && !now.disagree ? judge(now.reading, now.range) : null;
  const proved = adjuster ? provedBy(rows, adjuster, sense) : null;
  const pack =
    adjuster && current
      ? packQuestion({ slot: adjuster, sense, fitted: packTotal(packNow), known: packNow !== null, proved, now, limits, aim: cleanAim(station.aim) })
      : null;
  const sizes = station.contactRole ? gapFromSizes(graph, station.contactRole) : null;
  return {
    station,
    letter,
    limits,
    now,
    verdict: judged,
    mark: now.kind === 'read' ? (limits && !now.disagree ? markOf(judged) : 'cannotTell') : now.kind === 'stale' ? 'stale' : 'unmeasured',
    accepted: null,
    pack,
    ladder: rows,
    lessons: lessonsOf(rows, proved, adjuster),
    fromSizes: sizes === null ? null : 'value' in sizes ? { value: sizes.value } : { missing: sizes.missing },
    sum: now.reading
      ? [
          lengthLine(
            now.kind === 'forecast' ? 'reckoned from an earlier reading' : 'read',
            '',
            now.reading.value,
            now.kept.map((k) => k.id),
          ),
        ]
      : [],
  };
}

interface LadderQuestion {
  readonly builds: readonly BuildNow[];
  readonly slots: readonly Slot[];
  readonly adjuster: Slot | null;
  readonly sense: Sense;
  readonly readings: ReturnType<typeof readingsOf>;
  readonly current: BuildNow | null;
  readonly judge: (reading: Reading, range: Length | null) => Verdict | null;
}

interface ReadOn {
  readonly kept: readonly KeptReading[];
  readonly pooled: Pooled | null;
}
const NOT_READ: ReadOn = { kept: [], pooled: null };
const readBefore = rememberedOf<ReadingFact, ReadOn>();

/** The readings of one build, each by itself and pooled: worked out again only where one was added or taken back, or its pack is another. */
function readOn(readings: readonly ReadingFact[], sense: Sense, pack: Length): ReadOn {
  const [first] = readings;
  return first ? readBefore(first, [sense, pack, ...readings], () => freshlyReadOn(readings, sense, pack)) : NOT_READ;
}

function freshlyReadOn(readings: readonly ReadingFact[], sense: Sense, pack: Length): ReadOn {
  const kept = readings.map((r): KeptReading => {
    const valued = readingValue(r.raw, { sense, pack });
    return {
      id: r.id,
      text: r.raw.text,
      takenAt: r.takenAt,
      value: 'ok' in valued ? valued.ok : null,
      refusal: 'refusal' in valued ? valued.refusal.message : null,
      keptAs: r.keptAs.words,
    };
  });
  const entries = readings.flatMap((r, i) =>
    kept[i]?.value ? [{ value: kept[i].value, instrument: asInstrument(r.raw.instrument), method: r.raw.method }] : [],
  );
  return { kept, pooled: poolEntries(entries) };
}

function ladderOf({ builds, slots, adjuster, sense, readings, current, judge }: LadderQuestion): LadderRow[] {
  const rows: LadderRow[] = [];
  const byBuild = new Map<string | null, (typeof readings)[number][]>();
  for (const reading of readings) {
    const of = byBuild.get(reading.buildId);
    if (of) of.push(reading);
    else byBuild.set(reading.buildId, [reading]);
  }
  for (const build of builds) {
    const pack = packTotal(adjuster ? build.fitted.get(adjuster.id)?.leaves : null);
    const { kept, pooled } = readOn(byBuild.get(build.build.id) ?? [], sense, pack);
    const before = [...rows].reverse().find((row) => row.reading !== null);
    const moved = before && adjuster ? nanometres(pack - before.pack) : null;
    const known = before?.reading && before.reading.kind === 'estimate' ? before.reading.value : null;
    const said = known !== null && moved !== null ? nanometres(known + sense * moved) : null;
    const isNow = build === current;
    const stale = current && !isNow ? changesBetween(build, current, slots).filter((c) => c.slot.kind !== 'adjuster') : [];
    const judged = pooled && !pooled.disagree ? judge(pooled.reading, pooled.range) : null;
    rows.push({
      build,
      stage: stageWords(build, slots),
      pack,
      readings: kept,
      reading: pooled?.reading ?? null,
      methods: pooled?.methods ?? [],
      disagree: pooled?.disagree ?? null,
      U: expandedU(pooled?.reading ?? null),
      mark: pooled === null ? 'unmeasured' : stale.length > 0 ? 'stale' : pooled.disagree ? 'cannotTell' : markOf(judged),
      said,
      residual: said !== null && pooled?.reading.kind === 'estimate' ? nanometres(pooled.reading.value - said) : null,
      staleBecause: stale.length > 0 ? stale.map((c) => c.words).join(', ') : null,
      isNow,
    });
  }
  return rows;
}

/** What speaks for the gap as it is now: a reading of this build, a forecast over a changed pack, or nothing fresh. */
function nowOf(rows: readonly LadderRow[], slots: readonly Slot[], sense: Sense): Omit<GapState['now'], 'struck'> {
  const alone = { methods: [], disagree: null };
  const none = { kind: 'none' as const, reading: null, U: null, values: [], range: null, because: null, kept: [], ...alone };
  const current = rows[rows.length - 1];
  if (!current) return none;
  if (current.reading) {
    const values = current.readings.flatMap((k) => k.value?.values ?? []);
    const range = values.length > 1 ? nanometres(Math.max(...values) - Math.min(...values)) : null;
    const { methods, disagree } = current;
    return {
      kind: 'read',
      reading: current.reading,
      U: current.U,
      values,
      range,
      because: disagreeWords(current),
      kept: current.readings,
      methods,
      disagree,
    };
  }
  const last = [...rows].reverse().find((row) => row.reading !== null);
  if (!last?.reading) return none;
  const changes = changesBetween(last.build, current.build, slots);
  if (changes.length === 0)
    return {
      kind: 'read',
      reading: last.reading,
      U: last.U,
      values: last.readings.flatMap((k) => k.value?.values ?? []),
      range: null,
      because: disagreeWords(last),
      kept: last.readings,
      methods: last.methods,
      disagree: last.disagree,
    };
  const spoiling = changes.filter((c) => c.thicker === null);
  const about = `build ${last.build.number}`;
  if (spoiling.length > 0 || sense === 0 || last.reading.kind !== 'estimate' || last.disagree) {
    return {
      kind: 'stale',
      reading: last.reading,
      U: last.U,
      values: [],
      range: null,
      because: last.disagree
        ? disagreeWords(last)
        : spoiling.length > 0
          ? spoiling.map((c) => c.words).join(', ')
          : `read on ${about}, before the pack changed`,
      kept: last.readings,
      ...alone,
    };
  }
  const moved = changes.reduce((sum, c) => sum + sense * (c.thicker ?? 0), 0);
  return {
    kind: 'forecast',
    reading: { ...last.reading, value: nanometres(last.reading.value + moved) },
    U: last.U,
    values: [],
    range: null,
    because: `reckoned from ${about}`,
    kept: last.readings,
    ...alone,
  };
}

/** "Dial 24.0, feelers 26.5 thou: they may differ by 1.0": both stand. */
function disagreeWords({ methods, disagree }: LadderRow): string | null {
  if (!disagree) return null;
  const each = methods.map(({ name, reading }) => `${name.split(',')[0]?.toLowerCase() ?? ''} ${thou(reading.value)}`).join(', ');
  return `Two methods disagree: ${each} thou, and they may differ by ${thou(disagree.allowed)}. Both stand: find out why before fitting anything.`;
}

function struckOn(facts: JobFacts, stationId: string, buildId: string, gone: ReadonlySet<string>): StruckReading[] {
  return rowsOf(facts, stationId)
    .readings.filter((r) => r.buildId === buildId && gone.has(r.id))
    .map((r) => ({ id: r.id, text: r.raw.text, why: facts.withdrawals.findLast((w) => w.ofId === r.id)?.why ?? '' }));
}

/** The latest pair of readings between which only the pack changed. */
function provedBy(rows: readonly LadderRow[], adjuster: Slot, drawn: Sense): PackQuestionState['proved'] {
  const read = rows.filter((row) => row.reading?.kind === 'estimate');
  for (let i = read.length - 1; i > 0; i--) {
    const [before, after] = [read[i - 1], read[i]];
    if (before?.reading?.kind !== 'estimate' || after?.reading?.kind !== 'estimate') continue;
    const others = changesBetween(
      before.build,
      after.build,
      [...after.build.fitted.keys()].filter((id) => id !== adjuster.id).map((id) => ({ ...adjuster, id, kind: 'fastening' as const })),
    );
    if (before.pack === after.pack || others.length > 0) continue;
    const u = Math.hypot(before.reading.u, after.reading.u);
    const proved = sensesFromTrials({ pack: before.pack, gap: before.reading.value }, { pack: after.pack, gap: after.reading.value }, { drawn, u });
    if (proved.sense !== null)
      return {
        ...proved,
        build: after.build.number,
        packMoved: nanometres(after.pack - before.pack),
        gapMoved: nanometres(after.reading.value - before.reading.value),
      };
  }
  return null;
}

function packQuestion({
  slot,
  sense,
  fitted,
  known,
  proved,
  now,
  limits,
  aim,
}: {
  slot: Slot;
  sense: Sense;
  fitted: Length;
  known: boolean;
  proved: PackQuestionState['proved'];
  now: Omit<GapState['now'], 'struck'>;
  limits: LimitState | null;
  aim: Aim;
}): PackQuestionState {
  const base = { slot, sense, fitted, proved };
  if (!known) return { ...base, window: null, refusal: { code: 'noPack', message: 'Say what pack is in now: “none” is an answer.' }, sum: [] };
  if (!limits || !now.reading || now.kind === 'stale' || now.disagree) return { ...base, window: null, refusal: null, sum: [] };
  const question = { fittedPack: fitted, measured: now.reading, limits: limits.limits, aim, sense };
  try {
    return { ...base, window: packWindow(question), refusal: null, sum: packWindowSum(question) };
  } catch (error) {
    if (!(error instanceof ReckoningError)) throw error;
    return { ...base, window: null, refusal: { code: error.code, message: error.message }, sum: [] };
  }
}

const thou = (length: number): string => (Math.round((Math.abs(length) / 25_400) * 10) / 10).toFixed(1);

function lessonsOf(rows: readonly LadderRow[], proved: PackQuestionState['proved'], adjuster: Slot | null): Lesson[] {
  const lessons: Lesson[] = [];
  if (proved) {
    lessons.push({
      words: proved.contradiction ?? `Thicker gives ${proved.sense === 1 ? 'more' : 'less'} float. Proved.`,
      detail: `build ${proved.build}: ${thou(proved.packMoved)} thou ${proved.packMoved > 0 ? 'more' : 'less'} in gave ${thou(proved.gapMoved)} thou ${proved.gapMoved > 0 ? 'more' : 'less'}`,
    });
  }
  const read = rows.filter((row) => row.reading?.kind === 'estimate' && row.residual !== null);
  for (const row of read) {
    const before = rows[rows.indexOf(row) - 1];
    const others = before
      ? [...row.build.fitted.keys()].filter((id) => id !== adjuster?.id && row.build.fitted.get(id)?.state !== before.build.fitted.get(id)?.state)
      : [];
    const said = `build ${row.build.number}: said ${thou(row.said ?? 0)}, read ${thou(row.reading?.value ?? 0)}`;
    if (others.length > 0 && Math.abs(row.residual ?? 0) > 0)
      lessons.push({
        words: `${(row.residual ?? 0) < 0 ? 'Tightening closed it by' : 'It opened by'} ${thou(row.residual ?? 0)} thou.`,
        detail: said,
      });
    else if (row.isNow)
      lessons.push({
        words:
          Math.abs(row.residual ?? 0) <= (row.U ?? 0)
            ? `Build ${row.build.number} agreed with its forecast.`
            : `Build ${row.build.number} is ${thou(row.residual ?? 0)} thou ${(row.residual ?? 0) < 0 ? 'under' : 'over'} its forecast: was it seated, torqued and turned?`,
        detail: said,
      });
  }
  return lessons;
}
