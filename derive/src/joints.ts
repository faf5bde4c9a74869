import type { JobFacts, Joint, JointRound, Limit, Pull, ReadingFact, Station } from '@elder-cog/contract';
import { describeQuantity, holeSpots, isDressing, stretchedBy, tighteningOrder, type Dressing, type HoleAt } from '@elder-cog/core';
import { buildsOf, withdrawnIds, type BuildNow } from './builds.ts';
import { remembered } from './remember.ts';
import { oddBolts, stripEntryNow } from './stripLog.ts';

/** One round of a joint, and which of its holes were pulled. */
export interface RoundState {
  readonly round: JointRound;
  /** "hand", "8 lbf·ft", "once round again" */
  readonly words: string;
  readonly done: ReadonlySet<number>;
  readonly isDone: boolean;
}

/** What holds something together, and how far it has been pulled since anything else of its box was changed. */
export interface JointState {
  readonly joint: Joint;
  /** its rounds, and once round again where it has several holes */
  readonly rounds: readonly RoundState[];
  /** where its holes are on their outline, hole 1 first */
  readonly spots: readonly HoleAt[];
  /** holes in the order they are pulled */
  readonly order: readonly number[];
  /** the next to pull; null where all is pulled, or nobody said in what rounds */
  readonly next: { readonly round: number; readonly hole: number } | null;
  /** a round was begun and is not done: nothing that is read now counts */
  readonly isPartWay: boolean;
  readonly isTorqued: boolean;
  /** the last that was pulled; null where nothing was */
  readonly last: Pull | null;
  /** those that count now, oldest first */
  readonly pulls: readonly Pull[];
}

const isHand = ({ torque, degrees }: JointRound): boolean => torque === null && degrees === null;

/** "hand", "8 lbf·ft", "16 lbf·ft and 90°" */
export function roundWords(round: JointRound): string {
  if (isHand(round)) return 'hand';
  const torque = round.written !== '' ? round.written : round.torque === null ? '' : describeQuantity(round.torque, 'N·m', 3);
  return [torque, round.degrees === null ? '' : `${round.degrees}°`].filter((word) => word !== '').join(' and ');
}

/** Its rounds with the last once round again: a bolt that was pulled first has gone slack by the time the last is. */
export const roundsOf = ({ rounds, holes }: Joint): readonly JointRound[] => {
  const last = rounds.at(-1);
  return last && holes > 1 && !isHand(last) ? [...rounds, last] : rounds;
};

const standingPulls = remembered(
  (facts) => [facts.pulls, facts.withdrawals],
  (facts): readonly Pull[] => {
    const gone = withdrawnIds(facts);
    return facts.pulls.filter(({ id }) => !gone.has(id));
  },
);

/** Every joint of a job, as far as each is pulled. */
export const jointStates = (facts: JobFacts): readonly JointState[] =>
  facts.joints.filter((joint) => joint.gone !== true).map((joint) => jointState(facts, joint));

/** Builds back from the current for as long as they did nothing but pull this joint: what was pulled on those counts. */
function countingBuilds(builds: readonly BuildNow[], joint: Joint): ReadonlySet<string | null> {
  const of = new Set<string | null>();
  for (const { build } of builds.toReversed()) {
    of.add(build.id);
    const isOfJoint =
      build.fits.length > 0 && build.fits.every((fit) => fit.placeId === joint.placeId && (fit.tightened !== undefined || fit.turn !== undefined));
    if (!isOfJoint) return of;
  }
  return of.add(null);
}

function jointState(facts: JobFacts, joint: Joint): JointState {
  const counting = countingBuilds(buildsOf(facts, joint.assemblyId), joint);
  const pulls = standingPulls(facts).filter((pull) => pull.jointId === joint.id && counting.has(pull.buildId));
  const spots = holeSpots(joint.shape, joint.holes);
  const order = orderOf(joint, spots);
  const all = roundsOf(joint);
  const rounds = all.map((round, i): RoundState => {
    const done = new Set(pulls.filter((pull) => pull.round === i && pull.hole <= joint.holes).map(({ hole }) => hole));
    const isAgain = i === joint.rounds.length;
    return { round, words: isAgain ? 'once round again' : roundWords(round), done, isDone: done.size === joint.holes };
  });
  const at = rounds.findIndex(({ isDone }) => !isDone);
  const open = rounds[at];
  const hole = open && order.find((each) => !open.done.has(each));
  const isTorqued = rounds.length > 0 && at < 0 && !isHand(rounds.at(-1)?.round ?? { torque: null, degrees: null, written: '' });
  return {
    joint,
    rounds,
    spots,
    order,
    next: hole === undefined ? null : { round: at, hole },
    isPartWay: open !== undefined && open.done.size > 0,
    isTorqued,
    last: pulls.at(-1) ?? null,
    pulls,
  };
}

/** A bolt of a joint that is not as the rest, as it came off. */
export interface OddBolt {
  /** what it is pulled as, from 1 */
  readonly number: number;
  /** which hole of the bolt map it is */
  readonly hole: number;
  /** "1 1/4 in, left hand" */
  readonly words: string;
}

/** Bolts that came off and are not as the rest, in the order they are pulled: each has to go back where it was. */
export function oddBoltsOf(facts: JobFacts, { joint, order }: Pick<JointState, 'joint' | 'order'>): readonly OddBolt[] {
  const holes = (joint.stripId === null ? null : stripEntryNow(facts, joint.stripId))?.bolts?.holes ?? [];
  const odd = oddBolts(holes);
  return order.flatMap((hole, i) => {
    const bolt = holes.find((each) => each.hole === hole && odd.has(hole));
    if (!bolt) return [];
    const said = [bolt.written, bolt.thread, bolt.hand === 'left' ? 'left hand' : '', bolt.washer, bolt.dressing, bolt.sealant];
    return [{ number: i + 1, hole, words: said.filter((word) => word !== '').join(', ') }];
  });
}

function orderOf(joint: Joint, spots: readonly HoleAt[]): readonly number[] {
  const all = spots.map((_, i) => i + 1);
  const isWhole = joint.order.length === joint.holes && new Set(joint.order).size === joint.holes && joint.order.every((hole) => hole <= joint.holes);
  return isWhole ? joint.order : joint.holes === 1 ? all : tighteningOrder(spots).map(Number);
}

/** How far nut or bolts are once a round is done, as a build says it: "hand tight", "8 of 16 lbf·ft", "torqued". */
export function stateAfter(joint: Joint, round: number): string {
  const all = roundsOf(joint);
  const done = all[round];
  const last = joint.rounds.at(-1);
  if (!done || !last || isHand(done)) return 'hand tight';
  if (round === all.length - 1) return 'torqued';
  return round === joint.rounds.length - 1
    ? `${roundWords(done)}, once round to go`
    : `${sameUnitOff(roundWords(done), roundWords(last))} of ${roundWords(last)}`;
}

/** "8" of "8 lb ft", beside "16 lb ft". */
function sameUnitOff(words: string, beside: string): string {
  const unitOf = (text: string): string => /^[\d.,]+ (.+)$/.exec(text)?.[1] ?? '';
  const unit = unitOf(words);
  return unit !== '' && unit === unitOf(beside) ? words.slice(0, -unit.length - 1) : words;
}

/** The station that the torque of a joint is a limit of, and the limit that is in use. */
export function torqueOfJoint(facts: JobFacts, { id }: Pick<Joint, 'id'>): { readonly station: Station | null; readonly limit: Limit | null } {
  const station = facts.stations.find(({ reads, gone }) => !gone && reads?.what === 'joint' && reads.joint === id) ?? null;
  const limit = facts.limits.findLast((each) => each.stationId === station?.id && each.inUse && each.torque !== undefined) ?? null;
  return { station, limit };
}

/** How a thread is dressed, beside what its torque was given for. */
export interface DressedOtherwise {
  readonly given: Dressing;
  /** null where nobody has said it of the joint */
  readonly has: Dressing | null;
  /** how many times as hard the bolt is stretched at that torque; null where that is not known */
  readonly stretched: number | null;
}

/** The torque is for another dressing than the joint has; null where it is for the same, or was given for none. */
export function dressedOtherwise({ dressing }: Pick<Joint, 'dressing'>, limit: Pick<Limit, 'conditions'> | null): DressedOtherwise | null {
  const given = limit?.conditions?.dressing;
  if (given === undefined || given === dressing) return null;
  const has = isDressing(dressing) ? dressing : null;
  return { given, has, stretched: has && stretchedBy({ given, has }) };
}

/** Why a reading of a shaft does not count: bolts of it were being pulled, and the round was not done. Null where that is not so. */
export function partWayOf(facts: JobFacts, shaftId: string): (reading: ReadingFact) => string | null {
  const places = new Set(facts.places.filter((place) => place.shaftId === shaftId).map(({ id }) => id));
  const joints = new Map(facts.joints.filter(({ placeId }) => placeId !== null && places.has(placeId)).map((joint) => [joint.id, joint]));
  if (joints.size === 0) return () => null;
  const order = new Map(facts.readings.map(({ id }, i) => [id, i]));
  const pulls = standingPulls(facts).filter(({ jointId }) => joints.has(jointId));
  const isBefore = ({ after }: Pull, at: number): boolean => (after === null ? -1 : (order.get(after) ?? -1)) < at;
  return ({ id, buildId }) => {
    const at = order.get(id) ?? -1;
    const begun = pulls.filter((pull) => pull.buildId === buildId && isBefore(pull, at));
    // the last of a round makes another build: on this one it was begun, and not yet done when this was read
    const left = begun.find(({ jointId, round }) => {
      const done = new Set(begun.filter((pull) => pull.jointId === jointId && pull.round === round).map(({ hole }) => hole));
      return done.size < (joints.get(jointId)?.holes ?? 0);
    });
    const name = left && joints.get(left.jointId)?.name.toLowerCase();
    return name === undefined ? null : `${name}: read part-way through a round of pulling them. Finish the round, and read again`;
  };
}
