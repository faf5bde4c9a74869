import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';

/**
 * How far turning a nut closes what it draws together: its pitch for a whole turn. Past zero float what the bearings and the shaft give
 * way comes off the preload: it is the most that it can be.
 *
 * @param question `threadPitch` in nm, of a thread of one start; `degrees` onward, less than nothing for back
 * @returns a change of gap, nm: less than nothing where it closes
 * @throws ReckoningError `notAPitch`, `notAnAngle`
 * Source: a screw moves its pitch in a turn.
 * @example preloadFromNut({ threadPitch: mm(1.5), degrees: 30 }) // -0.125 mm
 */
export function preloadFromNut({ threadPitch, degrees }: { readonly threadPitch: Length; readonly degrees: number }): Length {
  if (!(threadPitch > 0)) refuse('notAPitch', 'Give the pitch of the thread: how far the nut moves in a whole turn.');
  if (!Number.isFinite(degrees)) refuse('notAnAngle', 'Say how far it was turned, in degrees, flats or turns.');
  return nanometres((-threadPitch * degrees) / 360);
}

/**
 * How far to turn a nut for a change of gap: the inverse of {@link preloadFromNut}.
 *
 * @param question `change` of gap, nm: less than nothing to close it
 * @returns degrees onward; less than nothing for back
 * @throws ReckoningError `notAPitch`
 * @example nutTurnFor({ threadPitch: mm(1.5), change: mm(-0.125) }) // 30
 */
export function nutTurnFor({ threadPitch, change }: { readonly threadPitch: Length; readonly change: Length }): number {
  if (!(threadPitch > 0)) refuse('notAPitch', 'Give the pitch of the thread: how far the nut moves in a whole turn.');
  return (-change / threadPitch) * 360 + 0;
}
