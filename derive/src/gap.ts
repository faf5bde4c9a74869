import type { Acceptance, FitLeaf, JobFacts, Limit, ReadingFact, Shaft, Slot, Station } from '@elder-cog/contract';
import {
  agreeWithForecast,
  type Aim,
  coverageFactor,
  type Estimate,
  formatLength,
  gapFromSizes,
  type Length,
  lengthLine,
  type Limits,
  type MarkKind,
  nanometres,
  packWindow,
  type PackWindow,
  packWindowSum,
  type ProvedSense,
  type Reading,
  ReckoningError,
  type Sense,
  senseOnPath,
  sensesFromTrials,
  smallUnit,
  type Sum,
  verdict,
  type Verdict,
} from '@elder-cog/core';
import { changesBetween, packTotal, readingsOf, rowsOf, type BuildNow } from './builds.ts';
import { graphOf } from './graph.ts';
import { rememberedOf } from './remember.ts';
import { asFarAsItGoes, notCounted, restsOnDoubt } from './spoilt.ts';
import { asInstrument, poolEntries, readingValue, type MethodReading, type Pooled, type ReadingValue } from './readingValue.ts';

export interface LimitState {
  readonly limits: Limits;
  readonly fact: Limit;
}

export interface NominalState {
  readonly value: Length;
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
  /** why it is kept and not counted; null where it is */
  readonly notCounted: string | null;
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
  readonly leaves: readonly FitLeaf[] | null;
  readonly readings: readonly KeptReading[];
  /** those that were counted, each by itself, and how far they lie apart */
  readonly values: readonly Length[];
  readonly range: Length | null;
  readonly reading: Reading | null;
  /** no dial can see it: what the change of the pack says, and the reading agrees with */
  readonly byPack: boolean;
  /** a doubt that no number holds: "not turned to settle" */
  readonly near: string | null;
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
  /** the system it is told in: that of its limits, or of what it is read with */
  readonly unit: 'thou' | 'mm';
  readonly limits: LimitState | null;
  /** held against, and not judged by */
  readonly nominal: NominalState | null;
  readonly now: {
    readonly kind: 'read' | 'forecast' | 'stale' | 'none';
    readonly reading: Reading | null;
    readonly U: number | null;
    readonly values: readonly Length[];
    readonly range: Length | null;
    readonly because: string | null;
    readonly byPack: boolean;
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
  /** it is out, nobody has accepted it, and a pack can bring it in */
  readonly needsPack: boolean;
  readonly ladder: readonly LadderRow[];
  readonly lessons: readonly Lesson[];
  /** the gap as the sizes alone give it, where every one is known */
  readonly fromSizes: { readonly value: Length } | { readonly missing: readonly string[] } | null;
  readonly sum: Sum;
}

export interface PackQuestionState {
  readonly slot: Slot;
  readonly sense: Sense;
  /** what is in, in all; where nobody knows, the window is of the change */
  readonly fitted: Length;
  readonly known: boolean;
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

const factInUse = (facts: JobFacts, stationId: string): Limit | undefined => rowsOf(facts, stationId).limits.findLast((l) => l.inUse);

/** What a station is judged by; a single figure with no tolerance judges nothing. */
export function limitInUse(facts: JobFacts, stationId: string): LimitState | null {
  const fact = factInUse(facts, stationId);
  if (!fact || (fact.min === null && fact.max === null)) return null;
  return { fact, limits: { ...(fact.min === null ? {} : { min: fact.min }), ...(fact.max === null ? {} : { max: fact.max }) } };
}

/** A single figure that a station is held against, with no tolerance to judge by. */
export function nominalInUse(facts: JobFacts, stationId: string): NominalState | null {
  const fact = factInUse(facts, stationId);
  return fact?.nominal === undefined || fact.min !== null || fact.max !== null ? null : { fact, value: fact.nominal };
}

export const expandedU = (reading: Reading | null): number | null => (reading?.kind === 'estimate' ? coverageFactor(reading.dof) * reading.u : null);

export function markOf(v: Verdict | null): MarkKind {
  if (!v) return 'unmeasured';
  if (v.place === 'unmeasured' || v.sure === 'cannotTell') return 'cannotTell';
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
  const unit = unitOf(station, limits);
  const judge = (reading: Reading, range: Length | null, near: string | null): Verdict | null =>
    limits &&
    nearAtMost(verdict(reading, limits.limits, { rule: station.rule, moreIs: station.moreIs, unit, ...(range === null ? {} : { range }) }), near);

  const readings = readingsOf(facts, station.id, gone);
  const rows = ladderOf({ builds, slots, adjuster, sense, readings, current, judge });
  const now = { ...nowOf(rows, slots, { sense, unit }), struck: current ? struckOn(facts, station.id, current.build.id, gone) : [] };
  const judged = now.kind === 'read' && now.reading && !now.disagree ? judge(now.reading, now.range, rows.at(-1)?.near ?? null) : null;
  const proved = adjuster ? provedBy(rows, adjuster, sense) : null;
  const pack =
    adjuster && current
      ? packQuestion({
          slot: adjuster,
          sense,
          fitted: packTotal(packNow),
          known: packNow !== null,
          proved,
          now,
          limits,
          aim: cleanAim(station.aim),
          unit,
        })
      : null;
  const sizes = station.contactRole ? gapFromSizes(graph, station.contactRole) : null;
  return {
    station,
    letter,
    unit,
    limits,
    nominal: nominalInUse(facts, station.id),
    now,
    verdict: judged,
    mark: now.kind === 'read' ? (limits && !now.disagree ? markOf(judged) : 'cannotTell') : now.kind === 'stale' ? 'stale' : 'unmeasured',
    accepted: null,
    pack,
    needsPack: isOut(judged) && pack?.window?.reachable === true,
    ladder: rows,
    lessons: lessonsOf(rows, { proved, adjuster, unit }),
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

/** Out of its limits, as far as anybody can tell. */
const isOut = (v: Verdict | null): boolean => v !== null && v.sure !== 'cannotTell' && (v.place === 'tight' || v.place === 'loose');

/** The system a gap is told in. */
export function unitOf(station: Pick<Station, 'instrument'>, limits: LimitState | null): 'thou' | 'mm' {
  return smallUnit(limits?.fact.unit ?? station.instrument?.unit ?? 'thou');
}

/** A verdict that rests on what somebody was not sure of is no surer than near. */
const nearAtMost = (judged: Verdict, near: string | null): Verdict =>
  near === null || judged.sure !== 'sure' ? judged : { ...judged, sure: 'near', because: near };

interface LadderQuestion {
  readonly builds: readonly BuildNow[];
  readonly slots: readonly Slot[];
  readonly adjuster: Slot | null;
  readonly sense: Sense;
  readonly readings: ReturnType<typeof readingsOf>;
  readonly current: BuildNow | null;
  readonly judge: (reading: Reading, range: Length | null, near: string | null) => Verdict | null;
}

interface ReadOn {
  readonly kept: readonly KeptReading[];
  readonly pooled: Pooled | null;
  readonly near: string | null;
}
const NOT_READ: ReadOn = { kept: [], pooled: null, near: null };
const readBefore = rememberedOf<ReadingFact, ReadOn>();

/** The readings of one build, each by itself and pooled: worked out again only where one was added or taken back, or its pack is another. */
function readOn(readings: readonly ReadingFact[], sense: Sense, pack: Length): ReadOn {
  const [first] = readings;
  return first ? readBefore(first, [sense, pack, ...readings], () => freshlyReadOn(readings, sense, pack)) : NOT_READ;
}

function freshlyReadOn(readings: readonly ReadingFact[], sense: Sense, pack: Length): ReadOn {
  const each = readings.map((r) => {
    const valued = readingValue(r.raw, { sense, pack });
    const value = 'ok' in valued ? asFarAsItGoes(r.raw, valued.ok) : null;
    const kept: KeptReading = {
      id: r.id,
      text: r.raw.text,
      takenAt: r.takenAt,
      value,
      refusal: 'refusal' in valued ? valued.refusal.message : null,
      keptAs: r.keptAs.words,
      notCounted: value && notCounted(r.raw, value),
    };
    return { kept, raw: r.raw };
  });
  const counted = each.flatMap(({ kept, raw }) => (kept.value && kept.notCounted === null ? [{ value: kept.value, raw }] : []));
  return {
    kept: each.map(({ kept }) => kept),
    pooled: poolEntries(counted.map(({ value, raw }) => ({ value, instrument: asInstrument(raw.instrument), method: raw.method }))),
    near: counted.map(({ raw }) => restsOnDoubt(raw)).find((why) => why !== null) ?? null,
  };
}

/** What is in a build's place, as it is known there. */
const leavesIn = (build: BuildNow, adjuster: Slot | null): readonly FitLeaf[] | null =>
  adjuster ? (build.fitted.get(adjuster.id)?.leaves ?? null) : null;

/** No dial can see preload: the last estimate carried over the change of the pack stands, where the reading agrees with it. */
function byThePack(reading: Reading | null, said: Length | null, from: Reading | null): Estimate | null {
  if (reading?.kind !== 'atMost' || reading.value !== 0 || said === null || from?.kind !== 'estimate') return null;
  const agreed = agreeWithForecast({ ...from, value: said }, reading);
  return agreed.agree ? agreed.reading : null;
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
    const leaves = leavesIn(build, adjuster);
    const pack = packTotal(leaves);
    const { kept, pooled, near } = readOn(byBuild.get(build.build.id) ?? [], sense, pack);
    const before = rows.findLast((row) => row.reading !== null);
    const isKnown = leaves !== null && before?.leaves !== null;
    const moved = before && adjuster && isKnown ? nanometres(pack - before.pack) : null;
    const known = before?.reading && before.reading.kind === 'estimate' ? before.reading.value : null;
    const said = known !== null && moved !== null ? nanometres(known + sense * moved) : null;
    const isNow = build === current;
    const otherwise = before ? changesBetween(before.build, build, slots).filter((c) => c.slot.kind !== 'adjuster') : [];
    const agreed = otherwise.length === 0 && moved !== 0 ? byThePack(pooled?.reading ?? null, said, before?.reading ?? null) : null;
    const reading = agreed ?? pooled?.reading ?? null;
    const stale = current && !isNow ? changesBetween(build, current, slots).filter((c) => c.slot.kind !== 'adjuster') : [];
    const judged = reading && !pooled?.disagree ? judge(reading, pooled?.range ?? null, near) : null;
    rows.push({
      build,
      stage: stageWords(build, slots),
      pack,
      leaves,
      readings: kept,
      values: pooled?.values ?? [],
      range: pooled?.range ?? null,
      reading,
      byPack: agreed !== null,
      near,
      methods: pooled?.methods ?? [],
      disagree: pooled?.disagree ?? null,
      U: expandedU(reading),
      mark: pooled === null ? 'unmeasured' : stale.length > 0 ? 'stale' : pooled.disagree ? 'cannotTell' : markOf(judged),
      said,
      residual: said !== null && pooled?.reading.kind === 'estimate' ? nanometres(pooled.reading.value - said) : null,
      staleBecause: stale.length > 0 ? stale.map((c) => c.words).join(', ') : null,
      isNow,
    });
  }
  return rows;
}

interface Told {
  readonly sense: Sense;
  readonly unit: 'thou' | 'mm';
}

/** What speaks for the gap as it is now: a reading of this build, a forecast over a changed pack, or nothing fresh. */
function nowOf(rows: readonly LadderRow[], slots: readonly Slot[], { sense, unit }: Told): Omit<GapState['now'], 'struck'> {
  const alone = { values: [], range: null, byPack: false, methods: [], disagree: null };
  const none = { kind: 'none' as const, reading: null, U: null, because: null, kept: [], ...alone };
  const current = rows[rows.length - 1];
  if (!current) return none;
  if (current.reading) return readNow(current, unit);
  // kept and not counted: nothing speaks for it yet, and it is not lost from sight
  const before = rows.findLast((row) => row.reading !== null);
  if (!before?.reading) return { ...none, kept: current.readings };
  const kept = current.readings.length > 0 ? current.readings : before.readings;
  const changes = changesBetween(before.build, current.build, slots);
  if (changes.length === 0) return { ...readNow(before, unit), kept };
  const spoiling = changes.filter((c) => c.thicker === null);
  const about = `build ${before.build.number}`;
  if (spoiling.length > 0 || sense === 0 || before.reading.kind !== 'estimate' || before.disagree) {
    return {
      ...alone,
      kind: 'stale',
      reading: before.reading,
      U: before.U,
      because: before.disagree
        ? disagreeWords(before, unit)
        : spoiling.length > 0
          ? spoiling.map((c) => c.words).join(', ')
          : `read on ${about}, before the pack changed`,
      kept,
    };
  }
  const moved = changes.reduce((sum, c) => sum + sense * (c.thicker ?? 0), 0);
  return {
    ...alone,
    kind: 'forecast',
    reading: { ...before.reading, value: nanometres(before.reading.value + moved) },
    U: before.U,
    because: `reckoned from ${about}`,
    kept,
  };
}

const readNow = (row: LadderRow, unit: Told['unit']): Omit<GapState['now'], 'struck'> => ({
  kind: 'read',
  reading: row.reading,
  U: row.U,
  values: row.values,
  range: row.range,
  because:
    disagreeWords(row, unit) ??
    (row.byPack ? 'by the pack: the dial shows no movement, and agrees. Drag, or a known spacer, would make it surer.' : null),
  byPack: row.byPack,
  kept: row.readings,
  methods: row.methods,
  disagree: row.disagree,
});

/** "Dial 24.0, feelers 26.5 thou: they may differ by 1.0": both stand. */
function disagreeWords({ methods, disagree }: LadderRow, unit: Told['unit']): string | null {
  if (!disagree) return null;
  const each = methods.map(({ name, reading }) => `${name.split(',')[0]?.toLowerCase() ?? ''} ${sized(reading.value, unit)}`).join(', ');
  return `Two methods disagree: ${each} ${unit}, and they may differ by ${sized(disagree.allowed, unit)}. Both stand: find out why before fitting anything.`;
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
  unit,
}: {
  slot: Slot;
  sense: Sense;
  fitted: Length;
  known: boolean;
  proved: PackQuestionState['proved'];
  now: Omit<GapState['now'], 'struck'>;
  limits: LimitState | null;
  aim: Aim;
  unit: 'thou' | 'mm';
}): PackQuestionState {
  const base = { slot, sense, fitted, known, proved };
  // one of the two is wrong, and anything reckoned from either would be
  if (proved?.contradiction) return { ...base, window: null, refusal: { code: 'contradiction', message: proved.contradiction }, sum: [] };
  if (!limits || !now.reading || now.kind === 'stale' || now.disagree) return { ...base, window: null, refusal: null, sum: [] };
  const question = { fittedPack: known ? fitted : null, measured: now.reading, limits: limits.limits, aim, sense, unit };
  try {
    return { ...base, window: packWindow(question), refusal: null, sum: packWindowSum(question) };
  } catch (error) {
    if (!(error instanceof ReckoningError)) throw error;
    return { ...base, window: null, refusal: { code: error.code, message: error.message }, sum: [] };
  }
}

/** A size without its sign, as it is said in a sentence. */
const sized = (length: number, unit: 'thou' | 'mm'): string => formatLength(nanometres(Math.abs(length)), unit);

interface Taught {
  readonly proved: PackQuestionState['proved'];
  readonly adjuster: Slot | null;
  readonly unit: 'thou' | 'mm';
}

function lessonsOf(rows: readonly LadderRow[], { proved, adjuster, unit }: Taught): Lesson[] {
  const lessons: Lesson[] = [];
  const more = (length: number): string => `${sized(length, unit)} ${unit}`;
  if (proved) {
    lessons.push({
      words: proved.contradiction ?? `Thicker gives ${proved.sense === 1 ? 'more' : 'less'} float. Proved.`,
      detail: `build ${proved.build}: ${more(proved.packMoved)} ${proved.packMoved > 0 ? 'more' : 'less'} in gave ${more(proved.gapMoved)} ${proved.gapMoved > 0 ? 'more' : 'less'}`,
    });
  }
  for (const row of rows) {
    if (row.residual === null || row.reading?.kind !== 'estimate') continue;
    // what it was said from: the last build that was read, whatever was built and not read between
    const from = rows.slice(0, rows.indexOf(row)).findLast((each) => each.reading !== null);
    const others = from
      ? [...row.build.fitted.keys()].filter((id) => id !== adjuster?.id && row.build.fitted.get(id)?.state !== from.build.fitted.get(id)?.state)
      : [];
    const said = `build ${row.build.number}: said ${sized(row.said ?? 0, unit)}, read ${sized(row.reading.value, unit)}`;
    if (others.length > 0 && Math.abs(row.residual) > 0)
      lessons.push({ words: `${row.residual < 0 ? 'Tightening closed it by' : 'It opened by'} ${more(row.residual)}.`, detail: said });
    else if (row.isNow)
      lessons.push({
        words:
          Math.abs(row.residual) <= (row.U ?? 0)
            ? `Build ${row.build.number} agreed with its forecast.`
            : `Build ${row.build.number} is ${more(row.residual)} ${row.residual < 0 ? 'under' : 'over'} its forecast: was it seated, torqued and turned?`,
        detail: said,
      });
  }
  return lessons;
}
