import { describe, expect, it } from '@jest/globals';
import { mm, nanometres, thou, type Length } from '../quantity/index.ts';
import { chances, refusalOf } from '../testing.ts';
import { removalPlan, removalPlanSum, type RemovalPass, type RemovalQuestion } from './removalPlan.ts';

const SHIM: RemovalQuestion = {
  from: thou(12),
  window: { min: thou(9), max: thou(11.4), ideal: thou(10.5) },
  rate: 317.5,
  u: 2000,
  process: 'lap',
  log: [],
};

describe('taking off to size', () => {
  it('begins with a pass that four times what is usual could not overshoot', () => {
    // 1½ thou to go: 0.6 · 38 100 ÷ (4 · 317.5) = 18
    expect(removalPlan(SHIM)).toEqual({
      state: 'go',
      rate: 317.5,
      toGo: thou(1.5),
      next: { effort: 18, leaves: nanometres(12 * 25400 - 18 * 317.5) },
    });
  });
  it('learns what a stroke takes, and goes for six tenths of what is left at the most it may take', () => {
    // 18 strokes took 0.3 thou: 423.3 a stroke; most (423.3 + 3·√2·2000/18)·1.6 = 1431.6; 1.2 thou to go: 0.6 · 30 480 ÷ 1431.6 = 12.8
    const plan = removalPlan({ ...SHIM, log: [{ effort: 18, reading: thou(11.7) }] });
    expect(plan.rate).toBeCloseTo(423.33, 1);
    expect(plan.next?.effort).toBe(12);
  });
  it('never makes a pass over three times the last', () => {
    const plan = removalPlan({ ...SHIM, from: thou(40), u: 100, log: [{ effort: 10, reading: thou(39.9) }] });
    expect(plan.next?.effort).toBe(30);
    expect(removalPlan({ ...SHIM, from: thou(40), u: 0, log: [{ effort: 10, reading: thou(40) }] }).next?.effort).toBe(30);
  });
  it('tries ten strokes where nobody knows', () => {
    expect(removalPlan({ ...SHIM, rate: null }).next).toEqual({ effort: 10, leaves: thou(12) });
    expect(removalPlan({ ...SHIM, rate: null }).rate).toBeNull();
  });
  it('asks to measure where the last pass was not read', () =>
    expect(removalPlan({ ...SHIM, log: [{ effort: 18, reading: null }] })).toMatchObject({ state: 'measure' }));
  it('is done when it is surely inside, not before', () => {
    const at = (t: number): string => removalPlan({ ...SHIM, log: [{ effort: 18, reading: nanometres(thou(11.4) - t) }] }).state;
    expect([at(3999), at(4000)]).toEqual(['go', 'done']);
    expect(removalPlan({ ...SHIM, log: [{ effort: 18, reading: thou(9) }] }).state).toBe('done');
    expect(removalPlan({ ...SHIM, log: [{ effort: 18, reading: nanometres(thou(9) - 1) }] })).toMatchObject({
      state: 'past',
      rate: expect.any(Number),
    });
  });
  it('mirrors for honing', () => {
    const bore: RemovalQuestion = {
      from: mm(25.38),
      window: { min: mm(25.41), max: mm(25.43), ideal: mm(25.42) },
      rate: 500,
      u: 1000,
      process: 'hone',
      log: [],
    };
    expect(removalPlan(bore)).toMatchObject({ state: 'go', toGo: mm(0.04), next: { effort: 12, leaves: mm(25.386) } });
    expect(removalPlan({ ...bore, log: [{ effort: 12, reading: mm(25.412) }] }).state).toBe('done');
    expect(removalPlan({ ...bore, log: [{ effort: 12, reading: mm(25.4119) }] }).state).toBe('go');
    expect(removalPlan({ ...bore, log: [{ effort: 12, reading: mm(25.4301) }] }).state).toBe('past');
  });
  it('goes for the middle where nothing else is said', () =>
    expect(removalPlan({ ...SHIM, window: { min: thou(9), max: thou(11) } }).toGo).toBe(thou(2)));
  it('refuses what is no window and no pass', () => {
    expect(refusalOf(() => removalPlan({ ...SHIM, window: { ...SHIM.window, ideal: thou(12) } }))).toBe('badWindow');
    expect(refusalOf(() => removalPlan({ ...SHIM, log: [{ effort: 0, reading: thou(11) }] }))).toBe('notAPass');
    expect(refusalOf(() => removalPlan({ ...SHIM, u: NaN }))).toBe('notAnUncertainty');
  });
  it('has a sum that ends in the next pass', () =>
    expect(removalPlanSum(SHIM).map((l) => [l.label, Math.round(l.value)])).toEqual([
      ['read', 304_800],
      ['wanted', 266_700],
      ['to go', 38_100],
      ['one takes', 318],
      ['next pass', 18],
      ['leaves about', 299_085],
    ]));
});

/** One job followed blindly: each pass cuts what a stroke takes, a fifth more or less; each reading is off by u, more or less. */
function followed(
  seed: number,
  { windowU, process }: { windowU: number; process: RemovalQuestion['process'] },
): { passes: number; state: string; isPast: boolean } {
  const { next, normal } = chances(seed);
  const u = 1000 + 2000 * next();
  const way = process === 'hone' ? -1 : 1;
  const half = (windowU * u) / 2;
  const ideal = mm(2);
  const window = { min: nanometres(ideal - half), max: nanometres(ideal + half), ideal };
  // up to 0.3 mm to take off, and a stroke that takes from a third to three times what is usual
  let true_ = ideal + way * (half + 4 * u + next() * 300_000);
  const usual = 300;
  const stroke = usual * Math.exp((2 * next() - 1) * Math.log(3));
  const read = (): Length => nanometres(Math.round(true_ + u * normal()));
  const from = read();
  const log: RemovalPass[] = [];
  for (let i = 0; i < 60; i++) {
    const plan = removalPlan({ from, window, rate: usual, u, process, log });
    const isPast = way * (true_ - (process === 'hone' ? window.max : window.min)) < 0;
    if (plan.state !== 'go' || !plan.next || isPast) return { passes: log.length, state: plan.state, isPast };
    true_ -= way * stroke * plan.next.effort * Math.max(0, 1 + 0.2 * normal());
    log.push({ effort: plan.next.effort, reading: read() });
  }
  return { passes: 60, state: 'go', isPast: false };
}

describe('followed blindly, with a fifth of scatter from pass to pass and noisy measuring', () => {
  it.each(['lap', 'hone'] as const)('never leaves the far side of the window in 1000 seeds: %s', (process) => {
    for (const windowU of [8, 16, 30]) {
      const all = Array.from({ length: 1000 }, (_, i) => followed(i + 1, { windowU, process }));
      expect(all.filter((job) => job.isPast || job.state === 'past')).toEqual([]);
    }
  });
  it.each([
    [16, 8],
    [24, 8],
    [8, 12],
  ])('is done, where the window is %pu wide, in at most %p passes in 95 of 100', (windowU, most) => {
    const all = Array.from({ length: 1000 }, (_, i) => followed(i + 1, { windowU, process: 'lap' }));
    expect(all.filter((job) => job.state === 'done' && job.passes <= most).length).toBeGreaterThanOrEqual(950);
  });
});
