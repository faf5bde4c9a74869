import { describe, expect, it } from '@jest/globals';
import { editShaft, planOf, type Fit, type JobFacts, type Lot } from '@elder-cog/contract';
import { chooseThickness, mm, nanometres, thou, type Length } from '@elder-cog/core';
import { availableFor, derive, forSlot, type GapState, type ShaftState } from './index.ts';
import { Story } from './testing.ts';

/** A shaft closed by a cover on a gasket, with 20 thou in and 9 read. */
function covered() {
  const story = new Story({ gasket: true, limits: '5-8 thou' });
  story.build([20], { 'cover.gasket': 'old gasket', 'cover.bolts': 'torqued' });
  const fit = (role: string, of: Partial<Fit>): void => {
    const built = story.build(null);
    built.fits.push({ id: story.id(), placeId: story.slot(role), leaves: [], state: null, ...of });
  };
  const shaft = (): ShaftState => derive({ ...story.facts }).shafts[0] as ShaftState;
  const gap = (): GapState => shaft().gaps[0] as GapState;
  return { story, fit, shaft, gap };
}

/** What every size of it was read to be. */
const SIZES = [
  [/^case/, '181 mm'],
  [/^shaft/, '133 mm'],
  [/^cover/, '9 mm'],
  [/input end, T/, '19.5 mm'],
  [/output end, T/, '19.5 mm'],
  [/^gasket/, '0.3 mm'],
] as const;

describe('a gasket that is known as thick as it is bolted up', () => {
  it('another of the same is the same gap, and one thicker opens it by what it is thicker: a forecast, to be read', () => {
    const { story, fit, gap } = covered();
    fit('cover.gasket', { crushed: thou(12) });
    story.read('0>9');
    expect(gap().now).toMatchObject({ kind: 'read', reading: { value: thou(9) } });
    // 15 bolted up instead of 12: three more under the cover, and the float is 9 + 3
    fit('cover.gasket', { state: 'new gasket', crushed: thou(15) });
    expect(gap().now).toMatchObject({ kind: 'forecast', reading: { value: thou(12) } });
    expect(gap().ladder.at(-1)).toMatchObject({ said: thou(12) });
    // 6½ aimed at, with 12 forecast and 20 in
    expect(gap().pack?.window).toMatchObject({ ideal: thou(14.5) });
    expect(gap().ladder.find((row) => row.reading)?.mark).toBe('loose');
  });
  it('of which nobody says how thick it is leaves what was read stale', () => {
    const { story, fit, gap } = covered();
    fit('cover.gasket', { crushed: thou(12) });
    story.read('0>9');
    fit('cover.gasket', { state: 'new gasket' });
    expect(gap().now).toMatchObject({ kind: 'stale', because: 'new gasket' });
    expect(gap().now.reading).toMatchObject({ value: thou(9) });
  });
  it('measured after it was read is as thick as it was then: what was read stands, and carries', () => {
    const { story, fit, gap } = covered();
    story.read('0>9');
    fit('cover.gasket', { crushed: thou(12) });
    expect(gap().now).toMatchObject({ kind: 'read', reading: { value: thou(9) } });
    fit('cover.gasket', { state: 'new gasket', crushed: thou(10) });
    expect(gap().now).toMatchObject({ kind: 'forecast', reading: { value: thou(7) } });
  });
  it('left out altogether closes it by all that it was', () => {
    const { story, fit, gap } = covered();
    fit('cover.gasket', { crushed: mm(0.3) });
    story.read('0>20');
    fit('cover.gasket', { state: 'no gasket', crushed: mm(0) });
    expect(gap().now).toMatchObject({ kind: 'forecast', reading: { value: nanometres(thou(20) - mm(0.3)) } });
  });
  it('counts in the sum of the sizes as it is now, and not as the one before was', () => {
    const { story, fit, gap } = covered();
    for (const [name, text] of SIZES) story.measure(name, [text], null);
    // 181 + 0.3 + 0.508 − 9 − (133 + 19.5 + 19.5) = 0.808
    expect(gap().fromSizes).toEqual({ value: mm(0.808) });
    fit('cover.gasket', { state: 'new gasket', crushed: mm(0.4) });
    expect(gap().fromSizes).toEqual({ value: mm(0.908) });
    fit('cover.bolts', { film: mm(0.03) });
    expect(gap().fromSizes).toEqual({ value: mm(0.938) });
    fit('cover.gasket', { state: 'old gasket' });
    expect(gap().fromSizes).toEqual({ missing: ['gasket, crushed'] });
  });
});

describe('a trial with another pack and another gasket at once', () => {
  it('proves nothing of the pack, and contradicts nothing', () => {
    const { story, fit, gap } = covered();
    fit('cover.gasket', { crushed: thou(12) });
    story.read('0>9');
    // four more in the pack and ten less of gasket: six less of float, as it is read
    const built = story.build([24]);
    built.fits.push({ id: story.id(), placeId: story.slot('cover.gasket'), leaves: [], state: null, crushed: thou(2) });
    story.read('0>3');
    expect(gap().pack?.proved).toBeNull();
    expect(gap().pack?.refusal).toBeNull();
  });
});

describe('sealant in a joint', () => {
  it('opens the gap by its film, once a joint, and comes off again', () => {
    const { story, fit, gap } = covered();
    story.read('0>9');
    fit('cover.bolts', { film: thou(1.5) });
    expect(gap().now).toMatchObject({ kind: 'forecast', reading: { value: thou(10.5) } });
    fit('cover.bolts', { film: null });
    expect(gap().now.reading).toMatchObject({ value: thou(9) });
  });
  it('with bolts that are torqued as well is stale, for nobody knows what that closes', () => {
    const { story, fit, gap } = covered();
    story.read('0>9');
    fit('cover.bolts', { film: thou(1.5), state: 'hand tight' });
    expect(gap().now.kind).toBe('stale');
  });
  it('behind a nut that no gap lies over moves none', () => {
    const story = new Story({ template: 'hubByNut', place: 'betweenCones' });
    story.build([20]);
    story.read('0>9');
    const fastening = story.facts.places.find((p) => p.kind === 'fastening');
    const built = story.build(null);
    built.fits.push({ id: story.id(), placeId: fastening?.id ?? '', leaves: [], state: null, film: null });
    expect(derive({ ...story.facts }).shafts[0]?.gaps[0]?.now).toMatchObject({ kind: 'read', reading: { value: thou(9) } });
  });
});

/** Made what is chosen: the shaft as it is after one edit. */
function edited(facts: JobFacts, role: RegExp): JobFacts {
  const [shaft] = facts.shafts;
  if (!shaft) throw new Error('no shaft');
  const place = facts.places.find((p) => role.test(p.name));
  const edit = editShaft(facts, shaft, chooseThickness(planOf(facts, shaft), place?.id ?? ''), () => '00000000-0000-4000-8000-00000000ffff');
  if (!edit) throw new Error('nothing differs');
  const changed = new Map(edit.changedPlaces.map((row) => [row.id, row]));
  return { ...facts, places: facts.places.map((row) => ({ ...row, ...changed.get(row.id) })) };
}

describe('two ways round that do not agree', () => {
  it('are named, with what they differ by, and nothing is reckoned from the sizes', () => {
    const { story, gap } = covered();
    const whole = story.facts.features.find((f) => /^case/.test(f.name));
    if (!whole) throw new Error('no case');
    for (const [name, text] of SIZES) story.measure(name, [text], null);
    story.facts.features.push({ ...whole, id: story.id(), role: 'over all', name: 'case, over all' });
    story.measure(/over all/, ['181.4 mm'], null);
    const { fromSizes } = gap();
    expect(fromSizes).toEqual({ contradictions: [{ one: ['case, cup seat to cover face'], other: ['case, over all'], difference: mm(0.4) }] });
  });
});

describe('a gasket that is chosen by its thickness', () => {
  const paper = (id: string, free: number, crushed: number): Lot => ({
    ...Story.lot(id, 0),
    thickness: mm(free),
    written: String(free),
    unit: 'mm',
    owned: 2,
    crushed: mm(crushed),
  });
  const lots = [paper('a', 0.4, 0.3), paper('b', 0.25, 0.2), Story.lot('c', 10)];
  it('is a slot that takes gaskets alone, and moves the gap as far as it is thick bolted up', () => {
    const { story } = covered();
    const facts = edited(story.facts, /^Gasket/);
    const [shaft] = derive(facts).shafts;
    const slot = shaft?.slots.find((s) => s.slot.isGasket);
    if (!shaft || !slot) throw new Error('no slot');
    const { fits } = forSlot(slot, availableFor(slot.slot.id, lots, []));
    expect(fits.map(({ thickness, written }): [Length, string] => [thickness, written])).toEqual([
      [mm(0.2), '0.2'],
      [mm(0.3), '0.3'],
    ]);
    const pack = shaft.slots.find((s) => s.slot.role === 'pack');
    // and under a cover a gasket may lie in the pack
    expect(pack && forSlot(pack, availableFor(pack.slot.id, lots, [])).fits).toHaveLength(3);
  });
  it('that was said before it was chosen is what is in, and what was read over it stands', () => {
    const { story, fit } = covered();
    fit('cover.gasket', { crushed: thou(12) });
    story.read('0>9');
    fit('cover.gasket', { state: 'new gasket', crushed: thou(10) });
    const [shaft] = derive(edited(story.facts, /^Gasket/)).shafts;
    const slot = shaft?.slots.find((s) => s.slot.isGasket);
    expect(slot).toMatchObject({ total: thou(10), words: '0.254 mm' });
    expect(shaft?.gaps[0]?.now).toMatchObject({ kind: 'forecast', reading: { value: thou(7) } });
    fit('cover.gasket', { state: 'old gasket' });
    expect(derive(edited(story.facts, /^Gasket/)).shafts[0]?.slots.find((s) => s.slot.isGasket)?.fitting.leaves).toBeNull();
    fit('cover.gasket', { state: 'no gasket', crushed: thou(0) });
    expect(derive(edited(story.facts, /^Gasket/)).shafts[0]?.slots.find((s) => s.slot.isGasket)?.fitting.leaves).toEqual([]);
  });
  it('measured after it was read, before it was chosen: what was read over it stands as well', () => {
    const { story, fit } = covered();
    story.read('0>9');
    fit('cover.gasket', { crushed: thou(12) });
    fit('cover.gasket', { state: 'new gasket', crushed: thou(10) });
    expect(derive(edited(story.facts, /^Gasket/)).shafts[0]?.gaps[0]?.now).toMatchObject({ kind: 'forecast', reading: { value: thou(7) } });
  });
  it('is never offered for behind a cup', () => {
    const story = new Story({ place: 'behindCup' });
    story.build([20]);
    const [pack] = derive({ ...story.facts }).shafts[0]?.slots ?? [];
    expect(pack && forSlot(pack, availableFor(pack.slot.id, lots, [])).fits.map((f) => f.thickness)).toEqual([thou(10)]);
  });
  it('goes back to what it was, with its own size', () => {
    const { story } = covered();
    const back = edited(edited(story.facts, /^Gasket/), /^Gasket/);
    expect(back.places.find((p) => p.name === 'Gasket')).toMatchObject({ takes: 'gasket' });
  });
});
