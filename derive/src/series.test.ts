import { describe, expect, it } from '@jest/globals';
import { editShaft, gapStation, planOf, type Station } from '@elder-cog/contract';
import { givePlay, thou } from '@elder-cog/core';
import { derive, type GapState, type ShaftState } from './index.ts';
import { Story } from './testing.ts';

/** A ball bearing held by a ring, its own play read as well, and both as the dial on the shaft shows them. */
function loose() {
  const story = new Story({ template: 'ballAndRing', place: 'inLine', limits: '2-6 thou' });
  const [shaft] = story.facts.shafts;
  const race = story.facts.places.find((p) => p.kind === 'innerRing');
  if (!shaft || !race) throw new Error('no bearing');
  const edit = editShaft(
    story.facts,
    shaft,
    givePlay(planOf(story.facts, shaft), race.id, () => story.id()),
    () => story.id(),
  );
  if (!edit) throw new Error('nothing differs');
  const changed = new Map(edit.changedContacts.map((row) => [row.id, row]));
  const own = edit.stations.map((row): Station => ({ ...row, revision: 1 }));
  const { contacts: met } = story.facts;
  met.splice(0, met.length, ...met.map((row) => ({ ...row, ...changed.get(row.id) })));
  story.facts.stations.push(...own);
  const contacts = [story.station, ...own].flatMap((s) => (s.reads?.what === 'gap' ? s.reads.contacts : []));
  const both = gapStation({ id: story.id(), shaftId: shaft.id, role: 'gap.both', name: 'End to end', position: 9, contacts });
  story.facts.stations.push({ ...both, revision: 1 });
  story.limit('8-12 thou', both.id);
  const state = (): ShaftState => derive({ ...story.facts }).shafts[0] as ShaftState;
  const gap = (name: RegExp): GapState => state().gaps.find((g) => name.test(g.station.name)) as GapState;
  return { story, both: both.id, play: own[0]?.id ?? '', state, gap };
}

describe('floats in series', () => {
  it('are three readings of one build, each judged by its own limits', () => {
    const { story, both, play, gap } = loose();
    story.build([90]);
    story.read('0>5');
    story.read('0>6', {}, play);
    story.read('0>11', {}, both);
    expect(gap(/own play/).now).toMatchObject({ kind: 'read', reading: { value: thou(6) } });
    expect(gap(/End to end/)).toMatchObject({ mark: 'in', now: { reading: { value: thou(11) } } });
  });
  it('a ring moves the float and the sum of both, and never the bearing’s own play', () => {
    const { story, both, play, gap } = loose();
    story.build([90]);
    story.read('0>9');
    story.read('0>6', {}, play);
    story.read('0>15', {}, both);
    story.build([86]);
    expect(gap(/own play/).now).toMatchObject({ kind: 'read', reading: { value: thou(6) } });
    expect(gap(/End to end/).now).toMatchObject({ kind: 'forecast', reading: { value: thou(19) } });
    // float 13 forecast, 2–6 wanted: ring 86 + 7 … 86 + 11; both 19, 8–12 wanted: the same ring
    expect(gap(/float/i).pack?.window).toMatchObject({ min: thou(93), max: thou(97) });
    expect(gap(/End to end/).pack).toMatchObject({ window: { min: thou(93), max: thou(97) }, together: { min: thou(93), max: thou(97) } });
    expect(gap(/own play/).isShared).toBe(false);
  });
  it('has its lens where no other has it, or none', () => {
    const { state } = loose();
    expect(state().section.gaps.map((g) => g.letter)).toEqual(['A', 'B']);
  });
});
