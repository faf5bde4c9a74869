import { refuse } from '../errors.ts';
import type { Material } from '../material/index.ts';
import { nanometres, ZERO, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';

/** Something to look out for: a code for programs, a sentence for people. */
export interface Caution {
  readonly code: string;
  readonly message: string;
}

type Elastic = Pick<Material, 'modulus' | 'poisson' | 'strength'> & Partial<Pick<Material, 'isBrittle'>>;

export interface PressFitQuestion {
  /** of the joint, nm */
  readonly diameter: Length;
  /** that is held, nm */
  readonly length: Length;
  /** on the diameter, nm: what is inside is bigger by so much */
  readonly interference: Length;
  /** outside of what is outside, nm: where a casing is thin, its thinnest */
  readonly hubOuter: Length;
  /** bore of what is inside, nm; nothing where it is solid */
  readonly shaftInner: Length;
  readonly hubMaterial: Elastic;
  readonly shaftMaterial: Elastic;
  /** between them: 0.12 to 0.15 oiled, as a rule */
  readonly friction: number;
  /** Rz of either face, nm: the peaks are pressed flat */
  readonly roughness?: { readonly hub: Length; readonly shaft: Length };
}

export interface PressFit {
  /** MPa */
  readonly pressure: number;
  /** to press it home, and to press it out: N */
  readonly force: number;
  /** that it holds: N·m */
  readonly torque: number;
  /** at the bore of what is outside: MPa */
  readonly hubHoopStress: number;
  /** at the inner face of what is inside, minus for pressed together: MPa */
  readonly innerHoopStress: number;
  /** what the bore of what is inside loses, nm on the diameter */
  readonly closeIn: Length;
  /** what is left of the interference once the peaks are flat */
  readonly effectiveInterference: Length;
  readonly cautions: readonly Caution[];
}

/** What of the peaks of both faces is pressed flat: DIN 7190. From memory. */
const SMOOTHED = 0.8;

export const effectiveInterference = (interference: Length, roughness?: PressFitQuestion['roughness']): Length =>
  nanometres(interference - (roughness ? SMOOTHED * (roughness.hub + roughness.shaft) : 0));

/**
 * Two rings, one pressed into the other: the pressure between them, what it takes to press them together, what it does to both, and by how
 * much the bore of the inner closes. Elastic: past yield pressure, force and torque are the most it can be, and the close-in the least.
 *
 * @returns pressure and stresses in MPa, force in N, torque in N·m, close-in in nm; all nothing where nothing is left of the interference
 * @throws ReckoningError `notASize`, `notAMaterial`
 * Source: thick cylinders (Lamé), in any textbook of machine elements; smoothing 0.8·(Rz + Rz) as in DIN 7190, from memory.
 * @example pressFit({ diameter: mm(28.575), length: mm(30), interference: mm(0.04), hubOuter: mm(60), shaftInner: mm(25.4), hubMaterial: { modulus: 100, poisson: 0.25, strength: 200 }, shaftMaterial: { modulus: 110, poisson: 0.34, strength: 125 }, friction: 0.12 }).closeIn // 0.033186 mm
 */
export function pressFit(question: PressFitQuestion): PressFit {
  const { diameter, length, hubOuter, shaftInner, hubMaterial: hub, shaftMaterial: shaft, friction } = question;
  if (!(shaftInner >= 0 && diameter > shaftInner && hubOuter > diameter && length > 0))
    refuse('notASize', 'The joint lies between the bore of the inner part and the outside of the outer one, and has a length.');
  if (!(hub.modulus > 0 && shaft.modulus > 0 && friction > 0)) refuse('notAMaterial', 'Give a stiffness of both, and a friction, more than nothing.');
  const effective = effectiveInterference(question.interference, question.roughness);
  if (effective <= 0)
    return {
      pressure: 0,
      force: 0,
      torque: 0,
      hubHoopStress: 0,
      innerHoopStress: 0,
      closeIn: ZERO,
      effectiveInterference: effective,
      cautions: [{ code: 'loose', message: 'Nothing is left of the interference: it is loose. A bigger part, or retaining compound.' }],
    };
  const [d, outer, inner] = [diameter * 1e-6, hubOuter * 1e-6, shaftInner * 1e-6];
  const hubRing = (outer ** 2 + d ** 2) / (outer ** 2 - d ** 2);
  const shaftRing = (d ** 2 + inner ** 2) / (d ** 2 - inner ** 2);
  // GPa are kN/mm²: a thousand for MPa
  const give = (hubRing + hub.poisson) / (hub.modulus * 1000) + (shaftRing - shaft.poisson) / (shaft.modulus * 1000);
  const pressure = (effective * 1e-6) / (d * give);
  const force = friction * pressure * Math.PI * d * length * 1e-6;
  const innerHoopStress = inner === 0 ? -pressure : (-2 * pressure * d ** 2) / (d ** 2 - inner ** 2);
  const stress = { pressure, hubHoopStress: pressure * hubRing, innerHoopStress };
  return {
    ...stress,
    force,
    torque: (force * d) / 2000,
    closeIn: nanometres(Math.round(((2 * pressure * d ** 2 * inner) / (shaft.modulus * 1000 * (d ** 2 - inner ** 2))) * 1e6)),
    effectiveInterference: effective,
    cautions: pastStrength(stress, { hub, shaft, tresca: (2 * pressure * outer ** 2) / (outer ** 2 - d ** 2) }),
  };
}

function pastStrength(
  { hubHoopStress, innerHoopStress }: Pick<PressFit, 'hubHoopStress' | 'innerHoopStress'>,
  { hub, shaft, tresca }: { readonly hub: Elastic; readonly shaft: Elastic; readonly tresca: number },
): Caution[] {
  const hubStress = hub.isBrittle ? hubHoopStress : tresca;
  const cautions: Caution[] = [];
  if (hubStress > hub.strength)
    cautions.push(
      hub.isBrittle
        ? { code: 'hubCracks', message: 'The outer part may crack: its hoop stress is past its tensile strength. Less interference.' }
        : { code: 'hubYields', message: 'The outer part yields: it is stretched for good, and holds less than is said here. Less interference.' },
    );
  if (-innerHoopStress > shaft.strength)
    cautions.push({
      code: 'innerYields',
      message: 'The inner part yields: pressure and force are the most they can be, and its bore closes by more than is said. Ream after pressing.',
    });
  return cautions;
}

/** The Sum beside {@link pressFit}. */
export function pressFitSum(question: PressFitQuestion): Sum {
  const { effectiveInterference: effective, pressure, closeIn, torque, force } = pressFit(question);
  return [
    lengthLine('interference', '', question.interference),
    ...(question.roughness ? [lengthLine('peaks pressed flat', '0.8 · (Rz + Rz)', question.interference - effective)] : []),
    lengthLine('that grips', '', effective),
    { label: 'pressure, MPa', expression: 'δ ÷ (d · [hub + inner])', value: pressure, unit: '' },
    { label: 'to press, kN', expression: 'µ · p · π · d · L', value: force / 1000, unit: '' },
    { label: 'holds', expression: 'F · d ÷ 2', value: torque, unit: 'N·m' },
    lengthLine('its bore closes by', '2 · p · d² · i ÷ (E · (d² − i²))', closeIn),
  ];
}
