import { refuse } from '../errors.ts';
import type { Length } from '../quantity/index.ts';
import type { Sum } from '../sum.ts';

export interface WrenchArm {
  /** from the square to the middle of the hand, nm */
  readonly wrenchLength: Length;
  /** a crowfoot or a bar that sets the nut aside of the square, nm; a straight socket bar sets it nowhere, and is nothing */
  readonly extension: Length;
  /** between wrench and extension, degrees: 0 straight on, 90 square to it, 180 back along it */
  readonly angle: number;
}

/** How much more comes to the nut than the wrench shows. */
function leverage({ wrenchLength, extension, angle }: WrenchArm): number {
  if (!(wrenchLength > 0) || !(extension >= 0))
    refuse('notASize', 'Give how far it is from the square to the hand, and how far the extension sets the nut aside.');
  if (!Number.isFinite(angle)) refuse('notAnAngle', 'Say how the extension lies: 0 straight on, 90 square to the wrench.');
  const whole = wrenchLength + extension * Math.cos((angle * Math.PI) / 180);
  if (whole <= 0) refuse('nothingTurns', 'Laid back so far, the pull would turn the nut the other way, or not at all.');
  return whole / wrenchLength;
}

/**
 * What to set on a wrench that pulls through an extension, for a torque at the nut: T·L/(L + E·cosθ).
 *
 * @param question torque at the nut, in any unit
 * @returns in that unit
 * @throws ReckoningError `notASize`, `notAnAngle`, `nothingTurns`
 * Source: moments about the nut; the pull is square to the wrench. Plane trigonometry.
 * @example torqueAtWrench({ torque: 16, wrenchLength: inch(14), extension: inch(3), angle: 0 }) // 13.1764…
 */
export const torqueAtWrench = ({ torque, ...arm }: WrenchArm & { readonly torque: number }): number => torque / leverage(arm);

export interface WrenchScale {
  readonly least: number;
  readonly most: number;
  readonly division: number;
}

export interface WrenchSetting {
  /** what to set, to a division of that scale */
  readonly set: number;
  /** what comes to the nut at that setting */
  readonly achieved: number;
  /** it lies where the wrench can be believed: in its range, and not under a fifth of its most */
  readonly believable: boolean;
  /** which of the scales: the finest that can be believed there, or the finest that goes so far */
  readonly finer: number;
}

/** Below so much of its most a torque wrench is not calibrated. ISO 6789, from memory. */
export const BELIEVED_FROM = 0.2;

/**
 * Which scale of a wrench to read, what to set on it, and whether it can be believed there.
 *
 * @param question torque at the nut, and the scales, all in one unit
 * @throws ReckoningError `noScale`, `outOfRange` where no scale goes so far, and as {@link torqueAtWrench}
 * @example wrenchSetting({ torque: 16, scales: [{ least: 2, most: 25, division: 1 }], wrenchLength: inch(14), extension: inch(3), angle: 0 }).set // 13
 */
export function wrenchSetting({
  torque,
  scales,
  ...arm
}: { readonly torque: number; readonly scales: readonly WrenchScale[] } & Partial<WrenchArm>): WrenchSetting {
  if (scales.length === 0 || scales.some(({ least, most, division }) => !(division > 0 && most > least && least >= 0)))
    refuse('noScale', 'Say from where to where the wrench reads, and its least division.');
  const { wrenchLength, extension, angle = 0 } = arm;
  const times = wrenchLength === undefined || extension === undefined ? 1 : leverage({ wrenchLength, extension, angle });
  const wanted = torque / times;
  const reaching = scales.map((scale, index) => ({ scale, index })).filter(({ scale }) => wanted >= scale.least && wanted <= scale.most);
  const byFineness = reaching.toSorted((a, b) => a.scale.division - b.scale.division);
  const found = byFineness.find(({ scale }) => isBelieved(wanted, scale)) ?? byFineness[0];
  if (!found) return refuse('outOfRange', 'No scale of that wrench goes there: take another.');
  const set = Math.round(wanted / found.scale.division) * found.scale.division;
  return { set, achieved: set * times, believable: isBelieved(set, found.scale), finer: found.index };
}

/** Whether a wrench can be believed at a torque, both in one unit. */
export const isBelieved = (torque: number, { least, most }: Pick<WrenchScale, 'least' | 'most'>): boolean =>
  torque >= Math.max(least, BELIEVED_FROM * most) * (1 - 1e-9) && torque <= most * (1 + 1e-9);

/** The Sum beside {@link torqueAtWrench}, in N·m. */
export function torqueAtWrenchSum(question: WrenchArm & { readonly torque: number }): Sum {
  const { torque, wrenchLength, extension } = question;
  return [
    { label: 'at the nut', expression: '', value: torque, unit: 'N·m' },
    { label: 'square to hand', expression: '', value: wrenchLength, unit: 'nm' },
    { label: 'nut to square', expression: '', value: extension, unit: 'nm' },
    { label: 'at the wrench', expression: 'T × L ÷ (L + E·cos θ)', value: torqueAtWrench(question), unit: 'N·m' },
  ];
}
