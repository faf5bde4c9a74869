import { describe, expect, it } from '@jest/globals';
import { mm, thou } from '@elder-cog/core';
import { depthsOf, derive, doubtsOf, graphOf, NEW_SLEEVE, SLEEVE_CRUSHED, triedShaft, type GapState, type ShaftState } from './index.ts';
import { Story } from './testing.ts';

/** A pinion on a crush sleeve, preload 1 to 3 thou wanted, with its depth shim said. */
function pinion(place: 'behindCone' | 'behindCup' = 'behindCone') {
  const story = new Story({ template: 'pinionBySleeve', place, limits: 'preload 1-3 thou' });
  story.fit({ depthShim: 35 });
  const state = () => derive(structuredClone(story.facts));
  const shaft = (): ShaftState => state().shafts[0] as ShaftState;
  const gap = (): GapState => shaft().gaps[0] as GapState;
  return { story, state, shaft, gap, say: (word: string) => story.build(null, { sleeve: word }) };
}

describe('a float that a crush sleeve sets', () => {
  it('has no pack, and says how much shorter the sleeve is to become', () => {
    const { story, gap, state } = pinion();
    expect(state().next).toMatchObject({ what: 'read' });
    story.read('0>9');
    expect(gap()).toMatchObject({ adjuster: null, pack: null, needsPack: false, mark: 'loose' });
    // by hand: 9 float to 1 preload is 10, to 3 preload 12
    expect(gap().sleeve).toMatchObject({ sense: 1, refusal: null, crush: { min: thou(10), max: thou(12), ideal: thou(11), over: null } });
    expect(state().next).toMatchObject({
      what: 'fit',
      words: 'Draw the nut up: the sleeve 11 thou shorter.',
      detail: '10 to 12 lands inside. Small turns: it does not come back.',
    });
  });
  it('drawn up further is another length: what was read is stale, each time, and nothing is reckoned from it', () => {
    const { story, gap, say, state } = pinion();
    story.read('0>9');
    for (const read of ['0>6', '0>3']) {
      say(SLEEVE_CRUSHED);
      expect(gap()).toMatchObject({ mark: 'stale', now: { kind: 'stale', because: 'sleeve crushed further' }, sleeve: { crush: null } });
      expect(state().next).toMatchObject({ what: 'readAgain', detail: 'The last reading is stale: sleeve crushed further.' });
      story.read(read);
    }
    // 3 float now: 4 to 6 more
    expect(gap().sleeve?.crush).toMatchObject({ min: thou(4), max: thou(6) });
    say(NEW_SLEEVE);
    expect(gap().now).toMatchObject({ kind: 'stale', because: 'new sleeve' });
  });
  it('crushed too far does not come back: a new one is asked for', () => {
    const { story, gap, state } = pinion();
    story.limit('4-6 thou');
    for (const limit of story.facts.limits.slice(0, -1)) limit.inUse = false;
    const once = story.read('0>2');
    expect(gap()).toMatchObject({ mark: 'tight', sleeve: { crush: { over: thou(2) } } });
    expect(state().next).toMatchObject({ what: 'make', words: 'Put in a new crush sleeve.' });
    // half a thou is within what one reading of a dial is good for: nothing is scrapped on that
    story.withdraw('reading', once);
    story.read('0>3½');
    expect(gap().sleeve?.crush?.over).toBe(thou(0.5));
    expect(state().next).toMatchObject({ what: 'readAgain' });
  });
  it('that no dial can see any more is told by its drag', () => {
    const { story, gap, state } = pinion();
    story.read('0>0');
    expect(state().next).toMatchObject({ what: 'read', detail: expect.stringContaining('drag') as unknown });
    expect(gap().sleeve).toMatchObject({ crush: null, refusal: expect.stringContaining('drag') as unknown });
  });
  it.each(['behindCone', 'behindCup'] as const)('is stale where the depth shim %s was changed: the nut was off for that', (place) => {
    const { story, gap, shaft } = pinion(place);
    story.read('0>9');
    const depth = story.facts.stations.find((s) => s.subject === 'depth');
    story.read('2.50 mm', { method: 'size' }, depth?.id);
    story.fit({ depthShim: 30 });
    expect(gap().now).toMatchObject({ kind: 'stale' });
    expect(gap().now.because).toContain('sleeve undone with its nut');
    // where the pinion stands follows from its shim all the same: 5 thou thinner lets it back by that, 2.5 + 0.127
    expect(depthsOf(story.facts, shaft())[0]?.now).toMatchObject({ kind: 'forecast', reading: { value: mm(2.627) } });
  });
  it('is told so before another depth shim is fitted: what is tried is what comes of it', () => {
    const { story, shaft, gap } = pinion();
    story.read('0>9');
    const would = triedShaft(story.facts, shaft(), [{ slotId: story.slot('depthShim'), leaves: [Story.leaf(30)] }]);
    expect(would.gaps[0]?.now).toMatchObject({ kind: 'stale', because: expect.stringContaining('sleeve undone') as unknown });
    expect(gap().now.kind).toBe('read');
  });
  it('is as long as it was measured only till it is drawn up: then its length follows from the float', () => {
    const { story, shaft, gap, say } = pinion();
    for (const [name, size] of [
      [/^cone, head/, '17 mm'],
      [/^crush sleeve/, '44.3 mm'],
      [/^cone, tail/, '13 mm'],
      [/head bearing, T/, '19 mm'],
      [/tail bearing, T/, '15.2 mm'],
      [/^pinion housing/, '40 mm'],
    ] as const)
      story.measure(name, [size], null);
    // by hand: 17 + 44.3 + 13 - 19 - 40 - 15.2 = 0.1
    expect(gap().fromSizes).toEqual({ value: mm(0.1) });
    expect(doubtsOf(story.facts, shaft(), gap()).map(({ by }) => by)).toContain('sizes');
    const length = () =>
      graphOf(story.facts, shaft().shaft, { current: shaft().current }).lengths.find(({ name }) => name === 'crush sleeve')?.length;
    expect(length()).toBe(mm(44.3));
    say(SLEEVE_CRUSHED);
    expect(gap().fromSizes).toEqual({ missing: ['crush sleeve'] });
    expect(length()).toBeNull();
    expect(shaft().section.lengths.find(({ name }) => name === 'crush sleeve')?.size).toBeNull();
  });
  it('drawn up and taken back is as it was', () => {
    const { story, gap, say } = pinion();
    story.read('0>9');
    story.withdraw('build', say(SLEEVE_CRUSHED).id);
    expect(gap()).toMatchObject({ now: { kind: 'read', reading: { value: thou(9) } } });
  });
});
