import { describe, expect, it } from '@jest/globals';
import { INSTRUMENTS, parseLength, thou } from '@elder-cog/core';
import { derive, type GapState } from '@elder-cog/derive';
import { Story } from '../../../derive/src/testing.ts';
import { barState } from '../views/Section/barState.ts';
import { bareUnit, inBoth, understood } from './understood.ts';

const gapOf = (story: Story): GapState => derive(story.facts).shafts[0]?.gaps[0] as GapState;

describe('an entry', () => {
  it('understood is its value; not understood is one sentence', () => {
    expect(understood(() => parseLength('12 thou', 'mm'))).toBe(thou(12));
    expect(understood(() => parseLength('2 mm 3 thou', 'mm'))).toMatch(/^Two units in one entry/);
  });
  it('never hides a fault of the program', () => {
    expect(() =>
      understood(() => {
        throw new TypeError('a fault');
      }),
    ).toThrow('a fault');
  });
});

describe('the unit of a bare number', () => {
  const station = gapOf(new Story()).station;
  const limits = { limits: {}, fact: { unit: 'mm' } } as unknown as GapState['limits'];
  it('is the instrument’s', () => {
    expect(bareUnit({ station: { ...station, instrument: INSTRUMENTS.dialMm }, limits: null })).toBe('mm');
    expect(bareUnit({ station: { ...station, instrument: INSTRUMENTS.dialThou }, limits })).toBe('thou');
    expect(bareUnit({ station: { ...station, instrument: INSTRUMENTS.depthInch }, limits })).toBe('thou');
  });
  it('or the limits’, and thou where neither is known', () => {
    expect(bareUnit({ station: { ...station, instrument: null }, limits })).toBe('mm');
    expect(bareUnit({ station: { ...station, instrument: null }, limits: null })).toBe('thou');
  });
});

describe('said back in both systems', () => {
  it('a gap in thou and millimetres', () => {
    expect(inBoth(thou(24))).toBe('24.0 thou · 0.610 mm');
    expect(inBoth(thou(-2))).toBe('−2.0 thou · −0.051 mm');
  });
});

describe('what the limit bar is given', () => {
  it('of a fresh reading: needle, doubt and aim, no forecast', () => {
    const story = new Story();
    story.build([20, 8]);
    story.read('24');
    const bar = barState(gapOf(story));
    expect(bar).toMatchObject({ reading: { value: thou(24), state: 'loose' }, forecast: null, aim: thou(6.5), earlier: [] });
    expect(bar.reading?.U).toBeGreaterThan(0);
  });
  it('of a pack just fitted: a forecast and the build before it, no needle', () => {
    const story = new Story();
    story.build([20, 8]);
    story.read('24');
    story.build([6, 4]);
    expect(barState(gapOf(story))).toMatchObject({ reading: null, forecast: thou(6), earlier: [{ build: 0, value: thou(24) }] });
  });
  it('of a stale reading: its needle, marked so', () => {
    const story = new Story();
    story.build([10], { 'cover.bolts': 'hand tight' });
    story.read('6');
    story.build(null, { 'cover.bolts': 'torqued' });
    expect(barState(gapOf(story))).toMatchObject({ reading: { value: thou(6), state: 'stale' }, forecast: null });
  });
  it('of one side only: a bound', () => {
    const story = new Story();
    story.build([10]);
    story.read('goes 9', { method: 'feelers', instrument: INSTRUMENTS.feelersThou });
    expect(barState(gapOf(story)).reading).toMatchObject({ bound: 'atLeast', value: thou(9), state: 'loose' });
  });
  it('of nothing: limits alone, or not even those', () => {
    expect(barState(gapOf(new Story()))).toMatchObject({ reading: null, forecast: null, limits: { min: thou(5), max: thou(8) } });
    expect(barState(gapOf(new Story({ limits: null })))).toMatchObject({ limits: null, aim: null });
  });
  it('shows the last three builds at the most', () => {
    const story = new Story();
    for (const [pack, read] of [
      [20, 24],
      [18, 22],
      [16, 20],
      [14, 18],
      [12, 16],
    ] as const) {
      story.build([pack]);
      story.read(String(read));
    }
    expect(barState(gapOf(story)).earlier?.map((e) => e.build)).toEqual([1, 2, 3]);
  });
});
