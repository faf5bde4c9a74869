import { describe, expect, it } from '@jest/globals';
import { newPair, newRow, stripEntryOf, type Acceptance, type Decision, type StripEntry } from '@elder-cog/contract';
import { FEATURE_KINDS, FEATURES, INSTRUMENTS, mm, readStripLine, thou, type FeatureKindName, type Length } from '@elder-cog/core';
import {
  type LimitOffer,
  derive,
  inspectedParts,
  limitOffers,
  rowHolders,
  lookAlikesWith,
  matchedWarnings,
  oddBolts,
  otherSidesOf,
  photosOf,
  plainName,
  setsWith,
  stripLog,
} from './index.ts';
import { Story } from './testing.ts';

const AT = '2026-02-01T10:00:00.000Z';

/** A job with one row of a kind, its limit and its readings. */
function measured(kind: FeatureKindName, limit: { min?: number; max?: number } | null, ...readings: readonly string[]) {
  const story = new Story();
  const shaftId = story.facts.shafts[0]?.id ?? '';
  const row = newRow({ of: { shaftId }, kind, name: 'Front part', unit: 'mm', position: 100, newId: () => story.id() });
  story.facts.stations.push({ ...row, revision: 1 });
  if (limit)
    story.facts.limits.push({
      id: story.id(),
      revision: 1,
      stationId: row.id,
      min: limit.min === undefined ? null : mm(limit.min),
      max: limit.max === undefined ? null : mm(limit.max),
      written: 'as printed',
      unit: 'mm',
      source: 'manual',
      pageOrWhom: '',
      saidAt: '',
      working: '',
      specId: null,
      inUse: true,
    });
  readings.forEach((text, i) => story.size(row.id, FEATURES[kind].places[i] ?? '', text, FEATURES[kind].instrument.mm));
  const state = () => derive(story.facts).shafts[0]?.features.find((f) => f.station.id === row.id);
  const accept = (how: Acceptance['kind'], value: Length | null): string => {
    const id = story.id();
    story.facts.acceptances.push({ id, stationId: row.id, kind: how, value, reason: 'it will do', who: '', at: AT });
    return id;
  };
  return { story, row, state, accept };
}

describe('one kind of row for anything measured', () => {
  it.each(FEATURE_KINDS)('%s: what is worn past its limit is out, in the word of its kind', (kind) => {
    const { judgedBy, worn, over } = FEATURES[kind];
    const isLargest = judgedBy === 'largest';
    const { state } = measured(kind, isLargest ? { min: 9.5, max: 9.9 } : { min: 10.1, max: 10.9 }, '10.00 mm');
    expect(state()).toMatchObject({ mark: 'loose', word: worn, now: mm(10), decision: null });
    expect(measured(kind, isLargest ? { min: 10.1, max: 10.9 } : { min: 9.5, max: 9.9 }, '10.00 mm').state()).toMatchObject({
      mark: 'tight',
      word: over,
    });
  });
  it('a washer tapers from its thickest to its thinnest, wherever they stand', () => {
    const { state } = measured('thickness', { min: 2.8 }, '2.90', '2.84', '2.88');
    expect(state()?.survey).toMatchObject({ taper: mm(0.06), smallest: mm(2.84) });
    expect(state()?.sum.map((line) => line.label)).toEqual(['mean', 'thinnest', 'taper']);
  });
  it('a float of nothing is a reading; a bore of nothing is not', () => {
    expect(measured('float', null, '0').state()?.now).toBe(0);
    expect(measured('bore', null, '0').state()).toMatchObject({ now: null, mark: 'unmeasured' });
  });
  it('a lone maximum, kept as from nothing up, is one end of a bore and both of a float', () => {
    expect(measured('bore', { min: 0, max: 20.1 }, '20.05').state()?.limits?.limits).toEqual({ max: mm(20.1) });
    expect(measured('float', { min: 0, max: 0.3 }, '0.20').state()?.limits?.limits).toEqual({ min: 0, max: mm(0.3) });
  });
  it('feelers either side of a float give its middle', () => expect(measured('float', null, 'goes 0.20 stops 0.30').state()?.now).toBe(mm(0.25)));
});

describe('what is accepted on purpose', () => {
  it('is marked so while it is no farther out than then, and out again once it is', () => {
    const { story, row, state, accept } = measured('freeLength', { min: 30.5 }, '30.10');
    expect(state()?.mark).toBe('loose');
    accept('outside', mm(30.1));
    expect(state()).toMatchObject({ mark: 'accepted', accepted: { reason: 'it will do' } });
    story.size(row.id, '', '29.00', FEATURES.freeLength.instrument.mm);
    expect(state()).toMatchObject({ mark: 'loose', accepted: null });
  });
  it('as left unmeasured holds until it is measured', () => {
    const { story, row, state, accept } = measured('roller', { min: 2.49 });
    accept('unmeasured', null);
    expect(state()?.mark).toBe('accepted');
    story.size(row.id, '', '2.500', FEATURES.roller.instrument.mm);
    expect(state()).toMatchObject({ mark: 'in', accepted: null });
  });
  it('and taken back, is so no longer', () => {
    const { story, state, accept } = measured('freeLength', { min: 30.5 }, '30.10');
    const ofId = accept('outside', mm(30.1));
    story.facts.withdrawals.push({ id: story.id(), ofKind: 'acceptance', ofId, who: '', at: AT, why: '' });
    expect(state()?.mark).toBe('loose');
  });
  it('settles a gap, so that it is not what to do next', () => {
    const story = new Story();
    story.build([28], { 'cover.bolts': 'torqued', 'cover.gasket': 'new gasket' });
    story.read('24');
    const gap = () => derive(story.facts).shafts[0]?.gaps[0];
    expect(gap()?.mark).toBe('loose');
    story.facts.acceptances.push({
      id: story.id(),
      stationId: story.station.id,
      kind: 'outside',
      value: thou(24),
      reason: 'old box',
      who: '',
      at: AT,
    });
    expect(gap()).toMatchObject({ mark: 'accepted', accepted: { reason: 'old box' } });
    expect(derive(story.facts).next.what).not.toBe('fit');
  });
});

describe('a part looked over', () => {
  const looked = (story: Story, part: string, decision: Decision, at: string, cleaned = true): string => {
    const id = story.id();
    const jobId = story.facts.job.id;
    story.facts.inspections.push({
      id,
      jobId,
      stationId: null,
      part,
      partType: 'gear',
      cleaned,
      findings: [],
      proposed: null,
      decision,
      reason: '',
      who: '',
      at,
    });
    return id;
  };
  it('keeps its history in the order it was looked at, whatever the clocks say: passed, then failed', () => {
    const story = new Story();
    // by the server's order: the second tablet's clock is three months slow
    looked(story, 'Third gear', 'reuse', '2026-06-02T10:00:00.000Z');
    looked(story, 'third gear', 'replace', '2026-03-02T10:00:00.000Z');
    const [part, ...others] = inspectedParts(story.facts);
    expect(others).toEqual([]);
    expect(part?.history.map((i) => i.decision)).toEqual(['reuse', 'replace']);
    expect(part).toMatchObject({ last: { decision: 'replace' }, lookAgain: false });
  });
  it('and passed before it was clean is to be looked at again, until it is', () => {
    const story = new Story();
    looked(story, 'Fork', 'reuse', '2026-03-02T10:00:00.000Z', false);
    expect(inspectedParts(story.facts)[0]?.lookAgain).toBe(true);
    looked(story, 'Fork', 'reuse', '2026-03-03T10:00:00.000Z');
    expect(inspectedParts(story.facts)[0]?.lookAgain).toBe(false);
  });
  it('of a matched set puts the others in question when it goes, and not when it is dressed', () => {
    const story = new Story();
    const set = { id: story.id(), revision: 1, jobId: story.facts.job.id, name: 'wheel and pinion', members: ['Crown wheel', 'Pinion'], gone: false };
    story.facts.matchedSets.push(set);
    looked(story, 'crown wheel', 'dress', '2026-03-02T10:00:00.000Z');
    expect(matchedWarnings(story.facts)).toEqual([]);
    const id = looked(story, 'Crown wheel', 'replace', '2026-03-03T10:00:00.000Z');
    expect(matchedWarnings(story.facts)).toMatchObject([{ part: 'Crown wheel', what: 'is to be replaced', others: ['Pinion'] }]);
    expect(setsWith(story.facts, 'pinion')).toEqual([set]);
    story.facts.withdrawals.push({ id: story.id(), ofKind: 'inspection', ofId: id, who: '', at: AT, why: '' });
    expect(matchedWarnings(story.facts)).toEqual([]);
  });
  it('of a matched set puts the others in question when it is turned round', () => {
    const story = new Story();
    const [part, other] = story.facts.parts;
    if (!part || !other) throw new Error('no parts');
    const members = [part.name, other.name];
    story.facts.matchedSets.push({ id: story.id(), revision: 1, jobId: story.facts.job.id, name: 'as they ran', members, gone: false });
    expect(matchedWarnings(story.facts)).toEqual([]);
    for (const place of story.facts.places) place.turned = place.partId === part.id;
    expect(matchedWarnings(story.facts)).toMatchObject([{ part: part.name, what: 'is turned round from how it was', others: [other.name] }]);
  });
});

describe('a row with no limit of its own', () => {
  it('is in doubt alone, and judged by the clearance where it is half of a pair', () => {
    const { story, row, state } = measured('journal', null, '19.98');
    expect(state()).toMatchObject({ mark: 'cannotTell', isPaired: false });
    const pair = newPair({ of: { shaftId: row.shaftId ?? '' }, name: 'Rear', unit: 'mm', position: 200, newId: () => story.id() });
    story.facts.stations.push(...pair.map((s) => ({ ...s, revision: 1, ...(s.subject === 'pair' ? { journalId: row.id } : {}) })));
    expect(state()).toMatchObject({ mark: 'in', isPaired: true });
  });
});

describe('a page of many rows', () => {
  it('works out again only the row that something was said of, and leaves out those that were taken out', () => {
    const story = new Story();
    const shaftId = story.facts.shafts[0]?.id ?? '';
    const rows = ['Front', 'Middle', 'Rear'].map((name, i) => ({
      ...newRow({ of: { shaftId }, kind: 'journal', name, unit: 'mm', position: 100 + i, newId: () => story.id() }),
      revision: 1,
    }));
    story.facts.stations.push(...rows);
    const before = derive(story.facts).shafts[0]?.features ?? [];
    const [first, , last] = rows;
    story.size(first?.id ?? '', 'front', '19.98', INSTRUMENTS.micMm);
    const readings = [...story.facts.readings];
    const stations = story.facts.stations.map((s) => (s.id === last?.id ? { ...s, gone: true } : s));
    const after = derive({ ...story.facts, readings, stations }).shafts[0]?.features ?? [];
    expect(after.map((f) => f.station.name)).toEqual(['Front', 'Middle']);
    expect(after[0]).not.toBe(before[0]);
    expect(after[0]?.now).toBe(mm(19.98));
    expect(after[1]).toBe(before[1]);
  });
});

describe('as it came apart', () => {
  const off = (story: Story, text: string, minute: number, supersedes: string | null = null): StripEntry => {
    const read = readStripLine(text, 'thou');
    if (!read) throw new Error(text);
    const belongs = { text, assemblyId: story.facts.assemblies[0]?.id ?? '', shaftId: null, inventory: false, supersedes };
    const entry = { ...stripEntryOf(read, belongs), id: story.id(), who: '', at: `2026-02-01T10:${String(minute).padStart(2, '0')}:00.000Z` };
    story.facts.strip.push(entry);
    return entry;
  };
  const lines = (story: Story) => stripLog(story.facts, story.facts.assemblies[0]?.id ?? '').map(({ number, entry }) => [number, entry.text]);
  it('stands in the order things came off; one written again keeps its place, and one struck out is gone', () => {
    const story = new Story();
    const float = off(story, 'Float, 23', 1);
    off(story, 'Flange', 3);
    // from a tablet whose clock is slow
    const cover = off(story, 'Cover', 2);
    expect(lines(story)).toEqual([
      [1, 'Float, 23'],
      [2, 'Flange'],
      [3, 'Cover'],
    ]);
    const again = off(story, 'Float, 24', 9, float.id);
    off(story, 'Float, 24, pushed and prised', 10, again.id);
    expect(lines(story)[0]).toEqual([1, 'Float, 24, pushed and prised']);
    story.facts.withdrawals.push({ id: story.id(), ofKind: 'strip', ofId: cover.id, who: '', at: AT, why: '' });
    expect(lines(story)).toHaveLength(2);
  });
  it('names the bolts that are not as most are', () => {
    const holes = off(new Story(), 'Cover bolts, 6, 1 in, hole 4 1-1/8 in', 1).bolts?.holes ?? [];
    expect([...oddBolts(holes)]).toEqual([4]);
    expect([...oddBolts(holes.map((h) => ({ ...h, length: holes[0]?.length ?? null })))]).toEqual([]);
    expect([...oddBolts(holes.map((h) => ({ ...h, length: null, hand: h.hole === 2 ? ('left' as const) : h.hand })))]).toEqual([2]);
  });
  it('knows a part by its name, however it is pointed', () => {
    const story = new Story();
    const half = (name: string) => ({ name, goes: '', size: null, written: '', unit: 'thou' as const, marks: null, tang: 'none' as const });
    const pair = {
      id: story.id(),
      revision: 1,
      jobId: story.facts.job.id,
      form: 'washer' as const,
      a: half('Washer, front'),
      b: half('Washer rear'),
      tell: 't',
      gone: false,
    };
    story.facts.lookAlikes.push(pair);
    expect(plainName(' Washer,  front. ')).toBe('washer front');
    expect(lookAlikesWith(story.facts, 'washer FRONT')).toEqual([pair]);
    story.facts.lookAlikes[0] = { ...pair, gone: true };
    expect(lookAlikesWith(story.facts, 'washer front')).toEqual([]);
    expect(photosOf(story.facts, pair.id)).toEqual([]);
  });
});

describe('a limit where none survives', () => {
  /** Two hubs, one the other side of the other, each with a bush and its journal; the left one is measured. */
  const twoHubs = (leftName: string, rightName: string) => {
    const story = new Story();
    const [shaft, box] = [story.facts.shafts[0], story.facts.assemblies[0]];
    if (!shaft || !box) throw new Error('no shaft');
    const [leftBox, leftShaft] = [story.id(), story.id()];
    story.facts.assemblies.push({ ...box, id: leftBox, name: 'Left hub', mirrorOf: box.id });
    story.facts.shafts.push({ ...shaft, id: leftShaft, assemblyId: leftBox });
    const pairOn = (shaftId: string, name: string, position: number) => {
      const pair = newPair({ of: { shaftId }, name, unit: 'mm', position, newId: () => story.id() });
      story.facts.stations.push(...pair.map((s) => ({ ...s, revision: 1 })));
      return pair;
    };
    const [right, left] = [pairOn(shaft.id, rightName, 100), pairOn(leftShaft, leftName, 400)];
    story.size(left[0].id, 'front', '20.06', INSTRUMENTS.boreMm);
    story.size(left[1].id, 'front', '19.98', INSTRUMENTS.micMm);
    const offersFor = (shaftId: string, stationId: string): LimitOffer[] => {
      const state = derive(story.facts).shafts.find((s) => s.shaft.id === shaftId);
      const row = [...(state?.features ?? []), ...(state?.pairs ?? [])].find((r) => r.station.id === stationId);
      return row ? limitOffers({ facts: story.facts, holders: rowHolders(derive(story.facts)), row }).filter((o) => o.source === 'other_side') : [];
    };
    return { story, box, shaft, leftShaft, right, left, offersFor };
  };
  it('is what the other side measures, bush, journal and the clearance between, whatever the side is called', () => {
    const { shaft, right, offersFor } = twoHubs('Left kingpin', 'Kingpin, right');
    const from = 'Left hub, as it measures';
    expect(offersFor(shaft.id, right[0].id)).toMatchObject([{ from, limits: { max: mm(20.06) } }]);
    expect(offersFor(shaft.id, right[1].id)).toMatchObject([{ from, limits: { min: mm(19.98) } }]);
    expect(offersFor(shaft.id, right[2].id)).toMatchObject([{ from, limits: { max: mm(0.08) } }]);
  });
  it('is the other side’s whichever of the two it was said of, and nobody’s where it was not said, or the names differ', () => {
    const { story, box, shaft, left, right, leftShaft, offersFor } = twoHubs('Kingpin', 'Kingpin');
    story.size(right[0].id, 'front', '20.03', INSTRUMENTS.boreMm);
    expect(offersFor(leftShaft, left[0].id)).toMatchObject([{ limits: { max: mm(20.03) } }]);
    expect(otherSidesOf(story.facts, box.id).map((b) => b.name)).toEqual(['Left hub']);
    story.facts.assemblies = story.facts.assemblies.map((a) => ({ ...a, mirrorOf: null }));
    expect(offersFor(shaft.id, right[0].id)).toEqual([]);
    const other = twoHubs('Kingpin', 'Swivel');
    expect(other.offersFor(other.shaft.id, other.right[0].id)).toEqual([]);
  });
  it('is the other side’s limit first, where it has one', () => {
    const { story, row, state } = measured('thickness', null, '2.90');
    const [shaft, box] = [story.facts.shafts[0], story.facts.assemblies[0]];
    if (!shaft || !box) throw new Error('no shaft');
    const [otherBox, otherShaft, otherRow] = [story.id(), story.id(), story.id()];
    story.facts.assemblies.push({ ...box, id: otherBox, name: 'Left hub', mirrorOf: box.id });
    story.facts.shafts.push({ ...shaft, id: otherShaft, assemblyId: otherBox });
    story.facts.stations.push({ ...row, revision: 1, id: otherRow, shaftId: otherShaft });
    const limit = { id: story.id(), revision: 1, stationId: otherRow, min: mm(2.8), max: null, written: 'min 2.80 mm', unit: 'mm' as const };
    story.facts.limits.push({ ...limit, source: 'manual', pageOrWhom: '', saidAt: '', working: '', specId: null, inUse: true });
    const feature = state();
    if (!feature) throw new Error('no row');
    expect(limitOffers({ facts: story.facts, holders: rowHolders(derive(story.facts)), row: feature })[0]).toEqual({
      source: 'other_side',
      from: 'Left hub',
      limits: { min: mm(2.8) },
      written: 'min 2.80 mm',
      unit: 'mm',
    });
  });
  it('as it was found says how far it is from new, where that is known', () => {
    const { story, row, state } = measured('thickness', null, '2.90');
    const at = story.facts.stations.findIndex((s) => s.id === row.id);
    story.facts.stations[at] = { ...row, revision: 1, newSize: mm(3) };
    const feature = state();
    const offers = feature ? limitOffers({ facts: story.facts, holders: rowHolders(derive(story.facts)), row: feature }) : [];
    expect(offers[0]?.warns).toBe('Worn as it is: it may have been past its limit already. It is 0.100 mm from new.');
  });
  it('is as it was found: no thinner than it is, no looser than it is', () => {
    const offer = (kind: FeatureKindName, text: string) => {
      const { story, state } = measured(kind, null, text);
      const feature = state();
      return feature ? limitOffers({ facts: story.facts, holders: rowHolders(derive(story.facts)), row: feature }) : [];
    };
    expect(offer('thickness', '2.90')).toMatchObject([{ source: 'as_found', limits: { min: mm(2.9) }, from: 'as measured' }]);
    expect(offer('bore', '20.05')).toMatchObject([
      { source: 'as_found', limits: { max: mm(20.05) }, warns: 'Worn as it is: it may have been past its limit already.' },
    ]);
  });
});

describe('a row of a box and of no shaft in it', () => {
  const boxed = () => {
    const { story, row } = measured('journal', { min: 19.98, max: 20 }, '19.97');
    const assemblyId = story.facts.assemblies[0]?.id ?? '';
    const at = story.facts.stations.findIndex((s) => s.id === row.id);
    const { shaftId: _, ...rest } = story.facts.stations[at] as (typeof story.facts.stations)[number];
    story.facts.stations[at] = { ...rest, shaftId: null, assemblyId };
    return { story, row, assemblyId };
  };
  it('is measured, judged and counted with the others', () => {
    const { story, row } = boxed();
    const state = derive(story.facts);
    expect(state.damage).toEqual([]);
    expect(state.shafts.flatMap((s) => s.features)).toEqual([]);
    expect(state.boxes).toMatchObject([{ features: [{ station: { id: row.id }, now: mm(19.97), mark: 'loose' }] }]);
    expect(state.marks.wear).toBe('loose');
    expect(state.lastReadings[0]).toMatchObject({ name: 'Front part', mark: 'loose' });
  });
  it('needs no shaft in the whole machine', () => {
    const { story, row } = boxed();
    const ofBox = new Set([row.id]);
    story.facts.shafts = [];
    story.facts.stations = story.facts.stations.filter((s) => ofBox.has(s.id));
    story.facts.parts = story.facts.features = story.facts.contacts = story.facts.places = [] as never[];
    story.facts.builds = [];
    story.facts.limits = story.facts.limits.filter((l) => ofBox.has(l.stationId));
    story.facts.readings = story.facts.readings.filter((r) => ofBox.has(r.stationId)).map((r) => ({ ...r, buildId: null }));
    const state = derive(story.facts);
    expect(state.damage).toEqual([]);
    expect(state.boxes[0]?.features[0]?.mark).toBe('loose');
  });
  it('of both, or of neither, is damaged, and nothing else is', () => {
    for (const wrong of [{ shaftId: null, assemblyId: undefined }, { shaftId: 'the first' as string | null }]) {
      const { story, row, assemblyId } = boxed();
      const at = story.facts.stations.findIndex((s) => s.id === row.id);
      const station = { ...(story.facts.stations[at] as (typeof story.facts.stations)[number]), assemblyId, ...wrong };
      if (station.shaftId !== null) station.shaftId = story.facts.shafts[0]?.id ?? '';
      if (wrong.assemblyId === undefined && 'assemblyId' in wrong) delete (station as { assemblyId?: string }).assemblyId;
      story.facts.stations[at] = station;
      expect(derive(story.facts).damage).toMatchObject([{ table: 'station', wanted: 'a shaft, or a box, and not both' }]);
    }
  });
});
