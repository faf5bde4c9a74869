import { refuse } from '../../errors.ts';
import { isChosen, type Material, type PlaceKind, type ReadyContact, type ReadyFace, type ReadyLength } from '../templates/ready.ts';
import { faceOf, holding, isStand, placeOf, soundPlan, type NewRole, type PlanPlace, type ShaftPlan } from './plan.ts';

interface Insert {
  readonly title: string;
  readonly kind: PlaceKind;
  readonly material: Material;
  readonly takes: PlanPlace['takes'];
  readonly sits: PlanPlace['sits'];
  /** drawn so thick until it is measured or said, mm of proportion */
  readonly proportion: number;
  /** how its one size is called */
  readonly size: string;
}

const part = (title: string, kind: PlaceKind, material: Material, proportion: number, size = 'thickness'): Insert => ({
  title,
  kind,
  material,
  takes: null,
  sits: null,
  proportion,
  size,
});

/** What can be put in between two faces that meet, or stand open. Proportions are for the drawing alone. */
export const INSERTS = {
  washer: part('Thrust washer', 'washer', 'bronze', 4),
  shims: { ...part('Shims', 'pack', 'brass', 0.7), takes: 'leaves', sits: 'inLine' },
  chosen: { ...part('Washer of chosen thickness', 'pack', 'brass', 3), takes: 'part', sits: 'inLine' },
  spacer: part('Distance piece', 'spacer', 'steel', 20, 'length'),
  sleeve: part('Crush sleeve', 'crushSleeve', 'steel', 40, 'length'),
  bush: part('Bush', 'bush', 'bronze', 24, 'length'),
  gear: part('Gear', 'gear', 'steel', 22, 'across its hub'),
  collar: part('Collar', 'collar', 'steel', 8, 'length'),
  circlip: part('Circlip', 'circlip', 'steel', 2),
  gasket: { ...part('Gasket', 'gasket', 'paper', 0.4, 'crushed'), takes: 'gasket' },
} as const satisfies Readonly<Record<string, Insert>>;
export type InsertKind = keyof typeof INSERTS | 'taperBearing' | 'ballBearing';
export const INSERT_TITLES: Readonly<Record<InsertKind, string>> = {
  ...(Object.fromEntries(Object.entries(INSERTS).map(([kind, { title }]) => [kind, title])) as Record<keyof typeof INSERTS, string>),
  taperBearing: 'Taper bearing, cup and cone',
  ballBearing: 'Ball or roller bearing',
};

/** Widths of a ring nobody gave a band, mm of proportion. */
const RING_WIDTH = 8;

/** Where both faces are, so far in and out. */
function bandBetween(a: ReadyFace, b: ReadyFace): { inner: number; outer: number } {
  const [inner, outer] = [Math.max(a.inner, b.inner), Math.min(a.outer, b.outer)];
  return outer - inner >= 2 ? { inner, outer } : { inner: Math.min(a.inner, b.inner), outer: Math.min(a.inner, b.inner) + RING_WIDTH };
}

/** Another of the same name is told apart by its number. */
function nameFor(plan: ShaftPlan, title: string): string {
  const names = new Set(plan.places.map((p) => p.name));
  for (let n = 1; ; n++) {
    const name = n === 1 ? title : `${title} ${n}`;
    if (!names.has(name)) return name;
  }
}

interface Ring {
  readonly place: PlanPlace;
  readonly lengths: readonly ReadyLength[];
}

function ringOf(plan: ShaftPlan, of: keyof typeof INSERTS, band: { inner: number; outer: number }, role: string): Ring {
  const { title, size, ...rest } = INSERTS[of];
  const name = nameFor(plan, title);
  const face = (end: string, side: 'in' | 'out'): ReadyFace => ({ role: `${role}.${end}`, side, ...band });
  const isPack = isChosen(rest);
  const length = {
    role: `${role}.in-out`,
    place: role,
    name: `${name.toLowerCase()}, ${size}`,
    from: `${role}.in`,
    to: `${role}.out`,
    kind: 'length' as const,
    proportion: rest.proportion,
  };
  return { place: { ...rest, role, name, faces: [face('in', 'in'), face('out', 'out')], turned: false }, lengths: isPack ? [] : [length] };
}

/** What is put in stands after what is on its input side. */
const placed = (plan: ShaftPlan, added: readonly PlanPlace[], after: string): PlanPlace[] =>
  plan.places.toSpliced(plan.places.indexOf(holding(plan, after)) + 1, 0, ...added);

/**
 * Puts a part between two faces that meet, or into a gap: it lies against the far face there, and the gap stays before it.
 *
 * @param contact the role of what it is put between
 * @throws ReckoningError `insideBearing`, `noSuchPart`, `tandem`, `nothingHolds`
 * @example insertBetween(asPlan(shaftTemplate('own', 'inLine')), 'float', 'washer', () => 'new').contacts.length // 3
 */
export function insertBetween(plan: ShaftPlan, contact: string, kind: InsertKind, newRole: NewRole): ShaftPlan {
  const here = plan.contacts.find((c) => c.role === contact) ?? refuse('noSuchPart', 'Those two do not meet on this shaft.');
  if (isStand(here)) refuse('insideBearing', 'Nothing goes inside a bearing: choose one side of it.');
  if (kind === 'taperBearing') return insertBearing(plan, here, newRole);
  if (kind === 'ballBearing') return insertBallBearing(plan, here, newRole);
  const { place, lengths } = ringOf(plan, kind, bandBetween(faceOf(plan, here.a), faceOf(plan, here.b)), newRole());
  const [first, last] = [`${place.role}.in`, `${place.role}.out`];
  const beyond: ReadyContact = { ...here, role: newRole(), a: last, b: here.b, kind: here.kind === 'clamped' ? 'clamped' : 'seated' };
  if (here.kind === 'open') delete (beyond as { name?: string }).name;
  return soundPlan({
    ...plan,
    places: placed(plan, [place], here.a),
    lengths: [...plan.lengths, ...lengths],
    contacts: plan.contacts.flatMap((c) => (c === here ? [{ ...here, b: first }, beyond] : [c])),
  });
}

const CUP_SIDE: ReadonlySet<string> = new Set(['casing', 'cover', 'plate', 'hub']);
/** Proportions of a middling taper bearing, mm. */
const TAPER = { stand: 18.5, cup: [26, 31], cone: [15, 19], cupBack: 22.6 } as const;

/** A cup against what holds it still, a cone against what turns, and the bearing between their backs. */
function insertBearing(plan: ShaftPlan, here: ReadyContact, newRole: NewRole): ShaftPlan {
  const isStill = (face: string): boolean => standsStill(plan, face);
  const cupFirst = isStill(here.a) || !isStill(here.b);
  const [cup, cone, bearing, beyond] = [newRole(), newRole(), newRole(), newRole()];
  const name = nameFor(plan, 'Cup').replace('Cup', '').trim();
  const called = (what: string): string => `${what}${name === '' ? '' : ` ${name}`}`;
  const face = (role: string, side: 'in' | 'out', band: readonly [number, number]): ReadyFace => ({ role, side, inner: band[0], outer: band[1] });
  const race = (role: string, what: 'Cup' | 'Cone', backFirst: boolean): PlanPlace => {
    const kind = what === 'Cup' ? ('cup' as const) : ('cone' as const);
    const back = what === 'Cup' ? ([TAPER.cupBack, TAPER.cup[1]] as const) : TAPER.cone;
    const [backRole, frontRole] = [`${role}.back`, `${role}.front`];
    const faces = backFirst
      ? [face(backRole, 'in', back), face(frontRole, 'out', TAPER[kind])]
      : [face(frontRole, 'in', TAPER[kind]), face(backRole, 'out', back)];
    return { role, name: called(what), kind, material: 'steel', faces, takes: null, sits: null, proportion: 0, turned: false };
  };
  const [outer, inner] = [race(cup, 'Cup', cupFirst), race(cone, 'Cone', !cupFirst)];
  const [first, last] = cupFirst ? [outer, inner] : [inner, outer];
  const backs = [`${first.role}.back`, `${last.role}.back`] as const;
  const stand: ReadyLength = {
    role: bearing,
    place: cone,
    name: `bearing${name === '' ? '' : ` ${name}`}, T`,
    from: backs[0],
    to: backs[1],
    kind: 'stand',
    proportion: TAPER.stand,
  };
  const rolling: ReadyContact = { role: `${bearing}.rolling`, a: backs[0], b: backs[1], kind: 'rolling', name: stand.name, stand: bearing };
  return soundPlan({
    ...plan,
    places: placed(plan, [first, last], here.a),
    lengths: [...plan.lengths, stand],
    contacts: plan.contacts.flatMap((c) =>
      c === here ? around(here, rolling, { first: backs[0], last: backs[1], beyond, stillFirst: cupFirst }) : [c],
    ),
  });
}

interface Around {
  /** the faces of the bearing that look to either side */
  readonly first: string;
  readonly last: string;
  /** the role of what is beyond it */
  readonly beyond: string;
  /** what holds still is on its input side */
  readonly stillFirst: boolean;
}

/** What a bearing put in lies against on either side. A gap stays outside, beside what holds still; anything else is held alike on both. */
function around(here: ReadyContact, rolling: ReadyContact, { first, last, beyond, stillFirst }: Around): ReadyContact[] {
  const [near, far] = [
    { ...here, b: first },
    { ...here, a: last },
  ];
  const seated = ({ a, b }: ReadyContact): ReadyContact => ({ role: beyond, a, b, kind: 'seated' });
  if (here.kind !== 'open') return [near, rolling, { ...far, role: beyond }];
  return stillFirst ? [near, rolling, seated(far)] : [seated(near), rolling, far];
}

/** Proportions of a middling ball bearing, mm. */
const BALL = { outerRing: [25, 31], innerRing: [15, 20], width: 17 } as const;

/**
 * An outer ring against what holds still, an inner ring against what turns; the gap, where it is put into one, stays beside what holds still,
 * as where a plate or a cover locates it.
 */
function insertBallBearing(plan: ShaftPlan, here: ReadyContact, newRole: NewRole): ShaftPlan {
  const stillFirst = standsStill(plan, here.a) || !standsStill(plan, here.b);
  const name = nameFor(plan, 'Ball bearing');
  const ring = (kind: 'outerRing' | 'innerRing'): Ring => {
    const role = newRole();
    const [inner, outer] = BALL[kind];
    const what = kind === 'outerRing' ? 'outer ring' : 'inner ring';
    const faces = (['in', 'out'] as const).map((side) => ({ role: `${role}.${side}`, side, inner, outer }));
    const size = { role: `${role}.in-out`, place: role, name: `${name.toLowerCase()}, width of ${what}`, from: `${role}.in`, to: `${role}.out` };
    return {
      place: { role, name: `${name}, ${what}`, kind, material: 'steel', faces, takes: null, sits: null, proportion: 0, turned: false },
      lengths: [{ ...size, kind: 'length', proportion: BALL.width }],
    };
  };
  const [outer, inner] = [ring('outerRing'), ring('innerRing')];
  const [first, last] = stillFirst ? [outer, inner] : [inner, outer];
  const [races, beyond] = [newRole(), newRole()];
  const stand: ReadyLength = {
    role: races,
    place: inner.place.role,
    name: `${name.toLowerCase()}, one ring to the other`,
    from: `${first.place.role}.in`,
    to: `${last.place.role}.in`,
    kind: 'stand',
    proportion: 0,
  };
  const rolling: ReadyContact = { role: `${races}.rolling`, a: stand.from, b: stand.to, kind: 'rolling', name: stand.name, stand: races };
  const ends = { first: stand.from, last: `${last.place.role}.out`, beyond, stillFirst };
  return soundPlan({
    ...plan,
    places: placed(plan, [first.place, last.place], here.a),
    lengths: [...plan.lengths, ...outer.lengths, ...inner.lengths, stand],
    contacts: plan.contacts.flatMap((c) => (c === here ? around(here, rolling, ends) : [c])),
  });
}

/** Whether a face is of something that holds still, or of what lies against it. */
function standsStill(plan: ShaftPlan, face: string): boolean {
  const met = new Set<string>();
  const look = (at: string): boolean => {
    const place = holding(plan, at);
    if (met.has(place.role)) return false;
    met.add(place.role);
    if (CUP_SIDE.has(place.kind)) return true;
    if (place.kind === 'shaft' || place.kind === 'pinion') return false;
    const mine = new Set(place.faces.map((f) => f.role));
    return plan.contacts
      .filter((c) => c.kind !== 'open' && c.kind !== 'rolling')
      .some(({ a, b }) => (mine.has(a) && look(b)) || (mine.has(b) && look(a)));
  };
  return look(face);
}

/**
 * Puts a gear on a bush or a distance piece: it runs between whatever that lies between, and what is left beside it is a gap of its own.
 *
 * @throws ReckoningError `notBetween` where the bush does not lie between two parts
 * @example runOn(asPlan(shaftTemplate('gearOnBush', 'thrustWasher')), 'bush', () => 'new').gaps.length // 2
 */
export function runOn(plan: ShaftPlan, bush: string, newRole: NewRole): ShaftPlan {
  const on = placeOf(plan, bush);
  const [first, last] = [on.faces[0]?.role, on.faces.at(-1)?.role];
  const before = plan.contacts.find((c) => c.b === first);
  const after = plan.contacts.find((c) => c.a === last);
  if (!before || !after || isStand(before) || isStand(after))
    return refuse('notBetween', `${on.name} does not lie between two parts: put those in first, and then the gear on it.`);
  const role = newRole();
  const outer = Math.max(...on.faces.map((f) => f.outer));
  const { place, lengths } = ringOf(plan, 'gear', { inner: outer + 0.3, outer: outer + 12 }, role);
  const gap = newRole();
  const proportion = Math.max(4, (plan.lengths.find((l) => l.place === bush)?.proportion ?? 24) - 1.5);
  return soundPlan({
    ...plan,
    places: plan.places.toSpliced(plan.places.indexOf(on) + 1, 0, place),
    lengths: [...plan.lengths, ...lengths.map((l) => ({ ...l, proportion }))],
    contacts: [
      ...plan.contacts,
      { role: newRole(), a: before.a, b: `${role}.in`, kind: 'seated' },
      { role: gap, a: `${role}.out`, b: after.b, kind: 'open', name: `${place.name.toLowerCase()} float` },
    ],
    gaps: [
      ...plan.gaps,
      { role: newRole(), name: `${place.name} on its ${on.kind === 'bush' ? 'bush' : 'distance piece'}`, ofShaft: false, contacts: [gap] },
    ],
  });
}
