import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import type { Sum } from '../sum.ts';

/** A cord wound on something round: what it is wound on, and how thick the cord is, both across, nm. */
export interface Drum {
  readonly drumDiameter: Length;
  readonly cordDiameter: Length;
}

const M = 1e-9;

/**
 * How far from the axis a cord pulls: half of the drum and half of the cord.
 *
 * @throws ReckoningError `notADrum`
 * @example cordRadius({ drumDiameter: mm(52), cordDiameter: mm(2) }) // 27 mm
 */
export function cordRadius({ drumDiameter, cordDiameter }: Drum): Length {
  if (!(drumDiameter > 0 && cordDiameter >= 0)) refuse('notADrum', 'Give how far it is across the drum, and how thick the cord is.');
  return nanometres((drumDiameter + cordDiameter) / 2);
}

/**
 * What the balance shows where a cord turns a bearing of known drag.
 *
 * @param question `torque` in N·m, not less than nothing
 * @returns newtons
 * @throws ReckoningError `notADrum`, `notATorque`
 * Source: torque is force times radius.
 * @example cordPull({ torque: 1.25, drumDiameter: mm(44.5), cordDiameter: mm(0) }) // 56.1797…
 */
export function cordPull({ torque, ...drum }: Drum & { readonly torque: number }): number {
  if (!(torque >= 0)) refuse('notATorque', 'A drag is not less than nothing.');
  return torque / (cordRadius(drum) * M);
}

export interface PullAtRadius {
  /** N */
  readonly pull: number;
  /** from the axis to the line of the pull, nm */
  readonly radius: Length;
  /** what the seal alone takes, N·m: taken off */
  readonly seal?: number;
}

/**
 * The drag that a pull at a radius comes to, less what the seal takes.
 *
 * @returns N·m, net
 * @throws ReckoningError `notADrum`, `notAPull`, `sealOverAll`
 * Source: torque is force times radius.
 * @example dragFromPull({ pull: 80.4145, radius: mm(27) }) // 2.1712…
 */
export function dragFromPull({ pull, radius, seal = 0 }: PullAtRadius): number {
  if (!(radius > 0)) refuse('notADrum', 'Where does the cord pull? Give the radius it acts at.');
  if (!(pull >= 0)) refuse('notAPull', 'A pull is not less than nothing.');
  return netOfSeal(pull * radius * M, seal);
}

/**
 * A drag less what its seal takes of it.
 *
 * @param drag N·m as it was read
 * @param seal N·m, read with the seal alone, or the same bearings with and without it
 * @throws ReckoningError `sealOverAll` where the seal is said to take more than all
 * @example netOfSeal(1.5, 0.25) // 1.25
 */
export function netOfSeal(drag: number, seal: number): number {
  if (!(seal >= 0)) refuse('notATorque', 'What a seal takes is not less than nothing.');
  if (seal > drag) refuse('sealOverAll', 'The seal cannot take more than was read: read the two again.');
  return drag - seal;
}

/**
 * The drag that a pull on a cord round a drum comes to, less what the seal takes.
 *
 * @returns N·m, net
 * @throws as {@link dragFromPull}
 * @example torqueFromPull({ pull: 56.1798, drumDiameter: mm(44.5), cordDiameter: mm(0) }) // 1.25
 */
export const torqueFromPull = ({ pull, seal, ...drum }: Drum & { readonly pull: number; readonly seal?: number }): number =>
  dragFromPull({ pull, radius: cordRadius(drum), ...(seal === undefined ? {} : { seal }) });

/** The Sum beside {@link dragFromPull}. */
export function dragFromPullSum(question: PullAtRadius): Sum {
  const { pull, radius, seal = 0 } = question;
  return [
    { label: 'pull', expression: '', value: pull, unit: 'N' },
    { label: 'at a radius of', expression: '', value: radius, unit: 'nm' },
    ...(seal > 0 ? [{ label: 'the seal alone', expression: '−', value: seal, unit: 'N·m' as const }] : []),
    { label: 'drag', expression: seal > 0 ? 'pull × radius − seal' : 'pull × radius', value: dragFromPull(question), unit: 'N·m' },
  ];
}
