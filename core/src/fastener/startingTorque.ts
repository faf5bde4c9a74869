import { refuse } from '../errors.ts';
import { stressArea } from './threadForm.ts';
import type { Thread } from './threads.ts';

/** Stress a bolt is proved to, MPa. ISO 898-1 and SAE J429, from memory. */
export const GRADES = {
  '4.6': 225,
  '5.8': 380,
  '8.8': 580,
  '10.9': 830,
  '12.9': 970,
  'SAE 2': 380,
  'SAE 5': 585,
  'SAE 8': 825,
  'not marked': 225,
} as const;
export type Grade = keyof typeof GRADES;

/** How much of a torque goes into friction: the nut factor. From memory of handbooks; a tenth either way is common. */
export const DRESSINGS = {
  dry: 0.2,
  oiled: 0.16,
  plated: 0.18,
  'anti-seize': 0.13,
  'thread lock': 0.18,
  sealer: 0.18,
} as const;
export type Dressing = keyof typeof DRESSINGS;

export const isGrade = (text: string): text is Grade => Object.hasOwn(GRADES, text);
export const isDressing = (text: string): text is Dressing => Object.hasOwn(DRESSINGS, text);

/**
 * A torque to begin from where no manual says one: K·d·0.75·proof·stress area. It is a starting point, and no manual: a short thread in
 * aluminium, a washer that turns, or a dressing that is not what was said, and it is wrong.
 *
 * @returns N·m
 * @throws ReckoningError `notASize`
 * Source: the usual formula of handbooks, from memory; {@link GRADES}, {@link DRESSINGS}.
 * @example startingTorque({ major: mm(8), pitch: mm(1.25), angle: 60 }, { grade: '8.8', dressing: 'oiled' }) // 20.3836…
 */
export function startingTorque(
  thread: Pick<Thread, 'major' | 'pitch' | 'angle'>,
  { grade, dressing }: { readonly grade: Grade; readonly dressing: Dressing },
): number {
  if (!(thread.major > 0 && thread.pitch > 0)) refuse('notASize', 'Say which thread it is.');
  return DRESSINGS[dressing] * thread.major * 1e-9 * 0.75 * GRADES[grade] * stressArea(thread);
}

/**
 * How many times as hard a bolt is stretched where its torque was given for one dressing and its thread has another: the nut factor it was
 * given for, over the one there is.
 *
 * Source: {@link DRESSINGS}, from memory; a tenth either way of each is common.
 * @example stretchedBy({ given: 'dry', has: 'oiled' }) // 1.25
 */
export const stretchedBy = ({ given, has }: { readonly given: Dressing; readonly has: Dressing }): number => DRESSINGS[given] / DRESSINGS[has];

/** What is said beside it, always. */
export const STARTING_CAUTION = 'A starting point, reckoned: no manual says it. Where the hole is aluminium or the thread short, begin lower.';
