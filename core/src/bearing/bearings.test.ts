import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { parse } from 'papaparse';
import { mm } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import { BEARINGS, bearingFits, bearingNamed, identifyBearing, isOneDigitApart, standingChange, standingChangeSum } from './index.ts';

interface Row {
  readonly designation: string;
  readonly family: string;
  readonly bore_mm: string;
  readonly outside_mm: string;
  readonly width_mm: string;
  readonly T_mm: string;
  readonly B_mm: string;
  readonly C_mm: string;
}
const text = readFileSync(new URL('../../checks/bearings.csv', import.meta.url), 'utf8').replace(/^#.*\r?\n/gm, '');
const rows = parse<Row>(text, { header: true, skipEmptyLines: true }).data;

describe('bearings by their sizes', () => {
  // checks/bearings.csv: from memory of catalogue and dimension-plan tables, 115 cross-checks
  it('are those of the check list, every row of it', () => {
    expect(rows.length).toBeGreaterThan(270);
    expect(BEARINGS.map(({ designation }) => designation)).toEqual(rows.map(({ designation }) => designation));
    for (const [i, row] of rows.entries()) {
      const { bore, outside, width, stand } = BEARINGS[i] as (typeof BEARINGS)[number];
      expect([row.designation, bore, outside, width]).toEqual([
        row.designation,
        mm(Number(row.bore_mm)),
        mm(Number(row.outside_mm)),
        mm(Number(row.width_mm)),
      ]);
      if (row.T_mm !== '')
        expect(stand).toEqual({ T: mm(Number(row.T_mm)), B: mm(Number(row.B_mm)), C: row.C_mm === '' ? null : mm(Number(row.C_mm)) });
    }
  });
  it('are named from bore, outside and width, every one of them, a hundredth off each', () => {
    for (const { designation, bore_mm, outside_mm, width_mm, T_mm } of rows) {
      const found = identifyBearing({
        bore: mm(Number(bore_mm) - 0.01),
        outside: mm(Number(outside_mm) - 0.01),
        width: mm(Number(width_mm) + 0.01),
        ...(T_mm === '' ? {} : { measured: 'T' }),
      });
      expect(found.map(({ name }) => name)).toContain(designation);
    }
  });
  it('that share their sizes are all named, by cone or cup where that tells them apart', () => {
    const at = (measured: 'T' | 'B' | 'C', width: number): string[] =>
      identifyBearing({ bore: mm(35), outside: mm(80), width: mm(width), measured }).map(({ name }) => name);
    expect(at('T', 22.75)).toEqual(['30307', '31307']);
    const [flat, steep] = ['30307', '31307'].map((name) => BEARINGS.find(({ designation }) => designation === name)?.stand?.C ?? 0);
    expect(flat).not.toBe(steep);
    expect(at('C', (flat ?? 0) / 1e6)).toEqual(['30307']);
    // boundary sizes do not tell the type
    expect(identifyBearing({ bore: mm(20), outside: mm(47), width: mm(14) }).map(({ name }) => name)).toEqual(['6204', 'NU204']);
  });
  it('that are like it in two of three sizes are near', () => {
    const near = bearingFits({ bore: mm(35), outside: mm(72), width: mm(17) }).near;
    expect(near).toContainEqual(expect.objectContaining({ name: '32207', why: 'otherWidth' }));
    expect(bearingFits({ bore: mm(20), outside: mm(47), width: mm(14) }).near[0]).toMatchObject({ name: 'NU204', why: 'same' });
    expect(bearingFits({ bore: mm(35), outside: mm(72) }).near.map(({ why }) => why)).toEqual(['same']);
  });
  it('are found by their number, with what makers add to it', () => {
    expect(bearingNamed('32207')?.bore).toBe(mm(35));
    expect(bearingNamed('6204-2RS')?.designation).toBe('6204');
    expect(bearingNamed('nk 19/16')?.designation).toBe('NK19/16');
    expect(bearingNamed('none of ours')).toBeUndefined();
  });
  it('whose numbers differ in one figure are queried', () => {
    expect(isOneDigitApart('30307', '31307')).toBe(true);
    expect(isOneDigitApart('32207', '3 2208')).toBe(true);
    expect(isOneDigitApart('32207', '32207')).toBe(false);
    expect(isOneDigitApart('32207', '30208')).toBe(false);
    expect(isOneDigitApart('6204', '62042')).toBe(false);
  });
  it('have an outside that is more than their bore', () =>
    expect(refusalOf(() => identifyBearing({ bore: mm(40), outside: mm(30) }))).toBe('notASize'));
});

describe('another bearing that stands higher', () => {
  it('closes the float by what it is higher, in both arrangements; each pack makes up for it its own way', () => {
    const of = (arrangement: 'faceToFace' | 'backToBack'): Record<string, number> =>
      Object.fromEntries(standingChange({ then: mm(19.25), now: mm(19.33), arrangement }).packs.map(({ place, by }) => [place, by / 1e6]));
    // face to face: behind a cup thinner, under the cover thicker; back to back: between the cones thicker
    expect(of('faceToFace')).toMatchObject({ behindCup: -0.08, underCover: 0.08, betweenCups: 0.08, betweenCones: -0.08 });
    expect(of('backToBack')).toMatchObject({ betweenCones: 0.08, behindCup: -0.08, betweenCups: -0.08 });
    expect(of('backToBack')).not.toHaveProperty('behindCone');
    expect(of('backToBack')).not.toHaveProperty('underCover');
    expect(standingChange({ then: mm(20), now: mm(19.9), arrangement: 'faceToFace' }).closes).toBe(mm(-0.1));
  });
  it('is measured, both of them', () => {
    expect(refusalOf(() => standingChange({ then: mm(0), now: mm(19), arrangement: 'faceToFace' }))).toBe('notASize');
    expect(standingChangeSum({ then: mm(19.25), now: mm(19.33), arrangement: 'faceToFace' }).at(-1)?.value).toBe(mm(0.08));
  });
});
