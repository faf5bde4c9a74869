import { describe, expect, it } from '@jest/globals';
import { sensesFromLayout, TEMPLATES, thou, type Length, type Place, type TemplateName } from '@elder-cog/core';
import fc from 'fast-check';
import { derive, packChoices, summary, type GapState } from './index.ts';
import { Story } from './testing.ts';

const gapOf = (story: Story): GapState => derive(story.facts).shafts[0]?.gaps[0] as GapState;
/** Every arrangement whose float a pack sets: of one on a crush sleeve none does (sleeve.test.ts). */
const everyPlace = (Object.keys(TEMPLATES) as TemplateName[])
  .filter((template) => template !== 'pinionBySleeve')
  .flatMap((template) => TEMPLATES[template].places.map(({ place }) => ({ template, place })));
const arrangement = fc.constantFrom(...everyPlace);
const pack = fc.array(fc.integer({ min: 1, max: 30 }), { minLength: 1, maxLength: 3 });
const total = (leaves: readonly number[]): number => leaves.reduce((a, b) => a + b, 0) * 25_400;
const stateOf = (value: unknown): string => JSON.stringify(value, (_, v: unknown) => (v instanceof Map ? [...(v as Map<unknown, unknown>)] : v));

/** Stops anything from writing to the facts it was given. */
function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    Object.values(value).forEach(frozen);
  }
  return value;
}

/** Drawn together by a nut; the rest are held by a cover, a collar or a ring. */
const NUTTED: ReadonlySet<TemplateName> = new Set(['hubByNut', 'pinionByNut', 'intermediate']);
/** A length the gear itself runs on: longer, it gives the gear more. */
const RUN_ON: ReadonlySet<TemplateName> = new Set(['gearOnBush', 'layshaft']);

const senseOf = ({ template, place }: { template: TemplateName; place: Place }): number => {
  if (template === 'plainThrust') return place === 'underCover' ? 1 : -1;
  const arrangement = NUTTED.has(template) ? 'backToBack' : 'faceToFace';
  // of a pinion the pack is that between its cones, wherever its depth shim sits
  return sensesFromLayout({ place: template === 'pinionByNut' ? 'betweenCones' : place, arrangement, gap: RUN_ON.has(template) ? 'gear' : 'shaft' });
};

describe('whatever is fitted and read', () => {
  it('a forecast is the reading moved by what the pack moved, by the sense of its place', () => {
    fc.assert(
      fc.property(arrangement, pack, pack, fc.integer({ min: 1, max: 90 }), (where, first, second, read) => {
        fc.pre(total(first) !== total(second));
        const story = new Story(where);
        story.build(first);
        story.read(String(read));
        story.build(second);
        const { now } = gapOf(story);
        expect(now.kind).toBe('forecast');
        expect(now.reading?.value).toBe(read * 25_400 + senseOf(where) * (total(second) - total(first)));
      }),
    );
  });
  it('over another pack, another gasket and other sealant it is moved by all three', () => {
    const joint = fc.record({ pack, gasket: fc.integer({ min: 1, max: 20 }), film: fc.integer({ min: 0, max: 4 }) });
    fc.assert(
      fc.property(joint, joint, fc.integer({ min: 1, max: 90 }), (was, is, read) => {
        const story = new Story({ gasket: true });
        const all = ({ pack: leaves, gasket, film }: typeof was): number => total(leaves) + (gasket + film) * 25_400;
        for (const { pack: leaves, gasket, film } of [was, is]) {
          const { fits } = story.build(leaves);
          const said = { leaves: [], state: null };
          fits.push({ id: story.id(), placeId: story.slot('cover.gasket'), ...said, crushed: thou(gasket) });
          fits.push({ id: story.id(), placeId: story.slot('cover.bolts'), ...said, film: thou(film) });
          if (story.facts.builds.length === 1) story.read(String(read));
        }
        const { now } = gapOf(story);
        const isSame = total(was.pack) === total(is.pack) && was.gasket === is.gasket && was.film === is.film;
        expect(now.kind).toBe(isSame ? 'read' : 'forecast');
        expect(now.reading?.value).toBe(read * 25_400 + all(is) - all(was));
      }),
    );
  });
  it('the ideal pack, fitted, is forecast to land on the aim', () => {
    fc.assert(
      fc.property(arrangement, pack, fc.integer({ min: 1, max: 90 }), (where, first, read) => {
        const story = new Story(where);
        story.build(first);
        story.read(String(read));
        const window = gapOf(story).pack?.window;
        fc.pre(window !== null && window !== undefined && window.reachable && window.ideal > 0);
        const built = story.build([1]);
        built.fits.forEach((f) => f.leaves.forEach((l) => Object.assign(l, { thickness: window?.ideal })));
        expect(gapOf(story).now.reading?.value).toBe(6.5 * 25_400);
      }),
    );
  });
  it('a build with the same pack and bolts leaves a reading standing', () => {
    fc.assert(
      fc.property(arrangement, pack, fc.integer({ min: 1, max: 90 }), (where, leaves, read) => {
        const story = new Story(where);
        story.build(leaves, { 'cover.bolts': 'torqued' });
        story.read(String(read));
        story.build(leaves, { 'cover.bolts': 'torqued' });
        expect(gapOf(story).now).toMatchObject({ kind: 'read', reading: { value: read * 25_400 } });
      }),
    );
  });
  it('a trial made true to the drawing proves it; one made the other way contradicts it', () => {
    fc.assert(
      fc.property(arrangement, fc.integer({ min: 5, max: 20 }), fc.integer({ min: 5, max: 20 }), fc.boolean(), (where, first, more, honest) => {
        const story = new Story(where);
        story.build([first]);
        story.read('50');
        story.build([first + more]);
        story.read(String(50 + (honest ? 1 : -1) * senseOf(where) * more));
        const proved = gapOf(story).pack?.proved;
        expect(proved?.sense).toBe((honest ? 1 : -1) * senseOf(where));
        expect(proved?.contradiction === undefined).toBe(honest);
      }),
    );
  });
  it('facts are never written to, and the same facts give the same state', () => {
    fc.assert(
      fc.property(arrangement, pack, fc.array(fc.integer({ min: 1, max: 60 }), { maxLength: 4 }), (where, leaves, reads) => {
        const story = new Story(where);
        story.build(leaves);
        reads.forEach((r) => story.read(String(r)));
        const facts = frozen(structuredClone(story.facts));
        expect(stateOf(derive(facts))).toBe(stateOf(derive(structuredClone(facts))));
        expect(() => summary(facts)).not.toThrow();
      }),
    );
  });
  it('taking back every reading is as if none had been taken', () => {
    fc.assert(
      fc.property(arrangement, pack, fc.array(fc.integer({ min: 1, max: 60 }), { minLength: 1, maxLength: 5 }), (where, leaves, reads) => {
        const story = new Story(where);
        story.build(leaves);
        const bare = gapOf(story);
        reads.map((r) => story.read(String(r))).forEach((id) => story.withdraw('reading', id));
        const after = gapOf(story);
        expect([after.now.kind, after.mark, after.pack?.window]).toEqual([bare.now.kind, bare.mark, bare.pack?.window]);
      }),
    );
  });
  it('packs offered are of leaves there are, and give what they say', () => {
    const leaves = fc.array(fc.record({ t: fc.integer({ min: 1, max: 40 }), quantity: fc.integer({ min: 1, max: 3 }) }), {
      minLength: 1,
      maxLength: 8,
    });
    fc.assert(
      fc.property(leaves, fc.integer({ min: 5, max: 60 }), fc.constantFrom(1 as const, -1 as const), (drawer, ideal, sense) => {
        const at = (t: number): Length => (t * 25_400) as Length;
        const window = {
          ideal: at(ideal),
          min: at(ideal - 2),
          max: at(ideal + 2),
          sure: { min: at(ideal - 1), max: at(ideal + 1) },
          reachable: true,
        };
        const available = drawer.map(({ t, quantity }, i) => ({
          lotId: `lot${i}`,
          thickness: at(t),
          written: String(t),
          unit: 'thou' as const,
          quantity,
        }));
        const { choices, make } = packChoices({ window, available, fitted: at(20), reading: at(10), sense });
        for (const choice of choices) {
          expect(choice.leaves.reduce((sum, l) => sum + l.thickness * l.count, 0)).toBe(choice.total);
          expect(choice.gives).toBe(at(10) + sense * (choice.total - at(20)));
          for (const l of choice.leaves) expect(l.count).toBeLessThanOrEqual(available.find((a) => a.lotId === l.lotId)?.quantity ?? 0);
          expect(choice.sure).toBe(choice.total >= window.sure.min && choice.total <= window.sure.max);
        }
        if (choices.length > 0) expect(make.plan).toBeNull();
        if (make.plan && 'from' in make.plan) expect(make.plan.from - make.plan.takeOff).toBe(window.ideal);
      }),
    );
  });
});
