import { describe, expect, it } from '@jest/globals';
import type { Fitted } from '@elder-cog/contract';
import { mm, thou } from '@elder-cog/core';
import { availableFor, derive, forSlot, solveQuestion } from './index.ts';
import { Story } from './testing.ts';

/** A layshaft whose washer P goes over 25 mm; its four floats read. */
function layshaft(): { story: Story; fitted: Fitted[] } {
  const story = new Story({ template: 'layshaft', place: 'inLine', limits: '5-8 thou' });
  for (const leaf of story.fit({ packP: 59, packQ: 98 }).fits[0]?.leaves ?? []) leaf.lotId = 'in P';
  story.read('11');
  const place = story.facts.places.find((p) => p.role === 'packP');
  if (place) place.wants = { bore: mm(25), supply: { from: thou(50), to: thou(70), step: thou(1), written: '50–70 by 1' } };
  const fitted = [
    {
      lotId: 'in P',
      thickness: thou(59),
      written: '59',
      unit: 'thou' as const,
      count: 1,
      jobId: story.facts.job.id,
      machine: '',
      slotId: story.slot('packP'),
      slotName: '',
    },
  ];
  return { story, fitted };
}

const LOTS = [
  Story.lot('goes', 57, { bore: mm(25.2) }),
  Story.lot('small', 56, { bore: mm(22) }),
  Story.lot('unmeasured', 58),
  Story.lot('thick', 98, { bore: mm(25.1) }),
  // in the place already, whatever its bore is said to be
  Story.lot('in P', 59),
];

describe('what of the Drawer goes into a place', () => {
  it('a layshaft washer that goes over the shaft; another’s never, one not measured only once it is; what is in, always', () => {
    const { story, fitted } = layshaft();
    const [shaft] = derive(story.facts).shafts;
    const state = shaft?.slots.find(({ slot }) => slot.id === story.slot('packP'));
    if (!state) throw new Error('no slot');
    const { fits, toMeasure } = forSlot(state, availableFor(state.slot.id, LOTS, fitted));
    expect(fits.map((a) => a.lotId).sort()).toEqual(['goes', 'in P']);
    expect(toMeasure.map((a) => a.lotId)).toEqual(['unmeasured']);
  });
  it('a set for the whole shaft is made of those alone, and one to buy of what can be had', () => {
    const { story, fitted } = layshaft();
    const [shaft] = derive(story.facts).shafts;
    const asked = shaft && solveQuestion(story.facts, shaft, { lots: LOTS, fitted, laps: new Map() });
    const slot = asked?.question.slots.find((s) => s.id === story.slot('packP'));
    expect(slot?.choices.map((c) => c.thickness).sort()).toEqual([thou(57), thou(59)]);
    expect(slot?.supply).toMatchObject({ from: thou(50), step: thou(1) });
    // nobody said what goes into Q: anything about as thick
    const other = asked?.question.slots.find((s) => s.id === story.slot('packQ'));
    expect(other?.choices.map((c) => c.thickness)).toContain(thou(98));
    expect(other?.supply).toBeUndefined();
  });
});
