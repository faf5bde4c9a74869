import { refuse } from '../errors.ts';
import { nanometres, type Length } from '../quantity/index.ts';

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
  /** the instrument it was measured with, whose one calibration is shared */
  readonly by?: string;
}

/**
 * What two faces do: *seated* and *clamped* coincide, or stand apart by what lies clamped between them; *rolling* joins the backs of two
 * races, apart by the stand of the bearing; an *open* contact on a floating part is its gap, x(b) − x(a), less its stand where it has one,
 * being a bearing's own play.
 */
export interface Contact {
  readonly id: string;
  readonly a: string;
  readonly b: string;
  readonly kind: 'seated' | 'rolling' | 'clamped' | 'open';
  readonly stand?: Length | null;
  readonly standU?: number;
  readonly name?: string;
}

export interface FaceGraph {
  readonly parts: readonly Part[];
  readonly lengths: readonly LengthFeature[];
  readonly contacts: readonly Contact[];
}

interface Edge {
  readonly id: string;
  readonly label: string;
  readonly to: string;
  readonly sign: -1 | 1;
  readonly length: Length | null;
  readonly counts: boolean;
}

/** Whether the gap lies in a bearing: its own play, and its stand is taken off. */
export const isBearing = ({ kind, stand }: Contact): boolean => kind === 'rolling' || (kind === 'open' && stand !== undefined);

/** Where a contact's face really is once its part has been turned round. */
export function turnedFace(parts: readonly Part[], face: string): string {
  const part = parts.find((p) => p.turned && p.faces.includes(face));
  if (!part) return face;
  return part.faces[part.faces.length - 1 - part.faces.indexOf(face)] ?? face;
}

/**
 * On which side of the back of one race the back of the other is: 1 where b is on the output side of a. It follows from how they lie, so
 * that a cup and a cone turned together change it; races of which nothing is said lie as they are written.
 *
 * @throws ReckoningError `doNotFit` where one is turned and not the other
 */
export function lieOf(parts: readonly Part[], { a, b, name }: Contact): 1 | -1 {
  const [lieA, lieB] = [bodyBehind(parts, a), bodyBehind(parts, b)];
  if (lieA !== null && lieB !== null && lieA === lieB)
    refuse('doNotFit', `${name ?? 'The bearing'}: cup and cone do not fit into each other so. Turn both, or neither.`);
  return lieA ?? (lieB === 1 ? -1 : 1);
}

/** On which side of its back a race is: 1 on the output side. Null where it has no other face to tell by. */
function bodyBehind(parts: readonly Part[], face: string): 1 | -1 | null {
  const part = parts.find((p) => (p.kind === 'cup' || p.kind === 'cone') && p.faces.length > 1 && p.faces.includes(face));
  if (!part) return null;
  return (part.faces.indexOf(face) === 0) === part.turned ? -1 : 1;
}

/** On which side of its cone a bearing's cup is. */
export function cupSideOf(parts: readonly Part[], contact: Contact): 'inputSide' | 'outputSide' | null {
  const isCup = (face: string): boolean => parts.some((p) => p.kind === 'cup' && p.faces.includes(face));
  if (!isBearing(contact) || isCup(contact.a) === isCup(contact.b)) return null;
  return (lieOf(parts, contact) === 1) === isCup(contact.a) ? 'inputSide' : 'outputSide';
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
  for (const { id, part, name, from, to, length } of graph.lengths) {
    const turned = graph.parts.find((p) => p.id === part)?.turned ?? false;
    both(from, to, { id, label: name, length, counts: true }, turned ? -1 : 1);
  }
  for (const contact of graph.contacts) {
    if (contact.kind === 'open') continue;
    const isRolling = contact.kind === 'rolling';
    const [a, b] = isRolling ? [contact.a, contact.b] : [turnedFace(graph.parts, contact.a), turnedFace(graph.parts, contact.b)];
    const stands = isRolling || contact.stand !== undefined;
    const edge = { id: contact.id, label: contact.name ?? 'bearing stand', length: stands ? (contact.stand ?? null) : nanometres(0), counts: stands };
    both(a, b, edge, isRolling ? lieOf(graph.parts, contact) : 1);
  }
  return edges;
}

/** Two ways round that do not agree, each by the names of what was measured on it. */
export interface TwoWays {
  readonly one: readonly string[];
  readonly other: readonly string[];
  readonly difference: Length;
}

export interface Contradiction extends TwoWays {
  readonly face: string;
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
