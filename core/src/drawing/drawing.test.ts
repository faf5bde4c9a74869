import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { mm, parseLimits, thou, type Length } from '../quantity/index.ts';
import { onTheWay, shaftTemplate, templateGraph, TEMPLATES, type TemplateName } from '../stack/index.ts';
import {
  barDomain,
  drawnTemplate,
  leafScale,
  leafShapes,
  holeSpots,
  jointMapShapes,
  limitBar,
  slotNutShapes,
  MARK_WORDS,
  markStrokes,
  section,
  type MarkKind,
  type Section,
  type SectionQuestion,
  type Shape,
  type Solid,
} from './index.ts';

const EVERY = (Object.keys(TEMPLATES) as TemplateName[]).flatMap((template) =>
  (TEMPLATES[template].places.length > 0 ? TEMPLATES[template].places : [{ place: 'inLine' as const }]).map(({ place }) => ({ template, place })),
);
type Arrangement = (typeof EVERY)[number];

/** What is measured, as a share of its proportion; and the leaves in each place, mm. */
interface Told {
  readonly sizes?: Readonly<Record<string, number>>;
  readonly leaves?: readonly number[] | null;
  readonly gap?: Length | null;
  readonly turned?: readonly string[];
  readonly width?: number;
  readonly height?: number;
}

const questionOf = (
  { template, place }: Arrangement,
  { sizes = {}, leaves = null, gap = thou(24), turned = [], width = 816, height = 388 }: Told = {},
): SectionQuestion => {
  const shaft = drawnTemplate(shaftTemplate(template, place));
  return {
    ...shaft,
    places: shaft.places.map((each) => {
      const isThick = (each.proportion ?? 0) > 1.5;
      const [all = 0] = [leaves?.reduce((sum, t) => sum + t, 0)];
      const fitted = leaves && (isThick ? leaves.map((t) => (t / all) * (each.proportion ?? 0)) : leaves);
      return {
        ...each,
        turned: turned.includes(each.id),
        ...(each.leaves === undefined ? {} : { leaves: fitted && fitted.map((t) => ({ thickness: mm(t), metric: true })), words: 'Pack 20+8' }),
      };
    }),
    lengths: shaft.lengths.map((l) => (sizes[l.id] === undefined ? l : { ...l, size: mm((sizes[l.id] ?? 0) * l.proportion) })),
    gaps: shaft.gaps.map((g) => ({ ...g, value: gap })),
    width,
    height,
    unit: 'thou',
  };
};
/** Lengths that close a gap: left unmeasured, so that whatever else is measured fits. */
function closing({ template, place }: Arrangement): ReadonlySet<string> {
  const ready = shaftTemplate(template, place);
  const proportion = (id: string): number => ready.lengths.find((l) => l.role === id)?.proportion ?? 0;
  const taken = new Set<string>();
  const settled = new Set<string>();
  for (const { contacts } of ready.gaps) {
    const way = onTheWay(templateGraph(ready), contacts[0] ?? '').map((w) => w.id);
    const longest = way.filter((id) => !settled.has(id)).sort((a, b) => proportion(b) - proportion(a))[0];
    if (longest !== undefined) taken.add(longest);
    for (const id of way) settled.add(id);
  }
  return taken;
}

/** Every second size, each within sense. */
const some = ({ template, place }: Arrangement): Record<string, number> =>
  Object.fromEntries(
    shaftTemplate(template, place)
      .lengths.filter((l, i) => i % 2 === 0 && l.proportion > 0 && !closing({ template, place }).has(l.role))
      .map(({ role }, i) => [role, 0.78 + 0.03 * (i % 3)]),
  );
const LEAVES = [0.508, 0.2032];
const arranged = (a: Arrangement, told: Told = {}): Section => section(questionOf(a, { sizes: some(a), leaves: LEAVES, ...told }));

function inside(ring: Solid['rings'][number], x: number, y: number): boolean {
  let within = false;
  for (let i = 0, j = ring.length - 1; i < ring.length; j = i++) {
    const [xi, yi] = ring[i] ?? [0, 0];
    const [xj, yj] = ring[j] ?? [0, 0];
    if (yi > y !== yj > y && x < ((xj - xi) * (y - yi)) / (yj - yi) + xi) within = !within;
  }
  return within;
}

/** px²: a fifth of a pixel along a raceway of thirty, which is what drawing to the pixel leaves between a cone and its rollers. */
const SLIVER = 6;

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
  return [...shared].filter(([, count]) => count > SLIVER).map(([pair, count]) => `${pair}: ${count} px²`);
}

describe.each(EVERY)('the Section of $template with the pack $place', (arrangement) => {
  const slots = shaftTemplate(arrangement.template, arrangement.place).places.filter((p) => p.takes !== null).length;
  it('never draws one solid over another, known or unknown, whatever the sizes within sense', () => {
    expect(overlaps(arranged(arrangement).solids)).toEqual([]);
    expect(overlaps(section(questionOf(arrangement, { gap: null })).solids)).toEqual([]);
    const { lengths } = shaftTemplate(arrangement.template, arrangement.place);
    const closes = closing(arrangement);
    fc.assert(
      fc.property(
        fc.array(fc.option(fc.double({ min: 0.88, max: 1.12, noNaN: true })), { minLength: lengths.length, maxLength: lengths.length }),
        (shares) => {
          const sizes = Object.fromEntries(
            lengths.flatMap(({ role, proportion }, i) => (shares[i] && proportion > 0 && !closes.has(role) ? [[role, shares[i]]] : [])),
          );
          expect(overlaps(arranged(arrangement, { sizes }).solids)).toEqual([]);
        },
      ),
      { numRuns: 6 },
    );
  });
  it('draws what is measured to the stated scale, within half a pixel, and the rest dashed', () => {
    const sizes = some(arrangement);
    const drawing = arranged(arrangement);
    const { lengths, places } = shaftTemplate(arrangement.template, arrangement.place);
    const known = drawing.drawn.filter((d) => d.known);
    expect(known.map((d) => d.id).sort()).toEqual(Object.keys(sizes).sort());
    for (const { id, px } of known) {
      const size = (sizes[id] ?? 0) * (lengths.find((l) => l.role === id)?.proportion ?? 0);
      expect(Math.abs(px - size * (drawing.pxPerMm ?? NaN))).toBeLessThan(0.5);
    }
    const dashed = (id: string): boolean => drawing.shapes.some((s) => 'id' in s && s.id === id && 'dash' in s && s.dash !== undefined);
    for (const { role, kind } of places.filter((p) => ['shaft', 'casing', 'cover', 'gear', 'bush', 'washer', 'hub'].includes(p.kind))) {
      const mine = lengths.filter((l) => l.place === role);
      if (drawing.solids.some((s) => s.id === role))
        expect([kind, dashed(role)]).toEqual([kind, mine.length === 0 || mine.some((l) => sizes[l.role] === undefined)]);
    }
    expect(drawing.scaleWords).toMatch(known.length > 0 ? /^SCALE [\d.]+ : [\d.]+/ : /^NOT TO SCALE/);
    expect(section(questionOf(arrangement)).scaleWords).toContain('NOT TO SCALE');
  });
  it('states the scale it draws at', () => {
    const { pxPerMm, scaleWords } = arranged(arrangement);
    if (pxPerMm === null) return;
    const [, a = '', b = ''] = /SCALE ([\d.]+) : ([\d.]+)/.exec(scaleWords) ?? [];
    expect((Number(a) / Number(b)) * (96 / 25.4)).toBeCloseTo(pxPerMm, 1);
  });
  it('shows one brass shape a leaf in each place', () => {
    const brass = (s: Section): number => s.shapes.filter((shape) => 'id' in shape && shape.id?.startsWith('leaf-')).length;
    expect(brass(arranged(arrangement))).toBe(2 * slots);
    expect(brass(arranged(arrangement, { leaves: [] }))).toBe(0);
    expect(brass(arranged(arrangement, { leaves: [1, 2, 3, 4, 5].map((t) => t * 0.0254) }))).toBe(5 * slots);
  });
  it('magnifies each true gap in a lens of its own', () => {
    for (const gap of [thou(2), thou(24), mm(0.05), mm(1.3)]) {
      const { lenses } = arranged(arrangement, { gap });
      expect(lenses).toHaveLength(shaftTemplate(arrangement.template, arrangement.place).gaps.length);
      for (const lens of lenses) expect(lens.gapPx).toBeCloseTo((gap / 1e6) * lens.magnification * (96 / 25.4), 6);
    }
  });
  it('keeps every label clear of every other, and lenses apart, at three widths', () => {
    for (const [width, height] of [
      [816, 388],
      [732, 388],
      [390, 178],
    ] as const) {
      for (const gap of [null, thou(24), thou(-3), mm(0.013)]) {
        const { labels, lenses } = arranged(arrangement, { width, height, gap });
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
        lenses.forEach((a, i) => lenses.slice(i + 1).forEach((b) => expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(a.r + b.r)));
      }
    }
  });
  it('shows where its gap is beside the lens, and never under it, at three widths', () => {
    for (const [width, height] of [
      [816, 388],
      [732, 388],
      [358, 178],
    ] as const) {
      const { shapes, lenses } = arranged(arrangement, { width, height });
      const rings = shapes.filter((s) => s.kind === 'circle' && s.r <= 8 && s.width === 2.4);
      expect(rings).toHaveLength(lenses.length);
      for (const ring of rings)
        for (const lens of lenses) if (ring.kind === 'circle') expect(Math.hypot(ring.x - lens.x, ring.y - lens.y)).toBeGreaterThan(lens.r + ring.r);
    }
  });
  it('is whole on the sheet, and leaves its one lens alone', () => {
    for (const told of [{}, { sizes: {}, leaves: null, gap: null }]) {
      const { solids, lenses } = arranged(arrangement, told);
      const points = solids.flatMap((s) => s.rings.flat());
      expect(Math.min(...points.map(([x]) => x))).toBeGreaterThan(0);
      expect(Math.max(...points.map(([x]) => x))).toBeLessThan(816);
      const [lens] = lenses;
      if (lenses.length === 1 && lens) {
        const axis = 388 / 2 + 4;
        expect(points.filter(([x, r]) => Math.hypot(x - lens.x, axis - r - lens.y) < lens.r - 2)).toEqual([]);
      }
    }
  });
  it('turning a part round mirrors it', () => {
    const turnable = shaftTemplate(arrangement.template, arrangement.place).places.filter((p) => ['gear', 'spacer', 'washer'].includes(p.kind));
    for (const { role } of turnable) {
      const ring = (s: Section): readonly (readonly [number, number])[] => s.solids.find((solid) => solid.id === role)?.rings[0] ?? [];
      const [plain, turned] = [ring(arranged(arrangement)), ring(arranged(arrangement, { turned: [role] }))];
      const across = (points: readonly (readonly [number, number])[]): number => {
        const xs = points.map(([x]) => x);
        return Math.min(...xs) + Math.max(...xs);
      };
      const key = ([x, r]: readonly [number, number]): string => `${x.toFixed(1)} ${r.toFixed(1)}`;
      expect(turned.map(([x, r]) => key([across(turned) - x, r])).sort()).toEqual(
        plain.map(([x, r]) => key([x - (across(plain) - across(turned)) / 2, r])).sort(),
      );
    }
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

describe('a crush sleeve', () => {
  /** Its metal above the axis, px along and out. */
  const sleeveOf = (reach = Infinity): Solid['rings'][number] => {
    const question = questionOf({ template: 'pinionBySleeve', place: 'behindCone' });
    const places = question.places.map((place) => ({
      ...place,
      faces: place.kind === 'crushSleeve' ? place.faces.map((f) => ({ ...f, outer: Math.min(f.outer ?? 0, (f.inner ?? 0) + reach) })) : place.faces,
    }));
    return section({ ...question, places }).solids.find(({ part }) => part === 'sleeve')?.rings[0] ?? [];
  };
  /** Where its metal is, px out from the axis, at a share of its length. */
  const thick = (ring: Solid['rings'][number], share: number): readonly number[] => {
    const xs = ring.map(([x]) => x);
    const x = Math.min(...xs) + share * (Math.max(...xs) - Math.min(...xs));
    return Array.from({ length: 800 }, (_, i) => i / 2).filter((y) => inside(ring, x, y));
  };
  it('is a thin tube with a crest in its middle that stands out from the shaft', () => {
    const ring = sleeveOf();
    const [end, middle, other] = [thick(ring, 0.1), thick(ring, 0.5), thick(ring, 0.9)];
    // over the line from one end to the other, by more than half of its wall
    const line = (Math.min(...end) + Math.min(...other)) / 2;
    expect(Math.min(...middle) - line).toBeGreaterThan((Math.max(...end) - Math.min(...end)) / 2);
    // as thick there as anywhere
    expect(Math.abs(middle.length - end.length)).toBeLessThanOrEqual(2);
  });
  it('is a plain ring where its neighbours leave no room for a crest', () => expect(sleeveOf(2)).toHaveLength(4));
});

describe('the limit bar of a drag', () => {
  it('is figured in pound inches above and newton metres below, and has no preload side', () => {
    const bar = limitBar({ width: 340, limits: { min: 2.03, max: 2.71 }, quantity: 'drag', reading: { value: 1.64, U: 0.1, state: 'loose' } });
    const words = bar.shapes.flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));
    expect(words).toEqual(expect.arrayContaining(['lbf·in', 'N·m', '18', '24']));
    expect(words).not.toContain('PRELOAD');
    expect(words).not.toContain('thou');
    expect(bar.says).toBe('limits 18 to 24 lbf·in; 14.5 lbf·in, 1.64 N·m, loose');
    expect(barDomain({ width: 340, limits: { max: 2.7 }, quantity: 'drag' })[0]).toBe(0);
  });
  it('of a nut is in pound feet', () =>
    expect(limitBar({ width: 340, limits: { min: 20, max: 24.4 }, quantity: 'torque' }).says).toBe('limits 14.8 to 18 lbf·ft; no reading'));
});

describe('a joint as it is drawn', () => {
  const spots = holeSpots('circle', 6);
  const map = (done: ReadonlyMap<number, number>) =>
    jointMapShapes({ shape: 'circle', spots, order: [1, 4, 2, 5, 3, 6], done, rounds: 3, last: 1, next: 4, width: 400, height: 400 });
  it('numbers its bolts in the order they are pulled, and shows the way to the next', () => {
    const words = map(new Map()).flatMap((shape) => (shape.kind === 'text' ? [shape.text] : []));
    expect(words).toEqual(['1', '3', '5', '2', '4', '6']);
    const dashed = map(new Map()).filter((shape) => shape.kind === 'path' && shape.dash === '6 5');
    expect(dashed).toHaveLength(1);
  });
  it('has a ring round each bolt for the rounds it was pulled in, whole where all were', () => {
    const blue = (done: ReadonlyMap<number, number>): number =>
      map(done).filter((shape) => (shape.kind === 'path' || shape.kind === 'circle') && shape.stroke === 'blue' && shape.width === 5).length;
    expect(blue(new Map())).toBe(0);
    expect(blue(new Map([[1, 1]]))).toBe(1);
    expect(map(new Map([[1, 3]])).some((shape) => shape.kind === 'circle' && shape.stroke === 'blue' && shape.width === 5)).toBe(true);
  });
  it('lies inside its sheet, round or square, with one hole or twenty', () => {
    for (const shape of ['circle', 'rectangle'] as const)
      for (const n of [1, 2, 8, 20]) {
        const drawn = jointMapShapes({
          shape,
          spots: holeSpots(shape, n),
          order: [],
          done: new Map(),
          rounds: 0,
          last: null,
          next: 1,
          width: 440,
          height: 400,
        });
        for (const each of drawn)
          if (each.kind === 'circle')
            expect([each.x - each.r >= 0, each.y - each.r >= 0, each.x + each.r <= 440, each.y + each.r <= 400]).toEqual([true, true, true, true]);
      }
  });
  it('a castle nut has a slot where each is, and an arrow as far as it is to turn', () => {
    const nut = slotNutShapes({ slots: [0, 60, 120, 180, 240, 300], holeEnds: 2, now: 17, turn: 17, size: 280 });
    const [outline] = nut;
    expect(outline?.kind === 'path' && outline.d.match(/A/g)).toHaveLength(6);
    expect(nut.filter((shape) => shape.kind === 'path' && shape.dash !== undefined)).toHaveLength(2);
    expect(nut.some((shape) => shape.kind === 'path' && shape.id === 'turn')).toBe(true);
    expect(
      slotNutShapes({ slots: [0], holeEnds: 1, now: 0, turn: null, size: 280 }).some((shape) => shape.kind === 'path' && shape.id === 'turn'),
    ).toBe(false);
  });
});
