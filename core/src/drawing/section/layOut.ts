import { NM_PER, nanometres, type Length } from '../../quantity/index.ts';
import { facePositions, onTheWay, turnedFace, type FaceGraph, type OnTheWay } from '../../stack/index.ts';
import type { DrawnPlace, DrawnShaft, SectionLeaf } from './question.ts';

/** Leaves and gaps are drawn so many times their size where that can be done. */
const ENLARGE = 4;
const LEAF_FLOOR_PX = 3;
/** Packs thicker than this, mm, are drawn as thick as they are. */
const THIN_MM = 2;
/** A gap nobody knows is drawn this wide, and no gap wider than the other, mm of proportion. */
const UNKNOWN_GAP_MM = 2.4;
const WIDEST_GAP_MM = 9;
/** A part that gives way so that a gap can be shown keeps so much of its length. Common practice of drawing, no source. */
const LEAST_LEFT = 0.35;
/** Positions are walked in whole ten-thousandths of a pixel. */
const TEN_THOUSANDTHS = 10_000;

/** How big things are drawn. */
export interface Scale {
  /** px for a millimetre of proportion */
  readonly art: number;
  /** px for a millimetre that was measured; null where nothing was */
  readonly pxPerMm: number | null;
}

export interface Layout {
  readonly scale: Scale;
  /** where each face stands, as its part is fitted, px from the first; null for one that no size leads to */
  readonly x: (face: string) => number | null;
  readonly px: ReadonlyMap<string, number>;
  readonly known: ReadonlySet<string>;
  readonly enlarged: number;
  readonly gapPx: ReadonlyMap<string, number>;
  readonly leafPx: (leaf: SectionLeaf) => number;
}

/** What does not depend on how big it is drawn: found once for a drawing. */
export interface Topology {
  readonly graph: FaceGraph;
  readonly ways: ReadonlyMap<string, readonly OnTheWay[]>;
  readonly proportion: ReadonlyMap<string, number>;
  readonly sizes: ReadonlyMap<string, Length>;
}

const isPack = (place: DrawnPlace): boolean => place.leaves !== undefined;
/** A pack that nobody has said is drawn as thick as a shim, where nothing else is known of it. */
const packProportion = ({ proportion = 0.7 }: DrawnPlace): number => proportion;

export function topologyOf({ places, lengths, contacts, gaps }: DrawnShaft): Topology {
  const packs = places.filter(isPack);
  const stands = new Set(contacts.flatMap((c) => c.stand ?? []));
  const graph: FaceGraph = {
    // races turned both ways are drawn by how they lie
    parts: places.map(({ id, name, kind, turned, faces }) => ({ id, name, kind, turned, faces: faces.map((f) => f.id) })),
    lengths: [
      ...lengths.filter(({ id }) => !stands.has(id)).map(({ id, place, name, from, to }) => ({ id, part: place, name, from, to, length: null })),
      ...packs.map(({ id, faces }) => ({ id, part: id, name: 'pack', from: faces[0]?.id ?? '', to: faces.at(-1)?.id ?? '', length: null })),
    ],
    contacts: contacts.map(({ id, a, b, kind, stand }) => ({ id, a, b, kind, ...(stand === undefined ? {} : { stand: null }) })),
  };
  const standOf = new Map(contacts.map((c) => [c.id, c.stand]));
  const named = (way: OnTheWay): OnTheWay => ({ ...way, id: standOf.get(way.id) ?? way.id });
  return {
    graph,
    ways: new Map(gaps.map(({ contact }) => [contact, onTheWay(graph, contact).map(named)])),
    proportion: new Map([...lengths.map((l) => [l.id, l.proportion] as const), ...packs.map((p) => [p.id, packProportion(p)] as const)]),
    sizes: new Map(lengths.flatMap(({ id, size }) => (size !== null && size > 0 ? [[id, size] as const] : []))),
  };
}

/** How much longer what was measured is than it would be drawn: radii go with it. */
export function ratioOf({ sizes, proportion }: Topology): number {
  const drawn = [...sizes.keys()].reduce((sum, id) => sum + (proportion.get(id) ?? 0), 0);
  const measured = [...sizes.values()].reduce((sum: number, size) => sum + size / NM_PER.mm, 0);
  return drawn > 0 && measured > 0 ? measured / drawn : 1;
}

/** Gives every length its pixels: what is known to scale, the rest in proportion, and what nobody knows stretched until its gap closes. */
export function layOut(shaft: DrawnShaft, topology: Topology, scale: Scale): Layout {
  const { sizes, proportion, ways } = topology;
  const { art } = scale;
  const trueScale = scale.pxPerMm ?? art;
  const packs = shaft.places.filter(isPack);
  const isThin = packs.every(
    ({ leaves, ...place }) => (leaves ? leavesMm(leaves) : packProportion(place as DrawnPlace)) < THIN_MM * Math.max(1, leaves?.length ?? 1),
  );
  const packPx = (place: DrawnPlace, factor: number): number =>
    place.leaves ? place.leaves.reduce((sum, leaf) => sum + leafPx(leaf, trueScale, factor), 0) : packProportion(place) * art * factor;
  const gapOf = (value: Length | null): number =>
    value === null ? UNKNOWN_GAP_MM * art : Math.min((Math.max(value, 0) / NM_PER.mm) * trueScale * ENLARGE, WIDEST_GAP_MM * art);

  const attempt = (factor: number): { px: Map<string, number>; gapPx: Map<string, number>; tightest: number } => {
    const px = new Map<string, number>();
    for (const [id, mm] of proportion) px.set(id, mm * art);
    for (const [id, size] of sizes) px.set(id, (size / NM_PER.mm) * trueScale);
    for (const place of packs) px.set(place.id, packPx(place, factor));
    const gapPx = new Map<string, number>();
    const settled = new Set<string>(sizes.keys());
    for (const place of packs) settled.add(place.id);
    let tightest = Infinity;
    for (const { contact, value } of shaft.gaps) {
      const way = ways.get(contact) ?? [];
      const sum = (skip: string): number => way.reduce((total, l) => total + (l.id === skip ? 0 : l.sense * (px.get(l.id) ?? 0)), 0);
      const wanted = gapOf(value);
      const slack = way
        .filter((l) => !settled.has(l.id))
        .sort((a, b) => (proportion.get(b.id) ?? 0) - (proportion.get(a.id) ?? 0))
        .find((l) => l.sense * (wanted - sum(l.id)) >= LEAST_LEFT * (proportion.get(l.id) ?? 0) * art);
      if (slack) px.set(slack.id, slack.sense * (wanted - sum(slack.id)));
      const drawn = sum('');
      tightest = Math.min(tightest, drawn);
      gapPx.set(contact, Math.max(drawn, 0));
      // what closes this gap is not moved again for another
      for (const l of way) settled.add(l.id);
    }
    return { px, gapPx, tightest };
  };

  // everything is known: gaps are drawn as the sizes leave them, with as much enlargement of the leaves as keeps them open
  const most = isThin ? ENLARGE : 1;
  const factors = [most, 3, 2, 1].filter((f) => f <= most);
  const factor = factors.find((f) => attempt(f).tightest >= (f === 1 ? -0.5 : shaft.gaps.some((g) => (g.value ?? 1) > 0) ? 1 : -0.5)) ?? 1;
  const { px, gapPx } = attempt(factor);
  return {
    scale,
    px,
    gapPx,
    known: new Set(sizes.keys()),
    enlarged: factor,
    x: positionsOf(shaft, topology.graph, px, gapPx),
    leafPx: (leaf) => leafPx(leaf, trueScale, factor),
  };
}

const leavesMm = (leaves: readonly SectionLeaf[]): number => leaves.reduce((sum, leaf) => sum + leaf.thickness, 0) / NM_PER.mm;

const leafPx = ({ thickness }: SectionLeaf, scale: number, factor: number): number =>
  factor === 1 ? (thickness / NM_PER.mm) * scale : Math.max(LEAF_FLOOR_PX, (thickness / NM_PER.mm) * scale * factor);

/** Where every face stands; what only gaps join to the rest stands a gap away from it. */
function positionsOf(
  { contacts, places }: DrawnShaft,
  graph: FaceGraph,
  px: ReadonlyMap<string, number>,
  gapPx: ReadonlyMap<string, number>,
): (face: string) => number | null {
  const whole = (pixels: number): Length => nanometres(pixels * TEN_THOUSANDTHS);
  const standOf = new Map(contacts.map((c) => [c.id, c.stand]));
  const sized: FaceGraph = {
    ...graph,
    lengths: graph.lengths.map((l) => ({ ...l, length: whole(px.get(l.id) ?? 0) })),
    contacts: graph.contacts.map((c) => (c.stand === undefined ? c : { ...c, stand: whole(px.get(standOf.get(c.id) ?? '') ?? 0) })),
  };
  const at = new Map<string, number>();
  const walk = (from: string, offset: number): void => {
    for (const [face, x] of facePositions(sized, from).positions) if (!at.has(face)) at.set(face, offset + x);
  };
  walk(places.find((p) => p.faces.length > 0)?.faces[0]?.id ?? '', 0);
  for (let more = true; more;) {
    more = false;
    for (const { id, a: from, b: to, kind, stand } of contacts) {
      if (kind !== 'open') continue;
      const [a, b] = [turnedFace(graph.parts, from), turnedFace(graph.parts, to)];
      const apart = whole((gapPx.get(id) ?? 0) + (stand === undefined ? 0 : (px.get(stand) ?? 0)));
      const [here, there] = [at.get(a), at.get(b)];
      if ((here === undefined) === (there === undefined)) continue;
      if (here !== undefined) walk(b, here + apart);
      else walk(a, (there ?? 0) - apart);
      more = true;
    }
  }
  return (face) => {
    const x = at.get(face);
    return x === undefined ? null : x / TEN_THOUSANDTHS;
  };
}
