import { describe, expect, it } from '@jest/globals';
import type { Fitted, Lot } from '@elder-cog/contract';
import { INSTRUMENTS, mm, TEMPLATES, thou, type Length } from '@elder-cog/core';
import {
  availableFor,
  derive,
  drawerReach,
  fittedIn,
  looseTemplates,
  looseSheet,
  type LooseEntry,
  onHand,
  packChoices,
  summary,
  type GapState,
} from './index.ts';
import { Story } from './testing.ts';

const gap = (story: Story): GapState => derive(story.facts).shafts[0]?.gaps[0] as GapState;
const inThou = (length: Length | null | undefined): number | null =>
  length === null || length === undefined ? null : Math.round((length / 25_400) * 10) / 10;
const torqued = { 'cover.bolts': 'torqued' };

describe('an empty book', () => {
  it('asks for one thing after another: a box, limits, the pack in now, a reading', () => {
    expect(derive({ ...new Story().facts, shafts: [], stations: [], places: [], contacts: [], features: [] }).next.what).toBe('setUp');
    expect(derive(new Story({ limits: null }).facts).next.what).toBe('limits');
    const story = new Story();
    expect(derive(story.facts).next.what).toBe('pack');
    story.build([20, 8]);
    expect(derive(story.facts).next.what).toBe('read');
    story.read('88>12');
    expect(derive(story.facts).next).toMatchObject({ what: 'fit', words: 'Change the pack: 10.5 thou wanted.' });
    story.build([6, 4]);
    expect(derive(story.facts).next.what).toBe('readAgain');
    story.read('6½');
    expect(derive(story.facts).next.what).toBe('check');
    for (const check of derive(story.facts).shafts[0]?.checks ?? [])
      story.read('yes', { method: 'look', answer: 'yes', instrument: null }, check.station.id);
    expect(derive(story.facts).next.what).toBe('done');
  });
  it('takes “none” for a pack that is known to be nothing', () => {
    const story = new Story();
    story.build([]);
    expect(derive(story.facts).next.what).toBe('read');
  });
});

describe('a reading', () => {
  it('gives the window of packs with its Sum: 28 in, 24 read, 5–8 wanted, thicker opens: 9 to 12, aim 10½', () => {
    const story = new Story();
    story.build([20, 8]);
    story.read('88>12');
    const { pack, now, verdict } = gap(story);
    expect(now.kind).toBe('read');
    expect(verdict?.place).toBe('loose');
    expect([pack?.window?.min, pack?.window?.ideal, pack?.window?.max].map((l) => inThou(l))).toEqual([9, 10.5, 12]);
    expect(pack?.sum.map((l) => inThou(l.value as Length))).toEqual([28, 6.5, 24, -17.5, 10.5, 9, 12]);
  });
  it('behind a cup turns the window round', () => {
    const story = new Story({ place: 'behindCup' });
    story.build([28]);
    story.read('24');
    expect(inThou(gap(story).pack?.window?.ideal)).toBe(45.5);
  });
  it('becomes a forecast when only the pack has changed, by the sense of its place', () => {
    for (const [place, said] of [
      ['underCover', 6],
      ['behindCup', 42],
    ] as const) {
      const story = new Story({ place });
      story.build([20, 8]);
      story.read('24');
      story.build([6, 4]);
      const { now, mark } = gap(story);
      expect([now.kind, inThou(now.reading?.value), mark]).toEqual(['forecast', said, 'unmeasured']);
    }
  });
  it('goes stale when bolts or gasket have changed, and says which; and stays fresh when nothing on its path has', () => {
    const story = new Story({ gasket: true });
    story.build([10], torqued);
    story.read('6');
    story.build(null, { 'cover.gasket': 'new gasket' });
    expect(gap(story).now).toMatchObject({ kind: 'stale', because: 'new gasket' });
    const other = new Story();
    other.build([10], torqued);
    other.read('6');
    other.build(null, torqued);
    expect(gap(other).now.kind).toBe('read');
  });
  it('withdrawn no longer counts, and counts again when the withdrawal is withdrawn', () => {
    const story = new Story();
    story.build([10]);
    const id = story.read('24');
    const taken = story.withdraw('reading', id);
    expect(gap(story).now.kind).toBe('none');
    story.withdraw('withdrawal', taken);
    expect(gap(story).now.kind).toBe('read');
  });
  it('pools with others of its build, and its bolts are remembered for the next', () => {
    const story = new Story();
    story.build([10]);
    story.read('24', { restsOn: [{ item: 'cover.bolts', answer: 'torqued' }] });
    story.read('23');
    const { now } = gap(story);
    expect([now.values.length, inThou(now.reading?.value), inThou(now.range)]).toEqual([2, 23.5, 1]);
    story.build([5]);
    const slots = derive(story.facts).shafts[0]?.slots ?? [];
    expect(slots.find((s) => s.slot.role === 'cover.bolts')?.fitting.state).toBe('torqued');
  });
  it('of no movement asks for a known pack instead of reckoning', () => {
    const story = new Story();
    story.build([4]);
    story.read('40>40');
    expect(gap(story).pack?.refusal?.code).toBe('zeroMayBePreload');
    expect(gap(story).verdict).toMatchObject({ place: 'tight', sure: 'sure' });
    expect(derive(story.facts).next.words).toContain('with a known pack in');
  });
  it('is not counted when the stand moved', () => {
    const story = new Story();
    story.build([10]);
    story.read('88>12>70');
    expect(gap(story).now.kind).toBe('none');
    expect(gap(story).ladder[0]?.readings).toHaveLength(1);
  });
});

describe('the five ways of reading', () => {
  it('feelers give a bracket', () => {
    const story = new Story();
    story.build([10]);
    story.read('goes 9 stops 10', { method: 'feelers', instrument: INSTRUMENTS.feelersThou });
    expect(inThou(gap(story).now.reading?.value)).toBe(9.5);
  });
  it('a known spacer under the flange comes off: 10 in and 8 read is 2 preload', () => {
    const story = new Story();
    story.build([]);
    story.read('8', { method: 'spacer', spacer: thou(10) });
    expect(inThou(gap(story).now.reading?.value)).toBe(-2);
  });
  it('two depths tell the gap without a pack, and the pack in now is added by its sense', () => {
    for (const [place, value] of [
      ['underCover', 0.5],
      ['behindCup', -0.1],
    ] as const) {
      const story = new Story({ place });
      const build = story.build([10]);
      build.fits.forEach((f) => f.leaves.forEach((l) => Object.assign(l, { thickness: mm(0.3) })));
      story.read('15.20 - 10.00', { method: 'depths', instrument: INSTRUMENTS.depthMm, heights: '5.00' });
      expect((gap(story).now.reading?.value ?? 0) / 1e6).toBeCloseTo(value, 9);
    }
  });
  it('the cover put down by hand: 14 under its flange is 14 preload with no pack, 3 float with 17', () => {
    for (const [pack, value] of [
      [[], -14],
      [[17], 3],
    ] as const) {
      const story = new Story();
      story.build(pack);
      story.read('14', { method: 'coverDown', instrument: INSTRUMENTS.feelersThou });
      expect(inThou(gap(story).now.reading?.value)).toBe(value);
    }
  });
});

describe('dry builds', () => {
  const wrongThenRight = (): Story => {
    const story = new Story();
    story.build([20, 8], { 'cover.bolts': 'hand tight' });
    story.read('25');
    story.build([20, 2], torqued);
    story.read('18');
    story.build([20, 8]);
    story.read('24');
    story.build([6, 4]);
    return story;
  };
  it('say what was said and what was read, and what came between', () => {
    const { ladder } = gap(wrongThenRight());
    expect(ladder.map((row) => [inThou(row.said), inThou(row.reading?.value), inThou(row.residual)])).toEqual([
      [null, 25, null],
      [19, 18, -1],
      [24, 24, 0],
      [6, null, null],
    ]);
    expect(ladder.map((row) => row.mark)).toEqual(['stale', 'loose', 'loose', 'unmeasured']);
    expect(ladder[0]?.staleBecause).toBe('bolts torqued');
  });
  it('prove which way the pack goes, and what tightening took', () => {
    const { lessons, pack } = gap(wrongThenRight());
    expect(pack?.proved).toMatchObject({ sense: 1, build: 2 });
    expect(lessons.map((l) => l.words)).toEqual(['Thicker gives more float. Proved.', 'Tightening closed it by 1.0 thou.']);
  });
  it('contradict the drawing when a thicker pack gave less', () => {
    const story = new Story();
    story.build([10], torqued);
    story.read('20');
    story.build([20]);
    story.read('10');
    expect(gap(story).pack?.proved?.contradiction).toContain('The drawing says thicker gives more');
  });
  it('undone, a fit is gone from the ladder', () => {
    const story = wrongThenRight();
    story.withdraw('build', story.facts.builds.at(-1)?.id ?? '');
    expect(gap(story).ladder).toHaveLength(3);
    expect(gap(story).now.kind).toBe('read');
  });
  it('make a check stale, by the same rule as any reading', () => {
    const story = new Story();
    story.build([10]);
    const check = derive(story.facts).shafts[0]?.checks[0];
    story.read('yes', { method: 'look', answer: 'yes', instrument: null }, check?.station.id);
    expect(derive(story.facts).shafts[0]?.checks[0]).toMatchObject({ answer: 'yes', stale: false, mark: 'in' });
    story.build([5]);
    expect(derive(story.facts).shafts[0]?.checks[0]).toMatchObject({ answer: 'yes', stale: true, mark: 'stale' });
  });
});

describe('a bush and its journal', () => {
  // by hand: bore .8795 .8781 / .8783 .8777, journal .8742 .8746 / .8747 .8748
  const measured = (limits: string): Story => {
    const story = new Story();
    const { bore, journal } = story.pair(limits);
    story.size(bore, 'front', '.8795 .8781', INSTRUMENTS.boreInch);
    story.size(bore, 'rear', '.8783 .8777', INSTRUMENTS.boreInch);
    story.size(journal, 'front', '.8742 .8746');
    story.size(journal, 'rear', '.8747 .8748');
    return story;
  };
  it('have a least and a greatest clearance, and are judged by the worse of the two', () => {
    const pair = derive(measured('1.5-4 thou').facts).shafts[0]?.pairs[0];
    expect([inThou(pair?.clearance?.least), inThou(pair?.clearance?.greatest)]).toEqual([2.9, 5.3]);
    expect(pair?.mark).toBe('loose');
    expect(derive(measured('4-9 thou').facts).shafts[0]?.pairs[0]?.mark).toBe('tight');
    expect(derive(measured('2-6 thou').facts).shafts[0]?.pairs[0]?.mark).toBe('in');
  });
  it('are not measured until both are', () => {
    const story = new Story();
    const { bore } = story.pair('1.5-4 thou');
    story.size(bore, 'front', '.8795', INSTRUMENTS.boreInch);
    expect(derive(story.facts).shafts[0]?.pairs[0]).toMatchObject({ clearance: null, mark: 'unmeasured' });
  });
});

describe('leaves', () => {
  const lot = (id: string, t: number, owned: number): Lot => ({
    id,
    revision: 1,
    thickness: thou(t),
    written: String(t),
    unit: 'thou',
    owned,
    material: '',
    keptIn: '',
    note: '',
  });
  const lots = [lot('a', 6, 2), lot('b', 4, 1)];
  const fitted: Fitted[] = [
    { lotId: 'a', thickness: thou(6), written: '6', unit: 'thou', count: 1, jobId: 'j', machine: 'Machine', slotId: 'here', slotName: 'Pack' },
    { lotId: 'b', thickness: thou(4), written: '4', unit: 'thou', count: 1, jobId: 'k', machine: 'Other', slotId: 'there', slotName: 'Pack' },
  ];
  it('on hand are those owned less those fitted', () =>
    expect(onHand(lots, fitted).map((h) => [h.lot.written, h.onHand])).toEqual([
      ['4', 0],
      ['6', 1],
    ]));
  it('available for a place are those on hand and those in it, and strangers in it', () => {
    expect(availableFor('here', lots, fitted).map((a) => [a.written, a.quantity])).toEqual([['6', 2]]);
    expect(availableFor('x', [], [{ ...(fitted[0] as Fitted), slotId: 'x', lotId: null }])).toMatchObject([{ lotId: null, quantity: 1 }]);
  });
  it('fitted are those of the current build of an open job', () => {
    const story = new Story();
    story.build([20, 8]);
    story.build([6]);
    expect(fittedIn(story.facts).map((f) => f.written)).toEqual(['6']);
    expect(fittedIn({ ...story.facts, job: { ...story.facts.job, archivedAt: '2026-02-01T00:00:00.000Z' } })).toEqual([]);
  });
  const window = { ideal: thou(10.5), min: thou(9), max: thou(12), sure: { min: thou(9.6), max: thou(11.4) }, reachable: true };
  const of = (...thicknesses: number[]) =>
    thicknesses.map((t, i) => ({ lotId: `l${i}`, thickness: thou(t), written: String(t), unit: 'thou' as const, quantity: 1 }));
  it('are offered with what each pack gives', () => {
    const { choices, make } = packChoices({ window, available: of(6, 4, 12), fitted: thou(28), reading: thou(24), sense: 1 });
    expect(choices.map((c) => [c.leaves.map((l) => l.written).join('+'), inThou(c.gives), c.sure])).toEqual([
      ['6+4', 6, true],
      ['12', 8, false],
    ]);
    expect(make.in.thou).toEqual({ size: thou(10.5), either: thou(0.9) });
  });
  it('give what behind a cup takes', () =>
    expect(packChoices({ window, available: of(10), fitted: thou(20), reading: thou(2), sense: -1 }).choices.map((c) => inThou(c.gives))).toEqual([
      12,
    ]));
  it('that do not land are answered with the shim to make: 25½ ±1½ from 31 stock, take off 5½', () => {
    const wide = { ideal: thou(25.5), min: thou(24), max: thou(27), sure: { min: thou(24), max: thou(27) }, reachable: true };
    const found = packChoices({ window: wide, available: of(2), fitted: thou(0), reading: thou(0), sense: 1 });
    expect(found.choices).toEqual([]);
    expect(found.make.plan).toEqual({ from: thou(31), takeOff: thou(5.5), tolerance: thou(1.5) });
    expect(inThou(found.below?.total)).toBe(2);
  });
  it('show what they can make, and the one that fills most gaps', () => {
    const reach = drawerReach(onHand([lot('a', 3, 3), lot('b', 5, 3)], []));
    expect(reach.totals.filter((t) => t.pack).map((t) => inThou(t.total))).toEqual([3, 5, 6, 8, 9, 10, 11, 13, 15]);
    expect(reach.gaps).toBe(11);
    expect(reach.best?.fills).toBeGreaterThan(3);
  });
});

const inTheirOrder = (a: string, b: string): number => Object.keys(TEMPLATES).indexOf(a) - Object.keys(TEMPLATES).indexOf(b);

describe('the loose sheet', () => {
  const hand = (from: number, to: number) => ({ how: 'hand', from, to, back: null, turns: 0, direction: 'clockwise' }) as const;
  const entry: LooseEntry = {
    limits: { min: thou(5), max: thou(8) },
    pack: [
      { thickness: thou(20), count: 1, written: '20', unit: 'thou' },
      { thickness: thou(4), count: 2, written: '4', unit: 'thou' },
    ],
    reading: hand(88, 12),
    place: 'underCover',
    arrangement: 'faceToFace',
    instrument: INSTRUMENTS.dialThou,
  };
  it('answers with nothing set up', () => expect(inThou(looseSheet(entry).window?.ideal)).toBe(10.5));
  it('comes to where it was said, within its limits', () =>
    expect(inThou(looseSheet({ ...entry, limits: { min: thou(5), max: thou(8), aim: thou(5.5) } }).window?.ideal)).toBe(9.5));
  it('turns the sense with the place, and with cones drawn by a nut', () => {
    expect(looseSheet({ ...entry, place: 'behindCup' }).sense).toBe(-1);
    expect(looseSheet({ ...entry, place: 'betweenCones' }).sense).toBe(-1);
    expect(looseSheet({ ...entry, place: 'betweenCones', arrangement: 'backToBack' }).sense).toBe(1);
    expect(looseSheet({ ...entry, place: 'behindCone', arrangement: 'backToBack' }).refusal).toContain('does not touch this gap');
  });
  it('does for every ready shaft with one float, by its own sense', () => {
    // the table of senses, by hand: a ring, a washer and a bush in line close a float, a gear's own bush opens it, shims under a plate open it
    const senses = [
      ['ballAndRing', 'inLine', -1],
      ['twinGears', 'thrustWasher', -1],
      ['plainThrust', 'thrustWasher', -1],
      ['plainThrust', 'underCover', 1],
      ['gearOnBush', 'thrustWasher', -1],
      ['gearOnBush', 'inLine', 1],
      ['thrustPlate', 'underThrustPlate', 1],
      ['intermediate', 'betweenCones', 1],
    ] as const;
    for (const [template, place, sense] of senses)
      expect([template, place, looseSheet({ ...entry, template, place }).sense]).toEqual([template, place, sense]);
    // one with several floats wants a machine of its own, and a depth shim is never offered for a float
    expect(looseTemplates()).toEqual(['taperPair', 'hubByNut', 'pinionByNut', ...new Set(senses.map(([template]) => template))].sort(inTheirOrder));
  });
  it('waits for what is not there, and says why a reading will not do', () => {
    for (const nothing of [{ limits: null }, { pack: null }, { reading: null }])
      expect(looseSheet({ ...entry, ...nothing })).toMatchObject({ window: null, refusal: null, sum: [] });
    expect(looseSheet({ ...entry, reading: hand(40, 40) }).refusal).toContain('known pack');
  });
});

describe('a machine on the shelf', () => {
  it('shows its worst mark, what is next and how far it is', () => {
    const story = new Story();
    expect(summary(story.facts)).toMatchObject({ far: 0, worst: { mark: 'unmeasured' } });
    story.build([20, 8]);
    story.read('24');
    expect(summary(story.facts)).toMatchObject({ far: 4, worst: { mark: 'loose', value: thou(24) }, next: 'Change the pack: 10.5 thou wanted.' });
  });
});

describe('a shaft that no pack sets', () => {
  it('is read as it was found, and asks for no pack', () => {
    const story = new Story({ template: 'own', place: 'inLine', limits: '4-9 thou' });
    expect(derive(story.facts).next).toMatchObject({ what: 'read' });
    story.build(null);
    story.read('12');
    const { shafts, next } = derive(structuredClone(story.facts));
    expect(shafts[0]?.gaps[0]).toMatchObject({ mark: 'loose', adjuster: null, pack: null, now: { kind: 'read', reading: { value: thou(12) } } });
    expect(next).toMatchObject({ what: 'make', words: 'No pack sets the input shaft end float.' });
  });
  it('was found with what is first said of a place after it was read: the reading stands', () => {
    const story = new Story({ limits: '4-9 thou' });
    story.build(null);
    story.read('12');
    const first = story.build([20], {}, 'as_found');
    expect(derive(structuredClone(story.facts)).shafts[0]?.gaps[0]).toMatchObject({
      now: { kind: 'read', reading: { value: thou(12) } },
      pack: { known: true, fitted: thou(20) },
    });
    // said of what was fitted, it is a change
    first.stage = 'dry';
    expect(derive(structuredClone(story.facts)).shafts[0]?.gaps[0]?.now.kind).toBe('stale');
  });
});
