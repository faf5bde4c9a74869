import { formatLength, NM_PER, nanometres, type Length } from '../../quantity/index.ts';
import { line, path, PX_PER_MM, rect, text, textWidth, type Colour, type Fill, type Shape } from '../shapes.ts';
import type { LabelBox } from './labels.ts';
import type { DrawnGap, SectionQuestion } from './question.ts';

export interface Lens {
  readonly shapes: Shape[];
  readonly labels: LabelBox[];
  readonly x: number;
  readonly r: number;
  readonly magnification: number;
  readonly gapPx: number;
}

/** Largest of 1, 2, 4, 8 … at which the gap takes no more than about a third of the lens. */
function magnify(gap: Length | null, r: number): number {
  if (gap === null || gap <= 0) return 16;
  let magnification = 1;
  while (magnification < 512 && (gap / NM_PER.mm) * magnification * 2 * PX_PER_MM <= r * 0.72) magnification *= 2;
  return magnification;
}

export interface Side {
  readonly name: string;
  readonly fill: Fill;
}

/** What a lens shows, and where. */
export interface LensQuestion {
  readonly gap: DrawnGap;
  readonly isCurrent: boolean;
  readonly sides: readonly [Side, Side];
}

/** A true magnification of one gap, with a leader to where it is. */
export function drawLens(
  { width, height, unit }: Pick<SectionQuestion, 'width' | 'height' | 'unit'>,
  { gap: { value: gap, forecast, letter }, isCurrent, sides: [left, right] }: LensQuestion,
  [cx, cy]: readonly [number, number],
  r: number,
  ring: readonly [number, number],
): Lens {
  const magnification = magnify(gap, r);
  const gapPx = gap === null ? r * 0.36 : (Math.max(gap, 0) / NM_PER.mm) * magnification * PX_PER_MM;
  const half = gapPx / 2;
  const dash = gap === null || forecast ? '5 4' : undefined;
  const chord = (offset: number): number => Math.sqrt(Math.max(0, r * r - offset * offset));
  const segment = (side: -1 | 1): string => {
    const at = cx + side * half;
    const c = chord(half);
    return `M${at.toFixed(2)},${(cy - c).toFixed(2)}A${r},${r} 0 0 ${side === 1 ? 1 : 0} ${at.toFixed(2)},${(cy + c).toFixed(2)}Z`;
  };
  const shapes: Shape[] = [
    { kind: 'circle', x: ring[0], y: ring[1], r: Math.min(8, r / 8), fill: 'none', stroke: 'blue', width: 2.4 },
    path(leader(ring, [cx, cy], r), { fill: 'none', stroke: 'blue', width: 1.8 }),
    { kind: 'circle', x: cx, y: cy, r, fill: 'sheet' },
    path(segment(-1), { fill: left.fill, id: 'lens-left' }),
    path(segment(1), { fill: right.fill, id: 'lens-right' }),
    line(cx - half, cy - chord(half), cx - half, cy + chord(half), 'ink', 2.4, dash),
    line(cx + half, cy - chord(half), cx + half, cy + chord(half), 'ink', 2.4, dash),
    { kind: 'circle', x: cx, y: cy, r, fill: 'none', stroke: 'blue', width: 3 },
  ];
  const labels: LabelBox[] = [];
  const put = (
    words: string,
    px: number,
    py: number,
    size: number,
    font: 'label' | 'number',
    colour: Colour,
    more: { bold?: boolean; halo?: Fill; anchor?: 'start' | 'middle' | 'end' } = {},
  ): void => {
    const w = textWidth(words, font, size);
    const anchor = more.anchor ?? 'middle';
    labels.push({ words, x: px - { start: 0, middle: w / 2, end: w }[anchor], y: py - size * 0.8, w, h: size });
    shapes.push(text(px, py, words, font, size, colour, { ...more, anchor }));
  };
  const words = gap === null ? '?' : formatLength(nanometres(Math.abs(gap)), unit).replace(/\.0$/, '');
  const figure = forecast ? `(${words})` : words;
  put(figure, cx, cy + 7, gap === null ? 26 : 20, 'number', 'ink', { bold: true, halo: 'sheet' });
  if (gap !== null && gap < 0) put('PRELOAD', cx, cy - 18, 14, 'label', 'ink', { bold: true, halo: 'sheet' });
  if (gap !== null && gap > 0) {
    const inset = half + 2;
    for (const side of [-1, 1] as const) {
      const tip = cx + side * inset;
      const arm = Math.max(8, r - inset - 6);
      if (r - inset < 14) continue;
      shapes.push(
        line(cx + side * (inset + arm), cy - 22, tip + side * 7, cy - 22, 'ink', 1.6),
        path(`M${tip.toFixed(2)},${cy - 22}l${side * 9},-4v8z`, { fill: 'ink' }),
      );
    }
  }
  // above the magnification, which stands at the foot of a small lens
  const nameY = cy + Math.min(30, r / 2);
  const chordAt = chord(nameY - cy);
  const named = ([-1, 1] as const).map((side) => {
    const { name, fill } = side === -1 ? left : right;
    const wide = textWidth(name, 'label', 14);
    return { side, name, fill, wide, out: Math.max(half + 5 + wide / 2, r * 0.54) };
  });
  // a name that the rim would cut tells less than none
  if (r > 56 && named.every(({ out, wide }) => out + wide / 2 <= chordAt + 1))
    for (const { side, name, fill, out } of named)
      put(name, cx + side * out, nameY, 14, 'label', 'ink', { bold: true, ...(fill.startsWith('hatch') ? { halo: 'iron' as const } : {}) });
  const times = `×${magnification}`;
  put(
    times,
    Math.min(cx + r * 0.62, width - 4 - textWidth(times, 'number', 16)),
    cy + r + 8 > height ? cy + r - 2 : cy + r + 8,
    16,
    'number',
    'blue',
    { bold: true, halo: 'sheet', anchor: 'start' },
  );
  const flag = { x: cx + r - 22, y: Math.max(3, cy - r - 14) };
  shapes.push(rect(flag.x, flag.y, 28, 28, { fill: isCurrent ? 'blue' : 'sheet', stroke: 'blue', width: 2 }));
  labels.push({ words: letter, x: flag.x, y: flag.y, w: 28, h: 28 });
  shapes.push(text(flag.x + 14, flag.y + 20, letter, 'label', 18, isCurrent ? 'paper' : 'blue', { bold: true, anchor: 'middle' }));
  return { shapes, labels, x: cx, r, magnification, gapPx: gap === null ? 0 : gapPx };
}

function leader([fx, fy]: readonly [number, number], [cx, cy]: readonly [number, number], r: number): string {
  const angle = Math.atan2(fy - cy, fx - cx);
  const end = [cx + r * Math.cos(angle), cy + r * Math.sin(angle)] as const;
  const start = [fx - 8 * Math.cos(angle), fy - 8 * Math.sin(angle)] as const;
  return `M${start[0].toFixed(1)},${start[1].toFixed(1)}L${end[0].toFixed(1)},${end[1].toFixed(1)}`;
}
