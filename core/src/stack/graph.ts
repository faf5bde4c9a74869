import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';
import { stackGap, type Sense, type StackLink } from './stackGap.ts';

/**
 * A shaft as faces and contacts. Faces are planes square to the axis, numbered by name; x grows from the input end.
 * Nobody types a sign: a gap's links and signs are the path from one of its faces to the other.
 */
export interface Part {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  /** fitted the other way round: its first and last faces change places */
  readonly turned: boolean;
  /** face ids in order from its input end, as it stands when not turned */
  readonly faces: readonly string[];
}

/** A length of one part between two of its faces, counted positive from `from` to `to` when not turned. */
export interface LengthFeature {
  readonly id: string;
  readonly part: string;
  readonly name: string;
  readonly from: string;
  readonly to: string;
  /** null while nobody has measured it */
  readonly length: Length | null;
  /** one standard uncertainty, nm */
  readonly u?: number;
}

/**
 * What two faces do: *seated* and *clamped* coincide; *rolling* stand apart by the stand of the bearing, b on the output
 * side of a; the one *open* contact on a floating part is its gap, x(b) − x(a), less the stand where it is itself a bearing.
 */
export interface Contact {
  readonly id: string;
  readonly a: string;
  readonly b: string;
  readonly kind: 'seated' | 'rolling' | 'clamped' | 'open';
  readonly stand?: Length | null;
  readonly standU?: number;
  /** an open contact between a cup and a cone has a stand to take off */
  readonly openBearing?: boolean;
  readonly name?: string;
}

export interface FaceGraph {
  readonly parts: readonly Part[];
  readonly lengths: readonly LengthFeature[];
  readonly contacts: readonly Contact[];
}

/** One link on the path of a gap. `length` is null where it is not known. */
export interface GapLink {
  readonly id: string;
  readonly part: string | null;
  readonly label: string;
  readonly sense: -1 | 1;
  readonly length: Length | null;
  readonly u: number;
}

interface Edge {
  readonly id: string;
  readonly part: string | null;
  readonly label: string;
  readonly to: string;
  readonly sign: -1 | 1;
  readonly length: Length | null;
  readonly u: number;
  readonly counts: boolean;
}

/** Where a contact's face really is once its part has been turned round. */
function turnedFace(parts: readonly Part[], face: string): string {
  const part = parts.find((p) => p.turned && p.faces.includes(face));
  if (!part) return face;
  return part.faces[part.faces.length - 1 - part.faces.indexOf(face)] ?? face;
}

function edgesOf(graph: FaceGraph): Map<string, Edge[]> {
  const edges = new Map<string, Edge[]>();
  const add = (from: string, edge: Edge): void => {
    edges.set(from, [...(edges.get(from) ?? []), edge]);
  };
  const both = (from: string, to: string, edge: Omit<Edge, 'to' | 'sign'>, sign: -1 | 1 = 1): void => {
    add(from, { ...edge, to, sign });
    add(to, { ...edge, to: from, sign: sign === 1 ? -1 : 1 });
  };
  for (const { id, part, name, from, to, length, u = 0 } of graph.lengths) {
    const turned = graph.parts.find((p) => p.id === part)?.turned ?? false;
    both(from, to, { id, part, label: name, length, u, counts: true }, turned ? -1 : 1);
  }
  for (const contact of graph.contacts) {
    if (contact.kind === 'open') continue;
    const a = turnedFace(graph.parts, contact.a);
    const b = turnedFace(graph.parts, contact.b);
    const rolling = contact.kind === 'rolling';
    both(a, b, {
      id: contact.id,
      part: null,
      label: contact.name ?? 'bearing stand',
      length: rolling ? (contact.stand ?? null) : nanometres(0),
      u: contact.standU ?? 0,
      counts: rolling,
    });
  }
  return edges;
}

/** The shortest walk from one face to another, as edges; null when there is none. */
function walk(edges: Map<string, Edge[]>, from: string, to: string): Edge[] | null {
  const cameBy = new Map<string, { edge: Edge; from: string } | null>([[from, null]]);
  const queue = [from];
  while (queue.length > 0) {
    const face = queue.shift() ?? from;
    if (face === to) break;
    for (const edge of edges.get(face) ?? []) {
      if (cameBy.has(edge.to)) continue;
      cameBy.set(edge.to, { edge, from: face });
      queue.push(edge.to);
    }
  }
  if (!cameBy.has(to)) return null;
  const path: Edge[] = [];
  for (let face = to, step = cameBy.get(face); step; face = step.from, step = cameBy.get(face)) path.unshift(step.edge);
  return path;
}

const openContact = (graph: FaceGraph, id: string): Contact =>
  graph.contacts.find((c) => c.id === id && c.kind === 'open') ??
  refuse('noSuchGap', 'There is no open contact of that name: choose the gap that is read.');

/**
 * The links of a gap with their signs, read off the path between its two faces. Topology alone: lengths may be unknown.
 *
 * @throws ReckoningError `noSuchGap`, `noPath` when nothing joins the two faces
 */
export function gapLinks(graph: FaceGraph, gap: string): GapLink[] {
  const contact = openContact(graph, gap);
  const path = walk(edgesOf(graph), turnedFace(graph.parts, contact.a), turnedFace(graph.parts, contact.b));
  if (!path) return refuse('noPath', 'Nothing joins the two faces of that gap: a part is missing between them.');
  const links = path.filter((edge) => edge.counts).map(({ id, part, label, sign, length, u }) => ({ id, part, label, sense: sign, length, u }));
  return contact.openBearing
    ? [
        ...links,
        { id: contact.id, part: null, label: contact.name ?? 'bearing stand', sense: -1, length: contact.stand ?? null, u: contact.standU ?? 0 },
      ]
    : links;
}

/**
 * How a gap moves when a part gets thicker: the sign of its length on the path, or 0 where it is not on it.
 *
 * @param part a part id, or the id of one length
 * @example senseOnPath(graph, 'pack', 'float') // 1 under a cover
 */
export function senseOnPath(graph: FaceGraph, part: string, gap: string): Sense {
  return gapLinks(graph, gap).find((link) => link.part === part || link.id === part)?.sense ?? 0;
}

/** A gap from sizes: its value where every length is known, and the names of those that are not. */
export function gapFromSizes(
  graph: FaceGraph,
  gap: string,
): { value: Length; u: number; links: readonly GapLink[] } | { missing: readonly string[]; links: readonly GapLink[] } {
  const links = gapLinks(graph, gap);
  const missing = links.filter((link) => link.length === null).map((link) => link.label);
  if (missing.length > 0) return { missing, links };
  const stack: StackLink[] = links.map(({ label, sense, length, u }) => ({ label, sense, length: length ?? nanometres(0), u }));
  const { value, u } = stackGap({ links: stack });
  return { value, u, links };
}

/** The one unknown length on a path that a measured gap gives; null where none or several are unknown. */
export function solveUnknown(graph: FaceGraph, gap: string, measured: Length): { link: GapLink; length: Length } | null {
  const links = gapLinks(graph, gap);
  const unknown = links.filter((link) => link.length === null);
  const [link] = unknown;
  if (unknown.length !== 1 || link === undefined) return null;
  const known = links.reduce((sum, l) => sum + l.sense * (l.length ?? 0), 0);
  return { link, length: nanometres(link.sense * (measured - known)) };
}

export interface Contradiction {
  readonly face: string;
  readonly one: readonly string[];
  readonly other: readonly string[];
  readonly difference: Length;
}

/**
 * Where every face is, walking from one of them along known lengths; faces no known walk reaches are left out. Two walks
 * that disagree by more than `tolerance` are named, both ways round.
 *
 * @param tolerance nm within which two walks agree
 */
export function facePositions(
  graph: FaceGraph,
  origin: string,
  tolerance: number = 0,
): { positions: ReadonlyMap<string, Length>; contradictions: readonly Contradiction[] } {
  const edges = edgesOf(graph);
  const reached = new Map<string, { x: Length; by: readonly Edge[] }>([[origin, { x: nanometres(0), by: [] }]]);
  const contradictions: Contradiction[] = [];
  const told = new Set<string>();
  const queue = [origin];
  while (queue.length > 0) {
    const face = queue.shift() ?? origin;
    const here = reached.get(face);
    if (!here) continue;
    for (const edge of edges.get(face) ?? []) {
      if (edge.length === null) continue;
      const x = nanometres(here.x + edge.sign * edge.length);
      const there = reached.get(edge.to);
      if (!there) {
        reached.set(edge.to, { x, by: [...here.by, edge] });
        queue.push(edge.to);
      } else if (Math.abs(there.x - x) > tolerance && !told.has(edge.id)) {
        told.add(edge.id);
        const names = (walked: readonly Edge[]): string[] => walked.filter((e) => e.counts).map((e) => e.label);
        contradictions.push({ face: edge.to, one: names(there.by), other: names([...here.by, edge]), difference: nanometres(x - there.x) });
      }
    }
  }
  return { positions: new Map([...reached].map(([face, { x }]) => [face, x])), contradictions };
}

/** The same shaft with one part fitted the other way round. */
export const turnRound = (graph: FaceGraph, part: string): FaceGraph => ({
  ...graph,
  parts: graph.parts.map((p) => (p.id === part ? { ...p, turned: !p.turned } : p)),
});
