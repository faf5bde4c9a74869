import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { jobFacts, workshopFile, type JobFacts, withUnderstood } from '@elder-cog/contract';
import { thou } from '@elder-cog/core';
import { derive, fittedIn, jobReadings, readable, recordOf, summary } from './index.ts';
import { Story } from './testing.ts';

/** Odd but valid sets of facts; the long run is by hand, `npm run attack`. */
const SETS = process.env.ATTACK === 'full' ? 5_000 : 160;

const file = workshopFile.parse(JSON.parse(readFileSync(new URL('../../demo/workshop.json', import.meta.url), 'utf8')));
const demo = file.jobs[0] as JobFacts;

/** Small whole numbers by chance, the same every time: a linear congruential generator (Numerical Recipes' constants, from memory). */
function chance(seed: number): (below: number) => number {
  let state = seed >>> 0;
  return (below) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 4_294_967_296) * below);
  };
}

type Place = readonly [parent: Record<string, unknown>, key: string];
function places(value: unknown, found: Place[] = []): Place[] {
  if (typeof value !== 'object' || value === null) return found;
  for (const key of Object.keys(value)) {
    found.push([value as Record<string, unknown>, key]);
    places((value as Record<string, unknown>)[key], found);
  }
  return found;
}

const FIGURES = [0, 1, -1, 4, 1e10, -1e10, 2_540_000, 10_617_200_000 - 7e8, 9_999_999_999, 200, 999, -25_400_000];
const WORDS = ['', 'x', '0', '88>12', 'goes 9 stops 8', '300+118 in', '1e9', '-5', '12 120 12', '½', '1/0', 'goes 0', '9>8>7', 'NaN', '∞'];

/** Facts with a few things in them as nobody would put them, and of the right shape all the same. */
function odd(seed: number, base: JobFacts): JobFacts | null {
  const next = chance(seed);
  const facts = structuredClone(base) as JobFacts & Record<string, unknown>;
  for (let n = 1 + next(6); n > 0; n--) {
    const all = places(facts);
    const [parent, key] = all[next(all.length)] as Place;
    const now = parent[key];
    // something that stands in a field of the same name elsewhere, or anything of its kind
    const [other, otherKey] = all.filter(([, k]) => k === key)[next(40)] ?? ([parent, key] as Place);
    const how = next(5);
    if (how === 0) parent[key] = structuredClone(other[otherKey]);
    else if (Array.isArray(now))
      parent[key] =
        how === 1 ? [] : how === 2 ? now.toReversed() : how === 3 ? now.slice(1) : [...(now as unknown[]), ...structuredClone(now as unknown[])];
    else if (typeof now === 'number') parent[key] = FIGURES[next(FIGURES.length)];
    else if (typeof now === 'string') parent[key] = how === 1 ? structuredClone(other[otherKey]) : WORDS[next(WORDS.length)];
    else if (typeof now === 'boolean') parent[key] = !now;
    else parent[key] = null;
  }
  const read = jobFacts.safeParse(facts);
  return read.success ? read.data : null;
}

const story = (): JobFacts => {
  const made = new Story({ gasket: true });
  made.build([20, 8], { 'cover.bolts': 'torqued' });
  made.read('24 25 24');
  made.read('goes 23 stops 25', { method: 'feelers' });
  made.build([10], { 'cover.bolts': 'torqued' });
  made.read('6');
  const { bore, journal } = made.pair('1-3 thou');
  made.size(bore, 'front', '0.7515 0.7516');
  made.size(journal, 'front', '0.7495');
  return made.facts;
};

describe('facts that are odd, and of the right shape', () => {
  it(`never stop the reckoning, in ${SETS} sets of them; what is left out is named`, () => {
    const bases = [story(), demo];
    let sets = 0;
    let damaged = 0;
    for (let seed = 1; sets < SETS; seed++) {
      const facts = odd(seed, bases[seed % 8 === 0 ? 1 : 0] as JobFacts);
      if (!facts) continue;
      sets += 1;
      try {
        const state = derive(facts);
        damaged += state.damage.length > 0 ? 1 : 0;
        for (const each of state.damage) expect([each.what, each.found, each.wanted].every((words) => words.length > 0)).toBe(true);
        summary(facts);
        fittedIn(facts);
        jobReadings(facts);
        recordOf(facts, []);
      } catch (error) {
        throw new Error(`seed ${seed}: ${(error as Error).stack ?? ''}`, { cause: error });
      }
    }
    expect(damaged).toBeGreaterThan(SETS / 10);
    console.log(`${sets} odd sets of facts, ${damaged} of them with something left out and named`);
  }, 600_000);
});

describe('one bad row', () => {
  it('a float of ten metres is left out, named, and everything else stands', () => {
    const facts = story();
    const before = derive(structuredClone(facts));
    const bad = structuredClone(facts);
    const reading = { ...(bad.readings[0] as JobFacts['readings'][number]), id: 'bad00000-0000-4000-8000-000000000001' };
    bad.readings.push({ ...reading, raw: withUnderstood({ ...reading.raw, text: '300+118 in' }), keptAs: { value: null, words: '' } });
    bad.readings.push({ ...reading, id: 'bad00000-0000-4000-8000-000000000002', raw: withUnderstood({ ...reading.raw, text: '12 in' }) });
    const after = derive(bad);
    expect(after.damage).toMatchObject([{ table: 'reading', what: 'a reading, 12 in', found: '304.8 mm', wanted: 'a gap within 50 mm of nothing' }]);
    expect(after.shafts[0]?.gaps[0]?.now.reading).toEqual(before.shafts[0]?.gaps[0]?.now.reading);
    expect(summary(bad).damaged).toBe('One of its entries is damaged, and left out.');
  });
  it('a leaf of half a metre makes the pack unknown, and nothing else', () => {
    const facts = story();
    const leaf = facts.builds[1]?.fits[0]?.leaves[0];
    if (leaf) Object.assign(leaf, { thickness: thou(20_000) });
    const state = derive(facts);
    expect(state.damage).toMatchObject([{ table: 'build', found: '508 mm', wanted: 'a leaf of 0.005 to 100 mm' }]);
    expect(state.shafts[0]?.slots[0]?.fitting.leaves).toBeNull();
    expect(state.shafts[0]?.gaps[0]?.pack).toMatchObject({ known: false, refusal: null });
  });
  it('a gap that names no contact leaves the other gaps and rows of its shaft', () => {
    const facts = story();
    facts.stations.push({
      ...(facts.stations[0] as JobFacts['stations'][number]),
      id: 'bad00000-0000-4000-8000-000000000003',
      reads: { what: 'gap', contacts: ['bad00000-0000-4000-8000-000000000004'] },
    });
    const state = derive(facts);
    expect(state.damage).toMatchObject([{ table: 'station', wanted: 'the id of a contact among its facts' }]);
    expect(state.shafts[0]?.gaps).toHaveLength(1);
    expect(state.shafts[0]?.pairs).toHaveLength(1);
  });
  it('sound facts are the very same facts: nothing is copied, and nothing that was worked out is lost', () => {
    const facts = story();
    expect(readable(facts)).toEqual({ facts, damage: [] });
    expect(readable(facts).facts).toBe(facts);
  });
});
