import { describeLength, formatLength, NM_PER, nanometres, type Length } from '../quantity/index.ts';
import {
  facePositions,
  onTheWay,
  shaftTemplate,
  templateGraph,
  type FaceGraph,
  type Place,
  type ShaftTemplate,
  type TemplateName,
} from '../stack/index.ts';
import type { Solid } from './outlines/solid.ts';
import { drawParts } from './parts.ts';
import { line, outline, path, PX_PER_MM, rect, text, textWidth, type Colour, type Fill, type Shape } from './shapes.ts';

export interface SectionLeaf {
  readonly thickness: Length;
  readonly metric: boolean;
}

export interface SectionQuestion {
  readonly template: TemplateName;
  readonly place: Place;
  readonly gasket: boolean;
  /** what is measured, by the role of the length or of the bearing's stand */
  readonly sizes: Readonly<Record<string, Length>>;
  /** leaves in now; null where nobody has said */
  readonly leaves: readonly SectionLeaf[] | null;
  readonly packWords: string;
  /** the gap as it is reckoned to be now; null unknown. `forecast` says it was not read on this build */
  readonly gap: Length | null;
  readonly forecast?: boolean;
  readonly turned: readonly string[];
  readonly letter: string;
  readonly width: number;
  readonly height: number;
  readonly unit: 'thou' | 'mm';
}

export interface LabelBox {
  readonly words: string;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
}

export interface Section {
  readonly shapes: readonly Shape[];
  readonly solids: readonly Solid[];
  /** every length drawn: pixels between its two faces, and whether its size is known */
  readonly drawn: readonly { readonly role: string; readonly px: number; readonly known: boolean }[];
  /** px per mm, where anything is to scale */
  readonly pxPerMm: number | null;
  readonly scaleWords: string;
  readonly lens: { readonly x: number; readonly y: number; readonly r: number; readonly magnification: number; readonly gapPx: number };
  readonly labels: readonly LabelBox[];
  /** the same in words */
  readonly says: string;
}

/** CSS pixels in a millimetre: what a drawing at 1 : 1 uses. */
const SCALES = [5, 4, 3, 2.5, 2, 1.5, 1, 1 / 1.25, 1 / 1.5, 1 / 2, 1 / 2.5, 1 / 3, 1 / 4, 1 / 5, 1 / 6, 1 / 8, 1 / 10];
const ENLARGE = 4;
const LEAF_FLOOR_PX = 3;
const TEN_THOUSANDTHS = 10_000;

const scaleText = (scale: number): string => (scale >= 1 ? `${tidy(scale)} : 1` : `1 : ${tidy(1 / scale)}`);
const tidy = (value: number): string => String(Math.round(value * 100) / 100);

interface Layout {
  readonly px: ReadonlyMap<string, number>;
  readonly known: ReadonlySet<string>;
  readonly pxPerMm: number | null;
  readonly art: number;
  readonly gapPx: number;
  readonly enlarged: number;
}

const proportionOf = (template: ShaftTemplate): Map<string, number> =>
  new Map([
    ...template.lengths.map((l) => [l.role, l.proportion] as const),
    ...template.contacts.filter((c) => c.proportion !== undefined).map((c) => [c.role, c.proportion ?? 0] as const),
  ]);

/** Chooses the scale and gives every length its pixels: known ones to scale, the rest in proportion, the loop closed by an unknown. */
function layOut(template: ShaftTemplate, graph: FaceGraph, question: SectionQuestion, available: number): Layout {
  const proportions = proportionOf(template);
  const packRole = template.lengths.find((l) => l.part === 'pack')?.role ?? '';
  const sizes = Object.entries(question.sizes).filter(([role, size]) => role !== packRole && proportions.has(role) && size > 0);
  const known = new Set(sizes.map(([role]) => role));
  const span = SPAN[template.name];
  const fit = available / span;
  const ratio =
    sizes.length === 0
      ? 1
      : sizes.reduce((sum, [, size]) => sum + size / NM_PER.mm, 0) / sizes.reduce((sum, [role]) => sum + (proportions.get(role) ?? 0), 0);
  const scale = SCALES.find((s) => s * PX_PER_MM * ratio <= fit * 1.02) ?? SCALES[SCALES.length - 1] ?? 0.1;
  const pxPerMm = sizes.length === 0 ? null : scale * PX_PER_MM;
  const art = pxPerMm === null ? fit : pxPerMm * ratio;
  const trueScale = pxPerMm ?? art;

  const px = new Map<string, number>();
  for (const [role, proportion] of proportions) px.set(role, proportion * art);
  for (const [role, size] of sizes) px.set(role, (size / NM_PER.mm) * trueScale);

  const packOf = (factor: number): number =>
    question.leaves === null
      ? (proportions.get(packRole) ?? 1) * art * (isThin(proportions.get(packRole)) ? ENLARGE : 1)
      : question.leaves.reduce((sum, leaf) => sum + leafPx(leaf.thickness, trueScale, factor), 0);
  const gapOf = (factor: number): number =>
    question.gap === null ? 2.4 * art : Math.min(Math.max(question.gap / NM_PER.mm, 0) * trueScale * factor, 9 * art);
  const links = onTheWay(graph, template.gap.contact);
  const closeBy = links
    .filter((link) => !known.has(link.id) && link.id !== packRole)
    .sort((a, b) => SLACK_ORDER.indexOf(a.part ?? '') - SLACK_ORDER.indexOf(b.part ?? ''));
  const others = (skip: string): number => links.reduce((sum, link) => sum + (link.id === skip ? 0 : link.sense * (px.get(link.id) ?? 0)), 0);

  const factor = isThin(proportions.get(packRole)) ? ENLARGE : 1;
  px.set(packRole, packOf(factor));
  for (const slack of closeBy) {
    const length = slack.sense * (gapOf(ENLARGE) - others(slack.id));
    if (length < 0.35 * (proportions.get(slack.id) ?? 0) * art) continue;
    px.set(slack.id, length);
    return { px, known, pxPerMm, art, gapPx: gapOf(ENLARGE), enlarged: factor };
  }
  // everything is known: the gap is drawn as the sizes leave it, with as much enlargement of the leaves as keeps it open
  for (const each of [factor, 3, 2, 1].filter((f) => f <= factor)) {
    px.set(packRole, packOf(each));
    const gapPx = others('');
    if (gapPx >= (each === 1 ? -0.5 : 1)) return { px, known, pxPerMm, art, gapPx: Math.max(gapPx, 0), enlarged: each };
  }
  return { px, known, pxPerMm, art, gapPx: 0, enlarged: 1 };
}

const isThin = (proportion: number | undefined): boolean => (proportion ?? 0) < 2;
const leafPx = (thickness: Length, scale: number, factor: number): number =>
  factor === 1 ? (thickness / NM_PER.mm) * scale : Math.max(LEAF_FLOOR_PX, (thickness / NM_PER.mm) * scale * factor);

/** Millimetres of template from end to end, stubs and all. */
const SPAN: Readonly<Record<TemplateName, number>> = { taperPair: 312, plainThrust: 214, gearOnBush: 156 };
/** Where the origin face stands from the left end, mm of template. */
const ORIGIN: Readonly<Record<TemplateName, { face: string; at: number }>> = {
  taperPair: { face: 'casing.seat', at: 40 },
  plainThrust: { face: 'casing.thrust', at: 48 },
  gearOnBush: { face: 'shaft.shoulder', at: 48 },
};
/** Which unknown takes up what the others leave, first to last. */
const SLACK_ORDER = ['cover', 'bush', 'pack', 'gear', 'casing', 'shaft', 'washerOut', 'washerIn', 'gasket', ''];

/**
 * The Section of one shaft as shapes: drawn from the same faces and contacts as its sums, so picture and sum cannot disagree.
 * Known parts are to the stated scale, unknown ones dashed and in proportion; gaps and leaves enlarged by the stated factor;
 * the lens magnifies the true gap.
 */
export function section(question: SectionQuestion): Section {
  const { width, height } = question;
  const narrow = width < 600;
  const template = shaftTemplate(question.template, question.place, { gasket: question.gasket });
  const bare = templateGraph(template);
  const graph: FaceGraph = { ...bare, parts: bare.parts.map((p) => ({ ...p, turned: question.turned.includes(p.id) })) };
  const available = narrow
    ? 2.9 * SPAN[template.name] * (SPAN.taperPair / SPAN[template.name]) ** 0.5
    : Math.min(width - 24, (height - 64) * ASPECT[template.name]);
  const layout = layOut(template, graph, question, available);
  const origin = ORIGIN[template.name];
  const pxGraph: FaceGraph = {
    ...graph,
    lengths: graph.lengths.map((l) => ({ ...l, length: nanometres((layout.px.get(l.id) ?? 0) * TEN_THOUSANDTHS) })),
    contacts: graph.contacts.map((c) => (c.kind === 'rolling' ? { ...c, stand: nanometres((layout.px.get(c.id) ?? 0) * TEN_THOUSANDTHS) } : c)),
  };
  const positions = facePositions(pxGraph, origin.face).positions;
  const span = SPAN[template.name] * layout.art;
  const gapContact = template.contacts.find((c) => c.role === template.gap.contact);
  const relative = (face: string): number => (positions.get(face) ?? 0) / TEN_THOUSANDTHS;
  const gapMiddle = (relative(gapContact?.a ?? '') + relative(gapContact?.b ?? '')) / 2;
  const left = narrow ? width / 2 - gapMiddle : (width - span) / 2 + origin.at * layout.art;
  const x = (face: string): number => left + relative(face);
  const axis = narrow ? height * 0.86 : Math.round(height / 2 + 6);

  const leaves = question.leaves;
  const parts = drawParts({
    template: template.name,
    place: question.place,
    gasket: question.gasket,
    art: layout.art,
    x: (face) => x(asFitted(graph.parts, face)),
    faces: (part) => template.parts.find((p) => p.role === part)?.faces ?? [],
    leaves: (leaves ?? [{ thickness: nanometres(0), metric: false }]).map((leaf) =>
      leaves === null
        ? { ...leaf, px: layout.px.get('pack.in-out') ?? 0 }
        : { ...leaf, px: leafPx(leaf.thickness, layout.pxPerMm ?? layout.art, layout.enlarged) },
    ),
    packUnknown: leaves === null,
    turned: question.turned,
  });
  const isKnown = (part: string): boolean => {
    const own = template.lengths.filter((l) => l.part === part).map((l) => l.role);
    const bearing = { cupIn: 'bearingIn', coneIn: 'bearingIn', cupOut: 'bearingOut', coneOut: 'bearingOut' }[part];
    const roles = bearing ? [bearing] : own;
    return roles.length > 0 && roles.every((role) => layout.known.has(role));
  };

  const shapes: Shape[] = [];
  const toPoint = ([px, r]: readonly [number, number], side: 1 | -1): readonly [number, number] => [px, axis - side * r];
  for (const solid of parts.solids) {
    const known = solid.kind === 'pack' ? leaves !== null : isKnown(solid.part);
    const d = solid.rings
      .map((ring) =>
        ring.some(([, r]) => r <= 0.01)
          ? wholeOutline(ring, axis)
          : `${outline(ring.map((p) => toPoint(p, 1)))}${outline(ring.map((p) => toPoint(p, -1)))}`,
      )
      .join('');
    shapes.push(
      path(d, {
        fill: solid.kind === 'pack' && leaves === null ? 'sheet' : solid.fill,
        stroke: solid.kind === 'pack' ? (leaves === null ? 'brassText' : 'brassLine') : 'part',
        width: solid.kind === 'pack' ? 0.9 : 1.5,
        id: solid.id,
        ...(known || solid.kind === 'fastener' ? {} : { dash: '6 3' }),
      }),
    );
  }
  for (const detail of parts.details) {
    for (const side of [1, -1] as const)
      shapes.push(
        path(`${detail.closed ? outline(detail.points.map((p) => toPoint(p, side))) : openLine(detail.points.map((p) => toPoint(p, side)))}`, {
          fill: detail.fill ?? 'none',
          stroke: 'part',
          width: detail.width ?? 0.8,
          ...(detail.dash ? { dash: detail.dash } : {}),
        }),
      );
  }
  shapes.push(
    line(Math.max(0, left - origin.at * layout.art), axis, Math.min(width, left - origin.at * layout.art + span), axis, 'part', 1.1, '22 4 4 4'),
  );

  const labels: LabelBox[] = [];
  const place = (
    words: string,
    at: readonly [number, number],
    anchor: 'start' | 'middle' | 'end',
    size: number,
    font: 'label' | 'number',
    colour: Colour,
    more: { bold?: boolean; halo?: Fill } = {},
  ): void => {
    const w = textWidth(words, font, size);
    labels.push({ words, x: at[0] - { start: 0, middle: w / 2, end: w }[anchor], y: at[1] - size * 0.8, w, h: size });
    shapes.push(text(at[0], at[1], words, font, size, colour, { anchor, ...more }));
  };

  // the lens: a true magnification of the gap
  const ring: readonly [number, number] = [(x(gapContact?.a ?? '') + x(gapContact?.b ?? '')) / 2, axis - parts.gapRadius];
  const r = narrow ? 48 : width < 760 ? 58 : 68;
  const centre: readonly [number, number] = narrow ? [width / 2, height - r - 4] : [width - r - 14, r + 26];
  const lens = drawLens(question, centre, r, ring, parts.gapBetween);
  shapes.push(...lens.shapes);
  labels.push(...lens.labels);

  // words round the drawing
  if (!narrow) {
    place('◄ INPUT END', [16, 26], 'start', 16, 'label', 'ink2');
    place('OUTPUT END ►', [width - 16, height - 12], 'end', 16, 'label', 'ink2');
    place(scaleWords(layout, question, width < 760), [16, height - 12], 'start', 16, 'label', 'ink2');
  }
  if (parts.packAt) {
    const [px, pr] = parts.packAt;
    const words = question.packWords.toUpperCase();
    const wide = textWidth(words, 'label', 16);
    const room = lens.x - lens.r - 12;
    const to: readonly [number, number] = narrow
      ? [Math.min(px + 24, width - wide - 12), 20]
      : [Math.min(Math.max(px + 6, 130), room - wide), Math.max(28, axis - 62 * layout.art - 14)];
    if (px > 0 && px < width && axis - pr > 26) {
      shapes.push(
        path(`M${px.toFixed(1)},${(axis - pr + 2).toFixed(1)}L${(to[0] + 4).toFixed(1)},${(to[1] + 6).toFixed(1)}H${(to[0] + wide).toFixed(1)}`, {
          fill: 'none',
          stroke: 'brassText',
          width: 1.4,
        }),
      );
      place(words, to, 'start', 16, 'label', 'brassText', { bold: true, halo: 'sheet' });
    }
  }
  const free = narrow ? [] : parts.unknownAt.filter(([part]) => !isKnown(part));
  for (const [, at] of free) {
    const [px, pr] = at;
    const box = { x: px - 6, y: axis - pr - 8, w: 12, h: 16 };
    if (labels.every((l) => apart(l, box))) place('?', [px, axis - pr + 6], 'middle', 18, 'number', 'ink2', { bold: true });
  }

  const drawn = [
    ...template.lengths.map((l) => ({ role: l.role, from: l.from, to: l.to })),
    ...template.contacts.filter((c) => c.kind === 'rolling').map((c) => ({ role: c.role, from: c.a, to: c.b })),
  ].map(({ role, from, to }) => ({
    role,
    px: Math.abs(x(to) - x(from)),
    known: layout.known.has(role),
  }));
  return {
    shapes,
    solids: parts.solids,
    drawn,
    pxPerMm: layout.pxPerMm,
    scaleWords: scaleWords(layout, question, false),
    lens: { x: centre[0], y: centre[1], r, magnification: lens.magnification, gapPx: lens.gapPx },
    labels,
    says: inWords(template, question, layout),
  };
}

/** The face that stands where this one would, had its part not been turned round: outlines are drawn unturned, then mirrored. */
function asFitted(parts: FaceGraph['parts'], face: string): string {
  const part = parts.find((p) => p.turned && p.faces.includes(face));
  return part?.faces[part.faces.length - 1 - part.faces.indexOf(face)] ?? face;
}

const ASPECT: Readonly<Record<TemplateName, number>> = { taperPair: 312 / 132, plainThrust: 214 / 112, gearOnBush: 156 / 112 };

const apart = (a: { x: number; y: number; w: number; h: number }, b: { x: number; y: number; w: number; h: number }): boolean =>
  a.x + a.w <= b.x || b.x + b.w <= a.x || a.y + a.h <= b.y || b.y + b.h <= a.y;

const openLine = (points: readonly (readonly [number, number])[]): string =>
  `M${points.map(([px, py]) => `${px.toFixed(2)},${py.toFixed(2)}`).join('L')}`;

/** A part that reaches the axis is one outline, above and below. */
function wholeOutline(ring: readonly (readonly [number, number])[], axis: number): string {
  const above = ring.filter(([, r]) => r > 0.01);
  return outline([...above.map(([px, r]) => [px, axis - r] as const), ...[...above].reverse().map(([px, r]) => [px, axis + r] as const)]);
}

function scaleWords(layout: Layout, { gap, leaves }: SectionQuestion, short: boolean): string {
  if (layout.pxPerMm === null) return short ? 'NOT TO SCALE' : 'NOT TO SCALE: DASHED PARTS ARE NOT MEASURED';
  const scale = `SCALE ${scaleText(layout.pxPerMm / PX_PER_MM)}`;
  const gapTimes = gap !== null && gap > 0 ? layout.gapPx / ((gap / NM_PER.mm) * layout.pxPerMm) : null;
  const enlarged = leaves !== null && layout.enlarged > 1 ? [`SHIMS ×${layout.enlarged}`] : [];
  if (gapTimes !== null && gapTimes > 1.05) enlarged.unshift(`GAP ×${tidy(Math.round(gapTimes * 10) / 10)}`);
  return short ? scale : [scale, ...enlarged].join(', ');
}

interface Lens {
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

function drawLens(
  question: SectionQuestion,
  [cx, cy]: readonly [number, number],
  r: number,
  ring: readonly [number, number],
  [left, right]: readonly [{ name: string; fill: Fill }, { name: string; fill: Fill }],
): Lens {
  const { gap, unit, forecast } = question;
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
    { kind: 'circle', x: ring[0], y: ring[1], r: 8, fill: 'none', stroke: 'blue', width: 2.4 },
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
  const nameAt = Math.max(half + 8 + textWidth(left.name, 'label', 14) / 2, r * 0.56);
  // above the magnification, which stands at the foot of a small lens
  const nameY = cy + Math.min(30, r / 2);
  if (nameAt < r - 6) {
    put(left.name, cx - nameAt, nameY, 14, 'label', 'ink', { bold: true, ...(left.fill.startsWith('hatch') ? { halo: 'iron' as const } : {}) });
    put(right.name, cx + nameAt, nameY, 14, 'label', 'ink', { bold: true, ...(right.fill.startsWith('hatch') ? { halo: 'iron' as const } : {}) });
  }
  const times = `×${magnification}`;
  put(
    times,
    Math.min(cx + r * 0.62, question.width - 4 - textWidth(times, 'number', 16)),
    cy + r + 8 > question.height ? cy + r - 2 : cy + r + 8,
    16,
    'number',
    'blue',
    { bold: true, halo: 'sheet', anchor: 'start' },
  );
  const flag = { x: cx + r - 22, y: Math.max(3, cy - r - 14) };
  shapes.push(rect(flag.x, flag.y, 28, 28, { fill: 'blue', stroke: 'blue', width: 2 }));
  labels.push({ words: question.letter, x: flag.x, y: flag.y, w: 28, h: 28 });
  shapes.push(text(flag.x + 14, flag.y + 20, question.letter, 'label', 18, 'paper', { bold: true, anchor: 'middle' }));
  return { shapes, labels, x: cx, r, magnification, gapPx: gap === null ? 0 : gapPx };
}

function leader([fx, fy]: readonly [number, number], [cx, cy]: readonly [number, number], r: number): string {
  const angle = Math.atan2(fy - cy, fx - cx);
  const end = [cx + r * Math.cos(angle), cy + r * Math.sin(angle)] as const;
  const start = [fx - 8 * Math.cos(angle), fy - 8 * Math.sin(angle)] as const;
  return `M${start[0].toFixed(1)},${start[1].toFixed(1)}L${end[0].toFixed(1)},${end[1].toFixed(1)}`;
}

function inWords(template: ShaftTemplate, { gap, forecast, packWords, unit, turned }: SectionQuestion, layout: Layout): string {
  const parts = template.parts.map((p) => `${p.name}${turned.includes(p.role) ? ' (turned round)' : ''}`).join(', ');
  const size = gap === null ? 'not measured' : gap < 0 ? `preload ${describeLength(nanometres(-gap), unit)}` : describeLength(gap, unit);
  const measured =
    layout.known.size === 0 ? 'No part is measured: the drawing is not to scale.' : `${layout.known.size} lengths measured and drawn to scale.`;
  return `From the input end: ${parts}. ${packWords}. ${template.gap.name}: ${size}${forecast ? ', forecast' : ''}. ${measured}`;
}
