import type { JobFacts, Method } from '@elder-cog/contract';
import { changesBetween, type BuildNow } from './builds.ts';
import type { ShaftState } from './jobState.ts';

/** One thing a reading rests on, and what was last said of it. */
export interface RestItem {
  readonly item: string;
  readonly name: string;
  /** the place whose state it is, where it is one */
  readonly slotId: string | null;
  readonly answers: readonly string[];
  readonly known: string | null;
  /** it was said, and the build has been changed since by more than its pack */
  readonly lapsed: boolean;
  /** it must be said before a reading is kept */
  readonly asked: boolean;
}

const SLOT_ANSWERS: Readonly<Record<string, readonly string[]>> = {
  fastening: ['torqued', 'hand tight'],
  gasket: ['new gasket', 'old gasket', 'no gasket'],
  bearing: ['own bearings', 'trial bearings'],
};

interface Question {
  readonly item: string;
  readonly name: string;
  readonly answers: readonly string[];
  /** asked of everybody, with these methods; anything else may be said and need not be */
  readonly askedFor: readonly Method[];
  /** once said it holds whatever is changed in the box */
  readonly holds?: boolean;
}

/** What a depth was read across is to be taken off by what is said beside it. */
export const PARALLELS_HERE = 'take off here';

const QUESTIONS: readonly Question[] = [
  { item: 'dial', name: 'Dial', answers: ['square', 'not square'], askedFor: ['dial', 'spacer'], holds: true },
  { item: 'parallels', name: 'Parallels', answers: ['none used', 'taken off', PARALLELS_HERE, 'left on'], askedFor: ['depths'] },
  { item: 'seated', name: 'Seated', answers: ['cooled and home', 'not sure'], askedFor: [] },
  { item: 'turned', name: 'Turned to settle', answers: ['turned', 'not turned'], askedFor: [] },
  { item: 'moved', name: 'Moved', answers: ['both ways', 'one way'], askedFor: [] },
  { item: 'seal', name: 'Seal', answers: ['seal fitted', 'no seal'], askedFor: [] },
];

const appliesTo = ({ item, askedFor }: Question, method: Method): boolean =>
  item === 'dial' || item === 'parallels' ? askedFor.includes(method) : true;

/** The builds a word said earlier still holds for: back from the current one for as long as only packs were changed. */
function sameButForPacks(shaft: ShaftState): ReadonlySet<string> {
  const slots = shaft.slots.map((s) => s.slot);
  const held = new Set<string>();
  let later: BuildNow | undefined;
  for (const build of [...shaft.builds].reverse()) {
    const isOtherwiseChanged = later !== undefined && changesBetween(build, later, slots).some((c) => c.slot.kind !== 'adjuster');
    if (isOtherwiseChanged) break;
    held.add(build.build.id);
    later = build;
  }
  return held;
}

/**
 * What a reading at a station rests on. What was said is carried forward while only packs are changed; after any other change it comes
 * back as a question and must be touched again.
 */
export function restItems(facts: JobFacts, shaft: ShaftState, stationId: string, method: Method): RestItem[] {
  const held = sameButForPacks(shaft);
  const said = facts.readings.filter((r) => r.stationId === stationId).reverse();
  const answerOf = (item: string, within: (buildId: string | null) => boolean): string | null =>
    said.find((r) => within(r.buildId) && r.raw.restsOn.some((a) => a.item === item))?.raw.restsOn.find((a) => a.item === item)?.answer ?? null;
  const bearings = shaft.slots.filter((s) => s.slot.kind === 'bearing').slice(0, 1);
  const places = [...shaft.slots.filter((s) => s.slot.kind === 'fastening' || s.slot.kind === 'gasket'), ...bearings].map(
    ({ slot, fitting }): RestItem => ({
      item: slot.role,
      name: slot.kind === 'bearing' ? 'Bearings' : slot.name,
      slotId: slot.id,
      answers: SLOT_ANSWERS[slot.kind] ?? [],
      known: fitting.state,
      lapsed: false,
      asked: slot.kind !== 'bearing',
    }),
  );
  const others = QUESTIONS.filter((q) => appliesTo(q, method)).map(({ item, name, answers, askedFor, holds = false }): RestItem => {
    const ever = answerOf(item, () => true);
    const known = holds ? (ever === 'not square' ? null : ever) : answerOf(item, (id) => id !== null && held.has(id));
    const lapsed = ever !== null && known === null && !holds;
    return { item, name, slotId: null, answers, known, lapsed, asked: askedFor.includes(method) || lapsed };
  });
  return [...places, ...others];
}
