import { describe, expect, it } from '@jest/globals';
import { inch, mm, thou } from '../quantity/index.ts';
import { clearanceAdvice, clearanceAdviceSum, thrustSurvey, thrustSurveySum } from './index.ts';

// worked by hand from the definitions
describe('a thrust washer', () => {
  it('wears at its thinnest, and tapers from the thickest to that', () =>
    expect(thrustSurvey({ points: [mm(3.06), mm(3.09), mm(3.055)], new: mm(3.2) })).toEqual({
      mean: Math.round((mm(3.06) + mm(3.09) + mm(3.055)) / 3),
      least: mm(3.055),
      taper: mm(0.035),
      wear: mm(0.145),
    }));
  it('has as much groove left as its shallowest', () =>
    expect(thrustSurvey({ points: [thou(125)], grooves: [thou(9), thou(4)] }).grooveLeft).toBe(thou(4)));
  it('needs a thickness, and one more than nothing', () => {
    expect(() => thrustSurvey({ points: [] })).toThrow('three points or more');
    expect(() => thrustSurvey({ points: [mm(0)] })).toThrow('more than nothing');
    expect(() => thrustSurvey({ points: [mm(1)], grooves: [mm(-1)] })).toThrow('no less than nothing');
  });
  it('shows its sum', () =>
    expect(thrustSurveySum({ points: [mm(3.1)], new: mm(3.2), grooves: [mm(0.2)] }).map((l) => l.label)).toEqual([
      'mean',
      'thinnest',
      'taper',
      'wear',
      'groove left',
    ]));
});

describe('a clearance where no specification survives', () => {
  // Vogelpohl's rule, from memory; the figures of the worked case are arithmetic: π × 0.0254 × 50 = 3.990 m/s, 0.8 × ⁴√3.990 = 1.1307 ‰
  it('of 25.4 mm at 3000 rev/min is 1.13 ‰ less a fifth to three tenths more', () => {
    const { min, max, wearLimit, reckoned, because } = clearanceAdvice({ diameter: mm(25.4), revsPerMinute: 3000, material: 'bronze' });
    const middle = 25_400_000 * 0.8e-3 * Math.sqrt(Math.sqrt(Math.PI * 0.0254 * 50));
    expect(middle / 25_400).toBeCloseTo(1.1307, 3);
    expect([min, max, wearLimit]).toEqual([Math.round(middle * 0.8), Math.round(middle * 1.3), Math.round(middle * 2.6)]);
    expect(reckoned).toBe(true);
    expect(because).toContain('3.99 m/s');
    expect(because).toContain('1.13 ‰');
  });
  // common practice, no source
  it('by the shop rule is a thou an inch, to half a thou more, let go to twice that', () =>
    expect(clearanceAdvice({ diameter: inch(0.875), revsPerMinute: 0, material: 'bronze', rule: 'thouAnInch' })).toMatchObject({
      min: thou(0.875),
      max: thou(1.375),
      wearLimit: thou(2.75),
    }));
  it('is refused at no speed, off bronze by the shop rule, and of no size', () => {
    expect(() => clearanceAdvice({ diameter: mm(20), revsPerMinute: 0, material: 'bronze' })).toThrow('does not turn');
    expect(() => clearanceAdvice({ diameter: mm(20), revsPerMinute: NaN, material: 'bronze' })).toThrow('does not turn');
    expect(() => clearanceAdvice({ diameter: mm(20), revsPerMinute: 9, material: 'cast iron', rule: 'thouAnInch' })).toThrow('oiled bronze');
    expect(() => clearanceAdvice({ diameter: mm(0), revsPerMinute: 9, material: 'bronze' })).toThrow('more than nothing');
  });
  it('shows its sum by either rule', () => {
    const question = { diameter: mm(25.4), revsPerMinute: 3000, material: 'bronze' } as const;
    expect(clearanceAdviceSum(question).map((l) => l.label)).toEqual([
      'bore',
      'speed at the bore, m/s',
      'of the bore',
      'least',
      'greatest',
      'let it go to',
    ]);
    expect(clearanceAdviceSum({ ...question, rule: 'thouAnInch' }).at(-1)?.value).toBe(2 * thou(1.5));
  });
});
