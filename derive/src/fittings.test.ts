import { describe, expect, it } from '@jest/globals';
import type { FitPart, Fitting, HeatingGo } from '@elder-cog/contract';
import { mm, nanometres } from '@elder-cog/core';
import { fittingState, hotNeighbour, type FittingState } from './index.ts';
import { Story } from './testing.ts';

const part = (what: string, material: string, more: Partial<FitPart>): FitPart => ({
  what,
  material,
  kind: 'plain',
  also: [],
  outside: null,
  bore: null,
  roughness: null,
  weight: null,
  temperature: null,
  ...more,
});

function fitted(more: Partial<Fitting> = {}): {
  story: Story;
  fitting: Fitting;
  state: () => FittingState;
  go: (more?: Partial<HeatingGo>) => HeatingGo;
} {
  const story = new Story();
  const fitting: Fitting = {
    id: story.id(),
    revision: 1,
    jobId: story.facts.job.id,
    name: 'Front cup',
    outer: part('case', 'aluminium casting alloy (silicon)', { kind: 'aluminium', bore: mm(62), outside: mm(92) }),
    inner: part('cup', 'bearing steel, hardened', { kind: 'rollingBearing', outside: mm(62.045), bore: mm(52) }),
    length: mm(18),
    journal: null,
    clearance: null,
    ease: mm(0.02),
    ambient: 20,
    humidity: 60,
    heating: 'oven',
    working: null,
    note: '',
    ...more,
  };
  story.facts.fittings.push(fitting);
  const state = (): FittingState => fittingState(structuredClone(story.facts), structuredClone(fitting));
  const go = (of: Partial<HeatingGo> = {}): HeatingGo => {
    const row: HeatingGo = {
      id: story.id(),
      fittingId: fitting.id,
      outer: 72,
      inner: null,
      went: 'droppedIn',
      isHome: null,
      note: '',
      who: '',
      at: '2026-03-01T10:00:00.000Z',
      ...of,
    };
    story.facts.heatings.push(row);
    return row;
  };
  return { story, fitting, state, go };
}

describe('a cup that goes into an aluminium case', () => {
  it('is so tight, and drops in at so much', () => {
    const { state } = fitted();
    expect(state().interference).toBe(mm(0.045));
    // by hand: (0.045 + 0.020) ÷ (62 · 21.5e-6) = 48.8 K
    expect(state().heat?.temperature).toBeCloseTo(20 + 0.065 / (62 * 21.5e-6), 6);
    expect(state().heat).toMatchObject({ ceiling: 120, overCeiling: false });
    expect(state().press?.effectiveInterference).toBe(mm(0.045));
    expect(state().missing).toEqual([]);
    expect(state().hand?.outer.temperature).toBeCloseTo(68.8, 1);
  });
  it('is loose above so many degrees when it works', () => {
    // 0.045 ÷ (62 · (21.5 − 11.9)e-6) = 75.6 K
    const { state } = fitted({ working: 100 });
    expect(state().hot?.looseAbove).toBeCloseTo(20 + 0.045 / (62 * 9.6e-6), 6);
    expect(state().hot?.interference as number).toBeLessThan(0);
    expect(fitted().state().hot).toBeNull();
  });
  it('says the ceilings of everything that is warmed, and of a temperature that is said', () => {
    const { fitting } = fitted();
    const codes = (outer: Partial<FitPart>, inner: Partial<FitPart> = {}): string[] =>
      fitted({ outer: { ...fitting.outer, ...outer }, inner: { ...fitting.inner, ...inner } })
        .state()
        .cautions.map((c) => c.code);
    expect(codes({ temperature: 120 })).not.toContain('overCeiling');
    expect(codes({ temperature: 121 })).toContain('overCeiling');
    expect(codes({ temperature: 101, also: ['lipSeal'] })).toContain('overCeiling');
    expect(codes({}, { temperature: 90 })).toContain('wrongPartHot');
    expect(codes({ temperature: 95 }, { temperature: 90 })).not.toContain('wrongPartHot');
    expect(codes({}, { temperature: -20 })).toContain('dew');
    expect(codes({})).not.toContain('dew');
  });
  it('drops in, the next time, where the like of it did', () => {
    const { story, fitting, state, go } = fitted();
    expect(state().before).toBeNull();
    const first = go();
    expect(state().before).toEqual({ celsius: 72, name: 'Front cup' });
    expect(state().goes).toHaveLength(1);
    // another of the same stuff nearly as big is the like of it; one much bigger is not
    const other: Fitting = { ...fitting, id: story.id(), name: 'Rear cup', outer: { ...fitting.outer, bore: mm(64) } };
    const bigger: Fitting = { ...fitting, id: story.id(), name: 'Big cup', outer: { ...fitting.outer, bore: mm(80) } };
    expect(fittingState(story.facts, other).before?.celsius).toBe(72);
    expect(fittingState(story.facts, bigger).before).toBeNull();
    story.facts.withdrawals.push({ id: story.id(), ofKind: 'heating', ofId: first.id, who: '', at: first.at, why: '' });
    expect(fittingState(structuredClone(story.facts), other).before).toBeNull();
  });
  it('is warned of where its neighbour is still hot, and not once that is home', () => {
    const { story, fitting, go } = fitted();
    const other: Fitting = { ...fitting, id: story.id(), name: 'Rear cup' };
    const first = go();
    expect(hotNeighbour(structuredClone(story.facts), other, '2026-03-01T10:12:00.000Z')).toEqual({ name: 'Front cup', minutes: 12 });
    expect(hotNeighbour(structuredClone(story.facts), other, '2026-03-01T10:31:00.000Z')).toBeNull();
    expect(hotNeighbour(structuredClone(story.facts), fitting, '2026-03-01T10:12:00.000Z')).toBeNull();
    story.facts.heatings.push({ ...first, id: story.id(), isHome: true, at: '2026-03-01T10:10:00.000Z' });
    expect(hotNeighbour(structuredClone(story.facts), other, '2026-03-01T10:12:00.000Z')).toBeNull();
  });
  it('says what is missing, and reckons nothing from it', () => {
    const { fitting } = fitted();
    const bare = fitted({ outer: { ...fitting.outer, bore: null, material: '' }, length: null }).state();
    expect(bare.missing).toEqual(['the bore of the case', 'the length that is held', 'what is outside is of']);
    expect([bare.interference, bare.press, bare.heat, bare.hand, bare.renewal]).toEqual([null, null, null, null, null]);
  });
});

describe('a bush that is put anew', () => {
  it('is reamed to the journal and its clearance once it is in', () => {
    const { state } = fitted({
      outer: part('gear', 'grey cast iron', { bore: mm(28.535), outside: mm(60) }),
      inner: part('bush', 'phosphor bronze', { outside: mm(28.575), bore: mm(25.2) }),
      length: mm(30),
      journal: mm(25.37),
      clearance: { min: mm(0.04), max: mm(0.06), written: '0.04-0.06', unit: 'mm' },
    });
    expect(state().renewal?.reamTo).toEqual({ min: mm(25.41), max: mm(25.43) });
    expect(state().renewal?.pressedBore as number).toBeLessThan(mm(25.2));
    expect(state().cautions.map((c) => c.code)).toContain('looseAbrasive');
  });
  it('weighs what its rings weigh where nobody weighed it', () => {
    const { hand } = fitted().state();
    // a ring of 62/52 × 18 of steel: 7830 · π/4·(0.062² − 0.052²)·0.018 · 460
    expect(hand?.inner.capacity).toBeCloseTo(7830 * (Math.PI / 4) * (0.062 ** 2 - 0.052 ** 2) * 0.018 * 460, 6);
    const { fitting } = fitted();
    expect(fitted({ inner: { ...fitting.inner, weight: 250 } }).state().hand?.inner.capacity).toBeCloseTo(0.25 * 460, 9);
  });
  it('of a metal round it that nobody measured is taken as thick', () => {
    const { fitting } = fitted();
    const thick = fitted({ outer: { ...fitting.outer, outside: null } }).state();
    const said = fitted({ outer: { ...fitting.outer, outside: nanometres(mm(124)) } }).state();
    expect(thick.press?.pressure).toBeCloseTo(said.press?.pressure as number, 9);
  });
});
