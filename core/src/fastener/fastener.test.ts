import { describe, expect, it } from '@jest/globals';
import { inch, mm, thou } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import {
  alignSlot,
  isBelieved,
  endsOutside,
  readRounds,
  sayRounds,
  tighteningOrder,
  torqueAtWrench,
  torqueAtWrenchSum,
  wrenchSetting,
  type HoleAt,
  type SlotQuestion,
} from './index.ts';

describe('a wrench that pulls through an extension', () => {
  const arm = { wrenchLength: inch(14), extension: inch(3), angle: 0 };
  it('shows less than comes to the nut, by the longer arm', () => {
    // 16 · 14 ÷ 17 = 13.18
    expect(torqueAtWrench({ torque: 16, ...arm })).toBeCloseTo(13.176, 3);
    expect(torqueAtWrench({ torque: 16, ...arm, angle: 90 })).toBe(16);
    expect(torqueAtWrench({ torque: 16, ...arm, extension: mm(0) })).toBe(16);
    expect(torqueAtWrench({ torque: 16, ...arm, angle: 180 })).toBeCloseTo((16 * 14) / 11, 9);
    expect(torqueAtWrenchSum({ torque: 16, ...arm }).at(-1)?.value).toBeCloseTo(13.176, 3);
  });
  it('by moments: force at the hand times its distance from the nut is the torque there', () => {
    for (const angle of [0, 20, 60, 110]) {
      const at = torqueAtWrench({ torque: 40, wrenchLength: mm(300), extension: mm(80), angle });
      const force = at / 0.3;
      const hand = 0.3 + 0.08 * Math.cos((angle * Math.PI) / 180);
      expect(force * hand).toBeCloseTo(40, 9);
    }
  });
  it('laid back past the nut is refused', () => {
    expect(refusalOf(() => torqueAtWrench({ torque: 16, ...arm, extension: inch(14), angle: 180 }))).toBe('nothingTurns');
    expect(refusalOf(() => torqueAtWrench({ torque: 16, ...arm, wrenchLength: inch(0) }))).toBe('notASize');
    expect(refusalOf(() => torqueAtWrench({ torque: 16, ...arm, angle: Number.NaN }))).toBe('notAnAngle');
  });
  it('is set to a division of its finer scale, where it can be believed there', () => {
    expect(wrenchSetting({ torque: 16, scales: [{ least: 2, most: 25, division: 1 }], ...arm })).toEqual({
      set: 13,
      achieved: expect.closeTo((13 * 17) / 14, 9),
      believable: true,
      finer: 0,
    });
    const scales = [
      { least: 10, most: 150, division: 5 },
      { least: 5, most: 60, division: 2 },
    ];
    expect(wrenchSetting({ torque: 25, scales })).toMatchObject({ set: 26, finer: 1, believable: true });
    expect(wrenchSetting({ torque: 100, scales })).toMatchObject({ set: 100, finer: 0, believable: true });
    // under a fifth of either
    expect(wrenchSetting({ torque: 10, scales })).toMatchObject({ finer: 1, believable: false });
    expect(refusalOf(() => wrenchSetting({ torque: 3, scales }))).toBe('outOfRange');
    expect(refusalOf(() => wrenchSetting({ torque: 3, scales: [] }))).toBe('noScale');
  });
  it('is believed from a fifth of its most', () => {
    expect([isBelieved(5, { least: 2, most: 25 }), isBelieved(4.9, { least: 2, most: 25 }), isBelieved(25.1, { least: 2, most: 25 })]).toEqual([
      true,
      false,
      false,
    ]);
    expect(isBelieved(8, { least: 10, most: 25 })).toBe(false);
  });
});

describe('a slot that is to come to its hole', () => {
  const nut = { joint: 'clamped', torque: 67, perDegree: 0.8, limits: { min: 62, max: 84 }, pitch: inch(1 / 16), u: 0.7 } as const;
  it('comes every 60° with six slots and a hole right through, and every 30° with two that cross', () => {
    expect(alignSlot({ ...nut, slots: 6, holeEnds: 2, now: 17 }).spacing).toBeCloseTo(60, 9);
    expect(alignSlot({ ...nut, slots: 6, holeEnds: 4, now: 17 }).spacing).toBeCloseTo(30, 9);
    expect(alignSlot({ ...nut, slots: 10, holeEnds: 2, now: 5 }).spacing).toBeCloseTo(36, 9);
    expect(alignSlot({ ...nut, slots: 5, holeEnds: 2, now: 5 }).spacing).toBeCloseTo(36, 9);
  });
  it('goes on to the next inside its torque, and says what that will be', () => {
    // 67 + 17 · 0.8 = 80.6
    const found = alignSlot({ ...nut, slots: 6, holeEnds: 2, now: 17 });
    expect(found).toMatchObject({ turn: 17, torque: { value: expect.closeTo(80.6, 9) } });
    expect(found.torque?.u).toBeCloseTo(Math.hypot(0.7, 1.36), 9);
    expect(found.washer).toBeUndefined();
  });
  it('of which none lies inside wants another washer, never by a whole slot', () => {
    // 17° short: 62.5 · 17/360 = 2.95 thinner, or 62.5 · 43/360 = 7.47 thicker
    const found = alignSlot({ ...nut, limits: { min: 62, max: 75 }, slots: 6, holeEnds: 2, now: 17 });
    expect(found).toMatchObject({ turn: null, torque: null, washer: { thinner: 74965, thicker: 189618 } });
    expect(found.washer?.thinner).toBe(Math.round((thou(62.5) * 17) / 360));
  });
  it('not yet pulled to its torque goes on past one that is under it', () => {
    // 40 now, 0.8 a degree: a slot at 17° is 53.6, under 62; the next, at 77°, 101.6
    const found = alignSlot({ ...nut, torque: 40, slots: 6, holeEnds: 2, now: 17 });
    expect(found.turn).toBeNull();
    // at 73 it would stand 41.25° on; 35.75 to the next, 24.25 past the last
    expect(found.washer).toEqual({ thinner: Math.round((1587500 * 35.75) / 360), thicker: Math.round((1587500 * 24.25) / 360) });
    expect(alignSlot({ ...nut, torque: 40, slots: 6, holeEnds: 4, now: 17 })).toMatchObject({ turn: 47 });
  });
  it('with notches where they are takes the first of them, whichever it is', () => {
    const notches = [0, 50, 110, 200];
    expect(alignSlot({ ...nut, notches, holeEnds: 1, now: 320 })).toMatchObject({ turn: 10 });
    expect(alignSlot({ ...nut, notches, holeEnds: 1, now: 0 })).toMatchObject({ turn: 0, torque: { value: 67 } });
  });
  it('of a nut that sets float goes back, and says how much float that gives', () => {
    const adjusting: SlotQuestion = { joint: 'adjusting', slots: 6, holeEnds: 2, now: 17, pitch: mm(1.5) };
    // 43° back of a 1.5 pitch: 0.179 mm
    expect(alignSlot(adjusting)).toMatchObject({ turn: -43, torque: null, opens: Math.round((1.5e6 * 43) / 360) });
    expect(alignSlot({ ...adjusting, now: 0 })).toMatchObject({ turn: 0, opens: 0 });
  });
  it('wants slots, an angle, a pitch, a window and a rise', () => {
    const of = (more: object): string => refusalOf(() => alignSlot({ ...nut, slots: 6, holeEnds: 2, now: 17, ...more }));
    expect([
      of({ slots: 0 }),
      of({ holeEnds: 0 }),
      of({ now: 360 }),
      of({ pitch: mm(0) }),
      of({ limits: { min: 3, max: 2 } }),
      of({ perDegree: 0 }),
    ]).toEqual(['notSlots', 'notSlots', 'notAnAngle', 'notAPitch', 'noWindow', 'noRise']);
    expect(refusalOf(() => alignSlot({ ...nut, notches: [400], holeEnds: 1, now: 0 }))).toBe('notSlots');
  });
});

describe('the order of tightening', () => {
  const ring = (n: number): HoleAt[] =>
    Array.from({ length: n }, (_, i) => ({ id: String(i + 1), x: Math.sin((2 * Math.PI * i) / n), y: -Math.cos((2 * Math.PI * i) / n) }));
  it('goes across a ring, one and then the one over against it', () => {
    expect(tighteningOrder(ring(4))).toEqual(['1', '3', '2', '4']);
    expect(tighteningOrder(ring(6))).toEqual(['1', '4', '2', '5', '3', '6']);
  });
  it('goes from the middle of a long flange outwards', () => {
    const at = (id: string, x: number, y: number): HoleAt => ({ id, x, y });
    const flange = [at('far left', -3, 0), at('left', -1, 0), at('right', 1, 0), at('far right', 3, 0)];
    expect(tighteningOrder(flange)).toEqual(['right', 'left', 'far right', 'far left']);
    const cover = [at('a', -1, -2), at('b', 1, -2), at('c', -2, 0), at('d', 2, 0), at('e', -1, 2), at('f', 1, 2)];
    expect(tighteningOrder(cover).slice(0, 2)).toEqual(['d', 'c']);
  });
  it('has every hole once, of any number, and of none is refused', () => {
    for (let n = 1; n <= 13; n++) expect(new Set(tighteningOrder(ring(n))).size).toBe(n);
    expect(refusalOf(() => tighteningOrder([]))).toBe('noHoles');
  });
});

describe('the rounds a joint is pulled in', () => {
  const said = (text: string): (readonly [number | null, number | null, string])[] =>
    readRounds(text, 'lbf·ft').map(({ torque, degrees, written }) => [torque === null ? null : Math.round(torque * 1000) / 1000, degrees, written]);
  it('are said one after another, a torque with no unit in that of the next that has one', () => {
    expect(said('hand, 8, 16 lb ft')).toEqual([
      [null, null, ''],
      [10.847, null, '8 lb ft'],
      [21.693, null, '16 lb ft'],
    ]);
    expect(said('hand tight, 20 N·m, +90°')).toEqual([
      [null, null, ''],
      [20, null, '20 N·m'],
      [null, 90, ''],
    ]);
    expect(said('20 N·m + 60°, 40 N·m')).toEqual([
      [20, 60, '20 N·m'],
      [40, null, '40 N·m'],
    ]);
    expect(said('40, 60')).toEqual([
      [54.233, null, '40 lbf·ft'],
      [81.349, null, '60 lbf·ft'],
    ]);
  });
  it.each([
    ['20/40/60 Nm', '20 Nm, 40 Nm, 60 Nm'],
    ['hand 10 20', 'hand, 10 lbf·ft, 20 lbf·ft'],
    ['20 40 60', '20 lbf·ft, 40 lbf·ft, 60 lbf·ft'],
    ['20 Nm 90°', '20 Nm, 90°'],
    ['10/20 lb/ft', '10 lb/ft, 20 lb/ft'],
    ['hand tight then 20½ lb ft', 'hand, 20.5 lb ft'],
    ['15 lb ft, then a quarter turn', '15 lb ft, 90°'],
    ['20 Nm and a quarter of a turn', '20 Nm, 90°'],
    ['20 Nm + half a turn', '20 Nm + 180°'],
    ['hand; 20 N·m; 1/4 turn', 'hand, 20 N·m, 90°'],
    ['finger tight, 30, one flat', 'hand, 30 lbf·ft, 60°'],
    ['hand, quarter turn', 'hand, 90°'],
  ])('%s too', (text, as) => expect(sayRounds(readRounds(text, 'lbf·ft'))).toBe(as));
  it.each([
    ['hand, 40 N·m', null],
    ['hand, 42 N·m', null],
    ['hand, 48 N·m', null],
    ['hand, 39.9 N·m', 39.9],
    ['hand, 48.5 N·m', 48.5],
    ['20 N·m, +90°', null],
    ['20 N·m + 90°', null],
    ['hand', null],
  ])('%s ends within limits or outside', (text, outside) => expect(endsOutside(readRounds(text, 'N·m'), { min: 40, max: 48 })).toBe(outside));
  it('end above a lone most, and at nothing below a lone least', () => {
    expect(endsOutside(readRounds('hand, 50 N·m', 'N·m'), { max: 48 })).toBe(50);
    expect(endsOutside(readRounds('hand, 30 N·m', 'N·m'), { min: 40 })).toBe(30);
    expect(endsOutside(readRounds('hand, 30 N·m', 'N·m'), {})).toBeNull();
    expect(endsOutside([], { min: 40 })).toBeNull();
  });
  it('are said back as they would be typed', () =>
    expect(sayRounds(readRounds('hand, 8, 16 lb ft, +90°', 'lbf·ft'))).toBe('hand, 8 lb ft, 16 lb ft, 90°'));
  it.each([
    ['', 'empty'],
    ['16, 8 lb ft', 'backwards'],
    ['8 thou', 'notARound'],
    ['hand, half, full', 'notARound'],
    ['20 furlongs', 'notARound'],
    ['1, 2, 3, 4, 5, 6, 7, 8, 9 N·m', 'tooMany'],
    ['20 N·m + 900°', 'notARound'],
  ])('%s is refused', (text, code) => expect(refusalOf(() => readRounds(text, 'lbf·ft'))).toBe(code));
});
