import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { parse } from 'papaparse';
import { inch, mm, nanometres, thou } from '../quantity/index.ts';
import { refusalOf } from '../testing.ts';
import {
  type DRESSINGS,
  GRADES,
  identifyThread,
  minorDiameter,
  nearTo,
  pitchDiameter,
  spannerFor,
  startingTorque,
  stressArea,
  tappingDrill,
  threadDepth,
  threadFits,
  threadNamed,
  threadsNamed,
  THREADS,
  type Thread,
} from './index.ts';

interface Row {
  readonly series: string;
  readonly name: string;
  readonly major_mm: string;
  readonly pitch_mm: string;
  readonly tpi: string;
  readonly flank_angle_deg: string;
  readonly tapping_drill_mm: string;
}
const file = readFileSync(new URL('../../checks/threads.csv', import.meta.url), 'utf8');
const rows = parse<Row>(file.replace(/^#.*\r?\n/gm, ''), { header: true, skipEmptyLines: true }).data;
const named = (name: string): Thread => THREADS.find((thread) => thread.name === name) as Thread;

/** What the head of the check list says of sizes that are the same, and of near ones: "1/8 BSW = 1/8 BSC = No. 5-40 UNC". */
const said = (what: string): string[] => (new RegExp(`^# ${what}[^:]*: (.+)$`, 'm').exec(file)?.[1] ?? '').split('; ');

describe('threads', () => {
  // checks/threads.csv: from memory of the tables of BS 84, BS 93, ISO 228-1, BS 811, ASME B1.1, ISO 261 and others, cross-checked
  it('are those of the check list, every row of it, to a tenth of a micron', () => {
    expect(rows.length).toBe(217);
    expect(new Set(rows.map(({ series }) => series)).size).toBeGreaterThanOrEqual(8);
    for (const [i, row] of rows.entries()) {
      const thread = THREADS[i] as Thread;
      expect([thread.series, thread.name, thread.major, thread.angle, thread.tpi]).toEqual([
        row.series,
        row.name,
        mm(Number(row.major_mm)),
        Number(row.flank_angle_deg),
        row.tpi === '' ? null : Number(row.tpi),
      ]);
      expect(Math.abs(thread.pitch - Number(row.pitch_mm) * 1e6)).toBeLessThanOrEqual(1);
      expect(thread.drill).toBe(row.tapping_drill_mm === '' ? null : mm(Number(row.tapping_drill_mm)));
    }
  });
  it('are named from what is measured of them: new, worn, and by their angle, every one', () => {
    for (const thread of THREADS) {
      const pitch = thread.tpi === null ? { pitch: thread.pitch } : { tpi: thread.tpi };
      const worn = nanometres(thread.major - 0.08 * thread.pitch);
      for (const major of [thread.major, worn]) expect(identifyThread({ major, ...pitch }).map(({ name }) => name)).toContain(thread.name);
      const [best] = identifyThread({ major: thread.major, ...pitch, angle: thread.angle });
      expect([thread.name, best?.residual]).toEqual([thread.name, 0]);
      expect([thread.name, best?.row.pitch === thread.pitch || best?.row.major === thread.major]).toEqual([thread.name, true]);
    }
  });
  it('are named from a tapped hole, opened a tenth of its thread, every one', () => {
    for (const thread of THREADS) {
      const minorOfHole = nanometres(minorDiameter(thread) + 0.1 * threadDepth(thread));
      const pitch = thread.tpi === null ? { pitch: thread.pitch } : { tpi: thread.tpi };
      expect(identifyThread({ minorOfHole, ...pitch }).map(({ name }) => name)).toContain(thread.name);
    }
  });
  it.each(said('same major and pitch'))('that are the same are all named: %s', (line) => {
    const names = line.split(' = ').map((name) => [name, named(name)] as const);
    for (const [name, thread] of names) {
      if (!thread) continue;
      const { fits } = threadFits({ major: thread.major, ...(thread.tpi === null ? { pitch: thread.pitch } : { tpi: thread.tpi }) });
      const equal = fits.filter(({ residual, row }) => residual === fits[0]?.residual && row.pitch === thread.pitch).map((fit) => fit.name);
      expect(equal).toEqual(expect.arrayContaining([name]));
      for (const [other, row] of names) if (row) expect(equal).toContain(other);
      for (const [other] of names) if (other !== name) expect(nearTo(thread)).toContainEqual(expect.objectContaining({ name: other, why: 'same' }));
    }
  });
  it.each([
    ['3/16 BSW', 'No. 10-24 UNC'],
    ['7/32 BSW', 'No. 12-24 UNC'],
    ['3/16 BSF', '2 BA'],
    ['3/16 BSF', 'No. 10-32 UNF'],
    ['3/16 BSC', '2 BA'],
    ['7/32 BSF', 'No. 12-28 UNF'],
    ['5 BA', 'No. 5-44 UNF'],
    ['6 BA', 'No. 4-48 UNF'],
    ['5/16 BSC', 'M8 x 1'],
  ])('that are near each other each know of the other: %s and %s', (one, other) => {
    expect(said('near misses').join(' ')).toContain(one);
    for (const [hole, bolt] of [
      [one, other],
      [other, one],
    ] as const) {
      const miss = nearTo(named(hole)).find(({ name }) => name === bolt);
      expect(miss?.why).toMatch(/startsThenBinds|runsHomeLoose|doesNotStart/);
    }
  });
  it('of equal pitch and less size run home loose; more does not start; another pitch binds', () => {
    expect(nearTo(named('No. 10-24 UNC')).find(({ name }) => name === '3/16 BSW')?.why).toBe('runsHomeLoose');
    expect(nearTo(named('3/16 BSW')).find(({ name }) => name === 'No. 10-24 UNC')?.why).toBe('doesNotStart');
    // 2½ thou too big
    expect(nearTo(named('5/16 BSF')).find(({ name }) => name === 'M8 x 1.25')?.why).toBe('doesNotStart');
    // No. 10-32 in a hole of 3/16 BSF is over; 2 BA in it is 0.0625 under: its pitch line is 4.7 − 0.6·0.81 = 4.214 against 4.7625 − 0.6403·0.79375 = 4.2542;
    // 0.0402 · tan 23.75° ÷ 0.01625 = 1.09: two turns, and one
    expect(nearTo(named('3/16 BSF')).find(({ name }) => name === '2 BA')).toMatchObject({ why: 'startsThenBinds', bindsAtTurn: 3 });
    // the pitch line of 5/16-24 is over that of 5/16 BSF: it binds at once
    expect(nearTo(named('5/16 BSF')).find(({ name }) => name === '5/16-24 UNF')).toMatchObject({ why: 'startsThenBinds', bindsAtTurn: 1 });
    // a bolt of another world is nobody's near miss
    expect(nearTo(named('M8 x 1.25')).map(({ name }) => name)).not.toContain('M6 x 1');
  });
  it('worn are under size, plated are not far over', () => {
    // 0.309 on 5/16: 3½ thou worn
    const [first] = identifyThread({ major: inch(0.309), tpi: 22 });
    expect(first).toMatchObject({ name: '5/16 BSF', residual: thou(-3.5) });
    expect(identifyThread({ major: nanometres(inch(0.3125) + mm(0.03)), tpi: 22 })[0]?.name).toBe('5/16 BSF');
    expect(identifyThread({ major: nanometres(inch(0.3125) + mm(0.1)), tpi: 22 })).toEqual([]);
    expect(identifyThread({ major: nanometres(inch(0.3125) - mm(1)), tpi: 22 })).toEqual([]);
  });
  it('with no size or pitch are refused', () => {
    expect(refusalOf(() => identifyThread({ major: mm(0), tpi: 22 }))).toBe('notASize');
    expect(refusalOf(() => identifyThread({ major: mm(8), tpi: 0 }))).toBe('notAPitch');
    expect(threadFits({ major: mm(100), tpi: 3 })).toEqual({ fits: [], near: [] });
  });
});

describe('a thread by its name', () => {
  it.each([
    ['5/16 BSF', '5/16 BSF'],
    ['5/16" bsf', '5/16 BSF'],
    ['M8', 'M8 x 1.25'],
    ['m8×1', 'M8 x 1'],
    ['1/2-13 UNC', '1/2-13 UNC'],
    ['2ba', '2 BA'],
    ['3/8 unf', '3/8-24 UNF'],
    ['3/8 24', '3/8-24 UNF'],
    ['3/8 20 tpi', '3/8 BSF'],
    ['.', undefined],
    ['1/2 unc', '1/2-13 UNC'],
    ['10-32', 'No. 10-32 UNF'],
    ['1 1/8 BSW', '1 1/8 BSW'],
    ['M10x1,25', 'M10 x 1.25'],
    ['10 x 1.25', 'M10 x 1.25'],
    ['1/8 NPT', '1/8-27 NPT'],
    ['No 10-32 unf', 'No. 10-32 UNF'],
    ['1/2 whit', '1/2 BSW'],
    ['1/2 Whitworth', '1/2 BSW'],
    ['3/8 CEI', '3/8 BSC'],
    ['M10 1.25', 'M10 x 1.25'],
    ['M12 x 1.25 left hand', 'M12 x 1.25'],
    ['3/8 BSF LH', '3/8 BSF'],
  ])('%s is %s', (typed, name) => expect(threadNamed(typed)?.name).toBe(name));
  it('of a size alone is any of that size', () => {
    const names = (typed: string): readonly string[] => threadsNamed(typed).map(({ name }) => name);
    expect(names('3/8')).toEqual(expect.arrayContaining(['3/8 BSW', '3/8 BSF', '3/8-16 UNC', '3/8-24 UNF']));
    expect(names('1/4 bsp')).toEqual(['G 1/4', 'R 1/4']);
    expect(names('10 mm')).toEqual(['M10 x 1.5', 'M10 x 1.25', 'M10 x 1']);
    expect(names('7/16 x 14')).toEqual(['7/16 BSW', '7/16-14 UNC']);
    expect(names('7/16 × 20')).toEqual(['7/16-20 UNF']);
    expect(names('3/8')).not.toContain('G 3/8');
    expect(names('11/16')).not.toContain('1 1/16 BSW');
  });
  it('every name is its own', () => {
    for (const thread of THREADS) expect(threadNamed(thread.name)).toBe(thread);
  });
  it.each(['', '5/16', 'left hand'])('%s is none', (typed) => expect(threadNamed(typed)).toBeUndefined());
});

describe('the form of a thread', () => {
  it('of 60° is that of a triangle cut off an eighth and a quarter', () => {
    const height = (1 / 2) * Math.tan(Math.PI / 3);
    // crest to pitch line: 2·(1/2 − 1/8)·H; crest to crest of the nut: 2·(1 − 1/8 − 1/4)·H
    expect((8e6 - pitchDiameter({ major: mm(8), pitch: mm(1), angle: 60 })) / 1e6).toBeCloseTo(2 * (3 / 8) * height, 5);
    expect(threadDepth({ pitch: mm(1), angle: 60 }) / 1e6).toBeCloseTo(2 * (5 / 8) * height, 5);
  });
  it('of 55° is that of a triangle cut off a sixth at either end', () => {
    const height = 1 / (2 * Math.tan((27.5 * Math.PI) / 180));
    expect(threadDepth({ pitch: mm(1), angle: 55 }) / 1e6).toBeCloseTo((2 * height * 2) / 3, 4);
    expect((8e6 - pitchDiameter({ major: mm(8), pitch: mm(1), angle: 55 })) / 1e6).toBeCloseTo((height * 2) / 3, 4);
  });
  it('carries on what is between pitch line and root', () => {
    // ISO 898-1, from memory: M8 36.6 mm², M10 58.0, M12 84.3, M16 157
    for (const [name, area] of [
      ['M8 x 1.25', 36.6],
      ['M10 x 1.5', 58],
      ['M12 x 1.75', 84.3],
      ['M16 x 2', 157],
    ] as const)
      expect(Math.abs(stressArea(named(name)) / area - 1)).toBeLessThan(0.003);
  });
});

describe('drills, spanners and a torque to begin from', () => {
  it('a drill leaves three quarters of the thread and more, and passes under its major', () => {
    for (const thread of THREADS) {
      const { size } = tappingDrill(thread);
      expect(size).toBeGreaterThan(minorDiameter(thread));
      const left = (thread.major - size) / threadDepth(thread);
      expect([thread.name, left > 0.6, left <= 1]).toEqual([thread.name, true, true]);
    }
    expect(tappingDrill(named('5/16 BSF'))).toEqual({ size: mm(6.8), isReckoned: false });
    expect(tappingDrill(named('11/16 BSF')).isReckoned).toBe(true);
  });
  it.each([
    ['5/16 BSF', '1/4 W', 0.525],
    ['1/4 BSW', '1/4 W', 0.525],
    ['1/2 BSF', '7/16 W', 0.82],
    ['2 BA', '2 BA', 0.324],
    ['3/8-24 UNF', '9/16 AF', 0.5625],
    ['1 1/8-7 UNC', null, null],
    ['M8 x 1', '13 mm', 13 / 25.4],
    ['G 1/4', null, null],
    ['M2 x 0.4', null, null],
    ['1/8 BSF', null, null],
  ] as const)('%s takes %s', (name, spanner, across) => {
    const thread = THREADS.find((row) => row.name === name) ?? { series: 'BSF' as const, name, major: mm(3.175) };
    const found = spannerFor(thread);
    expect(found?.name ?? null).toBe(spanner);
    if (across !== null) expect((found?.acrossFlats ?? 0) / 25.4e6).toBeCloseTo(across, 4);
  });
  it('starts from three quarters of the proof stress, and less the better it slides', () => {
    // 0.16 · 0.008 · 0.75 · 580 · 36.6 = 20.4 N·m
    expect(startingTorque(named('M8 x 1.25'), { grade: '8.8', dressing: 'oiled' })).toBeCloseTo(20.4, 1);
    const of = (dressing: keyof typeof DRESSINGS): number => startingTorque(named('3/8 BSF'), { grade: 'not marked', dressing });
    expect(of('anti-seize')).toBeLessThan(of('oiled'));
    expect(of('oiled')).toBeLessThan(of('dry'));
    expect(GRADES['not marked']).toBe(GRADES['4.6']);
    expect(refusalOf(() => startingTorque({ major: mm(0), pitch: mm(1), angle: 60 }, { grade: '8.8', dressing: 'dry' }))).toBe('notASize');
  });
});
