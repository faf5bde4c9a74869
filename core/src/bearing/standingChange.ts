import { orNull, refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { sensesFromLayout, type Place } from '../stack/index.ts';
import { lengthLine, type Sum } from '../sum.ts';

export interface StandingQuestion {
  /** how high the old bearing stands and the new one, back of cup to back of cone, nm */
  readonly then: Length;
  readonly now: Length;
  readonly arrangement: 'faceToFace' | 'backToBack';
}

export interface StandingChange {
  /** the new one stands so much higher, nm */
  readonly difference: Length;
  /** what that closes the float of its pair by, nm; less than nothing opens it */
  readonly closes: Length;
  /** what each pack that the pair could be set by has to grow by to keep the float, nm; places that do not touch it are left out */
  readonly packs: readonly { readonly place: Place; readonly by: Length }[];
}

const PLACES: readonly Place[] = ['behindCup', 'behindCone', 'betweenCones', 'betweenCups', 'underCover', 'underCupFlange', 'underCarrierFlange'];

/**
 * Another taper bearing in the place of one, compared by how high they stand: what that does to the float of the pair, and to each pack.
 *
 * @throws ReckoningError `notASize`
 * Source: the stack sums of two opposed taper bearings, in both of which a bearing's T closes the float.
 * @example standingChange({ then: mm(19.25), now: mm(19.33), arrangement: 'faceToFace' }).closes // 0.08 mm
 */
export function standingChange({ then, now, arrangement }: StandingQuestion): StandingChange {
  if (!(then > 0 && now > 0)) refuse('notASize', 'Measure how high each stands: back of cup to back of cone.');
  const difference = nanometres(now - then);
  const packs = PLACES.flatMap((place) => {
    const sense = senseOf(place, arrangement);
    return sense === 0 ? [] : [{ place, by: nanometres(sense * difference) }];
  });
  return { difference, closes: difference, packs };
}

/** 0 too where the arrangement has no such place. */
const senseOf = (place: Place, arrangement: StandingQuestion['arrangement']): number => orNull(() => sensesFromLayout({ place, arrangement })) ?? 0;

/** The Sum beside {@link standingChange}. */
export const standingChangeSum = (question: StandingQuestion): Sum => [
  lengthLine('the new one stands', '', question.now),
  lengthLine('the old one stood', '−', question.then),
  lengthLine('the float closes by', '', standingChange(question).closes),
];
