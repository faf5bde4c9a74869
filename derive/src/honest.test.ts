import { describe, expect, it } from '@jest/globals';
import { newRow, NOT_MEASURED } from '@elder-cog/contract';
import { FEATURES, INSTRUMENTS, mm, nanometres, thou, type FeatureKindName, type Length } from '@elder-cog/core';
import { derive, expectedAround, expectedOfGap, gapQuantity, spoils, withSpacer, type GapState, type JobState } from './index.ts';
import { Story } from './testing.ts';

/** What the screen advises never contradicts what it says; nothing that spoils a reading goes uncounted for. */

const inThou = (nm: number | null | undefined): number | null => (nm === null || nm === undefined ? null : nm / 25_400);
const gap = (story: Story): GapState => derive(story.facts).shafts[0]?.gaps[0] as GapState;
const next = (story: Story): JobState['next'] => derive(story.facts).next;
const rests = (item: string, answer: string) => ({ restsOn: [{ item, answer }] });

describe('two depths, and the cover down', () => {
  const depths = { method: 'depths' as const, instrument: INSTRUMENTS.depthInch, heights: '.340' };
  const thickness = (crushed: number, free: number, during: 'out' | 'loose' | 'clamped') => ({ crushed: thou(crushed), free: thou(free), during });
  it.each([
    ['out: 0.346 − 0.340 and a gasket of 10 is 16', thickness(10, 10, 'out'), 16],
    ['lying loose: it takes off what it is crushed by, 6 − 3', thickness(10, 13, 'loose'), 3],
    ['clamped: it is in the depth already', thickness(10, 13, 'clamped'), 6],
  ] as const)('count the gasket that was %s', (_, gasket, float) => {
    const story = new Story({ gasket: true });
    story.build([]);
    story.read('.346', { ...depths, gasket });
    expect(inThou(gap(story).now.reading?.value)).toBeCloseTo(float, 6);
  });
  it('take off the parallels that were said beside them, each its own', () => {
    const story = new Story();
    story.build([]);
    story.read('1.346', { ...depths, heights: '.840', parallels: { depths: thou(1000), heights: thou(500) } });
    expect(inThou(gap(story).now.reading?.value)).toBeCloseTo(6, 6);
  });
  it('six readings over 6 thou are no surer than their spread: ± more than 2', () => {
    const story = new Story();
    story.build([]);
    story.read('.343 .349 .346 .344 .348 .346', { ...depths, heights: '.340 .340 .340' });
    const [U, one] = [inThou(gap(story).now.U) ?? 0, new Story()];
    expect(U).toBeGreaterThan(1.5);
    one.build([]);
    one.read('.346 .346 .346 .346 .346 .346', { ...depths, heights: '.340 .340 .340' });
    expect(inThou(gap(one).now.U) ?? 0).toBeLessThan(U / 1.5);
  });
  it('the cover down by hand without its gasket: the pack in and the gasket, less what was under the flange', () => {
    const story = new Story({ gasket: true });
    story.build([15]);
    story.read('goes 8 stops 9', { method: 'coverDown', instrument: INSTRUMENTS.feelersThou, gasket: thickness(10, 10, 'out') });
    expect(inThou(gap(story).now.reading?.value)).toBe(16.5);
  });
});

describe('what a reading rests on', () => {
  const read = (...with_: Parameters<typeof rests>) => {
    const story = new Story();
    story.build([15]);
    story.read('24', rests(...with_));
    return gap(story);
  };
  it('moved one way only, it is at least so much', () => {
    expect(read('moved', 'one way')).toMatchObject({
      now: { reading: { kind: 'atLeast', value: thou(24) } },
      verdict: { place: 'loose', sure: 'sure' },
    });
    const inside = new Story();
    inside.build([15]);
    inside.read('6', rests('moved', 'one way'));
    expect(gap(inside)).toMatchObject({ verdict: { place: 'unmeasured', sure: 'cannotTell', probabilityIn: null }, mark: 'cannotTell' });
  });
  it.each([
    ['turned', 'not turned', /turned to settle/],
    ['seated', 'not sure', /was home/],
  ])('%s: %s is near at most, and says so', (item, answer, why) => {
    expect(read(item, answer).verdict).toMatchObject({ place: 'loose', sure: 'near', because: expect.stringMatching(why) });
    expect(read(item, item === 'turned' ? 'turned' : 'cooled and home').verdict?.sure).toBe('sure');
  });
  it.each([
    ['dial', 'not square', /not square/],
    ['parallels', 'left on', /left on/],
  ])('%s: %s is kept, and not counted, with why', (item, answer, why) => {
    const { now, ladder, verdict } = read(item, answer);
    expect([now.kind, verdict]).toEqual(['none', null]);
    expect(now.kept[0]?.notCounted).toMatch(why);
    expect(ladder[0]).toMatchObject({ mark: 'unmeasured', reading: null });
  });
  it('a dial that is not square counts where its angle was given', () => {
    const story = new Story();
    story.build([15]);
    story.read('0>20', { ...rests('dial', 'not square'), instrument: { ...INSTRUMENTS.dialThou, stemAngle: 45 } });
    expect(inThou(gap(story).now.reading?.value)).toBeCloseTo(20 * Math.SQRT1_2, 3);
  });
  it('an answer that spoils something is marked so, and no other is', () =>
    expect([
      spoils('dial', 'not square'),
      spoils('dial', 'square'),
      spoils('moved', 'one way'),
      spoils('seal', 'no seal'),
      spoils('dial', null),
    ]).toEqual([true, false, true, false, false]));
  it('the first word of a build’s bolts stands: a later reading rewrites nothing', () => {
    const story = new Story();
    story.build([15]);
    story.read('24', rests('cover.bolts', 'torqued'));
    story.read('24', rests('cover.bolts', 'hand tight'));
    expect(derive(story.facts).shafts[0]?.slots.find((s) => s.slot.role === 'cover.bolts')?.fitting.state).toBe('torqued');
  });
  it('a stand that moved spoils its own reading, and not those that were right', () => {
    const story = new Story();
    story.build([15]);
    for (const text of ['6', '6½', '88>12>70']) story.read(text);
    expect(gap(story)).toMatchObject({ mark: 'in', now: { range: thou(0.5), values: [thou(6), thou(6.5)] } });
    expect(gap(story).ladder[0]?.mark).toBe('in');
  });
});

describe('advice and verdict', () => {
  it('nothing is pushed where it is right, or where nobody can tell', () => {
    const right = new Story();
    right.build([15]);
    right.read('6½');
    right.read('6½');
    expect([gap(right).mark, gap(right).needsPack]).toEqual(['in', false]);
    expect(next(right).what).not.toBe('fit');
    const doubtful = new Story();
    doubtful.build([15]);
    for (const text of ['5', '8½']) doubtful.read(text);
    expect(gap(doubtful)).toMatchObject({ mark: 'cannotTell', needsPack: false });
    expect(next(doubtful)).toMatchObject({ what: 'readAgain' });
  });
  it('what no pack reaches is said, and no window that cannot be', () => {
    const story = new Story({ place: 'behindCup' });
    story.build([4]);
    story.read('1');
    // thicker closes it: 4 out gives 5 at most; with a gap of −3 wanted there is nothing left to take out
    const tight = new Story({ place: 'underCover', limits: 'preload 20-30 thou' });
    tight.build([4]);
    tight.read('6');
    expect(gap(tight).pack?.window).toMatchObject({ reachable: false });
    expect(gap(tight).needsPack).toBe(false);
    expect(next(tight)).toMatchObject({
      what: 'make',
      words: expect.stringContaining('No pack brings'),
      detail: expect.stringContaining('take metal off'),
    });
    const window = gap(story).pack?.window;
    expect(window && window.ideal >= window.min && window.ideal <= window.max).toBe(true);
  });
  it('a trial that contradicts the drawing offers nothing until one of the two is put right', () => {
    const story = new Story();
    story.build([10]);
    story.read('10');
    story.build([20]);
    story.read('2');
    expect(gap(story).pack).toMatchObject({ window: null, refusal: { code: 'contradiction' } });
    expect([gap(story).needsPack, next(story).what]).toEqual([false, 'readAgain']);
    expect(next(story).words).toContain('which way');
  });
  it('26 ± 1.4 against 2 to 4 is loose, surely; a half-thou feeler and a two against 1 is nobody’s to say', () => {
    const far = new Story({ limits: '2-4 thou' });
    far.build([10]);
    for (const text of ['25', '27', '26']) far.read(text);
    expect(gap(far).verdict).toMatchObject({ place: 'loose', sure: 'sure' });
    const wide = new Story({ limits: 'max 1 thou' });
    wide.build([10]);
    wide.read('goes 1/2 stops 2', { method: 'feelers', instrument: INSTRUMENTS.feelersThou });
    expect(gap(wide)).toMatchObject({ mark: 'cannotTell', verdict: { sure: 'cannotTell' } });
  });
  it('a build that was torqued and not read: the closing is the torque’s, and not the seating’s', () => {
    const story = new Story();
    story.build([20], { 'cover.bolts': 'hand tight' });
    story.read('12');
    story.build(null, { 'cover.bolts': 'torqued' });
    story.build([15]);
    story.read('5');
    expect(gap(story).lessons.map((l) => l.words)).toEqual(['Tightening closed it by 2.0 thou.']);
  });
  it('a metric job is told in millimetres: sentences, lessons and what is next', () => {
    const story = new Story();
    Object.assign(story.facts.limits[0] ?? {}, { min: mm(0.05), max: mm(0.1), unit: 'mm', written: '0.05-0.10 mm' });
    story.build([20]);
    story.read('0.41 mm', { instrument: INSTRUMENTS.dialMm });
    const { words, detail } = next(story);
    expect(gap(story).unit).toBe('mm');
    expect(`${words} ${detail}`).toMatch(/mm/);
    expect(`${words} ${detail}`).not.toMatch(/thou/);
    story.build([8]);
    story.read('0.09 mm', { instrument: INSTRUMENTS.dialMm });
    expect(
      gap(story)
        .lessons.map((l) => `${l.words} ${l.detail}`)
        .join(' '),
    ).not.toMatch(/thou/);
  });
});

describe('preload that no dial can see', () => {
  it('is judged by the pack: from a float, past nought, and the dial shows none', () => {
    const story = new Story({ limits: 'preload 1-3 thou' });
    story.build([20]);
    story.read('6');
    story.read('6');
    story.build([12]);
    story.read('40>40');
    expect(gap(story)).toMatchObject({ now: { byPack: true, reading: { kind: 'estimate', value: thou(-2) } }, mark: 'in' });
    expect(gap(story).now.because).toContain('by the pack');
    expect(next(story).what).not.toBe('read');
  });
  it('is not, where the two do not agree: it was to float 6, and shows none', () => {
    const story = new Story({ limits: 'preload 1-3 thou' });
    story.build([20]);
    story.read('6');
    story.build([20, 0.5]);
    story.read('40>40');
    expect(gap(story).now).toMatchObject({ byPack: false, reading: { kind: 'atMost' } });
  });
});

describe('with nothing', () => {
  it('no limits: it is read, and nothing is judged; they are asked for, and need not be', () => {
    const story = new Story({ limits: null });
    expect(next(story).what).toBe('limits');
    story.build([10]);
    expect(next(story).what).toBe('read');
    story.read('6');
    expect(gap(story)).toMatchObject({ verdict: null, mark: 'cannotTell', now: { reading: { value: thou(6) } } });
    expect(next(story)).toMatchObject({ what: 'limits', detail: expect.stringContaining('It reads 6 thou') });
  });
  it('a pack nobody measured: what to add is reckoned all the same', () => {
    const story = new Story();
    story.build(null, { pack: NOT_MEASURED }, 'as_found');
    story.read('2');
    expect(gap(story).pack).toMatchObject({ known: false, window: { ideal: thou(4.5), min: thou(3), max: thou(6) } });
    expect(next(story).words).toBe('Change the pack: add 4.5 thou, whatever is in.');
    story.read('2');
    const out = new Story();
    out.build(null, { pack: NOT_MEASURED }, 'as_found');
    out.read('20');
    expect(next(out).words).toBe('Change the pack: take out 13.5 thou, whatever is in.');
  });
  it('a single figure: held against it, and nothing judged by it', () => {
    const story = new Story();
    Object.assign(story.facts.limits[0] ?? {}, { min: null, max: null, nominal: thou(6), written: '6 thou' });
    story.build([10]);
    story.read('9');
    expect(gap(story)).toMatchObject({ limits: null, nominal: { value: thou(6) }, verdict: null, needsPack: false });
    expect(next(story).detail).toContain('judges nothing');
  });
});

describe('rows of the Wear book', () => {
  function row(kind: FeatureKindName, limit: { min?: number; max?: number }) {
    const story = new Story();
    const made = newRow({ of: { shaftId: story.facts.shafts[0]?.id ?? '' }, kind, name: 'Part', unit: 'mm', position: 100, newId: () => story.id() });
    story.facts.stations.push({ ...made, revision: 1 });
    const [first] = story.facts.limits;
    if (first)
      story.facts.limits.push({
        ...first,
        id: story.id(),
        stationId: made.id,
        min: limit.min === undefined ? null : mm(limit.min),
        max: limit.max === undefined ? null : mm(limit.max),
        unit: 'mm',
      });
    const read = (text: string, more = {}): void =>
      void story.read(text, { method: 'size', instrument: FEATURES[kind].instrument.mm, at: FEATURES[kind].places[0] ?? '', ...more }, made.id);
    const state = () => derive(story.facts).shafts[0]?.features.find((f) => f.station.id === made.id);
    return { story, read, state };
  }
  it('both ends of two-sided limits are judged: a bore too small is tight, one that is both is loose', () => {
    const small = row('bore', { min: 20, max: 20.05 });
    small.read('19.90');
    expect(small.state()).toMatchObject({ verdict: { place: 'tight', sure: 'sure' }, word: 'tight', mark: 'tight' });
    const both = row('bore', { min: 20, max: 20.05 });
    both.read('19.90 20.20');
    expect(both.state()?.verdict?.place).toBe('loose');
    const float = row('float', { min: 0.12, max: 0.23 });
    float.read('0.05 0.20');
    expect(float.state()?.mark).toBe('tight');
    const journal = row('journal', { min: 19.9, max: 20 });
    journal.read('20.10 19.95');
    expect(journal.state()).toMatchObject({ verdict: { place: 'tight' }, word: 'large' });
  });
  it('the chance is that of the lesser end: a least clearance exactly on its limit is a half', () => {
    const story = new Story();
    const { bore, journal } = story.pair('2-9 thou');
    story.size(bore, '', '.5024');
    story.size(journal, '', '.5004');
    const pair = derive(story.facts).shafts[0]?.pairs[0];
    expect(inThou(pair?.clearance?.least)).toBeCloseTo(2, 6);
    expect(pair?.verdict?.probabilityIn).toBeCloseTo(0.5, 2);
    expect(pair?.byPlace).toEqual([{ at: '', clearances: [thou(2)] }]);
  });
  it('a set after a repair speaks for the part, and the one before stays in sight', () => {
    const { read, state } = row('float', { max: 0.25 });
    read('0.36');
    expect(state()?.mark).toBe('loose');
    read('0.20', { newSet: 'after a repair' });
    read('0.20');
    expect(state()).toMatchObject({ mark: 'in', now: mm(0.2), earlier: [{ now: mm(0.36), why: 'after a repair' }] });
  });
  it('what one side alone told is kept as that, till there is better', () => {
    const { read, state } = row('float', { max: 0.25 });
    const feelers = { instrument: INSTRUMENTS.feelersMm };
    read('goes 0.30', feelers);
    expect(state()).toMatchObject({
      now: null,
      bound: { kind: 'atLeast', value: mm(0.3) },
      verdict: { place: 'loose', sure: 'sure' },
      mark: 'loose',
    });
    read('stops 0.20', feelers);
    expect(state()?.bound).toEqual({ kind: 'atMost', value: mm(0.2) });
    read('goes 0.15 stops 0.20', feelers);
    expect(state()).toMatchObject({ bound: null, now: mm(0.175) });
  });
});

describe('what is expected', () => {
  it('is a quarter to four times what was last known, and never closer than 3 thou', () => {
    expect(expectedAround(thou(12))).toEqual({ min: thou(3), max: thou(48) });
    expect(expectedAround(thou(2))).toEqual({ min: thou(-1), max: thou(8) });
    expect(expectedAround(thou(-2))).toEqual({ min: thou(-8), max: thou(1) });
    expect(withSpacer(expectedAround(thou(-2)), thou(10))).toEqual({ min: thou(2), max: thou(11) });
    expect(withSpacer(null, thou(10))).toBeNull();
  });
  it('at a gap comes of its last reading, stale or not; else of its limits while a pack is in; else nobody knows', () => {
    const story = new Story();
    expect(expectedOfGap(gap(story))).toBeNull();
    story.build([20]);
    expect(expectedOfGap(gap(story))).toEqual({ min: nanometres(thou(5) / 3), max: thou(24) });
    expect(gapQuantity(gap(story), 'dial')).toBe('float');
    story.read('12');
    story.build(null, { 'cover.bolts': 'torqued' });
    expect(gap(story).now.kind).toBe('stale');
    expect(expectedOfGap(gap(story))).toEqual({ min: thou(3), max: thou(48) });
    const none = new Story();
    none.build([]);
    expect([expectedOfGap(gap(none)), gapQuantity(gap(none), 'dial'), gapQuantity(gap(none), 'depths')]).toEqual([null, 'openFloat', 'depth']);
  });
});

it('the ladder of each shaft shows its own leaves', () => {
  const story = new Story();
  story.build([20]);
  story.read('12');
  const other = new Story();
  const second = derive(story.facts).shafts[0]?.gaps[0]?.ladder[0]?.leaves?.map((l) => l.thickness);
  expect(second).toEqual([thou(20)] satisfies Length[]);
  other.build(null, { pack: NOT_MEASURED }, 'as_found');
  expect(gap(other).ladder[0]?.leaves).toBeNull();
});
