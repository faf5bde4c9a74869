import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { mm, nanometres, type Length } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import { shaftModel, turnRound, type Contact, type FaceGraph, type LengthFeature, type LinearGap, type Part } from './index.ts';

const part = (id: string, kind: string, ...faces: string[]): Part => ({ id, name: id, kind, turned: false, faces: faces.map((f) => `${id}.${f}`) });
const length = (owner: string, from: string, to: string, millimetres: number | null, more: Partial<LengthFeature> = {}): LengthFeature => ({
  id: `${owner}.${from}-${to}`,
  part: owner,
  name: `${owner} ${from} to ${to}`,
  from: `${owner}.${from}`,
  to: `${owner}.${to}`,
  length: millimetres === null ? null : mm(millimetres),
  ...more,
});
const meet = (a: string, b: string, kind: Contact['kind'] = 'seated'): Contact => ({ id: `${a}~${b}`, a, b, kind });
const only = (graph: FaceGraph, ...slots: string[]): LinearGap => {
  const [form] = shaftModel(
    graph,
    slots.map((id) => ({ id, length: id })),
  ).gaps;
  if (!form) throw new Error('no gap');
  return form;
};

/** A layshaft: two floats that share a bush, a washer at either side of the gear, all against one shoulder. */
const layshaft: FaceGraph = {
  parts: [
    part('case', 'casing', 'near', 'far'),
    part('plate', 'washer', 'in', 'out'),
    part('shaft', 'shaft', 'end', 'shoulder'),
    part('washer', 'washer', 'in', 'out'),
    part('bush', 'bush', 'in', 'out'),
    part('gear', 'gear', 'in', 'out'),
    part('collar', 'collar', 'in', 'out'),
  ],
  lengths: [
    length('case', 'near', 'far', 120),
    length('plate', 'in', 'out', 3),
    length('shaft', 'end', 'shoulder', 40),
    length('washer', 'in', 'out', 2),
    length('bush', 'in', 'out', 50),
    length('gear', 'in', 'out', 47.9),
    length('collar', 'in', 'out', 26.8),
  ],
  contacts: [
    meet('case.near', 'plate.in'),
    meet('plate.out', 'shaft.end'),
    meet('shaft.shoulder', 'washer.in'),
    meet('shaft.shoulder', 'bush.in', 'clamped'),
    meet('bush.out', 'collar.in', 'clamped'),
    meet('washer.out', 'gear.in'),
    { id: 'gearFloat', a: 'gear.out', b: 'collar.in', kind: 'open' },
    { id: 'shaftFloat', a: 'collar.out', b: 'case.far', kind: 'open' },
  ],
};

describe('a shaft with several gaps and several slots', () => {
  const slots = ['plate.in-out', 'washer.in-out', 'bush.in-out'];
  const { gaps, depths } = shaftModel(
    layshaft,
    slots.map((id) => ({ id, length: id })),
    { depths: [{ id: 'gear from the case', from: 'case.near', to: 'gear.in' }] },
  );
  // by hand: gear 0 + bush − washer − gear: −47.9 + …; shaft 120 − plate − 40 − bush − 26.8 = 53.2 − plate − bush
  it('has for each gap its own sum, and what each slot does to it', () =>
    expect(gaps.map(({ contact, constant, coefficients }) => [contact, constant, coefficients])).toEqual([
      ['gearFloat', mm(-47.9), { 'plate.in-out': 0, 'washer.in-out': -1, 'bush.in-out': 1 }],
      ['shaftFloat', mm(53.2), { 'plate.in-out': -1, 'washer.in-out': 0, 'bush.in-out': -1 }],
    ]));
  it('has depths beside them, moved by their own slots', () =>
    expect(depths).toMatchObject([
      { id: 'gear from the case', constant: mm(40), coefficients: { 'plate.in-out': 1, 'washer.in-out': 1, 'bush.in-out': 0 } },
    ]));
  it('forecasts two slots moved at once', () => {
    // the bush 0.3 longer and the washer 0.2 thicker: gear float +0.1, shaft float −0.3
    const change: Readonly<Record<string, number>> = { 'bush.in-out': 0.3, 'washer.in-out': 0.2 };
    const moved = { ...layshaft, lengths: layshaft.lengths.map((l) => ({ ...l, length: nanometres((l.length ?? 0) + mm(change[l.id] ?? 0)) })) };
    const [before, after] = [layshaft, moved].map((graph) => shaftModel(graph, []).gaps.map((g) => g.constant ?? NaN));
    expect(after?.map((value, i) => value - (before?.[i] ?? NaN))).toEqual([mm(0.1), mm(-0.3)]);
  });
});

/** Two taper bearings, by which side their cups lie: cups outside, or cones outside. */
function twoTapers(arrangement: 'cupsOutside' | 'conesOutside'): FaceGraph {
  const cupsOutside = arrangement === 'cupsOutside';
  const race = (id: string, kind: 'cup' | 'cone', backFirst: boolean): Part => part(id, kind, ...(backFirst ? ['back', 'front'] : ['front', 'back']));
  return {
    parts: [
      race('cupIn', 'cup', cupsOutside),
      race('coneIn', 'cone', !cupsOutside),
      race('coneOut', 'cone', cupsOutside),
      race('cupOut', 'cup', !cupsOutside),
      part('case', 'casing', 'in', 'out'),
      part('shaft', 'shaft', 'in', 'out'),
      part('cover', 'cover', 'spigot', 'flange'),
    ],
    lengths: [length('case', 'in', 'out', cupsOutside ? 140 : 60), length('shaft', 'in', 'out', 100), length('cover', 'spigot', 'flange', 0)],
    contacts: cupsOutside
      ? [
          meet('case.in', 'cupIn.back'),
          { id: 'T1', a: 'cupIn.back', b: 'coneIn.back', kind: 'rolling', stand: mm(20) },
          meet('coneIn.back', 'shaft.in'),
          meet('shaft.out', 'coneOut.back'),
          { id: 'T2', a: 'coneOut.back', b: 'cupOut.back', kind: 'rolling', stand: mm(19.9) },
          meet('case.out', 'cover.flange', 'clamped'),
          { id: 'gap', a: 'cupOut.back', b: 'cover.spigot', kind: 'open' },
        ]
      : [
          meet('shaft.in', 'coneIn.back'),
          { id: 'T1', a: 'coneIn.back', b: 'cupIn.back', kind: 'rolling', stand: mm(20) },
          meet('cupIn.back', 'case.in'),
          meet('case.out', 'cupOut.back'),
          meet('coneOut.back', 'shaft.out', 'clamped'),
          { id: 'gap', a: 'cupOut.back', b: 'coneOut.back', kind: 'open', stand: mm(19.9) },
        ],
  };
}

describe('two bearings', () => {
  it('lie face to face with their cups outside: case − T₁ − shaft − T₂', () =>
    expect(only(twoTapers('cupsOutside'))).toMatchObject({ constant: mm(0.1), arrangement: 'faceToFace' }));
  it('lie back to back with their cones outside: spacer − (housing + T₁ + T₂)', () =>
    expect(only(twoTapers('conesOutside'))).toMatchObject({ constant: mm(0.1), arrangement: 'backToBack' }));
  it('one race turned alone does not fit its mate', () => {
    for (const race of ['cupIn', 'coneIn', 'coneOut', 'cupOut'])
      expect([race, refusalOf(() => only(turnRound(twoTapers('cupsOutside'), race)))]).toEqual([race, 'doNotFit']);
  });
  it('cup and cone of one turned together lie in tandem with the other', () => {
    const turned = turnRound(turnRound(twoTapers('cupsOutside'), 'cupIn'), 'coneIn');
    const widths = { ...turned, lengths: [...turned.lengths, length('cupIn', 'back', 'front', 14), length('coneIn', 'front', 'back', 18)] };
    expect(only(widths)).toMatchObject({ arrangement: 'tandem' });
  });
  it('both turned take thrust the other way, and the stands count the other way with them', () => {
    const all = ['cupIn', 'coneIn', 'coneOut', 'cupOut'].reduce(turnRound, twoTapers('cupsOutside'));
    const widths = {
      ...all,
      lengths: [
        ...all.lengths,
        length('cupIn', 'back', 'front', 14),
        length('coneIn', 'front', 'back', 18),
        length('coneOut', 'back', 'front', 18),
        length('cupOut', 'front', 'back', 14),
      ],
    };
    const stands = (graph: FaceGraph) =>
      only(graph)
        .terms.filter((t) => t.id.startsWith('T'))
        .map((t) => t.coefficient);
    expect([stands(twoTapers('cupsOutside')), stands(widths)]).toEqual([
      [-1, -1],
      [1, 1],
    ]);
    expect(only(widths).arrangement).toBe('backToBack');
  });
});

describe('what lies clamped between two faces', () => {
  const joint = (gasket: Length | null): FaceGraph => ({
    parts: [part('case', 'casing', 'in', 'out'), part('cover', 'cover', 'spigot', 'flange')],
    lengths: [length('case', 'in', 'out', 50), length('cover', 'spigot', 'flange', 8)],
    contacts: [
      { id: 'gasket', a: 'case.out', b: 'cover.flange', kind: 'clamped', stand: gasket, name: 'gasket, crushed' },
      { id: 'gap', a: 'case.in', b: 'cover.spigot', kind: 'open' },
    ],
  });
  it('keeps them apart, and is asked for where it is not known', () => {
    expect(only(joint(mm(0.4)))).toMatchObject({ constant: mm(42.4) });
    expect(only(joint(null))).toMatchObject({ constant: null, missing: ['gasket, crushed'] });
  });
});

describe('several walks to one face', () => {
  const two = (again: number, u: readonly (number | undefined)[]): FaceGraph => ({
    parts: [part('shaft', 'shaft', 'in', 'middle', 'out')],
    lengths: [
      length('shaft', 'in', 'middle', 30, u[0] === undefined ? {} : { u: u[0] }),
      length('shaft', 'middle', 'out', 70, u[1] === undefined ? {} : { u: u[1] }),
      length('shaft', 'in', 'out', again, u[2] === undefined ? {} : { u: u[2] }),
    ],
    contacts: [{ id: 'gap', a: 'shaft.in', b: 'shaft.out', kind: 'open' }],
  });
  // by hand: 100.000 with u² 3² + 4² = 25, and 100.006 with u² 25: 100.003, u 5/√2
  it('that agree are weighted by how well each is known (weighted mean, any text on errors of measurement)', () => {
    const form = only(two(100.006, [3_000, 4_000, 5_000]));
    expect(form).toMatchObject({ constant: mm(100.003), contradictions: [] });
    expect(form.u).toBeCloseTo(5_000 / Math.SQRT2, 3);
    expect(form.terms.map((t) => t.coefficient)).toEqual([0.5, 0.5, 0.5].map((c) => expect.closeTo(c, 9)));
  });
  it('that do not are named, both ways round, and there is no value', () => {
    // 2·√(9 + 16 + 25) is 14.1 µm
    expect(only(two(100.014, [3_000, 4_000, 5_000])).contradictions).toEqual([]);
    expect(only(two(100.015, [3_000, 4_000, 5_000]))).toMatchObject({ constant: null, contradictions: [{ difference: mm(0.015) }] });
    const named = only(two(100.1, [3_000, 4_000, 5_000])).contradictions.flatMap(({ one, other }) => [...one, ...other]);
    expect(named.sort()).toEqual(['shaft in to middle', 'shaft in to out', 'shaft middle to out']);
  });
  it('may differ by 5 µm where nobody knows how well they were measured', () => {
    expect(only(two(100.005, [undefined, 4_000, undefined])).contradictions).toEqual([]);
    expect(only(two(100.009, [undefined, 4_000, undefined])).contradictions).toHaveLength(1);
    expect(only(two(100.006, [undefined, undefined, undefined])).contradictions).toHaveLength(1);
  });
  it('do not matter to a gap that neither of them touches', () => {
    const { parts, lengths, contacts } = two(120, [1_000, 1_000, 1_000]);
    const apart: FaceGraph = {
      parts: [...parts, part('block', 'casing', 'in', 'out')],
      lengths: [...lengths, length('block', 'in', 'out', 10)],
      contacts: [...contacts, meet('block.out', 'shaft.in'), { id: 'other', a: 'block.in', b: 'shaft.in', kind: 'open' }],
    };
    expect(shaftModel(apart, []).gaps.find((g) => g.contact === 'other')).toMatchObject({ constant: mm(10), contradictions: [] });
  });
});

describe('how well a gap is known', () => {
  const chain = (by: string | undefined): FaceGraph => ({
    parts: [part('a', 'casing', 'in', 'out'), part('b', 'shaft', 'in', 'out')],
    lengths: [length('a', 'in', 'out', 50, { u: 3_000, ...(by ? { by } : {}) }), length('b', 'in', 'out', 49, { u: 4_000, ...(by ? { by } : {}) })],
    contacts: [meet('a.in', 'b.in'), { id: 'gap', a: 'b.out', b: 'a.out', kind: 'open' }],
  });
  it('adds what was measured apart as squares, and what one instrument measured before squaring', () => {
    expect(only(chain(undefined)).u).toBeCloseTo(5_000, 6);
    // one calibration, one way: what makes both long leaves 4 − 3
    expect(only(chain('micrometer')).u).toBeCloseTo(1_000, 6);
  });
});

/** Faces thrown along a line, joined at random by lengths that are true, and sometimes more often than need be. */
interface RandomShaft {
  readonly graph: FaceGraph;
  readonly at: ReadonlyMap<string, number>;
  readonly spare: readonly string[];
}
const randomShaft = fc
  .record({
    count: fc.integer({ min: 3, max: 12 }),
    places: fc.array(fc.integer({ min: 0, max: 40_000 }), { minLength: 12, maxLength: 12 }),
    joins: fc.array(fc.nat(), { minLength: 12, maxLength: 12 }),
    extra: fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 4 }),
    turned: fc.array(fc.boolean(), { minLength: 20, maxLength: 20 }),
  })
  .map(({ count, places, joins, extra, turned }): RandomShaft => {
    const x = (i: number): number => (places[i] ?? 0) * 1_000;
    const link = (id: string, i: number, j: number, n: number): LengthFeature => ({
      id,
      part: `part ${n}`,
      name: id,
      from: `f${i}`,
      to: `f${j}`,
      // a part that is turned is measured the other way
      length: nanometres((turned[n] ? -1 : 1) * (x(j) - x(i))),
      u: 1_000,
    });
    const tree = Array.from({ length: count - 1 }, (_, k) => link(`tree ${k + 1}`, (joins[k] ?? 0) % (k + 1), k + 1, k));
    const more = extra.flatMap(([a, b], k) => (a % count === b % count ? [] : [link(`again ${k}`, a % count, b % count, 12 + k)]));
    return {
      graph: {
        parts: Array.from({ length: 20 }, (_, n) => ({ id: `part ${n}`, name: `part ${n}`, kind: 'part', turned: turned[n] ?? false, faces: [] })),
        lengths: [...tree, ...more],
        contacts: [{ id: 'gap', a: 'f0', b: `f${count - 1}`, kind: 'open' }],
      },
      at: new Map(Array.from({ length: count }, (_, i) => [`f${i}`, x(i)])),
      spare: more.map((l) => l.id),
    };
  });

describe('on 500 shafts at random', () => {
  const far = ({ graph, at }: RandomShaft): number => (at.get(graph.contacts[0]?.b ?? '') ?? NaN) - (at.get('f0') ?? NaN);
  it('the gap is how far its faces are apart, and every length moves it by its coefficient', () =>
    fc.assert(
      fc.property(randomShaft, (shaft) => {
        const { graph } = shaft;
        const form = only(graph);
        expect(Math.abs((form.constant ?? NaN) - far(shaft))).toBeLessThanOrEqual(1);
        for (const l of graph.lengths) {
          const nudged = {
            ...graph,
            lengths: graph.lengths.map((each) => (each === l ? { ...l, length: nanometres((l.length ?? 0) + 1_000) } : each)),
          };
          const coefficient = form.terms.find((t) => t.id === l.id)?.coefficient ?? 0;
          const moved = (only(nudged).constant ?? NaN) - (form.constant ?? NaN);
          expect(Math.abs(moved - 1_000 * coefficient)).toBeLessThanOrEqual(2);
        }
      }),
      { numRuns: 500, seed: 4 },
    ));
  it('a slot’s coefficient is what the gap moves by, and its thickness put back gives the gap', () =>
    fc.assert(
      fc.property(randomShaft, fc.nat(), (shaft, pick) => {
        const tree = { ...shaft.graph, lengths: shaft.graph.lengths.filter((l) => !shaft.spare.includes(l.id)) };
        const chosen = tree.lengths[pick % tree.lengths.length];
        if (!chosen) throw new Error('no length');
        const { constant, coefficients } = only(tree, chosen.id);
        expect((constant ?? NaN) + (coefficients[chosen.id] ?? NaN) * (chosen.length ?? NaN)).toBe(far(shaft));
      }),
      { numRuns: 500, seed: 5 },
    ));
  it('what is not measured is named where nothing goes round it, and only there', () =>
    fc.assert(
      fc.property(randomShaft, fc.array(fc.nat(), { minLength: 1, maxLength: 3 }), (shaft, picks) => {
        const { graph, at } = shaft;
        const lost = new Set(picks.map((p) => graph.lengths[p % graph.lengths.length]?.id ?? ''));
        const form = only({ ...graph, lengths: graph.lengths.map((l) => (lost.has(l.id) ? { ...l, length: null } : l)) });
        const reached = new Set(['f0']);
        for (const face of reached)
          for (const { id, from, to } of graph.lengths) {
            if (lost.has(id)) continue;
            if (from === face) reached.add(to);
            if (to === face) reached.add(from);
          }
        const isReached = reached.has(`f${at.size - 1}`);
        expect([form.constant !== null, form.missing.length === 0]).toEqual([isReached, isReached]);
        for (const name of form.missing) expect(lost.has(name)).toBe(true);
      }),
      { numRuns: 500, seed: 6 },
    ));
  it('a length that is wrong is named where another way round shows it', () =>
    fc.assert(
      fc.property(randomShaft, fc.nat(), (shaft, pick) => {
        const { graph } = shaft;
        const wrong = graph.lengths[pick % graph.lengths.length];
        const off = { ...graph, lengths: graph.lengths.map((l) => (l === wrong ? { ...l, length: nanometres((l.length ?? 0) + 1_000_000) } : l)) };
        const { constant, contradictions } = only(off);
        if (contradictions.length === 0) {
          // nothing goes round it, or it is not on the way
          const coefficient = only(graph).terms.find((t) => t.id === wrong?.id)?.coefficient ?? 0;
          expect(Math.abs(coefficient) < 1e-6 || Math.abs(Math.abs(coefficient) - 1) < 1e-6).toBe(true);
        } else {
          expect(constant).toBeNull();
          for (const { one, other } of contradictions) expect([...one, ...other]).toContain(wrong?.name);
        }
      }),
      { numRuns: 500, seed: 7 },
    ));
});
