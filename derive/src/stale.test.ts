import { describe, expect, it } from '@jest/globals';
import type { Fit } from '@elder-cog/contract';
import { thou, type Place, type TemplateName } from '@elder-cog/core';
import { depthsOf, derive, NEW_SLEEVE, SLEEVE_CRUSHED, type ShaftState } from './index.ts';
import { Story } from './testing.ts';

type Said = Partial<Omit<Fit, 'id' | 'placeId'>>;
/** One build after another: of each place, by its role, what is said. */
type Builds = readonly Readonly<Record<string, Said>>[];
type Kind = 'read' | 'forecast' | 'stale';

const pack = (...leaves: readonly number[]): Said => ({ leaves: leaves.map((t) => Story.leaf(t)) });
const state = (said: string): Said => ({ state: said });
const torqued = (to: number, degrees: number | null = null, isSlave = false): Said => ({
  state: 'torqued',
  tightened: [{ bolts: 'all', torque: to, written: `${to} N·m`, degrees, isSlave }],
});
/** How far they are, said of them as they are. */
const said = (to: number): Said => ({ ...torqued(to), state: null });
const OTHER_PART = '00000000-0000-4000-8000-0000000000aa';
const ANOTHER: Said = { partId: OTHER_PART };

/** A shaft with another part lying by, that fits anywhere. */
function withSpare(more: ConstructorParameters<typeof Story>[0]): Story {
  const story = new Story(more);
  const [part] = story.facts.parts;
  if (part) story.facts.parts.push({ ...part, id: OTHER_PART, name: 'Another', kind: 'part', condition: 'new' });
  return story;
}

interface Arranged {
  readonly template: TemplateName;
  readonly place: Place;
  readonly gasket?: true;
  /** what is in when everything is read */
  readonly first: Builds[number];
}

const TAPERS: Arranged = {
  template: 'taperPair',
  place: 'underCover',
  gasket: true,
  first: { pack: pack(20), 'cover.bolts': state('torqued'), 'cover.gasket': state('old gasket'), bearings: state('own bearings') },
};
const LAYSHAFT: Arranged = { template: 'layshaft', place: 'inLine', first: { packP: pack(118), packQ: pack(124) } };
const PINION: Arranged = {
  template: 'pinionByNut',
  place: 'behindCone',
  first: { pack: pack(20), depthShim: pack(35), 'nut.set': state('torqued'), bearings: state('own bearings') },
};
const BEHIND_CUP: Arranged = { ...PINION, place: 'behindCup' };
const ON_SLEEVE: Arranged = { template: 'pinionBySleeve', place: 'behindCone', first: { depthShim: pack(35) } };
const HUB: Arranged = { template: 'hubByNut', place: 'betweenCones', first: { pack: pack(20), 'nut.set': state('torqued') } };

/** What each gap and then each depth is, once everything was read on the first build and the others were made. */
function after({ template, place, gasket, first }: Arranged, builds: Builds): (Kind | 'none')[] {
  const story = withSpare({ template, place, ...(gasket ? { gasket } : {}) });
  const make = (said: Builds[number], stage: 'as_found' | 'dry'): void => {
    const built = story.build(null, {}, stage);
    for (const [role, fit] of Object.entries(said)) built.fits.push({ id: story.id(), placeId: story.slot(role), leaves: [], state: null, ...fit });
  };
  make(first, 'as_found');
  for (const { id } of story.gaps) story.read('0>9', {}, id);
  for (const { id } of story.facts.stations.filter((s) => s.subject === 'depth')) story.read('2.450 in', { method: 'size' }, id);
  for (const said of builds) make(said, 'dry');
  const [shaft] = derive(structuredClone(story.facts)).shafts as [ShaftState];
  return [...shaft.gaps, ...depthsOf(story.facts, shaft)].map(({ now }) => now.kind);
}

const READ: Kind = 'read';
const FORECAST: Kind = 'forecast';
const STALE: Kind = 'stale';

/**
 * What becomes of a reading when something is changed, by hand from the pictures and the sums: common practice, no source. A pack of known
 * thickness carries a reading over, anything else on the way makes it stale, and what is not on its way leaves it alone.
 */
const TABLE: readonly (readonly [string, Arranged, Builds, readonly Kind[]])[] = [
  ['built again as it stood', TAPERS, [{}], [READ]],
  ['the same pack of other leaves', TAPERS, [{ pack: pack(12, 8) }], [READ]],
  ['a thinner pack', TAPERS, [{ pack: pack(15) }], [FORECAST]],
  ['no pack at all', TAPERS, [{ pack: pack() }], [FORECAST]],
  ['a pack that nobody measured', TAPERS, [{ pack: { ...pack(), state: 'not measured' } }], [STALE]],
  ['another pack, and the first one back', TAPERS, [{ pack: pack(15) }, { pack: pack(20) }], [READ]],
  ['bolts let go', TAPERS, [{ 'cover.bolts': state('hand tight') }], [STALE]],
  ['bolts said once more to be torqued', TAPERS, [{ 'cover.bolts': state('torqued') }], [READ]],
  ['bolts let go and torqued again', TAPERS, [{ 'cover.bolts': state('hand tight') }, { 'cover.bolts': state('torqued') }], [READ]],
  ['another gasket', TAPERS, [{ 'cover.gasket': state('new gasket') }], [STALE]],
  ['no gasket', TAPERS, [{ 'cover.gasket': state('no gasket') }], [STALE]],
  ['the gasket measured while it is in', TAPERS, [{ 'cover.gasket': { crushed: thou(12) } }], [READ]],
  [
    'a gasket that was measured, and another that was',
    TAPERS,
    [{ 'cover.gasket': { crushed: thou(12) } }, { 'cover.gasket': { state: 'new gasket', crushed: thou(15) } }],
    [FORECAST],
  ],
  ['sealant in the joint', TAPERS, [{ 'cover.bolts': { film: thou(1) } }], [FORECAST]],
  ['sealant put in and cleaned off', TAPERS, [{ 'cover.bolts': { film: thou(1) } }, { 'cover.bolts': { film: null } }], [READ]],
  ['bearings that are for trial', TAPERS, [{ bearings: state('trial bearings') }], [STALE]],
  ['bolts said how far, which nobody had said', TAPERS, [{ 'cover.bolts': said(25) }], [READ]],
  ['bolts torqued further', TAPERS, [{ 'cover.bolts': torqued(25) }], [STALE]],
  ['bolts said how far, and then torqued further', TAPERS, [{ 'cover.bolts': said(25) }, { 'cover.bolts': torqued(31) }], [STALE]],
  ['bolts torqued further, and then by degrees', TAPERS, [{ 'cover.bolts': said(25) }, { 'cover.bolts': torqued(25, 90) }], [STALE]],
  [
    'bolts torqued further, let go, and torqued as they were',
    TAPERS,
    [{ 'cover.bolts': said(25) }, { 'cover.bolts': state('hand tight') }, { 'cover.bolts': torqued(25) }],
    [READ],
  ],
  [
    'bolts said how far, let go, and said to be torqued again',
    TAPERS,
    [{ 'cover.bolts': said(25) }, { 'cover.bolts': state('hand tight') }, { 'cover.bolts': state('torqued') }],
    [READ],
  ],
  [
    'slave bolts swapped for those that stay, torqued alike',
    TAPERS,
    [{ 'cover.bolts': said(25) }, { 'cover.bolts': torqued(25, null, true) }, { 'cover.bolts': torqued(25) }],
    [READ],
  ],
  ['another gasket of the same kind', TAPERS, [{ 'cover.gasket': { ...state('old gasket'), another: true } }], [STALE]],
  [
    'another gasket of the same kind, both measured',
    TAPERS,
    [{ 'cover.gasket': { crushed: thou(12) } }, { 'cover.gasket': { ...state('old gasket'), another: true, crushed: thou(14) } }],
    [FORECAST],
  ],
  ['a pack and the bolts at once', TAPERS, [{ pack: pack(15), 'cover.bolts': state('hand tight') }], [STALE]],
  ['a pack, and then sealant', TAPERS, [{ pack: pack(15) }, { 'cover.bolts': { film: thou(1) } }], [FORECAST]],

  ['a layshaft: washer P', LAYSHAFT, [{ packP: pack(122) }], [FORECAST, READ, READ, FORECAST]],
  ['a layshaft: washer Q', LAYSHAFT, [{ packQ: pack(120) }], [READ, READ, READ, FORECAST]],
  ['a layshaft: both', LAYSHAFT, [{ packP: pack(122), packQ: pack(120) }], [FORECAST, READ, READ, FORECAST]],
  ['a layshaft: another bush', LAYSHAFT, [{ bush: ANOTHER }], [READ, STALE, STALE, STALE]],
  ['a layshaft: the bush turned round', LAYSHAFT, [{ bush: { turned: true } }], [READ, STALE, STALE, STALE]],
  ['a layshaft: the bush turned round and back', LAYSHAFT, [{ bush: { turned: true } }, { bush: { turned: false } }], [READ, READ, READ, READ]],
  ['a layshaft: another front gear', LAYSHAFT, [{ gearF: ANOTHER }], [READ, STALE, READ, READ]],
  ['a layshaft: another rear gear', LAYSHAFT, [{ gearR: ANOTHER }], [READ, READ, STALE, READ]],
  ['a layshaft: another cluster', LAYSHAFT, [{ cluster: ANOTHER }], [STALE, READ, READ, READ]],
  ['a layshaft: another distance piece', LAYSHAFT, [{ spacer: ANOTHER }], [STALE, READ, READ, STALE]],
  ['a layshaft: another circlip', LAYSHAFT, [{ clip: ANOTHER }], [READ, READ, READ, STALE]],
  ['a layshaft: another middle washer', LAYSHAFT, [{ washerM: ANOTHER }], [READ, READ, READ, STALE]],
  ['a layshaft: washer P, and another front gear', LAYSHAFT, [{ packP: pack(122) }, { gearF: ANOTHER }], [FORECAST, STALE, READ, FORECAST]],

  // float, and then the depth of the pinion
  ['a pinion: the pack between its cones', PINION, [{ pack: pack(25) }], [FORECAST, READ]],
  ['a pinion: its depth shim behind the head cone', PINION, [{ depthShim: pack(38) }], [READ, FORECAST]],
  ['a pinion: its depth shim behind the head cup', BEHIND_CUP, [{ depthShim: pack(38) }], [FORECAST, FORECAST]],
  ['a pinion: its bearings for trial', PINION, [{ bearings: state('trial bearings') }], [STALE, STALE]],
  ['a pinion: another distance piece', PINION, [{ spacer: ANOTHER }], [STALE, READ]],
  ['a pinion: another washer under its nut', PINION, [{ washer: ANOTHER }], [READ, READ]],
  ['a pinion on a sleeve: drawn up further', ON_SLEEVE, [{ sleeve: state(SLEEVE_CRUSHED) }], [STALE, READ]],
  ['a pinion on a sleeve: a new one', ON_SLEEVE, [{ sleeve: state(NEW_SLEEVE) }], [STALE, READ]],
  ['a pinion on a sleeve: its depth shim, for which the nut was off', ON_SLEEVE, [{ depthShim: pack(38) }], [STALE, FORECAST]],

  ['a hub: its nut let go', HUB, [{ 'nut.set': state('hand tight') }], [STALE]],
  ['a hub: another hub', HUB, [{ hub: ANOTHER }], [STALE]],
  ['a hub: its distance piece turned round', HUB, [{ spacer: { turned: true } }], [STALE]],
];

describe('what becomes of a reading', () => {
  it.each(TABLE)('%s', (_, arranged, builds, expected) => expect(after(arranged, builds)).toEqual(expected));
  it('is told by the same words on its rung', () => {
    const story = withSpare({ template: 'layshaft', place: 'inLine' });
    story.build(null).fits.push({ id: story.id(), placeId: story.slot('packP'), leaves: [Story.leaf(118)], state: null });
    for (const { id } of story.gaps) story.read('0>9', {}, id);
    story.build(null).fits.push({ id: story.id(), placeId: story.slot('gearF'), leaves: [], state: null, ...ANOTHER });
    const gaps = derive(structuredClone(story.facts)).shafts[0]?.gaps ?? [];
    expect(gaps.map(({ now, ladder }) => [now.because, ladder[0]?.staleBecause])).toEqual([
      [null, null],
      ['another gear, front', 'another gear, front'],
      [null, null],
      [null, null],
    ]);
  });
});
