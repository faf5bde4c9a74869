import { describe, expect, it } from '@jest/globals';
import * as fc from 'fast-check';
import { inch, mm, nanometres, thou } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import { leafFits, nearestOf, readSupplierRange } from './index.ts';

// common practice, no source: over the shaft and not loose on it, inside the housing, the same tang
describe('whether a washer goes where it is wanted', () => {
  const place = { bore: mm(25), outside: mm(38), tang: 'tang' };
  it.each([
    ['just over the shaft, inside the housing, the same tang', { bore: mm(25), outside: mm(38), tang: 'Tang ' }, 'fits'],
    ['a gear bush’s, too small to go over', { bore: mm(22), outside: mm(36), tang: 'tang' }, 'not'],
    ['too loose on it', { bore: mm(27), outside: mm(36), tang: 'tang' }, 'not'],
    ['as loose as may be', { bore: mm(26.5), outside: mm(36), tang: 'tang' }, 'fits'],
    ['too wide for the housing', { bore: mm(25.2), outside: mm(38.02), tang: 'tang' }, 'not'],
    ['a hundredth under, which is how it was measured', { bore: mm(24.99), outside: mm(38.01), tang: 'tang' }, 'fits'],
    ['two hundredths under', { bore: mm(24.98), outside: mm(38), tang: 'tang' }, 'not'],
    ['another tang', { bore: mm(25.2), outside: mm(36), tang: 'two tangs' }, 'not'],
    ['not measured inside', { outside: mm(36), tang: 'tang' }, 'measure'],
    ['not measured at all', {}, 'measure'],
    ['not measured inside, and another tang: that is enough', { outside: mm(36), tang: 'none' }, 'not'],
  ] as const)('%s', (_, leaf, answer) => {
    expect(leafFits(place, leaf)).toBe(answer);
  });
  it('a place that says nothing takes anything', () => {
    expect(leafFits({}, {})).toBe('fits');
    expect(leafFits({ outside: mm(40) }, { bore: mm(3), outside: mm(39) })).toBe('fits');
  });
});

describe('a supplier’s range', () => {
  it('is read from one line, in the unit said last or the workshop’s', () => {
    expect(readSupplierRange('2.80–3.60 by 0.04 mm', 'thou')).toEqual({ from: mm(2.8), to: mm(3.6), step: mm(0.04) });
    expect(readSupplierRange('2.80 to 3.60 by 0.04', 'mm')).toEqual({ from: mm(2.8), to: mm(3.6), step: mm(0.04) });
    expect(readSupplierRange('120-136 by 2', 'thou')).toEqual({ from: thou(120), to: thou(136), step: thou(2) });
    expect(readSupplierRange('0.120 - 0.136 by 0.002 in', 'mm')).toEqual({ from: inch(0.12), to: inch(0.136), step: inch(0.002) });
  });
  it.each([
    ['', 'notARange'],
    ['2.80–3.60', 'notARange'],
    ['3.60–2.80 by 0.04 mm', 'notARange'],
    ['2.80–3.60 by 0 mm', 'notARange'],
    ['1–250 by 0.1 mm', 'notARange'],
    ['2.80–thick by 0.04 mm', 'notANumber'],
  ])('%s is refused', (text, code) => {
    expect(refusalOf(() => readSupplierRange(text, 'mm'))).toBe(code);
  });
  it('gives the nearest that lands, as trying each of them does', () => {
    const range = { from: mm(2.8), to: mm(3.6), step: mm(0.04) };
    fc.assert(
      fc.property(fc.integer({ min: 2_700_000, max: 3_700_000 }), fc.integer({ min: 0, max: 60_000 }), (ideal, half) => {
        const window = { min: nanometres(ideal - half), max: nanometres(ideal + half), ideal: nanometres(ideal) };
        const each = Array.from({ length: 21 }, (_, k) => 2_800_000 + k * 40_000).filter((t) => t >= window.min && t <= window.max);
        const best = Math.min(...each.map((t) => Math.abs(t - ideal)));
        const found = nearestOf(range, window);
        expect(found === null ? Infinity : Math.abs(found - ideal)).toBe(each.length === 0 ? Infinity : best);
      }),
    );
  });
});
