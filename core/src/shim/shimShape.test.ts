import { describe, expect, it } from '@jest/globals';
import { mm, ZERO } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import { shimCautions, shimShape, shimShapeSum, type ShimShapeQuestion } from './shimShape.ts';

const UNDER_A_RACE: ShimShapeQuestion = {
  shaft: mm(30),
  fillet: mm(1),
  housing: mm(62),
  race: { inner: mm(35), outer: mm(61) },
  holes: null,
  thickness: mm(0.3),
  material: { density: 8500 },
};

describe('the shape of a shim', () => {
  it('clears the shaft, both sides of its corner, and the housing', () => {
    const shape = shimShape(UNDER_A_RACE);
    expect([shape.inner, shape.outer]).toEqual([mm(32.25), mm(61.7)]);
    expect(shape.share).toBe(1);
    // π/4·(61.7² − 32.25²)·0.3 mm³ of 8.5 g/cm³: 5.54 g
    expect(shape.mass).toBeCloseTo(((Math.PI / 4) * (61.7 ** 2 - 32.25 ** 2) * 0.3 * 8.5) / 1000, 6);
    expect(shape.pressure).toBeUndefined();
    expect(shape.cautions.map((c) => c.code)).toEqual(['burrs', 'sharp']);
  });
  it('carries what of the race it reaches, and says where that is little', () => {
    // π/4·(45² − 35²) of π/4·(61² − 35²): 800 of 2496
    const narrow = shimShape({ ...UNDER_A_RACE, housing: mm(45.3), load: 4000 });
    expect(narrow.share).toBeCloseTo(800 / 2496, 9);
    expect(narrow.pressure).toBeCloseTo(4000 / ((Math.PI / 4) * 800), 9);
    expect(narrow.cautions.map((c) => c.code)).toEqual(['littleCarried', 'burrs', 'sharp']);
    expect(shimShape({ ...UNDER_A_RACE, housing: mm(45.3), load: 40_000 }).cautions.map((c) => c.code)).toContain('squeezed');
  });
  it('weighs and carries less by its holes', () => {
    const holes = { count: 6, diameter: mm(5), circle: mm(48) };
    const [with_, without] = [shimShape({ ...UNDER_A_RACE, holes }), shimShape(UNDER_A_RACE)];
    const gone = 6 * (Math.PI / 4) * 25;
    expect(without.mass - with_.mass).toBeCloseTo((gone * 0.3 * 8.5) / 1000, 9);
    expect(with_.share).toBeCloseTo(1 - gone / ((Math.PI / 4) * (61 ** 2 - 35 ** 2)), 9);
  });
  it('takes the race alone where there is no shaft and no housing', () => {
    const shape = shimShape({ ...UNDER_A_RACE, shaft: null, housing: null });
    expect([shape.inner, shape.outer]).toEqual([mm(35), mm(61)]);
  });
  it('is refused where there is no room, and where nothing of it bears', () => {
    expect(refusalOf(() => shimShape({ ...UNDER_A_RACE, fillet: mm(16) }))).toBe('noRoom');
    expect(refusalOf(() => shimShape({ ...UNDER_A_RACE, housing: mm(34) }))).toBe('noRoom');
    expect(refusalOf(() => shimShape({ ...UNDER_A_RACE, thickness: ZERO }))).toBe('notASize');
  });
  it('under 0.04 mm tears by itself', () => {
    expect(shimCautions({ thickness: mm(0.039) }).map((c) => c.code)).toEqual(['tears', 'burrs', 'sharp']);
    expect(shimCautions({ thickness: mm(0.04) }).map((c) => c.code)).toEqual(['burrs', 'sharp']);
  });
  it('has a sum that ends in its outside and its share', () =>
    expect(shimShapeSum(UNDER_A_RACE).map((l) => l.value)).toEqual([mm(30), mm(2), mm(0.25), mm(32.25), mm(62), mm(0.3), mm(61.7), 100]));
});
