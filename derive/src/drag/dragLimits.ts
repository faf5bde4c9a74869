import type { JobFacts, Limit, RawReading } from '@elder-cog/contract';
import { sayConditions, type DragConditions, type Ends } from '@elder-cog/core';
import { rowsOf } from '../builds.ts';

type Torque = NonNullable<Limit['torque']>;

/** What a drag is judged by. */
export interface DragLimitState {
  /** N·m */
  readonly limits: Ends<number>;
  readonly fact: Limit;
  /** "new bearings, seal out"; nothing where nobody said */
  readonly when: string;
}

export interface DragNominal {
  readonly value: number;
  readonly fact: Limit;
}

/** What a drag is held against, for what it was read on. */
export interface DragLimitsNow {
  readonly limits: DragLimitState | null;
  readonly nominal: DragNominal | null;
  /** there are limits, and none of them is for what was read: for what they are */
  readonly otherwise: string | null;
}

/** Answers that say on what a drag was read, by what they say. */
const SAID: Readonly<Record<string, DragConditions>> = {
  'new bearings': { bearings: 'new' },
  'used bearings': { bearings: 'used' },
  'seal in': { seal: 'in' },
  'seal out': { seal: 'out' },
  'wheel in': { wheel: 'in' },
  'wheel out': { wheel: 'out' },
};

/** On what a drag was read, as far as that was said; one that is net of its seal is as it were with the seal out. */
export const conditionsOf = ({ restsOn, seal = 0 }: Pick<RawReading, 'restsOn' | 'seal'>): DragConditions => {
  const said = restsOn.reduce<DragConditions>((all, { answer }) => ({ ...all, ...SAID[answer] }), {});
  return seal > 0 ? { ...said, seal: 'out' } : said;
};

const KEYS = ['bearings', 'seal', 'wheel'] as const;

const saidOf = (fact: Limit): DragConditions => (fact.conditions ?? {}) as DragConditions;
const contradicts = (fact: Limit, read: DragConditions): boolean =>
  KEYS.some((key) => saidOf(fact)[key] !== undefined && read[key] !== undefined && saidOf(fact)[key] !== read[key]);
const agreeing = (fact: Limit, read: DragConditions): number =>
  KEYS.filter((key) => saidOf(fact)[key] !== undefined && saidOf(fact)[key] === read[key]).length;

const endsOf = ({ min, max }: Torque): Ends<number> => ({ ...(min === null ? {} : { min }), ...(max === null ? {} : { max }) });

/** The limits of a drag that are for what it was read on: of several in use, the one that says most of it. */
export function dragLimitsNow(facts: JobFacts, stationId: string, read: DragConditions): DragLimitsNow {
  const inUse = rowsOf(facts, stationId).limits.filter((limit) => limit.inUse && limit.torque !== undefined);
  const fitting = inUse.filter((limit) => !contradicts(limit, read));
  const [fact] = fitting.toReversed().toSorted((a, b) => agreeing(b, read) - agreeing(a, read));
  const none = { limits: null, nominal: null };
  if (!fact?.torque) return { ...none, otherwise: inUse.length === 0 ? null : inUse.map((limit) => sayConditions(saidOf(limit))).join('; ') };
  const { min, max, nominal } = fact.torque;
  if (min === null && max === null) return { ...none, nominal: nominal === undefined ? null : { value: nominal, fact }, otherwise: null };
  return { limits: { limits: endsOf(fact.torque), fact, when: sayConditions(saidOf(fact)) }, nominal: null, otherwise: null };
}
