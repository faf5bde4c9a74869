import { areaOf, bulgeOf, corner, disc, polygon, type Corner, type Curve } from './curves.ts';
import { checkForm, MADE, sizesOf, type MadeForm } from './madeKinds.ts';

/** One step along the axis of what is turned: a cylinder, or a cone where it ends at another size; nm. */
export interface Step {
  readonly length: number;
  readonly outer: number;
  readonly outerTo: number;
  /** bore, 0 where it is solid */
  readonly inner: number;
}

export interface MadeOutline {
  /** seen along the axis; what is cut through, the rim first */
  readonly cuts: readonly Curve[];
  /** that is not cut through: grooves, a slit, edges behind the first */
  readonly marks: readonly Curve[];
  /** cut along the axis, which lies along x from 0; the upper half and the lower. Nothing of what is flat */
  readonly section: readonly Curve[];
  readonly steps: readonly Step[];
  /** of the face, from the middle; a half-shim lies on its straight edge */
  readonly box: { readonly left: number; readonly right: number; readonly bottom: number; readonly top: number };
  /** along the axis */
  readonly length: number;
}

const around = (count: number, first: number): number[] => Array.from({ length: count }, (_, i) => first + (2 * Math.PI * i) / count);

function holesOf({ sizes, counts }: MadeForm, first: number): Curve[] {
  const { holeDiameter, holeCircle } = sizes;
  if (holeDiameter === undefined || holeCircle === undefined) return [];
  return around(counts.holes ?? 0, first).map((a) => disc(holeDiameter / 2, (holeCircle / 2) * Math.cos(a), (holeCircle / 2) * Math.sin(a)));
}

/** A rim with tangs: arcs of it between straight-sided tongues, the first at the top. */
function tangedRim(r: number, { count, width, reach }: { count: number; width: number; reach: number }): Curve {
  const half = Math.asin(width / 2 / r);
  const corners: Corner[] = [];
  around(count, Math.PI / 2).forEach((middle) => {
    const [ux, uy] = [Math.cos(middle), Math.sin(middle)];
    const out = r + reach;
    // along the tang: its end lies square to its middle
    const end = (side: 1 | -1): Corner => corner(out * ux + (side * width * uy) / 2, out * uy - (side * width * ux) / 2);
    corners.push(
      corner(r * Math.cos(middle - half), r * Math.sin(middle - half)),
      end(1),
      end(-1),
      corner(r * Math.cos(middle + half), r * Math.sin(middle + half), bulgeOf((2 * Math.PI) / count - 2 * half)),
    );
  });
  return { kind: 'path', corners };
}

function flatOutline(form: MadeForm): Omit<MadeOutline, 'steps' | 'section'> {
  const { inner = 0, outer = 0, thickness = 0, tangWidth = 0, tangReach = 0, grooveWidth = 0 } = form.sizes;
  const [r, R] = [inner / 2, outer / 2];
  const box = { left: -R, right: R, bottom: -R, top: R };
  if (form.kind === 'halfShim') {
    const rim: Curve = { kind: 'path', corners: [corner(R, 0, 1), corner(-R, 0), corner(-r, 0, -1), corner(r, 0)] };
    // half a pitch off the cut, so that no hole lies across it
    const holes = holesOf(form, Math.PI / (form.counts.holes || 1)).filter((hole) => hole.kind === 'circle' && hole.y - hole.r > 0);
    return { cuts: [rim, ...holes], marks: [], box: { ...box, bottom: 0 }, length: thickness };
  }
  const tangs = form.counts.tangs ?? 0;
  const rim = tangs > 0 ? tangedRim(R, { count: tangs, width: tangWidth, reach: tangReach }) : disc(R);
  const grooves = around(form.counts.grooves ?? 0, Math.PI / 2 + Math.PI / (form.counts.grooves || 1)).map((a) => {
    const at = (along: number, side: number): readonly [number, number] => [
      along * Math.cos(a) - side * Math.sin(a),
      along * Math.sin(a) + side * Math.cos(a),
    ];
    const w = grooveWidth / 2;
    return polygon([at(r, -w), at(R, -w), at(R, w), at(r, w)]);
  });
  const reach = rim.kind === 'path' ? Math.max(...rim.corners.map((c) => Math.hypot(c.x, c.y))) : R;
  const wide = tangs > 0 ? { left: -reach, right: reach, bottom: -reach, top: reach } : box;
  return { cuts: [rim, disc(r), ...holesOf(form, Math.PI / 2)], marks: grooves, box: wide, length: thickness };
}

/** What is turned, as steps from the left. */
function stepsOf({ kind, sizes }: MadeForm): Step[] {
  const { inner = 0, outer = 0, length = 0, thickness = 0, pilot = 0, pilotLength = 0, pocket = 0, pocketDepth = 0, chamfer = 0 } = sizes;
  const step = (long: number, across: number, bore: number, to = across): Step => ({ length: long, outer: across, outerTo: to, inner: bore });
  switch (kind) {
    case 'bush': {
      const { flangeOuter, flangeThickness } = sizes;
      if (flangeOuter === undefined || flangeThickness === undefined) return [step(length, outer, inner)];
      return [step(flangeThickness, flangeOuter, inner), step(length - flangeThickness, outer, inner)];
    }
    case 'distancePiece':
      return [step(length, outer, inner, sizes.smallOuter ?? outer)];
    case 'lapPlate':
      return [step(thickness - pocketDepth, outer, 0), step(pocketDepth, outer, pocket)];
    case 'drift':
    case 'depthPusher':
    case 'guidePin':
      return [step(pilotLength, pilot, 0), step(length, outer, 0)];
    default:
      return chamfer > 0
        ? [
            step(chamfer, outer - 2 * chamfer, inner, outer),
            step(length - 2 * chamfer, outer, inner),
            step(chamfer, outer, inner, outer - 2 * chamfer),
          ]
        : [step(length, outer, inner)];
  }
}

/** The upper half of a section: along the outside from the left, back along the bore. */
function halfSection(steps: readonly Step[]): [number, number][] {
  const [top, bottom]: [number, number][][] = [[], []];
  let x = 0;
  for (const { length, outer, outerTo, inner } of steps) {
    top?.push([x, outer / 2], [x + length, outerTo / 2]);
    bottom?.push([x, inner / 2], [x + length, inner / 2]);
    x += length;
  }
  const all = [...(top ?? []), ...(bottom ?? []).reverse()];
  // two steps that meet at one size, and a bore that goes on, leave no corner twice
  return all.filter(([px, py], i) => {
    const [qx, qy] = all[(i + 1) % all.length] ?? [NaN, NaN];
    return px !== qx || py !== qy;
  });
}

function turnedOutline(form: MadeForm): Omit<MadeOutline, 'box'> {
  const steps = stepsOf(form);
  const diameters = [...new Set(steps.flatMap(({ outer, outerTo }) => [outer, outerTo]))].sort((a, b) => b - a);
  const bores = [...new Set(steps.map(({ inner }) => inner))].filter((bore) => bore > 0);
  const isThrough = steps.every(({ inner }) => inner > 0);
  const [rim = 0, ...behind] = diameters;
  const upper = halfSection(steps);
  const slit = form.sizes.slit;
  const r = Math.min(...bores) / 2;
  return {
    steps,
    cuts: [disc(rim / 2), ...(isThrough ? [disc(r)] : [])],
    marks: [
      ...behind.map((d) => disc(d / 2)),
      ...(isThrough ? [] : bores.map((d) => disc(d / 2))),
      ...(slit === undefined
        ? []
        : [
            polygon([
              [-slit / 2, r],
              [slit / 2, r],
              [slit / 2, rim / 2],
              [-slit / 2, rim / 2],
            ]),
          ]),
    ],
    section: isThrough
      ? [polygon(upper), polygon(upper.map(([x, y]): [number, number] => [x, -y]))]
      : [polygon([...upper, ...[...upper].reverse().map(([x, y]): [number, number] => [x, -y])].filter(([, y]) => y !== 0))],
    length: steps.reduce((sum, step) => sum + step.length, 0),
  };
}

/**
 * What a part looks like that is to be made: seen along its axis, and cut along it. Finished sizes: a kerf is nothing of the part.
 *
 * @returns outlines in nm
 * @throws ReckoningError as `checkForm`
 * @example madeOutline({ kind: 'shim', sizes: { inner: mm(62.5), outer: mm(92), thickness: mm(0.267) }, counts: {} }).cuts.length // 2
 */
export function madeOutline(given: MadeForm): MadeOutline {
  const form = { ...checkForm(given), sizes: sizesOf(given) };
  if (MADE[form.kind].isFlat) return { ...flatOutline(form), steps: [], section: [] };
  const turned = turnedOutline(form);
  const R = Math.max(...turned.steps.flatMap(({ outer, outerTo }) => [outer, outerTo])) / 2;
  return { ...turned, box: { left: -R, right: R, bottom: -R, top: R } };
}

/**
 * What a part weighs that is made of such stuff.
 *
 * @param density kg/m³
 * @returns g
 * @example madeMass({ kind: 'shim', sizes: { inner: mm(62.5), outer: mm(92), thickness: mm(0.267) }, counts: {} }, 8500) // 8.1240…
 */
export function madeMass(form: MadeForm, density: number): number {
  const { cuts, steps, length } = madeOutline(form);
  const [rim, ...holes] = cuts.map((curve) => Math.abs(areaOf(curve)));
  const volume =
    steps.length === 0
      ? ((rim ?? 0) - holes.reduce((sum, area) => sum + area, 0)) * length
      : steps.reduce(
          (sum, { length: l, outer, outerTo, inner }) => sum + Math.PI * l * ((outer ** 2 + outer * outerTo + outerTo ** 2) / 12 - inner ** 2 / 4),
          0,
        );
  return volume * 1e-27 * density * 1000;
}
