import { describeLength, NM_PER, nanometres } from '../../quantity/index.ts';
import { outlinesOf } from '../outlines/index.ts';
import type { Outline, Ring, Solid } from '../outlines/solid.ts';
import { fillOf, worldOf, type Placed, type World } from '../outlines/world.ts';
import { line, outline, path, PX_PER_MM, type Shape } from '../shapes.ts';
import { Labels, type LabelBox } from './labels.ts';
import { layOut, ratioOf, topologyOf, type Layout, type Scale, type Topology } from './layOut.ts';
import { drawLens, type Lens, type Side } from './lens.ts';
import type { DrawnGap, DrawnPlace, SectionQuestion } from './question.ts';

export interface Section {
  readonly shapes: readonly Shape[];
  readonly solids: readonly Solid[];
  /** every length drawn: pixels between its two faces, and whether its size is known */
  readonly drawn: readonly { readonly id: string; readonly px: number; readonly known: boolean }[];
  /** px per mm, where anything is to scale */
  readonly pxPerMm: number | null;
  readonly scaleWords: string;
  /** one for each gap, in their order */
  readonly lenses: readonly {
    readonly letter: string;
    readonly x: number;
    readonly y: number;
    readonly r: number;
    readonly magnification: number;
    readonly gapPx: number;
  }[];
  readonly labels: readonly LabelBox[];
  /** the same in words */
  readonly says: string;
}

/** Scales things are drawn to, largest first: times their size. */
const SCALES = [5, 4, 3, 2.5, 2, 1.5, 1, 1 / 1.25, 1 / 1.5, 1 / 2, 1 / 2.5, 1 / 3, 1 / 4, 1 / 5, 1 / 6, 1 / 8, 1 / 10];
/** A drawing is tried at this many px a millimetre first, to see how much room it takes. */
const TRIED_AT = 2.5;
/** On a phone a drawing is this big, px a millimetre, where it is as long as LONG mm; a shorter one is bigger. */
const PHONE = { scale: 2.9, long: 312 } as const;

/** Where on the sheet a drawing goes. */
interface Room {
  readonly wide: number;
  /** how far it may reach out from its axis */
  readonly out: number;
  readonly axis: number;
  /** both halves, or the upper one alone with lenses over it */
  readonly isHalf: boolean;
  readonly isNarrow: boolean;
  /** room for the one lens at the upper right: nothing that reaches out farther than `over` goes beyond `x` */
  readonly lens: { readonly x: number; readonly over: number } | null;
}

/** The one lens of a drawing with one gap, px. */
const lensRadius = (width: number): number => (width < 760 ? 58 : 68);

function roomOf({ width, height, gaps }: SectionQuestion): Room {
  if (width < 600) return { wide: width, out: height, axis: height * 0.86, isHalf: false, isNarrow: true, lens: null };
  if (gaps.length > 1) return { wide: width - 32, out: height - 44 - 168, axis: height - 44, isHalf: true, isNarrow: false, lens: null };
  const axis = Math.round(height / 2 + 4);
  const r = lensRadius(width);
  const lens = { x: width - 2 * r - 24, over: axis - (2 * r + 34) };
  return { wide: width - 24, out: (height - 72) / 2, axis, isHalf: false, isNarrow: false, lens };
}

interface Drawing {
  readonly layout: Layout;
  readonly world: World;
  readonly outlines: Outline;
  readonly from: number;
  readonly to: number;
  readonly out: number;
}

function drawAt(question: SectionQuestion, topology: Topology, scale: Scale): Drawing {
  const layout = layOut(question, topology, scale);
  const world = worldOf(question, layout);
  const outlines = outlinesOf(world);
  const points = outlines.solids.flatMap((s) => s.rings.flat());
  const xs = points.map(([x]) => x);
  return { layout, world, outlines, from: Math.min(0, ...xs), to: Math.max(1, ...xs), out: Math.max(1, ...points.map(([, r]) => r)) };
}

/** How far along what reaches out beyond some radius goes. */
const tallTo = ({ outlines }: Drawing, over: number): number =>
  Math.max(0, ...outlines.solids.flatMap((s) => s.rings.flat()).flatMap(([x, r]) => (r > over ? [x] : [])));

/** As big as it goes on the sheet; to one of the usual scales where anything is measured. */
function sized(question: SectionQuestion, topology: Topology, room: Room): Drawing {
  const isKnown = topology.sizes.size > 0;
  const ratio = ratioOf(topology);
  const at = (art: number): Scale => ({ art, pxPerMm: isKnown ? art / ratio : null });
  const tried = drawAt(question, topology, at(TRIED_AT));
  const long = (tried.to - tried.from) / TRIED_AT;
  const fit = room.isNarrow ? PHONE.scale * Math.sqrt(PHONE.long / long) : Math.min(room.wide / long, room.out / (tried.out / TRIED_AT));
  const fits = (drawing: Drawing): boolean =>
    room.isNarrow ||
    (drawing.to - drawing.from <= room.wide * 1.02 &&
      drawing.out <= room.out * 1.02 &&
      (!room.lens || tallTo(drawing, room.lens.over) - drawing.from <= room.lens.x - 12));
  const arts = isKnown
    ? SCALES.map((s) => s * PX_PER_MM * ratio).filter((art) => art <= fit * 1.02)
    : [1, 0.97, 0.94, 0.9, 0.86, 0.82, 0.78].map((share) => fit * share);
  for (const art of arts) {
    const drawing = drawAt(question, topology, at(art));
    if (fits(drawing)) return drawing;
  }
  return drawAt(question, topology, at(arts.at(-1) ?? fit * 0.8));
}

/**
 * The Section of one shaft as shapes: drawn from the same faces and contacts as its sums, so picture and sum cannot disagree. Known parts are
 * to the stated scale, unknown ones dashed and in proportion; gaps and leaves enlarged by the stated factor; a lens magnifies each true gap.
 */
export function section(question: SectionQuestion): Section {
  const { width, height, gaps } = question;
  const topology = topologyOf(question);
  const room = roomOf(question);
  const drawing = sized(question, topology, room);
  const { layout, world } = drawing;
  const current = gaps.find((g) => g.letter === question.current) ?? gaps[0];
  const spots = gaps.map((gap) => ({ gap, ...spotOf(question, world, gap) }));
  const middle = spots.find(({ gap }) => gap === current)?.x ?? (drawing.from + drawing.to) / 2;
  const centred = (width - (drawing.to - drawing.from)) / 2 - drawing.from;
  const clear = room.lens ? Math.max(12 - drawing.from, Math.min(centred, room.lens.x - tallTo(drawing, room.lens.over))) : centred;
  const left = room.isNarrow ? width / 2 - middle : clear;
  const { axis } = room;
  const halves: readonly (1 | -1)[] = room.isHalf ? [1] : [1, -1];
  const known = knownPlaces(question, topology, world);

  const shapes: Shape[] = [
    ...drawing.outlines.solids.map((solid) => solidShape(solid, { left, axis, halves, known, places: question.places })),
    ...drawing.outlines.details.flatMap((detail) =>
      halves.map((side) => {
        const points = detail.points.map(([x, r]) => [left + x, axis - side * r] as const);
        return path(detail.closed ? outline(points) : openLine(points), {
          fill: detail.fill ?? 'none',
          stroke: 'part',
          width: detail.width ?? 0.8,
          ...(detail.dash ? { dash: detail.dash } : {}),
        });
      }),
    ),
    line(Math.max(0, left + drawing.from - 4), axis, Math.min(width, left + drawing.to + 4), axis, 'part', 1.1, '22 4 4 4'),
  ];

  const labels = new Labels();
  const shown = room.isNarrow ? spots.filter(({ gap }) => gap === current) : spots;
  const centres = lensCentres(
    question,
    room,
    shown.map(({ x, r }) => [left + x, axis - r] as const),
  );
  const lenses = shown.map(({ gap, x, r, sides }, i) => {
    const { at, size } = centres[i] ?? { at: [width / 2, height / 2] as const, size: 48 };
    const lens = drawLens(question, { gap, isCurrent: gap === current, sides }, at, size, [left + x, axis - r]);
    return { gap, at, lens };
  });
  for (const { lens } of lenses) {
    shapes.push(...lens.shapes);
    labels.boxes.push(...lens.labels);
  }
  if (!room.isNarrow) {
    const [start, end] = question.ends;
    labels.write(`◄ ${start.toUpperCase()}`, 16, 26);
    labels.write(`${end.toUpperCase()} ►`, width - 16, height - 12, { anchor: 'end' });
    labels.write(scaleWords(layout, question, width < 760 || room.isHalf), 16, height - 12);
  }
  shapes.push(...packLabels(question, { labels, drawing, left, room, lenses: lenses.map(({ lens }) => lens) }));
  if (!room.isNarrow) questionMarks(drawing, { left, axis, known, labels, places: question.places });
  shapes.push(...labels.shapes);
  return {
    shapes,
    solids: drawing.outlines.solids.map((solid) => ({ ...solid, rings: solid.rings.map((ring) => ring.map(([x, r]) => [left + x, r] as const)) })),
    drawn: question.lengths.map(({ id, from, to }) => ({
      id,
      px: between(question, layout, { id, from, to }),
      known: layout.known.has(id),
    })),
    pxPerMm: layout.scale.pxPerMm,
    scaleWords: scaleWords(layout, question, false),
    lenses: lenses.map(({ gap, at, lens }) => ({
      letter: gap.letter,
      x: at[0],
      y: at[1],
      r: lens.r,
      magnification: lens.magnification,
      gapPx: lens.gapPx,
    })),
    labels: labels.boxes,
    says: inWords(question, layout),
  };
}

/** A length as it is drawn; a bearing's stand is drawn within its gap. */
function between(
  { contacts }: SectionQuestion,
  layout: Layout,
  { id, from, to }: { readonly id: string; readonly from: string; readonly to: string },
): number {
  const isOpen = contacts.some((c) => c.stand === id && c.kind === 'open');
  const [a, b] = [layout.x(from), layout.x(to)];
  return isOpen || a === null || b === null ? (layout.px.get(id) ?? 0) : Math.abs(b - a);
}

/** Places everything of which is measured. */
function knownPlaces({ lengths, contacts }: SectionQuestion, { sizes }: Topology, world: World): ReadonlySet<string> {
  const of = new Map<string, string[]>();
  for (const { id, place } of lengths) of.set(place, [...(of.get(place) ?? []), id]);
  const known = new Set([...of].filter(([, ids]) => ids.every((id) => sizes.has(id))).map(([place]) => place));
  // a race is known with its bearing
  const stands = new Set(contacts.flatMap((c) => (c.stand !== undefined && sizes.has(c.stand) ? [`${c.a} ${c.b}`] : [])));
  for (const { outer, race } of world.bearings) {
    const faces = new Set([...outer.faces, ...race.faces].map((f) => f.id));
    const isKnown = [...stands].some((pair) => pair.split(' ').every((face) => faces.has(face)));
    for (const { place } of [outer, race])
      if (isKnown) known.add(place.id);
      else known.delete(place.id);
  }
  return known;
}

interface Pen {
  readonly left: number;
  readonly axis: number;
  readonly halves: readonly (1 | -1)[];
  readonly known: ReadonlySet<string>;
  readonly places: readonly DrawnPlace[];
}

function solidShape(solid: Solid, { left, axis, halves, known, places }: Pen): Shape {
  const place = places.find((p) => p.id === solid.part);
  const isPack = solid.kind === 'pack';
  const isUnsaid = isPack && place?.leaves === null;
  const d = solid.rings
    .map((ring) => {
      const moved = ring.map(([x, r]) => [left + x, r] as const);
      if (moved.some(([, r]) => r <= 0.01) && halves.length === 2) return wholeOutline(moved, axis);
      return halves.map((side) => outline(moved.map(([x, r]) => [x, axis - side * r]))).join('');
    })
    .join('');
  return path(d, {
    fill: isUnsaid ? 'sheet' : solid.fill,
    stroke: isPack ? (isUnsaid ? 'brassText' : 'brassLine') : 'part',
    width: isPack ? 0.9 : 1.5,
    id: solid.id,
    part: solid.part,
    ...(solid.kind === 'fastener' || (isPack ? !isUnsaid : known.has(solid.part)) ? {} : { dash: '6 3' }),
  });
}

/** A part that reaches the axis is one outline, above and below. */
function wholeOutline(ring: Ring, axis: number): string {
  const above = ring.filter(([, r]) => r > 0.01);
  return outline([...above.map(([x, r]) => [x, axis - r] as const), ...[...above].reverse().map(([x, r]) => [x, axis + r] as const)]);
}

const openLine = (points: readonly (readonly [number, number])[]): string =>
  `M${points.map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`).join('L')}`;

interface Spot {
  readonly x: number;
  readonly r: number;
  readonly sides: readonly [Side, Side];
}

const CALLED: Readonly<Record<string, string>> = {
  casing: 'CASING',
  cup: 'CUP',
  cone: 'CONE',
  outerRing: 'BEARING',
  innerRing: 'BEARING',
  spacer: 'SPACER',
  cluster: 'CLUSTER',
  circlip: 'CIRCLIP',
};
const packCalled = ({ name, proportion = 0 }: DrawnPlace): string => (proportion < 1.5 ? 'SHIM' : /\bring\b/i.test(name) ? 'RING' : 'WASHER');
const sideOf = ({ place }: Placed): Side => ({
  name: place.leaves === undefined ? (CALLED[place.kind] ?? place.kind.toUpperCase()) : packCalled(place),
  fill: fillOf(place),
});
const NO_SIDE: Side = { name: '', fill: 'steel' };

/** Where a gap is pointed at, and what it lies between. */
function spotOf({ contacts }: SectionQuestion, world: World, { contact }: DrawnGap): Spot {
  const open = contacts.find((c) => c.id === contact);
  const find = (face: string | undefined): { of: Placed; x: number; inner: number; outer: number } | null => {
    for (const of of world.placed) for (const f of of.faces) if (f.id === face) return { of, ...f };
    return null;
  };
  const [one, other] = [find(open?.a), find(open?.b)];
  if (!one || !other) return { x: 0, r: 0, sides: [NO_SIDE, NO_SIDE] };
  const bearing = open?.stand === undefined ? undefined : world.bearings.find(({ outer, race }) => outer === one.of || race === one.of);
  if (bearing) {
    const { outer, race } = bearing;
    const isTaper = outer.place.kind === 'cup';
    const x = (Math.max(outer.from, race.from) + Math.min(outer.to, race.to)) / 2;
    const sides: readonly [Side, Side] = [
      { name: 'CUP', fill: 'steel' },
      { name: isTaper ? 'ROLLER' : 'RACE', fill: 'steel' },
    ];
    return {
      x,
      r: (race.inner + outer.outer) / 2 + (outer.outer - race.inner) * 0.18,
      sides: bearing.outerBack <= bearing.raceBack ? sides : [sides[1], sides[0]],
    };
  }
  const overlap = [Math.max(one.inner, other.inner), Math.min(one.outer, other.outer)] as const;
  const r = overlap[1] > overlap[0] ? (overlap[0] + overlap[1]) / 2 : (one.inner + one.outer) / 2;
  const ordered = one.x <= other.x ? [one, other] : [other, one];
  return { x: (one.x + other.x) / 2, r, sides: [sideOf((ordered[0] ?? one).of), sideOf((ordered[1] ?? other).of)] };
}

interface Centre {
  readonly at: readonly [number, number];
  readonly size: number;
}

/** On a phone, px. */
const NARROW_LENS = 48;

/** A lens where it usually stands, or as far to the side as leaves the ring round its gap in sight. */
function besideRing([x, y]: readonly [number, number], [cx, cy]: readonly [number, number], width: number): readonly [number, number] {
  const clear = NARROW_LENS + 16;
  if (Math.hypot(x - cx, y - cy) >= clear) return [cx, cy];
  const aside = Math.sqrt(clear ** 2 - (y - cy) ** 2);
  return [Math.min(x + aside, width - NARROW_LENS - 8), cy];
}

/** One lens stands at the upper right; several in a row over the drawing, each as near its gap as the others let it. */
function lensCentres({ width, height }: SectionQuestion, room: Room, rings: readonly (readonly [x: number, y: number])[]): Centre[] {
  if (room.isNarrow) return rings.map((ring) => ({ at: besideRing(ring, [width / 2, height - 52], width), size: NARROW_LENS }));
  const xs = rings.map(([x]) => x);
  if (xs.length === 1) {
    const size = lensRadius(width);
    return [{ at: [width - size - 14, size + 26], size }];
  }
  const size = Math.min(51, (width - 140) / (2 * xs.length) - 14);
  const step = 2 * size + 26;
  const [least, most] = [118 + size, width - size - 24];
  const order = xs.map((x, i) => ({ x, i })).sort((a, b) => a.x - b.x);
  const at = order.map(({ x }) => Math.min(Math.max(x, least), most));
  for (let i = 1; i < at.length; i++) at[i] = Math.max(at[i] ?? 0, (at[i - 1] ?? 0) + step);
  for (let i = at.length - 1, limit = most; i >= 0; i--, limit = (at[i + 1] ?? 0) - step) at[i] = Math.min(at[i] ?? 0, limit);
  const centres: Centre[] = [];
  order.forEach(({ i }, n) => (centres[i] = { at: [at[n] ?? 0, size + 18], size }));
  return centres;
}

interface Labelling {
  readonly labels: Labels;
  readonly drawing: Drawing;
  readonly left: number;
  readonly room: Room;
  readonly lenses: readonly Lens[];
}

/** What each pack is, with a line to it. */
function packLabels({ width, height }: SectionQuestion, { labels, drawing, left, room, lenses }: Labelling): Shape[] {
  const { axis } = room;
  const shapes: Shape[] = [];
  let last = room.isHalf ? Math.max(0, ...labels.boxes.filter((box) => box.y > axis && box.x < width / 2).map((box) => box.x + box.w)) : 0;
  const packs = drawing.world.placed.filter(({ place }) => place.words !== undefined && place.words !== '').sort((a, b) => a.from - b.from);
  for (const pack of packs) {
    const words = (pack.place.words ?? '').toUpperCase();
    const px = left + (pack.from + pack.to) / 2;
    const wide = labels.boxOf(words, 0, 0).w;
    if (room.isHalf) {
      const x = Math.min(Math.max(px + 6, last + 16), width - wide - 130);
      const y = Math.min(axis + 24, height - 30 + 14);
      last = x + wide;
      shapes.push(leader(`M${px.toFixed(1)},${(axis - pack.inner - 2).toFixed(1)}V${(y + 4).toFixed(1)}H${(x + wide).toFixed(1)}`));
      labels.write(words, x, y, { colour: 'brassText', bold: true, halo: 'sheet' });
      continue;
    }
    const pr = pack.outer;
    const room1 = (lenses[0]?.x ?? width) - (lenses[0]?.r ?? 0) - 12;
    const above = axis - Math.min(drawing.out, 62 * drawing.layout.scale.art) - 14;
    const to: readonly [number, number] = room.isNarrow
      ? [Math.min(px + 24, width - wide - 12), 20]
      : [Math.min(Math.max(px + 6, 130), room1 - wide), Math.max(28, above) + packs.indexOf(pack) * 24];
    if (px <= 0 || px >= width || axis - pr <= 26) continue;
    if (!labels.isFree(labels.boxOf(words, to[0], to[1]))) continue;
    shapes.push(
      leader(`M${px.toFixed(1)},${(axis - pr + 2).toFixed(1)}L${(to[0] + 4).toFixed(1)},${(to[1] + 6).toFixed(1)}H${(to[0] + wide).toFixed(1)}`),
    );
    labels.write(words, to[0], to[1], { colour: 'brassText', bold: true, halo: 'sheet' });
  }
  return shapes;
}

const leader = (d: string): Shape => path(d, { fill: 'none', stroke: 'brassText', width: 1.4 });

/** Kinds of part big enough to carry a "?" while nobody has measured them. */
const MARKED: ReadonlySet<string> = new Set(['casing', 'cover', 'shaft', 'pinion', 'gear', 'hub', 'cluster']);

function questionMarks(drawing: Drawing, { left, axis, known, labels, places }: Omit<Pen, 'halves'> & { readonly labels: Labels }): void {
  for (const place of places) {
    if (!MARKED.has(place.kind) || known.has(place.id)) continue;
    const ring = drawing.outlines.solids.find((s) => s.id === place.id)?.rings[0];
    const spot = ring && roomIn(ring);
    if (spot) labels.writeIfFree('?', left + spot[0], axis - spot[1] + 6, { anchor: 'middle', size: 18, font: 'number', colour: 'ink', bold: true });
  }
}

/** A point well inside an outline: in the thickest of it, at a few stations along it. */
function roomIn(ring: Ring): readonly [number, number] | null {
  const xs = ring.map(([x]) => x);
  const [from, to] = [Math.min(...xs), Math.max(...xs)];
  let best: { at: readonly [number, number]; thick: number } | null = null;
  for (const share of [0.5, 0.3, 0.7, 0.12, 0.88]) {
    const x = from + (to - from) * share;
    const crossings = ring
      .flatMap(([x1, r1], i) => {
        const [x2, r2] = ring[(i + 1) % ring.length] ?? [x1, r1];
        return x1 > x === x2 > x ? [] : [r1 + ((r2 - r1) * (x - x1)) / (x2 - x1)];
      })
      .sort((a, b) => a - b);
    for (let i = 0; i + 1 < crossings.length; i += 2) {
      const [low = 0, high = 0] = [crossings[i], crossings[i + 1]];
      if (!best || high - low > best.thick + 4) best = { at: [x, (low + high) / 2], thick: high - low };
    }
  }
  return best && best.thick >= 20 ? best.at : null;
}

const scaleText = (scale: number): string => (scale >= 1 ? `${tidy(scale)} : 1` : `1 : ${tidy(1 / scale)}`);
const tidy = (value: number): string => String(Math.round(value * 100) / 100);

function scaleWords(layout: Layout, { gaps, places }: SectionQuestion, short: boolean): string {
  const { pxPerMm } = layout.scale;
  if (pxPerMm === null) return short ? 'NOT TO SCALE' : 'NOT TO SCALE: DASHED PARTS ARE NOT MEASURED';
  const scale = `SCALE ${scaleText(pxPerMm / PX_PER_MM)}`;
  const [first] = gaps;
  const drawnPx = first ? (layout.gapPx.get(first.contact) ?? 0) : 0;
  const times = first?.value !== null && first !== undefined && first.value > 0 ? drawnPx / ((first.value / NM_PER.mm) * pxPerMm) : null;
  const said = places.some((p) => p.leaves?.length);
  const enlarged = said && layout.enlarged > 1 ? [`SHIMS ×${layout.enlarged}`] : [];
  if (times !== null && times > 1.05) enlarged.unshift(`GAP ×${tidy(Math.round(times * 10) / 10)}`);
  return short ? scale : [scale, ...enlarged].join(', ');
}

function inWords({ places, gaps, unit }: SectionQuestion, layout: Layout): string {
  const parts = places
    .filter((p) => p.faces.length > 0)
    .map((p) => `${p.name}${p.turned ? ' (turned round)' : ''}`)
    .join(', ');
  const packs = places.flatMap((p) => (p.words ? [p.words] : [])).join('. ');
  const floats = gaps.map(({ name, value, forecast }) => {
    const size = value === null ? 'not measured' : value < 0 ? `preload ${describeLength(nanometres(-value), unit)}` : describeLength(value, unit);
    return `${name}: ${size}${forecast ? ', forecast' : ''}`;
  });
  const measured =
    layout.known.size === 0 ? 'No part is measured: the drawing is not to scale.' : `${layout.known.size} lengths measured and drawn to scale.`;
  return `From the input end: ${parts}. ${packs === '' ? '' : `${packs}. `}${floats.join('. ')}. ${measured}`;
}
