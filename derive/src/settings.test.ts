import { describe, expect, it } from '@jest/globals';
import type { Setting } from '@elder-cog/contract';
import { INSTRUMENTS, thou, type MarkKind } from '@elder-cog/core';
import { derive, judgeTogether, summary, type CriterionState, type JobState } from './index.ts';
import { Story } from './testing.ts';

const station = new Story().station;
const criterion = (group: number, mark: MarkKind, value: number | null = null): CriterionState => ({
  station: { ...station, id: `${group}${mark}${value ?? ''}` },
  group,
  mark,
  value: value === null ? null : thou(value),
  limits: { min: thou(2), max: thou(14) },
  aim: null,
});
const marks = (...criteria: CriterionState[]): MarkKind => judgeTogether(criteria).mark;

describe('one thing judged by several stations', () => {
  it('all of a group, or it is not in: the worst that is measured is what it is judged by', () => {
    expect(marks(criterion(1, 'in', 9), criterion(1, 'in', 4))).toBe('in');
    const half = judgeTogether([criterion(1, 'in', 9), criterion(1, 'loose', 15)]);
    expect(half).toMatchObject({ mark: 'loose', judgedBy: { value: thou(15) }, asks: null });
    expect(marks(criterion(1, 'in', 9), criterion(1, 'unmeasured'))).toBe('unmeasured');
    expect(marks(criterion(1, 'unmeasured'), criterion(1, 'tight', 1))).toBe('tight');
  });
  it('any group will do, and what the others want need not be read', () => {
    const either = judgeTogether([criterion(1, 'in', 9), criterion(2, 'unmeasured')]);
    expect(either).toMatchObject({ mark: 'in', judgedBy: { value: thou(9) }, asks: null });
    expect(either.spared).toEqual(['2unmeasured']);
    expect(judgeTogether([criterion(1, 'in', 9), criterion(1, 'unmeasured'), criterion(2, 'stale', 3)]).spared).toEqual([]);
  });
  it('is judged by the one with the least room of those that are in', () => {
    expect(judgeTogether([criterion(1, 'in', 9), criterion(1, 'in', 3), criterion(1, 'in', 12)]).judgedBy?.value).toBe(thou(3));
    expect(judgeTogether([criterion(1, 'in', 9), criterion(1, 'in', 13)]).judgedBy?.value).toBe(thou(13));
  });
  it('one in and another out, where either would do, is asked about and not averaged; accepted, it is asked no more', () => {
    const asked = judgeTogether([criterion(1, 'in', 9), criterion(2, 'loose', 16)]);
    expect(asked).toMatchObject({ mark: 'cannotTell', asks: { isIn: { value: thou(9) }, isOut: { value: thou(16) } } });
    expect(marks(criterion(1, 'in', 9), criterion(2, 'accepted', 16))).toBe('in');
  });
  it('with none of its stations left, or none of them read, judges nothing', () => {
    expect(judgeTogether([])).toMatchObject({ mark: 'unmeasured', judgedBy: null });
    expect(marks(criterion(1, 'unmeasured'), criterion(2, 'unmeasured'))).toBe('unmeasured');
  });
});

/** A shaft whose float, 9 within 2 to 14 thou, may be had by a dial or told by turning free. */
function job(groups: readonly [float: number, free: number]) {
  const story = new Story({ limits: '2-14 thou' });
  const free = story.facts.stations.find((s) => s.role === 'check.free');
  const setting: Setting = {
    id: story.id(),
    revision: 1,
    assemblyId: story.facts.assemblies[0]?.id ?? '',
    name: 'Float, or free',
    criteria: [
      { stationId: story.station.id, group: groups[0] },
      { stationId: free?.id ?? '', group: groups[1] },
    ],
    gone: false,
  };
  story.facts.settings.push(setting);
  story.build([20]);
  const look = (answer: 'yes' | 'no'): string => story.read(answer, { method: 'look', understood: null, instrument: null, answer }, free?.id);
  return { story, setting, look, state: (): JobState => derive({ ...story.facts }) };
}

describe('a job with something judged by several', () => {
  it('either: looked at and free, the float need not be read, and is not what to do next', () => {
    const { story, state, look } = job([1, 2]);
    expect(state().settings).toMatchObject([{ mark: 'unmeasured' }]);
    expect(state().next).toMatchObject({ what: 'read' });
    look('yes');
    expect(state()).toMatchObject({ settings: [{ mark: 'in', judgedBy: { station: { role: 'check.free' } } }], marks: { section: 'in' } });
    expect(state().shafts[0]).toMatchObject({ mark: 'in', gaps: [{ isSpared: true, mark: 'unmeasured' }] });
    expect(state().next.what).not.toBe('read');
    // nor is it the worst of the machine on the Shelf
    expect(summary({ ...story.facts }).worst?.mark).not.toBe('unmeasured');
  });
  it('both: a float that is right waits for what has no number', () => {
    const { story, state, look } = job([1, 1]);
    story.read('0>9', { instrument: INSTRUMENTS.dialThou });
    expect(state().shafts[0]?.gaps[0]?.mark).toBe('in');
    expect(state()).toMatchObject({ settings: [{ mark: 'unmeasured' }], next: { what: 'check' } });
    look('no');
    expect(state().settings?.[0]).toMatchObject({ mark: 'tight', judgedBy: { station: { role: 'check.free' } } });
    look('yes');
    expect(state().settings?.[0]).toMatchObject({ mark: 'in', judgedBy: { value: thou(9), aim: thou(8) } });
  });
  it('told by where each is to come: 9 within 2 to 14', () => {
    const { story, state } = job([1, 1]);
    story.station.aim = { at: 'value', value: thou(9) };
    expect(state().settings?.[0]?.criteria[0]).toMatchObject({ aim: thou(9), limits: { min: thou(2), max: thou(14) } });
  });
  it('either, one in and the other out: the float stays what is next, and why they differ is asked', () => {
    const { story, state, look } = job([1, 2]);
    story.read('0>20', { instrument: INSTRUMENTS.dialThou });
    look('yes');
    expect(state().settings?.[0]).toMatchObject({ mark: 'cannotTell', asks: { isOut: { value: thou(20) } } });
    expect(state().shafts[0]?.gaps[0]).not.toHaveProperty('isSpared');
    expect(state().marks.section).toBe('loose');
  });
  it('taken away, or of a station that has left the book, is not judged by', () => {
    const { story, state, setting } = job([1, 2]);
    setting.gone = true;
    expect(state()).not.toMatchObject({ settings: [{}] });
    setting.gone = false;
    for (const s of story.facts.stations) if (s.role === 'check.free') s.gone = true;
    expect(state().settings?.[0]?.criteria).toHaveLength(1);
    story.station.gone = true;
    expect(state()).not.toHaveProperty('settings');
  });
});
