import { describe, expect, it } from '@jest/globals';
import { mm, nanometres, parseLimits, thou, type Length } from '../quantity/index.ts';
import { estimate } from '../reading/index.ts';
import {
  aimedGap,
  coverGapMethod,
  coverGapMethodSum,
  coverShim,
  coverShimSum,
  facePositions,
  gapUnderSpacer,
  gapUnderSpacerSum,
  packWindow,
  packWindowSum,
  requiredPack,
  requiredPackSum,
  sensesFromLayout,
  sensesFromTrials,
  sensesFromTrialsSum,
  shaftTemplate,
  shaftModel,
  solveUnknown,
  stackGap,
  stackGapSum,
  templateGraph,
  turnRound,
  type CoverQuestion,
  type FaceGraph,
  type Place,
} from './index.ts';
import { refusalOf } from '../testing.ts';
import { formOf, senseOf } from './model.fixture.ts';

describe('a stack', () => {
  const links = [
    { label: 'case', length: mm(30), sense: 1, u: 3_000 },
    { label: 'gear', length: mm(29.8), sense: -1, u: 4_000 },
  ] as const;
  // arithmetic: 30 − 29.8; 3-4-5; ±√3(3+4) µm
  it('adds its links by sign, its doubts by squares, and its worst by limits', () => {
    const { value, u, worst } = stackGap({ links });
    expect([value, u]).toEqual([mm(0.2), 5_000]);
    expect(worst).toEqual({ min: Math.round(200_000 - Math.sqrt(3) * 7_000), max: Math.round(200_000 + Math.sqrt(3) * 7_000) });
  });
  it('takes given limits before doubts', () => {
    expect(
      stackGap({
        links: [
          { length: mm(10), sense: 1, limits: { min: mm(9.9), max: mm(10.2) } },
          { length: mm(4), sense: -1, limits: { min: mm(3.9), max: mm(4.05) } },
        ],
      }).worst,
    ).toEqual({ min: mm(5.85), max: mm(6.3) });
  });
  it('shows its sum, and refuses to be empty', () => {
    expect(stackGapSum({ links }).map((l) => l.value)).toEqual([mm(30), mm(29.8), mm(0.2)]);
    expect(refusalOf(() => stackGap({ links: [] }))).toBe('noLinks');
  });
});

describe('the pack required', () => {
  // worked by hand from pack = fitted + sense·(target − measured)
  it.each([
    ['no shim, 3.35 float, 0.05 preload wanted behind a cup', mm(0), mm(3.35), mm(-0.05), -1, mm(3.4)],
    ['the same with 3.15 in and 0.20 read', mm(3.15), mm(0.2), mm(-0.05), -1, mm(3.4)],
    ['27 in, 29 read, 2 wanted under a cover', thou(27), thou(29), thou(2), 1, thou(0)],
    ['20 in, 10 float, 3 preload wanted: 13 out', thou(20), thou(10), thou(-3), 1, thou(7)],
    ['no washer, 78 read, 10 wanted', thou(0), thou(78), thou(10), -1, thou(68)],
  ] as [string, Length, Length, Length, 1 | -1, Length][])('%s', (_, fittedPack, measuredGap, targetGap, sense, expected) =>
    expect(requiredPack({ fittedPack, measuredGap, targetGap, sense })).toBe(expected),
  );

  it('of washers 65 and 70 where 68 is wanted, 70 leaves 8 and 65 leaves 13', () => {
    const leaves = (washer: number): number => (78 - washer) * 25_400;
    expect([leaves(70), leaves(65)]).toEqual([thou(8), thou(13)]);
    expect(requiredPack({ fittedPack: thou(0), measuredGap: thou(78), targetGap: thou(8), sense: -1 })).toBe(thou(70));
  });
  it('moves by the learned factor where it is not one for one; only its size counts', () => {
    for (const factor of [0.5, -0.5])
      expect(requiredPack({ fittedPack: thou(10), measuredGap: thou(4), targetGap: thou(6), sense: 1, factor })).toBe(thou(14));
  });
  it('refuses a zero that may be preload, sense 0, and a negative pack, saying what must come off', () => {
    const q = { fittedPack: thou(5), measuredGap: thou(10), targetGap: thou(2), sense: 1 as const };
    expect(refusalOf(() => requiredPack({ ...q, measuredGap: thou(0) }))).toBe('zeroMayBePreload');
    expect(refusalOf(() => requiredPack({ ...q, measuredGap: { kind: 'atMost', value: thou(0) } }))).toBe('zeroMayBePreload');
    expect(refusalOf(() => requiredPack({ ...q, measuredGap: { kind: 'atLeast', value: thou(9) } }))).toBe('oneSided');
    expect(refusalOf(() => requiredPack({ ...q, measuredGap: { kind: 'atMost', value: thou(9) } }))).toBe('oneSided');
    expect(refusalOf(() => requiredPack({ ...q, sense: 0 }))).toBe('senseZero');
    expect(refusalOf(() => requiredPack({ ...q, factor: 0 }))).toBe('badFactor');
    expect(() => requiredPack(q)).toThrow('8.0 thou would have to come out and only 5.0 thou is in');
  });
  it('shows its sum', () =>
    expect(requiredPackSum({ fittedPack: thou(28), measuredGap: thou(24), targetGap: thou(6.5), sense: 1 }).map((l) => l.value)).toEqual(
      [28, -17.5, -17.5, 10.5].map((v) => thou(v)),
    ));
});

describe('the window of packs', () => {
  const base = { fittedPack: thou(28), measured: estimate(thou(24), 0), limits: parseLimits('5-8 thou', 'thou'), sense: 1 } as const;
  it('28 in, 24 read, 5–8 wanted under a cover: 9 to 12, aim 10½', () =>
    expect(packWindow(base)).toMatchObject({
      ideal: thou(10.5),
      min: thou(9),
      max: thou(12),
      reachable: true,
      sure: { min: thou(9), max: thou(12) },
    }));
  it('±0.6 takes that much off both ends: 9.6 to 11.4', () =>
    expect(packWindow({ ...base, measured: estimate(thou(24), thou(0.3)) }).sure).toEqual({ min: thou(9.6), max: thou(11.4) }));
  it('is sure of nothing when the doubt is wider than the limits, and says so', () => {
    const result = packWindow({ ...base, measured: estimate(thou(24), thou(1)) });
    expect(result).toMatchObject({ sure: null, reachable: true, min: thou(9) });
    expect(result.because).toContain('nobody can be sure');
  });
  it('behind a cup a thicker pack closes: the window turns round', () =>
    expect(packWindow({ ...base, sense: -1 })).toMatchObject({ ideal: thou(45.5), min: thou(44), max: thou(47) }));
  it('aims at either end, at a value, and allows for what will close', () => {
    expect(
      [{ at: 'tight' }, { at: 'middle' }, { at: 'loose' }, { at: 'value', value: thou(6) }].map((aim) => aimedGap(base.limits, aim as never)),
    ).toEqual([5, 6.5, 8, 6].map((v) => thou(v)));
    expect(packWindow({ ...base, aim: { at: 'middle', closesBy: thou(1) } })).toMatchObject({ ideal: thou(11.5), min: thou(10), max: thou(13) });
  });
  it('takes a lone maximum as 0 to that, and refuses a lone minimum', () => {
    expect(packWindow({ ...base, limits: { max: thou(8) } })).toMatchObject({ min: thou(4), max: thou(12) });
    expect(refusalOf(() => packWindow({ ...base, limits: { min: thou(5) } }))).toBe('oneLimit');
  });
  it('is out of reach when nothing in would still be too loose', () =>
    expect(packWindow({ ...base, fittedPack: thou(5) })).toMatchObject({ reachable: false, sure: null }));
  it('shows its sum', () => expect(packWindowSum(base).map((l) => l.value)).toEqual([28, 6.5, 24, -17.5, 10.5, 9, 12].map((v) => thou(v))));
});

describe('a known spacer under the flange', () => {
  it.each([
    [8, -2],
    [6, -4],
    [7, -3],
  ])('10 under it and %d read is %d: preload', (read, gap) => expect(gapUnderSpacer({ measuredGap: thou(read), spacer: thou(10) })).toBe(thou(gap)));
  it('keeps the kind of reading, and goes the other way behind a cup', () => {
    expect(gapUnderSpacer({ measuredGap: { kind: 'atLeast', value: thou(8) }, spacer: thou(10) })).toEqual({ kind: 'atLeast', value: thou(-2) });
    expect(gapUnderSpacer({ measuredGap: estimate(thou(8), 7), spacer: thou(10), sense: -1 })).toEqual(estimate(thou(18), 7));
    expect(gapUnderSpacerSum({ measuredGap: thou(8), spacer: thou(10) }).at(-1)?.value).toBe(thou(-2));
  });
});

describe('the cover put down by hand', () => {
  it('leaves 14 under its flange; with 3 wanted, 17 goes there in all', () => {
    expect(coverGapMethod({ flangeGap: thou(14), targetGap: thou(3) })).toBe(thou(17));
    expect(coverGapMethodSum({ flangeGap: thou(14), targetGap: thou(-2) }).at(-1)?.value).toBe(thou(12));
  });
});

describe('the shim under a cover, from two depths', () => {
  const base: CoverQuestion = {
    depths: [mm(15), mm(15.02)],
    caseParallels: mm(10),
    heights: [mm(13.01)],
    coverParallels: mm(10),
    gasket: { free: mm(0.5), crushed: mm(0.4), during: 'out' },
    targetGap: mm(0.1),
  };
  // by hand: depth 5.01, height 3.01: 2.00; + 0.4 − 0.1 = 2.3
  it('adds the crushed gasket that was out, takes off what a loose one will lose, and leaves a clamped one alone', () => {
    const thickness = (during: 'out' | 'loose' | 'clamped'): Length => coverShim({ ...base, gasket: { ...base.gasket, during } }).thickness;
    expect([thickness('out'), thickness('loose'), thickness('clamped')]).toEqual([mm(2.3), mm(1.8), mm(1.9)]);
  });
  it('under the flange is the negative of behind the cup', () => expect(coverShim({ ...base, place: 'underFlange' }).thickness).toBe(mm(-2.3)));
  it('takes a race standing proud as a negative depth', () =>
    expect(coverShim({ ...base, depths: [mm(9.9)], heights: [mm(7)] }).caseDepth).toBe(mm(-0.1)));
  it('carries the doubt of every reading', () => expect(coverShim({ ...base, readingU: 6_000 }).u).toBeCloseTo(6_000 * Math.sqrt(1.5), 6));
  it('refuses a gasket thicker crushed than free, and shows its sum', () => {
    expect(refusalOf(() => coverShim({ ...base, gasket: { free: mm(0.3), crushed: mm(0.4), during: 'out' } }))).toBe('badGasket');
    expect(coverShimSum(base).map((l) => l.value)).toEqual([mm(5.01), mm(3.01), mm(0.4), mm(0.1), mm(2.3)]);
  });
});

/** Face-to-face and back-to-back pairs with a pack in every place, built by hand from the stack sums of the bearing books. */
function pair(arrangement: 'faceToFace' | 'backToBack', place: Place): FaceGraph {
  const part = (id: string, ...faces: string[]) => ({ id, name: id, kind: id, turned: false, faces: faces.map((f) => `${id}.${f}`) });
  const length = (owner: string, from: string, to: string) => ({
    id: `${owner}.${from}-${to}`,
    part: owner,
    name: owner,
    from: `${owner}.${from}`,
    to: `${owner}.${to}`,
    length: null,
  });
  const at = (here: Place, a: string, b: string) =>
    here === place
      ? [
          { id: `${a}~pack`, a, b: 'pack.in', kind: 'seated' as const },
          { id: `pack~${b}`, a: 'pack.out', b, kind: 'seated' as const },
        ]
      : [{ id: `${a}~${b}`, a, b, kind: 'seated' as const }];
  const shared = [part('pack', 'in', 'out')];
  if (arrangement === 'faceToFace') {
    return {
      parts: [...shared, part('case', 'seat', 'face'), part('shaft', 'in', 'middle', 'middle2', 'out'), part('cover', 'spigot', 'flange')],
      lengths: [
        length('pack', 'in', 'out'),
        length('case', 'seat', 'face'),
        length('shaft', 'in', 'middle'),
        length('shaft', 'middle2', 'out'),
        length('cover', 'spigot', 'flange'),
      ],
      contacts: [
        ...at('behindCup', 'case.seat', 'cupIn'),
        { id: 'T1', a: 'cupIn', b: 'coneIn', kind: 'rolling' },
        ...at('behindCone', 'coneIn', 'shaft.in'),
        ...at('betweenCones', 'shaft.middle', 'shaft.middle2'),
        { id: 'coneOut', a: 'shaft.out', b: 'coneOut', kind: 'seated' },
        { id: 'T2', a: 'coneOut', b: 'cupOut', kind: 'rolling' },
        ...at(place === 'underCupFlange' ? 'underCupFlange' : 'underCover', 'case.face', 'cover.flange'),
        { id: 'gap', a: 'cupOut', b: 'cover.spigot', kind: 'open' },
      ],
    };
  }
  // cups on housing seats between them, cones drawn together on a spacer: gap = spacer chain − (housing between seats + Σ(T − B)), open at the tail bearing
  return {
    parts: [...shared, part('housing', 'seatHead', 'middle', 'middle2', 'seatTail'), part('spacer', 'in', 'out')],
    lengths: [
      length('pack', 'in', 'out'),
      length('housing', 'seatHead', 'middle'),
      length('housing', 'middle2', 'seatTail'),
      length('spacer', 'in', 'out'),
    ],
    contacts: [
      { id: 'head', a: 'coneHead', b: 'cupHead', kind: 'rolling' },
      ...at('behindCup', 'cupHead', 'housing.seatHead'),
      ...at(place === 'underCupFlange' ? 'underCupFlange' : 'betweenCups', 'housing.middle', 'housing.middle2'),
      { id: 'cupTail', a: 'housing.seatTail', b: 'cupTail', kind: 'seated' },
      ...at('betweenCones', 'coneHead', 'spacer.in'),
      { id: 'coneTail', a: 'spacer.out', b: 'coneTail', kind: 'seated' },
      ...at('behindCone', 'pinionHead', 'coneHead'),
      { id: 'gap', a: 'cupTail', b: 'coneTail', kind: 'open', stand: null },
    ],
  };
}

describe('senses', () => {
  // the table of places, worked from the two stack sums
  it.each([
    ['behindCup', -1, -1],
    ['behindCone', -1, 0],
    ['betweenCones', -1, 1],
    ['betweenCups', 1, -1],
    ['underCupFlange', 1, -1],
    ['underCarrierFlange', 0, 0],
    ['thrustWasher', -1, -1],
    ['inLine', -1, -1],
    ['underThrustPlate', 1, 1],
  ] as [Place, number, number][])('%s: face-to-face %d, back-to-back %d', (place, faceToFace, backToBack) =>
    expect([sensesFromLayout({ place, arrangement: 'faceToFace' }), sensesFromLayout({ place, arrangement: 'backToBack' })]).toEqual([
      faceToFace,
      backToBack,
    ]),
  );
  it('under a cover opens; cones drawn together have no such place', () => {
    expect(sensesFromLayout({ place: 'underCover', arrangement: 'faceToFace' })).toBe(1);
    expect(refusalOf(() => sensesFromLayout({ place: 'underCover', arrangement: 'backToBack' }))).toBe('noSuchPlace');
  });
  it('a bush in line opens the float of the gear running on it', () =>
    expect(sensesFromLayout({ place: 'inLine', arrangement: 'faceToFace', gap: 'gear' })).toBe(1));

  it('fall out of the faces and contacts alone, the same as the table', () => {
    for (const place of ['behindCup', 'behindCone', 'betweenCones', 'underCover', 'underCupFlange'] as const)
      expect([place, senseOf(pair('faceToFace', place), 'pack', 'gap')]).toEqual([place, sensesFromLayout({ place, arrangement: 'faceToFace' })]);
    for (const place of ['behindCup', 'behindCone', 'betweenCones', 'betweenCups', 'underCupFlange'] as const)
      expect([place, senseOf(pair('backToBack', place), 'pack', 'gap')]).toEqual([place, sensesFromLayout({ place, arrangement: 'backToBack' })]);
  });
  it('of the ready shafts agree with the table too, with and without a gasket', () => {
    for (const gasket of [true, false])
      for (const place of ['underCover', 'behindCup', 'behindCone'] as const)
        expect(senseOf(templateGraph(shaftTemplate('taperPair', place, { gasket })), 'pack', 'float')).toBe(
          sensesFromLayout({ place, arrangement: 'faceToFace' }),
        );
    expect(senseOf(templateGraph(shaftTemplate('plainThrust', 'thrustWasher')), 'pack', 'float')).toBe(-1);
    expect(senseOf(templateGraph(shaftTemplate('plainThrust', 'underCover')), 'pack', 'float')).toBe(
      sensesFromLayout({ place: 'underThrustPlate', arrangement: 'faceToFace' }),
    );
    expect(senseOf(templateGraph(shaftTemplate('gearOnBush', 'thrustWasher')), 'pack', 'float')).toBe(-1);
    expect(senseOf(templateGraph(shaftTemplate('gearOnBush', 'inLine')), 'pack', 'float')).toBe(
      sensesFromLayout({ place: 'inLine', arrangement: 'faceToFace', gap: 'gear' }),
    );
  });

  it('are proved by a trial: 6 thou more gave 6 more', () =>
    expect(sensesFromTrials({ pack: thou(22), gap: thou(18) }, { pack: thou(28), gap: thou(24) }, { drawn: 1 })).toEqual({ sense: 1, factor: 1 }));
  it('are contradicted by a trial that went the other way', () =>
    expect(sensesFromTrials({ pack: thou(22), gap: thou(24) }, { pack: thou(28), gap: thou(19) }, { drawn: 1 })).toMatchObject({
      sense: -1,
      contradiction: expect.stringContaining('Was the right pack changed'),
    }));
  it('are not proved by a move within the doubt, nor by two trials of one pack', () => {
    expect(sensesFromTrials({ pack: thou(22), gap: thou(18) }, { pack: thou(23), gap: thou(19) }, { u: thou(0.5) }).sense).toBeNull();
    expect(refusalOf(() => sensesFromTrials({ pack: thou(22), gap: thou(18) }, { pack: thou(22), gap: thou(24) }))).toBe('samePack');
    expect(sensesFromTrialsSum({ pack: thou(22), gap: thou(18) }, { pack: thou(28), gap: thou(15) }).map((l) => l.value)).toEqual([
      thou(6),
      thou(-3),
      -0.5,
    ]);
  });
});

describe('faces and contacts', () => {
  const sizes: Readonly<Record<string, number>> = {
    'casing.seat-face': 180,
    'shaft.shoulderIn-shoulderOut': 133,
    'cover.spigot-flange': 9.4,
    pack: 0.5,
  };
  const template = templateGraph(shaftTemplate('taperPair', 'underCover'));
  const sized = (known: Readonly<Record<string, number>>): FaceGraph => ({
    ...template,
    lengths: template.lengths.map((l) => ({ ...l, length: known[l.id] === undefined ? null : mm(known[l.id] ?? 0), u: 1_000 })),
    contacts: template.contacts.map((c) => (c.kind === 'rolling' ? { ...c, stand: mm(19) } : c)),
  });

  it('give the sum of the bearing books: case + pack − spigot − T₁ − shaft − T₂', () => {
    const gap = formOf(sized(sizes), 'float');
    expect(gap.constant).toBe(mm(180 + 0.5 - 9.4 - 19 - 133 - 19));
    expect(gap.terms.map((t) => t.coefficient).sort()).toEqual([-1, -1, -1, -1, 1, 1]);
  });
  it('name what is not known, and find the one unknown from a measured gap', () => {
    const partial = sized({ 'casing.seat-face': 180, 'shaft.shoulderIn-shoulderOut': 133, pack: 0.5 });
    expect(formOf(partial, 'float')).toMatchObject({ constant: null, missing: ['cover, spigot to flange'] });
    expect(solveUnknown(partial, 'float', mm(0.1))).toMatchObject({ length: mm(9.4) });
    expect(solveUnknown(sized({}), 'float', mm(0.1))).toBeNull();
  });
  it('place every face, and name two walks that disagree', () => {
    const { positions, contradictions } = facePositions(sized(sizes), 'casing.seat');
    expect(contradictions).toEqual([]);
    expect(positions.get('cover.spigot')).toBe(mm(171.1));
    expect(positions.get('cupOut.back')).toBe(mm(171));
    const twice = sized(sizes);
    const doubled = {
      ...twice,
      lengths: [
        ...twice.lengths,
        { id: 'again', part: 'shaft', name: 'shaft, measured again', from: 'shaft.shoulderIn', to: 'shaft.shoulderOut', length: mm(133.2) },
      ],
    };
    const [contradiction] = facePositions(doubled, 'casing.seat').contradictions;
    expect(Math.abs(contradiction?.difference ?? 0)).toBe(mm(0.2));
    expect([...(contradiction?.one ?? []), ...(contradiction?.other ?? [])]).toContain('shaft, measured again');
    expect(facePositions(doubled, 'casing.seat', mm(0.3)).contradictions).toEqual([]);
  });
  it('turning a part round changes which of its faces touch, and the sign of its length with it', () => {
    expect([senseOf(sized(sizes), 'shaft', 'float'), senseOf(turnRound(sized(sizes), 'shaft'), 'shaft', 'float')]).toEqual([-1, -1]);
    expect(formOf(turnRound(sized(sizes), 'shaft'), 'float')).toMatchObject({ constant: mm(0.1) });
    const stepped: FaceGraph = {
      parts: [{ id: 'hub', name: 'hub', kind: 'gear', turned: false, faces: ['hub.in', 'hub.web', 'hub.out'] }],
      lengths: [
        { id: 'a', part: 'hub', name: 'a', from: 'hub.in', to: 'hub.web', length: mm(3) },
        { id: 'b', part: 'hub', name: 'b', from: 'hub.web', to: 'hub.out', length: mm(7) },
      ],
      contacts: [
        { id: 'wall', a: 'case', b: 'hub.in', kind: 'seated' },
        { id: 'gap', a: 'case', b: 'hub.web', kind: 'open' },
      ],
    };
    expect(formOf(stepped, 'gap')).toMatchObject({ constant: mm(3) });
    expect(formOf(turnRound(stepped, 'hub'), 'gap')).toMatchObject({ constant: mm(7) });
  });
  it('of a gap that nothing joins say so, and touch it with nothing', () => {
    const apart: FaceGraph = { parts: [], lengths: [], contacts: [{ id: 'g', a: 'x', b: 'y', kind: 'open' }] };
    expect(shaftModel(apart, [{ id: 'pack', length: 'pack' }]).gaps).toEqual([
      {
        contact: 'g',
        coefficients: { pack: 0 },
        constant: null,
        u: 0,
        terms: [],
        missing: ['a part that joins its two faces'],
        contradictions: [],
        arrangement: null,
      },
    ]);
  });
  it('keep every length a whole number of nanometres', () => expect(Number.isInteger(nanometres(1.4))).toBe(true));
});
