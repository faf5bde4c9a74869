import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import type { Estimate } from '../reading/index.ts';

interface Lock {
  /** ends of holes round the bolt that a slot can come to: a hole right through has two, two that cross have four */
  readonly holeEnds: number;
  /** degrees onward from where the nut is now till its first slot comes to a hole; from nothing to less than a whole turn */
  readonly now: number;
  /** how far the nut moves along in a turn, nm */
  readonly pitch: Length;
}
/** Slots evenly round a nut; or where its notches are, degrees from the first, in the order in which they come to a hole. */
type Slots = { readonly slots: number } | { readonly notches: readonly number[] };

export type SlotQuestion = Lock &
  Slots &
  (
    | {
        /** held against what it draws together: it goes on, and never back */
        readonly joint: 'clamped';
        /** N·m as it was pulled to, and what a degree adds there */
        readonly torque: number;
        readonly perDegree: number;
        /** one standard uncertainty of a torque that is read, N·m; a twenty-fifth of it where none is said */
        readonly u?: number;
        readonly limits: { readonly min: number; readonly max: number };
      }
    /** it sets a float: it goes back to a slot, and never on */
    | { readonly joint: 'adjusting' }
  );

export interface AlignedSlot {
  /** degrees; less than nothing is back. Null where no slot lies inside the window */
  readonly turn: number | null;
  /** at the slot, N·m: reckoned, not read; null of a nut that adjusts */
  readonly torque: Estimate<number> | null;
  /** of a nut that adjusts: how much more float the slot gives, nm */
  readonly opens?: Length;
  /** where none lies inside: how much thinner, or how much thicker, the washer would bring one there */
  readonly washer?: { readonly thinner: Length; readonly thicker: Length };
  /** between slots that can be had, degrees; the least of them where they are not even */
  readonly spacing: number;
}

/** A wrench is within so much of what it shows, two deviations. ISO 6789, from memory. */
const WRENCH = 0.04;
/** What a degree adds is known within so much. Common practice, no source. */
const RISE = 0.1;

/**
 * Where a slot or a notch comes to a hole of its bolt. A nut that clamps goes on, inside its torque, or wants a washer of other thickness,
 * by what is missing to the nearest slot either way, never by a whole slot, which changes nothing. A nut that sets a float goes back.
 *
 * @throws ReckoningError `notSlots`, `notAnAngle`, `notAPitch`, `noWindow`, `noRise`
 * Source: slots and hole ends come together at 360° ÷ their least common multiple; a screw moves its pitch in a turn.
 * @example alignSlot({ slots: 6, holeEnds: 2, now: 17, joint: 'clamped', torque: 67, perDegree: 0.8, limits: { min: 62, max: 84 }, pitch: inch(1 / 16) }).turn // 17
 */
export function alignSlot(question: SlotQuestion): AlignedSlot {
  const { now, pitch } = question;
  if (!(now >= 0 && now < 360)) refuse('notAnAngle', 'Say how many degrees onward the next slot is: from 0 to under 360.');
  if (!(pitch > 0)) refuse('notAPitch', 'Give the pitch of the thread.');
  const turns = turnsOf(question);
  const spacing = Math.min(...turns.map((turn, i) => (turns[i + 1] ?? (turns[0] ?? 0) + 360) - turn));
  const along = (degrees: number): Length => nanometres((pitch * degrees) / 360);
  if (question.joint === 'adjusting') {
    const last = turns.at(-1) ?? 0;
    const turn = turns[0] === 0 ? 0 : last - 360;
    return { turn, torque: null, opens: along(-turn), spacing };
  }
  const { torque, perDegree, limits, u = (WRENCH / 2) * torque } = question;
  if (!(limits.max >= limits.min && limits.min >= 0)) refuse('noWindow', 'Give the least and the greatest torque.');
  if (!(perDegree > 0))
    refuse('noRise', 'Say what a degree adds to the torque: pull to one torque, then to a greater, and look how far the nut went.');
  const at = (turn: number): number => torque + perDegree * turn;
  const within = turns.find((turn) => at(turn) >= limits.min * (1 - 1e-9) && at(turn) <= limits.max * (1 + 1e-9));
  if (within !== undefined)
    return { turn: within, torque: { kind: 'estimate', value: at(within), u: Math.hypot(u, RISE * perDegree * within) }, spacing };
  // where it would stand at the torque it is to have: here, if that is inside already, else at the middle of the window
  const stands = torque >= limits.min && torque <= limits.max ? 0 : Math.max(0, ((limits.min + limits.max) / 2 - torque) / perDegree);
  const next = [...turns, (turns[0] ?? 0) + 360].find((turn) => turn >= stands) ?? 360;
  const before = [(turns.at(-1) ?? 0) - 360, ...turns].findLast((turn) => turn < stands) ?? 0;
  return { turn: null, torque: null, washer: { thinner: along(next - stands), thicker: along(stands - before) }, spacing };
}

/** Every turn onward, under a whole one, that brings some slot to some hole; in order. */
function turnsOf({ holeEnds, now, ...of }: Lock & Slots): readonly number[] {
  const isCount = (n: number): boolean => Number.isInteger(n) && n >= 1 && n <= 60;
  if (!isCount(holeEnds)) refuse('notSlots', 'Count the ends of the holes round the bolt: two of a hole right through.');
  const notches = 'slots' in of ? (isCount(of.slots) ? Array.from({ length: of.slots }, (_, i) => (i * 360) / of.slots) : []) : of.notches;
  if (notches.length === 0 || notches.some((angle) => !(angle >= 0 && angle < 360)))
    refuse('notSlots', 'Count the slots of the nut, or say where its notches are, in degrees from the first.');
  const all = notches.flatMap((angle) => Array.from({ length: holeEnds }, (_, end) => (((now + angle + (end * 360) / holeEnds) % 360) + 360) % 360));
  // the same place twice is one: to a millionth of a degree
  return all
    .map((turn) => (turn > 360 - 1e-6 ? 0 : turn))
    .sort((a, b) => a - b)
    .filter((turn, i, sorted) => i === 0 || turn - (sorted[i - 1] ?? 0) > 1e-6);
}
