import { describe, expect, it } from '@jest/globals';
import { mm, nanometres, ZERO, type Length } from '../quantity/index.ts';
import { chances, refusalOf } from '../testing.ts';
import { nestParts, type Nested, type NestPart, type NestQuestion } from './nestParts.ts';

const rings = (n: number, outer: number, inner = 0): NestPart[] =>
  Array.from({ length: n }, (_, i) => ({ id: `${outer} no ${i + 1}`, outer: mm(outer), ...(inner > 0 ? { inner: mm(inner) } : {}) }));

const SHEET: Omit<NestQuestion, 'parts'> = { sheet: { width: mm(300), height: mm(150) }, taken: [], kerf: mm(0.2), margin: mm(3) };

/** What is wrong with a layout, by a look at it that knows nothing of how it was made: pixels are too coarse, so corners and distances. */
function faults(question: NestQuestion, { placed, unplaced }: Nested): string[] {
  const { sheet, taken, kerf, margin, parts } = question;
  const of = (id: string): NestPart => parts.find((p) => p.id === id) as NestPart;
  const half = (p: NestPart | (typeof taken)[number]): { w: number; h: number; r: number | null } =>
    'outer' in p ? { w: p.outer / 2, h: p.outer / 2, r: p.outer / 2 } : { w: p.width / 2, h: p.height / 2, r: null };
  const found: string[] = [];
  if (new Set([...placed.map((p) => p.id), ...unplaced]).size !== parts.length || placed.length + unplaced.length !== parts.length)
    found.push('one is lost or twice');
  const lying = [
    ...placed.map((p) => ({ ...p, ...half(of(p.id)) })),
    ...taken.map((t, i) => ({ id: `taken ${i}`, ...t, ...half(t), within: undefined })),
  ];
  lying.forEach((one, i) => {
    if (
      !one.id.startsWith('taken') &&
      (one.x - one.w < margin || one.x + one.w > sheet.width - margin || one.y - one.h < margin || one.y + one.h > sheet.height - margin)
    )
      found.push(`${one.id} is over the edge`);
    for (const other of lying.slice(i + 1)) {
      if (one.id.startsWith('taken') && other.id.startsWith('taken')) continue;
      const d = Math.hypot(one.x - other.x, one.y - other.y);
      const guest = one.within === other.id ? one : other.within === one.id ? other : null;
      if (guest) {
        const host = of(guest === one ? other.id : one.id);
        if (!('inner' in host) || (host.inner ?? 0) / 2 - d - (guest.r ?? Infinity) < kerf) found.push(`${guest.id} does not go into its bore`);
        continue;
      }
      // a guest lies inside its host's outline: whoever is clear of the host is clear of it
      if (one.within !== undefined || other.within !== undefined) continue;
      const dx = Math.max(0, Math.abs(one.x - other.x) - (one.r === null ? one.w : 0) - (other.r === null ? other.w : 0));
      const dy = Math.max(0, Math.abs(one.y - other.y) - (one.r === null ? one.h : 0) - (other.r === null ? other.h : 0));
      if (Math.hypot(dx, dy) - (one.r ?? 0) - (other.r ?? 0) < kerf) found.push(`${one.id} is too near ${other.id}`);
    }
  });
  const within = placed.flatMap((p) => (p.within === undefined ? [] : [p.within]));
  if (new Set(within).size !== within.length) found.push('two in one bore');
  return found;
}

/** How many a plain grid holds: cells of the largest, nothing in the bores. */
function plainGrid({ sheet, parts, kerf, margin, taken }: NestQuestion): number {
  const [w, h] = (['width', 'height'] as const).map((side) => Math.max(...parts.map((p) => ('outer' in p ? p.outer : p[side])))) as [number, number];
  let n = 0;
  for (let x = margin + w / 2; x + w / 2 <= sheet.width - margin; x += w + kerf)
    for (let y = margin + h / 2; y + h / 2 <= sheet.height - margin; y += h + kerf) {
      const isFree = taken.every((t) => {
        const [tw, th] = 'outer' in t ? [t.outer / 2, t.outer / 2] : [t.width / 2, t.height / 2];
        return Math.abs(x - t.x) >= tw + w / 2 + kerf || Math.abs(y - t.y) >= th + h / 2 + kerf;
      });
      if (isFree) n += 1;
    }
  return Math.min(n, parts.length);
}

describe('blanks laid out on a sheet', () => {
  it('begin in the corner, a margin in', () => {
    const { placed, unplaced, offcut } = nestParts({ ...SHEET, parts: rings(1, 92, 62.5) });
    expect(placed).toEqual([{ id: '92 no 1', x: mm(49), y: mm(49) }]);
    expect(unplaced).toEqual([]);
    // 300 − 95.2 by 150 is more than 300 by 150 − 95.2
    expect(offcut).toEqual({ x: mm(95.2), y: ZERO, width: mm(204.8), height: mm(150) });
  });
  it('lie in the bores of larger ones', () => {
    const question = { ...SHEET, parts: [...rings(1, 92, 62.5), ...rings(1, 40, 25), ...rings(1, 62.1)] };
    const { placed } = nestParts(question);
    expect(placed.map(({ id, within }) => [id, within])).toEqual([
      ['92 no 1', undefined],
      ['62.1 no 1', '92 no 1'],
      ['40 no 1', undefined],
    ]);
    // a hair too big for the cut either side
    expect(nestParts({ ...question, parts: [...rings(1, 92, 62.5), ...rings(1, 62.2)] }).placed[1]?.within).toBeUndefined();
  });
  it('are more in rows moved by half where that holds more', () => {
    // 100 × 100 of 10: a square holds 9 × 9 at 10.2; rows moved by half 9 and 9, 10 rows at 8.83
    const question = { ...SHEET, sheet: { width: mm(101), height: mm(101) }, margin: mm(1), parts: rings(200, 10) };
    const { placed } = nestParts(question);
    expect(plainGrid(question)).toBe(81);
    expect(placed.length).toBeGreaterThan(90);
    expect(faults(question, nestParts(question))).toEqual([]);
  });
  it('keep clear of what is cut out already, and say what finds no room', () => {
    const question = { ...SHEET, taken: [{ x: mm(60), y: mm(75), width: mm(120), height: mm(150) }], parts: rings(4, 92) };
    const nested = nestParts(question);
    expect(faults(question, nested)).toEqual([]);
    expect([nested.placed.length, nested.unplaced]).toEqual([2, ['92 no 3', '92 no 4']]);
  });
  it('may be oblong', () => {
    const question: NestQuestion = {
      ...SHEET,
      parts: [{ id: 'half', width: mm(92), height: mm(46) }, { id: 'other half', width: mm(92), height: mm(46) }, ...rings(2, 70)],
    };
    const nested = nestParts(question);
    expect(nested.unplaced).toEqual([]);
    expect(faults(question, nested)).toEqual([]);
  });
  it('refuse what is no sheet and no blank', () => {
    expect(refusalOf(() => nestParts({ ...SHEET, sheet: { width: ZERO, height: mm(1) }, parts: [] }))).toBe('notASheet');
    expect(refusalOf(() => nestParts({ ...SHEET, parts: [{ id: 'a', outer: mm(10), inner: mm(10) }] }))).toBe('notAPart');
    expect(nestParts({ ...SHEET, parts: [] }).placed).toEqual([]);
  });

  it('never overlap, and are never fewer than a plain grid, on 500 random sheets', () => {
    for (let seed = 1; seed <= 500; seed++) {
      const { next } = chances(seed);
      const some = (least: number, most: number): Length => nanometres(Math.round((least + next() * (most - least)) * 1e6));
      const kinds = Array.from({ length: 1 + Math.floor(next() * 3) }, () => {
        const outer = some(12, 90);
        return { outer, inner: nanometres(Math.round(outer * next() * 0.85)), n: 1 + Math.floor(next() * 9), oblong: next() < 0.2 };
      });
      const question: NestQuestion = {
        sheet: { width: some(90, 320), height: some(90, 250) },
        kerf: some(0, 1),
        margin: some(0, 6),
        taken:
          next() < 0.4
            ? [
                { x: some(20, 90), y: some(20, 90), outer: some(10, 60) },
                { x: some(60, 120), y: some(10, 60), width: some(5, 50), height: some(5, 80) },
              ]
            : [],
        parts: kinds.flatMap(({ outer, inner, n, oblong }, k) =>
          Array.from({ length: n }, (_, i): NestPart =>
            oblong ? { id: `${k}.${i}`, width: outer, height: nanometres(Math.round(outer / 2)) } : { id: `${k}.${i}`, outer, inner },
          ),
        ),
      };
      const nested = nestParts(question);
      expect({ seed, faults: faults(question, nested) }).toEqual({ seed, faults: [] });
      expect({ seed, isWorse: nested.placed.length < plainGrid(question) }).toEqual({ seed, isWorse: false });
    }
  });
});
