import { describe, expect, it } from '@jest/globals';
import { mm, nanometres, type Length } from '../quantity/index.ts';
import {
  facePositions,
  isChosen,
  onTheWay,
  shaftModel,
  shaftTemplate,
  solveUnknown,
  templateGraph,
  TEMPLATES,
  turnRound,
  type FaceGraph,
  type Place,
  type TemplateName,
} from './index.ts';
import { formOf, senseOf } from './model.fixture.ts';

const EVERY = (Object.keys(TEMPLATES) as TemplateName[]).flatMap((template) => TEMPLATES[template].places.map(({ place }) => ({ template, place })));

/** A ready shaft with every length given, mm, by its role. */
function sized(template: TemplateName, place: Place, sizes: Readonly<Record<string, number>>): FaceGraph {
  const bare = templateGraph(shaftTemplate(template, place));
  const size = (role: string): Length | null => (sizes[role] === undefined ? null : mm(sizes[role]));
  return {
    ...bare,
    lengths: bare.lengths.map((l) => ({ ...l, length: size(l.id) })),
    contacts: bare.contacts.map((c) => (c.stand === undefined ? c : { ...c, stand: size(c.id) })),
  };
}

// worked by hand from what stands between what, in millimetres; sizes invented
const WORKED: readonly (readonly [string, TemplateName, Place, Readonly<Record<string, number>>, number])[] = [
  [
    'case + pack under the cover − spigot − T₁ − shaft − T₂',
    'taperPair',
    'underCover',
    { 'casing.seat-face': 150, pack: 0.6, 'cover.spigot-flange': 8, bearingIn: 17, bearingOut: 19, 'shaft.shoulderIn-shoulderOut': 106.4 },
    0.2,
  ],
  [
    'case − pack behind the cup − spigot − T₁ − shaft − T₂',
    'taperPair',
    'behindCup',
    { 'casing.seat-face': 150, pack: 0.6, 'cover.spigot-flange': 8, bearingIn: 17, bearingOut: 19, 'shaft.shoulderIn-shoulderOut': 105.3 },
    0.1,
  ],
  [
    'case − pack behind the cone − spigot − T₁ − shaft − T₂: preload',
    'taperPair',
    'behindCone',
    { 'casing.seat-face': 150, pack: 0.6, 'cover.spigot-flange': 8, bearingIn: 17, bearingOut: 19, 'shaft.shoulderIn-shoulderOut': 105.45 },
    -0.05,
  ],
  [
    'case − washer − shaft − washer − how far the plate comes in',
    'plainThrust',
    'thrustWasher',
    { 'casing.thrust-face': 120, 'washerIn.back-front': 4, 'shaft.collarIn-collarOut': 105.7, pack: 4, 'cover.thrust-flange': 6 },
    0.3,
  ],
  [
    'case + shim under the plate − washers − shaft − how far the plate comes in',
    'plainThrust',
    'underCover',
    {
      'casing.thrust-face': 120,
      'washerIn.back-front': 4,
      'washerOut.front-back': 4,
      'shaft.collarIn-collarOut': 106.1,
      pack: 0.4,
      'cover.thrust-flange': 6,
    },
    0.3,
  ],
  [
    'bush − washer − gear − washer',
    'gearOnBush',
    'thrustWasher',
    { 'bush.in-out': 58, 'washerIn.back-front': 4, 'gear.in-out': 49.85, pack: 4, 'collar.in-out': 14 },
    0.15,
  ],
  [
    'bush − washer − gear − washer, the bush being what is changed',
    'gearOnBush',
    'inLine',
    { pack: 58, 'washerIn.back-front': 4, 'gear.in-out': 49.85, 'washerOut.front-back': 4, 'collar.in-out': 14 },
    0.15,
  ],
  [
    'cone + distance piece + shims + cone, less T, hub and T',
    'hubByNut',
    'betweenCones',
    { 'coneIn.back-front': 16, 'spacer.in-out': 44, pack: 0.5, 'coneOut.front-back': 12.8, bearingIn: 18.5, 'hub.seatIn-seatOut': 40, float: 14.7 },
    0.1,
  ],
  [
    'the same with its shim behind the outer cup',
    'hubByNut',
    'behindCup',
    { 'coneIn.back-front': 16, 'spacer.in-out': 44, pack: 0.5, 'coneOut.front-back': 12.8, bearingIn: 18.5, 'hub.seatIn-seatOut': 39, float: 14.7 },
    0.1,
  ],
  [
    'a pinion, whose depth shim behind the head cone is in no part of it',
    'pinionByNut',
    'behindCone',
    {
      depthShim: 0.9,
      'coneIn.back-front': 17,
      'spacer.in-out': 43.9,
      pack: 0.25,
      'coneOut.front-back': 13,
      bearingIn: 19,
      'housing.seatIn-seatOut': 40,
      float: 15.2,
    },
    -0.05,
  ],
  [
    'a pinion, whose depth shim behind the head cup takes as much off its float',
    'pinionByNut',
    'behindCup',
    {
      depthShim: 0.9,
      'coneIn.back-front': 17,
      'spacer.in-out': 44.8,
      pack: 0.25,
      'coneOut.front-back': 13,
      bearingIn: 19,
      'housing.seatIn-seatOut': 40,
      float: 15.2,
    },
    -0.05,
  ],
  [
    'a pinion on a crush sleeve: as one on a distance piece, with nothing between the cones but the sleeve',
    'pinionBySleeve',
    'behindCone',
    {
      depthShim: 0.9,
      'coneIn.back-front': 17,
      'sleeve.in-out': 44.3,
      'coneOut.front-back': 13,
      bearingIn: 19,
      'housing.seatIn-seatOut': 40,
      float: 15.2,
    },
    0.1,
  ],
  [
    'a pinion on a crush sleeve, its depth shim behind the head cup',
    'pinionBySleeve',
    'behindCup',
    {
      depthShim: 0.9,
      'coneIn.back-front': 17,
      'sleeve.in-out': 45.05,
      'coneOut.front-back': 13,
      bearingIn: 19,
      'housing.seatIn-seatOut': 40,
      float: 15.2,
    },
    -0.05,
  ],
  ['recess − bearing − ring', 'ballAndRing', 'inLine', { 'casing.shoulder-groove': 19.6, 'outerRing.in-out': 17, pack: 2.45 }, 0.15],
  [
    'bush − gear − washer − gear − washer',
    'twinGears',
    'thrustWasher',
    { 'bush.in-out': 76, 'gearIn.in-out': 33, 'washer.in-out': 4, 'gearOut.in-out': 35, pack: 3.75, 'collar.in-out': 14 },
    0.25,
  ],
  ['recess + shims − collar', 'thrustPlate', 'underThrustPlate', { 'casing.thrust-face': 9, pack: 0.3, 'shaft.collarIn-collarOut': 9.2 }, 0.1],
  [
    'cone + spacer + shims + cone, less T, gear and T',
    'intermediate',
    'betweenCones',
    { 'coneIn.back-front': 13, 'spacer.in-out': 16, pack: 0.4, 'coneOut.front-back': 13, bearingIn: 15, 'gear.seatIn-seatOut': 12.3, float: 15 },
    0.1,
  ],
];

describe.each(WORKED)('%s', (_, template, place, sizes, expected) => {
  const graph = sized(template, place, sizes);
  it('is the gap of the ready shaft', () => {
    expect(formOf(graph, 'float')).toMatchObject({ constant: mm(expected), missing: [] });
  });
  it('has every part on its path with the sign it moves the gap by: thicker by 0.1 shows it', () => {
    for (const { id, sense } of onTheWay(graph, 'float')) {
      const thicker = sized(template, place, { ...sizes, [id]: (sizes[id] ?? 0) + 0.1 });
      expect([(formOf(thicker, 'float').constant ?? NaN) - mm(expected), id]).toEqual([sense * mm(0.1), id]);
    }
  });
  it('leaves alone what is not on its path', () => {
    const onPath = new Set(onTheWay(graph, 'float').map((l) => l.id));
    for (const role of Object.keys(sizes).filter((r) => !onPath.has(r))) {
      expect(formOf(sized(template, place, { ...sizes, [role]: (sizes[role] ?? 0) + 5 }), 'float')).toMatchObject({ constant: mm(expected) });
    }
  });
  it('finds any one size from the gap and the others', () => {
    for (const { id } of onTheWay(graph, 'float')) {
      const { [id]: hidden = 0, ...others } = sizes;
      expect(solveUnknown(sized(template, place, others), 'float', mm(expected))).toMatchObject({ length: mm(hidden), id });
    }
  });
  it('is the distance between its two faces, wherever the walk begins', () => {
    const gap = graph.contacts.find((c) => c.id === 'float');
    const stand = gap?.stand ?? 0;
    // the fronts of cups and cones are measured from nothing here
    for (const origin of graph.parts.filter((p) => p.kind !== 'cup' && p.kind !== 'cone').flatMap((p) => p.faces)) {
      const { positions, contradictions } = facePositions(graph, origin);
      expect(contradictions).toEqual([]);
      if (positions.has(gap?.a ?? '') && positions.has(gap?.b ?? ''))
        expect((positions.get(gap?.b ?? '') ?? NaN) - (positions.get(gap?.a ?? '') ?? NaN) - stand).toBe(mm(expected));
    }
  });
  it('is no different with a part of two faces turned round', () => {
    for (const part of graph.parts.filter((p) => p.faces.length === 2 && ['washer', 'gear', 'bush', 'shaft'].includes(p.kind))) {
      expect(formOf(turnRound(graph, part.id), 'float')).toMatchObject({ constant: mm(expected) });
    }
  });
});

describe('every ready shaft', () => {
  it.each(EVERY)('$template, $place: has its senses before any size is known', ({ template, place }) => {
    const ready = shaftTemplate(template, place);
    const bare = templateGraph(ready);
    expect(bare.lengths.every((l) => l.length === null)).toBe(true);
    const packs = ready.places.filter((p) => p.takes === 'leaves' || p.takes === 'part').map((p) => p.role);
    for (const { contacts } of ready.gaps) {
      const [gap = ''] = contacts;
      expect(solveUnknown(bare, gap, nanometres(0))).toBeNull();
      expect(onTheWay(bare, gap).length).toBeGreaterThan(1);
    }
    // every pack moves something: a gap, or a depth
    for (const pack of packs) {
      const depths = ready.depths.map(({ role, from, to }) => ({ id: role, from, to }));
      const model = shaftModel(bare, [{ id: pack, length: pack }], { depths });
      expect([...model.gaps, ...model.depths].some(({ coefficients }) => coefficients[pack] !== 0)).toBe(true);
    }
  });
  it.each(EVERY)('$template, $place: names each thing once, and every face it names is there', ({ template, place }) => {
    const { places, lengths, contacts } = shaftTemplate(template, place);
    for (const roles of [places, lengths, contacts].map((rows) => rows.map((r) => r.role))) expect(new Set(roles).size).toBe(roles.length);
    const faces = new Set(places.flatMap((p) => p.faces.map((f) => f.role)));
    for (const { from, to } of lengths) expect([from, to].filter((face) => !faces.has(face))).toEqual([]);
    for (const { a, b } of contacts) expect([a, b].filter((face) => !faces.has(face))).toEqual([]);
  });
  it.each(EVERY)('$template, $place: each of its open contacts is a gap, and read at one station', ({ template, place }) => {
    const { contacts, gaps } = shaftTemplate(template, place);
    expect(contacts.filter((c) => c.kind === 'open').map((c) => c.role)).toEqual(gaps.flatMap((g) => g.contacts));
  });
  it.each(EVERY)('$template, $place: proportions close with room for a gap', ({ template, place }) => {
    const ready = shaftTemplate(template, place);
    const proportion = (id: string): number =>
      ready.lengths.find((l) => l.role === id)?.proportion ?? ready.places.find((p) => p.role === id)?.proportion ?? NaN;
    for (const { contacts } of ready.gaps) {
      const gap = onTheWay(templateGraph(ready), contacts[0] ?? '').reduce((sum, link) => sum + link.sense * proportion(link.id), 0);
      // the drawing lets one unknown part give way, by a third of itself at the most
      expect(Math.abs(gap)).toBeLessThan(8);
    }
  });
  it('with a gasket counts it as a part that opens the gap', () => {
    const graph = templateGraph(shaftTemplate('taperPair', 'underCover', { gasket: true }));
    expect(senseOf(graph, 'cover.gasket', 'float')).toBe(1);
  });
});

// by hand from the picture of a layshaft: P lies in the cluster's chain, Q only before the circlip, each end of the bush under its own gear
describe('a layshaft whose floats share parts', () => {
  const ready = shaftTemplate('layshaft', 'inLine');
  const slots = ['packP', 'packQ', 'spacer.in-out', 'bush.in-ribIn', 'bush.ribOut-out'];
  const { gaps } = shaftModel(
    templateGraph(ready),
    slots.map((id) => ({ id, length: id })),
  );
  const moves = (slot: string): number[] => gaps.map((g) => g.coefficients[slot] ?? NaN);
  it.each([
    ['packP', [1, 0, 0, -1]],
    ['packQ', [0, 0, 0, -1]],
    ['spacer.in-out', [1, 0, 0, -1]],
    ['bush.in-ribIn', [0, 1, 0, -1]],
    ['bush.ribOut-out', [0, 0, 1, -1]],
  ])('%s moves them by %j', (slot, expected) => expect(moves(slot)).toEqual(expected));
});

// the depth shim of a pinion: behind the head cone it moves the pinion and no float; behind the head cup, both
describe('a pinion’s depth', () => {
  it.each([
    ['behindCone', 0, -1],
    ['behindCup', -1, -1],
  ] as const)('with its shim %s: the float by %i, the pinion by %i', (place, float, depth) => {
    const ready = shaftTemplate('pinionByNut', place);
    const depths = ready.depths.map(({ role, from, to }) => ({ id: role, from, to }));
    const slots = ['depthShim', 'pack'].map((id) => ({ id, length: id }));
    const model = shaftModel(templateGraph(ready), slots, { depths });
    expect(model.gaps[0]?.coefficients).toEqual({ depthShim: float, pack: 1 });
    expect(model.gaps[0]?.arrangement).toBe('backToBack');
    expect(model.depths[0]?.coefficients).toEqual({ depthShim: depth, pack: 0 });
  });
});

// trade.md: between the cones where a nut draws the cones together, shorter gives preload; the sleeve has no hand in where the pinion stands
describe('a pinion on a crush sleeve', () => {
  it.each([
    ['behindCone', 0, -1],
    ['behindCup', -1, -1],
  ] as const)('with its depth shim %s: the sleeve sets its float, and no pack does', (place, float, depth) => {
    const ready = shaftTemplate('pinionBySleeve', place);
    const depths = ready.depths.map(({ role, from, to }) => ({ id: role, from, to }));
    const slots = [
      { id: 'depthShim', length: 'depthShim' },
      { id: 'sleeve', length: 'sleeve.in-out' },
    ];
    const model = shaftModel(templateGraph(ready), slots, { depths });
    expect(model.gaps[0]?.coefficients).toEqual({ depthShim: float, sleeve: 1 });
    expect(model.gaps[0]?.arrangement).toBe('backToBack');
    expect(model.depths[0]?.coefficients).toEqual({ depthShim: depth, sleeve: 0 });
    expect(ready.places.filter(isChosen).map(({ role }) => role)).toEqual(['depthShim']);
  });
});

describe('what a ready shaft asks about and can change', () => {
  it.each([
    ['taperPair', true, ['Pack under the cover', 'Gasket', 'Cover bolts', 'Bearings']],
    ['taperPair', false, ['Pack under the cover', 'Cover bolts', 'Bearings']],
  ] as const)('%s, with a gasket: %s', (template, gasket, names) => {
    const { places } = shaftTemplate(template, 'underCover', { gasket });
    const asked = places.filter((p) => p.takes !== null || p.faces.length === 0);
    expect(asked.map((p) => p.name)).toEqual(names);
    expect(asked[0]).toMatchObject({ role: 'pack', kind: 'pack', takes: 'leaves', sits: 'underCover' });
    // readings say by this role what they rested on
    expect(places.find((p) => p.takes === 'gasket')?.role).toBe(gasket ? 'cover.gasket' : undefined);
  });
  it('says in a few words where the pack may be, usual place first', () =>
    expect(EVERY.map(({ template, place }) => `${template}: ${TEMPLATES[template].places.find((p) => p.place === place)?.says ?? ''}`)).toEqual([
      'taperPair: under the cover',
      'taperPair: behind a cup',
      'taperPair: behind a cone',
      'hubByNut: between the cones',
      'hubByNut: behind the outer cup',
      'pinionByNut: behind the head cone',
      'pinionByNut: behind the head cup',
      'pinionBySleeve: behind the head cone',
      'pinionBySleeve: behind the head cup',
      'ballAndRing: the ring, its thickness',
      'layshaft: the washers, two of them',
      'twinGears: the thrust washer',
      'plainThrust: the thrust washer',
      'plainThrust: under the end plate',
      'gearOnBush: the thrust washer',
      'gearOnBush: the bush, its length',
      'thrustPlate: under the thrust plate',
      'intermediate: between the cones',
    ]));
});

describe('a graph of faces', () => {
  const graph: FaceGraph = {
    parts: [
      { id: 'a', name: 'A', kind: 'part', turned: false, faces: ['a.1', 'a.2'] },
      { id: 'b', name: 'B', kind: 'part', turned: false, faces: ['b.1', 'b.2'] },
      { id: 'c', name: 'C', kind: 'part', turned: false, faces: ['c.1', 'c.2'] },
    ],
    lengths: [
      { id: 'a', part: 'a', name: 'A long', from: 'a.1', to: 'a.2', length: mm(10) },
      { id: 'b', part: 'b', name: 'B long', from: 'b.1', to: 'b.2', length: mm(11) },
      { id: 'c', part: 'c', name: 'C long', from: 'c.1', to: 'c.2', length: mm(2) },
    ],
    contacts: [
      { id: 'left', a: 'a.1', b: 'b.1', kind: 'seated' },
      { id: 'roll', a: 'a.2', b: 'c.1', kind: 'rolling', stand: mm(3) },
      { id: 'right', a: 'c.2', b: 'b.2', kind: 'seated' },
    ],
  };
  // by hand: 10 + 3 + 2 = 15 one way round, 11 the other
  it('says both ways round, by the parts and stands that count, where they do not agree', () => {
    const { contradictions } = facePositions(graph, 'a.1');
    expect(contradictions).toHaveLength(1);
    const [{ one, other, difference }] = contradictions as [(typeof contradictions)[number]];
    expect([[...one].sort(), [...other].sort()].sort((x, y) => x.length - y.length)).toEqual([['B long'], ['A long', 'C long', 'bearing stand']]);
    expect(Math.abs(difference)).toBe(mm(4));
  });
  it('does not walk through a length that is not known', () => {
    const unknown = { ...graph, lengths: graph.lengths.map((l) => (l.id === 'b' ? { ...l, length: null } : l)) };
    const { positions, contradictions } = facePositions(unknown, 'a.1');
    expect(contradictions).toEqual([]);
    expect(positions.get('b.2')).toBe(mm(15));
    const apart = { ...unknown, contacts: unknown.contacts.filter((c) => c.id !== 'right') };
    expect(facePositions(apart, 'a.1').positions.has('b.2')).toBe(false);
  });
  it('turned round, only the part that is turned is', () =>
    expect(turnRound(turnRound(graph, 'b'), 'c').parts.map((p) => p.turned)).toEqual([false, true, true]));
});

describe('a nut-drawn pair’s own bearing', () => {
  // cones drawn against a spacer: the gap is inside a bearing, and its stand comes off it
  const graph: FaceGraph = {
    parts: [
      { id: 'spacer', name: 'Spacer', kind: 'part', turned: false, faces: ['spacer.1', 'spacer.2'] },
      { id: 'hub', name: 'Hub', kind: 'part', turned: false, faces: ['hub.1', 'hub.2'] },
    ],
    lengths: [
      { id: 'spacer', part: 'spacer', name: 'spacer', from: 'spacer.1', to: 'spacer.2', length: mm(40), u: 3_000 },
      { id: 'hub', part: 'hub', name: 'hub, seat to seat', from: 'hub.1', to: 'hub.2', length: mm(20), u: 4_000 },
    ],
    contacts: [
      { id: 'in', a: 'spacer.1', b: 'hub.1', kind: 'rolling', stand: mm(-9), standU: 12_000 },
      { id: 'out', a: 'hub.2', b: 'spacer.2', kind: 'open', name: 'outer bearing', stand: mm(10.9), standU: 2_000 },
    ],
  };
  // by hand, from the hub’s far seat round to the spacer’s end: −20 + 9 + 40 − 10.9 = 18.1
  it('comes off by its stand, with its doubt', () => {
    const { terms, constant, u } = formOf(graph, 'out');
    expect(terms.at(-1)).toEqual({ id: 'out', label: 'outer bearing', coefficient: -1, value: mm(10.9), u: 2_000 });
    expect(constant).toBe(mm(18.1));
    expect(u).toBeCloseTo(Math.hypot(3_000, 4_000, 12_000, 2_000), 6);
    expect(senseOf(graph, 'spacer', 'out')).toBe(1);
    expect(senseOf(graph, 'hub', 'out')).toBe(-1);
    expect(senseOf(graph, 'nothing', 'out')).toBe(0);
  });
  it('with no name, no stand and no doubt is asked for, and found from what was read', () => {
    const bare = { ...graph, contacts: [graph.contacts[0], { id: 'out', a: 'hub.2', b: 'spacer.2', kind: 'open', stand: null }] } as FaceGraph;
    expect(formOf(bare, 'out')).toMatchObject({ constant: null, missing: ['bearing stand'] });
    expect(solveUnknown(bare, 'out', mm(18.1))?.length).toBe(mm(10.9));
    expect(solveUnknown(graph, 'out', mm(18.1))).toBeNull();
  });
  it('is no gap where the contact is closed', () => expect(shaftModel(graph, []).gaps.map((g) => g.contact)).toEqual(['out']));
});

describe('the graph of a ready shaft', () => {
  it('names what stands between, where it has a name, and leaves the rest without', () => {
    const { contacts } = templateGraph(shaftTemplate('taperPair', 'underCover', { gasket: true }));
    expect(contacts.find((c) => c.id === 'bearingIn')).toStrictEqual({
      id: 'bearingIn',
      a: 'cupIn.back',
      b: 'coneIn.back',
      kind: 'rolling',
      stand: null,
      name: 'bearing, input end, T',
    });
    expect(contacts.find((c) => c.kind === 'seated')).not.toHaveProperty('name');
  });
});
