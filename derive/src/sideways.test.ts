import { describe, expect, it } from '@jest/globals';
import { editShaft, planOf, type Fitted, type JobFacts, type Lot } from '@elder-cog/contract';
import { insertBetween, thou } from '@elder-cog/core';
import { derive, sidewaysChoices, sidewaysOf, type ShaftState } from './index.ts';
import { Story } from './testing.ts';

/** Two tapers between a casing and a cover, shims behind either cup: what one loses the other gains. */
function carrier(left: number[], right: number[]): { facts: JobFacts; shaft: ShaftState; packs: readonly [string, string] } {
  const story = new Story({ template: 'taperPair', place: 'behindCup', limits: '2-4 thou' });
  const { facts } = story;
  const [shaft] = facts.shafts;
  if (!shaft) throw new Error('no shaft');
  const plan = planOf(facts, shaft);
  const cups = plan.places.filter((p) => p.kind === 'cup').map((p) => new Set(p.faces.map((f) => f.role)));
  const packed = new Set(plan.places.filter((p) => p.takes === 'leaves').flatMap((p) => p.faces.map((f) => f.role)));
  // behind the cup that has no shims yet
  const bare = plan.contacts.find(
    (c) => c.kind !== 'rolling' && c.stand === undefined && cups.some((cup) => cup.has(c.a) || cup.has(c.b)) && !packed.has(c.a) && !packed.has(c.b),
  );
  const edit =
    bare &&
    editShaft(
      facts,
      shaft,
      insertBetween(plan, bare.role, 'shims', () => story.id()),
      () => story.id(),
    );
  if (!edit) throw new Error('nowhere for the other shims');
  const first = { revision: 1 };
  facts.places.push(...edit.places.map((row) => ({ ...first, ...row })));
  facts.contacts.push(...edit.contacts.map((row) => ({ ...first, ...row })));
  for (const { id, revision: _, ...changed } of edit.changedContacts) Object.assign(facts.contacts.find((c) => c.id === id) ?? {}, changed);
  for (const { id, revision: _, ...changed } of edit.changedPlaces) Object.assign(facts.places.find((c) => c.id === id) ?? {}, changed);
  // the shims that were ready are those behind the cup at the input end
  const [one, other] = facts.places.filter((p) => p.takes === 'leaves');
  if (!one || !other) throw new Error('not two packs');
  const built = story.build(null);
  built.fits.push(
    { id: story.id(), placeId: one.id, leaves: left.map((t) => Story.leaf(t)), state: null },
    { id: story.id(), placeId: other.id, leaves: right.map((t) => Story.leaf(t)), state: null },
  );
  story.read('3');
  const [state] = derive(facts).shafts;
  if (!state) throw new Error('no state');
  return { facts, shaft: state, packs: [one.id, other.id] };
}

const lot = (thickness: number): Lot => Story.lot(`lot ${thickness}`, thickness);

const inNow = (slotId: string, leaves: number[]): Fitted[] =>
  leaves.map((t) => ({
    lotId: null,
    thickness: thou(t),
    written: String(t),
    unit: 'thou',
    count: 1,
    jobId: 'job',
    machine: '',
    slotId,
    slotName: '',
  }));

describe('a shaft moved across with its bearings as they are', () => {
  const { facts, shaft, packs } = carrier([20], [20]);
  const [gap] = shaft.gaps;
  const across = gap ? sidewaysOf(facts, shaft, gap) : null;
  if (!across || !gap) throw new Error('not between two packs');

  it('grows one pack by what the other loses: behind the cup at the input end, thicker goes to the output end', () => {
    expect(across.slots.map(({ slot }) => slot.id)).toEqual(packs);
    expect(across.grows).toEqual([1, -1]);
  });

  it('is split from what is on hand and what is in, and no leaf goes to both', () => {
    const fitted = [...inNow(packs[0], [20]), ...inNow(packs[1], [20])];
    const asked = { tolerance: thou(0.5), fitted };
    const [best] = sidewaysChoices(across, { ...asked, by: thou(-4), lots: [lot(10), lot(6), lot(4)] });
    // 16 at the input end: 10 + 6; and 24 at the other: 20 + 4
    expect(best?.totals).toEqual([thou(16), thou(24)]);
    expect(best?.packs.map((pack) => pack.map((leaf) => leaf.written))).toEqual([
      ['10', '6'],
      ['20', '4'],
    ]);
    expect(best?.error).toEqual({ left: 0, total: 0 });
    const [same] = sidewaysChoices(across, { ...asked, by: thou(0), lots: [] });
    expect(same?.totals).toEqual([thou(20), thou(20)]);
    expect(sidewaysChoices(across, { ...asked, by: thou(3), lots: [] })).toEqual([]);
    expect(() => sidewaysChoices(across, { ...asked, by: thou(30), lots: [] })).toThrow('One side is part of both');
  });

  it('fitted, the gap is forecast to be what it was', () => {
    const [best] = sidewaysChoices(across, {
      by: thou(-4),
      tolerance: thou(0.5),
      lots: [lot(10), lot(6), lot(4)],
      fitted: [...inNow(packs[0], [20]), ...inNow(packs[1], [20])],
    });
    const next = { ...(facts.builds.at(-1) as JobFacts['builds'][number]), id: 'next', parentId: facts.builds.at(-1)?.id ?? null };
    const fits = across.slots.map(({ slot }, i) => ({ id: `fit ${i}`, placeId: slot.id, leaves: [...(best?.packs[i] ?? [])], state: null }));
    const after = derive({ ...facts, builds: [...facts.builds, { ...next, fits }] }).shafts[0]?.gaps[0];
    expect(after?.now).toMatchObject({ kind: 'forecast', reading: { value: thou(3) } });
  });

  it('is not offered with one pack, nor with one nobody has measured', () => {
    const story = new Story({ limits: '2-4 thou' });
    story.build([20]);
    const [plain] = derive(story.facts).shafts;
    const [only] = plain?.gaps ?? [];
    expect(plain && only && sidewaysOf(story.facts, plain, only)).toBeNull();
  });
});
