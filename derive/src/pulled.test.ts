import { describe, expect, it } from '@jest/globals';
import { newJoint, stripEntryOf, type Build, type Joint, type Pull } from '@elder-cog/contract';
import { readStripLine, thou } from '@elder-cog/core';
import { derive, dressedOtherwise, inForNow, jointStates, oddBoltsOf, roundsOf, roundWords, stateAfter, type JointState } from './index.ts';
import { Story } from './testing.ts';

const HAND = { torque: null, degrees: null, written: '' };
const at = (torque: number): Joint['rounds'][number] => ({ torque, degrees: null, written: `${torque} N·m` });

/** A cover on six bolts, in three rounds. */
class Covered {
  readonly story = new Story({ limits: '5-8 thou' });
  readonly joint: Joint;

  constructor(of: Partial<Joint> = {}) {
    const { facts } = this.story;
    const placeId = this.story.slot('cover.bolts');
    const begun = newJoint(
      { assemblyId: facts.assemblies[0]?.id ?? '', placeId, stripId: null, name: 'Cover bolts', shape: 'circle', holes: 6 },
      () => this.story.id(),
    );
    this.joint = { ...begun, revision: 1, rounds: [HAND, at(11), at(22)], ...of };
    facts.joints.push(this.joint);
  }

  /** Some holes of a round pulled on the build that stands; the last of it makes the build that is pulled so far. */
  pull(round: number, holes: readonly number[]): void {
    const { facts } = this.story;
    const buildId = facts.builds.at(-1)?.id ?? null;
    const after = facts.readings.at(-1)?.id ?? null;
    for (const hole of holes)
      facts.pulls.push({
        id: this.story.id(),
        jointId: this.joint.id,
        buildId,
        round,
        hole,
        torque: null,
        degrees: null,
        written: '',
        after,
        who: '',
        at: '2026-01-03T00:00:00.000Z',
      } satisfies Pull);
    if (!this.state.rounds[round]?.isDone) return;
    const built: Build = this.story.build(null);
    const said = roundsOf(this.joint)[round];
    const tightened =
      said?.torque === null ? [] : [{ bolts: 'all 6', torque: said?.torque ?? null, written: said?.written ?? '', degrees: null, isSlave: false }];
    built.fits.push({ id: this.story.id(), placeId: this.joint.placeId ?? '', leaves: [], state: stateAfter(this.joint, round), tightened });
  }

  get state(): JointState {
    return jointStates({ ...this.story.facts })[0] as JointState;
  }
}

const ALL = [1, 2, 3, 4, 5, 6];

describe('a joint that is pulled round by round', () => {
  it('has its rounds, and once round again; the next hole is across', () => {
    const { state } = new Covered();
    expect(state.rounds.map(({ words }) => words)).toEqual(['hand', '11 N·m', '22 N·m', 'once round again']);
    expect(state.order).toEqual([1, 4, 2, 5, 3, 6]);
    expect(state).toMatchObject({ next: { round: 0, hole: 1 }, isPartWay: false, isTorqued: false, last: null });
  });
  it('is ticked hole by hole, and is torqued after once round again', () => {
    const of = new Covered();
    of.story.build([20]);
    of.pull(0, [1, 4]);
    expect(of.state).toMatchObject({ next: { round: 0, hole: 2 }, isPartWay: true, last: { hole: 4 } });
    of.pull(0, [2, 5, 3, 6]);
    expect(of.state).toMatchObject({ next: { round: 1, hole: 1 }, isPartWay: false });
    of.pull(1, ALL);
    of.pull(2, ALL);
    expect(of.state).toMatchObject({ next: { round: 3, hole: 1 }, isTorqued: false });
    of.pull(3, ALL);
    expect(of.state).toMatchObject({ next: null, isTorqued: true });
    const stages = derive({ ...of.story.facts }).shafts[0]?.builds.map(
      ({ build }) => build.fits.find(({ placeId }) => placeId === of.joint.placeId)?.state,
    );
    expect(stages?.slice(1)).toEqual(['hand tight', '11 of 22 N·m', '22 N·m, once round to go', 'torqued']);
  });
  it('begins again where a pack was changed under it: the bolts were off for that', () => {
    const of = new Covered();
    of.story.build([20]);
    of.pull(0, ALL);
    of.pull(1, ALL);
    of.story.build([18]);
    expect(of.state).toMatchObject({ next: { round: 0, hole: 1 }, pulls: [] });
  });
  it('of one hole goes round once; in an order of its own where that is said whole', () => {
    expect(new Covered({ holes: 1 }).state.rounds.map(({ words }) => words)).toEqual(['hand', '11 N·m', '22 N·m']);
    expect(new Covered({ order: [6, 5, 4, 3, 2, 1] }).state.order).toEqual([6, 5, 4, 3, 2, 1]);
    expect(new Covered({ order: [6, 5] }).state.order).toEqual([1, 4, 2, 5, 3, 6]);
  });
  it('a pull that was taken back is not ticked', () => {
    const of = new Covered();
    of.story.build([20]);
    of.pull(0, [1]);
    const [pull] = of.story.facts.pulls;
    of.story.facts.withdrawals.push({ id: of.story.id(), ofKind: 'pull', ofId: pull?.id ?? '', who: '', at: '2026-01-03T00:00:00.000Z', why: '' });
    expect(of.state).toMatchObject({ last: null, isPartWay: false });
  });
  it('says its rounds', () => {
    expect(roundWords({ torque: 20, degrees: 90, written: '20 N·m' })).toBe('20 N·m and 90°');
    expect(roundWords({ torque: null, degrees: 90, written: '' })).toBe('90°');
    expect(roundWords({ torque: 20, degrees: null, written: '' })).toBe('20.0 N·m');
  });
});

describe('a reading taken part-way through a round', () => {
  const gap = (of: Covered) => derive({ ...of.story.facts }).shafts[0]?.gaps[0];
  it('is kept, and not counted; one before the round, and one after it, are', () => {
    const of = new Covered();
    of.story.build([20]);
    of.story.read('0>6');
    of.pull(0, [1, 4]);
    of.story.read('0>12');
    expect(gap(of)?.now.values).toEqual([thou(6)]);
    expect(gap(of)?.now.kept[1]?.notCounted).toContain('part-way');
    of.pull(0, [2, 5, 3, 6]);
    of.story.read('0>7');
    expect(gap(of)?.now).toMatchObject({ kind: 'read', values: [thou(7)] });
  });
  it('of another box’s bolts counts', () => {
    const of = new Covered({ placeId: null });
    of.story.build([20]);
    of.pull(0, [1]);
    of.story.read('0>6');
    expect(gap(of)?.now.values).toEqual([thou(6)]);
  });
});

describe('a build for good', () => {
  it('is not made with bolts on the way to their torque', () => {
    const of = new Covered();
    of.story.build([20]);
    of.pull(0, ALL);
    of.pull(1, ALL);
    expect(inForNow({ ...of.story.facts }, of.joint.assemblyId).map(({ words }) => words)).toEqual(['bolts 11 of 22 N·m']);
  });
});

describe('a float that was read before the bolts were let go', () => {
  it('is stale, or forecast, when they are torqued again; never as though nobody had read it', () => {
    const of = new Covered();
    of.story.build([20], { 'cover.bolts': 'torqued' });
    of.story.read('0>24');
    of.pull(0, ALL);
    of.pull(1, [1, 4]);
    of.story.read('0>20');
    of.pull(1, [2, 5, 3, 6]);
    of.pull(2, ALL);
    of.pull(3, ALL);
    const gap = derive({ ...of.story.facts }).shafts[0]?.gaps[0];
    expect(gap?.now.kind).toMatch(/stale|forecast/);
    expect(gap?.now.reading).toMatchObject({ value: thou(24) });
  });
});

describe('bolts of a joint that came off and are not as the rest', () => {
  const off = (of: Covered, text: string, supersedes: string | null): string => {
    const read = readStripLine(text, 'thou');
    if (!read) throw new Error(text);
    const belongs = { text, assemblyId: of.story.facts.assemblies[0]?.id ?? '', shaftId: null, inventory: false, supersedes };
    const id = of.story.id();
    of.story.facts.strip.push({ ...stripEntryOf(read, belongs), id, who: '', at: '2026-02-01T10:00:00.000Z' });
    return id;
  };
  it('are told by the number each is pulled as', () => {
    const of = new Covered({ order: [1, 4, 2, 5, 3, 6] });
    const id = off(of, 'Cover bolts, 6, 1 in, hole 4 1-1/8 in', null);
    const odd = (): ReturnType<typeof oddBoltsOf> => oddBoltsOf({ ...of.story.facts }, { ...of.state, joint: { ...of.joint, stripId: id } });
    expect(odd()).toEqual([{ number: 2, hole: 4, words: '1-1/8 in' }]);
    // written down again, it is as it was written last
    const again = off(of, 'Cover bolts, 6, 1 in, holes 2 6 1-1/2 in', id);
    expect(odd().map(({ number, hole }) => [number, hole])).toEqual([
      [3, 2],
      [6, 6],
    ]);
    of.story.withdraw('strip', again);
    expect(odd().map(({ hole }) => hole)).toEqual([4]);
  });
  it('of a joint of no strip log are none', () => {
    const of = new Covered();
    expect(oddBoltsOf(of.story.facts, of.state)).toEqual([]);
  });
});

describe('a torque holds for the dressing it is given for', () => {
  const oiled = { conditions: { dressing: 'oiled' as const } };
  it('and for no other: so much harder, or less, are the bolts stretched', () => {
    // nut factors 0.16 oiled, 0.20 dry and 0.13 with anti-seize, from memory
    expect(dressedOtherwise({ dressing: 'dry' }, oiled)).toMatchObject({ given: 'oiled', has: 'dry', stretched: expect.closeTo(0.8, 9) });
    expect(dressedOtherwise({ dressing: 'anti-seize' }, oiled)).toMatchObject({ stretched: expect.closeTo(1.2308, 4) });
  });
  it('where nobody says how they are dressed, that is asked; the same, or one given for none, says nothing', () => {
    expect(dressedOtherwise({ dressing: '' }, oiled)).toEqual({ given: 'oiled', has: null, stretched: null });
    expect(dressedOtherwise({ dressing: 'as found' }, oiled)).toEqual({ given: 'oiled', has: null, stretched: null });
    expect(dressedOtherwise({ dressing: 'oiled' }, oiled)).toBeNull();
    expect(dressedOtherwise({ dressing: 'dry' }, {})).toBeNull();
    expect(dressedOtherwise({ dressing: 'dry' }, null)).toBeNull();
  });
});
