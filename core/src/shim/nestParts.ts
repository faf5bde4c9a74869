import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';

/** A blank to be cut from a sheet: round, with or without a bore that another may lie in; or oblong. Finished sizes, nm. */
export type NestPart =
  { readonly id: string; readonly outer: Length; readonly inner?: Length } | { readonly id: string; readonly width: Length; readonly height: Length };

/** What is gone from a sheet already: round or oblong, by its middle, nm from the lower left corner. */
export type Taken =
  | { readonly x: Length; readonly y: Length; readonly outer: Length }
  | { readonly x: Length; readonly y: Length; readonly width: Length; readonly height: Length };

export interface NestQuestion {
  readonly sheet: { readonly width: Length; readonly height: Length };
  readonly taken: readonly Taken[];
  readonly parts: readonly NestPart[];
  /** what a cut is wide: finished outlines lie so far apart, nm */
  readonly kerf: Length;
  /** left along the edge of the sheet, nm */
  readonly margin: Length;
}

export interface Nested {
  readonly placed: readonly { readonly id: string; readonly x: Length; readonly y: Length; readonly within?: string }[];
  readonly unplaced: readonly string[];
  /** the largest strip that is left whole along one side; null where nothing is */
  readonly offcut: { readonly x: Length; readonly y: Length; readonly width: Length; readonly height: Length } | null;
}

/** Anything with a place on the sheet: a disc of radius r, or an oblong of half sides a and b. */
interface Item {
  readonly id: string;
  readonly r: number | null;
  readonly a: number;
  readonly b: number;
  readonly inner: number;
}
interface Spot {
  readonly x: number;
  readonly y: number;
}
interface Lying extends Spot {
  readonly item: Item;
  readonly within?: string;
}
interface Field {
  readonly width: number;
  readonly height: number;
  readonly kerf: number;
  readonly margin: number;
  readonly taken: readonly Lying[];
}

/** Places are whole nanometres: outlines are kept a hair further apart than they must be, so that rounding never makes them touch. */
const HAIR = 2;

const itemOf = (part: NestPart | Taken, id: string): Item =>
  'outer' in part
    ? { id, r: part.outer / 2, a: part.outer / 2, b: part.outer / 2, inner: 'inner' in part && part.inner !== undefined ? part.inner : 0 }
    : { id, r: null, a: part.width / 2, b: part.height / 2, inner: 0 };

/** How far apart two outlines are; less than nothing where they overlap. */
function apart(one: Item, at: Spot, other: Lying): number {
  const [dx, dy] = [Math.abs(at.x - other.x), Math.abs(at.y - other.y)];
  if (one.r !== null && other.item.r !== null) return Math.hypot(dx, dy) - one.r - other.item.r;
  // the round one is a point with its radius, the oblong one grows by nothing
  const [gx, gy] = [
    dx - (one.r === null ? one.a : 0) - (other.item.r === null ? other.item.a : 0),
    dy - (one.r === null ? one.b : 0) - (other.item.r === null ? other.item.b : 0),
  ];
  const between = gx > 0 && gy > 0 ? Math.hypot(gx, gy) : Math.max(gx, gy);
  return between - (one.r ?? 0) - (other.item.r ?? 0);
}

const isOn = ({ width, height, margin }: Field, { a, b }: Item, { x, y }: Spot): boolean =>
  x - a >= margin && x + a <= width - margin && y - b >= margin && y + b <= height - margin;

const isClear = (kerf: number, others: readonly Lying[], item: Item, at: Spot): boolean =>
  others.every((other) => other.within !== undefined || apart(item, at, other) >= kerf);

const isFree = (field: Field, lying: readonly Lying[], item: Item, at: Spot): boolean =>
  isOn(field, item, at) && isClear(field.kerf, field.taken, item, at) && isClear(field.kerf, lying, item, at);

/** Where the circles about two middles cross. */
function crossings(p: Spot, r: number, q: Spot, s: number): Spot[] {
  const d = Math.hypot(q.x - p.x, q.y - p.y);
  if (d === 0 || d > r + s || d < Math.abs(r - s)) return [];
  const along = (d * d + r * r - s * s) / (2 * d);
  const off = Math.sqrt(Math.max(0, r * r - along * along));
  const [ux, uy] = [(q.x - p.x) / d, (q.y - p.y) / d];
  const [mx, my] = [p.x + along * ux, p.y + along * uy];
  return [
    { x: mx - off * uy, y: my + off * ux },
    { x: mx + off * uy, y: my - off * ux },
  ];
}

/** Where an item can lie against two things at once: edges, oblongs, discs. */
function nooks(field: Field, lying: readonly Lying[], item: Item): Spot[] {
  const others = [...field.taken, ...lying.filter((each) => each.within === undefined)];
  const gap = field.kerf + HAIR;
  const xs = [field.margin + item.a, field.width - field.margin - item.a];
  const ys = [field.margin + item.b, field.height - field.margin - item.b];
  for (const { item: other, x, y } of others) {
    // two discs touch where their circles cross, not at their corners
    if (item.r !== null && other.r !== null) continue;
    xs.push(x + other.a + item.a + gap, x - other.a - item.a - gap);
    ys.push(y + other.b + item.b + gap, y - other.b - item.b - gap);
  }
  const spots = xs.flatMap((x) => ys.map((y) => ({ x, y })));
  const { r } = item;
  if (r === null) return spots;
  const discs = others.flatMap(({ item: other, x, y }) => (other.r === null ? [] : [{ x, y, r: other.r + r + gap }]));
  discs.forEach((disc, i) => {
    for (const x of xs) {
      const h = disc.r ** 2 - (x - disc.x) ** 2;
      if (h >= 0) spots.push({ x, y: disc.y + Math.sqrt(h) }, { x, y: disc.y - Math.sqrt(h) });
    }
    for (const y of ys) {
      const h = disc.r ** 2 - (y - disc.y) ** 2;
      if (h >= 0) spots.push({ x: disc.x + Math.sqrt(h), y }, { x: disc.x - Math.sqrt(h), y });
    }
    for (const other of discs.slice(i + 1)) spots.push(...crossings(disc, disc.r, other, other.r));
  });
  return spots;
}

const whole = ({ x, y }: Spot): Spot => ({ x: Math.round(x), y: Math.round(y) });

/** The bore of one that lies there already, the smallest that it goes into. */
function boreFor(field: Field, lying: readonly Lying[], item: Item): Lying | undefined {
  if (item.r === null) return undefined;
  const need = 2 * item.r + 2 * field.kerf;
  return lying
    .filter((host) => host.item.inner >= need && !lying.some((guest) => guest.within === host.item.id))
    .sort((a, b) => a.item.inner - b.item.inner)[0];
}

/** One after another, the largest first: into a bore, else on the first free place of those on offer. */
function layOut(field: Field, items: readonly Item[], offered: (item: Item, lying: readonly Lying[]) => Iterable<Spot>): Lying[] {
  const lying: Lying[] = [];
  // where one found no room, another of its size finds none either
  const noRoom = new Set<string>();
  for (const item of items) {
    const host = boreFor(field, lying, item);
    if (host) {
      lying.push({ item, x: host.x, y: host.y, within: host.item.id });
      continue;
    }
    const size = `${item.r} ${item.a} ${item.b}`;
    const at = noRoom.has(size) ? undefined : firstFree(field, lying, item, offered(item, lying));
    if (at) lying.push({ item, ...at });
    else noRoom.add(size);
  }
  return lying;
}

function firstFree(field: Field, lying: readonly Lying[], item: Item, spots: Iterable<Spot>): Spot | undefined {
  for (const spot of spots) {
    const at = whole(spot);
    if (isFree(field, lying, item, at)) return at;
  }
  return undefined;
}

/** Rows of middles: square, or every other row moved by half; turned about, in columns. */
function lattice(field: Field, cell: { a: number; b: number }, kind: 'square' | 'rows' | 'columns'): Spot[] {
  const isTurned = kind === 'columns';
  const [along, across] = isTurned ? [field.height, field.width] : [field.width, field.height];
  const [a, b] = isTurned ? [cell.b, cell.a] : [cell.a, cell.b];
  const step = 2 * a + field.kerf + HAIR;
  const rise = kind === 'square' ? 2 * b + field.kerf + HAIR : step * Math.sqrt(3 / 4) + HAIR;
  const spots: Spot[] = [];
  for (let row = 0; ; row++) {
    const v = field.margin + b + row * rise;
    if (v + b > across - field.margin) break;
    for (let u = field.margin + a + (kind !== 'square' && row % 2 === 1 ? step / 2 : 0); u + a <= along - field.margin; u += step)
      spots.push(isTurned ? { x: v, y: u } : { x: u, y: v });
  }
  return spots;
}

/** The strip right of all that lies there, or above it, whichever is the larger. */
function offcutOf(field: Field, lying: readonly Lying[]): Nested['offcut'] {
  const all = [...field.taken, ...lying];
  const reach = (of: (each: Lying) => number): number => (all.length === 0 ? 0 : Math.max(...all.map(of)) + field.kerf);
  const [right, above] = [reach((each) => each.x + each.item.a), reach((each) => each.y + each.item.b)];
  const beside = { x: right, y: 0, width: field.width - right, height: field.height };
  const over = { x: 0, y: above, width: field.width, height: field.height - above };
  const best = beside.width * beside.height >= over.width * over.height ? beside : over;
  return best.width <= 0 || best.height <= 0
    ? null
    : {
        x: nanometres(Math.round(best.x)),
        y: nanometres(Math.round(best.y)),
        width: nanometres(Math.floor(best.width)),
        height: nanometres(Math.floor(best.height)),
      };
}

/**
 * Blanks laid out on a sheet with the cut between them: in squares, in rows moved by half, and one against another, smaller ones in the
 * bores of larger; whichever places the most, and leaves the largest strip whole. Never fewer than a plain grid.
 *
 * @returns middles from the lower left corner, nm, in the order in which they were laid; `within` the blank whose bore it lies in
 * @throws ReckoningError `notASheet`, `notAPart`
 * Source: our own.
 * @example nestParts({ sheet: { width: mm(100), height: mm(50) }, taken: [], parts: [{ id: 'a', outer: mm(40) }], kerf: mm(0.2), margin: mm(2) }).placed[0].x // 22 mm
 */
export function nestParts({ sheet, taken, parts, kerf, margin }: NestQuestion): Nested {
  if (!(sheet.width > 0 && sheet.height > 0 && kerf >= 0 && margin >= 0))
    refuse('notASheet', 'A sheet has a width and a height; a cut and an edge are not less than nothing.');
  const items = parts.map((part) => itemOf(part, part.id)).sort((p, q) => Math.max(q.a, q.b) - Math.max(p.a, p.b));
  if (items.some(({ a, b, inner }) => !(a > 0 && b > 0 && inner >= 0 && inner < 2 * a)))
    refuse('notAPart', 'A blank has a size, and its bore lies inside it.');
  const field: Field = { ...sheet, kerf, margin, taken: taken.map((each) => ({ item: itemOf(each, ''), x: each.x, y: each.y })) };
  if (items.length === 0) return { placed: [], unplaced: [], offcut: offcutOf(field, []) };
  const cell = { a: Math.max(0, ...items.map((i) => i.a)), b: Math.max(0, ...items.map((i) => i.b)) };
  const lowestFirst = (item: Item, lying: readonly Lying[]): Spot[] =>
    nooks(field, lying, item)
      .filter((spot) => isOn(field, item, whole(spot)))
      .sort((p, q) => p.x - q.x || p.y - q.y);
  const layouts = [
    ...(['square', 'rows', 'columns'] as const).map((kind) => {
      const spots = lattice(field, cell, kind);
      // what the rows leave out may still find a nook
      return layOut(field, items, function* (item, lying) {
        yield* spots;
        yield* lowestFirst(item, lying);
      });
    }),
    layOut(field, items, lowestFirst),
  ];
  const worth = layouts.map((lying) => {
    const offcut = offcutOf(field, lying);
    return { lying, offcut, left: offcut ? offcut.width * offcut.height : 0 };
  });
  const best = worth.reduce((most, each) =>
    each.lying.length > most.lying.length || (each.lying.length === most.lying.length && each.left > most.left) ? each : most,
  );
  const ids = new Set(best.lying.map(({ item }) => item.id));
  return {
    placed: best.lying.map(({ item, x, y, within }) => ({
      id: item.id,
      x: nanometres(x),
      y: nanometres(y),
      ...(within === undefined ? {} : { within }),
    })),
    unplaced: parts.filter(({ id }) => !ids.has(id)).map(({ id }) => id),
    offcut: best.offcut,
  };
}
