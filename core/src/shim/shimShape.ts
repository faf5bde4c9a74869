import { refuse } from '../errors.ts';
import type { Caution } from '../fit/index.ts';
import type { Material } from '../material/index.ts';
import { describeLength, nanometres, type Length } from '../quantity/index.ts';
import { lengthLine, type Sum } from '../sum.ts';

/** Holes evenly round a circle. */
export interface HoleCircle {
  readonly count: number;
  readonly diameter: Length;
  /** of their middles */
  readonly circle: Length;
}

export interface ShimShapeQuestion {
  /** that it goes over, nm; null where it goes over none */
  readonly shaft: Length | null;
  /** radius in the corner where it sits, nm; nothing where there is none */
  readonly fillet: Length;
  /** that it goes into, nm; null where nothing is round it */
  readonly housing: Length | null;
  /** the face that bears on it, inside and outside diameter, nm */
  readonly race: { readonly inner: Length; readonly outer: Length } | null;
  readonly holes: HoleCircle | null;
  /** along the axis, N */
  readonly load?: number;
  readonly thickness: Length;
  readonly material: Pick<Material, 'density'>;
}

export interface ShimShape {
  readonly inner: Length;
  readonly outer: Length;
  /** of the face that bears on it, how much it carries: 0 to 1; 1 where no face is given */
  readonly share: number;
  /** MPa, where the load is given */
  readonly pressure?: number;
  /** g */
  readonly mass: number;
  readonly cautions: readonly Caution[];
}

/** Room over the shaft and its corner, and inside the housing, on the diameter. Common practice, no source. */
export const CLEAR: { readonly shaft: Length; readonly housing: Length } = { shaft: nanometres(250_000), housing: nanometres(300_000) };
/** Thinner than this it creases and tears by itself. Common practice, no source. */
const ALONE: Length = nanometres(40_000);
/** A face that is carried by less of it bends the shim or marks it. Common practice, no source. */
const MOST_OF_IT = 0.6;
/** Past this, MPa, soft brass shim is squeezed. Common practice, no source. */
const SQUEEZED = 60;

const ring = (inner: number, outer: number): number => (Math.PI / 4) * Math.max(0, outer ** 2 - inner ** 2);

/** How much of a hole lies on a ring of the face: across the middle of it, as near as a shop wants. */
const cut = ({ count, diameter, circle }: HoleCircle, inner: number, outer: number): number => {
  const overlap = Math.max(0, Math.min(circle + diameter, outer) - Math.max(circle - diameter, inner)) / (2 * diameter);
  return count * (Math.PI / 4) * diameter ** 2 * Math.min(1, overlap);
};

/**
 * The inside and outside of a shim that goes over a shaft with a corner, into a housing, under a race: cleared from both, how much of the
 * race it carries, what presses on it, and what it weighs.
 *
 * @returns nm, MPa, g
 * @throws ReckoningError `noRoom`, `notASize`
 * Source: our own; the room left is common practice.
 * @example shimShape({ shaft: mm(30), fillet: mm(1), housing: mm(62), race: { inner: mm(35), outer: mm(61) }, holes: null, thickness: mm(0.3), material: { density: 8500 } }).inner // 32.25 mm
 */
export function shimShape({ shaft, fillet, housing, race, holes, load, thickness, material }: ShimShapeQuestion): ShimShape {
  if (!(thickness > 0 && fillet >= 0)) refuse('notASize', 'A shim has a thickness, and a corner is not less than nothing.');
  const inner = nanometres(shaft === null ? (race?.inner ?? 0) : shaft + 2 * fillet + CLEAR.shaft);
  const outer = nanometres(housing === null ? (race?.outer ?? 0) : housing - CLEAR.housing);
  if (!(outer > inner))
    refuse(
      'noRoom',
      `There is no room for it: it clears the shaft at ${describeLength(inner, 'mm')} and the housing at ${describeLength(outer, 'mm')}.`,
    );
  const face = race ? ring(race.inner, race.outer) : 0;
  const [from, to] = race ? [Math.max(inner, race.inner), Math.min(outer, race.outer)] : [inner, outer];
  const carried = ring(from, to) - (holes ? cut(holes, from, to) : 0);
  if (!(carried > 0)) refuse('noRoom', 'Nothing of it lies under the face that bears on it.');
  const share = face === 0 ? 1 : carried / face;
  // N over nm²: MPa are N/mm²
  const pressure = load === undefined ? undefined : load / (carried * 1e-12);
  const volume = (ring(inner, outer) - (holes ? cut(holes, inner, outer) : 0)) * thickness;
  return {
    inner,
    outer,
    share,
    ...(pressure === undefined ? {} : { pressure }),
    mass: volume * 1e-27 * material.density * 1000,
    cautions: shimCautions({ thickness, share, pressure }),
  };
}

/** What is said of any shim that is made, and of this one. */
export function shimCautions({
  thickness,
  share = 1,
  pressure,
}: {
  readonly thickness: Length;
  readonly share?: number;
  readonly pressure?: number | undefined;
}): Caution[] {
  return [
    ...(thickness < ALONE
      ? [{ code: 'tears', message: 'Alone it creases and tears: never under 0.04 mm by itself, and between two thicker ones.' }]
      : []),
    ...(share < MOST_OF_IT
      ? [{ code: 'littleCarried', message: `It carries only ${Math.round(share * 100)} in 100 of the face: it may bend or mark it.` }]
      : []),
    ...(pressure !== undefined && pressure > SQUEEZED
      ? [{ code: 'squeezed', message: `${Math.round(pressure)} MPa squeezes soft brass: steel.` }]
      : []),
    { code: 'burrs', message: 'Take the burr off both faces before it is measured: a burr is a thou.' },
    { code: 'sharp', message: 'Edges cut like a razor: gloves, and clamp the sheet.' },
  ];
}

/** The Sum beside {@link shimShape}. */
export function shimShapeSum(question: ShimShapeQuestion): Sum {
  const { inner, outer, share } = shimShape(question);
  const { shaft, housing, fillet } = question;
  return [
    ...(shaft === null
      ? []
      : [lengthLine('shaft', '', shaft), lengthLine('corner, both sides', '+ 2 r', 2 * fillet), lengthLine('room', '+', CLEAR.shaft)]),
    lengthLine('inner', '', inner),
    ...(housing === null ? [] : [lengthLine('housing', '', housing), lengthLine('room', '−', CLEAR.housing)]),
    lengthLine('outer', '', outer),
    { label: 'of the face, in 100', expression: '', value: share * 100, unit: '' },
  ];
}
