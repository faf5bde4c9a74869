import type { Acceptance, JobFacts, Station } from '@elder-cog/contract';
import {
  type Length,
  lengthLine,
  type LinearGap,
  type MarkKind,
  nanometres,
  type Reading,
  type Sense,
  type Sum,
  verdict,
  type Verdict,
} from '@elder-cog/core';
import { packTotal, readingsOf, type BuildNow } from '../builds.ts';
import type { Slot } from '../slots.ts';
import { isOut, markOf, nearAtMost } from './judged.ts';
import { nowOf, struckOn, type GapNow } from './gapNow.ts';
import { ladderOf, type LadderRow } from './ladder.ts';
import { lessonsOf, type Lesson } from './lessons.ts';
import { limitInUse, nominalInUse, unitOf, type LimitState, type NominalState } from './limitsInUse.ts';
import { cleanAim, packQuestion, type PackQuestionState } from './packQuestion.ts';
import { provedBy } from './proof.ts';

export interface GapState {
  readonly station: Station;
  readonly letter: string;
  /** the system it is told in: that of its limits, or of what it is read with */
  readonly unit: 'thou' | 'mm';
  readonly limits: LimitState | null;
  /** held against, and not judged by */
  readonly nominal: NominalState | null;
  readonly now: GapNow;
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

/** What the gaps of one shaft are reckoned from, worked out once for all of them. */
export interface ShaftNow {
  readonly slots: readonly Slot[];
  readonly builds: readonly BuildNow[];
  /** by its open contact: how each slot moves a gap, and what its sizes come to */
  readonly forms: ReadonlyMap<string, LinearGap>;
  readonly gone: ReadonlySet<string>;
}

/** Everything shown of one gap: what speaks for it now, its verdict, the pack that is wanted, and what its builds taught. */
export function gapState(facts: JobFacts, station: Station, letter: string, { slots, builds, forms, gone }: ShaftNow): GapState {
  const adjuster = slots.find((s) => s.kind === 'adjuster') ?? null;
  const current = builds[builds.length - 1] ?? null;
  const packNow = adjuster && current ? (current.fitted.get(adjuster.id)?.leaves ?? null) : null;
  const form = (station.reads?.what === 'gap' ? forms.get(station.reads.contacts[0] ?? '') : undefined) ?? null;
  const coefficients = form?.coefficients ?? {};
  const sense = (adjuster && coefficients[adjuster.id]) ?? 0;
  const limits = limitInUse(facts, station.id);
  const unit = unitOf(station, limits);
  const judge = (reading: Reading, range: Length | null, near: string | null): Verdict | null =>
    limits &&
    nearAtMost(verdict(reading, limits.limits, { rule: station.rule, moreIs: station.moreIs, unit, ...(range === null ? {} : { range }) }), near);

  const readings = readingsOf(facts, station.id, gone);
  const rows = ladderOf({ builds, slots, adjuster, sense, coefficients, readings, current, judge });
  const now = { ...nowOf(rows, slots, { coefficients, unit }), struck: current ? struckOn(facts, station.id, current.build.id, gone) : [] };
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
    fromSizes: form && fromSizes(form, sense, packNow && packTotal(packNow)),
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

/** The gap by its sizes alone, with the pack that is in. */
function fromSizes({ constant, missing }: LinearGap, sense: Sense, pack: Length | null): GapState['fromSizes'] {
  const unknown = [...missing, ...(sense !== 0 && pack === null ? ['pack'] : [])];
  return constant === null || unknown.length > 0 ? { missing: unknown } : { value: nanometres(constant + sense * (pack ?? 0)) };
}
