import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';

/** A bearing whose cone was eased to slide on for the trials, and is pressed on in the end. */
export interface EasedCone {
  /** how much of the interference the pressed cone keeps, nm: what the eased one had none of */
  readonly interference: Length;
  /** the shaft it is pressed on */
  readonly bore: Length;
  /** the mean outside of the cone, where its rollers run */
  readonly meanOutside: Length;
  /** the bearing's factor e, from its maker's table: 1.5 tan α */
  readonly e: number;
}

/**
 * How far one cone that is pressed on closes a gap against the same cone eased: its raceway grows, and the rollers ride up it.
 * −½·δ·cot α·d/d₀, with cot α = 1.5/e (thin ring on a solid shaft; e as in ISO 281). For each of two cones that were eased, once. From memory.
 *
 * @returns nm, less than nothing: it closes
 * @throws ReckoningError `noBearing` where a size or e is nothing
 * @example easedCone({ interference: mm(0.03), bore: mm(25.4), meanOutside: mm(32), e: 0.37 }) // -48269
 */
export function easedCone({ interference, bore, meanOutside, e }: EasedCone): Length {
  if (!(bore > 0 && meanOutside > bore && e > 0))
    refuse('noBearing', 'The outside of a cone is bigger than its bore, and e is from the maker’s table.');
  return nanometres(-0.5 * interference * (1.5 / e) * (bore / meanOutside));
}

/** A distance piece that a nut draws up. */
export interface ShortenedSpacer {
  /** N·m at the nut */
  readonly torque: number;
  /** the thread's size */
  readonly thread: Length;
  /** nut factor: 0.2 dry, as a rule */
  readonly k?: number;
  readonly outside: Length;
  readonly inside: Length;
  readonly length: Length;
  /** stiffness of what it is made of, GPa: 205 for steel */
  readonly stiffness?: number;
}

/**
 * How much shorter a distance piece is under its nut: F = T/(K·d), ΔL = F·L/(A·E). What the shaft stretches by comes on top, and is not in it.
 *
 * @returns nm, less than nothing: it closes a float that the piece holds open
 * @throws ReckoningError `noSpacer` where it has no wall or no length
 * @example shortenedSpacer({ torque: 120, thread: mm(24), outside: mm(38), inside: mm(30), length: mm(60) }) // -17126
 */
export function shortenedSpacer({ torque, thread, k = 0.2, outside, inside, length, stiffness = 205 }: ShortenedSpacer): Length {
  if (!(torque > 0 && thread > 0 && k > 0 && outside > inside && inside >= 0 && length > 0 && stiffness > 0))
    refuse('noSpacer', 'A distance piece has a wall and a length, and its nut a torque and a thread.');
  // N, over m² and Pa: nanometres are 1e-9 m each
  const force = torque / (k * thread * 1e-9);
  const area = (Math.PI / 4) * ((outside * 1e-9) ** 2 - (inside * 1e-9) ** 2);
  return nanometres((-force * length) / (area * stiffness * 1e9));
}
