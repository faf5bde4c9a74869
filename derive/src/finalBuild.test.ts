import { describe, expect, it } from '@jest/globals';
import { closingOf, derive, feelsByBuild, inForNow, stillIn } from './index.ts';
import { Story } from './testing.ts';

const words = (story: Story): string[] => inForNow(story.facts, story.facts.assemblies[0]?.id ?? '').map((each) => each.words);

function count(story: Story, what: string, n: number, outOf: string | null = null): string {
  const id = story.id();
  const assemblyId = story.facts.assemblies[0]?.id ?? '';
  story.facts.temporaries.push({ id, assemblyId, buildId: null, what, count: n, outOf, who: '', at: '2026-01-03T00:00:00.000Z' });
  return id;
}

describe('what is in for the time being', () => {
  it('is what was counted in, till as much is counted out', () => {
    const story = new Story();
    const rags = count(story, 'rag in the case', 3);
    count(story, 'dummy shaft', 1);
    expect(words(story)).toEqual(['3 × rag in the case', 'dummy shaft']);
    count(story, 'rag in the case', 2, rags);
    expect(words(story)).toEqual(['rag in the case', 'dummy shaft']);
    const out = count(story, 'rag in the case', 1, rags);
    expect(stillIn(story.facts, story.facts.assemblies[0]?.id ?? '')).toHaveLength(1);
    story.facts.withdrawals.push({ id: story.id(), ofKind: 'temporary', ofId: out, who: '', at: '2026-01-04T00:00:00.000Z', why: '' });
    expect(words(story)).toEqual(['rag in the case', 'dummy shaft']);
  });
  it('is what its builds say does not stay: bolts let go or slave, an old gasket, bearings for trial', () => {
    const story = new Story({ gasket: true });
    story.build([20], { 'cover.bolts': 'hand tight', 'cover.gasket': 'old gasket', bearings: 'trial bearings' });
    expect(words(story)).toEqual(['old gasket', 'bolts hand tight', 'trial bearings']);
    story.torque('cover.bolts', 31, true);
    expect(words(story)).toEqual(['old gasket', 'cover bolts: slave', 'trial bearings']);
    story.torque('cover.bolts', 31);
    story.build(null, { 'cover.gasket': 'new gasket', bearings: 'own bearings' });
    expect(words(story)).toEqual(['a gasket that was in before: it is crushed, and is used once']);
    const built = story.build(null, {}, 'final');
    built.fits.push({ id: story.id(), placeId: story.slot('cover.gasket'), leaves: [], state: 'new gasket', another: true });
    expect(words(story)).toEqual([]);
  });
  it('is nothing where nothing was ever said', () => expect(words(new Story({ gasket: true }))).toEqual([]));
});

describe('another gasket of the same kind', () => {
  it('makes what was read stale, though the word for it is the same', () => {
    const story = new Story({ gasket: true });
    story.build([20], { 'cover.bolts': 'torqued', 'cover.gasket': 'new gasket' });
    story.read('0>6');
    const built = story.build(null, {}, 'final');
    built.fits.push({ id: story.id(), placeId: story.slot('cover.gasket'), leaves: [], state: 'new gasket', another: true });
    expect(derive(structuredClone(story.facts)).shafts[0]?.gaps[0]?.now).toMatchObject({ kind: 'stale', because: 'another gasket' });
  });
});

describe('a station that is done', () => {
  it('is so till that is taken back', () => {
    const story = new Story();
    story.build([20]);
    const readingId = story.read('0>6');
    expect(closingOf(story.facts, story.station.id)).toBeNull();
    const id = story.id();
    story.facts.closings.push({ id, stationId: story.station.id, readingId, who: '', at: '2026-01-03T00:00:00.000Z' });
    expect(closingOf(structuredClone(story.facts), story.station.id)?.readingId).toBe(readingId);
    story.facts.withdrawals.push({ id: story.id(), ofKind: 'closing', ofId: id, who: '', at: '2026-01-04T00:00:00.000Z', why: '' });
    expect(closingOf(structuredClone(story.facts), story.station.id)).toBeNull();
  });
});

describe('how a build felt', () => {
  it('stands with it, in the order it was said, and what was taken back does not', () => {
    const story = new Story();
    const built = story.build([20]);
    for (const word of ['smooth', 'a tight spot once a turn'])
      story.facts.feels.push({ id: story.id(), buildId: built.id, word, who: '', at: '2026-01-03T00:00:00.000Z' });
    const said = (): string[] => (feelsByBuild(structuredClone(story.facts)).get(built.id) ?? []).map(({ word }) => word);
    expect(said()).toEqual(['smooth', 'a tight spot once a turn']);
    const ofId = story.facts.feels[0]?.id ?? '';
    story.facts.withdrawals.push({ id: story.id(), ofKind: 'feel', ofId, who: '', at: '2026-01-04T00:00:00.000Z', why: '' });
    expect(said()).toEqual(['a tight spot once a turn']);
  });
});
