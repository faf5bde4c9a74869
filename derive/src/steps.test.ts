import { describe, expect, it } from '@jest/globals';
import { thou, type Length } from '@elder-cog/core';
import { derive, passTakes, sizeOf, stepBetween, type GapState, type ShaftState } from './index.ts';
import { Story } from './testing.ts';

const shaftsOf = (story: Story): readonly ShaftState[] => derive(structuredClone(story.facts)).shafts;
const gapOf = (story: Story, side = 0): GapState => shaftsOf(story)[side]?.gaps[0] as GapState;
const inThou = (length: number | undefined): number => Math.round(((length ?? NaN) / 25_400) * 10) / 10;

/** Read so often that its builds are known well: what is reckoned of them is near what they say. */
const readWell = (story: Story, text: string): void => {
  for (let i = 0; i < 6; i++) story.read(text);
};

/** A hub set by its nut: read loose at 14, and torqued at 12, with the pack that was in it. 5 to 8 is wanted; thicker gives more. */
function hub(): Story {
  const story = new Story({ template: 'hubByNut', place: 'betweenCones' });
  story.build([20], { 'nut.set': 'hand tight' });
  readWell(story, '0>14');
  story.torque('nut.set', 60);
  readWell(story, '0>12');
  return story;
}

describe('a closure that the builds taught', () => {
  it('carries a reading over the nut, once both ways were read', () => {
    const story = hub();
    story.build([15], { 'nut.set': 'hand tight' });
    const { now } = gapOf(story);
    // by hand: 12 − 5 = 7, and 2 open again as the nut is let go: 9, drawn a little towards nothing by what a closure is as a rule
    expect(now.kind).toBe('forecast');
    expect(inThou(now.reading?.value)).toBeGreaterThanOrEqual(8.8);
    expect(inThou(now.reading?.value)).toBeLessThanOrEqual(9);
    expect(now.because).toMatch(/^reckoned from build 0 · 60 N·m, and 1\.[89] thou that it opens, nut hand tight$/);
    // its doubt has grown by that of the step
    const before = gapOf(hub()).now;
    expect(now.U ?? 0).toBeGreaterThan(before.U ?? 0);
  });
  it('makes nothing of a state that was never read', () => {
    const story = new Story({ template: 'hubByNut', place: 'betweenCones' });
    story.build([20], { 'nut.set': 'hand tight' });
    readWell(story, '0>14');
    story.torque('nut.set', 60);
    expect(gapOf(story).now).toMatchObject({ kind: 'stale', because: 'nut torqued to 60 N·m' });
  });
  it('is still to come while the nut is let go: what must be read now is that much more', () => {
    const story = hub();
    story.build([15], { 'nut.set': 'hand tight' });
    readWell(story, '0>9');
    const { limits, verdict, mark } = gapOf(story);
    expect(limits?.still?.words).toBe('nut torqued to 60 N·m');
    // 5 to 8, and 2 that it will close: 7 to 10
    expect(inThou(limits?.limits.min)).toBeCloseTo(7, 0);
    expect(inThou(limits?.limits.max)).toBeCloseTo(10, 0);
    expect(verdict?.place).toBe('in');
    expect(mark).toBe('in');
    // 9 without that would be out of 5 to 8
    story.torque('nut.set', 60);
    readWell(story, '0>7');
    expect(gapOf(story)).toMatchObject({ mark: 'in', limits: { limits: { min: thou(5), max: thou(8) } } });
  });
  it('and the pack is reckoned so that it lands when it is torqued', () => {
    const story = hub();
    story.build([15], { 'nut.set': 'hand tight' });
    readWell(story, '0>14');
    const { pack } = gapOf(story);
    // 14 to the middle of 7 to 10 is 5½ out of 15
    expect(inThou(pack?.window?.ideal)).toBeCloseTo(9.5, 0);
    expect(pack?.window).toMatchObject({ reachable: true });
    // and the sum says so, last
    expect(pack?.sum.at(-1)).toMatchObject({ label: 'in the aim: torque still closes' });
  });
  it('is one torque further, each a build of its own', () => {
    const story = hub();
    story.torque('nut.set', 90);
    expect(gapOf(story).now).toMatchObject({ kind: 'stale', because: 'nut torqued to 90 N·m' });
    readWell(story, '0>11');
    expect(gapOf(story).ladder.map((row) => row.stage)).toEqual(['as found', 'dry, torqued to 60 N·m', 'dry, torqued to 90 N·m']);
    // bolts that stay, torqued alike, are no other state
    story.torque('nut.set', 90, true);
    expect(gapOf(story).now.kind).toBe('read');
  });
});

describe('steps one after another', () => {
  const step = (from: string, to: string, t: number, u = 1) => ({ from, to, value: thou(t), u: thou(u) });
  const steps = [step('a', 'b', -2, 3), step('b', 'c', -1, 4)];
  it('add up, and their doubts as squares do', () => {
    expect(stepBetween(steps, 'a', 'c')).toMatchObject({ value: thou(-3), u: thou(5) });
    expect(stepBetween(steps, 'c', 'a')).toMatchObject({ value: thou(3), u: thou(5) });
    expect(stepBetween(steps, 'b', 'a')).toMatchObject({ value: thou(2), u: thou(3) });
  });
  it('lead nowhere where nobody took them', () => {
    expect(stepBetween(steps, 'a', 'd')).toBeNull();
    expect(stepBetween(steps, 'a', 'a')).toBeNull();
    expect(stepBetween([], 'a', 'b')).toBeNull();
  });
});

describe('the other side', () => {
  it('lends what it learned, its doubt doubled, and says so', () => {
    const story = hub();
    const other = story.twin('Right hub');
    other.build([20], { 'nut.set': 'hand tight' });
    readWell(other, '0>11');
    const gap = gapOf(story, 1);
    const own = gapOf(story, 0);
    expect(own.borrowed).toBeUndefined();
    expect(gap.borrowed).toHaveLength(1);
    expect(gap.limits?.still).toMatchObject({ borrowed: 'Gearbox', words: 'nut torqued to 60 N·m' });
    // 11 now, 9 when torqued, 5 to 8 wanted: 2½ out
    expect(inThou(gap.limits?.limits.min)).toBeCloseTo(7, 0);
    expect(inThou(gap.pack?.window?.ideal)).toBeCloseTo(17.5, 0);
    other.torque('nut.set', 60);
    expect(gapOf(story, 1).now).toMatchObject({ kind: 'forecast' });
    expect(gapOf(story, 1).now.because).toMatch(/\(borrowed from the gearbox\)$/);
  });
  it('lends to one that says only that it is torqued', () => {
    const story = hub();
    const other = story.twin('Right hub');
    other.build([20], { 'nut.set': 'hand tight' });
    readWell(other, '0>11');
    other.build(null, { 'nut.set': 'torqued' });
    expect(inThou(gapOf(story, 1).now.reading?.value)).toBeCloseTo(9, 0);
  });
  it('lends nothing where nothing was said to be its other side', () => {
    const story = hub();
    const other = story.twin('Right hub');
    for (const box of story.facts.assemblies) box.mirrorOf = null;
    other.build([20], { 'nut.set': 'hand tight' });
    readWell(other, '0>11');
    expect(gapOf(story, 1).borrowed).toBeUndefined();
    expect(gapOf(story, 1).limits?.still).toBeUndefined();
  });
  it('makes way for what its own builds say', () => {
    const story = hub();
    const other = story.twin('Right hub');
    other.build([20], { 'nut.set': 'hand tight' });
    readWell(other, '0>11');
    other.torque('nut.set', 60);
    readWell(other, '0>10');
    other.build([18], { 'nut.set': 'hand tight' });
    // by hand: 10 − 2 = 8, and 1 opens again; the other side's 2 draws it a little
    expect(inThou(gapOf(story, 1).now.reading?.value)).toBeGreaterThan(8.9);
    expect(inThou(gapOf(story, 1).now.reading?.value)).toBeLessThan(9.4);
  });
});

describe('a part that was lapped', () => {
  /** A gear on a bush between two packs: the layshaft, everything read, its bush measured at 300. */
  function layshaft() {
    const story = new Story({ template: 'layshaft', place: 'inLine' });
    story.fit({ packP: 118, packQ: 124 });
    for (const { id } of story.gaps) story.read('0>9', {}, id);
    const bush = story.measure(/bush/i, ['300', '300'], null);
    const shaft = (): ShaftState => shaftsOf(story)[0] as ShaftState;
    return { story, bush, shaft, said: (): readonly string[] => shaft().gaps.map(({ now }) => now.kind) };
  }
  it('carries over the gaps that it is in, by what was taken off, and no others', () => {
    const { story, bush, shaft, said } = layshaft();
    story.lap(bush, 3);
    // the front gear runs on that length of it, and it lies in the sleeve's line; the cluster and the rear gear do not know of it
    expect(said()).toEqual(['read', 'forecast', 'read', 'forecast']);
    const values = shaft().gaps.map(({ now }) => inThou(now.reading?.value));
    // 3 shorter: 3 less for the gear that runs on it, 3 more for what lies in line with it
    expect(values).toEqual([9, 6, 9, 12]);
    expect(shaft().gaps[1]?.ladder[0]?.staleBecause ?? null).toBeNull();
  });
  it('says stale, and nothing more, where nobody measured how much', () => {
    const { story, bush, said, shaft } = layshaft();
    story.lap(bush, null);
    expect(said()).toEqual(['read', 'stale', 'read', 'stale']);
    expect(shaft().gaps[1]?.now.because).toBe('bush with a rib lapped');
  });
  it('is the reading that was taken back again where the lap was', () => {
    const { story, bush, said } = layshaft();
    const lap = story.lap(bush, 3);
    const built = story.facts.builds.at(-1)?.id ?? '';
    story.withdraw('build', built);
    const { id } = story.facts.removals.find((r) => r.id === lap) as { id: string };
    story.facts.withdrawals.push({ id: story.id(), ofKind: 'removal', ofId: id, who: '', at: '2026-01-03T00:00:00.000Z', why: '' });
    expect(said()).toEqual(['read', 'read', 'read', 'read']);
  });
  it('is of no known length till it is measured again, and then as it was measured', () => {
    const { story, bush } = layshaft();
    const size = (): Length | null | undefined => {
      const facts = structuredClone(story.facts);
      const feature = facts.features.find((f) => facts.stations.find((s) => s.id === bush)?.reads?.what === 'feature' && /bush/i.test(f.name));
      return feature && sizeOf(facts, feature).value;
    };
    expect(size()).toBe(thou(300));
    story.lap(bush, 3);
    expect(size()).toBeNull();
    story.read('297', { method: 'size', instrument: null }, bush);
    expect(size()).toBe(thou(297));
  });
});

describe('what a pass takes off', () => {
  it('is the mean of those that were measured here, and the other side’s where none was', () => {
    const story = new Story({ template: 'hubByNut', place: 'betweenCones' });
    const spacer = story.measure(/distance piece/i, ['60 mm'], null);
    const other = story.twin('Right hub');
    const theirs = other.measure(/distance piece/i, ['60 mm'], null);
    const takes = (station: string, process: 'lapped' | 'ground' = 'lapped') => passTakes(structuredClone(story.facts), station, process);
    expect(takes(spacer)).toBeNull();
    for (const amount of [3, 1, null]) story.lap(spacer, amount, null);
    expect(takes(spacer)).toEqual({ each: thou(2), passes: 2 });
    expect(takes(theirs)).toEqual({ each: thou(2), passes: 2, borrowed: 'Gearbox' });
    expect(takes(theirs, 'ground')).toBeNull();
    other.lap(theirs, 4, null);
    expect(takes(theirs)).toEqual({ each: thou(4), passes: 1 });
  });
});
