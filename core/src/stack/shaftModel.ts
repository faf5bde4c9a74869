import { nanometres, type Length } from '../quantity/index.ts';
import { type Contact, cupSideOf, type FaceGraph, isBearing, lieOf, turnedFace, type TwoWays } from './graph.ts';
import { flowBetween } from './flow.ts';
import { joining } from './joining.ts';
import type { Arrangement } from './senses.ts';
import type { Sense } from './stackGap.ts';

/** A length that is chosen: a pack, or a part that is lapped. What it is counts apart from the constant. */
export interface ShaftSlot {
  readonly id: string;
  /** the id of the length it sets, or of the bearing whose stand it is */
  readonly length: string;
}

/** Where one face stands from another, such as a gear's depth: x(to) − x(from). */
export interface FaceDepth {
  readonly id: string;
  readonly from: string;
  readonly to: string;
}

/** One length in a gap: how it counts, what it is and how well that is known. */
export interface GapTerm {
  readonly id: string;
  readonly label: string;
  /** ±1 on a single walk; less where several walks share the gap between them */
  readonly coefficient: number;
  readonly value: Length;
  /** one standard uncertainty, nm; 0 where none is known */
  readonly u: number;
}

/** constant + Σ coefficient · thickness of its slot. */
export interface LinearGap {
  /** by slot id: how far the gap opens for each unit the slot grows; 0 where it is not touched */
  readonly coefficients: Readonly<Record<string, number>>;
  /** nm with every slot at nothing; null where something is missing or contradicted */
  readonly constant: Length | null;
  /** of the constant, nm */
  readonly u: number;
  readonly terms: readonly GapTerm[];
  /** names of lengths on the way that nobody has measured */
  readonly missing: readonly string[];
  readonly contradictions: readonly TwoWays[];
  /** how the two bearings on the way lie; tandem where both take thrust the same way; null where there are not two */
  readonly arrangement: Arrangement | 'tandem' | null;
}

export interface ShaftModel {
  readonly gaps: readonly (LinearGap & { readonly contact: string })[];
  readonly depths: readonly (LinearGap & { readonly id: string })[];
}

/** A link between two faces that do not simply meet. */
interface Link {
  readonly id: string;
  readonly label: string;
  readonly from: string;
  readonly to: string;
  /** x(to) − x(from) is this times the length */
  readonly sign: 1 | -1;
  readonly kind: 'length' | 'stand' | 'slot';
  readonly length: Length | null;
  readonly u: number | undefined;
  readonly by: string | undefined;
  /** of a bearing: on which side of its cone its cup is; null where it is no bearing, or nobody said which race is which */
  readonly cup: 'inputSide' | 'outputSide' | null;
}

interface Step {
  readonly link: Link;
  /** how the link counts, walked this way */
  readonly sign: 1 | -1;
}

/** Two walks may differ by so much where nobody knows how well they were measured, nm. Common practice, no source. */
const UNKNOWN_CLOSURE = 5_000;
/** Walked only where nothing that is measured leads there. */
const COST = { known: 1, slot: 1_000, missing: 1_000_000 } as const;

/**
 * A shaft as linear forms: every open contact, and every depth that is asked for, as a constant and a whole number for each slot, read off
 * the walk from one face to the other. Topology alone decides the coefficients, so a shaft nobody has measured has them too. Where several
 * walks are measured, they are weighted by how well each is known (least squares, as the currents of a network of resistances u²); a way
 * round that closes worse than 2·√Σu², or 5 µm where an u is not known, is a contradiction, and there is no value.
 *
 * @param graph faces, lengths (nm) and contacts; `by` names the instrument whose one calibration is shared by what it measured
 * @param slots lengths that are chosen: counted as nothing in the constant
 * @returns gaps in the order of their contacts, depths in the order asked
 * @throws ReckoningError `doNotFit` where one race of a bearing is turned and not the other
 * @example shaftModel(graph, [{ id: 'pack', length: 'pack.in-out' }]).gaps[0].coefficients // { pack: 1 } under a cover
 */
export function shaftModel(
  graph: FaceGraph,
  slots: readonly ShaftSlot[],
  { depths = [] }: { readonly depths?: readonly FaceDepth[] } = {},
): ShaftModel {
  const isSlot = new Set(slots.map((s) => s.length));
  const net = networkOf(graph, isSlot);
  // the stand of a bearing is taken off its own gap
  const own = (contact: Contact): Link | null => (isBearing(contact) ? standOf(graph, contact, isSlot) : null);
  return {
    gaps: graph.contacts
      .filter((c) => c.kind === 'open')
      .map((contact) => ({ contact: contact.id, ...linearForm(net, slots, endsOf(graph, contact), own(contact)) })),
    depths: depths.map(({ id, from, to }) => ({ id, ...linearForm(net, slots, { from, to }, null) })),
  };
}

/** The two faces of a gap from the input end, as the parts stand. A bearing's own play lies between the backs of its races. */
function endsOf(graph: FaceGraph, contact: Contact): { from: string; to: string } {
  if (!isBearing(contact)) return { from: turnedFace(graph.parts, contact.a), to: turnedFace(graph.parts, contact.b) };
  return lieOf(graph.parts, contact) === 1 ? { from: contact.a, to: contact.b } : { from: contact.b, to: contact.a };
}

const standOf = (graph: FaceGraph, contact: Contact, isSlot: ReadonlySet<string>): Link => ({
  id: contact.id,
  label: contact.name ?? 'bearing stand',
  from: contact.a,
  to: contact.b,
  sign: lieOf(graph.parts, contact),
  kind: isSlot.has(contact.id) ? 'slot' : 'stand',
  length: isSlot.has(contact.id) ? nanometres(0) : (contact.stand ?? null),
  u: contact.standU,
  by: undefined,
  cup: cupSideOf(graph.parts, contact),
});

interface Network {
  readonly links: readonly Link[];
  /** faces that meet are one place; the name of the place of each */
  readonly placeOf: (face: string) => string;
  readonly at: ReadonlyMap<string, readonly Step[]>;
}

function networkOf(graph: FaceGraph, isSlot: ReadonlySet<string>): Network {
  const isTurned = new Set(graph.parts.filter((p) => p.turned).map((p) => p.id));
  const { placeOf, join } = joining();
  const standing: Link[] = [];
  for (const contact of graph.contacts) {
    if (contact.kind === 'open') continue;
    if (contact.kind === 'rolling') {
      standing.push(standOf(graph, contact, isSlot));
      continue;
    }
    const [a, b] = [turnedFace(graph.parts, contact.a), turnedFace(graph.parts, contact.b)];
    // what lies clamped between two faces keeps them apart
    if (contact.stand !== undefined)
      standing.push({ ...standOf(graph, contact, isSlot), label: contact.name ?? 'between the faces', from: a, to: b, sign: 1, cup: null });
    else join(a, b);
  }
  const links: Link[] = [
    ...graph.lengths.map(({ id, part, name, from, to, length, u, by }): Link => ({
      id,
      label: name,
      from,
      to,
      sign: isTurned.has(part) ? -1 : 1,
      kind: isSlot.has(id) ? 'slot' : 'length',
      length: isSlot.has(id) ? nanometres(0) : length,
      u,
      by,
      cup: null,
    })),
    ...standing,
  ];
  const at = new Map<string, Step[]>();
  const put = (face: string, step: Step): void => {
    const place = placeOf(face);
    at.set(place, [...(at.get(place) ?? []), step]);
  };
  for (const link of links) {
    put(link.from, { link, sign: link.sign });
    put(link.to, { link, sign: link.sign === 1 ? -1 : 1 });
  }
  return { links, placeOf, at };
}

const farEnd = (net: Network, place: string, { link }: Step): string =>
  net.placeOf(link.from) === place ? net.placeOf(link.to) : net.placeOf(link.from);

const costOf = ({ link }: Step): number => (link.kind === 'slot' ? COST.slot : link.length === null ? COST.missing : COST.known);

/** The walk that asks for the least that is not measured; null where there is none. */
function walkBetween(net: Network, from: string, to: string): readonly Step[] | null {
  const best = new Map<string, { cost: number; by: Step | null; before: string }>([[from, { cost: 0, by: null, before: from }]]);
  const open = new Set([from]);
  while (open.size > 0) {
    const place = [...open].reduce((a, b) => ((best.get(b)?.cost ?? 0) < (best.get(a)?.cost ?? 0) ? b : a));
    open.delete(place);
    if (place === to) break;
    const here = best.get(place)?.cost ?? 0;
    for (const step of net.at.get(place) ?? []) {
      const next = farEnd(net, place, step);
      const cost = here + costOf(step);
      if (cost >= (best.get(next)?.cost ?? Infinity)) continue;
      best.set(next, { cost, by: step, before: place });
      open.add(next);
    }
  }
  if (!best.has(to)) return null;
  const walk: Step[] = [];
  for (let here = best.get(to); here?.by; here = best.get(here.before)) walk.unshift(here.by);
  return walk;
}

function linearForm(net: Network, slots: readonly ShaftSlot[], ends: { from: string; to: string }, own: Link | null): LinearGap {
  const [from, to] = [net.placeOf(ends.from), net.placeOf(ends.to)];
  const walk = walkBetween(net, from, to);
  if (!walk) return { ...NOTHING_JOINS, ...(own ? { missing: [`${own.label}: its own play`] } : {}), coefficients: coefficientsOn([], slots) };
  const counted: readonly Step[] = own ? [...walk, { link: own, sign: -1 }] : walk;
  const coefficients = coefficientsOn(counted, slots);
  const missing = counted.filter(({ link }) => link.length === null).map(({ link }) => link.label);
  const arrangement = arrangementOf(counted);
  if (missing.length > 0) return { coefficients, constant: null, u: 0, terms: termsOf(counted), missing, contradictions: [], arrangement };
  const { flows, contradictions } = waysBetween(net, walk, from, to);
  const terms = termsOf([...flows.map(([link, flow]) => ({ link, sign: flow })), ...(own ? [{ link: own, sign: -1 }] : [])]);
  const isContradicted = contradictions.length > 0;
  return {
    coefficients,
    constant: isContradicted ? null : nanometres(terms.reduce((sum, { coefficient, value }) => sum + coefficient * value, 0)),
    u: doubtOf([...flows, ...(own ? [[own, -1] as const] : [])]),
    terms,
    missing,
    contradictions,
    arrangement,
  };
}

const coefficientsOn = (walk: readonly Step[], slots: readonly ShaftSlot[]): Readonly<Record<string, Sense>> =>
  Object.fromEntries(slots.map(({ id, length }) => [id, walk.find(({ link }) => link.id === length)?.sign ?? 0] as const));

const NOTHING_JOINS = {
  constant: null,
  u: 0,
  terms: [],
  missing: ['a part that joins its two faces'],
  contradictions: [],
  arrangement: null,
} as const;

const termsOf = (steps: readonly { readonly link: Link; readonly sign: number }[]): GapTerm[] =>
  steps.flatMap(({ link, sign }) =>
    link.kind === 'slot' || link.length === null ? [] : [{ id: link.id, label: link.label, coefficient: sign, value: link.length, u: link.u ?? 0 }],
  );

/** What one instrument measured is out by one calibration: added up before it is squared (full correlation, JCGM 100 5.2, from memory). */
function doubtOf(flows: readonly (readonly [Link, number])[]): number {
  const shared = new Map<string, number>();
  let squares = 0;
  for (const [{ u = 0, by }, flow] of flows) {
    if (by === undefined) squares += (flow * u) ** 2;
    else shared.set(by, (shared.get(by) ?? 0) + flow * u);
  }
  return Math.hypot(Math.sqrt(squares), ...shared.values());
}

/** How much of the gap each measured link carries, and the ways round that do not close. */
function waysBetween(
  net: Network,
  walk: readonly Step[],
  from: string,
  to: string,
): { flows: readonly (readonly [Link, number])[]; contradictions: readonly TwoWays[] } {
  const alone = { flows: walk.map(({ link, sign }) => [link, sign] as const), contradictions: [] };
  const onWalk = new Set(walk.map(({ link }) => link));
  // what is chosen counts where it is walked, and closes no way round
  const known = net.links.filter((link) => (link.kind === 'slot' ? onWalk.has(link) : link.length !== null));
  const { tree, closing } = spanning(net, known, from);
  if (closing.length === 0) return alone;
  const flows = flowBetween(
    known.map((link) => ({ link, a: net.placeOf(link.from), b: net.placeOf(link.to), resistance: link.kind === 'slot' ? 0 : resistanceOf(link) })),
    from,
    to,
  );
  const carries = new Map(flows.map(([{ link }, flow]) => [link, flow]));
  const rounds = closing
    .map((link) => ({ link, way: treeWay(tree, net.placeOf(link.from), net.placeOf(link.to)) }))
    .filter(
      ({ link, way }) => way.every(({ link: each }) => each.kind !== 'slot') && [link, ...way.map((s) => s.link)].some((each) => carries.has(each)),
    );
  if (rounds.length === 0) return alone;
  return {
    flows: flows.map(([{ link }, flow]) => [link, flow * link.sign] as const),
    contradictions: rounds.flatMap(({ link, way }) => {
      const others = way.reduce((sum, step) => sum + step.sign * (step.link.length ?? 0), 0);
      const difference = nanometres(Math.abs(others - link.sign * (link.length ?? 0)));
      const us = [link, ...way.map((step) => step.link)].map((each) => each.u);
      const known2u = 2 * Math.hypot(...us.map((u) => u ?? 0));
      const allowed = us.every((u) => u !== undefined) ? known2u : Math.max(known2u, UNKNOWN_CLOSURE);
      return difference > allowed ? [{ one: way.map((step) => step.link.label), other: [link.label], difference }] : [];
    }),
  };
}

/** Less certain lengths carry less; one whose doubt nobody knows as much as closes within what is allowed. */
const resistanceOf = ({ u }: Link): number => Math.max(u ?? UNKNOWN_CLOSURE / 2, 1) ** 2;

/** How each place was reached: by which step, and from where; nothing for the place it began at. */
type Tree = ReadonlyMap<string, { readonly step: Step; readonly before: string } | null>;

/** Links that reach every place from one, nearest first, and those that close a way round. */
function spanning(net: Network, known: readonly Link[], root: string): { tree: Tree; closing: readonly Link[] } {
  const allowed = new Set(known);
  const up = new Map<string, { step: Step; before: string } | null>([[root, null]]);
  const used = new Set<Link>();
  const queue = [root];
  for (const place of queue) {
    for (const step of net.at.get(place) ?? []) {
      const next = farEnd(net, place, step);
      if (!allowed.has(step.link) || up.has(next)) continue;
      up.set(next, { step, before: place });
      used.add(step.link);
      queue.push(next);
    }
  }
  return { tree: up, closing: known.filter((link) => !used.has(link) && up.has(net.placeOf(link.from))) };
}

/** The steps of the tree from one place to another. */
function treeWay(up: Tree, from: string, to: string): Step[] {
  const toRoot = (place: string): { step: Step; before: string }[] => {
    const found = [];
    for (let here = up.get(place); here; here = up.get(here.before)) found.push(here);
    return found;
  };
  const [down, back] = [toRoot(to), toRoot(from)];
  while (down.length > 0 && back.length > 0 && down.at(-1) === back.at(-1)) {
    down.pop();
    back.pop();
  }
  return [...back.map(({ step }): Step => ({ link: step.link, sign: step.sign === 1 ? -1 : 1 })), ...down.toReversed().map(({ step }) => step)];
}

/** How two bearings lie on a walk: by which side of each its cup is, and which of them comes first from the input end. */
function arrangementOf(walk: readonly Step[]): LinearGap['arrangement'] {
  const bearings = walk.flatMap(({ link }, i) => (link.cup === null ? [] : [{ cup: link.cup, i }]));
  const [one, other] = bearings;
  if (!one || !other || bearings.length > 2) return null;
  const between = walk.slice(one.i + 1, other.i);
  const along = between.reduce((sum, { link, sign }) => sum + sign * (link.length ?? 0), 0) || between.reduce((sum, { sign }) => sum + sign, 0);
  if (along === 0) return null;
  const [first, last] = along > 0 ? [one.cup, other.cup] : [other.cup, one.cup];
  if (first === last) return 'tandem';
  return first === 'inputSide' ? 'faceToFace' : 'backToBack';
}
