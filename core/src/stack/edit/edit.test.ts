import { describe, expect, it } from '@jest/globals';
import { inSeries, sensesFromLayout, shaftModel, shaftTemplate, TEMPLATES, type Place, type TemplateName } from '../index.ts';
import {
  arrangementOf,
  asPlan,
  chooseThickness,
  givePlay,
  insertBetween,
  mayBeChosen,
  moveAlong,
  planGraph,
  playOf,
  runOn,
  soundPlan,
  takeOut,
  turnBearings,
  turnPart,
  type InsertKind,
  type NewRole,
  type ShaftPlan,
} from './index.ts';

const EVERY = (Object.keys(TEMPLATES) as TemplateName[]).flatMap((name) =>
  (TEMPLATES[name].places.length === 0 ? (['inLine'] as Place[]) : TEMPLATES[name].places.map((p) => p.place)).map((place) => ({ name, place })),
);

const planOf = (name: TemplateName, place: Place = TEMPLATES[name].places[0]?.place ?? 'inLine'): ShaftPlan => asPlan(shaftTemplate(name, place));

function counter(): NewRole {
  let n = 0;
  return () => `new${++n}`;
}

/** How each slot and each length moves each gap, by role. */
function moves(plan: ShaftPlan): Record<string, Record<string, number>> {
  const graph = planGraph(plan);
  const ids = graph.lengths.map((l) => l.id);
  const stands = graph.contacts.filter((c) => c.stand !== undefined).map((c) => c.id);
  const { gaps } = shaftModel(
    graph,
    [...ids, ...stands].map((id) => ({ id, length: id })),
  );
  return Object.fromEntries(gaps.map((g) => [g.contact, Object.fromEntries(Object.entries(g.coefficients).filter(([, by]) => by !== 0))]));
}
const senseOfPack = (plan: ShaftPlan, pack = 'pack'): number =>
  shaftModel(planGraph(plan), [{ id: pack, length: pack }]).gaps[0]?.coefficients[pack] ?? 0;

describe('a shaft that is put together', () => {
  it.each(EVERY)('$name, $place, is sound as it is ready', ({ name, place }) => {
    expect(() => soundPlan(planOf(name, place))).not.toThrow();
  });

  it('what is put in between two faces counts on the way, and the gap stays the gap', () => {
    const own = planOf('own');
    expect(moves(own)).toEqual({ float: { 'casing.thrust-far': 1, 'shaft.collarIn-collarOut': -1 } });
    const withWasher = insertBetween(own, 'float', 'washer', () => 'w');
    expect(moves(withWasher)).toEqual({ float: { 'casing.thrust-far': 1, 'shaft.collarIn-collarOut': -1, 'w.in-out': -1 } });
    expect(withWasher.places.map((p) => p.name)).toEqual(['Casing', 'Shaft', 'Thrust washer']);
    const next = counter();
    const withShims = insertBetween(withWasher, 'casing.thrust~shaft.collarIn', 'shims', next);
    expect(senseOfPack(withShims, 'new1')).toBe(-1);
    expect(insertBetween(withShims, 'float', 'washer', next).places.map((p) => p.name)).toContain('Thrust washer 2');
  });

  it('a cover that is lifted by shims opens its float, as when it was ready', () => {
    const ready = planOf('plainThrust', 'thrustWasher');
    const flange = ready.contacts.find((c) => c.kind === 'clamped');
    const plan = insertBetween(ready, flange?.role ?? '', 'shims', () => 's');
    expect(senseOfPack(plan, 's')).toBe(1);
    expect(plan.contacts.filter((c) => c.kind === 'clamped').map((c) => [c.a, c.b])).toEqual([
      [flange?.a, 's.in'],
      ['s.out', flange?.b],
    ]);
  });

  it('two tapers put into a casing by hand are face to face, with the senses of the table', () => {
    const next = counter();
    const one = insertBetween(planOf('own'), 'casing.thrust~shaft.collarIn', 'taperBearing', next);
    const two = insertBetween(one, 'float', 'taperBearing', next);
    expect(arrangementOf(two)).toBe('faceToFace');
    const behindCup = two.contacts.find((c) => c.a === 'casing.thrust')?.role ?? '';
    const behindCone = two.contacts.find((c) => c.b === 'shaft.collarIn')?.role ?? '';
    for (const [contact, place] of [
      [behindCup, 'behindCup'],
      [behindCone, 'behindCone'],
    ] as const)
      expect(
        senseOfPack(
          insertBetween(two, contact, 'shims', () => 's'),
          's',
        ),
      ).toBe(sensesFromLayout({ place, arrangement: 'faceToFace' }));
    // cones are named after the first, and what holds still has the cups
    expect(two.places.map((p) => p.name)).toEqual(['Casing', 'Cup', 'Cone', 'Shaft', 'Cone 2', 'Cup 2']);
  });

  it('nothing goes inside a bearing', () => {
    expect(() => insertBetween(planOf('taperPair', 'underCover'), 'bearingIn', 'shims', counter())).toThrow(/inside a bearing/);
    expect(() => insertBetween(planOf('hubByNut', 'betweenCones'), 'float', 'shims', counter())).toThrow(/inside a bearing/);
  });

  it('a gear put on a bush has a float of its own: bush less gear', () => {
    const next = counter();
    const bush = insertBetween(planOf('own'), 'casing.thrust~shaft.collarIn', 'bush', next);
    const withGear = runOn(bush, 'new1', next);
    const [, gap] = withGear.gaps;
    expect(gap?.name).toBe('Gear on its bush');
    expect(moves(withGear)[gap?.contacts[0] ?? '']).toEqual({ 'new1.in-out': 1, 'new3.in-out': -1 });
    // the table of senses: a bush in line opens the float of the gear running on it
    expect(sensesFromLayout({ place: 'inLine', arrangement: 'faceToFace', gap: 'gear' })).toBe(1);
    expect(() => runOn(planOf('own'), 'casing', next)).toThrow(/does not lie between/);
  });

  it('put in and taken out again, every length counts as before', () => {
    const kinds: InsertKind[] = ['washer', 'shims', 'chosen', 'spacer', 'bush', 'gear', 'collar', 'circlip', 'gasket'];
    for (const { name, place } of EVERY) {
      const plan = planOf(name, place);
      for (const contact of plan.contacts) {
        if (contact.kind === 'rolling' || contact.stand !== undefined) continue;
        for (const kind of kinds) {
          const put = insertBetween(plan, contact.role, kind, counter());
          const again = takeOut(put, 'new1', counter());
          expect(moves(again)).toEqual(moves(plan));
          expect(again.contacts.map((c) => [c.role, c.a, c.b, c.kind])).toEqual(plan.contacts.map((c) => [c.role, c.a, c.b, c.kind]));
        }
      }
    }
  });

  it('a race goes out with its mate, and what they lay between meets', () => {
    const plan = takeOut(planOf('taperPair', 'underCover'), 'cupIn', counter());
    expect(plan.places.map((p) => p.role)).not.toContain('coneIn');
    expect(moves(plan).float).toEqual({
      'casing.seat-face': 1,
      pack: 1,
      'cover.spigot-flange': -1,
      'shaft.shoulderIn-shoulderOut': -1,
      bearingOut: -1,
    });
    expect(() => takeOut(plan, 'casing', counter())).toThrow(/holds the rest/);
    expect(() => takeOut(plan, 'shaft', counter())).toThrow(/holds the rest/);
  });

  it('a gap that nothing is left of goes with what it was at', () => {
    const plan = takeOut(planOf('layshaft'), 'gearF', counter());
    expect(plan.gaps.map((g) => g.role)).toEqual(['gap.cluster', 'gap.front', 'gap.rear', 'gap.stack']);
    // with the gear out, the gap is between what it ran between
    expect(moves(plan).front).toEqual({ 'bush.in-ribIn': 1 });
    expect(takeOut(plan, 'clip', counter()).gaps.map((g) => g.role)).toContain('gap.stack');
  });

  it('rings change places, and every sum is the same', () => {
    const next = counter();
    const one = insertBetween(planOf('own'), 'float', 'washer', next);
    const open = one.contacts.find((c) => c.role === 'float');
    const two = insertBetween(one, 'new2', 'collar', next);
    expect(open?.b).toBe('new1.in');
    const swapped = moveAlong(two, 'new3', -1);
    expect(moves(swapped)).toEqual(moves(two));
    expect(swapped.contacts.find((c) => c.role === 'float')?.b).toBe('new3.in');
    expect(swapped.places.map((p) => p.name)).toEqual(['Casing', 'Shaft', 'Collar', 'Thrust washer']);
    expect(moveAlong(swapped, 'new3', 1).contacts).toEqual(two.contacts);
    expect(() => moveAlong(two, 'new1', -1)).toThrow(/cannot change places with the shaft/);
  });
});

describe('turned round', () => {
  it('a ring is drawn the other way and measures the same; a bush with a rib does not', () => {
    const plan = planOf('layshaft');
    expect(moves(turnPart(plan, 'washerM'))).toEqual(moves(plan));
    const turned = moves(turnPart(plan, 'bush'));
    expect(turned.front).toEqual({ 'bush.ribOut-out': 1, 'gearF.in-out': -1 });
    expect(moves(plan).front).toEqual({ 'bush.in-ribIn': 1, 'gearF.in-out': -1 });
  });

  it('one race alone is refused', () => {
    for (const race of ['cupIn', 'coneIn', 'cupOut', 'coneOut'])
      expect(() => turnPart(planOf('taperPair', 'underCover'), race)).toThrow(/do not fit into each other so/);
  });

  it('two bearings the same way are refused, and so is a cup with nothing behind it', () => {
    const plan = planOf('taperPair', 'underCover');
    const lie = (...roles: string[]): ShaftPlan => ({
      ...plan,
      places: plan.places.map((p) => (roles.includes(p.role) ? { ...p, turned: true } : p)),
    });
    expect(() => soundPlan(lie('cupIn'))).toThrow(/do not fit/);
    expect(() => soundPlan(lie('cupIn', 'coneIn'))).toThrow(/same way; this shaft cannot be set like that/);
    expect(() => soundPlan(lie('cupIn', 'coneIn', 'cupOut', 'coneOut'))).toThrow(/Nothing holds that (?:cup|cone)/);
  });

  it('both bearings: the sign of a pack by a cone turns over, and that behind a cup stays', () => {
    for (const [was, now] of [
      ['behindCone', 'betweenCones'],
      ['behindCup', 'behindCup'],
      ['underCover', 'betweenCones'],
    ] as const) {
      const cover = planOf('taperPair', was);
      expect(senseOfPack(cover)).toBe(sensesFromLayout({ place: was, arrangement: 'faceToFace' }));
      const nut = turnBearings(cover, { tightener: 'nut', sits: now, newRole: counter() });
      expect(arrangementOf(nut)).toBe('backToBack');
      expect(senseOfPack(nut)).toBe(sensesFromLayout({ place: now, arrangement: 'backToBack' }));
      // the gap, both bearings, the casing and the shaft are the same, and so is the T of each
      expect(nut.gaps).toEqual(cover.gaps);
      for (const role of ['casing', 'shaft', 'cupIn', 'coneIn', 'cupOut', 'coneOut', 'pack'])
        expect(nut.places.flatMap((p) => [p.role, p.partOf])).toContain(role);
      expect(nut.lengths.filter((l) => l.kind === 'stand').map((l) => l.role)).toEqual(['bearingIn', 'bearingOut']);
      expect(nut.places.map((p) => p.kind)).not.toContain('cover');
    }
  });

  it('and back again to a cover', () => {
    const nut = planOf('hubByNut', 'betweenCones');
    const cover = turnBearings(nut, { tightener: 'cover', sits: 'behindCone', newRole: counter() });
    expect(arrangementOf(cover)).toBe('faceToFace');
    expect(senseOfPack(nut)).toBe(1);
    expect(senseOfPack(cover)).toBe(-1);
    expect(
      cover.lengths
        .filter((l) => l.kind === 'stand')
        .map((l) => l.role)
        .sort(),
    ).toEqual(['bearingIn', 'float']);
    expect(cover.gaps).toEqual(nut.gaps);
  });

  it('a cover holds no cups that lie back to back, nor a nut cones that lie face to face', () => {
    expect(() => turnBearings(planOf('taperPair', 'underCover'), { tightener: 'cover', sits: 'underCover', newRole: counter() })).toThrow(
      /Nothing holds that cup/,
    );
    expect(() => turnBearings(planOf('hubByNut', 'betweenCones'), { tightener: 'nut', sits: 'betweenCones', newRole: counter() })).toThrow(
      /Nothing holds that cone/,
    );
    expect(() => turnBearings(planOf('layshaft'), { tightener: 'nut', sits: 'betweenCones', newRole: counter() })).toThrow(/Only two taper bearings/);
    const more = insertBetween(planOf('taperPair', 'behindCup'), 'shaft.shoulderOut~coneOut.back', 'gear', counter());
    expect(() => turnBearings(more, { tightener: 'nut', sits: 'behindCup', newRole: counter() })).toThrow(/Gear lies between: take it out first/);
  });
});

describe('a ring that is chosen by its thickness', () => {
  it('is a slot of its own, as thick as what is in, and goes back to what it was', () => {
    const plan = asPlan(shaftTemplate('taperPair', 'underCover', { gasket: true }));
    const chosen = chooseThickness(plan, 'cover.gasket');
    expect(chosen.places.find((p) => p.role === 'cover.gasket')).toMatchObject({ takes: 'leaves', proportion: 0.3 });
    const { gaps } = shaftModel(planGraph(chosen), [{ id: 'cover.gasket', length: 'cover.gasket' }]);
    expect(gaps[0]?.coefficients).toEqual({ 'cover.gasket': 1 });
    expect(gaps[0]?.missing).not.toContain('gasket, crushed');
    expect(chooseThickness(chosen, 'cover.gasket').places.find((p) => p.role === 'cover.gasket')).toMatchObject({ takes: 'gasket' });
  });
  it('may be a washer, one part at a time; a shaft comes in no thicknesses', () => {
    const plan = asPlan(shaftTemplate('plainThrust', 'thrustWasher'));
    const washer = plan.places.find((p) => p.kind === 'washer' && p.takes === null);
    expect(washer && chooseThickness(plan, washer.role).places.find((p) => p.role === washer.role)?.takes).toBe('part');
    expect(() => chooseThickness(plan, 'shaft')).toThrow(/does not come in several thicknesses/);
    expect(mayBeChosen(plan, { role: 'shaft', kind: 'shaft' })).toBe(false);
  });
});

describe('a bearing with play of its own', () => {
  const plan = asPlan(shaftTemplate('ballAndRing', 'inLine'));
  const loose = givePlay(plan, 'innerRing', () => 'play');
  it('is one gap more, that no ring of any thickness moves, and the float beside it is as it was', () => {
    expect(loose.gaps.map((g) => g.contacts)).toEqual([['float'], ['races']]);
    expect(loose.gaps[1]?.name).toBe('Ball bearing, its own play');
    const { gaps } = shaftModel(planGraph(loose), [{ id: 'pack', length: 'pack' }]);
    expect(gaps.map((g) => [g.contact, g.coefficients.pack])).toEqual([
      ['races', 0],
      ['float', -1],
    ]);
    expect(gaps[0]?.missing).toEqual(['bearing, inner ring to outer ring: its own play']);
    expect(inSeries(gaps)?.coefficients.pack).toBe(-1);
  });
  it('has it no more when that is said again', () => {
    expect(playOf(plan, 'outerRing')).toBe(false);
    expect(playOf(loose, 'outerRing')).toBe(true);
    expect(givePlay(loose, 'outerRing', () => 'x')).toEqual(plan);
  });
  it('is not for a taper bearing, whose play is the float, nor for what is no bearing', () => {
    const taper = asPlan(shaftTemplate('taperPair', 'underCover'));
    expect(playOf(taper, 'cupIn')).toBeNull();
    expect(() => givePlay(taper, 'cupIn', () => 'x')).toThrow(/no play of its own/);
  });
});

describe('a ball bearing put in', () => {
  it('against the shaft and what holds still: the gap stays beside what holds still, and both widths are on its way', () => {
    const plan = asPlan(shaftTemplate('own', 'inLine'));
    let n = 0;
    const held = insertBetween(plan, 'float', 'ballBearing', () => `new${(n += 1)}`);
    const float = held.contacts.find((c) => c.role === 'float');
    expect(held.places.map((p) => p.name).slice(2)).toEqual(['Ball bearing, inner ring', 'Ball bearing, outer ring']);
    expect(float?.b).toBe('casing.far');
    expect(held.places.find((p) => p.kind === 'outerRing')?.faces.some((f) => f.role === float?.a)).toBe(true);
    const [gap] = shaftModel(planGraph(held), []).gaps;
    // up the casing, off the shaft, from one ring to the other, and along the outer ring: the width of the inner is on no way
    expect([...(gap?.missing ?? [])].sort()).toEqual(
      ['ball bearing, one ring to the other', 'ball bearing, width of outer ring', 'casing, face to face', 'shaft, collar to collar'].sort(),
    );
  });
  it('where two parts meet, with the outer ring to the casing, and may have play of its own', () => {
    const plan = asPlan(shaftTemplate('own', 'inLine'));
    let n = 0;
    const newRole = () => `new${(n += 1)}`;
    const [seat] = plan.contacts;
    const held = insertBetween(plan, seat?.role ?? '', 'ballBearing', newRole);
    expect(held.places.filter((p) => p.kind.endsWith('Ring')).map((p) => p.kind)).toEqual(['outerRing', 'innerRing']);
    const ring = held.places.find((p) => p.kind === 'innerRing')?.role ?? '';
    expect(givePlay(held, ring, newRole).gaps).toHaveLength(2);
    expect(takeOut(held, ring, newRole).places.map((p) => p.kind)).toEqual(['casing', 'shaft']);
  });
});
