import type { Assembly, JobFacts, OpenItem, Shaft, Station } from '@elder-cog/contract';
import type { DrawnShaft, Length, MarkKind } from '@elder-cog/core';
import type { BuildNow } from './builds.ts';
import type { DragState } from './drag/index.ts';
import type { GapState } from './gap/index.ts';
import type { Damage } from './readable.ts';
import type { SettingState } from './settings.ts';
import type { SlotState } from './slotState.ts';
import type { FeatureState, PairState } from './wear.ts';

/** What is shown of a job, as its views read it. */

export interface CheckState {
  readonly station: Station;
  readonly answer: 'yes' | 'no' | 'notLooked';
  readonly seen: string;
  readonly readingId: string | null;
  readonly stale: boolean;
  readonly mark: MarkKind;
}

export interface ShaftState {
  readonly shaft: Shaft;
  readonly assembly: Assembly;
  readonly builds: readonly BuildNow[];
  readonly current: BuildNow | null;
  readonly stage: string;
  readonly slots: readonly SlotState[];
  readonly gaps: readonly GapState[];
  /** depths that have limits, reckoned as gaps are. Left out where none has */
  readonly depths?: readonly GapState[];
  /** what it takes to turn its bearings. Left out where nobody reads it */
  readonly drags?: readonly DragState[];
  readonly features: readonly FeatureState[];
  readonly pairs: readonly PairState[];
  readonly checks: readonly CheckState[];
  /** what the Section is drawn from, all but its size */
  readonly section: DrawnShaft;
  readonly mark: MarkKind;
}

/** What is measured of a box and of no shaft in it: rows of the Wear book. */
export interface BoxState {
  readonly assembly: Assembly;
  readonly features: readonly FeatureState[];
  readonly pairs: readonly PairState[];
}

/** What is judged of a shaft as it is built: its gaps, and its depths that have limits. */
export const judgedOf = ({ gaps, depths = [] }: Pick<ShaftState, 'gaps' | 'depths'>): readonly GapState[] => [...gaps, ...depths];

/** Whatever has rows of the Wear book: a shaft, or a box by itself. */
export type RowHolder = Pick<ShaftState, 'assembly' | 'features' | 'pairs'>;

/** Everything of a job that has rows of the Wear book. */
export const rowHolders = ({ shafts, boxes }: Pick<JobState, 'shafts' | 'boxes'>): readonly RowHolder[] => [...shafts, ...boxes];

export interface LastReading {
  readonly id: string;
  readonly takenAt: string;
  readonly name: string;
  readonly words: string;
  readonly value: Length | null;
  /** of a drag: what it comes to, as it is said. Left out where it is a length */
  readonly drag?: string;
  readonly mark: MarkKind;
  readonly withdrawn: boolean;
}

export interface NextAction {
  readonly shaftId: string | null;
  readonly stationId: string | null;
  readonly what: 'setUp' | 'limits' | 'pack' | 'read' | 'fit' | 'make' | 'readAgain' | 'check' | 'done';
  readonly words: string;
  readonly detail: string;
}

export interface JobState {
  readonly job: JobFacts['job'];
  readonly assemblies: readonly Assembly[];
  readonly shafts: readonly ShaftState[];
  /** every box, with what is measured of it and of no shaft in it */
  readonly boxes: readonly BoxState[];
  /** what is judged by several stations together; left out where nothing is */
  readonly settings?: readonly SettingState[];
  readonly next: NextAction;
  /** not finished, oldest first: carried till closed or accepted */
  readonly openItems: readonly OpenItem[];
  readonly lastReadings: readonly LastReading[];
  /** rows that could not be reckoned with, and were left out */
  readonly damage: readonly Damage[];
  readonly marks: { readonly section: MarkKind; readonly wear: MarkKind; readonly builds: MarkKind; readonly bench: MarkKind };
}

/** Marks, worst first: out, then stale, then not known. */
export const WORST_FIRST: readonly MarkKind[] = ['tight', 'loose', 'stale', 'cannotTell', 'unmeasured', 'accepted', 'in'];

/** The worst of some marks: out first, then stale, then not known. */
export const worstMark = (marks: readonly MarkKind[]): MarkKind => WORST_FIRST.find((mark) => marks.includes(mark)) ?? 'unmeasured';
