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
    const kinds: InsertKind[] = ['washer', 'shims', 'chosen', 'spacer', 'sleeve', 'bush', 'gear', 'collar', 'circlip', 'gasket'];
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

describe('turned, and turned back', () => {
  it('everything that both arrangements have is what it was: forms, names, stands, fasteners', () => {
    const cover = planOf('taperPair', 'behindCup');
    const next = counter();
    const nut = turnBearings(cover, { tightener: 'nut', sits: 'behindCup', newRole: next });
    const back = turnBearings(nut, { tightener: 'cover', sits: 'behindCup', newRole: next });
    const kinds = (plan: ShaftPlan) => plan.places.map((p) => p.kind).sort();
    expect(kinds(back)).toEqual(kinds(cover));
    expect(back.places.filter((p) => p.kind === 'bearings').map((p) => p.role)).toEqual(['bearings']);
    expect(back.places.find((p) => p.role === 'cupIn')).toMatchObject({ name: 'Cup, input end', kind: 'cup', material: 'steel' });
    // the sum has the same lengths with the same signs; the two bearings are known by their own roles
    expect(Object.values(moves(back).float ?? {}).sort()).toEqual(Object.values(moves(cover).float ?? {}).sort());
    expect(moves(back).float).toMatchObject({ pack: -1 });
    expect(back.lengths.filter((l) => l.kind === 'stand').map((l) => l.role)).toEqual(['bearingIn', 'bearingOut']);
    for (const plan of [nut, back]) {
      const lengths = new Set(plan.lengths.map((l) => l.role));
      const places = new Set(plan.places.map((p) => p.role));
      const faces = new Set(plan.places.flatMap((p) => p.faces.map((f) => f.role)));
      expect(plan.contacts.filter((c) => c.stand !== undefined).map((c) => lengths.has(c.stand ?? ''))).toEqual([true, true]);
      expect(plan.contacts.filter((c) => c.fastener !== undefined).length).toBeGreaterThan(0);
      for (const c of plan.contacts) {
        if (c.fastener !== undefined) expect(places.has(c.fastener)).toBe(true);
        expect([faces.has(c.a), faces.has(c.b)]).toEqual([true, true]);
      }
      for (const l of plan.lengths) expect([places.has(l.place), faces.has(l.from), faces.has(l.to)]).toEqual([true, true, true]);
      // one open contact, under the role of the gap that is read
      expect(plan.contacts.filter((c) => c.kind === 'open').map((c) => c.role)).toEqual(['float']);
      expect(new Set(plan.contacts.map((c) => c.role)).size).toBe(plan.contacts.length);
    }
  });
  it('a proportion that was known is kept, and the pack is called by where it sits', () => {
    const cover = planOf('taperPair', 'underCover');
    const wide = { ...cover, lengths: cover.lengths.map((l) => (l.role === 'bearingIn' ? { ...l, proportion: 44 } : l)) };
    const nut = turnBearings(wide, { tightener: 'nut', sits: 'betweenCones', newRole: counter() });
    expect(nut.lengths.find((l) => l.role === 'bearingIn')?.proportion).toBe(44);
    expect(cover.places.find((p) => p.role === 'pack')?.name).toBe('Pack under the cover');
    expect(nut.places.find((p) => p.takes !== null)?.name).not.toBe('Pack under the cover');
  });
  it('where there are not two tapers, or no one pack, there is nothing to turn', () => {
    expect(arrangementOf(planOf('own'))).toBeNull();
    const turn = (plan: ShaftPlan) => turnBearings(plan, { tightener: 'nut', sits: 'betweenCones', newRole: counter() });
    expect(() => turn(planOf('own'))).toThrow(/Only two taper bearings/);
    const next = counter();
    expect(() => turn(insertBetween(planOf('own'), 'float', 'taperBearing', next))).toThrow(/Only two taper bearings/);
    const cover = planOf('taperPair', 'underCover');
    expect(() => turn(insertBetween(cover, 'casing.seat~cupIn.back', 'shims', next))).toThrow(/several packs/);
    expect(() => turn(insertBetween(cover, 'casing.seat~cupIn.back', 'collar', next))).toThrow(/Collar lies between/);
  });
});

describe('what is put in, and where', () => {
  it('a taper bearing in a gap: the cup lies against whatever holds still, through rings that lie against it', () => {
    const next = counter();
    // the casing's far face, and a washer lying against it
    const washed = insertBetween(planOf('own'), 'float', 'washer', next);
    const put = insertBetween(washed, 'float', 'taperBearing', next);
    const [first, last] = put.places.slice(2, 4);
    expect([first?.kind, last?.kind]).toEqual(['cone', 'cup']);
    // the gap stays outside the cup, before what holds still
    const open = put.contacts.filter((c) => c.kind === 'open');
    expect(open).toHaveLength(1);
    expect(last?.faces.some((f) => f.role === open[0]?.a)).toBe(true);
    // against the shaft and a ring on it, the cone comes last
    const onShaft = insertBetween(washed, 'casing.thrust~shaft.collarIn', 'collar', next);
    const collar = onShaft.places.find((p) => p.kind === 'collar');
    const between = onShaft.contacts.find((c) => c.a === 'casing.thrust');
    const bearing = insertBetween(onShaft, between?.role ?? '', 'taperBearing', next);
    const at = bearing.places.findIndex((p) => p.kind === 'cup');
    expect(bearing.places.slice(at, at + 3).map((p) => p.kind)).toEqual(['cup', 'cone', 'collar']);
    expect(bearing.contacts.some((c) => bearing.places[at + 1]?.faces.some((f) => f.role === c.a) && c.b === collar?.faces[0]?.role)).toBe(true);
  });
  it('a race has its back where its load is: a cup by its outer shoulder, a cone by the whole of its face', () => {
    const put = insertBetween(planOf('own'), 'casing.thrust~shaft.collarIn', 'taperBearing', counter());
    const [cup, cone] = ['cup', 'cone'].map((kind) => put.places.find((p) => p.kind === kind));
    const back = (place: typeof cup) => place?.faces.find((f) => f.role.endsWith('.back'));
    expect(back(cup)).toMatchObject({ inner: 22.6, outer: 31 });
    expect(back(cone)).toMatchObject({ inner: 15, outer: 19 });
  });
  it('a gear is a little narrower than the bush it runs on, and never nothing; it is drawn after it', () => {
    const next = counter();
    const bush = insertBetween(planOf('own'), 'casing.thrust~shaft.collarIn', 'bush', next);
    const gear = runOn(bush, 'new1', next);
    const length = gear.lengths.find((l) => l.name === 'gear, across its hub');
    expect(length?.proportion).toBe(22.5);
    expect(gear.places.map((p) => p.kind)).toEqual(['casing', 'bush', 'gear', 'shaft']);
    expect(gear.contacts.find((c) => c.kind === 'open' && c.role !== 'float')?.name).toBe('gear float');
    const short = { ...bush, lengths: bush.lengths.map((l) => (l.place === 'new1' ? { ...l, proportion: 3 } : l)) };
    expect(runOn(short, 'new1', next).lengths.find((l) => /across its hub/.test(l.name))?.proportion).toBe(4);
    const spacer = insertBetween(planOf('own'), 'casing.thrust~shaft.collarIn', 'spacer', next);
    const on = spacer.places.find((p) => p.kind === 'spacer');
    const [, gap] = runOn(spacer, on?.role ?? '', next).gaps;
    expect(gap).toMatchObject({ name: 'Gear on its distance piece', ofShaft: false });
  });
  it('a pack has no size of its own, and a ring has one, called by what it is', () => {
    expect(insertBetween(planOf('own'), 'float', 'shims', counter()).lengths).toEqual(planOf('own').lengths);
    const [washer] = insertBetween(planOf('own'), 'float', 'washer', counter()).lengths.slice(-1);
    expect(washer?.name).toBe('thrust washer, thickness');
  });
  it('taken out from between what is clamped, what it lay between is clamped by the same bolts; from anywhere else it is seated', () => {
    const ready = planOf('taperPair', 'underCover');
    const out = takeOut(ready, 'pack', counter());
    const flange = out.contacts.find((c) => c.a === 'casing.face');
    expect(flange).toMatchObject({ b: 'cover.flange', kind: 'clamped', fastener: 'cover.bolts' });
    const seated = takeOut(planOf('taperPair', 'behindCup'), 'pack', counter());
    expect(seated.contacts.find((c) => c.a === 'casing.seat')).toMatchObject({ b: 'cupIn.back', kind: 'seated' });
    // half clamped is not clamped: the pack of a hub lies against a cone on one side
    for (const { name, place } of EVERY)
      for (const each of planOf(name, place).contacts.filter((c) => c.kind === 'clamped')) expect(each.fastener).toBeDefined();
  });
  it('the casing and the shaft are never turned', () => {
    for (const role of ['casing', 'shaft']) expect(() => turnPart(planOf('own'), role)).toThrow(/holds the rest/);
  });
  it('a washer with no size of its own is no part to be chosen, and one that is chosen sits in line', () => {
    const plan = planOf('plainThrust', 'thrustWasher');
    const bare = { ...plan, lengths: [] };
    const washer = plan.places.find((p) => p.kind === 'washer' && p.takes === null);
    expect(mayBeChosen(bare, { role: washer?.role ?? '', kind: 'washer' })).toBe(false);
    const chosen = chooseThickness(plan, washer?.role ?? '');
    expect(chosen.places.find((p) => p.role === washer?.role)?.sits).toBe('inLine');
    expect(chosen.places.filter((p) => p.role !== washer?.role)).toEqual(plan.places.filter((p) => p.role !== washer?.role));
  });
});

describe('what holds still, and what is left', () => {
  const put = (plan: ShaftPlan, contact: string) => insertBetween(plan, contact, 'taperBearing', counter());
  const order = (plan: ShaftPlan) => plan.places.filter((p) => p.kind === 'cup' || p.kind === 'cone').map((p) => p.kind);
  it('is known through rings on either side, and not through a gap, a bearing or the shaft', () => {
    const next = counter();
    // a collar against the casing's near face, a washer against the collar: the way back to the casing is by their input ends
    const near = insertBetween(insertBetween(planOf('own'), 'casing.thrust~shaft.collarIn', 'collar', next), 'new2', 'washer', next);
    const washer = near.places.find((p) => p.kind === 'washer');
    const onWasher = near.contacts.find((c) => c.a === washer?.faces.at(-1)?.role);
    expect(order(put(near, onWasher?.role ?? ''))).toEqual(['cup', 'cone']);
    // against the far face: the way to the casing is by its output end
    const far = insertBetween(planOf('own'), 'float', 'collar', next);
    const collar = far.places.find((p) => p.kind === 'collar');
    expect(far.contacts.find((c) => c.role === 'float')?.b).toBe(collar?.faces[0]?.role);
    expect(order(put(far, 'float'))).toEqual(['cone', 'cup']);
    // a ring that only lies against the shaft, and has the gap on its other side, turns with it
    const seat = far.contacts.find((c) => c.a === 'casing.thrust');
    const onShaft = insertBetween(planOf('own'), seat?.role ?? '', 'spacer', next);
    expect(order(put(onShaft, 'float'))).toEqual(['cone', 'cup']);
  });
  it('what is taken out takes its sizes with it, and the last gap is never taken out', () => {
    const own = planOf('own');
    const washed = insertBetween(own, 'float', 'washer', () => 'w');
    expect(takeOut(washed, 'w', counter()).lengths).toEqual(own.lengths);
    expect(() => takeOut(planOf('taperPair', 'underCover'), 'cover', counter())).toThrow(/Without the cover there is no gap left/);
  });
  it('a part with others on both of its sides, or with a bearing beside it, does not change places', () => {
    expect(() => moveAlong(planOf('taperPair', 'behindCup'), 'pack', 1)).toThrow(/cannot change places/);
    expect(() => moveAlong(planOf('taperPair', 'behindCup'), 'cover', -1)).toThrow(/cannot change places/);
  });
});
