import { describe, expect, it } from '@jest/globals';
import { all, create, type MathJsInstance, type Unit } from 'mathjs';
import { convertTorque, mm, nanometres, thou, type Length, type TorqueUnit } from '../quantity/index.ts';
import type { Estimate } from '../reading/index.ts';
import { refusalOf } from '../testing.ts';
import {
  carrierDrag,
  cordPull,
  cordRadius,
  dragFromPull,
  dragFromPullSum,
  dragVerdict,
  netOfSeal,
  nutTurnFor,
  preloadFromNut,
  spacerFromTrials,
  spacerFromTrialsSum,
  suspectDragSlip,
  torqueFromPull,
  totalDrag,
} from './index.ts';

const KGF = 9.80665;
const reading = (value: number, u = 0, dof?: number): Estimate<number> => ({ kind: 'estimate', value, u, ...(dof === undefined ? {} : { dof }) });

describe('a drag by cord and balance', () => {
  it('is the pull at half of drum and cord', () => {
    // the design's own values: 1.25 N·m on 44.5 mm is 56.2 N, 5.73 kgf
    const pull = cordPull({ torque: 1.25, drumDiameter: mm(44.5), cordDiameter: mm(0) });
    expect(pull).toBeCloseTo(56.18, 2);
    expect(pull / KGF).toBeCloseTo(5.73, 2);
    // 8.2 kgf on a 52 mm drum with a 2 mm cord: 8.2 · 9.80665 · 0.027 = 2.1712 N·m
    expect(torqueFromPull({ pull: 8.2 * KGF, drumDiameter: mm(52), cordDiameter: mm(2) })).toBeCloseTo(2.1712, 4);
    expect(cordRadius({ drumDiameter: mm(52), cordDiameter: mm(2) })).toBe(mm(27));
  });
  it('is the same pull back again, net of the seal', () => {
    const drum = { drumDiameter: mm(38), cordDiameter: mm(1.5) };
    const pull = cordPull({ torque: 1.5, ...drum });
    expect(torqueFromPull({ pull, ...drum, seal: 0.25 })).toBeCloseTo(1.25, 12);
    expect(dragFromPullSum({ pull, radius: cordRadius(drum), seal: 0.25 }).map(({ label }) => label)).toEqual([
      'pull',
      'at a radius of',
      'the seal alone',
      'drag',
    ]);
    expect(dragFromPullSum({ pull, radius: cordRadius(drum) })).toHaveLength(3);
  });
  it('has no torque without a radius, and a seal takes no more than all', () => {
    expect(refusalOf(() => dragFromPull({ pull: 5, radius: mm(0) }))).toBe('notADrum');
    expect(refusalOf(() => dragFromPull({ pull: -5, radius: mm(20) }))).toBe('notAPull');
    expect(refusalOf(() => cordRadius({ drumDiameter: mm(0), cordDiameter: mm(2) }))).toBe('notADrum');
    expect(refusalOf(() => cordPull({ torque: -1, drumDiameter: mm(40), cordDiameter: mm(2) }))).toBe('notATorque');
    expect(refusalOf(() => netOfSeal(1, 1.1))).toBe('sealOverAll');
    expect(refusalOf(() => netOfSeal(1, -1))).toBe('notATorque');
    expect(netOfSeal(1, 1)).toBe(0);
  });
});

describe('torque in every unit', () => {
  // a general-purpose units library (mathjs); the ounce-force is a sixteenth of its pound-force
  const math: MathJsInstance = create(all ?? {});
  const LIBRARY: Readonly<Record<TorqueUnit, string>> = {
    'N·m': 'N m',
    'lbf·ft': 'lbf ft',
    'lbf·in': 'lbf in',
    'kgf·m': 'kgf m',
    'kgf·cm': 'kgf cm',
    'ozf·in': 'lbf * 1 inch / 16',
  };
  const units = Object.keys(LIBRARY) as TorqueUnit[];
  it.each(units.flatMap((from) => units.map((to) => [from, to] as const)))('from %s to %s is what a units library makes of it', (from, to) => {
    const per = (unit: TorqueUnit): number => (math.evaluate(`1 ${LIBRARY[unit]}`) as Unit).toNumber('N m');
    for (const value of [0.37, 15, 276.4]) expect(convertTorque(value, from, to) / ((value * per(from)) / per(to))).toBeCloseTo(1, 12);
  });
});

describe('the drag of a pinion with its crown wheel', () => {
  it('is its own and the wheel’s, brought down by the teeth; and back', () => {
    // 1.25 + 2.5 · 11/43 = 1.88953
    const total = totalDrag({ pinion: reading(1.25, 0.03, 5), carrier: reading(2.5, 0.1, 9), pinionTeeth: 11, wheelTeeth: 43 });
    expect(total.value).toBeCloseTo(1.88953, 5);
    expect(total.u).toBeCloseTo(Math.hypot(0.03, (0.1 * 11) / 43), 12);
    expect(total.dof).toBe(5);
    expect(carrierDrag({ total, pinion: reading(1.25), pinionTeeth: 11, wheelTeeth: 43 }).value).toBeCloseTo(2.5, 12);
    expect(carrierDrag({ total: reading(1.9), pinion: reading(1.25), pinionTeeth: 11, wheelTeeth: 43 }).dof).toBeUndefined();
  });
  it('is not less than its own', () => {
    expect(refusalOf(() => carrierDrag({ total: reading(1), pinion: reading(1.25), pinionTeeth: 11, wheelTeeth: 43 }))).toBe('lessThanAlone');
    expect(refusalOf(() => totalDrag({ pinion: reading(1), carrier: reading(1), pinionTeeth: 0, wheelTeeth: 43 }))).toBe('notTeeth');
    expect(refusalOf(() => totalDrag({ pinion: reading(1), carrier: reading(1), pinionTeeth: 9, wheelTeeth: 37.5 }))).toBe('notTeeth');
  });
});

describe('a nut that is turned', () => {
  it('closes its pitch in a turn, and opens it back again', () => {
    // 1/16 in pitch: 62.5 thou a turn, 60° is a sixth of it
    expect(preloadFromNut({ threadPitch: thou(62.5), degrees: 60 })).toBe(-264583);
    expect(preloadFromNut({ threadPitch: mm(1.5), degrees: -30 })).toBe(mm(0.125));
    expect(nutTurnFor({ threadPitch: mm(1.5), change: mm(-0.125) })).toBeCloseTo(30, 9);
    expect(nutTurnFor({ threadPitch: thou(62.5), change: thou(4) })).toBeCloseTo(-23.04, 9);
  });
  it('has a pitch', () => {
    expect(refusalOf(() => preloadFromNut({ threadPitch: mm(0), degrees: 10 }))).toBe('notAPitch');
    expect(refusalOf(() => preloadFromNut({ threadPitch: mm(1), degrees: Number.NaN }))).toBe('notAnAngle');
    expect(refusalOf(() => nutTurnFor({ threadPitch: mm(0), change: mm(1) }))).toBe('notAPitch');
  });
});

describe('a slip of a drag', () => {
  const limits = { min: 0.75, max: 1.05 };
  it('is caught where a torque in kgf·m was taken for a pull in grams', () => {
    // 0.092 kgf·m is 0.902 N·m; 92 grams at 18 mm is 0.0162
    const [slip, ...more] = suspectDragSlip({ pull: 0.092 * KGF, radius: mm(18), limits });
    expect(slip?.meant).toBeCloseTo(0.902, 3);
    expect(slip?.message).toContain('kgf·m');
    expect(more).toEqual([]);
  });
  it('is not asked of a pull that is right, or is right at its radius', () => {
    expect(suspectDragSlip({ pull: 5.1 * KGF, radius: mm(18), limits })).toEqual([]);
    expect(suspectDragSlip({ pull: 0.9, radius: nanometres(1e9), limits })).toEqual([]);
  });
  it.each([
    [8.850745791, 8],
    [9.80665, 8.8],
    [10, 9],
    [12, 10.8],
    [16, 14],
    [100, 90],
  ])('of %s times is asked about, either way', (factor, torque) => {
    expect(suspectDragSlip({ torque, limits }).map((slip) => slip.factor)).toContain(factor);
    const small = 0.9 / factor;
    expect(suspectDragSlip({ torque: small, limits }).map((slip) => slip.factor)).toContain(1 / factor);
  });
  it('of 1.356 never is: a third more is what drags are', () => {
    expect(suspectDragSlip({ torque: 0.9 * 1.3558, limits })).toEqual([]);
    expect(suspectDragSlip({ torque: 0.9 / 1.3558, limits })).toEqual([]);
    expect(suspectDragSlip({ torque: 0, limits })).toEqual([]);
  });
  it('where only a most is known, is what would come to half of it and more', () => {
    expect(suspectDragSlip({ torque: 10, limits: { min: 0, max: 1 } }).map(({ factor }) => factor)).toEqual([10, 12, 16]);
  });
});

describe('a solid spacer', () => {
  const at = (length: number, drag: number): { length: Length; drag: number } => ({ length: mm(length), drag });
  it('from two drags: shorter drags more', () => {
    // 0.05 mm shorter dragged 1.0 more: 0.05 mm a N·m; 1.7 wanted, 1.6 read: 0.005 off
    const found = spacerFromTrials({ trials: [at(60, 0.6), at(59.95, 1.6)], limits: { min: 1.4, max: 2 } });
    expect(found).toMatchObject({ change: mm(-0.005), window: { min: mm(59.93), max: mm(59.96), ideal: mm(59.945) }, cautions: [] });
    expect(found.perDrag).toBeCloseTo(-50_000, 6);
  });
  it('from a float alone: as much longer as there is to be more of it', () => {
    // 9 thou read, 1 to 3 of preload wanted: 11 off
    expect(spacerFromTrials({ trials: [{ length: mm(60), gap: thou(9) }], limits: { min: thou(-3), max: thou(-1) } })).toMatchObject({
      change: thou(-11),
      window: { min: nanometres(mm(60) - thou(12)), max: nanometres(mm(60) - thou(10)) },
    });
  });
  it('from a float and a drag: the drag begins where the float ends, and it says so', () => {
    // float gone at 59.95; 0.05 shorter still dragged 1: 1.5 wanted is 0.025 off that
    const found = spacerFromTrials({ trials: [{ length: mm(60), gap: mm(0.05) }, at(59.9, 1)], limits: { min: 1.2, max: 1.8 } });
    expect(found.change).toBe(mm(-0.025));
    expect(found.cautions.map(({ code }) => code)).toEqual(['fromFloat']);
  });
  it('far beyond what was tried says to go half of the way', () =>
    expect(spacerFromTrials({ trials: [at(60, 0.6), at(59.95, 0.8)], limits: { min: 1.4, max: 2 } }).cautions.map(({ code }) => code)).toEqual([
      'beyondTrials',
    ]));
  it('wants two lengths, and refuses what goes the wrong way', () => {
    const limits = { min: 1.4, max: 2 };
    expect(refusalOf(() => spacerFromTrials({ trials: [], limits }))).toBe('tooFewTrials');
    expect(refusalOf(() => spacerFromTrials({ trials: [at(60, 0.6)], limits }))).toBe('tooFewTrials');
    expect(refusalOf(() => spacerFromTrials({ trials: [at(60, 0.6), at(60.05, 1.6)], limits }))).toBe('wrongWay');
    expect(refusalOf(() => spacerFromTrials({ trials: [at(60, 0.6)], limits: { min: 2, max: 1 } }))).toBe('noWindow');
  });
  it('shows its trials, what is wanted, and how much to take off', () =>
    expect(spacerFromTrialsSum({ trials: [at(60, 0.6), at(59.95, 1.6)], limits: { min: 1.4, max: 2 } }).map(({ label }) => label)).toEqual([
      'spacer',
      'drag with it',
      'spacer',
      'drag with it',
      'wanted',
      'take off',
    ]));
});

describe('a drag held against its limits', () => {
  const at = (value: number, u = 0.01): ReturnType<typeof dragVerdict> => dragVerdict(reading(value, u), { min: 2, max: 2.7 });
  it('too little is loose, too much is tight, and on either limit is in', () => {
    expect([at(1.6).place, at(2, 0).place, at(2.7, 0).place, at(2.9).place]).toEqual(['loose', 'in', 'in', 'tight']);
    // 24 lbf·in come to the same in either unit, though no whole number says so
    const most = convertTorque(24, 'lbf·in', 'N·m');
    expect(dragVerdict(reading(convertTorque(2, 'lbf·ft', 'N·m')), { max: most }).place).toBe('in');
  });
  it('a lone most is a ceiling, and a lone least a floor', () => {
    expect(dragVerdict(reading(0, 0.01), { max: 3 }).place).toBe('in');
    expect(dragVerdict(reading(3.2, 0.01), { max: 3 }).place).toBe('tight');
    expect(dragVerdict(reading(1, 0.01), { min: 1.5 }).place).toBe('loose');
  });
  it('says in its own unit why it cannot be sure', () => {
    const coarse = dragVerdict(reading(2.6, 0.3), { min: 2, max: 2.7 }, { unit: 'lbf·in' });
    expect(coarse.sure).toBe('cannotTell');
    expect(coarse.because).toContain('lbf·in');
    expect(dragVerdict({ kind: 'atLeast', value: 2.2 }, { min: 2, max: 2.7 }).because).toContain('At least 2.20 N·m');
  });
});
