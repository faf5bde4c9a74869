import { describe, expect, it } from '@jest/globals';
import { INSTRUMENTS, mm, type Instrument } from '@elder-cog/core';
import { derive, doubtsOf, sizeOf, type GapDoubt } from './index.ts';
import { Story } from './testing.ts';

/** A gear on a bush between washers, its sizes read; the washer is what is chosen, so that bush less gear less washer is the float. */
function told(
  sizes: readonly { readonly name: RegExp; readonly reads: readonly string[]; readonly by: Instrument | null }[],
  pack: number[] | null = [80],
) {
  const story = new Story({ template: 'gearOnBush', place: 'thrustWasher', limits: '5-8 thou' });
  story.build(pack);
  for (const { name, reads, by } of sizes) story.measure(name, reads, by);
  return {
    story,
    doubts: (): GapDoubt[] => {
      const [shaft] = derive(story.facts).shafts;
      const [gap] = shaft?.gaps ?? [];
      return shaft && gap ? doubtsOf(story.facts, shaft, gap) : [];
    },
  };
}

const { micMm, caliperMm } = INSTRUMENTS;
// JCGM 100: u² = s²/n + resolution²/12 + calibration², of one reading by each, nm
const ofMic = Math.hypot(2_000, 10_000 / Math.sqrt(12), 2_000);
const ofCaliper = (n: number): number => Math.hypot(10_000 / Math.sqrt(n), 20_000 / Math.sqrt(12), 10_000);

const ALL = [
  { name: /^bush/, reads: ['58.00 mm'], by: micMm },
  { name: /^gear/, reads: ['51.80 mm'], by: caliperMm },
  { name: /washer/, reads: ['4.00 mm'], by: micMm },
];

describe('how sure a gap is', () => {
  it('by its sizes: as squares add, at the very worst, and which is best read again', () => {
    const [sizes] = told(ALL).doubts();
    // 58.00 − 51.80 − 4.00 − 80 thou (2.032) = 0.168
    expect(sizes?.by).toBe('sizes');
    expect(sizes?.value).toBe(mm(0.168));
    const u = Math.hypot(ofMic, ofCaliper(1), ofMic);
    expect(sizes?.U).toBeCloseTo(2 * u, 3);
    const far = Math.sqrt(3) * (2 * ofMic + ofCaliper(1));
    expect((sizes?.worst.max ?? 0) - mm(0.168)).toBeCloseTo(far, -1);
    expect(mm(0.168) - (sizes?.worst.min ?? 0)).toBeCloseTo(far, -1);
    expect(sizes?.again?.label).toBe('gear, across its hub');
    expect(sizes?.again?.share).toBeCloseTo((ofCaliper(1) / u) ** 2, 9);
    expect(sizes?.again?.finer).toBeCloseTo(2 * Math.hypot(ofMic, ofMic, ofMic), 3);
    // one more by the caliper: its own spread comes down, its scale and its steps do not
    expect(sizes?.again?.U).toBeLessThan(2 * u);
    expect(sizes?.again?.U).toBeGreaterThan(2 * Math.hypot(ofMic, ofCaliper(100), ofMic));
    expect(sizes?.unsaid).toEqual([]);
  });

  it('read once more, it is as sure as was said', () => {
    const [before] = told(ALL).doubts();
    const [after] = told(ALL.map((each) => (each.name.test('gear') ? { ...each, reads: ['51.80 mm', '51.80 mm'] } : each))).doubts();
    expect(after?.U).toBeCloseTo(before?.again?.U ?? NaN, 3);
  });

  it('two instruments that do not agree on a size are said to; what nobody said it was read with is held against none', () => {
    const { story } = told(ALL);
    const feature = story.facts.features.find((f) => f.name.startsWith('gear'));
    const at = story.facts.stations.find((s) => s.reads?.what === 'feature' && s.reads.feature === feature?.id)?.id ?? '';
    if (!feature) throw new Error('no gear');
    expect(sizeOf(story.facts, feature).disagree).toBeNull();
    story.read('51.95 mm', { method: 'size', instrument: micMm }, at);
    expect(sizeOf(story.facts, feature).disagree?.difference).toBe(mm(0.15));
    story.read('51.95 mm', { method: 'size', instrument: null }, at);
    expect(sizeOf(story.facts, feature).disagree).toBeNull();
  });

  it('names sizes of which nobody said what they were read with, and takes them as they are', () => {
    const [sizes] = told(ALL.map((each) => (each.name.test('bush, length') ? { ...each, by: null } : each))).doubts();
    expect(sizes?.unsaid).toEqual(['bush, length']);
    expect(sizes?.U).toBeCloseTo(2 * Math.hypot(ofCaliper(1), ofMic), 3);
    const [none] = told(ALL.map((each) => ({ ...each, by: null }))).doubts();
    expect([none?.U, none?.again, none?.unsaid.length]).toEqual([0, null, 3]);
  });

  it('has none by its sizes while one is not known, or what is in', () => {
    expect(told(ALL.slice(1)).doubts()).toEqual([]);
    expect(told(ALL, null).doubts()).toEqual([]);
  });

  it('as read: the ±U it is judged by; of what it was reckoned to be, too; of a bound, none', () => {
    const { story, doubts } = told([]);
    story.read('6 5½ 6');
    const [gap] = derive(story.facts).shafts[0]?.gaps ?? [];
    const [read] = doubts();
    expect(read?.by).toBe('reading');
    expect(read?.value).toBe(gap?.now.reading?.value);
    expect(read?.U).toBeCloseTo(gap?.now.U ?? NaN, 6);
    story.build([79]);
    expect(doubts()[0]?.value).toBe((read?.value ?? 0) + 25_400);
    const bound = told([]);
    bound.story.read('goes 6', { method: 'feelers', instrument: INSTRUMENTS.feelersThou });
    expect(bound.doubts()).toEqual([]);
  });
});
