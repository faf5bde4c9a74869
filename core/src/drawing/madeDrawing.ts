import { MADE, madeOutline, pathOf, sizesOf, type Curve, type MadeForm, type MadeOutline } from '../made/index.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { acrossAt, arrowHead, sizeWords, upAt, type SizeWords } from './dimensions.ts';
import { line, path, text, textWidth, type Fill, type Shape } from './shapes.ts';

export interface MadeDrawing {
  readonly shapes: readonly Shape[];
  readonly width: number;
  readonly height: number;
  readonly says: string;
}

interface Drawn {
  readonly form: MadeForm;
  readonly outline: MadeOutline;
  readonly unit: 'thou' | 'mm';
  /** px of one nm */
  readonly k: number;
}

/** Room round a part for its figures, px. */
const SIDE = 150;
const NARROW = 36;
const ABOVE = 64;
const BELOW = 70;
const BETWEEN = 46;

const MATERIAL_FILL = (kind: MadeForm['kind']): Fill => (kind === 'bush' ? 'hatchBronze' : MADE[kind].isTool ? 'hatchCover' : 'hatchMake');

/** Dots and dashes through a middle, as a centre line is drawn. */
const centreLine = (x1: number, y1: number, x2: number, y2: number): Shape => line(x1, y1, x2, y2, 'ink2', 0.8, '12 3 2 3');

const through = (curves: readonly Curve[], place: (x: number, y: number) => readonly [number, number], k: number): string =>
  curves.map((curve) => pathOf(curve, place, k, 2)).join('');

function flatDrawing({ form, outline, unit, k }: Drawn): MadeDrawing {
  const sizes = sizesOf(form);
  const { box } = outline;
  const [w, h] = [(box.right - box.left) * k, (box.top - box.bottom) * k];
  const { inner = 0 as Length, outer = 0 as Length, holeCircle, holeDiameter } = sizes;
  const innerWords = sizeWords(inner, unit, 'Ø');
  const r = (inner / 2) * k;
  const foot = ABOVE + h;
  const isHalf = form.kind === 'halfShim';
  // where the words of the bore stand, no line goes through them
  const wide = Math.max(textWidth(innerWords.first, 'number', 20), 80) / 2 + 6;
  const room = !isHalf && r > wide + 14 ? wide : 0;
  // beside a part whose bore has room for its words, nothing stands on the left
  const left = room > 0 || isHalf ? NARROW : SIDE;
  const [cx, cy] = [left - box.left * k, ABOVE + box.top * k];
  const place = (x: number, y: number): readonly [number, number] => [cx + x * k, cy - y * k];
  const bore: Shape[] = boreWords({ cx, cy, r, rim: (outer / 2) * k, isHalf, room, words: innerWords });
  const holes = outline.cuts.slice(isHalf ? 1 : 2);
  const [hole] = holes.filter((each) => each.kind === 'circle').sort((a, b) => b.x + b.y - (a.x + a.y));
  const callout =
    hole && holeDiameter && holeCircle
      ? holeWords({ at: place(hole.x, hole.y), r: hole.r * k, right: left + w, count: holes.length, holeDiameter, holeCircle, unit })
      : [];
  const notes = [tangWords(form, unit), grooveWords(form, unit)].filter((words) => words !== '');
  return {
    // a narrow part has the words of its outside beside their line
    width: Math.max(left + w + (w < 200 ? 230 : callout.length > 0 ? 104 : NARROW), ...notes.map((words) => left + textWidth(words, 'text', 16))),
    height: foot + BELOW + (isHalf ? 30 : 0) + notes.length * 22,
    says: `${MADE[form.kind].called}, ${innerWords.first} inside, ${sizeWords(outer, unit, 'Ø').first} outside`,
    shapes: [
      path(through(outline.cuts, place, k), { fill: MATERIAL_FILL(form.kind), stroke: 'brassLine', width: 1.6, rule: 'evenodd' }),
      ...outline.marks.map((mark) => path(pathOf(mark, place, k, 2), { fill: 'sheet', stroke: 'brassLine', width: 1 })),
      ...centreLines({ cx, cy, r: (outer / 2) * k, room, isHalf }),
      ...(holeCircle === undefined || holes.length === 0 ? [] : [circleLine(place, holeCircle / 2, k, isHalf)]),
      ...holes.flatMap((each) => (each.kind === 'circle' ? cross(...place(each.x, each.y), each.r * k) : [])),
      ...bore,
      ...callout,
      ...acrossAt({
        from: cx - (outer / 2) * k,
        to: cx + (outer / 2) * k,
        y: foot + (isHalf ? 66 : 36),
        lines: [cy, cy],
        words: sizeWords(outer, unit, 'Ø'),
      }),
      ...notes.map((words, i) => text(left - 20, foot + BELOW + i * 22, words, 'text', 16)),
    ],
  };
}

interface Middle {
  readonly cx: number;
  readonly cy: number;
  readonly r: number;
  readonly isHalf: boolean;
  /** half of what is left free about the middle for words, px; 0 where they stand elsewhere */
  readonly room: number;
}

function centreLines({ cx, cy, r, isHalf, room }: Middle): Shape[] {
  const end = r + 12;
  const free = room === 0 ? 0 : 24;
  return [
    ...(room === 0 ? [centreLine(cx - end, cy, cx + end, cy)] : [centreLine(cx - end, cy, cx - room, cy), centreLine(cx + room, cy, cx + end, cy)]),
    centreLine(cx, cy - end, cx, cy - free),
    ...(isHalf ? [] : [centreLine(cx, cy + free, cx, cy + end)]),
  ];
}

/** The bore, across it on a slant, its words in the middle where they fit and beside the part where not. */
function boreWords({ cx, cy, r, rim, isHalf, room, words }: Middle & { readonly rim: number; readonly words: SizeWords }): Shape[] {
  const slant = isHalf ? -Math.PI / 2.6 : -Math.PI / 6;
  const [ux, uy] = [Math.cos(slant), Math.sin(slant)];
  const from = room === 0 ? 0 : room / ux;
  const out = (side: 1 | -1): Shape[] => [
    line(cx + side * from * ux, cy + side * from * uy, cx + side * r * ux, cy + side * r * uy, 'ink', 1),
    arrowHead(cx + side * r * ux, cy + side * r * uy, side === 1 ? slant : slant + Math.PI),
  ];
  const arrows = isHalf ? out(1) : [...out(1), ...out(-1)];
  if (!isHalf && room === 0) {
    const [ex, ey] = [cx - rim - 12, cy + r * 0.5 + 18];
    const [px, py] = [cx - r * Math.cos(Math.PI / 6), cy + r * Math.sin(Math.PI / 6)];
    return [
      line(px, py, ex, ey, 'ink', 1),
      arrowHead(px, py, Math.atan2(py - ey, px - ex)),
      text(ex - 4, ey + 5, words.first, 'number', 18, 'ink', { bold: true, anchor: 'end' }),
      text(ex - 4, ey + 23, words.second, 'number', 14, 'ink2', { anchor: 'end' }),
    ];
  }
  const [x, y] = isHalf ? [cx, cy + 22] : [cx, cy];
  return [
    ...arrows,
    text(x, y, words.first, 'number', 20, 'ink', { bold: true, anchor: 'middle', halo: 'sheet' }),
    text(x, y + 19, words.second, 'number', 14, 'ink2', { anchor: 'middle', halo: 'sheet' }),
  ];
}

const circleLine = (place: (x: number, y: number) => readonly [number, number], r: number, k: number, isHalf: boolean): Shape => {
  const [x1, y1] = place(r, 0);
  const [x2, y2] = place(-r, 0);
  const radius = (r * k).toFixed(2);
  const upper = `M${x1.toFixed(2)},${y1.toFixed(2)}A${radius},${radius} 0 0 0 ${x2.toFixed(2)},${y2.toFixed(2)}`;
  return path(isHalf ? upper : `${upper}A${radius},${radius} 0 0 0 ${x1.toFixed(2)},${y1.toFixed(2)}`, {
    fill: 'none',
    stroke: 'ink2',
    width: 0.8,
    dash: '12 3 2 3',
  });
};

const cross = (x: number, y: number, r: number): Shape[] => [
  line(x - r - 4, y, x + r + 4, y, 'ink2', 0.8),
  line(x, y - r - 4, x, y + r + 4, 'ink2', 0.8),
];

function holeWords({
  at: [x, y],
  r,
  right,
  count,
  holeDiameter,
  holeCircle,
  unit,
}: {
  at: readonly [number, number];
  r: number;
  right: number;
  count: number;
  holeDiameter: Length;
  holeCircle: Length;
  unit: 'thou' | 'mm';
}): Shape[] {
  const [hole, on] = [sizeWords(holeDiameter, unit, 'Ø'), sizeWords(holeCircle, unit, 'Ø')];
  const [ex, ey] = [right - 36, Math.max(40, y - r - 34)];
  const slant = Math.atan2(ey - y, ex - x);
  return [
    line(x + r * Math.cos(slant), y + r * Math.sin(slant), ex, ey, 'ink', 1),
    arrowHead(x + r * Math.cos(slant), y + r * Math.sin(slant), slant + Math.PI),
    line(ex, ey, ex + 126, ey, 'ink', 1),
    text(ex + 126, ey - 8, `${count} × ${hole.first}`, 'number', 18, 'ink', { bold: true, anchor: 'end' }),
    text(ex + 126, ey + 18, `on ${on.first}`, 'number', 14, 'ink2', { anchor: 'end' }),
  ];
}

const several = (count: number, one: string, many: string): string => (count === 1 ? `one ${one}` : `${count} ${many}`);

function tangWords({ counts, sizes: { tangWidth, tangReach } }: MadeForm, unit: 'thou' | 'mm'): string {
  const count = counts.tangs ?? 0;
  if (count === 0 || tangWidth === undefined || tangReach === undefined) return '';
  return `${several(count, 'tang', 'tangs')}, ${sizeWords(tangWidth, unit).first} wide, ${sizeWords(tangReach, unit).first} out`;
}

function grooveWords({ counts, sizes: { grooveWidth } }: MadeForm, unit: 'thou' | 'mm'): string {
  const count = counts.grooves ?? 0;
  return count === 0 || grooveWidth === undefined
    ? ''
    : `${several(count, 'groove', 'grooves')}, ${sizeWords(grooveWidth, unit).first} wide, to the gear`;
}

/** A length or a diameter of a section that is said on it. */
interface Across {
  readonly from: number;
  readonly to: number;
  readonly size: number;
}

function turnedDrawing({ form, outline, unit, k }: Drawn): MadeDrawing {
  const { steps, section, length } = outline;
  const R = outline.box.top;
  const [w, h] = [length * k, 2 * R * k];
  const rows = lengthsOf(form, outline);
  // a short first length has its words on its left
  const [x0, cy] = [SIDE + (rows.length > 1 ? 56 : 20), ABOVE + R * k];
  const place = (x: number, y: number): readonly [number, number] => [x0 + x * k, cy - y * k];
  const isThrough = steps.every(({ inner }) => inner > 0);
  const foot = ABOVE + h;
  const isLeadIn = form.kind === 'sleeve' || form.kind === 'dummyShaft';
  const [left, right] = isLeadIn ? [2 * R, 2 * R] : [endSizes(steps[0], 'outer'), endSizes(steps.at(-1), 'outerTo')];
  const bore = Math.max(0, ...steps.map(({ inner }) => inner));
  const bores = bore === 0 ? [] : boreAcross({ length, bore, place, unit, isSecond: right !== left && isThrough });
  const { slit } = form.sizes;
  // a short length has its words beside it
  const lengthRoom = w < 170 ? 230 : 0;
  return {
    width: x0 + w + Math.max(bore > 0 && right !== left ? 2 * SIDE : SIDE + 20, lengthRoom),
    height: foot + 24 + rows.length * BETWEEN + (slit === undefined ? 0 : 26),
    says: `${MADE[form.kind].called}, ${rows.map(({ size }) => sizeWords(nanometres(size), unit).first).join(', ')} long`,
    shapes: [
      path(through(section, place, k), { fill: MATERIAL_FILL(form.kind), stroke: 'brassLine', width: 1.6 }),
      ...edgesOf(outline, place),
      centreLine(x0 - 16, cy, x0 + w + 16, cy),
      ...upAt({
        top: place(0, left / 2)[1],
        bottom: place(0, -left / 2)[1],
        x: x0 - 34,
        lines: [x0, x0],
        words: sizeWords(nanometres(left), unit, 'Ø'),
        side: 'left',
      }),
      ...(right === left
        ? []
        : upAt({
            top: place(0, right / 2)[1],
            bottom: place(0, -right / 2)[1],
            x: x0 + w + 34,
            lines: [x0 + w, x0 + w],
            words: sizeWords(nanometres(right), unit, 'Ø'),
            side: 'right',
          })),
      ...bores,
      ...rows.flatMap(({ from, to, size }, i) =>
        acrossAt({
          from: place(from, 0)[0],
          to: place(to, 0)[0],
          y: foot + 30 + i * BETWEEN,
          lines: [foot - R * k * 0.1, foot - R * k * 0.1],
          words: sizeWords(nanometres(size), unit),
          // what is measured below it goes on to the right
          beside: from === 0 && rows.length > 1 && i === 0 ? 'left' : 'right',
        }),
      ),
      ...(slit === undefined
        ? []
        : [
            text(x0 + w / 2, foot + 44 + rows.length * BETWEEN, `slit along, ${sizeWords(slit, unit).first} wide`, 'text', 16, 'ink', {
              anchor: 'middle',
            }),
          ]),
    ],
  };
}

const endSizes = (step: MadeOutline['steps'][number] | undefined, end: 'outer' | 'outerTo'): number => step?.[end] ?? 0;

/** Each step's length where there are several of a size worth saying, and the whole. */
function lengthsOf({ kind }: MadeForm, { steps, length }: MadeOutline): Across[] {
  if (steps.length === 1 || kind === 'sleeve' || kind === 'dummyShaft') return [{ from: 0, to: length, size: length }];
  let x = 0;
  const each = steps.map(({ length: l }) => {
    x += l;
    return { from: x - l, to: x, size: l };
  });
  return kind === 'bush' || kind === 'lapPlate' ? [{ ...(each[kind === 'bush' ? 0 : 1] as Across) }, { from: 0, to: length, size: length }] : each;
}

/** Lines across where a step ends, seen beyond the cut: on the bore's far wall. */
function edgesOf({ steps }: MadeOutline, place: (x: number, y: number) => readonly [number, number]): Shape[] {
  const isThrough = steps.every(({ inner }) => inner > 0);
  if (!isThrough) return [];
  const whole = steps.reduce((sum, { length }) => sum + length, 0);
  return [0, whole].map((x, i) => {
    const inner = (i === 0 ? steps[0]?.inner : steps.at(-1)?.inner) ?? 0;
    const [px, top] = place(x, inner / 2);
    return line(px, top, px, place(x, -inner / 2)[1], 'brassLine', 1.2);
  });
}

interface Bored {
  readonly length: number;
  readonly bore: number;
  readonly place: (x: number, y: number) => readonly [number, number];
  readonly unit: 'thou' | 'mm';
  /** another diameter stands there already */
  readonly isSecond: boolean;
}

/** The bore, on the right, outside the other diameter. */
function boreAcross({ length, bore, place, unit, isSecond }: Bored): Shape[] {
  const [x, top] = place(length, bore / 2);
  return upAt({
    top,
    bottom: place(length, -bore / 2)[1],
    x: x + (isSecond ? 34 + SIDE - 16 : 34),
    lines: [x, x],
    words: sizeWords(nanometres(bore), unit, 'Ø'),
    side: 'right',
  });
}

/**
 * A part to be made as it is drawn, with its sizes in both systems: flat ones seen along their axis, turned ones cut along it.
 *
 * @param scale pixels of one millimetre: 96/25.4 at full size
 * @throws ReckoningError as `checkForm`
 */
export function madeDrawing(form: MadeForm, { unit, scale }: { readonly unit: 'thou' | 'mm'; readonly scale: number }): MadeDrawing {
  const drawn: Drawn = { form, outline: madeOutline(form), unit, k: scale / 1e6 };
  return MADE[form.kind].isFlat ? flatDrawing(drawn) : turnedDrawing(drawn);
}

/** A rule of 50 mm, in fifths, dark and light, to lay a rule on: its dark ends are its ends, with no line round them. */
export function fiftyBar(x: number, y: number, scale: number): Shape[] {
  const fifth = 10 * scale;
  const dark = Array.from({ length: 3 }, (_, i): Shape => ({ kind: 'rect', x: x + 2 * i * fifth, y, w: fifth, h: 9, fill: 'ink', id: `fifty ${i}` }));
  return [line(x, y + 0.4, x + 5 * fifth, y + 0.4, 'ink', 0.8), line(x, y + 8.6, x + 5 * fifth, y + 8.6, 'ink', 0.8), ...dark];
}
