import { describe, expect, it } from '@jest/globals';
import { thou } from '@elder-cog/core';
import { derive, taughtOf, type GapState, type ShaftState, type Taught } from './index.ts';
import { Story } from './testing.ts';

const taught = (story: Story): Taught | null => {
  const [shaft] = derive(structuredClone(story.facts)).shafts as [ShaftState];
  return taughtOf(story.facts, shaft, shaft.gaps[0] as GapState);
};
const inThou = (length: number): number => Math.round((length / 25_400) * 10) / 10;

describe('what the builds of a gap teach together', () => {
  it('is nothing of one build, nor of two that differ in their pack alone', () => {
    const story = new Story({ gasket: true });
    expect(taught(story)).toBeNull();
    story.build([20], { 'cover.bolts': 'hand tight' });
    story.read('0>12');
    expect(taught(story)).toBeNull();
    story.build([15]);
    story.read('0>7');
    expect(taught(story)).toBeNull();
  });
  it('is how far torque closes it, over whatever packs were in', () => {
    const story = new Story({ gasket: true });
    story.build([20], { 'cover.bolts': 'hand tight' });
    for (const text of ['0>12', '0>12', '0>12']) story.read(text);
    // 5 thinner would be 7, and torquing takes 2 of that
    story.build([15], { 'cover.bolts': 'torqued' });
    for (const text of ['0>5', '0>5', '0>5']) story.read(text);
    const [step] = taught(story)?.steps ?? [];
    expect(step).toMatchObject({ from: 'bolts hand tight', to: 'bolts torqued' });
    // a closure of 1½ as a rule draws it a little towards nothing
    expect(inThou(step?.value ?? NaN)).toBeGreaterThan(-2);
    expect(inThou(step?.value ?? NaN)).toBeLessThan(-1.5);
    expect(step?.U).toBeLessThan(thou(2));
    expect(taught(story)?.questioned).toEqual([]);
  });
  it('is how far the gap moves for one of its pack, from three packs on, held against the drawing', () => {
    const story = new Story({ gasket: true });
    for (const [pack, text] of [
      [20, '0>12'],
      [15, '0>7'],
      [25, '0>17'],
    ] as const) {
      story.build([pack], { 'cover.bolts': 'torqued' });
      for (const each of [text, text, text]) story.read(each);
    }
    expect(taught(story)?.coefficient).toMatchObject({ drawn: 1, agrees: true });
    expect(taught(story)?.coefficient?.value).toBeCloseTo(1, 5);
    expect(taught(story)?.coefficient?.U).toBeLessThan(0.3);
  });
  it('is nothing at all where a trial says otherwise than the drawing: one of the two is wrong', () => {
    const story = new Story({ gasket: true });
    for (const [pack, text] of [
      [20, '0>12'],
      [15, '0>17'],
      [25, '0>7'],
    ] as const) {
      story.build([pack], { 'cover.bolts': 'torqued' });
      for (const each of [text, text, text]) story.read(each);
    }
    expect(taught(story)).toBeNull();
  });
  it('asks about the build that does not fit the others', () => {
    const story = new Story({ gasket: true });
    const reads = ['0>12', '0>13½', '0>30', '0>7'];
    for (const [i, pack] of [20, 21, 18, 15].entries()) {
      story.build([pack], i === 0 ? { 'cover.bolts': 'torqued' } : {});
      story.read(reads[i] ?? '');
    }
    expect(taught(story)).toMatchObject({ steps: [], questioned: [{ build: 2 }] });
    expect(inThou(taught(story)?.questioned[0]?.by ?? NaN)).toBeGreaterThan(19);
  });
  it('leaves out builds of another shaft, as it were: before a part was changed', () => {
    const story = new Story({ template: 'hubByNut', place: 'betweenCones' });
    const [part] = story.facts.parts;
    const spare = story.id();
    if (part) story.facts.parts.push({ ...part, id: spare, name: 'Another hub' });
    story.build([20], { 'nut.set': 'hand tight' });
    story.read('0>40');
    story.build(null).fits.push({ id: story.id(), placeId: story.slot('hub'), leaves: [], state: null, partId: spare });
    story.read('0>12');
    expect(taught(story)).toBeNull();
    story.build(null, { 'nut.set': 'torqued' });
    story.read('0>11');
    expect(taught(story)?.steps).toMatchObject([{ from: 'nut hand tight', to: 'nut torqued' }]);
    expect(taught(story)?.questioned).toEqual([]);
  });
});
