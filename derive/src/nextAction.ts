import { describeLength, insideOf, nanometres, sayGap, unitOfSizes, type Limits } from '@elder-cog/core';
import { dragMark, sayDrag, type DragState } from './drag/index.ts';
import type { NextAction, ShaftState } from './jobState.ts';
import { isOut, isRight, isScrap, markAsJudged, type GapState } from './gap/index.ts';
import type { SettingState } from './settings.ts';
import type { SlotState } from './slotState.ts';
import type { Slot } from './slots.ts';

/** What is in the slot a gap is set by. */
export const slotStateOf = ({ slots }: Pick<ShaftState, 'slots'>, gap: Pick<GapState, 'adjuster'>): SlotState | undefined =>
  slots.find(({ slot }) => slot.id === gap.adjuster?.id);

/** What to do next of one shaft, whatever the others wait for. */
export const nextOf = (shaft: ShaftState, settings: readonly SettingState[] = []): NextAction =>
  nextAction(
    [shaft],
    settings.filter(({ criteria }) => criteria.some(({ station }) => station.shaftId === shaft.shaft.id)),
  );

const isSettled = (gap: GapState): boolean => isRight(markAsJudged(gap));

/**
 * The first of a shaft that is to be settled: a gap nobody has read; then where a gear stands, for what sets that lies under everything else,
 * unless all that is wrong with it is that nobody can be sure; then the other gaps.
 */
function unsettled({ gaps, depths = [] }: ShaftState): GapState | undefined {
  const open = gaps.filter((gap) => !isSettled(gap));
  if (open[0] && open.some(({ now }) => now.kind === 'none')) return open[0];
  const deep = depths.filter((depth) => !isSettled(depth));
  return deep.find(({ mark }) => mark !== 'cannotTell') ?? open[0] ?? deep[0];
}

/** What to do next of some shafts: the first of them that has anything to be done. */
export function nextAction(shafts: readonly ShaftState[], settings: readonly SettingState[] = []): NextAction {
  const [first] = shafts;
  if (!first)
    return {
      shaftId: null,
      stationId: null,
      what: 'setUp',
      words: 'Say what is on the bench: a box, and a shaft in it.',
      detail: 'No dimension is needed.',
    };
  const open = shafts.find((s) => unsettled(s) !== undefined || openDrag(s) !== undefined) ?? first;
  const drag = openDrag(open);
  if (drag && goesBefore(drag, unsettled(open))) return dragNext(open, drag);
  const gap = unsettled(open) ?? open.gaps[0];
  if (!gap)
    return {
      shaftId: open.shaft.id,
      stationId: null,
      what: 'setUp',
      words: `Nothing is to be read on the ${open.shaft.name.toLowerCase()} yet.`,
      detail: '',
    };
  const name = gap.station.name.toLowerCase();
  const at = { shaftId: open.shaft.id, stationId: gap.station.id };
  if (gap.isSpared) return whenRight(open, gap, settings);
  const pack = slotStateOf(open, gap);
  const { unit } = gap;
  if (!open.current && !gap.limits && !gap.nominal)
    return {
      ...at,
      what: 'limits',
      words: `Type the limits of the ${name}, as the manual prints them.`,
      detail: 'Or go on without: none known is an answer.',
    };
  // a depth is read whatever its shim is
  const isUnsaid = pack?.fitting.leaves === null && gap.now.kind === 'none' && !open.builds.some((b) => b.fitted.has(pack.slot.id));
  if (pack && isUnsaid && gap.station.subject !== 'depth')
    return { ...at, what: 'pack', words: sayPack(pack.slot), detail: '“none” is an answer, and so is “not known”.' };
  if (gap.now.kind === 'none')
    return {
      ...at,
      what: 'read',
      words: `Read the ${name}.`,
      detail: gap.now.kept.some((k) => k.notCounted !== null)
        ? 'What was read is kept, and not counted.'
        : `${pack?.fitting.leaves ? `${pack.words} is in. ` : ''}Nothing has been read yet.`,
    };
  if (gap.now.kind === 'forecast')
    return {
      ...at,
      what: 'readAgain',
      words: `Read the ${name} again.`,
      detail: `Fitted: ${pack?.words ?? ''}. It was said to come to ${readWords(gap)}. Nothing has been read since.`,
    };
  if (gap.now.kind === 'stale')
    return { ...at, what: 'readAgain', words: `Read the ${name} again.`, detail: `The last reading is stale: ${gap.now.because ?? ''}.` };
  if (!gap.limits)
    return {
      ...at,
      what: 'limits',
      words: gap.nominal ? `Give the ${name} a tolerance, when one is known.` : `Type the limits of the ${name}, when they are known.`,
      detail: `It reads ${readWords(gap)}. ${gap.nominal ? `One figure alone, ${sayGap(gap.nominal.value, unit)} ${unit}, judges nothing.` : 'With none, nothing is judged, and no pack is reckoned.'}`,
    };
  if (!isSettled(gap) && gap.pack?.refusal)
    return gap.pack.refusal.code === 'contradiction'
      ? { ...at, what: 'readAgain', words: `Settle which way the pack works on the ${name}.`, detail: gap.pack.refusal.message }
      : { ...at, what: 'read', words: `Read the ${name} with a known pack in.`, detail: gap.pack.refusal.message };
  if (gap.needsPack && gap.isShared)
    return {
      ...at,
      what: 'fit',
      words: `Set the gaps of the ${open.shaft.name.toLowerCase()} together.`,
      detail: `The ${name} shares a part with another: sets that bring all of them in are on the Section.`,
    };
  if (gap.needsPack && gap.pack?.window) {
    const { min, max, ideal } = gap.pack.window;
    const { known, fitted, slot } = gap.pack;
    const change = `Change the ${gap.station.subject === 'depth' ? slot.name.toLowerCase() : 'pack'}`;
    return {
      ...at,
      what: 'fit',
      words: known
        ? `${change}: ${sayGap(ideal, unit)} ${unit} wanted.`
        : `${change}: ${ideal < 0 ? 'take out' : 'add'} ${sayGap(Math.abs(ideal), unit)} ${unit}, whatever is in.`,
      detail: known ? `${landsInside({ min, max }, unit)}; ${sayGap(fitted, unit)} is in.` : 'Mic what comes out, and the whole pack is known.',
    };
  }
  if (gap.pack?.window && !gap.pack.window.reachable)
    return { ...at, what: 'make', words: `No pack brings the ${name} in.`, detail: gap.pack.window.because ?? '' };
  if (!isSettled(gap)) return { ...at, ...(isOut(gap.verdict) || gap.sleeve?.refusal ? withoutPack(gap) : readAgain(gap)) };
  return whenRight(open, gap, settings);
}

/** The first drag of a shaft that is not right, or was never read. */
const openDrag = ({ drags = [] }: ShaftState): DragState | undefined => drags.find((drag) => !isRight(dragMark(drag)));

/** A drag that is at work comes before a float nobody has read, or said any limits of; any other float comes first. */
const goesBefore = ({ now, limits }: DragState, gap: GapState | undefined): boolean =>
  gap === undefined || (gap.now.kind === 'none' && !gap.limits && !gap.nominal && (now.kind !== 'none' || limits !== null));

/** What to do next of a drag. */
function dragNext({ shaft }: ShaftState, drag: DragState): NextAction {
  const { station, now, log, unit, limits, verdict } = drag;
  const at = { shaftId: shaft.id, stationId: station.id };
  const name = station.name.toLowerCase();
  if (now.kind === 'none' && drag.rise)
    return {
      ...at,
      stationId: drag.rise.of.id,
      what: 'read',
      words: `Read the ${drag.rise.of.name.toLowerCase()} before, tighten, and read it again.`,
      detail: 'How much it rises is judged.',
    };
  if (now.kind === 'none')
    return {
      ...at,
      what: 'read',
      words: `Read the ${name}.`,
      detail: now.kept.some(({ notCounted }) => notCounted !== null)
        ? 'What was read is kept, and not counted.'
        : 'Off a wrench with a pointer, or a balance on a cord, while it turns steadily.',
    };
  const last = log?.steps.at(-1);
  if (last?.drag === null && last.expected)
    return {
      ...at,
      what: 'readAgain',
      words: `Read the ${name} again.`,
      detail: `Turned ${last.degrees}° on: about ${sayDrag(last.expected.value, unit)} is expected.`,
    };
  if (now.kind === 'stale')
    return { ...at, what: 'readAgain', words: `Read the ${name} again.`, detail: `The last reading is stale: ${now.because ?? ''}.` };
  if (!limits)
    return {
      ...at,
      what: 'limits',
      words: `Type the limits of the ${name}, when they are known.`,
      detail: drag.otherwise === null ? 'With none, nothing is judged.' : `What is there is for ${drag.otherwise}.`,
    };
  if (log?.plan?.state === 'past')
    return {
      ...at,
      what: 'make',
      words: 'Put in a new crush sleeve.',
      detail: `${sayDrag(now.reading?.value ?? 0, unit)} is past the most, and a sleeve does not come back.`,
    };
  if (log?.plan?.next && verdict?.place === 'loose')
    return {
      ...at,
      what: 'fit',
      words: `Turn the nut ${log.plan.next.degrees}° on, and read the ${name}.`,
      detail: 'Small turns: a sleeve does not come back.',
    };
  if (verdict && isOut(verdict))
    return {
      ...at,
      what: 'fit',
      words: `The ${name} is ${verdict.place === 'loose' ? 'too little' : 'too much'}: ${sayDrag(now.reading?.value ?? 0, unit)}.`,
      detail: 'What sets it is what sets its float.',
    };
  return { ...at, what: 'readAgain', words: `Read the ${name} again.`, detail: verdict?.because ?? '' };
}

/** "Say what pack is in now under the cover.", "Say what is in now: shims between the cones." */
const sayPack = ({ name }: Slot): string =>
  name.startsWith('Pack ') ? `Say what pack is in now ${name.slice(5)}.` : `Say what is in now: ${name.toLowerCase()}.`;

/** What was read of a gap, or a depth, with its unit. */
function readWords({ now, station, unit }: GapState): string {
  const value = nanometres(now.reading?.value ?? 0);
  if (station.subject !== 'depth') return `${sayGap(value, unit)} ${unit}`;
  return describeLength(value, unitOfSizes(unit));
}

/** "10 to 12 lands inside": nothing that is said to is outside. */
function landsInside(range: Required<Limits>, unit: GapState['unit']): string {
  const { min, max } = insideOf(range, unit);
  return `${sayGap(min, unit)} to ${sayGap(max, unit)} lands inside`;
}

type Said = Pick<NextAction, 'what' | 'words' | 'detail'>;

const readAgain = ({ station, verdict, now }: GapState): Said => ({
  what: 'readAgain',
  words: `Read the ${station.name.toLowerCase()} again.`,
  detail: verdict?.because ?? now.because ?? '',
});

/** A gap that is out, or cannot be told by what it was read with, and that no pack sets. */
function withoutPack(gap: GapState): Said {
  const { adjuster, sleeve, station, unit } = gap;
  const name = station.name.toLowerCase();
  if (sleeve?.refusal) return { what: 'read', words: `Read the ${name} another way.`, detail: sleeve.refusal };
  if (sleeve?.crush) {
    const { over, ideal, min, max } = sleeve.crush;
    if (over !== null && !isScrap(gap)) return readAgain(gap);
    return over !== null
      ? {
          what: 'make',
          words: 'Put in a new crush sleeve.',
          detail: `The one that is in is crushed ${sayGap(over, unit)} ${unit} too far, and does not come back.`,
        }
      : {
          what: 'fit',
          words: `Draw the nut up: the sleeve ${sayGap(ideal, unit)} ${unit} shorter.`,
          detail: `${landsInside({ min, max }, unit)}. Small turns: it does not come back.`,
        };
  }
  if (adjuster) return readAgain(gap);
  return {
    what: 'make',
    words: `No pack sets the ${name}.`,
    detail: 'Put in shims, choose a part by its thickness, or lap one: the Section says which way each moves it.',
  };
}

/** Every gap by itself is right, or need not be read: what is judged together, and what has no number. */
function whenRight(open: ShaftState, gap: GapState, settings: readonly SettingState[]): NextAction {
  const at = { shaftId: open.shaft.id, stationId: gap.station.id };
  const together = settings.find(({ mark }) => !isRight(mark));
  if (together) return { ...at, ...togetherWords(together) };
  const unlooked = open.checks.find((c) => c.mark !== 'in');
  if (unlooked) return { ...at, what: 'check', words: 'It is right. Look at what has no number.', detail: unlooked.station.name };
  const isForGood = open.current?.build.stage === 'final';
  return {
    ...at,
    what: 'done',
    words: `The ${gap.station.name.toLowerCase()} is right, and its checks are done.`,
    detail: isForGood || !open.current ? '' : 'When all of the box is so, build it for good: on Dry builds.',
  };
}

/** What is wanted of a setting that is not right, though every gap by itself is. */
function togetherWords({ setting, asks, judgedBy }: SettingState): Said {
  if (asks)
    return {
      what: 'readAgain',
      words: `${setting.name}: ${asks.isIn.station.name.toLowerCase()} is in, ${asks.isOut.station.name.toLowerCase()} is out.`,
      detail: 'Either would do, and they do not agree: read the one you trust less again.',
    };
  const by = judgedBy?.station.name.toLowerCase() ?? '';
  return judgedBy?.station.subject === 'check'
    ? { what: 'check', words: `Look at what has no number: ${by}.`, detail: setting.name }
    : { what: judgedBy?.value === null ? 'read' : 'readAgain', words: `Read the ${by}.`, detail: `It is judged with ${setting.name.toLowerCase()}.` };
}
