import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { inch, mm, nanometres, thou, ZERO, type Length } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import { MATERIALS, type Material } from '../material/index.ts';
import { bushRenewal, bushRenewalSum, hotInterference, pressFit, pressFitSum, type PressFitQuestion } from './index.ts';

const micrometres = (value: number): Length => mm(value / 1000);
const material = (name: string): Material => MATERIALS.find((m) => m.name === name) as Material;

const BUSH: PressFitQuestion = {
  diameter: mm(28.575),
  length: mm(30),
  interference: mm(0.04),
  hubOuter: mm(60),
  shaftInner: mm(25.4),
  hubMaterial: { modulus: 100, poisson: 0.25, strength: 200, isBrittle: true },
  shaftMaterial: { modulus: 110, poisson: 0.34, strength: 125 },
  friction: 0.12,
};

describe('a press fit', () => {
  // checks/fits-press.csv: thick cylinders in closed form, confirmed by finite differences
  const rows = readFileSync(new URL('../../checks/fits-press.csv', import.meta.url), 'utf8')
    .split(/\r?\n/)
    .filter((line) => line !== '' && !line.startsWith('#') && !line.startsWith('case,'))
    .map((line) => {
      const [, name = '', rest = ''] = /^("[^"]*"|[^,]*),(.*)$/.exec(line) ?? [];
      return { name: name.replace(/"/g, ''), figures: rest.split(',').map(Number) };
    });
  it('has its dozen check rows', () => expect(rows).toHaveLength(12));
  it.each(rows)('of $name is as the check list has it', ({ figures }) => {
    const [d, L, delta, D, i, hubE, hubNu, shaftE, shaftNu, mu, rzHub, rzShaft, effective, pressure, force, torque, hoop, inner, closeIn] =
      figures as [number, ...number[]] & Record<number, number>;
    const fit = pressFit({
      diameter: mm(d),
      length: mm(L as number),
      interference: mm(delta as number),
      hubOuter: mm(D as number),
      shaftInner: mm(i as number),
      hubMaterial: { modulus: hubE as number, poisson: hubNu as number, strength: 1e4 },
      shaftMaterial: { modulus: shaftE as number, poisson: shaftNu as number, strength: 1e4 },
      friction: mu as number,
      roughness: { hub: micrometres(rzHub as number), shaft: micrometres(rzShaft as number) },
    });
    // written to four or five figures
    expect(fit.effectiveInterference / 1e6).toBeCloseTo(effective as number, 5);
    expect(Math.abs(fit.pressure / (pressure as number) - 1)).toBeLessThan(3e-5);
    expect(Math.abs(fit.force / (force as number) - 1)).toBeLessThan(3e-5);
    expect(Math.abs(fit.torque / (torque as number) - 1)).toBeLessThan(3e-5);
    expect(fit.hubHoopStress).toBeCloseTo(hoop as number, 2);
    expect(fit.innerHoopStress).toBeCloseTo(inner as number, 2);
    expect(fit.closeIn / 1e6).toBeCloseTo(closeIn as number, 4.3);
    expect(fit.cautions).toEqual([]);
  });
  it('says where the bush yields: its force is the most and its close-in the least', () => {
    expect(pressFit(BUSH).cautions.map((c) => c.code)).toEqual(['innerYields']);
    expect(pressFit({ ...BUSH, roughness: { hub: micrometres(6.3), shaft: micrometres(6.3) } }).cautions).toEqual([]);
  });
  it('judges iron by its hoop stress and what is ductile by Tresca', () => {
    // p 56.64, hub 38/76: hoop 94.4, Tresca 2·p·D²/(D² − d²) = 151.05
    const gear = {
      ...BUSH,
      diameter: mm(38),
      length: mm(40),
      interference: mm(0.028),
      hubOuter: mm(76),
      shaftInner: ZERO,
      shaftMaterial: { modulus: 205, poisson: 0.29, strength: 1e4 },
    };
    const hub = (strength: number, isBrittle: boolean): string[] =>
      pressFit({ ...gear, hubMaterial: { modulus: 205, poisson: 0.29, strength, isBrittle } }).cautions.map((c) => c.code);
    expect(hub(151, false)).toEqual(['hubYields']);
    expect(hub(151.2, false)).toEqual([]);
    expect(hub(94.5, true)).toEqual([]);
    expect(hub(94.3, true)).toEqual(['hubCracks']);
  });
  it('whose peaks are flat before it grips is loose, and everything of it nothing', () => {
    const loose = pressFit({ ...BUSH, interference: mm(0.01), roughness: { hub: micrometres(6.3), shaft: micrometres(6.3) } });
    expect(loose).toMatchObject({ pressure: 0, force: 0, torque: 0, hubHoopStress: 0, innerHoopStress: 0, closeIn: 0 });
    expect(loose.cautions.map((c) => c.code)).toEqual(['loose']);
  });
  it('is refused where the joint does not lie between bore and outside', () => {
    expect(refusalOf(() => pressFit({ ...BUSH, hubOuter: mm(28) }))).toBe('notASize');
    expect(refusalOf(() => pressFit({ ...BUSH, shaftInner: mm(29) }))).toBe('notASize');
    expect(refusalOf(() => pressFit({ ...BUSH, friction: 0 }))).toBe('notAMaterial');
  });
  it('has a sum that ends where it does', () => {
    const sum = pressFitSum({ ...BUSH, roughness: { hub: micrometres(6.3), shaft: micrometres(6.3) } });
    expect(sum.find((l) => l.label === 'peaks pressed flat')?.value).toBeCloseTo(10_080, 0);
    expect(sum.at(-1)?.value).toBe(pressFit({ ...BUSH, roughness: { hub: micrometres(6.3), shaft: micrometres(6.3) } }).closeIn);
  });
});

describe('a bush put anew', () => {
  // by hand: 28.575 in 28.535 is 0.040 tight; it closes 0.0332; 25.400 − 0.0332 = 25.3668; a journal of 25.370 with 0.04 to 0.06: 25.410 to 25.430
  const question = {
    housing: { bore: mm(28.535), outer: mm(60), material: material('grey cast iron') },
    bush: { outside: mm(28.575), bore: mm(25.4), length: mm(30), material: material('phosphor bronze') },
    journal: mm(25.37),
    clearance: { min: mm(0.04), max: mm(0.06) },
  };
  it('is bored, pressed, closed in, and reamed to the journal and its clearance', () => {
    const renewal = bushRenewal(question);
    expect(renewal.interference).toBe(mm(0.04));
    expect(renewal.reamTo).toEqual({ min: mm(25.41), max: mm(25.43) });
    expect(renewal.pressedBore).toBe(mm(25.4) - renewal.press.closeIn);
    // another iron than that of the design: 105 GPa, and a joint 0.04 smaller
    expect(renewal.press.closeIn / 1e6).toBeCloseTo(0.0337, 3);
    expect(renewal.toReam.least).toBe(mm(25.41) - renewal.pressedBore);
    expect(renewal.cautions.map((c) => c.code)).toEqual(['littleToReam', 'looseAbrasive']);
  });
  it('does the same in thou', () => {
    // journal 0.9988, 1½ to 2½ thou: 1.0003 to 1.0013
    const inches = bushRenewal({
      ...question,
      housing: { ...question.housing, bore: inch(1.1235), outer: inch(2.36) },
      bush: { ...question.bush, outside: inch(1.125), bore: inch(0.99), length: inch(1.18) },
      journal: inch(0.9988),
      clearance: { min: thou(1.5), max: thou(2.5) },
    });
    expect(inches.interference).toBe(thou(1.5));
    expect(inches.reamTo).toEqual({ min: inch(1.0003), max: inch(1.0013) });
    expect(inches.cautions.map((c) => c.code)).toEqual(['looseAbrasive']);
  });
  it('says where its bore is too big once it is in, and where a reamer has too much to do', () => {
    const codes = (bore: number): string[] => bushRenewal({ ...question, bush: { ...question.bush, bore: mm(bore) } }).cautions.map((c) => c.code);
    expect(codes(25.5)).toContain('tooBig');
    expect(codes(24.9)).toContain('muchToReam');
    expect(codes(25.3)).toEqual(['looseAbrasive']);
  });
  it('refuses a clearance that goes backwards', () =>
    expect(refusalOf(() => bushRenewal({ ...question, clearance: { min: mm(0.06), max: mm(0.04) } }))).toBe('badClearance'));
  it('has a sum of every figure in it', () => {
    const renewal = bushRenewal(question);
    expect(bushRenewalSum(question).map((l) => l.value)).toEqual([
      mm(28.575),
      mm(28.535),
      mm(0.04),
      mm(25.4),
      renewal.press.closeIn,
      renewal.pressedBore,
      mm(25.37),
      mm(25.41),
      mm(25.43),
    ]);
  });
});

describe('an interference at working heat', () => {
  const cup = {
    diameter: mm(62),
    interference: mm(0.03),
    ambient: 20,
    outer: { expansion: 23, temperature: 80 },
    inner: { expansion: 11.5, temperature: 80 },
  };
  // reckoning.md 4: 62 mm steel cup in aluminium, δ 0.030, +60 K: −0.0128; grip ends at 62 °C
  it('of a cup in aluminium is gone at 62 °C', () => {
    const { interference, looseAbove } = hotInterference(cup);
    expect(interference / 1e6).toBeCloseTo(-0.0128, 4);
    expect(looseAbove).toBeCloseTo(62.1, 1);
    // and just there nothing is left
    const there = hotInterference({
      ...cup,
      outer: { ...cup.outer, temperature: looseAbove as number },
      inner: { ...cup.inner, temperature: looseAbove as number },
    });
    expect(Math.abs(there.interference)).toBeLessThanOrEqual(1);
  });
  it('of a bush in iron only grows: it is loose above no temperature', () => {
    const bronze = hotInterference({ ...cup, outer: { expansion: 10.5, temperature: 80 }, inner: { expansion: 18, temperature: 80 } });
    expect(bronze.looseAbove).toBeNull();
    expect(bronze.interference).toBeGreaterThan(cup.interference);
  });
  it('whose peaks are flat was loose cold', () =>
    expect(hotInterference({ ...cup, interference: nanometres(5000), roughness: { hub: micrometres(6), shaft: micrometres(6) } })).toEqual({
      interference: 0,
      looseAbove: 20,
    }));
});
