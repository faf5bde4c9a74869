import { describe, expect, it } from '@jest/globals';
import { change, withUnderstood, type FitLeaf, type JobFacts, type StripEntry } from '@elder-cog/contract';
import { INSTRUMENTS, mm, thou, understand, type EntryValues, type Meaning } from '@elder-cog/core';
import { derive, type ShaftState } from '@elder-cog/derive';
import { Story } from '../../../derive/src/testing.ts';
import { changeState, fitPack, keepReading, leavesFromSaid, onBuild, oneByOne, setLimits, setMethod, stationChange, withdraw } from './gapActions.ts';

const shaftOf = (story: Story): ShaftState => derive(story.facts).shafts[0] as ShaftState;
const stationOf = (shaft: ShaftState) => (shaft.gaps[0] as ShaftState['gaps'][number]).station;

function limitsOf(text: string): Meaning<EntryValues['limits']> {
  const found = understand(text, { field: 'limits', bare: 'thou' });
  if (found.kind !== 'understood') throw new Error(text);
  return found;
}

/** "Float before, 14" as the strip log keeps it. */
const floatLine = (of: Pick<StripEntry, 'id' | 'assemblyId' | 'shaftId'>): StripEntry => ({
  ...of,
  supersedes: null,
  kind: 'float',
  text: 'Float before, 14',
  part: 'Float before',
  wayRound: [],
  side: '',
  size: thou(14),
  written: '14',
  unit: 'thou',
  leaves: [],
  bolts: null,
  count: null,
  inventory: false,
  note: '',
  who: '',
  at: '2026-01-01T00:00:00.000Z',
});

describe('the commands behind the buttons', () => {
  it('are all ones the contract takes', () => {
    const story = new Story({ gasket: true });
    story.build([20, 8]);
    const shaft = shaftOf(story);
    const station = stationOf(shaft);
    const commands = [
      keepReading(
        station,
        shaft.current?.build.id ?? null,
        withUnderstood({ method: 'dial', text: '88>12', instrument: INSTRUMENTS.dialThou, restsOn: [] }),
        thou(24),
        '24.0 thou',
      ),
      setLimits(station, '5-8 thou', limitsOf('5-8 thou')),
      setMethod(station, 'feelers', INSTRUMENTS.feelersMm),
      stationChange(station, { newSize: mm(12) }),
      fitPack(shaft, story.slot('pack'), [Story.leaf(6), Story.leaf(4)]),
      changeState(shaft, story.slot('cover.bolts'), 'torqued'),
      withdraw('reading', story.id(), 'that was wrong'),
    ];
    for (const each of commands) expect(change.safeParse(each).error).toBeUndefined();
  });
  it('keep a lone maximum on a float as nought to that, and a lone minimum as it is', () => {
    const station = stationOf(shaftOf(new Story()));
    expect(setLimits(station, 'max 9 thou', limitsOf('max 9 thou'))).toMatchObject({
      limit: { min: 0, max: thou(9), written: 'max 9 thou', unit: 'thou' },
    });
    expect(setLimits(station, 'min 2 thou', limitsOf('min 2 thou'))).toMatchObject({ limit: { min: thou(2), max: null } });
    expect(setLimits(station, 'preload 1-3 thou', limitsOf('preload 1-3 thou'))).toMatchObject({ limit: { min: thou(-3), max: thou(-1) } });
  });
  it('keep the unit the limits were written in, whatever is shown', () =>
    expect(setLimits(stationOf(shaftOf(new Story())), '0.05-0.10 mm', limitsOf('0.05-0.10 mm'))).toMatchObject({ limit: { unit: 'mm' } }));
  it('write the first pack as found, and every later one as a dry build with only its slot changed', () => {
    const story = new Story({ gasket: true });
    const first = fitPack(shaftOf(story), story.slot('pack'), [Story.leaf(20)]);
    expect(first).toMatchObject({ build: { stage: 'as_found', parentId: null } });
    const built = story.build([20], { 'cover.bolts': 'torqued' });
    const next = fitPack(shaftOf(story), story.slot('pack'), [Story.leaf(6)]);
    expect(next).toMatchObject({ build: { stage: 'dry', parentId: built.id, fits: [{ placeId: story.slot('pack'), state: null }] } });
    expect(next.kind === 'build.add' && next.build.fits).toHaveLength(1);
  });
  it('write a change of bolts as a child build that fits no pack', () => {
    const story = new Story();
    story.build([20], { 'cover.bolts': 'hand tight' });
    expect(changeState(shaftOf(story), story.slot('cover.bolts'), 'torqued')).toMatchObject({
      build: { stage: 'loose', fits: [{ leaves: [], state: 'torqued' }] },
    });
  });
  it('speak of a reading for the build it was taken on', () => {
    const story = new Story();
    const built = story.build([20]);
    const shaft = shaftOf(story);
    expect(
      keepReading(
        stationOf(shaft),
        shaft.current?.build.id ?? null,
        withUnderstood({ method: 'dial', text: '24', instrument: null, restsOn: [] }),
        thou(24),
        '24',
      ),
    ).toMatchObject({ reading: { buildId: built.id, keptAs: { value: thou(24) } } });
  });
  it('make the build that a first reading is of, where nothing was ever said to be in', () => {
    const story = new Story({ template: 'own', place: 'inLine' });
    const read = (buildId: string) => withdraw('reading', buildId, '');
    const [built, kept, ...more] = onBuild(shaftOf(story), story.facts, read);
    expect(built).toMatchObject({ kind: 'build.add', build: { stage: 'as_found', fits: [] }, saw: null });
    expect(kept).toMatchObject({ withdrawal: { ofId: built?.kind === 'build.add' ? built.build.id : '' } });
    expect(more).toEqual([]);
    const { id } = story.build(null);
    story.read('12');
    expect(onBuild(shaftOf(story), story.facts, read)).toMatchObject([{ withdrawal: { ofId: id } }]);
  });
  it('speak for it as it was put together again, where the strip log says what float it had before', () => {
    const story = new Story({ template: 'own', place: 'inLine' });
    const { id: shaftId, assemblyId } = shaftOf(story).shaft;
    const facts: JobFacts = { ...story.facts, strip: [floatLine({ id: story.id(), assemblyId, shaftId })] };
    const read = (buildId: string) => withdraw('reading', buildId, '');
    const [found, before, again, now] = onBuild(shaftOf(story), facts, read);
    const idOf = (each: typeof found): string => (each?.kind === 'build.add' ? each.build.id : '');
    expect(found).toMatchObject({ build: { stage: 'as_found', parentId: null } });
    expect(before).toMatchObject({ reading: { buildId: idOf(found), keptAs: { value: thou(14) } } });
    expect(again).toMatchObject({ build: { stage: 'loose', parentId: idOf(found) }, saw: idOf(found) });
    expect(now).toMatchObject({ withdrawal: { ofId: idOf(again) } });
  });
  it('change only what was asked of a station, at the revision that was seen', () => {
    const station = { ...stationOf(shaftOf(new Story())), revision: 7 };
    const { kind: _, ...asked } = stationChange(station, { newSize: mm(12.7) }) as Extract<
      ReturnType<typeof stationChange>,
      { kind: 'station.change' }
    >;
    expect(asked).toMatchObject({ revision: 7, newSize: mm(12.7), method: station.method, rule: station.rule, name: station.name });
  });
});

describe('a pack as it was said', () => {
  const lots = [
    { lotId: 'six', thickness: thou(6), quantity: 1 },
    { lotId: 'fifth', thickness: mm(0.2), quantity: 2 },
  ];
  /** A pack as the field understands it. */
  const said = (text: string): ReturnType<typeof oneByOne> => {
    const read = understand(text, { field: 'pack', bare: 'thou' });
    if (read.kind !== 'understood') throw new Error(text);
    return oneByOne(read.value);
  };
  const ids = (leaves: readonly FitLeaf[]): (string | null)[] => leaves.map((l) => l.lotId);
  it('takes leaves from the lots there are', () => expect(ids(leavesFromSaid(said('6 thou + 0.20 mm'), lots))).toEqual(['six', 'fifth']));
  it('takes no leaf twice: the second six was made, or was in the machine', () =>
    expect(ids(leavesFromSaid(said('6+6'), lots))).toEqual(['six', null]));
  it('of a thickness nobody has is a leaf of no lot, kept as it was written', () =>
    expect(leavesFromSaid(said('10½'), lots)).toMatchObject([{ lotId: null, thickness: thou(10.5), written: '10 1/2' }]));
  it('of none is nothing', () => expect(leavesFromSaid(said('none'), lots)).toEqual([]));
});
