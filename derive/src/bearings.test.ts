import { describe, expect, it } from '@jest/globals';
import { newRollers, stripEntryOf, type PartFact, type RollerCount, type Rollers } from '@elder-cog/contract';
import { mm, readStripLine } from '@elder-cog/core';
import { bearingsOf, derive, rollersInStrip, rollerStates, type RollerState } from './index.ts';
import { Story } from './testing.ts';

const bearingsIn = (story: Story) => {
  const state = derive({ ...story.facts });
  return state.shafts.map((shaft) => bearingsOf(story.facts, shaft, state.shafts));
};
const partOf = (story: Story, name: string): PartFact => {
  const part = story.facts.parts.find((each) => each.name === name);
  if (!part) throw new Error(name);
  return part;
};
const numbered = (story: Story, name: string, number: string): void => {
  partOf(story, name).number = number;
};

describe('the bearings of a shaft', () => {
  it('lie as they take thrust: backs of the cups outwards where they are pushed in, inwards where the cones are drawn together', () => {
    const [pushed = []] = bearingsIn(new Story({ template: 'taperPair', place: 'underCover' }));
    expect(pushed.map(({ name, cupBack }) => [name, cupBack])).toEqual([
      ['Bearing, input end', 'inputSide'],
      ['Bearing, output end', 'outputSide'],
    ]);
    const [drawn = []] = bearingsIn(new Story({ template: 'hubByNut', place: 'betweenCones' }));
    expect(drawn.map(({ cupBack }) => cupBack)).toEqual(['outputSide', 'inputSide']);
  });

  it('one that stands 3 thou higher closes the float by 3, and asks 3 more under the cover', () => {
    const [[first] = []] = bearingsIn(new Story({ template: 'taperPair', place: 'underCover' }));
    expect(first?.effects).toHaveLength(1);
    expect(first?.effects[0]?.opens).toBe(-1);
    expect(first?.effects[0]?.packs.map(({ slot, by }) => [slot.role, by])).toEqual([['pack', 1]]);
  });

  it('behind a cup thicker closes: one that stands higher asks so much less', () => {
    const [[first] = []] = bearingsIn(new Story({ template: 'taperPair', place: 'behindCup' }));
    expect(first?.effects[0]?.packs.map(({ by }) => by)).toEqual([-1]);
  });

  it('between cones that a nut draws together it closes too, and asks so much more', () => {
    const [[first] = []] = bearingsIn(new Story({ template: 'hubByNut', place: 'betweenCones' }));
    expect(first?.effects.map(({ opens }) => opens)).toEqual([-1]);
    expect(first?.effects[0]?.packs.map(({ by }) => by)).toEqual([1]);
  });

  it('numbers one figure apart are asked about; the same, or quite others, are not', () => {
    const story = new Story();
    numbered(story, 'Cup, input end', '30307');
    numbered(story, 'Cone, input end', '31307');
    numbered(story, 'Cup, output end', '32208');
    expect(bearingsIn(story)[0]?.map(({ queries }) => queries.map(({ words }) => words))).toEqual([
      ['30307 on the cup, input end and 31307 on the cone, input end are one figure apart: read both again.'],
      [],
    ]);
    // both read again, and so: asked no more; one of the two alone is not enough
    const [cup, cone] = [partOf(story, 'Cup, input end'), partOf(story, 'Cone, input end')];
    cup.isReadAgain = true;
    expect(bearingsIn(story)[0]?.flatMap(({ queries }) => queries)).toHaveLength(1);
    cone.isReadAgain = true;
    expect(bearingsIn(story)[0]?.flatMap(({ queries }) => queries)).toEqual([]);
    delete cup.isReadAgain;
    numbered(story, 'Cone, input end', '30307');
    expect(bearingsIn(story)[0]?.flatMap(({ queries }) => queries)).toEqual([]);
  });
});

describe('loose rollers', () => {
  // 20 mm and 2.5 mm: 28, with 0.54 left (reckoning.md 7)
  const SIZES = { trackInner: mm(20), diameter: mm(2.5) };
  const set = (of: Partial<Rollers> = {}, ...counts: readonly Partial<RollerCount>[]): RollerState => {
    const story = new Story();
    const rollers = { ...newRollers({ assemblyId: 'box', placeId: null, name: 'Layshaft, front' }, () => 'r'), revision: 1, ...SIZES, ...of };
    const count = { rollersId: 'r', buildId: null, way: 'out' as const, count: 28, spacers: 0, snug: null, note: '', who: '', at: '' };
    story.facts.rollers.push(rollers);
    story.facts.rollerCounts.push(...counts.map((each, i) => ({ ...count, id: `c${i}`, ...each })));
    return rollerStates(story.facts)[0] as RollerState;
  };

  it('are as many as their sizes say, while nobody has counted', () =>
    expect(set()).toMatchObject({ fit: { count: 28 }, wanted: 28, out: null, in: null, queries: [], mark: 'unmeasured' }));
  it('counted out and in again the same, the last snug, are right', () =>
    expect(set({}, {}, { way: 'in', snug: true })).toMatchObject({ queries: [], mark: 'in', in: { count: 28 } }));
  it('one short is said, and is not right', () => {
    const state = set({}, {}, { way: 'in', count: 27, snug: false });
    expect(state).toMatchObject({ mark: 'cannotTell', queries: ['27 went in, and 28 belong there: one is missing.'] });
  });
  it('what came out wins over their sizes, and it is said where the two differ', () => {
    const state = set({}, { count: 27 });
    expect([state.wanted, state.queries.length]).toEqual([27, 1]);
    expect(state.queries[0]).toContain('By their sizes 28 go in, and 27 came out');
  });
  it('fewer out than had gone in: the rest is somewhere', () =>
    expect(set({}, {}, { way: 'in', snug: true }, { count: 26 })).toMatchObject({
      in: null,
      queries: ['28 went in and 26 came out: find the 2 that are missing.'],
    }));
  it('the last not snug is asked about even where the count is right', () =>
    expect(set({}, {}, { way: 'in', snug: false }).queries).toEqual([
      'The last did not go in snug: one is missing, or they are not all of one size.',
    ]));
  it('two rows with a spacer between: all of them, and the spacer', () => {
    const two = { rows: 2, spacers: 1 };
    expect(set(two)).toMatchObject({ wanted: 56 });
    expect(set(two, { count: 56, spacers: 1 }, { way: 'in', count: 56, snug: true }).queries).toEqual(['Spacers: 0 went in, and there should be 1.']);
  });
  it('that do not go between shaft and bore say so, and are not reckoned', () => {
    const state = set({ trackOuter: mm(24) });
    expect([state.fit, state.wanted, state.queries.length]).toEqual([null, null, 1]);
  });
  it('counted in the strip log are offered till they are put down', () => {
    const story = new Story();
    const [box] = story.facts.assemblies;
    const text = 'Layshaft needles, 28 rollers';
    const read = readStripLine(text, 'thou');
    if (!read) throw new Error(text);
    const belongs = { text, assemblyId: box?.id ?? '', shaftId: null, inventory: false, supersedes: null };
    story.facts.strip.push({ ...stripEntryOf(read, belongs), id: 's', who: '', at: '2026-02-01T10:00:00.000Z' });
    expect(rollersInStrip(story.facts, box?.id ?? '')).toEqual([{ name: 'Layshaft needles', count: 28 }]);
    story.facts.rollers.push({ ...newRollers({ assemblyId: box?.id ?? '', placeId: null, name: 'layshaft needles' }, () => 'r'), revision: 1 });
    expect(rollersInStrip(story.facts, box?.id ?? '')).toEqual([]);
  });
});
