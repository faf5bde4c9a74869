import { describe, expect, it } from '@jest/globals';
import * as fc from 'fast-check';
import { mm } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import { cupGrip, hotGap, hotGapSum, shaftModel, shaftTemplate, templateGraph, type HotLink } from './index.ts';

const ALUMINIUM = 23;
const STEEL = 11.5;
const link = (millimetres: number, sense: 1 | -1, expansion: number, rise?: number): HotLink => ({
  label: 'part',
  length: mm(millimetres),
  sense,
  expansion,
  ...(rise === undefined ? {} : { rise }),
});

// check values of the reckoning: linear expansion
describe('a hot gap', () => {
  it('face to face opens where the case grows more than the shaft', () => {
    expect(hotGap({ links: [link(150, 1, ALUMINIUM), link(150, -1, STEEL)] }, { rise: 60 })).toBe(mm(0.1035));
  });
  it('back to back closes: the preload rises', () => {
    expect(hotGap({ links: [link(60, 1, STEEL), link(60, -1, ALUMINIUM)] }, { rise: 60 })).toBe(mm(-0.0414));
  });
  it('takes a link’s own rise before that of all, and what does not grow as it is', () => {
    const links = [link(100, 1, ALUMINIUM, 40), link(100, -1, STEEL), { length: mm(0.2), sense: 1 } as HotLink];
    // 100·23·40 = 0.092; 100·11.5·60 = 0.069
    expect(hotGap({ links }, { rise: 60 })).toBe(mm(0.2 + 0.092 - 0.069));
    expect(hotGap({ links: [link(100, 0 as 1, ALUMINIUM)] }, { rise: 60 })).toBe(0);
  });
  it('cooled, it goes the other way; warmed by nothing, it is as it was', () => {
    const links = [link(150, 1, ALUMINIUM), link(149.9, -1, STEEL)];
    expect(hotGap({ links }, { rise: 0 })).toBe(mm(0.1));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 150 }), (rise) => {
        const [warm, cool] = [hotGap({ links }, { rise }) - mm(0.1), hotGap({ links }, { rise: -rise }) - mm(0.1)];
        expect(Math.abs(warm + cool)).toBeLessThanOrEqual(2);
      }),
    );
  });
  it('has a sum that adds up', () => {
    const links = [link(150, 1, ALUMINIUM), link(149.9, -1, STEEL), { length: mm(0), sense: 1 } as HotLink];
    const sum = hotGapSum({ links }, { rise: 60 });
    const hot = sum.at(-1)?.value ?? NaN;
    expect(sum.slice(0, -1).reduce((total, line) => total + line.value, 0)).toBe(hot);
    expect(hot).toBe(hotGap({ links }, { rise: 60 }));
    expect(sum).toHaveLength(4);
  });
  it('refuses no parts', () => {
    expect(refusalOf(() => hotGap({ links: [] }, { rise: 60 }))).toBe('noLinks');
  });
  it('has its sign from the arrangement: a case that grows more opens a pair closed by a cover, and closes one drawn up by a nut', () => {
    for (const [name, place, sign] of [
      ['taperPair', 'underCover', 1],
      ['hubByNut', 'betweenCones', -1],
    ] as const) {
      const shaft = shaftTemplate(name, place);
      const grows = new Set(shaft.places.filter(({ kind }) => /^(casing|hub|cover)$/.test(kind)).map(({ role }) => role));
      const sizes = new Map(shaft.lengths.map((l) => [l.role, l]));
      const graph = templateGraph(shaft);
      const packs = shaft.places.filter(({ takes }) => takes === 'leaves').map(({ role }) => ({ id: role, length: role }));
      const [gap] = shaftModel(
        {
          ...graph,
          lengths: graph.lengths.map((l) => ({ ...l, length: mm(sizes.get(l.id)?.proportion ?? 0) })),
          contacts: graph.contacts.map((c) => (c.stand === undefined ? c : { ...c, stand: mm(18) })),
        },
        packs,
      ).gaps;
      const links = (gap?.terms ?? []).map(({ id, coefficient, value }): HotLink => ({
        length: value,
        sense: coefficient as 1 | -1,
        expansion: grows.has(sizes.get(id)?.place ?? '') ? ALUMINIUM : STEEL,
      }));
      expect([name, Math.sign(hotGap({ links }, { rise: 60 }) - hotGap({ links }, { rise: 0 }))]).toEqual([name, sign]);
    }
  });
});

// from memory: the formula of the reckoning, worked by hand
describe('the grip of a housing on a cup', () => {
  const warm = { interference: mm(0.03), outside: mm(62), raceway: mm(52), angle: 14 };
  const at = (rise: number) => ({ ...warm, housing: { expansion: 23, rise }, cup: { expansion: 12, rise } });
  it('let go of wholly, opens the gap by half the interference, carried to the raceway and down its slope', () => {
    // 62·60·11e-6 = 0.0409 apart, more than 0.030: ½·0.030·52/62·cot 14° = 0.0505
    expect(cupGrip(at(60)) / mm(1)).toBeCloseTo(0.0505, 4);
  });
  it('let go of in part, opens it in proportion, and never by more than all of it', () => {
    // 62·20·11e-6 = 0.01364: ½·0.01364·52/62·cot 14° = 0.0229
    expect(cupGrip(at(20)) / mm(1)).toBeCloseTo(0.0229, 4);
    expect(cupGrip(at(120))).toBe(cupGrip(at(60)));
    expect(cupGrip(at(0))).toBe(0);
  });
  it('of a cup that is loose cold is nothing hot; cooled, the grip grows and closes the gap', () => {
    expect(cupGrip({ ...at(60), interference: mm(-0.01) })).toBe(0);
    expect(cupGrip(at(-20)) / mm(1)).toBeCloseTo(-0.0229, 4);
  });
  it('refuses an angle and sizes that cannot be', () => {
    expect(refusalOf(() => cupGrip({ ...at(60), angle: 0 }))).toBe('notAnAngle');
    expect(refusalOf(() => cupGrip({ ...at(60), angle: 45 }))).toBe('notAnAngle');
    expect(refusalOf(() => cupGrip({ ...at(60), raceway: mm(62) }))).toBe('notASize');
  });
});
