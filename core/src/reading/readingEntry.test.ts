import { describe, expect, it } from '@jest/globals';
import { inch, mm, nanometres, thou } from '../quantity/index.ts';
import { difference, estimate, INSTRUMENTS, readingOf, studentCdf, verdict } from './index.ts';
import { hand } from '../testing.ts';

describe('what was understood of an entry, at its instrument', () => {
  it('where a hand went is so many divisions of it: of a thou, of a half, of two thousandths of a millimetre', () => {
    const of = (resolution: number, divisions: number) =>
      readingOf(hand(190, 10), { ...INSTRUMENTS.dialMm, resolution: nanometres(resolution), divisions }).reading.value;
    expect(of(2_000, 200)).toBe(mm(0.04));
    expect(of(12_700, 200)).toBe(thou(10));
    expect(readingOf(hand(88, 12), INSTRUMENTS.dialThou).reading.value).toBe(thou(24));
    expect(readingOf(hand(12, 88, { direction: 'anticlockwise', turns: 1 }), INSTRUMENTS.dialThou).reading.value).toBe(thou(124));
  });
  it('a stand that moved is said, and a hand that did not is at most nothing', () => {
    expect(readingOf(hand(88, 12, { back: 70 }), INSTRUMENTS.dialThou)).toMatchObject({
      drifted: true,
      notes: [expect.stringContaining('the stand moved')],
    });
    expect(readingOf(hand(88, 12, { back: 88 }), INSTRUMENTS.dialThou)).toMatchObject({ drifted: false, notes: ['came back: the stand held'] });
    expect(readingOf(hand(40, 40), INSTRUMENTS.dialThou).reading).toEqual({ kind: 'atMost', value: 0 });
  });
  it('blades of one stack are wrong together: the doubt of three is three times that of one', () => {
    const [one, three] = [
      readingOf({ how: 'blades', goes: [thou(57)], stops: [thou(58)] }, { ...INSTRUMENTS.feelersThou, calibrationU: 10_000 }),
      readingOf({ how: 'blades', goes: [thou(25), thou(20), thou(12)], stops: [thou(58)] }, { ...INSTRUMENTS.feelersThou, calibrationU: 10_000 }),
    ];
    const own = (each: typeof one) => (each.reading.kind === 'estimate' ? Math.sqrt(each.reading.u ** 2 - 25_400 ** 2 / 12) : 0);
    expect(own(three) / own(one)).toBeCloseTo(3, 6);
    expect(readingOf({ how: 'blades', goes: [thou(9)], stops: null }, INSTRUMENTS.feelersThou)).toMatchObject({
      values: [],
      reading: { kind: 'atLeast', value: thou(9) },
    });
  });
  it('a zero error comes off every size, and off no travel', () => {
    const off = { ...INSTRUMENTS.micInch, zeroError: inch(0.0002) };
    expect(readingOf({ how: 'sizes', values: [inch(0.5002), inch(0.5004)] }, off).values).toEqual([inch(0.5), inch(0.5002)]);
    expect(readingOf(hand(88, 12), { ...INSTRUMENTS.dialThou, zeroError: thou(2) }).reading.value).toBe(thou(24));
  });
});

describe('one mean less another', () => {
  it('has its doubt as squares add, and its degrees of freedom by Welch and Satterthwaite', () => {
    // u 3 and 4 of 5 each: 5, and 5⁴ ÷ (3⁴/5 + 4⁴/5) = 9.273
    const { value, u, dof } = difference(estimate(mm(3), 3_000, 5), estimate(mm(2), 4_000, 5));
    expect([value, u]).toEqual([mm(1), 5_000]);
    expect(dof).toBeCloseTo(9.273, 3);
    // a doubt that is known beforehand adds to the first sum alone: 5⁴ ÷ (4⁴/5) = 12.207
    expect(difference(estimate(mm(3), 3_000), estimate(mm(2), 4_000, 5)).dof).toBeCloseTo(12.207, 3);
    expect(difference(estimate(mm(3), 0, 5), estimate(mm(2), 4_000, 5)).dof).toBeCloseTo(5, 9);
    expect(difference(estimate(mm(3), 0), estimate(mm(2), 0))).toEqual({ kind: 'estimate', value: mm(1), u: 0 });
  });
});

describe('how sure a verdict is', () => {
  const limits = { min: thou(2), max: thou(4) };
  it('readings as wide as the window leave no doubt where no limit is reached', () => {
    expect(verdict(estimate(thou(26), 15_000), limits, { range: thou(3) })).toMatchObject({ place: 'loose', sure: 'sure' });
    expect(verdict(estimate(thou(5), 5_000), limits, { range: thou(3) })).toMatchObject({ place: 'loose', sure: 'cannotTell' });
    expect(verdict(estimate(thou(3), 5_000), limits, { range: thou(2) })).toMatchObject({ place: 'in', sure: 'cannotTell' });
    expect(verdict(estimate(thou(3), 5_000), limits, { range: thou(1.9) })).toMatchObject({ place: 'in', sure: 'sure' });
  });
  it('the chance counts both limits: in the middle of ± two doubts it is 0.9545 (normal distribution, textbook)', () => {
    expect(verdict(estimate(thou(3), thou(0.5)), limits).probabilityIn).toBeCloseTo(0.9545, 4);
    expect(verdict(estimate(thou(2), thou(0.5)), limits).probabilityIn).toBeCloseTo(0.5, 3);
    expect(verdict(estimate(thou(4), thou(0.5)), limits).probabilityIn).toBeCloseTo(0.5, 3);
  });
  it('its sentences are told in the system they are asked in', () => {
    expect(verdict(estimate(mm(0.05), 100_000), { min: mm(0.02), max: mm(0.1) }, { unit: 'mm' }).because).toMatch(/mm/);
    expect(verdict({ kind: 'atLeast', value: mm(0.05) }, { max: mm(0.1) }, { unit: 'mm' }).because).toBe(
      'At least 0.050 mm: find the feeler that stops.',
    );
  });
  it('the normal share is right to a millionth (0.8413447 below one, 0.0227501 below minus two: any table)', () => {
    expect(studentCdf(1, Infinity)).toBeCloseTo(0.8413447, 6);
    expect(studentCdf(-2, Infinity)).toBeCloseTo(0.0227501, 6);
  });
});
