import { refuse } from '../../errors.ts';
import type { Arrangement, Place } from '../senses.ts';
import { shaftModel } from '../shaftModel.ts';
import { opposed } from '../templates/opposed.ts';
import { isChosen, type ReadyContact, type ReadyFace, type ReadyGap, type ReadyLength, type ReadyPlace } from '../templates/ready.ts';
import { taperPair } from '../templates/taperPair.ts';
import { HOLDERS, isStand, planGraph, soundPlan, type NewRole, type PlanPlace, type ShaftPlan } from './plan.ts';

/** What goes with one arrangement of two tapers and is not wanted in the other. */
const GOES_WITH_IT: ReadonlySet<string> = new Set(['cover', 'gasket', 'nut', 'washer', 'spacer', 'crushSleeve', 'fastening', 'bearings', 'pack']);

/**
 * How the two tapers of a shaft lie; null where it has not two.
 *
 * @example arrangementOf(asPlan(shaftTemplate('hubByNut', 'betweenCones'))) // 'backToBack'
 */
export function arrangementOf(plan: ShaftPlan): Arrangement | null {
  const found = shaftModel(planGraph(plan), []).gaps.find((gap) => gap.arrangement !== null)?.arrangement ?? null;
  return found === 'tandem' ? null : found;
}

/** Which of the two arrangements a fastener goes with: a cover pushes cups in, a nut draws cones together. */
const TIGHTENED = { faceToFace: 'cover', backToBack: 'nut' } as const;
export type Tightener = 'cover' | 'nut';

/** Where the shim of each may sit, the usual one first. */
export const SHIM_PLACES: Readonly<Record<Tightener, readonly Place[]>> = {
  cover: ['underCover', 'behindCup', 'behindCone'],
  nut: ['betweenCones', 'behindCup'],
};

/**
 * Both bearings turned: face to face becomes back to back, or the other way. The casing, the shaft, both bearings, the pack and the gap stay
 * what they are, with what was read of them; what held the one arrangement makes way for what holds the other, and the open contact moves:
 * from before a cover to inside the bearing that a nut draws up.
 *
 * @param tightener what is tightened now
 * @param sits where the shim is to be
 * @throws ReckoningError `notTwoTapers`, `moreOnIt` where other parts would lose what they lie against, `nothingHolds` where a cover is
 *   to hold races that lie back to back, or a nut those that lie face to face
 */
export function turnBearings(plan: ShaftPlan, { tightener, sits, newRole }: { tightener: Tightener; sits: Place; newRole: NewRole }): ShaftPlan {
  const before =
    arrangementOf(plan) ?? refuse('notTwoTapers', 'Only two taper bearings against each other can be turned from one arrangement to the other.');
  if (tightener === TIGHTENED[before])
    refuse(
      'nothingHolds',
      tightener === 'cover'
        ? 'Nothing holds that cup: turned so, the cups lie with their backs to each other, and a cover can only push them apart from the shaft. Cones that lie so are drawn together by a nut.'
        : 'Nothing holds that cone: turned so, the cones lie with their backs to each other on the shaft’s shoulders, and a nut pulls on nothing. Cups that lie so are pushed in by a cover.',
    );
  const roles = rolesIn(plan);
  const more = plan.places.filter((p) => !roles.has(p.role) && !HOLDERS.has(p.kind) && !GOES_WITH_IT.has(p.kind));
  const [other] = more;
  if (other) refuse('moreOnIt', `${other.name} lies between: take it out first, turn the bearings, and put it in again.`);
  const target =
    tightener === 'nut'
      ? opposed(
          {
            carrier: { role: 'casing', name: 'Casing', kind: 'casing' },
            axle: { role: 'shaft', name: 'Shaft', kind: 'shaft' },
            first: 'input end',
            second: 'output end',
          },
          new Map([[sits === 'behindCup' ? ('behindCup' as const) : ('betweenCones' as const), 'pack']]),
        )
      : taperPair(sits, false);
  return soundPlan(merged(plan, target, roles, newRole));
}

/** Which place of the plan is which of two tapers, by what a ready shaft calls them. */
function rolesIn(plan: ShaftPlan): Map<string, string> {
  const of = (face: string): PlanPlace | undefined => plan.places.find((p) => p.faces.some((f) => f.role === face));
  const bearings = plan.contacts.filter(isStand).map(({ a, b }) => [of(a), of(b)]);
  const [first, second] = bearings
    .map((pair) => ({ cup: pair.find((p) => p?.kind === 'cup'), cone: pair.find((p) => p?.kind === 'cone') }))
    .sort((p, q) => plan.places.indexOf(p.cup as PlanPlace) - plan.places.indexOf(q.cup as PlanPlace));
  if (!first?.cup || !first.cone || !second?.cup || !second.cone || bearings.length !== 2)
    return refuse('notTwoTapers', 'Only two taper bearings against each other can be turned from one arrangement to the other.');
  const still = plan.places.find((p) => p.kind === 'casing' || p.kind === 'hub');
  const turning = plan.places.find((p) => p.kind === 'shaft' || p.kind === 'pinion');
  const packs = plan.places.filter(isChosen);
  if (!still || !turning) return refuse('notTwoTapers', 'There is no casing or no shaft to turn them in.');
  if (packs.length > 1) refuse('moreOnIt', 'There are several packs on it: take out all but the one the bearings are set by, and turn them then.');
  const bearingsSaid = plan.places.find((p) => p.kind === 'bearings');
  return new Map([
    [first.cup.role, 'cupIn'],
    [first.cone.role, 'coneIn'],
    [second.cup.role, 'cupOut'],
    [second.cone.role, 'coneOut'],
    [still.role, 'casing'],
    [turning.role, 'shaft'],
    ...packs.map((p) => [p.role, 'pack'] as const),
    ...(bearingsSaid ? [[bearingsSaid.role, 'bearings'] as const] : []),
  ]);
}

interface Target {
  readonly places: readonly ReadyPlace[];
  readonly lengths: readonly ReadyLength[];
  readonly contacts: readonly ReadyContact[];
}

/** The target, with everything that the plan has already as it is known there. */
function merged(plan: ShaftPlan, target: Target, roles: ReadonlyMap<string, string>, newRole: NewRole): ShaftPlan {
  const mine = new Map([...roles].map(([role, as]) => [as, plan.places.find((p) => p.role === role)] as const));
  const faceRole = new Map<string, string>();
  const places = target.places.map((ready): PlanPlace => {
    const known = mine.get(ready.role);
    const same = ready.faces.map((face, i) => sameFace(plan, ready, known, face.role, i));
    // where a part meets others at other faces than before, it has another place
    const isKept = known !== undefined && same.every((face) => face !== undefined);
    const faces = ready.faces.map((face, i): ReadyFace => {
      const role = (isKept ? same[i] : undefined) ?? newRole();
      faceRole.set(face.role, role);
      return { ...face, role };
    });
    const here: PlanPlace = { ...ready, role: isKept ? known.role : newRole(), faces, turned: false };
    if (!known) return here;
    return { ...here, name: nameOf(known, ready), kind: known.kind, material: known.material, ...(isKept ? {} : { partOf: known.role }) };
  });
  const placeRole = new Map(target.places.map((ready, i) => [ready.role, places[i]?.role ?? ready.role] as const));
  const at = (face: string): string => faceRole.get(face) ?? face;
  const stands = standsOf(plan, roles);
  const lengthRole = new Map(target.lengths.map((l) => [l.role, stands.get(l.role) ?? newRole()] as const));
  const lengths = target.lengths.map((l): ReadyLength => {
    const known = plan.lengths.find((each) => each.role === lengthRole.get(l.role));
    return {
      ...l,
      ...known,
      role: known?.role ?? lengthRole.get(l.role) ?? l.role,
      place: placeRole.get(l.place) ?? l.place,
      from: at(l.from),
      to: at(l.to),
    };
  });
  const gap = plan.contacts.find((c) => c.kind === 'open');
  const contacts = target.contacts.map((c): ReadyContact => ({
    ...c,
    role: c.kind === 'open' && gap ? gap.role : newRole(),
    a: at(c.a),
    b: at(c.b),
    ...(c.stand === undefined ? {} : { stand: lengthRole.get(c.stand) ?? c.stand }),
    ...(c.fastener === undefined ? {} : { fastener: placeRole.get(c.fastener) ?? c.fastener }),
  }));
  const gaps: ReadyGap[] = plan.gaps.filter((each) => each.contacts.every((role) => contacts.some((c) => c.role === role)));
  return { places, lengths, contacts, gaps };
}

/** The face of a known place that a face of a ready one is: a race's back stays its back whichever way it lies. */
function sameFace(plan: ShaftPlan, ready: ReadyPlace, known: PlanPlace | undefined, face: string, i: number): string | undefined {
  if (ready.kind === 'pack') return known?.faces[i]?.role;
  const isRace = ready.kind === 'cup' || ready.kind === 'cone';
  return isRace ? known?.faces.find((f) => isBackOf(plan, f.role) === face.endsWith('.back'))?.role : undefined;
}

/** A pack is called by where it sits; what else there is keeps its name. */
const nameOf = (known: PlanPlace, ready: ReadyPlace): string => (ready.kind === 'pack' ? ready.name : known.name);

const isBackOf = (plan: ShaftPlan, face: string): boolean => plan.contacts.some((c) => isStand(c) && (c.a === face || c.b === face));

/** The stand of each bearing, by what a ready shaft calls it. The one with the open contact is `float` where a nut draws it up. */
function standsOf(plan: ShaftPlan, roles: ReadonlyMap<string, string>): Map<string, string> {
  const found = new Map<string, string>();
  for (const { a, b, stand } of plan.contacts.filter(isStand)) {
    if (stand === undefined) continue;
    const cone = plan.places.find((p) => p.kind === 'cone' && p.faces.some((f) => f.role === a || f.role === b));
    const isFirst = cone !== undefined && roles.get(cone.role) === 'coneIn';
    for (const name of isFirst ? ['bearingIn'] : ['bearingOut', 'float']) found.set(name, stand);
  }
  return found;
}
