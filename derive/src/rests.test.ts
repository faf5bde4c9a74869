import { describe, expect, it } from '@jest/globals';
import type { Method } from '@elder-cog/contract';
import { INSTRUMENTS, thou } from '@elder-cog/core';
import { derive, restItems, type RestItem, type ShaftState } from './index.ts';
import { Story } from './testing.ts';

const items = (story: Story, method: Method = 'dial'): ReadonlyMap<string, RestItem> =>
  new Map(restItems(story.facts, derive(story.facts).shafts[0] as ShaftState, story.station.id, method).map((i) => [i.item, i]));
const read = (story: Story, ...said: [string, string][]): string =>
  story.read('88>12', { restsOn: said.map(([item, answer]) => ({ item, answer })) });

describe('what a reading rests on', () => {
  it('bolts, gasket and a square dial are asked of everybody; the rest may be said', () => {
    const story = new Story({ gasket: true });
    story.build([20]);
    const asked = [...items(story).values()].filter((i) => i.asked).map((i) => i.name);
    expect(asked).toEqual(expect.arrayContaining(['Cover bolts', 'Dial']));
    expect(asked).not.toContain('Turned to settle');
    expect(items(story).get('turned')).toMatchObject({ known: null, lapsed: false });
  });
  it('depths are asked whether the parallels came off, and a dial is not', () => {
    const story = new Story();
    story.build([20]);
    expect(items(story, 'depths').get('parallels')?.asked).toBe(true);
    expect(items(story, 'depths').has('dial')).toBe(false);
    expect(items(story).has('parallels')).toBe(false);
  });
  it('is carried forward as last build while only the pack is changed', () => {
    const story = new Story();
    story.build([20]);
    read(story, ['turned', 'turned'], ['moved', 'both ways'], ['dial', 'square']);
    story.build([12]);
    expect(items(story).get('turned')).toMatchObject({ known: 'turned', asked: false });
    expect(items(story).get('moved')?.known).toBe('both ways');
  });
  it('comes back as a question when anything else was changed, and must be touched; a square dial holds', () => {
    const story = new Story({ gasket: true });
    story.build([20], { 'cover.bolts': 'hand tight' });
    read(story, ['turned', 'turned'], ['dial', 'square']);
    story.build(null, { 'cover.bolts': 'torqued' });
    expect(items(story).get('turned')).toMatchObject({ known: null, lapsed: true, asked: true });
    expect(items(story).get('dial')).toMatchObject({ known: 'square', lapsed: false });
    read(story, ['turned', 'turned']);
    expect(items(story).get('turned')).toMatchObject({ known: 'turned', lapsed: false });
  });
  it('a dial said not to be square is asked again', () => {
    const story = new Story();
    story.build([20]);
    read(story, ['dial', 'not square']);
    expect(items(story).get('dial')).toMatchObject({ known: null, asked: true });
  });
  it('trial bearings said with one reading make it stale when the own ones go in', () => {
    const story = new Story();
    story.build([20]);
    const bearings = [...items(story).values()].find((i) => i.name === 'Bearings');
    expect(bearings).toMatchObject({ known: null, asked: false });
    read(story, [bearings?.item ?? '', 'trial bearings']);
    expect(items(story).get(bearings?.item ?? '')?.known).toBe('trial bearings');
    story.build(null, { [bearings?.item ?? '']: 'own bearings' });
    expect(derive(story.facts).shafts[0]?.gaps[0]?.now.kind).toBe('stale');
  });
});

describe('two methods on one gap', () => {
  const gapOf = (story: Story) => derive(story.facts).shafts[0]?.gaps[0];
  it('that agree make one reading, surer than either', () => {
    const story = new Story();
    story.build([20]);
    story.read('88>12');
    story.read('goes 23 stops 25', { method: 'feelers', instrument: INSTRUMENTS.feelersThou });
    const now = gapOf(story)?.now;
    expect(now).toMatchObject({ kind: 'read', disagree: null, methods: [{ name: 'Dial, 1 thou' }, { name: 'Feelers, thou' }] });
    const [dial, feelers] = now?.methods ?? [];
    const u = (m: typeof dial): number => (m?.reading.kind === 'estimate' ? m.reading.u : NaN);
    expect(now?.reading?.kind === 'estimate' && now.reading.u).toBeLessThan(Math.min(u(dial), u(feelers)));
  });
  it('that do not both stand: no verdict, no pack, and a sentence that names them', () => {
    const story = new Story();
    story.build([20]);
    story.read('88>12');
    story.read('goes 30 stops 31', { method: 'feelers', instrument: INSTRUMENTS.feelersThou });
    const gap = gapOf(story);
    expect(gap).toMatchObject({ mark: 'cannotTell', verdict: null, pack: { window: null } });
    expect(gap?.now.because).toMatch(/Two methods disagree: dial 24.0, feelers 30.5 thou, and they may differ by \d/);
    expect(gap?.now.reading?.value).toBe(thou(30.5));
  });
  it('one of them taken back, the other speaks again; and what was taken back is struck through with why', () => {
    const story = new Story();
    story.build([20]);
    story.read('88>12');
    const wrong = story.read('goes 30 stops 31', { method: 'feelers', instrument: INSTRUMENTS.feelersThou });
    story.withdraw('reading', wrong);
    expect(gapOf(story)?.now).toMatchObject({ kind: 'read', disagree: null, struck: [{ text: 'goes 30 stops 31' }] });
    expect(gapOf(story)?.now.reading?.value).toBe(thou(24));
  });
});
