import { describe, expect, it } from '@jest/globals';
import { mm, thou, type Length, type Limits } from '../quantity/index.ts';
import { estimate, verdict, type Reading, type VerdictOptions } from './index.ts';

const WANTED: Limits = { min: thou(5), max: thou(8) };
const read = (value: number, u = 0): Reading => estimate(thou(value), thou(u));
const said = (reading: Reading, limits: Limits = WANTED, options?: VerdictOptions): string => {
  const { place, sure, accepted } = verdict(reading, limits, options);
  return `${place}, ${sure}${accepted ? ', accepted' : ''}`;
};

describe('a verdict at its edges', () => {
  it('of a reading with no doubt is sure on the limit and a nanometre past it', () => {
    expect(said(read(5))).toBe('in, sure, accepted');
    expect(said(read(8))).toBe('in, sure, accepted');
    expect(said(estimate((thou(8) + 1) as Length, 0))).toBe('loose, sure');
    expect(said(estimate((thou(5) - 1) as Length, 0))).toBe('tight, sure');
  });
  it('gives that reading a chance of one inside and of none outside', () =>
    expect([4, 5, 6, 8, 9].map((v) => verdict(read(v), WANTED).probabilityIn)).toEqual([0, 1, 1, 1, 0]));
  // JCGM 106: the share of a normal between the limits. 6½ ± 1½ at u = 1½ is one u either side, 0.6827 (normal table)
  it('gives one with doubt the share of it that lies between, below as well as above', () => {
    expect(verdict(read(6.5, 1.5), WANTED).probabilityIn).toBeCloseTo(0.6827, 3);
    expect(verdict(read(5, 0.1), WANTED).probabilityIn).toBeCloseTo(0.5, 3);
    expect(verdict(read(8, 0.1), WANTED).probabilityIn).toBeCloseTo(0.5, 3);
    expect(verdict(read(4.9, 0.1), WANTED).probabilityIn).toBeCloseTo(0.1587, 3);
  });
  it('is near where twice its doubt reaches over a limit from either side, and not where it just touches', () => {
    expect([4.79, 4.81, 5.19, 5.21, 7.79, 7.81, 8.19, 8.21].map((v) => verdict(read(v, 0.1), WANTED).sure)).toEqual([
      'sure',
      'near',
      'near',
      'sure',
      'sure',
      'near',
      'near',
      'sure',
    ]);
    expect(verdict(estimate(mm(0.5), 50_000), { min: mm(0.4), max: mm(0.9) }).sure).toBe('sure');
    expect(verdict(estimate(mm(0.3), 50_000), { min: mm(0.4), max: mm(0.9) }).sure).toBe('sure');
  });
  it('cannot tell where the doubt just fills the window, and a limit is reached', () => {
    // window 3, ±1½ fills it: 2·U = 3
    expect(verdict(read(6.6, 0.75), WANTED)).toMatchObject({ place: 'in', sure: 'cannotTell' });
    expect(verdict(read(6.6, 0.74), WANTED)).toMatchObject({ place: 'in', sure: 'near' });
    expect(verdict(read(6.5, 0.75), WANTED)).toMatchObject({ sure: 'sure' });
    expect(verdict(read(6.6, 0.75), WANTED, { unit: 'mm' }).because).toContain('mm');
  });
  it('cannot tell where readings spread as wide as the window and reach a limit; elsewhere the spread is no matter', () => {
    expect(said(read(6, 0.01), WANTED, { range: thou(3) })).toBe('in, cannotTell, accepted');
    expect(said(read(6, 0.01), WANTED, { range: thou(2.9) })).toBe('in, sure, accepted');
    expect(said(read(20, 0.01), WANTED, { range: thou(4) })).toBe('loose, sure');
    expect(said(read(10, 0.01), WANTED, { range: thou(4) })).toBe('loose, cannotTell');
    expect(said(read(2, 0.01), WANTED, { range: thou(4) })).toBe('tight, cannotTell');
    // limits of no width hold one value, and no spread is compared with them
    expect(said(read(6), { min: thou(6), max: thou(6) }, { range: thou(0) })).toBe('in, sure, accepted');
  });
  it('guarded takes what is in and sure only, and says no more than plain does', () => {
    expect(said(read(6.5), WANTED, { rule: 'guarded' })).toBe('in, sure, accepted');
    expect(said(read(7.9, 0.1), WANTED, { rule: 'guarded' })).toBe('in, near');
    expect(said(read(9), WANTED, { rule: 'guarded' })).toBe('loose, sure');
    expect(said(read(9))).toBe('loose, sure');
    expect(verdict(read(6.5), WANTED)).not.toHaveProperty('because');
    expect(verdict(read(7.9, 0.1), WANTED).because).toMatch(/within its doubt/);
  });
  it('turns round for what is tight when it is more: a drag with a least and no greatest is open above', () => {
    expect(said(read(4), WANTED, { moreIs: 'tight' })).toBe('loose, sure');
    expect(said(read(9), WANTED, { moreIs: 'tight' })).toBe('tight, sure');
    expect(said(read(900), { min: thou(5) }, { moreIs: 'tight' })).toBe('in, sure, accepted');
    expect(said(read(-3), { max: thou(5) }, { moreIs: 'tight' })).toBe('in, sure, accepted');
    // of a float a lone greatest is from nothing
    expect(said(read(-3), { max: thou(5) })).toBe('tight, sure');
  });
  it('with a least alone goes on for ever, and with neither there is nothing to be outside of', () => {
    expect(said(read(900), { min: thou(5) })).toBe('in, sure, accepted');
    expect(said(read(4), { min: thou(5) })).toBe('tight, sure');
  });
});

describe('a verdict of one side', () => {
  const least = (value: number): Reading => ({ kind: 'atLeast', value: thou(value) });
  const most = (value: number): Reading => ({ kind: 'atMost', value: thou(value) });
  it('is placed where all of it is on one side, and on the limit it is not', () => {
    expect(said(least(8.5))).toBe('loose, sure');
    expect(said(least(8))).toBe('unmeasured, cannotTell');
    expect(said(most(4.5))).toBe('tight, sure');
    expect(said(most(5))).toBe('unmeasured, cannotTell');
    expect(said(least(6))).toBe('unmeasured, cannotTell');
    expect(verdict(least(9), WANTED).probabilityIn).toBe(0);
    expect(verdict(most(4), WANTED).probabilityIn).toBe(0);
    expect(verdict(least(6), WANTED).probabilityIn).toBeNull();
  });
  it('is in where there is no end on its open side', () => {
    expect(verdict(least(6), { min: thou(5) })).toMatchObject({ place: 'in', sure: 'sure', probabilityIn: 1, accepted: true });
    expect(said(least(5), { min: thou(5) })).toBe('in, sure, accepted');
    expect(said(most(5), { max: thou(5) }, { moreIs: 'tight' })).toBe('in, sure, accepted');
    expect(said(most(6), { max: thou(5) }, { moreIs: 'tight' })).toBe('unmeasured, cannotTell');
  });
  it('says what would tell, in the unit of the job', () => {
    expect(verdict(least(6), WANTED).because).toBe('At least 6.0 thou: find the feeler that stops.');
    expect(verdict(most(6), WANTED).because).toBe('Under 6.0 thou, or none at all: find the feeler that goes.');
    expect(verdict(most(0), { max: thou(8) }).because).toMatch(/zero float or any preload/);
    expect(verdict({ kind: 'atLeast', value: mm(0.15) }, WANTED, { unit: 'mm' }).because).toBe('At least 0.150 mm: find the feeler that stops.');
  });
});
