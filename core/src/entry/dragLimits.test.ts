import { describe, expect, it } from '@jest/globals';
import { mm } from '../quantity/index.ts';
import { understandDragLimits } from './index.ts';

const LBF_IN = 0.1129848290276167;
const near = (lbfIn: number): unknown => expect.closeTo(lbfIn * LBF_IN, 9);

describe('limits of a drag as a manual prints them', () => {
  it.each([
    ['18-24 lb in', near(18), near(24)],
    ['18 to 24 lbf·in', near(18), near(24)],
    ['2.0-2.7 N·m', 2, 2.7],
    ['8/12 lb ins', near(8), near(12)],
    ['2,0 to 2,7 Nm', 2, 2.7],
  ])('%s', (text, min, max) =>
    expect(understandDragLimits(text, { bare: 'thou' })).toMatchObject({ kind: 'understood', value: { min, max, conditions: {} } }),
  );
  it('at most and at least', () => {
    expect(understandDragLimits('max 30 lb in', { bare: 'thou' })).toMatchObject({ value: { max: near(30) } });
    expect(understandDragLimits('min 1.2 N·m', { bare: 'mm' })).toMatchObject({ value: { min: 1.2 } });
    for (const text of ['under 12 lb in', '12 lb in or less', 'not more than 12 lb in', '12 lb in max', 'at most 12 lb in'])
      expect(understandDragLimits(text, { bare: 'thou' })).toMatchObject({ kind: 'understood', value: { max: near(12), conditions: {} } });
    for (const text of ['over 12 lb in', '12 lb in or more', 'not less than 12 lb in'])
      expect(understandDragLimits(text, { bare: 'thou' })).toMatchObject({ kind: 'understood', value: { min: near(12), conditions: {} } });
    expect(understandDragLimits('under 12', { bare: 'thou', scale: 'lbf·in' })).toMatchObject({ value: { max: near(12) } });
  });
  it.each([
    ['18-24 lb in, new bearings', { bearings: 'new' }],
    ['9-12 lb in for used bearings', { bearings: 'used' }],
    ['9-12 lb in old bearings, without seal', { bearings: 'used', seal: 'out' }],
    ['1.2-1.6 N·m (seal in)', { seal: 'in' }],
    ['1.2-1.6 N·m wheel in', { wheel: 'in' }],
    ['new bearings 1.2-1.6 N·m pinion alone', { bearings: 'new', wheel: 'out' }],
    ['45-50 lb ft, dry', { dressing: 'dry' }],
    ['60-65 N·m (oiled threads)', { dressing: 'oiled' }],
    ['60-65 N·m lightly oiled', { dressing: 'oiled' }],
    ['max 30 lb ft not oiled', { dressing: 'dry' }],
    ['60-65 N·m with anti-seize', { dressing: 'anti-seize' }],
    ['60-65 N·m, thread locker', { dressing: 'thread lock' }],
    ['1.2-1.6 N·m without the oil seal, sealant', { seal: 'out', dressing: 'sealer' }],
  ])('%s carries its conditions', (text, conditions) => {
    // one that is for a dressing is what a nut is pulled to
    const of = 'dressing' in conditions ? { of: 'torque' as const } : {};
    expect(understandDragLimits(text, { bare: 'thou', ...of })).toMatchObject({ kind: 'understood', value: { conditions } });
  });
  it('nil is nought', () => expect(understandDragLimits('nil to 3 lb in', { bare: 'thou' })).toMatchObject({ value: { min: 0, max: near(3) } }));
  it('what no drag can be is asked about: the point out; of a nut it may be right', () => {
    expect(understandDragLimits('1800-2400 lb in', { bare: 'thou' })).toMatchObject({
      kind: 'ask',
      meanings: [{ value: { min: near(180), max: near(240) } }, { value: { min: near(18) } }, { value: { min: near(1800) }, asTyped: true }],
    });
    expect(understandDragLimits('0.0012-0.0016 N·m', { bare: 'mm' })).toMatchObject({
      kind: 'ask',
      meanings: [{ value: { min: 0.12 } }, { asTyped: true }],
    });
    expect(understandDragLimits('14-1600 lb in', { bare: 'thou' })).toMatchObject({ kind: 'ask' });
    expect(understandDragLimits('180-200 N·m', { bare: 'mm', of: 'torque' })).toMatchObject({ kind: 'understood' });
    expect(understandDragLimits('max 30 N·m', { bare: 'mm' })).toMatchObject({ kind: 'understood', value: { max: 30 } });
  });
  it('one figure alone judges nothing till a tolerance is given', () => {
    const found = understandDragLimits('0.9 N·m', { bare: 'mm' });
    expect(found).toMatchObject({
      kind: 'ask',
      meanings: [{ value: { min: expect.closeTo(0.81, 9), max: expect.closeTo(0.99, 9) } }, { value: { max: 0.9 } }, { value: { single: 0.9 } }],
    });
    expect(found.kind === 'ask' && found.meanings.map(({ said }) => said)).toEqual([
      '0.810 to 0.990 N·m · 7.17 to 8.76 lbf·in',
      'at most 0.900 N·m · at most 7.97 lbf·in',
      '0.900 N·m and no tolerance · 7.97 lbf·in and no tolerance',
    ]);
  });
  it('a pull is brought to a torque by its radius, and refused with none', () => {
    expect(understandDragLimits('5-7 kg', { bare: 'mm' })).toMatchObject({ kind: 'refused', code: 'noRadius' });
    const found = understandDragLimits('5-7 kg on a 54 mm drum, new bearings', { bare: 'mm' });
    expect(found).toMatchObject({
      unit: 'N·m',
      value: { min: expect.closeTo(5 * 9.80665 * 0.027, 9), max: expect.closeTo(7 * 9.80665 * 0.027, 9), conditions: { bearings: 'new' } },
    });
    // 2 lb 8 oz at 2 in are 5 lbf·in
    expect(understandDragLimits('2 lb 8 oz to 3 lb 4 oz at 2 in', { bare: 'thou' })).toMatchObject({ value: { min: near(5), max: near(6.5) } });
    expect(understandDragLimits('5-7 kg', { bare: 'thou', radius: mm(27) })).toMatchObject({
      unit: 'lbf·in',
      value: { min: expect.closeTo(1.3239, 4) },
    });
  });
  it('with no unit is on the scale that was read last, or asked about', () => {
    expect(understandDragLimits('18-24', { bare: 'thou', scale: 'lbf·in' })).toMatchObject({ kind: 'understood', value: { min: near(18) } });
    expect(understandDragLimits('18-24', { bare: 'thou' })).toMatchObject({ kind: 'ask', meanings: [{ unit: 'lbf·in' }, { unit: 'N·m' }] });
  });
  it.each([
    ['24-18 lb in', 'reversedLimits'],
    ['5-8 thou', 'wrongKind'],
    ['5-8 bar', 'wrongKind'],
    ['', 'empty'],
    ['stiff', 'notLimits'],
  ])('%s is refused', (text, code) => {
    const found = understandDragLimits(text, { bare: 'thou' });
    expect(found).toMatchObject({ kind: 'refused', message: expect.not.stringContaining('thou') });
    if (code !== 'notLimits') expect(found).toMatchObject({ code });
  });
});
