import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { madeOutline, mm, type Curve, type Length, type MadeForm, type MadeSizeName } from '@elder-cog/core';
import DxfParser, { type ICircleEntity, type ILwpolylineEntity } from 'dxf-parser';
import { dxfOf, labelOf, pdfOf, svgOf, type DrawingTitle } from './index.ts';

const form = (kind: MadeForm['kind'], sizes: Partial<Record<MadeSizeName, number>>, counts: MadeForm['counts'] = {}): MadeForm => ({
  kind,
  sizes: Object.fromEntries(Object.entries(sizes).map(([name, value]): [string, Length] => [name, mm(value)])),
  counts,
});

const FORMS: readonly MadeForm[] = [
  form('shim', { inner: 62.513, outer: 92.007, thickness: 0.267, holeDiameter: 8.5, holeCircle: 77.0001 }, { holes: 6 }),
  form('halfShim', { inner: 62.5, outer: 92, thickness: 0.267, holeDiameter: 6, holeCircle: 77 }, { holes: 6 }),
  form('washer', { inner: 30.0301, outer: 55.55, thickness: 3.2, tangWidth: 6.1, tangReach: 2.5, grooveWidth: 2 }, { tangs: 2, grooves: 4 }),
  form('bush', { inner: 25.4, outer: 28.575, length: 30, flangeOuter: 36, flangeThickness: 3, slit: 1 }),
  form('distancePiece', { inner: 30, outer: 38, length: 60, smallOuter: 34 }),
  form('sleeve', { inner: 35, outer: 41, length: 25, chamfer: 1 }),
  form('lapPlate', { outer: 90, thickness: 12, pocket: 56, pocketDepth: 2 }),
  form('drift', { pilot: 25.3, pilotLength: 20, outer: 28.4, length: 60 }),
  form('depthPusher', { pilot: 28.4, pilotLength: 8, outer: 45, length: 10 }),
  form('dummyShaft', { outer: 19.8, length: 42, chamfer: 1 }),
  form('guidePin', { pilot: 7.9, pilotLength: 12, outer: 8.4, length: 60 }),
  form('dummyFlange', { inner: 40, outer: 110, thickness: 10, holeDiameter: 8.5, holeCircle: 92 }, { holes: 6 }),
];

const TITLE: DrawingTitle = {
  machine: 'Hill tractor 1949',
  name: 'Shim under the cover',
  kind: 'Shim',
  place: 'Pack under the cover',
  material: 'brass',
  to: ['10.5 thou ±0.9', '0.266 mm ±0.022'],
  from: '12 thou, take off 1.5 thou',
  gap: 'Input shaft float, 5-8',
  unit: 'thou',
};

/** What is cut of a form, as the drawing has it. */
const cutOf = (each: MadeForm): readonly Curve[] => {
  const { cuts, section } = madeOutline(each);
  return section.length === 0 ? cuts : section;
};

describe('a DXF, read back by another program’s reader', () => {
  const read = (text: string) => new DxfParser().parseSync(text);
  it.each(FORMS)('has the same geometry to a micrometre, closed, on its layers: $kind', (each) => {
    const text = dxfOf([{ form: each, x: 0, y: 0 }]);
    const dxf = read(text);
    const cut = (dxf?.entities ?? []).filter((e) => e.layer === 'CUT');
    const wanted = cutOf(each);
    expect(cut).toHaveLength(wanted.length);
    wanted.forEach((curve, i) => {
      const entity = cut[i];
      if (curve.kind === 'circle') {
        const circle = entity as ICircleEntity;
        expect(entity?.type).toBe('CIRCLE');
        expect(Math.abs(circle.center.x * 1e6 - curve.x)).toBeLessThan(1000);
        expect(Math.abs(circle.center.y * 1e6 - curve.y)).toBeLessThan(1000);
        expect(Math.abs(circle.radius * 1e6 - curve.r)).toBeLessThan(1000);
        return;
      }
      const line = entity as ILwpolylineEntity & { shape?: boolean };
      expect(entity?.type).toBe('LWPOLYLINE');
      expect(line.shape).toBe(true);
      expect(line.vertices).toHaveLength(curve.corners.length);
      curve.corners.forEach((corner, k) => {
        const vertex = line.vertices[k] as { x: number; y: number; bulge?: number } | undefined;
        expect(Math.hypot((vertex?.x ?? NaN) * 1e6 - corner.x, (vertex?.y ?? NaN) * 1e6 - corner.y)).toBeLessThan(1000);
        // how far the arc stands out of its chord: half the chord by the bulge
        const next = curve.corners[(k + 1) % curve.corners.length] ?? corner;
        const chord = Math.hypot(next.x - corner.x, next.y - corner.y);
        expect(Math.abs(((vertex?.bulge ?? 0) - corner.bulge) * (chord / 2))).toBeLessThan(1000);
      });
    });
    expect((dxf?.entities ?? []).filter((e) => e.layer === 'MARKS').length > 0).toBe(
      madeOutline(each).section.length === 0 && madeOutline(each).marks.length > 0,
    );
  });
  it('says that it is in millimetres, and names its layers', () => {
    const dxf = read(dxfOf([{ form: FORMS[0] as MadeForm, x: 0, y: 0 }]));
    expect(dxf?.header.$INSUNITS).toBe(4);
    expect(Object.keys(dxf?.tables.layer.layers ?? {})).toEqual(expect.arrayContaining(['CUT', 'MARKS', 'SHEET']));
  });
  it('is plain ASCII', () => expect(dxfOf([{ form: FORMS[2] as MadeForm, x: 0, y: 0 }])).toMatch(/^[\n\r\x20-\x7e]*$/));
  it('has several parts where they lie, and the edge of their sheet', () => {
    const shim = FORMS[0] as MadeForm;
    const dxf = read(
      dxfOf(
        [
          { form: shim, x: mm(50), y: mm(60) },
          { form: shim, x: mm(150), y: mm(60) },
        ],
        { width: mm(300), height: mm(150) },
      ),
    );
    const rims = (dxf?.entities ?? []).filter((e): e is ICircleEntity => e.type === 'CIRCLE' && (e as ICircleEntity).radius > 46);
    expect(rims.map(({ center }) => [center.x, center.y])).toEqual([
      [50, 60],
      [150, 60],
    ]);
    const [sheet] = (dxf?.entities ?? []).filter((e) => e.layer === 'SHEET') as ILwpolylineEntity[];
    expect(sheet?.vertices.map(({ x, y }) => [x, y])).toEqual([
      [0, 0],
      [300, 0],
      [300, 150],
      [0, 150],
    ]);
  });
});

describe('an SVG', () => {
  it.each(FORMS)('is in millimetres, and as large as what it draws: $kind', (each) => {
    const text = svgOf(each, 'a & b <c>');
    const [, width, height] = /width="([\d.]+)mm" height="([\d.]+)mm" viewBox="0 0 [\d.]+ [\d.]+"/.exec(text) ?? [];
    const { section, box, length } = madeOutline(each);
    const across = section.length === 0 ? box.right - box.left : length;
    expect(Number(width)).toBeCloseTo(across / 1e6 + 4, 3);
    expect(Number(height)).toBeCloseTo((box.top - box.bottom) / 1e6 + 4, 3);
    expect(text).toContain('<title>a &amp; b &lt;c&gt;</title>');
    expect((text.match(/<path /g) ?? []).length).toBeGreaterThanOrEqual(cutOf(each).length);
  });
  it('has the rim of a shim as a circle of its radius, about its middle', () => {
    const [, x1, r, x2] = /M([\d.]+),[\d.]+A([\d.]+),[\d.]+ 0 1 0 ([\d.]+),/.exec(svgOf(FORMS[0] as MadeForm, '')) ?? [];
    expect(Number(r)).toBeCloseTo(46.0035, 4);
    expect(Number(x2) - Number(x1)).toBeCloseTo(92.007, 4);
  });
});

const hasPoppler = spawnSync('pdftoppm', ['-v']).error === undefined;
const withPoppler = hasPoppler ? describe : describe.skip;

withPoppler('a PDF, as it is printed', () => {
  let folder = '';
  beforeAll(() => {
    folder = mkdtempSync(join(tmpdir(), 'drawn-'));
  });
  afterAll(() => rmSync(folder, { recursive: true }));

  /** A page as grey dots, so many to the inch. */
  function printed(pdf: Buffer, dpi: number): { width: number; height: number; at: (x: number, y: number) => number } {
    writeFileSync(join(folder, 'a.pdf'), pdf);
    execFileSync('pdftoppm', ['-r', String(dpi), '-gray', '-singlefile', join(folder, 'a.pdf'), join(folder, 'a')]);
    const bytes = readFileSync(join(folder, 'a.pgm'));
    const head = /^P5\s+(\d+)\s+(\d+)\s+255\s/.exec(bytes.subarray(0, 40).toString('latin1')) ?? [];
    const [width, height] = [Number(head[1]), Number(head[2])];
    const start = (head[0] ?? '').length;
    return { width, height, at: (x, y) => bytes[start + y * width + x] ?? 255 };
  }

  it('has a bar that is 50.0 mm, at 600 dots to the inch', async () => {
    for (const each of [FORMS[0], FORMS[3], FORMS[11]] as MadeForm[]) {
      const { width, height, at } = printed(await pdfOf(each, TITLE, '2026-11-28T20:00:00.000Z'), 600);
      const mmOf = (dots: number): number => (dots / 600) * 25.4;
      // through the middle of the bar: 10 mm from the edges, over the title block
      const y = height - Math.round(((10 + 40 + 16 - 4 - 1.2) / 25.4) * 600);
      const from = Math.round((8 / 25.4) * 600);
      const row = Array.from({ length: Math.round((56 / 25.4) * 600) }, (_, i) => at(from + i, y));
      const dark = row.flatMap((grey, i) => (grey < 128 ? [i] : []));
      const [first = 0, last = 0] = [dark[0], dark.at(-1)];
      expect(Math.abs(mmOf(last - first + 1) - 50)).toBeLessThan(0.1);
      // three fifths of it are dark
      expect(Math.abs(mmOf(dark.length) - 30)).toBeLessThan(0.3);
      expect(Math.abs(mmOf(width) - Math.round(mmOf(width)))).toBeLessThan(0.05);
    }
  });
  it('goes on the smallest sheet that it goes on', async () => {
    const size = async (each: MadeForm): Promise<number[]> => {
      const { width, height } = printed(await pdfOf(each, TITLE, '2026-11-28T20:00:00.000Z'), 72);
      return [width, height].map((dots) => Math.round((dots / 72) * 25.4));
    };
    expect(await size(FORMS[0] as MadeForm)).toEqual([210, 297]);
    expect(await size(form('shim', { inner: 150, outer: 190, thickness: 1 }))).toEqual([297, 420]);
    expect((await size(form('shim', { inner: 600, outer: 700, thickness: 1 })))[0]).toBeGreaterThan(700);
  });
  it('has a label of 60 by 30 mm', async () => {
    const { width, height } = printed(await labelOf(TITLE, { measured: ['10.6 thou', '0.269 mm'], at: '2026-11-28T20:00:00.000Z' }), 600);
    expect([width, height].map((dots) => Math.round((dots / 600) * 254) / 10)).toEqual([60, 30]);
  });
  it('says its words, in letters that can be copied', async () => {
    writeFileSync(join(folder, 'b.pdf'), await pdfOf(FORMS[0] as MadeForm, TITLE, '2026-11-28T20:00:00.000Z'));
    const words = execFileSync('pdftotext', ['-layout', join(folder, 'b.pdf'), '-'], { encoding: 'utf8' });
    for (const each of [
      'Hill tractor 1949',
      'Shim under the cover',
      '10.5 thou ±0.9',
      '0.266 mm ±0.022',
      'brass',
      '1 : 1',
      'reckoned',
      '6 × Ø0.3346″',
      '50 mm',
    ])
      expect(words).toContain(each);
  });
});
