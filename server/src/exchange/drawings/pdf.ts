import { fiftyBar, MADE, madeDrawing, shimCautions, type MadeForm } from '@elder-cog/core';
import type { DrawingTitle } from './title.ts';
import { bytesOf, drawAt, fitted, inLines, newPage, POINTS_PER_MM, POINTS_PER_PX, write, type Page } from './pen.ts';

/** px to a millimetre at full size */
const SCALE = 96 / 25.4;
const EDGE = 10;
/** The foot of the sheet: the rule of 50 mm, then the title block, mm. */
const BAR = 16;
const BLOCK = 40;

/** Sheets as they are sold, mm, the smallest first; lying where that is wide enough and standing is not. */
const SHEETS: readonly (readonly [width: number, height: number])[] = [
  [210, 297],
  [297, 210],
  [297, 420],
  [420, 297],
  [420, 594],
  [594, 420],
];

/** The first sheet a drawing goes on at full size; one cut to it, where none does. */
function sheetFor(width: number, height: number): readonly [number, number] {
  const [w, h] = [width + 2 * EDGE, height + 2 * EDGE + BAR + BLOCK];
  return SHEETS.find(([sw, sh]) => sw >= w && sh >= h) ?? [Math.ceil(w), Math.ceil(h)];
}

interface Cell {
  readonly label: string;
  readonly lines: readonly string[];
  /** of the width, in twelfths */
  readonly span: number;
  readonly isNumber?: boolean;
}

function drawCells(page: Page, cells: readonly Cell[], { top, height, width }: { top: number; height: number; width: number }): void {
  const twelfth = (width - 2 * EDGE) / 12;
  let x = EDGE;
  for (const { label, lines, span, isNumber = false } of cells) {
    const w = span * twelfth;
    page
      .rect(x * POINTS_PER_MM, top * POINTS_PER_MM, w * POINTS_PER_MM, height * POINTS_PER_MM)
      .lineWidth(0.6)
      .strokeColor('#1E2226')
      .stroke();
    page.save();
    page.translate(x * POINTS_PER_MM, top * POINTS_PER_MM).scale(POINTS_PER_PX);
    write(page, label.toUpperCase(), { x: 6, y: 15, font: 'label', size: 12, colour: 'ink2' });
    let y = 32;
    lines.forEach((line, i) => {
      const how = { font: isNumber ? ('number' as const) : ('text' as const), size: i === 0 ? 15 : 12, bold: i === 0 };
      for (const words of inLines(page, line, how, w * SCALE - 12)) {
        write(page, words, { x: 6, y, colour: i === 0 ? 'ink' : 'ink2', ...how });
        y += 15;
      }
    });
    page.restore();
    x += w;
  }
}

/** The title block along the foot: what it is, what it is for, what of, how big, at what scale. */
function drawTitle(
  page: Page,
  title: DrawingTitle,
  { width, height, form, at }: { width: number; height: number; form: MadeForm; at: string },
): void {
  const y = height - EDGE - BLOCK;
  const half = BLOCK / 2;
  const axial = MADE[form.kind].axial;
  drawCells(
    page,
    [
      { label: 'machine', lines: [title.machine], span: 3 },
      { label: 'part', lines: [title.name, title.kind], span: 3 },
      { label: axial === 'thickness' ? 'thickness' : 'length', lines: title.to.length > 0 ? title.to : ['not said'], span: 3, isNumber: true },
      { label: 'of', lines: [title.material === '' ? 'not said' : title.material, title.from], span: 3 },
    ],
    { top: y, height: half, width },
  );
  drawCells(
    page,
    [
      { label: 'goes', lines: [title.place === '' ? '–' : title.place], span: 3 },
      { label: 'for', lines: [title.gap === '' ? '–' : title.gap, title.gap === '' ? '' : 'reckoned, from what was read'], span: 4 },
      { label: 'scale', lines: ['1 : 1, mm', 'lay a rule on the bar first'], span: 3 },
      { label: 'drawn', lines: [at.slice(0, 10), 'Elder Cog'], span: 2 },
    ],
    { top: y + half, height: half, width },
  );
}

/**
 * The drawing of a part at full size, with its figures in both systems, a rule of 50 mm and a title block: on the smallest sheet it goes on.
 *
 * @param at when it is drawn, ISO 8601
 */
export async function pdfOf(form: MadeForm, title: DrawingTitle, at: string): Promise<Buffer> {
  const drawing = madeDrawing(form, { unit: title.unit, scale: SCALE });
  const [w, h] = [drawing.width / SCALE, drawing.height / SCALE];
  const [width, height] = sheetFor(w, h);
  const page = newPage(width, height, `${title.machine}: ${title.name}`);
  const room = height - 2 * EDGE - BAR - BLOCK;
  drawAt(page, drawing.shapes, { x: (width - w) / 2, y: EDGE + Math.max(0, (room - h) / 2) });
  const foot = height - EDGE - BLOCK - BAR + 4;
  drawAt(page, fiftyBar(0, 0, SCALE), { x: EDGE, y: foot });
  page.save();
  page.translate((EDGE + 54) * POINTS_PER_MM, foot * POINTS_PER_MM).scale(POINTS_PER_PX);
  const isShim = MADE[form.kind].isFlat && !MADE[form.kind].isTool;
  const notes = [
    '50 mm: if a rule does not say so, the printer has scaled it.',
    ...(isShim && form.sizes.thickness ? shimCautions({ thickness: form.sizes.thickness }).map(({ message }) => message) : []),
  ];
  notes.slice(0, 3).forEach((words, i) => {
    const how = { font: 'text', size: 12 } as const;
    write(page, fitted(page, words, how, (width - 2 * EDGE - 54) * SCALE), { x: 0, y: 8 + i * 15, colour: 'ink2', ...how });
  });
  page.restore();
  drawTitle(page, title, { width, height, form, at });
  return bytesOf(page);
}

/** A label for the bag it goes into: 60 × 30 mm, with what it was measured, in both systems; what it is to be made to, where it was not. */
export async function labelOf(title: DrawingTitle, { measured, at }: { readonly measured: readonly string[]; readonly at: string }): Promise<Buffer> {
  const page = newPage(60, 30, `${title.machine}: ${title.name}`);
  page.save();
  page.scale(POINTS_PER_PX);
  const width = 60 * SCALE - 20;
  const [first = title.to[0] ?? '', second = title.to[1] ?? ''] = measured;
  const lines = [
    { words: title.name, font: 'text' as const, size: 16, bold: true, y: 22 },
    { words: first, font: 'number' as const, size: 20, bold: true, y: 45 },
    { words: second, font: 'number' as const, size: 13, y: 62 },
    { words: title.place, font: 'text' as const, size: 12, y: 78 },
    { words: [title.machine, title.material, at.slice(0, 10)].filter((each) => each !== '').join(', '), font: 'text' as const, size: 12, y: 94 },
  ];
  for (const { words, y, ...how } of lines) write(page, fitted(page, words, how, width), { x: 10, y, ...how });
  page.restore();
  return bytesOf(page);
}
