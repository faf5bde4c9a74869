import { refuse } from '../../errors.ts';
import { cupSideOf, isBearing, lieOf, turnedFace, type FaceGraph } from '../graph.ts';
import {
  templateGraph,
  type ReadyContact,
  type ReadyFace,
  type ReadyGap,
  type ReadyLength,
  type ReadyPlace,
  type ShaftTemplate,
} from '../templates/ready.ts';

/** A place of a shaft that is being put together. */
export interface PlanPlace extends ReadyPlace {
  readonly turned: boolean;
  /** the place whose part now sits here */
  readonly partOf?: string;
}

/**
 * A shaft that is being put together: what a ready shaft is, and which way round its parts are. A `role` is whatever its caller knows a
 * thing by.
 */
export interface ShaftPlan {
  readonly places: readonly PlanPlace[];
  readonly lengths: readonly ReadyLength[];
  readonly contacts: readonly ReadyContact[];
  readonly gaps: readonly ReadyGap[];
}

/** A ready shaft, to be changed. */
export const asPlan = ({ places, lengths, contacts, gaps }: ShaftTemplate): ShaftPlan => ({
  places: places.map((place) => ({ ...place, turned: false })),
  lengths,
  contacts,
  gaps,
});

/** Gives a fresh role for something new. */
export type NewRole = () => string;

export const planGraph = (plan: ShaftPlan): FaceGraph => {
  const graph = templateGraph(plan);
  const turned = new Set(plan.places.filter((p) => p.turned).map((p) => p.role));
  return { ...graph, parts: graph.parts.map((part) => ({ ...part, turned: turned.has(part.id) })) };
};

export const placeOf = (plan: ShaftPlan, role: string): PlanPlace =>
  plan.places.find((p) => p.role === role) ?? refuse('noSuchPart', 'That part is not on this shaft.');

/** The place that has a face. */
export const holding = (plan: ShaftPlan, face: string): PlanPlace =>
  plan.places.find((p) => p.faces.some((f) => f.role === face)) ?? refuse('noSuchPart', 'That face is of no part of this shaft.');

export const faceOf = (plan: ShaftPlan, role: string): ReadyFace =>
  holding(plan, role).faces.find((f) => f.role === role) ?? refuse('noSuchPart', 'That face is of no part of this shaft.');

export const isStand = (contact: ReadyContact): boolean => contact.kind === 'rolling' || contact.stand !== undefined;
export const RACES: ReadonlySet<string> = new Set(['cup', 'cone', 'outerRing', 'innerRing']);
/** What the rest is put together in and on. */
export const HOLDERS: ReadonlySet<string> = new Set(['casing', 'hub', 'shaft', 'pinion']);

/**
 * Holds a shaft to what can be: races fit into each other, two bearings take thrust against each other, and something stands behind each
 * race, for contacts push and only what is clamped pulls.
 *
 * @returns the same plan
 * @throws ReckoningError `doNotFit`, `tandem`, `nothingHolds`
 * @example soundPlan(asPlan(shaftTemplate('taperPair', 'underCover'))).gaps.length // 1
 */
export function soundPlan(plan: ShaftPlan): ShaftPlan {
  const graph = planGraph(plan);
  const bearings = graph.contacts.filter((c) => isBearing(c) && cupSideOf(graph.parts, c) !== null);
  for (const bearing of bearings) lieOf(graph.parts, bearing);
  const sides = bearings.map((c) => cupSideOf(graph.parts, c));
  if (sides.length === 2 && sides[0] === sides[1])
    refuse('tandem', 'Both bearings take thrust the same way; this shaft cannot be set like that. Turn both, or neither.');
  const pushedOn = new Set(
    graph.contacts.filter((c) => !isBearing(c)).flatMap(({ a, b }) => [turnedFace(graph.parts, a), turnedFace(graph.parts, b)]),
  );
  for (const { a, b } of bearings) {
    for (const back of [a, b]) {
      if (pushedOn.has(back)) continue;
      const { kind, name } = holding(plan, back);
      refuse(
        'nothingHolds',
        `Nothing holds that ${kind === 'cup' ? 'cup' : 'cone'} (${name.toLowerCase()}): there is nothing behind its back to push against.`,
      );
    }
  }
  return plan;
}
