import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Colour, Fill, Font, Shape } from '@elder-cog/core';
import PDFDocument from 'pdfkit';

/** Draws the shapes of the core on a page of a PDF, in the light theme's colours, a pixel being a ninety-sixth of an inch. */

export type Page = InstanceType<typeof PDFDocument>;

/** A point is a seventy-second of an inch, a pixel a ninety-sixth. */
export const POINTS_PER_PX = 0.75;
export const POINTS_PER_MM = 72 / 25.4;

const COLOURS: Readonly<Record<Colour, string>> = {
  paper: '#FFFFFF',
  sheet: '#FFFFFF',
  well: '#EBE4D2',
  ink: '#1E2226',
  ink2: '#46463F',
  rule: '#C9BFA8',
  edge: '#7A705A',
  blue: '#1B4872',
  band: '#D5E2EA',
  brass: '#A97D24',
  brassLine: '#3F2C05',
  brassText: '#634405',
  right: '#14543A',
  tight: '#8C2117',
  loose: '#553583',
  steel: '#C6CACB',
  iron: '#DDD6C6',
  part: '#3C4347',
};

const files = createRequire(import.meta.url);
const font = (path: string): Buffer => readFileSync(files.resolve(`@fontsource/${path}.woff`));
const FONTS = {
  label: 'barlow-condensed/files/barlow-condensed-latin-500-normal',
  labelBold: 'barlow-condensed/files/barlow-condensed-latin-600-normal',
  text: 'atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal',
  textBold: 'atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-600-normal',
  number: 'commit-mono/files/commit-mono-latin-500-normal',
  numberBold: 'commit-mono/files/commit-mono-latin-600-normal',
} as const;

/** A new document with the fonts that the page has. */
export function newPage(width: number, height: number, title: string): Page {
  const page = new PDFDocument({ size: [width * POINTS_PER_MM, height * POINTS_PER_MM], margin: 0, info: { Title: title, Creator: 'Elder Cog' } });
  for (const [name, path] of Object.entries(FONTS)) page.registerFont(name, font(path));
  return page;
}

interface Hatch {
  readonly angle: number;
  readonly apart: number;
  readonly ground: Colour;
  readonly ink: Colour;
}
const HATCHES: Readonly<Partial<Record<Fill, Hatch>>> = {
  hatchCasing: { angle: -45, apart: 7, ground: 'sheet', ink: 'part' },
  hatchCover: { angle: 45, apart: 7, ground: 'sheet', ink: 'part' },
  hatchMake: { angle: -45, apart: 6, ground: 'sheet', ink: 'brassText' },
  hatchBronze: { angle: -45, apart: 3, ground: 'sheet', ink: 'part' },
};

const isHatch = (fill: Fill): fill is keyof typeof HATCHES => fill in HATCHES;

/** The lines of a hatch over everything there is out to a point, px; the clip leaves those of the part. */
function hatchLines(page: Page, { angle, apart, ink }: Hatch, far: number): void {
  page.rotate(angle, { origin: [0, 0] });
  for (let y = -far; y <= far; y += apart) page.moveTo(-far, y).lineTo(far, y);
  page.lineWidth(0.7).strokeColor(COLOURS[ink]).stroke();
}

type Drawn = Exclude<Shape, { readonly kind: 'text' }>;

const trace = (page: Page, shape: Drawn): Page =>
  shape.kind === 'rect'
    ? page.rect(shape.x, shape.y, shape.w, shape.h)
    : shape.kind === 'circle'
      ? page.circle(shape.x, shape.y, shape.r)
      : page.path(shape.d);

/** How far from the origin any of it can lie, px: slantwise over its largest figure. */
function farthest(shape: Drawn): number {
  const figures =
    shape.kind === 'rect'
      ? [shape.x + shape.w, shape.y + shape.h]
      : shape.kind === 'circle'
        ? [shape.x + shape.r, shape.y + shape.r]
        : (shape.d.match(/[\d.]+/g) ?? []).map(Number);
  return Math.SQRT2 * Math.max(0, ...figures);
}

function drawShape(page: Page, shape: Drawn): void {
  const { fill = 'none', stroke, width = 1, dash } = shape;
  const hatch = isHatch(fill) ? HATCHES[fill] : undefined;
  if (hatch) {
    trace(page, shape).fillColor(COLOURS[hatch.ground]).fill('even-odd');
    page.save();
    trace(page, shape).clip('even-odd');
    hatchLines(page, hatch, farthest(shape));
    page.restore();
  } else if (fill !== 'none')
    trace(page, shape)
      .fillColor(COLOURS[fill as Colour])
      .fill('even-odd');
  if (!stroke) return;
  page.lineWidth(width).strokeColor(COLOURS[stroke]);
  const gaps = dash?.split(/[ ,]+/).map(Number);
  if (gaps) page.dash(gaps as unknown as number, {});
  trace(page, shape).stroke();
  if (gaps) page.undash();
}

interface Written {
  readonly font: Font;
  readonly size: number;
  readonly bold?: boolean | undefined;
}

/** The font that has every letter of it: what the text font lacks, the number font has. */
function setFont(page: Page, words: string, { font: of, size, bold = false }: Written): void {
  const lacks = of !== 'number' && /[″′µ→≤≥]/.test(words);
  page.font(`${lacks ? 'number' : of}${bold ? 'Bold' : ''}`).fontSize(size);
}

// alternates off, as on the page
const PLAIN = { lineBreak: false, features: { calt: false, liga: false } as unknown as PDFKit.Mixins.OpenTypeFeatures[] } as const;

/** Words on a base line; as they run out, px wide. */
export function write(
  page: Page,
  words: string,
  {
    x,
    y,
    anchor = 'start',
    colour = 'ink',
    ...how
  }: Written & { readonly x: number; readonly y: number; readonly anchor?: 'start' | 'middle' | 'end' | undefined; readonly colour?: Colour },
): number {
  setFont(page, words, how);
  const width = page.widthOfString(words, PLAIN);
  const left = x - (anchor === 'end' ? width : anchor === 'middle' ? width / 2 : 0);
  page.fillColor(COLOURS[colour]).text(words, left, y, { ...PLAIN, baseline: 'alphabetic' });
  return width;
}

/** As much of some words as goes into a width, the rest left out with dots. */
export function fitted(page: Page, words: string, how: Written, width: number): string {
  setFont(page, words, how);
  if (page.widthOfString(words, PLAIN) <= width) return words;
  let kept = words;
  while (kept.length > 1 && page.widthOfString(`${kept}…`, PLAIN) > width) kept = kept.slice(0, -1);
  return `${kept.trimEnd()}…`;
}

/** Words in two lines at the most, broken between two of them: what is over is left out with dots. */
export function inLines(page: Page, words: string, how: Written, width: number): string[] {
  setFont(page, words, how);
  const each = words.split(' ');
  let taken = each.length;
  while (taken > 1 && page.widthOfString(each.slice(0, taken).join(' '), PLAIN) > width) taken -= 1;
  const rest = each.slice(taken).join(' ');
  return [fitted(page, each.slice(0, taken).join(' '), how, width), ...(rest === '' ? [] : [fitted(page, rest, how, width)])];
}

/** Shapes in pixels, with their origin at a point of the page, mm. */
export function drawAt(page: Page, shapes: readonly Shape[], { x, y }: { readonly x: number; readonly y: number }): void {
  page.save();
  page.translate(x * POINTS_PER_MM, y * POINTS_PER_MM).scale(POINTS_PER_PX);
  for (const shape of shapes)
    if (shape.kind === 'text')
      write(page, shape.text, {
        x: shape.x,
        y: shape.y,
        anchor: shape.anchor,
        colour: shape.colour,
        font: shape.font,
        size: shape.size,
        bold: shape.bold,
      });
    else drawShape(page, shape);
  page.restore();
}

/** A document as it is sent. */
export async function bytesOf(page: Page): Promise<Buffer> {
  const parts: Buffer[] = [];
  page.on('data', (part: Buffer) => parts.push(part));
  const done = new Promise<void>((resolve, reject) => {
    page.on('end', resolve);
    page.on('error', reject);
  });
  page.end();
  await done;
  return Buffer.concat(parts);
}
