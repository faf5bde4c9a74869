import { describe, expect, it } from '@jest/globals';
import { mm } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import { EVERY_FORM, formOf, SHIM_FORM } from './forms.fixture.ts';
import {
  areaOf,
  bulgeOf,
  checkForm,
  corner,
  disc,
  fieldsOf,
  MADE,
  MADE_KINDS,
  madeMass,
  madeOutline,
  missingOf,
  pathOf,
  polygon,
  toolFor,
  type Curve,
  type MadeForm,
} from './index.ts';

/** A curve as many short lines, by sines: another way than bulges to what it encloses. */
function marched(curve: Curve, steps = 20_000): [number, number][] {
  if (curve.kind === 'circle')
    return Array.from({ length: steps }, (_, i) => [
      curve.x + curve.r * Math.cos((2 * Math.PI * i) / steps),
      curve.y + curve.r * Math.sin((2 * Math.PI * i) / steps),
    ]);
  return curve.corners.flatMap((from, i): [number, number][] => {
    const to = curve.corners[(i + 1) % curve.corners.length] ?? from;
    if (from.bulge === 0) return [[from.x, from.y]];
    const angle = 4 * Math.atan(from.bulge);
    // the middle of the arc's circle: off the chord's middle by its half over the tangent of half the angle
    const [dx, dy] = [(to.x - from.x) / 2, (to.y - from.y) / 2];
    const [cx, cy] = [from.x + dx - dy / Math.tan(angle / 2), from.y + dy + dx / Math.tan(angle / 2)];
    const [r, a] = [Math.hypot(from.x - cx, from.y - cy), Math.atan2(from.y - cy, from.x - cx)];
    return Array.from({ length: steps }, (_, k) => [cx + r * Math.cos(a + (angle * k) / steps), cy + r * Math.sin(a + (angle * k) / steps)]);
  });
}
const shoelace = (points: readonly [number, number][]): number =>
  points.reduce((sum, [x, y], i) => {
    const [u, v] = points[(i + 1) % points.length] ?? [0, 0];
    return sum + (x * v - u * y) / 2;
  }, 0);

describe('what is made', () => {
  it('has every kind among the tests', () => expect(new Set(EVERY_FORM.map((f) => f.kind))).toEqual(new Set(MADE_KINDS)));
  it.each(EVERY_FORM)('is drawn and closed: $kind', (each) => {
    const { cuts, marks, section, box, length, steps } = madeOutline(each);
    expect(length).toBeGreaterThan(0);
    for (const curve of [...cuts, ...marks, ...section]) {
      // what is enclosed, by bulges and by marching round
      expect(areaOf(curve) / shoelace(marched(curve))).toBeCloseTo(1, 6);
      for (const [x, y] of marched(curve, 50))
        if (cuts.includes(curve)) expect(x >= box.left - 1 && x <= box.right + 1 && y >= box.bottom - 1 && y <= box.top + 1).toBe(true);
    }
    expect(section.length > 0).toBe(!MADE[each.kind].isFlat);
    expect(steps.length > 0).toBe(!MADE[each.kind].isFlat);
    // its holes are inside its rim
    const [rim = 0, ...holes] = cuts.map((c) => Math.abs(areaOf(c)));
    expect(holes.reduce((sum, area) => sum + area, 0)).toBeLessThan(rim);
  });
  it('weighs what its rings weigh', () => {
    // π/4·(92² − 62.5² − 6·8.5²)·0.267 mm³ of 8.5 mg
    expect(madeMass(SHIM_FORM, 8500)).toBeCloseTo(((Math.PI / 4) * (92 ** 2 - 62.5 ** 2 - 6 * 8.5 ** 2) * 0.267 * 8.5) / 1000, 9);
    // a bush with a flange: two rings
    expect(madeMass(EVERY_FORM[4] as MadeForm, 8800)).toBeCloseTo(
      ((Math.PI / 4) * ((36 ** 2 - 25.4 ** 2) * 3 + (28.575 ** 2 - 25.4 ** 2) * 27) * 8.8) / 1000,
      9,
    );
    // a cone: π·h/12·(D² + D·d + d²), less the bore
    expect(madeMass(EVERY_FORM[5] as MadeForm, 7850)).toBeCloseTo(
      (Math.PI * 60 * ((38 ** 2 + 38 * 34 + 34 ** 2) / 12 - 30 ** 2 / 4) * 7.85) / 1000,
      9,
    );
  });
  it('in halves is half of it, and no hole lies across the cut', () => {
    const half = madeOutline(EVERY_FORM[1] as MadeForm);
    expect(half.cuts).toHaveLength(4);
    expect(areaOf(half.cuts[0] as Curve) / ((Math.PI / 8) * (92e6 ** 2 - 62.5e6 ** 2))).toBeCloseTo(1, 12);
    expect(half.box.bottom).toBe(0);
  });
  it('has tangs that stand out of the rim by what was said', () => {
    const { cuts, box } = madeOutline(EVERY_FORM[2] as MadeForm);
    const [rim] = cuts;
    const tops = rim?.kind === 'path' ? rim.corners.map((c) => c.y) : [];
    expect(Math.max(...tops)).toBeCloseTo(55e6 / 2 + 2.5e6, 3);
    expect(Math.min(...tops)).toBeCloseTo(-(55e6 / 2 + 2.5e6), 3);
    expect(box.top).toBeCloseTo(Math.hypot(30e6, 3e6), 0);
    // rim and two tangs of 6 by 2.5, and the slivers between their feet and the arc
    expect(areaOf(rim as Curve) / 1e12).toBeCloseTo((Math.PI / 4) * 55 ** 2 + 2 * 6 * 2.5 + -2 * sliver(27.5, 6), 6);
  });
});

/** Between a chord and its arc. */
function sliver(r: number, chord: number): number {
  const angle = 2 * Math.asin(chord / 2 / r);
  // the tang is reckoned from the top of the arc, and its feet stand on the chord
  return (r ** 2 / 2) * (angle - Math.sin(angle)) - chord * (r - r * Math.cos(angle / 2));
}

describe('a form', () => {
  const codeOf = (f: MadeForm): string => refusalOf(() => checkForm(f));
  it('asks for what it needs, and for holes only where it has some', () => {
    expect(missingOf({ kind: 'shim', sizes: {}, counts: {} }).map((f) => f.name)).toEqual(['inner', 'outer', 'thickness']);
    expect(missingOf({ kind: 'shim', sizes: {}, counts: { holes: 6 } })).toHaveLength(5);
    expect(fieldsOf({ kind: 'bush', sizes: {}, counts: {} })).toHaveLength(6);
    expect(missingOf({ kind: 'bush', sizes: {}, counts: {} })).toHaveLength(3);
  });
  it.each([
    ['nothing said', formOf('shim', { inner: 10 }), 'missing'],
    ['a bore bigger than the rim', formOf('shim', { inner: 92, outer: 92, thickness: 1 }), 'insideOut'],
    ['holes over the rim', formOf('shim', { inner: 62.5, outer: 92, thickness: 1, holeDiameter: 8, holeCircle: 86 }, { holes: 6 }), 'insideOut'],
    [
      'holes that run together',
      formOf('shim', { inner: 62.5, outer: 92, thickness: 1, holeDiameter: 8.2, holeCircle: 77 }, { holes: 30 }),
      'insideOut',
    ],
    ['too many holes', formOf('shim', { inner: 62.5, outer: 92, thickness: 1, holeDiameter: 1, holeCircle: 77 }, { holes: 37 }), 'tooMany'],
    ['a pocket through the plate', formOf('lapPlate', { outer: 90, thickness: 12, pocket: 56, pocketDepth: 12 }), 'insideOut'],
    ['a shoulder no bigger than the pilot', formOf('drift', { pilot: 25, pilotLength: 20, outer: 25, length: 60 }), 'insideOut'],
    ['a flange no bigger than its bush', formOf('bush', { inner: 20, outer: 25, length: 30, flangeOuter: 25, flangeThickness: 2 }), 'insideOut'],
    ['lead-ins that meet', formOf('sleeve', { inner: 35, outer: 41, length: 4, chamfer: 2 }), 'insideOut'],
    ['a small end with no wall', formOf('distancePiece', { inner: 30, outer: 38, length: 60, smallOuter: 30 }), 'insideOut'],
  ])('is refused with %s', (_, bad, code) => expect(codeOf(bad)).toBe(code));
  it('that has holes said and none of them is drawn without', () => {
    const { cuts } = madeOutline({ ...SHIM_FORM, counts: {} });
    expect(cuts).toHaveLength(2);
  });
});

describe('a curve as a path of a drawing', () => {
  it('turns y over and keeps its arcs', () => {
    const half: Curve = { kind: 'path', corners: [corner(10, 0, 1), corner(-10, 0), corner(-5, 0, -1), corner(5, 0)] };
    expect(pathOf(half, (x, y) => [x, -y], 1, 0)).toBe('M10,0A10,10 0 0 0 -10,0L-5,0A5,5 0 0 1 5,0L10,0Z');
    expect(pathOf(disc(3, 1, 1), (x, y) => [x, y], 1, 1)).toBe('M-2.0,1.0A3.0,3.0 0 1 0 4.0,1.0A3.0,3.0 0 1 0 -2.0,1.0Z');
    expect(
      pathOf(
        polygon([
          [0, 0],
          [1, 0],
          [1, 1],
        ]),
        (x, y) => [x, y],
        1,
        0,
      ),
    ).toBe('M0,0L1,0L1,1L0,0Z');
    expect(bulgeOf(Math.PI)).toBeCloseTo(1, 12);
  });
});

describe('a tool for what is made', () => {
  const bush = { inner: mm(25.4), outer: mm(28.575), length: mm(30) };
  it('has a pilot that slides, a shoulder that clears, and never reaches through', () => {
    const { sizes } = toolFor('drift', bush);
    expect(sizes).toEqual({ pilot: mm(25.35), pilotLength: mm(22.5), outer: mm(28.425), length: mm(60) });
    expect(checkForm(toolFor('drift', bush)).kind).toBe('drift');
  });
  it('holds a washer that stands out of its pocket', () => {
    const plate = toolFor('lapPlate', { outer: mm(55), thickness: mm(3.2) });
    expect(plate.sizes).toMatchObject({ pocket: mm(55.1), pocketDepth: mm(1.92) });
    expect(() => checkForm(plate)).not.toThrow();
  });
  it('leaves to be said what its source does not say', () => {
    expect(missingOf(toolFor('drift', {})).map((f) => f.name)).toEqual(['pilot', 'pilotLength', 'outer']);
    expect(missingOf(toolFor('dummyFlange', { inner: mm(40), outer: mm(110), holes: 6 })).map((f) => f.name)).toEqual(['holeDiameter', 'holeCircle']);
    expect(missingOf(toolFor('guidePin', { holeDiameter: mm(8.5) })).map((f) => f.name)).toEqual(['pilot', 'pilotLength']);
    expect(toolFor('depthPusher', bush).sizes.pilotLength).toBe(mm(30));
    expect(toolFor('dummyShaft', { inner: mm(20), length: mm(42) }).sizes).toEqual({ outer: mm(19.85), length: mm(41.5), chamfer: mm(1) });
  });
});
