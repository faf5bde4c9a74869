import { describe, expect, it } from '@jest/globals';
import { mm, ZERO } from '../quantity/index.ts';
import { inSeries, senseAndFactor } from './inSeries.ts';
import { shaftModel } from './shaftModel.ts';
import type { FaceGraph } from './graph.ts';

/** A bearing whose snap ring lies loose in its groove, and whose ring lies loose in a recess of the housing: reckoning.md, model.md. */
const snapRing: FaceGraph = {
  parts: [
    { id: 'housing', name: 'Housing', kind: 'casing', turned: false, faces: ['h.near', 'h.far'] },
    { id: 'ring', name: 'Snap ring', kind: 'pack', turned: false, faces: ['r.in', 'r.out'] },
    { id: 'bearing', name: 'Bearing', kind: 'outerRing', turned: false, faces: ['b.near', 'b.far'] },
  ],
  lengths: [
    { id: 'recess', part: 'housing', name: 'recess', from: 'h.near', to: 'h.far', length: mm(2.1), u: 3000 },
    { id: 'ring', part: 'ring', name: 'ring', from: 'r.in', to: 'r.out', length: mm(1.9), u: 4000 },
    { id: 'groove', part: 'bearing', name: 'groove', from: 'b.near', to: 'b.far', length: mm(2.0), u: 3000 },
  ],
  contacts: [
    { id: 'inRecess', a: 'h.near', b: 'r.in', kind: 'seated' },
    { id: 'loose', a: 'r.out', b: 'h.far', kind: 'open' },
    { id: 'onRing', a: 'b.near', b: 'r.in', kind: 'seated' },
    { id: 'inGroove', a: 'r.out', b: 'b.far', kind: 'open' },
  ],
};

describe('floats one after another', () => {
  it('add up: recess less two rings and groove, by the sizes and by the ring as a slot', () => {
    const { gaps } = shaftModel(snapRing, []);
    // 2.1 − 2·1.9 + 2.0 = 0.3; the ring counts twice before it is squared
    const both = inSeries(gaps);
    expect(both?.constant).toBe(mm(0.3));
    expect(both?.u).toBeCloseTo(Math.sqrt(3000 ** 2 + 3000 ** 2 + 8000 ** 2), 6);
    const chosen = inSeries(shaftModel(snapRing, [{ id: 'ring', length: 'ring' }]).gaps);
    expect(chosen).toMatchObject({ constant: mm(4.1), coefficients: { ring: -2 } });
    expect(senseAndFactor(chosen?.coefficients.ring ?? 0)).toEqual({ sense: -1, factor: 2 });
  });
  it('of one is that one, and of none is none', () => {
    const [one] = shaftModel(snapRing, []).gaps;
    expect(one && inSeries([one])).toBe(one);
    expect(inSeries([])).toBeNull();
  });
  it('with one that is not known is not known, and says what is missing once', () => {
    const unknown = { ...snapRing, lengths: snapRing.lengths.map((l) => (l.id === 'ring' ? { ...l, length: null } : l)) };
    expect(inSeries(shaftModel(unknown, []).gaps)).toMatchObject({ constant: null, missing: ['ring'] });
  });
  it('that one length opens and closes alike is not in the sum', () => {
    const [one] = shaftModel(snapRing, []).gaps;
    if (!one) throw new Error('no gap');
    const mirrored = { ...one, constant: ZERO, terms: one.terms.map((t) => ({ ...t, coefficient: -t.coefficient })) };
    expect(inSeries([one, mirrored])).toMatchObject({ terms: [], u: 0 });
  });
  it('a slot that does not touch them has neither way nor factor to divide by', () => expect(senseAndFactor(0)).toEqual({ sense: 0, factor: 1 }));
});
