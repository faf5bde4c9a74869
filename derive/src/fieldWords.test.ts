import { describe, expect, it } from '@jest/globals';
import { newJoint, newRollers, TABLES } from '@elder-cog/contract';
import { mm, thou } from '@elder-cog/core';
import { difference, LENGTH_FIELDS } from './fieldWords.ts';

const changed = (before: object, after: object): string => {
  const { from, to } = difference({ before: { ...before }, after: { ...after } });
  return `${from ?? ''} → ${to ?? ''}`;
};

describe('what changed of a row', () => {
  const joint = newJoint({ assemblyId: 'box', placeId: null, stripId: null, name: 'Nut', shape: 'circle', holes: 1 }, () => 'j');
  it('of a joint is said as it is at the bench: never in nanometres, and never a bare yes', () => {
    expect(changed(joint, { ...joint, adjusts: true })).toBe('sets a float no → sets a float yes');
    expect(changed(joint, { ...joint, dressing: 'oiled' })).toBe('no dressing → oiled');
    expect(changed(joint, { ...joint, pitch: mm(1.25) })).toBe('pitch not known → pitch 1.250 mm');
    expect(changed(joint, { ...joint, lock: { kind: 'split pin', slots: 6, notches: [], holeEnds: 2 } })).toBe(
      'none → split pin, 6 slots, 2 ends of holes',
    );
    expect(changed(joint, { ...joint, rounds: [{ torque: null, degrees: null, written: '' }] })).toBe('rounds none → rounds hand');
    expect(changed({ ...joint, holes: 4 }, { ...joint, holes: 4, order: [1, 3, 2, 4] })).toBe('order as reckoned → order 1 3 2 4');
  });
  it('a thread that is named has its sizes', () =>
    expect(changed(joint, { ...joint, thread: '3/8 BSF', major: thou(375), pitch: mm(1.27) })).toBe('no thread → 3/8 BSF'));
  it('of rollers says which size', () => {
    const rollers = newRollers({ assemblyId: 'box', placeId: null, name: 'Front' }, () => 'r');
    expect(changed(rollers, { ...rollers, trackInner: mm(20), rows: 2 })).toBe(
      'across the shaft not known, rows 1 → across the shaft 20.000 mm, rows 2',
    );
  });
  it('of a row in a row says what of it, and nothing of the rest', () => {
    const outer = { what: 'Cup', material: 'steel', bore: null, outside: mm(62) };
    expect(changed({ outer }, { outer: { ...outer, bore: mm(25) } })).toBe('outer part: bore not known → outer part: bore 25.000 mm');
    expect(changed({ wants: undefined }, { wants: { bore: mm(26), side: 'grooves in' } })).toBe('no wants → wants bore 26.000 mm, side grooves in');
  });
  it('of a number that was read again, and of what only the program knows by', () => {
    expect(changed({ number: '30307' }, { number: '30307', isReadAgain: true })).toBe('read again, and so no → read again, and so yes');
    expect(difference({ before: { placeId: 'a', revision: 1 }, after: { placeId: 'b', revision: 2 } })).toEqual({ from: null, to: null });
    expect(difference(undefined)).toEqual({ from: null, to: null });
  });
});

/** A field that is a length is a whole number of nanometres within ten metres either way, and no other is. */
interface Field {
  readonly def?: { readonly innerType?: Field };
  readonly minValue?: number | null;
}
const isLength = (field: Field): boolean => (field.def?.innerType ? isLength(field.def.innerType) : field.minValue === -10_000_000_000);

describe('every length', () => {
  const SAID_OTHERWISE = ['feature', 'limit', 'acceptance', 'removal', 'reading'];
  const fields = Object.entries(TABLES)
    .filter(([name]) => !SAID_OTHERWISE.includes(name))
    .flatMap(([name, { row }]) =>
      Object.entries((row as unknown as { shape: Record<string, Field> }).shape).map(([key, of]) => [name, key, of] as const),
    )
    .filter(([, , of]) => isLength(of));
  it('of a row that can be changed is known to be one', () => {
    expect(fields.length).toBeGreaterThan(12);
    expect(fields.filter(([, key]) => !LENGTH_FIELDS.has(key)).map(([name, key]) => `${name}.${key}`)).toEqual([]);
  });
});
