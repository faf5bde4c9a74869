import { describe, expect, it } from '@jest/globals';
import type { JobFacts } from '@elder-cog/contract';
import { solveShaft, thou } from '@elder-cog/core';
import fc from 'fast-check';
import { derive, moversOf, solveQuestion, triedMark, triedShaft, type GapState } from './index.ts';
import { Story } from './testing.ts';

/** A layshaft with its four floats read on one build, thou, and then other washers in P and Q. */
const evenings = fc.record({
  p: fc.integer({ min: 50, max: 70 }),
  q: fc.integer({ min: 90, max: 110 }),
  reads: fc.tuple(...[0, 1, 2, 3].map(() => fc.integer({ min: 1, max: 30 }))),
  thenP: fc.integer({ min: 50, max: 70 }),
  thenQ: fc.integer({ min: 90, max: 110 }),
});
type Evening = typeof evenings extends fc.Arbitrary<infer T> ? T : never;

function told({ p, q, reads, thenP, thenQ }: Evening): { before: GapState[]; after: GapState[]; facts: JobFacts } {
  const story = new Story({ template: 'layshaft', place: 'inLine', limits: null });
  story.fit({ packP: p, packQ: q });
  story.gaps.forEach((station, i) => story.read(String(reads[i] ?? 0), {}, station.id));
  const before = [...(derive(structuredClone(story.facts)).shafts[0]?.gaps ?? [])];
  story.fit({ packP: thenP, packQ: thenQ });
  return { before, after: [...(derive(story.facts).shafts[0]?.gaps ?? [])], facts: story.facts };
}

describe('several floats that share parts', () => {
  it('each moves by every slot that moves it, two at once, and by none that does not', () => {
    fc.assert(
      fc.property(evenings, (evening) => {
        const { before, after } = told(evening);
        const [byP, byQ] = [evening.thenP - evening.p, evening.thenQ - evening.q];
        // by hand: P is in the cluster's chain and before the circlip, Q before the circlip alone
        const moved = [byP, 0, 0, -byP - byQ];
        after.forEach((gap, i) => {
          const value = (before[i]?.now.reading?.value ?? NaN) + thou(moved[i] ?? 0);
          const isMoved = i === 0 ? byP !== 0 : i === 3 && (byP !== 0 || byQ !== 0);
          expect([i, gap.now.reading?.value]).toEqual([i, value]);
          expect([i, gap.now.kind]).toEqual([i, isMoved ? 'forecast' : 'read']);
        });
      }),
    );
  });
  it('two washers changed at once prove nothing of a gap that both move; one at a time does', () => {
    const story = new Story({ template: 'layshaft', place: 'inLine', limits: null });
    const stack = (): GapState => derive(structuredClone(story.facts)).shafts[0]?.gaps[3] as GapState;
    const build = (p: number, q: number, read: number): void => {
      story.fit({ packP: p, packQ: q });
      story.read(String(read), {}, story.gaps[3]?.id);
    };
    build(60, 100, 20);
    // eight more in P and six less in Q: two less is read, which is true, and says nothing of either
    build(68, 94, 18);
    expect(stack().pack?.proved).toBeNull();
    // and Q alone, five more: five less
    build(68, 99, 13);
    expect(stack().adjuster?.role).toBe('packQ');
    expect(stack().pack).toMatchObject({ proved: { sense: -1, factor: -1 }, refusal: null });
  });
  it('what is tried is what comes of it once it is fitted, drawn and reckoned, and nothing is kept of it', () => {
    fc.assert(
      fc.property(evenings, (evening) => {
        const { after, before, facts } = told(evening);
        const asBefore: JobFacts = { ...facts, builds: facts.builds.slice(0, -1) };
        const [shaft] = derive(asBefore).shafts;
        if (!shaft) throw new Error('no shaft');
        const slot = (role: string): string => facts.places.find((p) => p.role === role)?.id ?? '';
        const kept = structuredClone(asBefore);
        const would = triedShaft(asBefore, shaft, [
          { slotId: slot('packP'), leaves: [Story.leaf(evening.thenP)] },
          { slotId: slot('packQ'), leaves: [Story.leaf(evening.thenQ)] },
        ]);
        expect(would.gaps.map(({ now }) => now.reading)).toEqual(after.map(({ now }) => now.reading));
        expect(would.section).toEqual(derive(facts).shafts[0]?.section);
        expect(asBefore).toEqual(kept);
        expect(derive(asBefore).shafts[0]?.gaps.map(({ now }) => now.reading)).toEqual(before.map(({ now }) => now.reading));
      }),
      { numRuns: 30 },
    );
  });
  it('a tried gap is marked by the figure alone, and not at all without limits', () => {
    const story = new Story({ limits: '5-8 thou' });
    story.build([28]);
    story.read('24');
    const mark = (pack: number): string => {
      const [shaft] = derive(story.facts).shafts;
      const [gap] = shaft ? triedShaft(story.facts, shaft, [{ slotId: story.slot('pack'), leaves: [Story.leaf(pack)] }]).gaps : [];
      return gap ? triedMark(gap) : 'no gap';
    };
    expect([8, 9, 12, 13].map(mark)).toEqual(['tight', 'in', 'in', 'loose']);
    story.facts.limits.length = 0;
    expect(mark(10)).toBe('unmeasured');
  });
  it('what moves what agrees with what the builds say it moved', () => {
    fc.assert(
      fc.property(evenings, (evening) => {
        const { before, after, facts } = told(evening);
        const [shaft] = derive(facts).shafts;
        const movers = shaft ? moversOf(facts, shaft) : [];
        const by = (role: string, gap: number): number => movers.find((m) => m.id === facts.places.find((p) => p.role === role)?.id)?.by[gap] ?? 0;
        after.forEach((gap, i) => {
          const said = by('packP', i) * thou(evening.thenP - evening.p) + by('packQ', i) * thou(evening.thenQ - evening.q) + 0;
          expect((gap.now.reading?.value ?? NaN) - (before[i]?.now.reading?.value ?? NaN)).toBe(said);
        });
      }),
    );
  });
  it('each gap is set by the slot that moves fewest others', () => {
    const { after } = told({ p: 60, q: 100, reads: [5, 5, 5, 5], thenP: 60, thenQ: 100 });
    expect(after.map((gap) => [gap.adjuster?.role, gap.isShared])).toEqual([
      ['packP', true],
      // no slot moves the gears on the bush: it is said that it does not
      ['packP', false],
      ['packP', false],
      ['packQ', false],
    ]);
    expect(after.slice(1, 3).map((gap) => gap.pack?.sense)).toEqual([0, 0]);
  });
});

describe('a pinion drawn up by a nut', () => {
  it.each(['behindCone', 'behindCup'] as const)(
    'with its depth shim %s, is set for float by the pack between its cones, never by the depth shim',
    (place) => {
      const story = new Story({ template: 'pinionByNut', place, limits: '2-4 thou' });
      story.fit({ pack: 20, depthShim: 35 });
      story.read('9');
      const [gap] = derive(structuredClone(story.facts)).shafts[0]?.gaps ?? [];
      expect(gap).toMatchObject({ adjuster: { role: 'pack' }, pack: { sense: 1 } });
      // nor is another depth shim offered with a set for the whole shaft
      const [shaft] = derive(story.facts).shafts;
      const lots = [5, 33, 36].map((t) => Story.lot(story.id(), t, { owned: 2 }));
      const asked = shaft && solveQuestion(story.facts, shaft, { lots, fitted: [], laps: new Map() });
      const held = asked?.question.slots.find(({ id }) => id === story.slot('depthShim'));
      if (place === 'behindCup') expect(held).toMatchObject({ isFixed: true, choices: [{ thickness: thou(35) }] });
      const solved = asked && solveShaft(asked.question);
      for (const { picks } of solved?.solutions ?? []) expect(picks[story.slot('depthShim')] ?? held?.fitted).toEqual(held?.fitted);
      expect(solved?.buy?.slot).not.toBe(story.slot('depthShim'));
      // another depth shim: behind the cone it touches no float; behind the cup it takes as much off it
      story.fit({ depthShim: 38 });
      const [after] = derive(story.facts).shafts[0]?.gaps ?? [];
      expect([after?.now.kind, after?.now.reading?.value]).toEqual(place === 'behindCone' ? ['read', thou(9)] : ['forecast', thou(6)]);
    },
  );
});

describe('a washer that moves two gaps', () => {
  /** A and D read so, P and Q as they are; limits of A 7–12, of D as said, thou. */
  function pack(limitsOfD: string | null): NonNullable<GapState['pack']> | null {
    const story = new Story({ template: 'layshaft', place: 'inLine', limits: '7-12 thou' });
    story.fit({ packP: 59, packQ: 98 });
    const { gaps } = story;
    if (limitsOfD !== null) story.limit(`${limitsOfD} thou`, gaps[3]?.id);
    story.read('13½', {}, gaps[0]?.id);
    story.read('7', {}, gaps[3]?.id);
    return derive(story.facts).shafts[0]?.gaps[0]?.pack ?? null;
  }
  it('has the window that suits both, where there is one', () => {
    // A alone: 59 − 6½ to 59 − 1½. D goes the other way: 7 + 59 − P within 8 to 11 is P 55 to 58
    expect(pack(null)?.together).toEqual({ min: thou(52.5), max: thou(57.5) });
    expect(pack('8-11')?.together).toEqual({ min: thou(55), max: thou(57.5) });
  });
  it('has none where no one thickness brings both in', () => {
    // D within 2 to 5 is P 61 to 64
    expect(pack('2-5')?.together).toBeNull();
  });
  it('is said of a shared slot alone', () => {
    const story = new Story({ limits: '5-8 thou' });
    story.build([28]);
    story.read('24');
    expect(derive(story.facts).shafts[0]?.gaps[0]?.pack).not.toHaveProperty('together');
  });
});

describe('a place that is taken out of the drawing', () => {
  it('takes with it what was fitted in it, and no build', () => {
    const story = new Story({ template: 'layshaft', place: 'inLine', limits: null });
    story.fit({ packP: 59, packQ: 98 });
    story.read('11');
    const gone = story.slot('packQ');
    const facts: JobFacts = { ...story.facts, places: story.facts.places.map((p) => (p.id === gone ? { ...p, gone: true } : p)) };
    const { shafts, damage } = derive(facts);
    expect(shafts[0]?.builds).toHaveLength(1);
    expect(shafts[0]?.slots.filter(({ slot }) => slot.kind === 'adjuster').map(({ slot, words }) => [slot.role, words])).toEqual([['packP', '59']]);
    expect(shafts[0]?.gaps[0]?.now.reading?.value).toBe(thou(11));
    expect(damage).toEqual([]);
  });
});
