import { refuse } from '../../errors.ts';
import { isChosen, type ReadyContact } from '../templates/ready.ts';
import { HOLDERS, isStand, placeOf, RACES, soundPlan, type NewRole, type PlanPlace, type ShaftPlan } from './plan.ts';

const facesOf = (places: readonly PlanPlace[]): ReadonlySet<string> => new Set(places.flatMap((p) => p.faces.map((f) => f.role)));

/** A part, or both races of a bearing: one alone holds nothing. */
function withMate(plan: ShaftPlan, place: PlanPlace): PlanPlace[] {
  if (!RACES.has(place.kind)) return [place];
  const mine = facesOf([place]);
  const mates = plan.contacts.filter((c) => isStand(c) && (mine.has(c.a) || mine.has(c.b)));
  return plan.places.filter((p) => p === place || mates.some(({ a, b }) => p.faces.some((f) => f.role === a || f.role === b)));
}

/**
 * Takes a part out: what it lay between meets. A race goes with its mate.
 *
 * @throws ReckoningError `holds` for the casing and the shaft, which hold the rest; `lastGap`
 * @example takeOut(asPlan(shaftTemplate('taperPair', 'underCover')), 'cupIn', () => 'new').places.length // 8
 */
export function takeOut(plan: ShaftPlan, role: string, newRole: NewRole): ShaftPlan {
  const place = placeOf(plan, role);
  if (HOLDERS.has(place.kind)) refuse('holds', `${place.name} holds the rest: it stays.`);
  const out = withMate(plan, place);
  const mine = facesOf(out);
  const before = plan.contacts.filter((c) => mine.has(c.b) && !mine.has(c.a));
  const after = plan.contacts.filter((c) => mine.has(c.a) && !mine.has(c.b));
  const kept = new Set<string>();
  const joined = before.flatMap((one) =>
    after.map((other): ReadyContact => {
      const open = [one, other].find((c) => c.kind === 'open');
      const like = open ?? (one.kind === 'clamped' && other.kind === 'clamped' ? one : { role: one.role, kind: 'seated' as const });
      const as = kept.has(like.role) ? newRole() : like.role;
      kept.add(as);
      return { ...like, role: as, a: one.a, b: other.b };
    }),
  );
  const gone = new Set(out.map((p) => p.role));
  const contacts = [...plan.contacts.filter((c) => !mine.has(c.a) && !mine.has(c.b)), ...joined];
  const open = new Set(contacts.filter((c) => c.kind === 'open').map((c) => c.role));
  const gaps = plan.gaps.filter((gap) => gap.contacts.every((c) => open.has(c)));
  if (gaps.length === 0 && plan.gaps.length > 0)
    refuse('lastGap', `Without the ${place.name.toLowerCase()} there is no gap left to be read: it stays.`);
  return soundPlan({
    places: plan.places.filter((p) => !gone.has(p.role)),
    lengths: plan.lengths.filter((l) => !gone.has(l.place)),
    contacts: inOrderOf(plan, contacts),
    gaps,
  });
}

/** Contacts that were there stand where they stood. */
function inOrderOf(plan: ShaftPlan, contacts: readonly ReadyContact[]): ReadyContact[] {
  const at = (role: string): number => {
    const i = plan.contacts.findIndex((c) => c.role === role);
    return i === -1 ? plan.contacts.length : i;
  };
  return [...contacts].sort((a, b) => at(a.role) - at(b.role));
}

/** The one contact at either end of a ring that lies between two others. */
function ends(plan: ShaftPlan, place: PlanPlace): { readonly before: ReadyContact; readonly after: ReadyContact } | null {
  if (HOLDERS.has(place.kind)) return null;
  const [first, last] = [place.faces[0]?.role, place.faces.at(-1)?.role];
  const mine = facesOf([place]);
  const touching = plan.contacts.filter((c) => mine.has(c.a) || mine.has(c.b));
  const before = touching.find((c) => c.b === first);
  const after = touching.find((c) => c.a === last);
  return before && after && touching.length === 2 && !touching.some(isStand) ? { before, after } : null;
}

/**
 * A ring changes places with the one next to it.
 *
 * @param by 1 towards the output end, −1 towards the input end
 * @throws ReckoningError `cannotMove` where its neighbour is no ring it could change places with
 */
export function moveAlong(plan: ShaftPlan, role: string, by: 1 | -1): ShaftPlan {
  const place = placeOf(plan, role);
  const here = ends(plan, place);
  const neighbour = here && plan.places.find((p) => p.faces.some((f) => f.role === (by === 1 ? here.after.b : here.before.a)));
  const there = neighbour && ends(plan, neighbour);
  if (!neighbour || !there)
    return refuse(
      'cannotMove',
      `${place.name} cannot change places with ${neighbour ? `the ${neighbour.name.toLowerCase()}` : 'what is next to it'}.`,
    );
  const [first, second] = by === 1 ? [place, neighbour] : [neighbour, place];
  const [one, two] = by === 1 ? [here, there] : [there, here];
  const end = (of: PlanPlace, which: 0 | -1): string => of.faces.at(which)?.role ?? '';
  const at = new Map<ReadyContact, ReadyContact>([
    [one.before, { ...one.before, b: end(second, 0) }],
    [one.after, { ...one.after, a: end(second, -1), b: end(first, 0) }],
    [two.after, { ...two.after, a: end(first, -1) }],
  ]);
  const [i, j] = [plan.places.indexOf(first), plan.places.indexOf(second)];
  return soundPlan({
    ...plan,
    places: plan.places.map((p, n) => (n === i ? second : n === j ? first : p)),
    contacts: plan.contacts.map((c) => at.get(c) ?? c),
  });
}

/** The bearing that a ring of a ball or roller bearing is of; null for anything else, for the play of a pair of taper bearings is its float. */
const ownBearing = (plan: ShaftPlan, { kind, faces }: PlanPlace): ReadyContact | null =>
  kind === 'outerRing' || kind === 'innerRing'
    ? (plan.contacts.find((c) => isStand(c) && faces.some((f) => f.role === c.a || f.role === c.b)) ?? null)
    : null;

/** Whether a bearing has play of its own; null for what can have none. */
export function playOf(plan: ShaftPlan, role: string): boolean | null {
  const bearing = ownBearing(plan, placeOf(plan, role));
  return bearing && bearing.kind === 'open';
}

/**
 * A ball or roller bearing whose rings move along each other by a play of its own, which is a gap to be read; or, had it that, has it no more.
 *
 * @throws ReckoningError `noPlay` for what is no ring of such a bearing
 * @example playOf(givePlay(asPlan(shaftTemplate('ballAndRing', 'inLine')), 'innerRing', () => 'new'), 'outerRing') // true
 */
export function givePlay(plan: ShaftPlan, role: string, newRole: NewRole): ShaftPlan {
  const place = placeOf(plan, role);
  const bearing = ownBearing(plan, place) ?? refuse('noPlay', `${place.name} has no play of its own.`);
  const has = bearing.kind === 'open';
  const contacts = plan.contacts.map((c) => (c === bearing ? { ...c, kind: has ? ('rolling' as const) : ('open' as const) } : c));
  const name = `${place.name.split(',')[0] ?? place.name}, its own play`;
  const gaps = has
    ? plan.gaps.filter((gap) => !gap.contacts.includes(bearing.role))
    : [...plan.gaps, { role: newRole(), name, ofShaft: false, contacts: [bearing.role] }];
  return soundPlan({ ...plan, contacts, gaps });
}

/** Kinds of part that come in several thicknesses. */
const COME_IN_THICKNESSES: ReadonlySet<string> = new Set(['washer', 'spacer', 'gasket', 'circlip', 'collar']);

/** Whether a ring is one that could be chosen by its thickness, or is so already and has a part of its own to go back to. */
export const mayBeChosen = (plan: ShaftPlan, { role, kind }: Pick<PlanPlace, 'role' | 'kind'>): boolean =>
  COME_IN_THICKNESSES.has(kind) && plan.lengths.some((l) => l.place === role);

/**
 * A ring that is what it is becomes one that is chosen by its thickness, as packs are, and back again. Gaskets may lie two together.
 *
 * @throws ReckoningError `notChosen` for what does not come in several thicknesses
 * @example chooseThickness(asPlan(shaftTemplate('taperPair', 'underCover', { gasket: true })), 'cover.gasket').places.length // 11
 */
export function chooseThickness(plan: ShaftPlan, role: string): ShaftPlan {
  const place = placeOf(plan, role);
  if (!mayBeChosen(plan, place)) refuse('notChosen', `${place.name} does not come in several thicknesses.`);
  const isGasket = place.kind === 'gasket';
  const asItIs = isGasket ? ('gasket' as const) : null;
  const takes = isChosen(place) ? asItIs : isGasket ? ('leaves' as const) : ('part' as const);
  const proportion = plan.lengths.find((l) => l.place === role)?.proportion ?? place.proportion;
  return soundPlan({ ...plan, places: plan.places.map((p) => (p === place ? { ...p, takes, sits: place.sits ?? 'inLine', proportion } : p)) });
}

/**
 * The same shaft with one part the other way round.
 *
 * @throws ReckoningError `doNotFit` for a race, which is turned with its mate and with the other bearing or not at all; `holds` for what
 *   holds the rest
 * @example turnPart(asPlan(shaftTemplate('layshaft', 'inLine')), 'bush').places.length // 11
 */
export function turnPart(plan: ShaftPlan, role: string): ShaftPlan {
  const place = placeOf(plan, role);
  if (HOLDERS.has(place.kind)) refuse('holds', `${place.name} holds the rest: it stays.`);
  if (RACES.has(place.kind))
    refuse('doNotFit', `${place.name}: cup and cone do not fit into each other so. Both bearings are turned together, or none.`);
  return soundPlan({ ...plan, places: plan.places.map((p) => (p === place ? { ...p, turned: !p.turned } : p)) });
}
