import { describe, expect, it } from '@jest/globals';
import type { Making, Pass } from '@elder-cog/contract';
import { INSTRUMENTS, mm, thou, type Length } from '@elder-cog/core';
import {
  derive,
  gapWith,
  madeWindow,
  makingState,
  materialNamed,
  sheetOf,
  stockChoices,
  writtenSize,
  type GapState,
  type MakingState,
  type StockOffered,
} from './index.ts';
import { Story } from './testing.ts';

/** 28 in under the cover, 24 read, 5 to 8 wanted: 9 to 12 to make, 10½ aimed at (reckoning.md 5). */
function begun(beside: Making['beside'] = []): { story: Story; making: Making; state: () => MakingState; gap: () => GapState } {
  const story = new Story();
  story.build([28]);
  story.read('24');
  const gap = (): GapState => derive(structuredClone(story.facts)).shafts[0]?.gaps[0] as GapState;
  const { pack } = gap();
  const window = pack?.window ? madeWindow(pack.window, beside) : null;
  if (!window) throw new Error('nothing to make');
  const making: Making = {
    id: story.id(),
    revision: 1,
    jobId: story.facts.job.id,
    name: 'Shim under the cover',
    form: { kind: 'shim', sizes: { inner: mm(62.5), outer: mm(92), thickness: window.ideal }, counts: {} },
    placeId: story.slot('pack'),
    gapId: story.station.id,
    sizeId: null,
    window: { ...window, from: story.facts.readings[0]?.id ?? null },
    beside,
    material: 'brass',
    blank: { size: thou(12), written: '12', unit: 'thou' },
    process: 'lap',
    state: 'open',
    lotId: null,
    note: '',
    who: '',
    at: '2026-01-03T00:00:00.000Z',
  };
  story.facts.makings.push(making);
  const state = (): MakingState => {
    const facts = structuredClone(story.facts);
    return makingState(facts, derive(facts).shafts, facts.makings.find((m) => m.id === making.id) as Making);
  };
  return { story, making, state, gap };
}

const pass = (story: Story, makingId: string, effort: number, readings: readonly number[]): Pass => {
  const row: Pass = {
    id: story.id(),
    makingId,
    effort,
    readings: readings.map((t) => thou(t)),
    written: readings.join(' '),
    instrument: INSTRUMENTS.micInch,
    who: '',
    at: '2026-01-03T00:00:00.000Z',
  };
  story.facts.passes.push(row);
  return row;
};

describe('something that is made for a place', () => {
  it('has the window of its pack, inside what is sure', () => {
    const { gap, making } = begun();
    const sure = gap().pack?.window?.sure;
    expect(sure && [making.window?.min, making.window?.max]).toEqual([sure?.min, sure?.max]);
    expect(making.window?.min as number).toBeGreaterThan(thou(9));
    expect(making.window?.max as number).toBeLessThan(thou(12));
    expect(making.window?.ideal).toBe(thou(10.5));
  });
  it('is thinner by what goes in beside it', () => {
    const beside = [Story.leaf(4), Story.leaf(3)];
    const { making } = begun(beside);
    const alone = begun().making;
    expect(making.window?.ideal).toBe(thou(3.5));
    expect((alone.window?.max as number) - (making.window?.max as number)).toBe(thou(7));
    // nothing is made that is less than nothing
    expect(
      madeWindow({ ...(alone.window as { min: Length; max: Length; ideal: Length }), sure: null, reachable: true }, [Story.leaf(12)]),
    ).toBeNull();
  });
  it('is planned from what was read of it as cut, and says what its gap comes to', () => {
    const { story, making, state } = begun();
    expect(state()).toMatchObject({ from: null, now: null, plan: null, then: null });
    pass(story, making.id, 0, [12, 12, 12]);
    expect(state().plan).toMatchObject({ state: 'go', rate: null, toGo: thou(1.5), next: { effort: 10 } });
    // as cut: 24 + (12 − 28) = 8
    expect(state().then?.value).toBe(thou(8));
    pass(story, making.id, 10, [11.7, 11.7, 11.7]);
    expect(state().plan?.rate).toBeCloseTo(thou(0.3) / 10, 6);
    expect(state().passes.map((p) => p.toGo)).toEqual([thou(1.5), thou(1.2)]);
    expect(state().then?.value).toBe(thou(7.7));
  });
  it('that was lapped and not read says to measure it, and the strokes count with those of the next that was', () => {
    const { story, making, state } = begun();
    pass(story, making.id, 0, [12]);
    pass(story, making.id, 10, []);
    expect(state().plan?.state).toBe('measure');
    pass(story, making.id, 10, [11.6]);
    expect(state().plan?.rate).toBeCloseTo(thou(0.4) / 20, 6);
  });
  it('that was read again with nothing taken off is as it was read last', () => {
    const { story, making, state } = begun();
    pass(story, making.id, 0, [12]);
    pass(story, making.id, 0, [12.1]);
    expect(state().plan?.toGo).toBe(thou(1.6));
    pass(story, making.id, 20, [11.7]);
    pass(story, making.id, 0, [11.5]);
    expect(state().plan).toMatchObject({ toGo: thou(1) });
    expect(state().plan?.rate).toBeCloseTo(thou(0.5) / 20, 6);
  });
  it('is done when it is surely inside, and past where it is through the far side', () => {
    const { story, making, state } = begun();
    pass(story, making.id, 0, [12, 12, 12]);
    const last = pass(story, making.id, 60, [10.6, 10.5, 10.6]);
    expect(state().plan?.state).toBe('done');
    story.facts.withdrawals.push({ id: story.id(), ofKind: 'pass', ofId: last.id, who: '', at: last.at, why: 'slip' });
    expect(state().plan?.state).toBe('go');
    pass(story, making.id, 60, [9.1, 9.1, 9.1]);
    expect(state().plan?.state).toBe('past');
  });
  it('of the same stuff begins at the rate that the last one took', () => {
    const { story, making, state } = begun();
    const other = { ...making, id: story.id(), state: 'made' as const };
    story.facts.makings.push(other);
    pass(story, other.id, 0, [12]);
    pass(story, other.id, 40, [11.5]);
    pass(story, making.id, 0, [12]);
    expect(state().plan?.rate).toBeCloseTo(thou(0.5) / 40, 6);
    // four times that at the first pass: 0.6 · 1.5 ÷ (4 · 0.0125) = 18
    expect(state().plan?.next?.effort).toBe(18);
    other.material = 'steel';
    expect(state().plan?.rate).toBeNull();
  });
  it('says where its window has moved since: another reading, or none that speaks', () => {
    const { story, state } = begun();
    expect(state().moved).toBeNull();
    story.read('22');
    expect(state().moved?.window?.ideal).not.toBe(thou(10.5));
    story.build([28], { bearings: 'another' });
    expect(state().moved?.window).toBeNull();
  });
});

describe('what it could be made from', () => {
  const stock = (id: string, t: number, isOwned = true): StockOffered => ({
    id,
    thickness: thou(t),
    written: String(t),
    unit: 'thou',
    material: 'brass',
    isOwned,
    keptIn: '',
  });
  it('is what lands as it is, then what takes the least lapping; what is owned before what is to be bought', () => {
    const { making, gap } = begun();
    const choices = stockChoices({ window: making.window as NonNullable<Making['window']>, gap: gap(), beside: [] }, [
      stock('eight', 8),
      stock('fifteen', 15),
      stock('twelve', 12),
      stock('thirteen', 13, false),
      stock('five', 5.25),
      stock('sixty', 60),
    ]);
    expect(choices.map(({ stock: s, does, leaves, takeOff }) => [s.id, does, leaves, takeOff])).toEqual([
      // two of 5¼ are 10½
      ['five', 'asItIs', 2, 0],
      ['twelve', 'lap', 1, thou(1.5)],
      ['fifteen', 'lap', 1, thou(4.5)],
      ['thirteen', 'lap', 1, thou(2.5)],
      ['eight', 'tooThin', 1, 0],
    ]);
    // 24 + (12 − 28) = 8, 24 + (8 − 28) = 4: tight
    expect(choices.map((c) => [c.stock.id, c.asCut?.value, c.asCut?.verdict?.place])).toEqual([
      ['five', thou(6.5), 'in'],
      ['twelve', thou(8), 'in'],
      ['fifteen', thou(11), 'loose'],
      ['thirteen', thou(9), 'loose'],
      ['eight', thou(4), 'tight'],
    ]);
  });
  it('is sheet and shim of the stock, not bar, and not what is neither owned nor to be had', () => {
    const row = {
      revision: 1,
      material: 'brass',
      width: null,
      outside: null,
      bore: null,
      length: null,
      written: '12',
      unit: 'thou' as const,
      owned: 1,
      canBuy: false,
      keptIn: '',
      note: '',
    };
    const rows = [
      { ...row, id: 'a', form: 'shim' as const, thickness: thou(12) },
      { ...row, id: 'b', form: 'bar' as const, thickness: null },
      { ...row, id: 'c', form: 'sheet' as const, thickness: thou(20), owned: 0 },
      { ...row, id: 'd', form: 'sheet' as const, thickness: thou(20), owned: 0, canBuy: true },
    ];
    expect(sheetOf(rows).map((s) => [s.id, s.isOwned])).toEqual([
      ['a', true],
      ['d', false],
    ]);
  });
  it('is called as it was written, with its unit where that is not in it', () => {
    expect(writtenSize({ written: '12', unit: 'thou' })).toBe('12 thou');
    expect(writtenSize({ written: '20 swg', unit: 'in' })).toBe('20 swg');
  });
  it('is of a material in the list, as far as its name says so', () => {
    expect(materialNamed('Shim brass')?.name).toBe('brass');
    expect(materialNamed('grey cast iron')?.name).toBe('grey cast iron');
    expect(materialNamed('unobtainium')).toBeNull();
  });
});

describe('a gap with another pack', () => {
  it('moves by the sense of its place, and nothing is said where nothing speaks', () => {
    const { story, gap } = begun();
    expect(gapWith(gap(), thou(10))?.value).toBe(thou(6));
    story.build([28], { bearings: 'another' });
    expect(gapWith(gap(), thou(10))).toBeNull();
  });
});
