import { describe, expect, it } from '@jest/globals';
import { mm, type Length } from '../quantity/index.ts';
import {
  cupSideOf,
  facePositions,
  onTheWay,
  shaftModel,
  turnRound,
  type Contact,
  type FaceGraph,
  type LengthFeature,
  type LinearGap,
  type Part,
} from './index.ts';
import { flowBetween } from './flow.ts';

const at = (id: string, from: string, to: string, length: Length | null, more: Partial<LengthFeature> = {}): LengthFeature => ({
  id,
  part: id,
  name: `the ${id}`,
  from,
  to,
  length,
  ...more,
});
const GAP: Contact = { id: 'gap', a: 'a', b: 'z', kind: 'open' };
const form = (lengths: readonly LengthFeature[], slots: readonly string[] = [], more: Partial<FaceGraph> = {}): LinearGap => {
  const [first] = shaftModel(
    { parts: [], lengths, contacts: [GAP], ...more },
    slots.map((id) => ({ id: `slot ${id}`, length: id })),
  ).gaps;
  if (!first) throw new Error('no gap');
  return first;
};

describe('which walk is taken', () => {
  it('what is measured before what is chosen, however much longer, and what is chosen before what is not measured', () => {
    const long = ['b', 'c', 'd', 'z'].map((to, i) => at(`step ${to}`, ['a', 'b', 'c', 'd'][i] ?? '', to, mm(1)));
    expect(form([at('pack', 'a', 'z', mm(9)), ...long], ['pack'])).toMatchObject({ constant: mm(4), coefficients: { 'slot pack': 0 }, missing: [] });
    expect(form([at('lost', 'a', 'z', null), ...long])).toMatchObject({ constant: mm(4), missing: [], contradictions: [] });
    expect(form([at('lost', 'a', 'z', null), at('pack', 'a', 'z', mm(9))], ['pack'])).toMatchObject({
      constant: 0,
      coefficients: { 'slot pack': 1 },
      missing: [],
      terms: [],
    });
  });
  it('the one that lacks the least, with every name it lacks, in the order walked', () => {
    expect(form([at('first', 'a', 'b', null), at('second', 'b', 'z', null), at('half', 'a', 'c', mm(2)), at('rest', 'c', 'z', null)])).toMatchObject({
      constant: null,
      u: 0,
      missing: ['the rest'],
      terms: [{ id: 'half', coefficient: 1 }],
    });
    expect(form([at('first', 'a', 'b', null)]).contradictions).toEqual([]);
    expect(form([at('first', 'a', 'z', null)])).toMatchObject({ missing: ['the first'], contradictions: [] });
    expect(form([at('first', 'a', 'b', null), at('second', 'b', 'z', null)]).missing).toEqual(['the first', 'the second']);
  });
  it('either way along a length, with its sign', () => {
    expect(form([at('on', 'a', 'b', mm(5)), at('back', 'z', 'b', mm(2))])).toMatchObject({
      constant: mm(3),
      terms: [
        { id: 'on', label: 'the on', coefficient: 1, value: mm(5), u: 0 },
        { id: 'back', label: 'the back', coefficient: -1, value: mm(2), u: 0 },
      ],
    });
    expect(form([at('back', 'z', 'a', mm(2))], ['back']).coefficients).toEqual({ 'slot back': -1 });
  });
  it('through faces that meet, one on another', () => {
    const meet = (a: string, b: string, kind: Contact['kind'] = 'seated'): Contact => ({ id: `${a}${b}`, a, b, kind });
    const contacts = [GAP, meet('a', 'p'), meet('p', 'q', 'clamped'), meet('q', 'a'), meet('r', 'z')];
    expect(form([at('only', 'q', 'r', mm(7))], [], { contacts })).toMatchObject({ constant: mm(7), contradictions: [] });
    expect(form([], [], { contacts: [GAP, meet('a', 'z')] })).toMatchObject({ constant: 0, terms: [], missing: [] });
  });
  it('a slot that is nowhere touches nothing', () =>
    expect(form([at('only', 'a', 'z', mm(7))], ['elsewhere']).coefficients).toEqual({ 'slot elsewhere': 0 }));
});

describe('what lies clamped, and what rolls', () => {
  it('is named for what it is where nobody named it', () => {
    const contacts: Contact[] = [
      { id: 'joint', a: 'a', b: 'm', kind: 'clamped', stand: mm(0.4), standU: 7_000 },
      { id: 'race', a: 'm', b: 'z', kind: 'rolling', stand: mm(19), standU: 24_000 },
      GAP,
    ];
    const { terms, constant, u } = form([], [], { contacts });
    expect(terms).toEqual([
      { id: 'joint', label: 'between the faces', coefficient: 1, value: mm(0.4), u: 7_000 },
      { id: 'race', label: 'bearing stand', coefficient: 1, value: mm(19), u: 24_000 },
    ]);
    expect(constant).toBe(mm(19.4));
    expect(u).toBeCloseTo(25_000, 6);
  });
  it('may be what is chosen: a stand is a length like another', () => {
    const contacts: Contact[] = [{ id: 'race', a: 'a', b: 'z', kind: 'rolling', stand: mm(19) }, GAP];
    expect(form([at('alone', 'x', 'y', mm(1))], ['race'], { contacts })).toMatchObject({ constant: 0, coefficients: { 'slot race': 1 }, terms: [] });
  });
});

describe('ways round', () => {
  const two = (one: number, other: number, u: readonly [number?, number?], more: readonly LengthFeature[] = []): LinearGap =>
    form([
      at('one', 'a', 'z', mm(one), u[0] === undefined ? {} : { u: u[0] }),
      at('other', 'a', 'z', mm(other), u[1] === undefined ? {} : { u: u[1] }),
      ...more,
    ]);
  it('of which nobody knows how well they were measured carry the same', () => {
    expect(two(100, 100.004, [])).toMatchObject({ constant: mm(100.002), terms: [{ coefficient: 0.5 }, { coefficient: 0.5 }] });
    expect(two(100, 100.005, [])).toMatchObject({ contradictions: [] });
    expect(two(100, 100.005_1, [])).toMatchObject({ contradictions: [{ difference: mm(0.005_1) }] });
  });
  it('of which one is known better carry by their squares: 1 and 3 thou, nine to one', () => {
    const { terms, u } = two(100, 100.002, [1_000, 3_000]);
    expect(terms.map((t) => t.coefficient)).toEqual([expect.closeTo(0.9, 9), expect.closeTo(0.1, 9)]);
    expect(u).toBeCloseTo(Math.sqrt(0.9 ** 2 + 0.3 ** 2) * 1_000, 6);
  });
  it('of which both are known may differ by no more than that', () => {
    expect(two(100, 100.002_8, [1_000, 1_000]).contradictions).toEqual([]);
    expect(two(100, 100.004, [1_000, 1_000]).contradictions).toHaveLength(1);
  });
  it('of which one is known for certain are that one', () => expect(two(100, 100.002, [0, 3_000]).constant).toBe(mm(100)));
  it('that are three are weighed together', () =>
    expect(two(100, 100.003, [3_000, 3_000], [at('third', 'z', 'a', mm(-100.003), { u: 3_000 })])).toMatchObject({ constant: mm(100.002) }));
  it('beside the gap, and not on it, are let be', () => {
    const lengths = [at('only', 'a', 'z', mm(3)), at('side', 'z', 'y', mm(1), { u: 1 }), at('side again', 'z', 'y', mm(2), { u: 1 })];
    expect(form(lengths)).toMatchObject({ constant: mm(3), contradictions: [], terms: [{ id: 'only', coefficient: 1 }] });
  });
  it('where a length stands over a slot are none: what is chosen is not held against what is measured', () => {
    const lengths = [at('pack', 'a', 'm', mm(2)), at('rest', 'm', 'z', mm(10)), at('whole', 'm', 'z', mm(10.001))];
    expect(form(lengths, ['pack'])).toMatchObject({ coefficients: { 'slot pack': 1 }, contradictions: [], constant: mm(10.000_5) });
  });
});

describe('a current of one', () => {
  const named = (links: readonly [string, string, number][], from: string, to: string) =>
    flowBetween(
      links.map(([a, b, resistance]) => ({ a, b, resistance })),
      from,
      to,
    ).map(([{ a, b }, flow]) => [a + b, Math.round(flow * 1e6) / 1e6]);
  it('divides as the resistances are, by hand', () => {
    expect(named([['x', 'y', 1], ['x', 'y', 3]], 'x', 'y')).toEqual([['xy', 0.75], ['xy', 0.25]]); // prettier-ignore
    // 2 + 4 against 3: a third and two
    expect(named([['x', 'm', 2], ['m', 'y', 4], ['y', 'x', 3]], 'x', 'y')).toEqual([['xm', 0.333333], ['my', 0.333333], ['yx', -0.666667]]); // prettier-ignore
    // a bridge in balance carries nothing
    expect(named([['x', 'p', 1], ['x', 'q', 1], ['p', 'y', 2], ['q', 'y', 2], ['p', 'q', 5]], 'x', 'y')).toEqual([['xp', 0.5], ['xq', 0.5], ['py', 0.5], ['qy', 0.5]]); // prettier-ignore
    // out of balance, by Kirchhoff: 1 and 2 in, 2 and 1 out, 1 across: p stands at 4/7 and q at 3/7 of the whole
    expect(named([['x', 'p', 1], ['x', 'q', 2], ['p', 'y', 2], ['q', 'y', 1], ['p', 'q', 1]], 'x', 'y')).toEqual([['xp', 0.6], ['xq', 0.4], ['py', 0.4], ['qy', 0.6], ['pq', 0.2]]); // prettier-ignore
  });
  it('goes either way along a link, and once through two that have no resistance', () => {
    expect(named([['y', 'x', 1], ['y', 'x', 1]], 'x', 'y')).toEqual([['yx', -0.5], ['yx', -0.5]]); // prettier-ignore
    expect(named([['x', 'm', 0], ['m', 'x', 0], ['m', 'y', 2]], 'x', 'y')).toEqual([['my', 1]]); // prettier-ignore
  });
  it('goes through what has no resistance, and leaves alone what is not joined', () => {
    expect(named([['x', 'm', 0], ['m', 'y', 2], ['m', 'x', 5], ['u', 'v', 1]], 'x', 'y')).toEqual([['my', 1]]); // prettier-ignore
    expect(named([['x', 'm', 1], ['m', 'n', 0], ['n', 'k', 0], ['k', 'y', 2]], 'x', 'y')).toEqual([['xm', 1], ['ky', 1]]); // prettier-ignore
  });
});

describe('how bearings lie', () => {
  const race = (id: string, kind: string, ...faces: string[]): Part => ({ id, name: id, kind, turned: false, faces });
  const cupLeft = [race('cup1', 'cup', 'c1', 'c1f'), race('cone1', 'cone', 'k1f', 'k1')];
  const cupRight = [race('cone2', 'cone', 'k2', 'k2f'), race('cup2', 'cup', 'c2f', 'c2')];
  const rolling = (id: string, a: string, b: string): Contact => ({ id, a, b, kind: 'rolling', stand: mm(10) });
  const lying = (between: Length | null, contacts: readonly Contact[], lengths: readonly LengthFeature[] = []): LinearGap['arrangement'] =>
    form([at('shaft', 'k1', 'k2', between), ...lengths], [], {
      parts: [...cupLeft, ...cupRight],
      contacts: [...contacts, { id: 'gap', a: 'c1', b: 'c2', kind: 'open' }],
    }).arrangement;
  const both = [rolling('one', 'c1', 'k1'), rolling('two', 'k2', 'c2')];
  it('is told by the sizes between them, or by the drawing where there are none', () => {
    expect([lying(mm(50), both), lying(null, both)]).toEqual(['faceToFace', 'faceToFace']);
    // the second to the left of the first: what was outside is inside
    expect(lying(mm(-50), both)).toBe('backToBack');
  });
  it('is the same whichever race is named first', () =>
    expect(lying(mm(50), [rolling('one', 'k1', 'c1'), rolling('two', 'c2', 'k2')])).toBe('faceToFace'));
  it('is not told of one bearing, nor of races nobody said which is which', () => {
    expect(lying(mm(50), [rolling('one', 'c1', 'k1'), { id: 'met', a: 'k2', b: 'c2', kind: 'seated' }])).toBeNull();
    const unnamed = form([at('shaft', 'k1', 'k2', mm(50))], [], { contacts: [...both, { id: 'gap', a: 'c1', b: 'c2', kind: 'open' }] });
    expect([unnamed.arrangement, unnamed.constant]).toEqual([null, mm(70)]);
  });
});

describe('a race of which one face is known', () => {
  it('lies as it is written', () => {
    const parts = ['cup', 'cone'].map((kind): Part => ({ id: kind, name: kind, kind, turned: false, faces: [kind === 'cup' ? 'a' : 'z'] }));
    const contacts: Contact[] = [{ id: 'race', a: 'a', b: 'z', kind: 'rolling', stand: mm(19) }, GAP];
    expect(form([], [], { parts, contacts })).toMatchObject({ constant: mm(19) });
  });
  it('clamped is no bearing', () => {
    const parts: Part[] = [{ id: 'cup', name: 'cup', kind: 'cup', turned: false, faces: ['a', 'b'] }];
    expect(cupSideOf(parts, { id: 'joint', a: 'a', b: 'z', kind: 'clamped', stand: mm(1) })).toBeNull();
    expect(cupSideOf(parts, { id: 'race', a: 'a', b: 'z', kind: 'rolling' })).toBe('inputSide');
  });
  it('more than two of them lie no one way', () => {
    const parts = [1, 2, 3].map((n): Part => ({ id: `cup${n}`, name: 'cup', kind: 'cup', turned: false, faces: [`c${n}`, `f${n}`] }));
    const contacts: Contact[] = [
      ...[1, 2, 3].map((n): Contact => ({ id: `race${n}`, a: `c${n}`, b: `k${n}`, kind: 'rolling', stand: mm(10) })),
      { id: 'gap', a: 'c1', b: 'k3', kind: 'open' },
    ];
    const between = [at('first', 'k1', 'c2', mm(5)), at('second', 'k2', 'c3', mm(5))];
    expect(form(between, [], { parts, contacts })).toMatchObject({ constant: mm(40), arrangement: null });
  });
});

describe('a bearing that is itself the gap', () => {
  const parts: Part[] = [
    { id: 'cup', name: 'cup', kind: 'cup', turned: false, faces: ['c', 'cf'] },
    { id: 'cone', name: 'cone', kind: 'cone', turned: false, faces: ['kf', 'k'] },
  ];
  const own = (a: string, b: string) =>
    form([at('case', 'c', 'w', mm(100)), at('shaft', 'k', 'w', mm(80))], [], {
      parts,
      contacts: [{ id: 'gap', a, b, kind: 'open', stand: mm(19.9) }],
    });
  // by hand: 100 − 80 − 19.9, whichever race is named first
  it('is the same whichever of its races is named first', () => expect([own('c', 'k').constant, own('k', 'c').constant]).toEqual([mm(0.1), mm(0.1)]));
});

describe('what is asked beside the gaps', () => {
  const lengths = [at('left', 'a', 'm', mm(3)), at('right', 'm', 'z', mm(4)), at('far', 'p', 'q', mm(5))];
  const graph: FaceGraph = { parts: [], lengths, contacts: [GAP, { id: 'other', a: 'p', b: 'q', kind: 'open' }] };
  it('no depth where none is asked for', () => expect(shaftModel(graph, []).depths).toEqual([]));
  it('on the way of one gap stands nothing of another, and nothing on the way of none', () => {
    const ids = (gap: string) => onTheWay(graph, gap).map(({ id }) => id);
    expect([ids('gap'), ids('other'), ids('nowhere')]).toEqual([['left', 'right'], ['far'], []]);
  });
  it('every face stands where a part that is turned puts it, and one of no part where it is', () => {
    const hub: FaceGraph = {
      parts: [{ id: 'hub', name: 'hub', kind: 'gear', turned: false, faces: ['h1', 'h2', 'h3'] }],
      lengths: [at('web', 'h1', 'h2', mm(3), { part: 'hub' }), at('loose', 'h1', 'x', mm(5), { part: 'nobody' })],
      contacts: [],
    };
    const stands = (each: FaceGraph) => ['h2', 'x'].map((face) => facePositions(each, 'h1').positions.get(face));
    expect([stands(hub), stands(turnRound(hub, 'hub'))]).toEqual([
      [mm(3), mm(5)],
      [mm(-3), mm(5)],
    ]);
  });
});
