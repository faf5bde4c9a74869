import { describe, expect, it } from '@jest/globals';
import { newShaft, withUnderstood, type JobFacts, type Station } from '@elder-cog/contract';
import { INSTRUMENTS, thou, understand, type Instrument } from '@elder-cog/core';
import fc from 'fast-check';
import { derive, moversOf, type GapState } from './index.ts';
import { Story } from './testing.ts';

/** What the whole reckoning keeps, whatever the job (reckoning.md 5): random limits, packs, bolts and readings, told another way. */

interface Told {
  readonly limits: readonly [min: number, width: number];
  readonly steps: readonly {
    readonly pack: readonly number[];
    readonly bolts: 'torqued' | 'hand tight';
    readonly readings: readonly number[];
    /** under the cover: another gasket so thick bolted up, or nobody knows how thick, and so much sealant, thou */
    readonly gasket: number | 'not known' | null;
    readonly film: number | null;
  }[];
  /** a pair of bearings with one pack; or a layshaft of four floats that share parts, with two washers */
  readonly place: 'underCover' | 'behindCup' | 'layshaft';
}

const jobs: fc.Arbitrary<Told> = fc.record({
  limits: fc.tuple(fc.integer({ min: 1, max: 12 }), fc.integer({ min: 1, max: 8 })),
  place: fc.constantFrom('underCover' as const, 'behindCup' as const, 'layshaft' as const),
  steps: fc.array(
    fc.record({
      pack: fc.array(fc.integer({ min: 1, max: 30 }), { maxLength: 3 }),
      bolts: fc.constantFrom('torqued' as const, 'hand tight' as const),
      readings: fc.array(fc.integer({ min: 1, max: 60 }), { maxLength: 4 }),
      gasket: fc.constantFrom(null, null, 9, 12, 15, 'not known' as const),
      film: fc.constantFrom(null, null, 0, 1, 2),
    }),
    { minLength: 1, maxLength: 4 },
  ),
});

/** A job told in thou; every figure a whole number of them. */
function inThou(job: Told): Story {
  const { limits, steps, place } = job;
  const [min, width] = limits;
  if (place === 'layshaft') return layshaft(job);
  const story = new Story({ place, gasket: place === 'underCover', limits: `${min}-${min + width} thou` });
  for (const { pack, bolts, readings, gasket, film } of steps) {
    const { fits } = story.build(pack, { 'cover.bolts': bolts });
    const said = { id: story.id(), leaves: [], state: null };
    if (place === 'underCover' && gasket !== null)
      fits.push({ ...said, placeId: story.slot('cover.gasket'), state: 'new gasket', crushed: gasket === 'not known' ? null : thou(gasket) });
    if (place === 'underCover' && film !== null) Object.assign(fits.find((f) => f.placeId === story.slot('cover.bolts')) ?? {}, { film: thou(film) });
    for (const reading of readings) story.read(String(reading));
  }
  return story;
}

/** Washers in P and Q at every step, and readings of each of the four floats, in turn. */
function layshaft({ limits: [min, width], steps }: Told): Story {
  const story = new Story({ template: 'layshaft', place: 'inLine', limits: `${min}-${min + width} thou` });
  const { gaps } = story;
  for (const { id } of gaps.slice(1)) story.limit(`${min}-${min + width} thou`, id);
  for (const { pack, readings } of steps) {
    fit(story, pack);
    readings.forEach((reading, i) => story.read(String(reading), {}, gaps[i % gaps.length]?.id));
  }
  return story;
}

/** Other washers in P and Q, as one build. */
const fit = (story: Story, [p = 0, q = 0]: readonly number[]): string => story.fit({ packP: 45 + p, packQ: 90 + q }).id;

/** All that is said of a gap, but in what system. */
function said(facts: JobFacts): { readonly gaps: readonly GapSaid[]; readonly next: string; readonly drawn: unknown; readonly moves: unknown } {
  const { shafts, next } = derive(facts);
  const [shaft] = shafts;
  return {
    gaps: (shaft?.gaps ?? []).map(gapSaid),
    next: next.what,
    drawn: shaft?.section.gaps.map(({ value, forecast }) => [value, forecast]),
    moves: shaft && moversOf(facts, shaft).map(({ by }) => by),
  };
}

type GapSaid = ReturnType<typeof gapSaid>;
function gapSaid({ now, verdict, mark, pack, needsPack, ladder }: GapState) {
  return {
    now: { kind: now.kind, reading: now.reading, values: [...now.values], range: now.range },
    verdict: verdict && [verdict.place, verdict.sure, verdict.probabilityIn, verdict.accepted],
    mark,
    needsPack,
    window: pack?.window && [pack.window.ideal, pack.window.min, pack.window.max, pack.window.sure],
    refusal: pack?.refusal?.code ?? null,
    ladder: ladder.map((row) => [row.pack, row.reading, row.mark, row.said, row.residual]),
  };
}

describe('the same facts', () => {
  it('told in thou and in millimetres give the same verdicts, packs and advice', () => {
    const asMm = (nm: number): string => `${(nm / 1e6).toFixed(4)} mm`;
    fc.assert(
      fc.property(jobs, (job) => {
        const told = inThou(job).facts;
        const metric = structuredClone(told);
        for (const limit of metric.limits) Object.assign(limit, { unit: 'mm', written: `${asMm(limit.min ?? 0)} to ${asMm(limit.max ?? 0)}` });
        for (const leaf of metric.builds.flatMap((b) => b.fits.flatMap((f) => f.leaves)))
          Object.assign(leaf, { unit: 'mm', written: asMm(leaf.thickness) });
        // the same dial, its face told in the other system
        const dial: Instrument = { ...INSTRUMENTS.dialThou, unit: 'mm' };
        metric.readings = told.readings.map((r) => {
          const text = asMm(Number(r.raw.text) * 25_400);
          const found = understand(text, { field: 'reading', bare: 'mm', instrument: dial, quantity: 'openFloat' });
          if (found.kind !== 'understood') throw new Error(text);
          return { ...r, raw: { ...r.raw, text, instrument: dial, understood: { ...found.value, unit: 'mm' } as typeof r.raw.understood } };
        });
        expect(said(metric)).toEqual(said(told));
      }),
    );
  });
  it('with the readings of each build in any order give the same', () =>
    fc.assert(
      fc.property(jobs, fc.integer({ min: 0, max: 1e9 }), (job, seed) => {
        const facts = inThou(job).facts;
        const shuffled = structuredClone(facts);
        // a seeded order, each reading keeping the build it was taken on
        const order = (id: string): number => [...id].reduce((hash, c) => Math.imul(hash ^ c.charCodeAt(0), 16_777_619), seed | 0);
        shuffled.readings = [...facts.readings].sort((a, b) => order(a.id) - order(b.id));
        // a sum in another order differs in its last digit, and an outlier is named by its place
        const plain = (state: unknown): unknown =>
          JSON.parse(JSON.stringify(state, (key, v: unknown) => (key === 'outliers' ? null : typeof v === 'number' ? Number(v.toPrecision(9)) : v)));
        const [one, other] = [said(facts), said(shuffled)];
        for (const { now } of [...one.gaps, ...other.gaps]) now.values.sort((a, b) => a - b);
        expect(plain(other)).toEqual(plain(one));
      }),
    ));
  it('with the clocks of the tablets a day apart give the same: they stand in the order the server took them', () =>
    fc.assert(
      fc.property(jobs, fc.array(fc.integer({ min: -2, max: 2 }), { minLength: 1, maxLength: 7 }), (job, days) => {
        const facts = inThou(job).facts;
        const shifted = structuredClone(facts);
        const moved = (at: string, i: number): string => new Date(Date.parse(at) + (days[i % days.length] ?? 0) * 86_400_000).toISOString();
        shifted.builds.forEach((b, i) => Object.assign(b, { at: moved(b.at, i) }));
        shifted.readings.forEach((r, i) => Object.assign(r, { takenAt: moved(r.takenAt, i + 3) }));
        expect(said(shifted)).toEqual(said(facts));
      }),
    ));
  it('after something was done and taken back give what stood before it', () =>
    fc.assert(
      fc.property(jobs, fc.integer({ min: 1, max: 60 }), fc.array(fc.integer({ min: 1, max: 30 }), { maxLength: 3 }), (job, reading, pack) => {
        const story = inThou(job);
        const before = said(structuredClone(story.facts));
        story.withdraw('reading', story.read(String(reading)));
        story.withdraw('build', job.place === 'layshaft' ? fit(story, pack) : story.build(pack, { 'cover.bolts': 'torqued' }).id);
        expect(said(structuredClone(story.facts))).toEqual(before);
      }),
    ));
  it('with a shaft more that has nothing to do with it give the same', () =>
    fc.assert(
      fc.property(jobs, fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 1, maxLength: 3 }), (job, pack) => {
        const story = inThou(job);
        const before = said(structuredClone(story.facts));
        const { facts } = story;
        const other = newShaft({
          assemblyId: facts.assemblies[0]?.id ?? '',
          name: 'Layshaft',
          template: 'plainThrust',
          place: 'thrustWasher',
          gasket: false,
          position: 1,
          newId: () => story.id(),
        });
        facts.shafts.push({ ...other.shaft, revision: 1 });
        facts.parts.push(...other.parts.map((p) => ({ ...p, revision: 1 })));
        facts.places.push(...other.places.map((p) => ({ ...p, revision: 1 })));
        facts.features.push(...other.features.map((f) => ({ ...f, revision: 1 })));
        facts.contacts.push(...other.contacts.map((c) => ({ ...c, revision: 1 })));
        facts.stations.push(...other.stations.map((s) => ({ ...s, revision: 1 }) as Station));
        const placeId = other.places.find((p) => p.takes === 'leaves')?.id ?? '';
        const built = story.build(null);
        built.fits.push({ id: story.id(), placeId, leaves: pack.map((t) => Story.leaf(t)), state: null });
        story.read('9', withUnderstood({ method: 'dial' as const, text: '9', instrument: INSTRUMENTS.dialThou, restsOn: [] }), other.stations[0]?.id);
        const after = structuredClone(facts);
        expect({ ...said(after), next: null }).toEqual({ ...before, next: null });
        if (job.place === 'layshaft') return;
        // each shaft's ladder shows its own leaves
        const ladders = derive(after).shafts.map((s) => s.gaps[0]?.ladder.map((row) => row.leaves?.map((l) => l.thickness) ?? null));
        expect(ladders[1]).toEqual([pack.map((t) => t * 25_400)]);
        expect(ladders[0]).toEqual(job.steps.map((step) => step.pack.map((t) => t * 25_400)));
      }),
    ));
});
