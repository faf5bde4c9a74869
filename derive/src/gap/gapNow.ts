import type { JobFacts } from '@elder-cog/contract';
import type { Length, Reading } from '@elder-cog/core';
import { buildName, changesBetween, changeWords, rowsOf, type SlotChange } from '../builds.ts';
import type { MethodReading, Pooled } from '../readingValue.ts';
import type { Slot } from '../slots.ts';
import { carried, isReckonable, touching, type Coefficients } from './carried.ts';
import { expandedU } from './judged.ts';
import { stepOver, type KeptReading, type LadderRow } from './ladder.ts';
import { sized } from './sized.ts';
import type { KnownStep } from './steps.ts';

/** A reading taken back: kept, and struck through. */
export interface StruckReading {
  readonly id: string;
  readonly text: string;
  readonly why: string;
}

/** What speaks for a gap as it is built now. */
export interface GapNow {
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
}

interface Told {
  readonly coefficients: Coefficients;
  readonly unit: 'thou' | 'mm';
  /** steps that the other side taught */
  readonly borrowed: readonly KnownStep[];
}

/** What speaks for the gap as it is now: a reading of this build, a forecast over a changed pack, or nothing fresh. */
export function nowOf(rows: readonly LadderRow[], slots: readonly Slot[], { coefficients, unit, borrowed }: Told): Omit<GapNow, 'struck'> {
  const alone = { values: [], range: null, byPack: false, methods: [], disagree: null };
  const none = { kind: 'none' as const, reading: null, U: null, because: null, kept: [], ...alone };
  const current = rows[rows.length - 1];
  if (!current) return none;
  if (current.reading) return readNow(current, unit);
  // kept and not counted: nothing speaks for it yet, and it is not lost from sight
  const before = rows.findLast((row) => row.reading !== null);
  if (!before?.reading) return { ...none, kept: current.readings };
  const kept = current.readings.length > 0 ? current.readings : before.readings;
  const changes = touching(changesBetween(before.build, current.build, slots), coefficients);
  if (changes.length === 0) return { ...readNow(before, unit), kept };
  const spoiling = changes.filter((c) => c.thicker === null);
  const about = `build ${buildName(before.build)}`;
  const step = stepOver(before.build, current.build, { changed: changes, slots, coefficients, rows, borrowed });
  const known = step ? changes.filter(({ thicker }) => thicker !== null) : changes;
  if (!isReckonable(known, coefficients) || before.reading.kind !== 'estimate' || before.disagree) {
    return {
      ...alone,
      kind: 'stale',
      reading: before.reading,
      U: before.U,
      because: before.disagree
        ? disagreeWords(before, unit)
        : spoiling.length > 0
          ? changeWords(spoiling)
          : `read on ${about}, before the pack changed`,
      kept,
    };
  }
  const reading = carried(before.reading, known, coefficients, step);
  return {
    ...alone,
    kind: 'forecast',
    reading,
    U: step ? expandedU(reading) : before.U,
    because: `reckoned from ${about}${step ? `, and ${stepWords(step, spoiling, unit)}` : ''}`,
    kept,
  };
}

/** "1.0 thou that it closes: bolts torqued"; and where that was learned, where it was on the other side. */
const stepWords = ({ value, borrowed }: KnownStep, changes: readonly SlotChange[], unit: Told['unit']): string =>
  `${sized(Math.abs(value), unit)} ${unit} that it ${value < 0 ? 'closes' : 'opens'}, ${changeWords(changes)}${borrowed === undefined ? '' : ` (borrowed from the ${borrowed.toLowerCase()})`}`;

const readNow = (row: LadderRow, unit: Told['unit']): Omit<GapNow, 'struck'> => ({
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

export function struckOn(facts: JobFacts, stationId: string, buildId: string, gone: ReadonlySet<string>): StruckReading[] {
  return rowsOf(facts, stationId)
    .readings.filter((r) => r.buildId === buildId && gone.has(r.id))
    .map((r) => ({ id: r.id, text: r.raw.text, why: facts.withdrawals.findLast((w) => w.ofId === r.id)?.why ?? '' }));
}
