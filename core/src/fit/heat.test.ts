import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { mm, ZERO } from '../quantity/index.ts';
import { meanExpansion } from '../material/index.ts';
import { refusalOf } from '../testing.ts';
import {
  CEILINGS,
  dewPoint,
  exchangeHeat,
  HEATED_KINDS,
  heatCeiling,
  heatToFit,
  heatToFitSum,
  overCeiling,
  timeInHand,
  type HeatToFitQuestion,
  type TimeInHandQuestion,
} from './index.ts';

describe('two bodies that cool', () => {
  // checks/transient.csv: closed forms, confirmed by small steps
  const rows = readFileSync(new URL('../../checks/transient.csv', import.meta.url), 'utf8')
    .split(/\r?\n/)
    .filter((line) => line !== '' && !line.startsWith('#') && !line.startsWith('case,'))
    .map((line) => {
      const [, name = '', rest = ''] = /^("[^"]*"|[^,]*),(.*)$/.exec(line) ?? [];
      return { name, figures: rest.split(',').map(Number) };
    });
  it('have their eight check rows', () => expect(rows).toHaveLength(8));
  it.each(rows)('are as the check list has them: $name', ({ figures }) => {
    const [c1, t1, c2, t2, h1, h2, conductance, ambient, seconds, one, other] = figures as [
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
      number,
    ];
    const after = exchangeHeat(
      { capacity: c1, hA: h1, temperature: t1 },
      { capacity: c2 || 1, hA: h2, temperature: c2 ? t2 : ambient },
      { conductance, ambient, seconds },
    );
    expect(after[0]).toBeCloseTo(one, 3);
    if (c2) expect(after[1]).toBeCloseTo(other, 3);
  });
  it('lose what the air takes: the heat balance holds, by small steps beside it', () => {
    const [one, other] = [
      { capacity: 700, hA: 1.3, temperature: 110 },
      { capacity: 90, hA: 0.4, temperature: -30 },
    ];
    const [conductance, ambient] = [6, 18];
    let [x, y, given] = [one.temperature, other.temperature, 0];
    const dt = 0.005;
    for (let t = 0; t < 60; t += dt) {
      // the middle of each step: what goes over, and what is lost
      const rates = (p: number, q: number): [number, number] => [
        (-one.hA * (p - ambient) - conductance * (p - q)) / one.capacity,
        (-other.hA * (q - ambient) + conductance * (p - q)) / other.capacity,
      ];
      const [half1, half2] = rates(x, y);
      const [xm, ym] = [x + (half1 * dt) / 2, y + (half2 * dt) / 2];
      const [r1, r2] = rates(xm, ym);
      given += dt * (one.hA * (xm - ambient) + other.hA * (ym - ambient));
      [x, y] = [x + r1 * dt, y + r2 * dt];
    }
    const [p, q] = exchangeHeat(one, other, { conductance, ambient, seconds: 60 });
    expect(p).toBeCloseTo(x, 3);
    expect(q).toBeCloseTo(y, 3);
    expect(one.capacity * (110 - p) + other.capacity * (-30 - q)).toBeCloseTo(given, 1);
  });
  it('that are alike and touch not differ in nothing: both rates are one', () =>
    expect(
      exchangeHeat(
        { capacity: 90, hA: 0.18, temperature: 80 },
        { capacity: 90, hA: 0.18, temperature: 80 },
        { conductance: 0, ambient: 20, seconds: 30 },
      ),
    ).toEqual([expect.closeTo(76.5059, 4), expect.closeTo(76.5059, 4)]));
});

describe('a part that is heated for a fit', () => {
  const cup: HeatToFitQuestion = {
    diameter: mm(62),
    interference: mm(0.045),
    ease: mm(0.02),
    ambient: 20,
    outer: { expansion: 23, kind: 'aluminium' },
    inner: { expansion: 11.9, kind: 'rollingBearing' },
  };
  // reckoning.md 4: 65.6 °C; common practice: 60 to 70 °C and a cup drops in
  it('of aluminium takes a cup at 65.6 °C', () => {
    expect(heatToFit(cup).temperature).toBeCloseTo(65.6, 1);
    expect(heatToFit(cup)).toMatchObject({ ceiling: 120, overCeiling: false });
    expect(heatToFit(cup).cautions.map((c) => c.code)).toEqual(['burns', 'evenly']);
  });
  it('need be less hot for a cup that is chilled', () => {
    // 62·11.9e-6·0.9·98 mm = 0.0651: all of it, but for 0.0001
    const chilled = heatToFit({ ...cup, inner: { ...cup.inner, temperature: -78 } });
    expect(chilled.temperature).toBeCloseTo(20, 0);
    expect(chilled.cautions.map((c) => c.code)).toContain('sweats');
    expect(chilled.cautions.map((c) => c.code)).toContain('coldBurns');
    expect(heatToFit({ ...cup, inner: { ...cup.inner, temperature: -190 } }).cautions.map((c) => c.code)).toContain('nitrogenCracks');
  });
  it('past its ceiling says so, and how cold the other would have to be', () => {
    // iron: 0.065 ÷ (62·10.5e-6) = 99.8 K: within 200; a gear of the same at 150 − 20 = 130 K is not enough for 0.10
    const gear = heatToFit({ ...cup, interference: mm(0.08), outer: { expansion: 11.6, kind: 'caseHardened' } });
    expect(gear.temperature).toBeCloseTo(20 + 0.1 / (62 * 11.6e-6), 3);
    expect(gear.overCeiling).toBe(true);
    expect(gear.cautions.map((c) => c.code).slice(0, 2)).toEqual(['overCeiling', 'askLess']);
    // at 150 it grows 62·11.6e-6·130 = 0.0935; the inner must shrink 0.0065: at 0.986 of its expansion, 8.9 K
    const shrunk = 62 * meanExpansion(11.9, gear.chillTo as number) * 1e-6 * (20 - (gear.chillTo as number));
    expect(shrunk).toBeCloseTo(0.1 - 0.093496, 4);
  });
  it('that no cold would fit says so', () =>
    expect(heatToFit({ ...cup, interference: mm(0.5), outer: { expansion: 11.6, kind: 'sealedBearing' } }).chillTo).toBeNull());
  it('drops in as it is where it is loose', () => {
    const loose = heatToFit({ ...cup, interference: mm(-0.05) });
    expect(loose.temperature).toBe(20);
    expect(loose.cautions.map((c) => c.code)).toEqual(['dropsIn']);
  });
  it('is told of by the way it is warmed, and by what it is', () => {
    const codes = (more: Partial<HeatToFitQuestion>): string[] => heatToFit({ ...cup, ...more }).cautions.map((c) => c.code);
    expect(codes({ heating: 'oilBath' })).toContain('oilBath');
    expect(codes({ heating: 'hotPlate' })).toContain('hotPlate');
    expect(codes({ heating: 'hotWater' })).not.toContain('onlyBoiling');
    expect(codes({ heating: 'hotWater', interference: mm(0.12) })).toContain('onlyBoiling');
    expect(codes({ outer: { expansion: 26, kind: 'magnesium' } })).toContain('magnesium');
  });
  it('refuses what is no workshop', () => {
    expect(refusalOf(() => heatToFit({ ...cup, ambient: 200 }))).toBe('notATemperature');
    expect(refusalOf(() => heatToFit({ ...cup, diameter: ZERO }))).toBe('notASize');
  });
  it('has a sum that says what it must grow by', () =>
    expect(heatToFitSum(cup).map((l) => Math.round(l.value))).toEqual([45_000, 20_000, 65_000, 66]));
});

describe('ceilings', () => {
  it('are the lowest of what is warmed together', () => {
    expect(heatCeiling(['aluminium', 'lipSeal'])).toMatchObject({ kind: 'lipSeal', celsius: 100 });
    expect(heatCeiling([])).toMatchObject({ kind: 'plain', celsius: 200 });
  });
  it('are passed above them and not on them', () => {
    for (const kind of HEATED_KINDS) {
      expect(overCeiling(CEILINGS[kind].celsius, [kind])).toBeNull();
      expect(overCeiling(CEILINGS[kind].celsius + 0.1, [kind])?.code).toBe('overCeiling');
    }
  });
  // reckoning.md 4: sealed bearing 80, lip seal 100, nylon cage, aluminium and retaining compound 120 °C, rolling bearing 120
  it('are as the trade has them', () =>
    expect(
      [CEILINGS.sealedBearing, CEILINGS.lipSeal, CEILINGS.nylonCage, CEILINGS.aluminium, CEILINGS.retainer, CEILINGS.rollingBearing].map(
        (c) => c.celsius,
      ),
    ).toEqual([80, 100, 120, 120, 120, 120]));
});

describe('the mean expansion in the cold', () => {
  // reckoning.md 4, from memory there: × 0.9 to −78 °C, × 0.78 to −196 °C
  it('is less, the colder', () => {
    expect([20, -29, -78, -137, -196, 100].map((t) => meanExpansion(10, t))).toEqual([10, 9.5, 9, 8.4, 7.8, 10].map((x) => expect.closeTo(x, 9)));
    expect(refusalOf(() => meanExpansion(10, -197))).toBe('notATemperature');
  });
});

describe('the dew point', () => {
  // second route: at the dew point the air is as full as it is now: e(dew) = share · e(air), by the same formula turned about
  it.each([
    [20, 50],
    [5, 90],
    [30, 20],
    [20, 100],
  ])('of air at %p °C and %p %%', (air, humidity) => {
    const full = (t: number): number => Math.exp((17.62 * t) / (243.12 + t));
    expect(full(dewPoint({ air, humidity })) / full(air)).toBeCloseTo(humidity / 100, 9);
  });
  it('is 9.3 °C at 20 °C and half', () => expect(dewPoint({ air: 20, humidity: 50 })).toBeCloseTo(9.3, 1));
  it('is refused where there is no water', () => expect(refusalOf(() => dewPoint({ air: 20, humidity: 0 }))).toBe('notAir'));
});

describe('the seconds in hand', () => {
  const question: TimeInHandQuestion = {
    diameter: mm(62),
    length: mm(18),
    interference: mm(0.03),
    ambient: 20,
    outer: { capacity: 2700, hA: 1.2, temperature: 100, expansion: 22 },
    inner: { capacity: 90, hA: 0.05, temperature: 20, expansion: 12 },
  };
  it('while it is carried are those of Newton’s law alone', () => {
    // shut when 62·22e-6·(T − 20) = 0.030 (but for a five hundredth of the room): T = 42.0; t = −C/hA·ln((T − 20)/80)
    const start = 62 * 22e-6 * 80 - 0.03;
    const end = 20 + (0.03 + start * 0.002) / (62 * 22e-6);
    const seconds = (-2700 / 1.2) * Math.log((end - 20) / 80);
    expect(timeInHand(question).inAir as number).toBeCloseTo(seconds, 0);
  });
  it('once a gear is on its shaft are few: as a plain march of small steps has it too', () => {
    const gear: TimeInHandQuestion = {
      diameter: mm(38),
      length: mm(40),
      interference: mm(0.03),
      ambient: 20,
      outer: { capacity: 900, hA: 0.4, temperature: 150, expansion: 11.6 },
      inner: { capacity: 700, hA: 0.3, temperature: 20, expansion: 11.7 },
    };
    let [hot, cold, t] = [150, 20, 0];
    const room = (): number => 38 * 11.6e-6 * (hot - 20) - 38 * 11.7e-6 * (cold - 20) - 0.03;
    const start = room();
    const dt = 1e-4;
    while (room() > start * 0.002 && t < 600) {
      const g = (0.028 * Math.PI * 0.038 * 0.04) / ((room() * 1e-3) / 2);
      const over = g * (hot - cold);
      hot += (dt * (-0.4 * (hot - 20) - over)) / 900;
      cold += (dt * (-0.3 * (cold - 20) + over)) / 700;
      t += dt;
    }
    const { inBore, inAir } = timeInHand(gear);
    expect(Math.abs((inBore as number) - t) / t).toBeLessThan(0.02);
    expect(inBore as number).toBeLessThan((inAir as number) / 10);
  });
  it('of a case that grows more than what goes in are minutes in the bore too: while both are warm it holds it off', () => {
    expect(timeInHand(question).inBore as number).toBeGreaterThan(60);
    expect(timeInHand(question).inBore as number).toBeLessThan(timeInHand(question).inAir as number);
  });
  it('are none where there is no room to begin with', () => {
    const tight = timeInHand({ ...question, interference: mm(0.2) });
    expect([tight.inAir, tight.inBore]).toEqual([0, 0]);
    expect(tight.curve).toHaveLength(1);
  });
  it('are without end where it is loose cold', () => {
    const loose = timeInHand({ ...question, interference: mm(-0.05) });
    expect([loose.inAir, loose.inBore]).toEqual([null, null]);
  });
  it('come with curves that only cool, and keep the heat that the air does not take', () => {
    const insulated = timeInHand({ ...question, outer: { ...question.outer, hA: 0 }, inner: { ...question.inner, hA: 0 } });
    for (const { outer, inner } of insulated.entering) expect(2700 * (100 - outer)).toBeCloseTo(90 * (inner - 20), 4);
    const { curve, entering } = timeInHand(question);
    for (const line of [curve, entering]) {
      expect(line.every((m, i) => i === 0 || (m.t > (line[i - 1]?.t ?? 0) && m.clearance <= (line[i - 1]?.clearance ?? 0)))).toBe(true);
      expect(line.every((m, i) => i === 0 || m.outer <= (line[i - 1]?.outer ?? 0))).toBe(true);
    }
  });
  it('refuse what has no size and no weight', () => {
    expect(refusalOf(() => timeInHand({ ...question, length: ZERO }))).toBe('notASize');
    expect(refusalOf(() => timeInHand({ ...question, inner: { ...question.inner, capacity: 0 } }))).toBe('notABody');
  });
});
