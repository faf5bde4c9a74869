import { describe, expect, it } from '@jest/globals';
import { mm, thou } from '../quantity/index.ts';
import { boltMapShapes, boltShapes, clearanceAlong, holeSpots, lookAlikeShapes, stripPartShapes, surveyShapes } from './index.ts';

const holes = (n: number, odd: number) => Array.from({ length: n }, (_, i) => ({ hole: i + 1, odd: i + 1 === odd, on: false }));
const idsOf = (shapes: readonly object[]): string[] => shapes.flatMap((s) => ('id' in s && typeof s.id === 'string' ? [s.id] : []));

describe('a bolt map', () => {
  it('numbers its holes clockwise from the top, evenly, and makes the odd one stand out', () => {
    const { shapes, spots } = boltMapShapes({ shape: 'circle', holes: holes(6, 4), start: 'top', width: 400, height: 300 });
    expect(idsOf(shapes).filter((id) => id.startsWith('hole'))).toHaveLength(6);
    expect(idsOf(shapes).filter((id) => id.startsWith('odd'))).toEqual(['odd 4']);
    const [first, second, , fourth] = spots;
    expect(first?.x).toBeCloseTo(200, 6);
    expect(second?.x).toBeGreaterThan(200);
    expect(fourth?.y).toBeGreaterThan(first?.y ?? 0);
    const gaps = spots.map((s, i) => Math.hypot(s.x - (spots[(i + 1) % 6]?.x ?? 0), s.y - (spots[(i + 1) % 6]?.y ?? 0)));
    for (const gap of gaps) expect(gap).toBeCloseTo(gaps[0] ?? 0, 6);
  });
  it('goes round a rectangle the same way, from its top left corner', () => {
    const { spots } = boltMapShapes({ shape: 'rectangle', holes: holes(8, 0), start: 'top left', width: 400, height: 300 });
    expect(new Set(spots.map((s) => `${s.x.toFixed(3)} ${s.y.toFixed(3)}`)).size).toBe(8);
    expect(spots[1]?.y).toBe(spots[0]?.y);
    expect(spots[1]?.x).toBeGreaterThan(spots[0]?.x ?? 0);
  });
  it('has a bolt in every corner of a rectangle where there are four or more, two by two over against each other', () => {
    for (const n of [4, 6, 8, 10, 14]) {
      const spots = holeSpots('rectangle', n);
      const [xs, ys] = [spots.map(({ x }) => x), spots.map(({ y }) => y)];
      const [x, y] = [Math.max(...xs), Math.max(...ys)];
      const has = (at: readonly [number, number]): boolean => spots.some((s) => Math.abs(s.x - at[0]) < 1e-9 && Math.abs(s.y - at[1]) < 1e-9);
      expect([has([x, y]), has([-x, y]), has([x, -y]), has([-x, -y])]).toEqual([true, true, true, true]);
      expect(spots.every((s) => has([-s.x, -s.y]))).toBe(true);
      expect(spots).toHaveLength(n);
    }
  });
  it('draws a longer bolt longer', () => {
    const reach = (share: number): number => {
      const shank = boltShapes({ share, odd: false, width: 140, height: 40 }).find((s) => s.kind === 'rect');
      return shank?.kind === 'rect' ? shank.w : 0;
    };
    expect(reach(1)).toBeGreaterThan(reach(0.6));
  });
});

describe('look-alikes', () => {
  it('are drawn by what tells them apart: as many grooves as were counted, a tang where there is one', () => {
    const part = { name: 'a', goes: 'front', marks: 4, tang: 'wide' as const, share: 1 };
    const shapes = lookAlikeShapes({ form: 'washer', a: part, b: { ...part, goes: 'rear', marks: 3, tang: 'none' }, width: 380, height: 170 });
    const grooves = shapes.filter((s) => s.kind === 'path' && s.stroke === 'sheet');
    expect(grooves).toHaveLength(7);
    expect(shapes.filter((s) => s.kind === 'rect')).toHaveLength(1);
  });
  it.each(['spring', 'ring', 'bolt', 'other'] as const)('a %s has a drawing of its own, inside its half', (form) => {
    const part = { name: 'a', goes: '', marks: 5, tang: 'none' as const, share: 0.8 };
    expect(lookAlikeShapes({ form, a: part, b: part, width: 380, height: 170 }).length).toBeGreaterThan(3);
  });
});

describe('a survey drawn', () => {
  const places = [
    { at: 'front', least: mm(19.98), most: mm(20.02) },
    { at: 'rear', least: mm(19.99), most: mm(20) },
  ];
  it('is its most oval place and its taper, each with the factor it is drawn larger by', () => {
    const { shapes, says } = surveyShapes({ places, isHole: true, unit: 'mm', width: 370, height: 190 });
    const words = shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
    expect(words.some((w) => /^OVAL ×\d+, FRONT$/.test(w))).toBe(true);
    expect(words.some((w) => /^TAPER ×\d+$/.test(w))).toBe(true);
    expect(says).toContain('Most oval at the front');
    expect(says).toContain('larger than life');
  });
  it('of a washer is its places alone', () => {
    const words = surveyShapes({ places, isHole: false, isRound: false, unit: 'mm', width: 370, height: 190 }).shapes.flatMap((s) =>
      s.kind === 'text' ? [s.text] : [],
    );
    expect(words.some((w) => /OVAL|ROUND/.test(w))).toBe(false);
    expect(words).toEqual(expect.arrayContaining(['front', 'rear']));
  });
  it('of one round place says that there is nothing to see', () => {
    const one = [{ at: '', least: mm(5), most: mm(5) }];
    const words = surveyShapes({ places: one, isHole: false, unit: 'mm', width: 370, height: 190 }).shapes.flatMap((s) =>
      s.kind === 'text' ? [s.text] : [],
    );
    expect(words).toEqual(expect.arrayContaining(['ROUND, AS READ', 'ONE PLACE: NO TAPER TO SEE']));
  });
});

describe('the small pictures of the strip log', () => {
  it('are there for every sort of part, and for one nobody knows', () => {
    for (const type of ['float', 'pack', 'bolts', 'thrust washer', 'cup', 'gear', 'shaft', 'casing', 'never heard of it'])
      expect(stripPartShapes({ type, odd: [4], width: 120, height: 56 }).length).toBeGreaterThan(0);
  });
});

describe('the clearance of a bush along its length', () => {
  const draw = (...clearances: readonly (readonly number[])[]) =>
    clearanceAlong({
      places: clearances.map((each, i) => ({ at: ['front', 'middle', 'rear'][i] ?? '', clearances: each.map((c) => thou(c)) })),
      unit: 'thou',
      width: 360,
      height: 130,
    });
  /** How high the gap is drawn at each place, px: the upright lines. */
  const gaps = (drawn: ReturnType<typeof draw>): number[] =>
    drawn.shapes.flatMap((s) => {
      const [, x1, y1, x2, y2] = (s.kind === 'path' && /^M([\d.]+),([\d.]+)L([\d.]+),([\d.]+)$/.exec(s.d)) || [];
      return x1 !== undefined && x1 === x2 ? [Number(y2) - Number(y1)] : [];
    });
  it('is drawn as wide as it is at each place, and the wider of two directions', () => {
    const drawn = draw([5, 6], [4, 4], [3, 2]);
    const [front = 0, middle = 0, rear = 0] = gaps(drawn);
    expect(middle / front).toBeCloseTo(4 / 6, 3);
    expect(rear / front).toBeCloseTo(3 / 6, 3);
    // true size × the factor that is stated
    expect(front / ((thou(6) / 1e6) * (96 / 25.4))).toBeCloseTo(drawn.magnification, -0.5);
    expect(drawn.says).toBe(
      `The clearance from place to place: front 6.0 thou, middle 4.0 thou, rear 3.0 thou. Drawn ${drawn.magnification} times larger than life.`,
    );
  });
  it('of an interference is no gap, and says so with its sign', () => {
    const drawn = draw([-1], [2]);
    expect(gaps(drawn)[0]).toBe(0);
    expect(drawn.says).toContain('front −1.0 thou');
  });
});
