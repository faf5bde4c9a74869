import { describe, expect, it } from '@jest/globals';
import { mm, parseLimits, thou, type Length } from '../quantity/index.ts';
import type { Place, TemplateName } from '../stack/index.ts';
import {
  barDomain,
  leafScale,
  leafShapes,
  limitBar,
  MARK_WORDS,
  markStrokes,
  section,
  type MarkKind,
  type Section,
  type SectionQuestion,
  type Shape,
  type Solid,
} from './index.ts';

const ARRANGEMENTS: readonly {
  readonly template: TemplateName;
  readonly place: Place;
  readonly sizes: Readonly<Record<string, number>>;
  readonly leaves: readonly number[];
}[] = [
  {
    template: 'taperPair',
    place: 'underCover',
    sizes: { 'shaft.shoulderIn-shoulderOut': 96.4, bearingIn: 14.75, bearingOut: 15.25 },
    leaves: [0.508, 0.2032],
  },
  { template: 'taperPair', place: 'behindCup', sizes: { 'casing.seat-face': 140 }, leaves: [0.3, 0.2, 0.1] },
  { template: 'taperPair', place: 'behindCone', sizes: {}, leaves: [0.4] },
  { template: 'plainThrust', place: 'thrustWasher', sizes: { 'shaft.collarIn-collarOut': 88, 'washerIn.back-front': 3.2 }, leaves: [3.1] },
  { template: 'plainThrust', place: 'underCover', sizes: { 'casing.thrust-face': 75 }, leaves: [0.25, 0.25] },
  { template: 'gearOnBush', place: 'thrustWasher', sizes: { 'gear.in-out': 41, 'bush.in-out': 49.2 }, leaves: [3.9] },
  { template: 'gearOnBush', place: 'inLine', sizes: {}, leaves: [48.7] },
];

const ask = (over: Partial<SectionQuestion> & Pick<SectionQuestion, 'template' | 'place'>): SectionQuestion => ({
  gasket: false,
  sizes: {},
  leaves: null,
  packWords: 'Pack 20+8',
  gap: thou(24),
  turned: [],
  letter: 'A',
  width: 816,
  height: 388,
  unit: 'thou',
  ...over,
});
const arranged = (a: (typeof ARRANGEMENTS)[number], over: Partial<SectionQuestion> = {}): Section =>
  section(
    ask({
      template: a.template,
      place: a.place,
      sizes: Object.fromEntries(Object.entries(a.sizes).map(([role, size]) => [role, mm(size)])),
      leaves: a.leaves.map((t) => ({ thickness: mm(t), metric: true })),
      ...over,
    }),
  );

function inside(ring: Solid['rings'][number], x: number, y: number): boolean {
  let within = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [xi, yi] = ring[i] ?? [0, 0];
    const [xj, yj] = ring[j] ?? [0, 0];
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) within = !within;
  }
  return within;
}

/** Pairs of solids that share more than a sliver, by sampling every pixel of the upper half plane. */
function overlaps(solids: readonly Solid[]): string[] {
  const shared = new Map<string, number>();
  const bounded = solids.map((s) => {
    const all = s.rings.flat();
    return { s, x0: Math.min(...all.map(([x]) => x)), x1: Math.max(...all.map(([x]) => x)), r1: Math.max(...all.map(([, r]) => r)) };
  });
  for (let x = Math.min(...bounded.map((b) => b.x0)) + 0.351; x < Math.max(...bounded.map((b) => b.x1)); x += 1) {
    const here = bounded.filter((b) => x > b.x0 && x < b.x1);
    for (let r = 0.357; r < Math.max(...here.map((b) => b.r1)); r += 1) {
      const hit = here.filter((b) => r < b.r1 && b.s.rings.some((ring) => inside(ring, x, r)));
      for (let i = 1; i < hit.length; i++) {
        const pair = `${hit[0]?.s.id} and ${hit[i]?.s.id}`;
        shared.set(pair, (shared.get(pair) ?? 0) + 1);
      }
    }
  }
  return [...shared].filter(([, count]) => count > 2).map(([pair, count]) => `${pair}: ${count} px²`);
}

describe.each(ARRANGEMENTS)('the Section of $template with the pack $place', (arrangement) => {
  it('never draws one solid over another, known or unknown', () => {
    expect(overlaps(arranged(arrangement).solids)).toEqual([]);
    expect(overlaps(arranged(arrangement, { sizes: {}, leaves: null, gap: null }).solids)).toEqual([]);
  });
  it('draws what is measured to the stated scale, within half a pixel, and the rest dashed', () => {
    const drawing = arranged(arrangement);
    const known = drawing.drawn.filter((d) => d.known);
    expect(known.map((d) => d.role).sort()).toEqual(Object.keys(arrangement.sizes).sort());
    for (const { role, px } of known) expect(Math.abs(px - (arrangement.sizes[role] ?? 0) * (drawing.pxPerMm ?? NaN))).toBeLessThan(0.5);
    const dashed = (id: string): boolean => drawing.shapes.some((s) => 'id' in s && s.id === id && 'dash' in s && s.dash !== undefined);
    for (const part of ['shaft', 'casing', 'cover', 'gear', 'bush', 'washerIn']) {
      const solid = drawing.solids.find((s) => s.id === part);
      const measured = Object.keys(arrangement.sizes).some((role) => role.startsWith(`${part}.`));
      if (solid) expect([part, dashed(part)]).toEqual([part, !measured]);
    }
    if (known.length === 0) expect(drawing.scaleWords).toContain('NOT TO SCALE');
    else expect(drawing.scaleWords).toMatch(/^SCALE [\d.]+ : [\d.]+/);
  });
  it('states the scale it draws at', () => {
    const { pxPerMm, scaleWords } = arranged(arrangement);
    if (pxPerMm === null) return;
    const [, a = '', b = ''] = /SCALE ([\d.]+) : ([\d.]+)/.exec(scaleWords) ?? [];
    expect((Number(a) / Number(b)) * (96 / 25.4)).toBeCloseTo(pxPerMm, 1);
  });
  it('shows one brass shape a leaf', () => {
    const brass = (s: Section): number => s.shapes.filter((shape) => 'id' in shape && shape.id?.startsWith('leaf-')).length;
    expect(brass(arranged(arrangement))).toBe(arrangement.leaves.length);
    expect(brass(arranged(arrangement, { leaves: [] }))).toBe(0);
    expect(brass(arranged(arrangement, { leaves: [1, 2, 3, 4, 5].map((t) => ({ thickness: thou(t), metric: false })) }))).toBe(5);
  });
  it('magnifies the true gap in the lens', () => {
    for (const gap of [thou(2), thou(24), mm(0.05), mm(1.3)]) {
      const { lens, shapes } = arranged(arrangement, { gap });
      expect(lens.gapPx).toBeCloseTo((gap / 1e6) * lens.magnification * (96 / 25.4), 6);
      const face = (id: string): number => Number(/M(-?[\d.]+),/.exec((shapes.find((s) => 'id' in s && s.id === id) as { d: string }).d)?.[1]);
      expect(face('lens-right') - face('lens-left')).toBeCloseTo(lens.gapPx, 1);
    }
  });
  it('keeps every label clear of every other, at three widths', () => {
    for (const [width, height] of [
      [816, 388],
      [732, 388],
      [390, 178],
    ] as const) {
      for (const gap of [null, thou(24), thou(-3), mm(0.013)]) {
        const { labels } = arranged(arrangement, { width, height, gap });
        const clashes = labels.flatMap((a, i) =>
          labels
            .slice(i + 1)
            .filter((b) => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h)
            .map((b) => `${width}: ${a.words} over ${b.words}`),
        );
        expect(clashes).toEqual([]);
        expect(
          labels
            .filter((l) => l.x < -0.5 || l.x + l.w > width + 0.5 || l.y < -1 || l.y + l.h > height + 1)
            .map((l) => `${width}: ${l.words} ${JSON.stringify(l)}`),
        ).toEqual([]);
      }
    }
  });
  it('turning a part round mirrors it', () => {
    const part = arrangement.template === 'gearOnBush' ? 'gear' : 'shaft';
    const ring = (s: Section): readonly (readonly [number, number])[] => s.solids.find((solid) => solid.id === part)?.rings[0] ?? [];
    const [plain, turned] = [ring(arranged(arrangement)), ring(arranged(arrangement, { turned: [part] }))];
    const across = (plain[0]?.[0] ?? 0) + (turned[0]?.[0] ?? 0);
    plain.forEach(([x, r], i) => {
      expect((turned[i]?.[0] ?? 0) + x).toBeCloseTo(across, 3);
      expect(turned[i]?.[1]).toBeCloseTo(r, 6);
    });
    expect(turned).not.toEqual(plain);
  });
  it('says the same in words', () => {
    const { says } = arranged(arrangement);
    expect(says).toContain('24.0 thou');
    expect(arranged(arrangement, { gap: thou(-3) }).says).toContain('preload 3.0 thou');
    expect(arranged(arrangement, { gap: null }).says).toContain('not measured');
  });
});

describe('the limit bar', () => {
  const limits = parseLimits('5-8 thou', 'thou');
  const reading = (value: Length, state: 'in' | 'loose' | 'tight' | 'stale' = 'in') => ({ value, U: thou(0.6), state });
  const ids = (shapes: readonly Shape[]): string[] => shapes.flatMap((s) => ('id' in s && s.id ? [s.id] : []));
  it('spans limits, reading, forecast and aim and a fifth each side, with zero when a limit is near it', () => {
    const [low, high] = barDomain({ width: 340, limits, reading: reading(thou(24), 'loose'), aim: thou(6.5) });
    expect([low, high]).toEqual([thou(-4.8), thou(28.8)]);
  });
  it('sets the band and the needle by the same scale', () => {
    const bar = limitBar({ width: 340, limits, reading: reading(thou(6)) });
    const band = bar.shapes.find((s) => 'id' in s && s.id === 'band') as { x: number; w: number };
    expect(band.x).toBeCloseTo(bar.x(thou(5)), 1);
    expect(band.w).toBeCloseTo(bar.x(thou(8)) - bar.x(thou(5)), 1);
    expect(bar.x(thou(6))).toBeGreaterThan(band.x);
  });
  it('cuts short what is more than eight windows out, with its number', () => {
    const bar = limitBar({ width: 340, limits, reading: reading(thou(90), 'loose') });
    expect(ids(bar.shapes)).toContain('clipped');
    expect(bar.shapes.some((s) => s.kind === 'text' && s.text === '90')).toBe(true);
    expect(ids(limitBar({ width: 340, limits, reading: reading(thou(24), 'loose') }).shapes)).not.toContain('clipped');
  });
  it('draws a bound as a bracket, a forecast hollow, and says it all in words', () => {
    const bar = limitBar({ width: 340, limits, reading: { ...reading(thou(6)), bound: 'atLeast' }, forecast: thou(6) });
    expect(ids(bar.shapes)).toEqual(expect.arrayContaining(['bound', 'forecast']));
    expect(bar.says).toBe('limits 5.0 to 8.0 thou; at least 6.0 thou, 0.152 mm, right; forecast 6.0 thou, 0.152 mm');
  });
  it('keeps numbered ticks 56 px apart or more, at any width', () => {
    for (const width of [340, 560]) {
      const upper = limitBar({ width, limits, reading: reading(thou(24)) })
        .shapes.filter((s) => s.kind === 'text' && s.y < 30 && s.colour === 'ink2' && s.anchor === 'middle')
        .map((s) => (s as { x: number }).x)
        .sort((a, b) => a - b);
      upper.slice(1).forEach((x, i) => expect(x - (upper[i] ?? 0)).toBeGreaterThanOrEqual(55.9));
    }
  });
  it('does without limits or readings', () => {
    expect(limitBar({ width: 340, limits: null }).says).toBe('no limits yet; no reading');
    expect(limitBar({ width: 340, limits: { max: thou(9) }, mini: true }).height).toBe(28);
  });
});

describe('marks and leaves', () => {
  it('every state has its own mark and its word', () => {
    const kinds = Object.keys(MARK_WORDS) as MarkKind[];
    expect(new Set(kinds.map((k) => JSON.stringify(markStrokes(k)))).size).toBe(7);
  });
  it('leaves keep one scale in a pack, three pixels at the least and between, and holes only where metric', () => {
    const k = leafScale(thou(28));
    expect(k).toBeCloseTo(2.6, 5);
    expect(leafScale(thou(96))).toBeCloseTo(1, 5);
    const { leaves, height } = leafShapes(
      [
        { thickness: thou(20), metric: false },
        { thickness: thou(0.5), metric: true },
      ],
      { width: 104, k },
    );
    expect(leaves.map((l) => [l.height, l.floored, l.hole !== null])).toEqual([
      [52, false, false],
      [3, true, true],
    ]);
    expect(height).toBe(58);
  });
});
