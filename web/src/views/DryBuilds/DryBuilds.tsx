import { formatLength, type Length } from '@elder-cog/core';
import { forSlot, availableFor, packWords, slotStateOf, type GapState, type PackChoice, type ShaftState } from '@elder-cog/derive';
import { useEffect, useRef, useState, type JSX } from 'react';
import { Heading, Primary } from '../../kit/controls.tsx';
import { SumView } from '../../kit/SumView.tsx';
import { useCommand } from '../../state/api.ts';
import { fitPack } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { useSkips } from '../../state/skips.ts';
import { usePackChoices } from '../../workers/packs.ts';
import { DragList } from '../Section/DragList.tsx';
import { GapList } from '../Section/GapList.tsx';
import { ReadingEntry } from '../Section/ReadingEntry.tsx';
import { NoShaft } from '../Section/Section.tsx';
import { SetUp, setUpStep } from '../Section/SetUp.tsx';
import { DragRows } from '../MakeAndFit/DragRows.tsx';
import { BuildState } from './BuildState.tsx';
import { Causes } from './Causes.tsx';
import { Compare } from './Compare.tsx';
import { ForGood } from './ForGood.tsx';
import { Ladder } from './Ladder.tsx';
import { Lent, TaughtTogether } from './TaughtTogether.tsx';

/** The ladder of builds: pack in, what was said, what was read, on one scale down the page; and what to change next. */
export default function DryBuilds(): JSX.Element {
  const { state, shaft, gap, lots, fitted } = useJob();
  const { send, sending } = useCommand();
  const unit = useSettings((s) => s.unit);
  const entry = useRef<HTMLInputElement>(null);
  const fitButton = useRef<HTMLButtonElement>(null);
  const skipped = useSkips((s) => s.skipped);
  const slot = shaft && gap ? slotStateOf(shaft, gap) : undefined;
  const window = gap?.pack?.window;
  const reading = gap?.now.reading;
  const { data: choices } = usePackChoices(
    window?.reachable && reading && gap?.pack?.known && slot
      ? {
          window,
          available: forSlot(slot, availableFor(slot.slot.id, lots, fitted)).fits,
          fitted: gap.pack.fitted,
          reading: reading.value,
          sense: gap.pack.sense,
          ...(slot.slot.isOne ? { most: 1 } : {}),
        }
      : null,
  );
  const [wantsFit, setWantsFit] = useState<string | null>(null);
  const isReckoned = wantsFit !== null && gap?.now.kept.some((each) => each.id === wantsFit) === true;
  const best = gap?.needsPack && !gap.isShared ? choices?.choices[0] : undefined;
  useEffect(() => {
    if (!isReckoned || (gap?.needsPack && !choices)) return;
    setWantsFit(null);
    if (best) fitButton.current?.focus();
  }, [isReckoned, gap?.needsPack, choices, best]);
  if (!shaft || !gap) return <NoShaft jobId={state.job.id} />;
  const step = setUpStep(shaft, gap, { drawerEmpty: lots.length === 0, skipped });
  const fit = async (choice: PackChoice): Promise<void> => {
    if (!slot) return;
    try {
      await send(fitPack(shaft, slot.slot.id, choice.leaves));
      entry.current?.focus();
    } catch {
      // the title block says why
    }
  };
  return (
    <div className="grid min-h-full grid-cols-[minmax(0,1fr)_320px] max-lg:grid-cols-1">
      <div className="flex min-w-0 flex-col">
        <h1 className="sr-only">Dry builds of the {shaft.shaft.name.toLowerCase()}</h1>
        {(shaft.gaps.length > 1 || shaft.drags) && (
          <div className="border-b-2 border-ink">
            {shaft.gaps.length > 1 && <GapList gaps={shaft.gaps} current={gap.station.id} />}
            <DragList shaft={shaft} />
          </div>
        )}
        {gap.ladder.length === 0 ? (
          <div className="p-5">
            <Heading>No build yet</Heading>
            <p className="max-w-prose">
              A build is the assembly as it stands: what is in it, and what was read on it. The first is written when you say what pack is in now, or
              read a float that no pack sets.
            </p>
          </div>
        ) : (
          <Ladder gap={gap} next={best ?? null} />
        )}
        {shaft.drags?.map((drag) => (
          <section key={drag.station.id} aria-label={`${drag.station.name}, build by build`} className="border-t-2 border-ink">
            <Heading className="px-4 pt-2">{drag.station.name}</Heading>
            <DragRows drag={drag} withBars />
          </section>
        ))}
        <div className="border-t-2 border-ink px-4 py-3">
          {step ? (
            <SetUp step={step} shaft={shaft} gap={gap} onMethod={() => entry.current?.focus()} />
          ) : (
            <ReadingEntry key={gap.station.id} shaft={shaft} gap={gap} entryRef={entry} onKept={setWantsFit} />
          )}
        </div>
        {shaft.current && <BuildState shaft={shaft} build={shaft.current} />}
      </div>
      <aside aria-label="What to change" className="min-w-0 border-l-2 border-ink px-5 py-3 max-lg:border-t-2 max-lg:border-l-0">
        <Heading>What to change</Heading>
        {best ? (
          <>
            <p className="m-0 mt-1 text-[18px]">
              Take out <strong className="num text-[20px] font-semibold">{slot?.words}</strong>,
              <br />
              put in <strong className="num text-[20px] font-semibold">{packWords(best.leaves)}</strong>.
            </p>
            <p className="m-0 mt-1 text-ink2">Comes off again: {comesOff(shaft)}.</p>
            {gap.limits?.still && (
              <p className="m-0 text-ink2">
                It is judged as it must read now: with the {gap.limits.still.words} it closes{' '}
                <span className="num">{formatLength(Math.abs(gap.limits.still.value) as Length, unit)}</span>
                {gap.limits.still.borrowed === undefined ? '' : `, borrowed from the ${gap.limits.still.borrowed.toLowerCase()}`}.
              </p>
            )}
            <p className="m-0 my-1 flex flex-wrap items-baseline justify-between gap-x-3">
              <span className="text-[17px]">
                Expect <span className="num text-[28px] font-semibold">{formatLength(best.gives, unit)}</span>{' '}
                <span className="num text-[18px]">±{formatLength((gap.now.U ?? 0) as Length, unit)}</span>
              </span>
              <span>{best.sure ? 'in, sure' : 'in, if the reading holds'}</span>
            </p>
            <Primary ref={fitButton} enter disabled={sending} className="w-full" onClick={() => void fit(best)}>
              Fit this pack
            </Primary>
          </>
        ) : (
          <p className="m-0 mt-1 text-ink2">
            {gap.needsPack && gap.isShared
              ? 'It shares a part with another gap: sets that bring all of them in are on the Section.'
              : nothingToFit(gap, {
                  noneLands: choices?.choices.length === 0,
                  isByDrag: shaft.drags?.some(({ now }) => now.kind !== 'none') === true,
                })}
          </p>
        )}
        <div className="mt-3 border-t-2 border-ink pt-3">
          <Heading>What the builds taught</Heading>
          {gap.lessons.length === 0 && (
            <p className="m-0 text-ink2">
              {gap.adjuster ? 'Nothing yet: two builds read with different packs prove which way it goes.' : 'Nothing yet.'}
            </p>
          )}
          {gap.lessons.map((lesson) => (
            <p key={lesson.words + lesson.detail} className="m-0 my-2">
              <span className="block text-[17px]">{lesson.words}</span>
              <span className="block text-ink2">{lesson.detail}</span>
            </p>
          ))}
          <Lent shaft={shaft} gap={gap} />
          <TaughtTogether shaft={shaft} gap={gap} />
        </div>
        {gap.pack && gap.pack.sum.length > 0 && (
          <div className="mt-3 border-t border-rule pt-3">
            <Heading>The sum</Heading>
            <SumView sum={gap.pack.sum} unit={unit} answerAt={4} />
          </div>
        )}
        <Compare shaft={shaft} gap={gap} />
        <ForGood shaft={shaft} gap={gap} />
        <Causes gap={gap} />
      </aside>
    </div>
  );
}

/** "nut, pack": what must come off before another pack goes in, as far as the drawing knows. */
const comesOff = ({ slots }: ShaftState): string =>
  [...slots.filter(({ slot }) => slot.kind === 'fastening'), ...slots.filter(({ slot }) => slot.kind === 'gasket')]
    .map(({ slot }) => slot.name.toLowerCase())
    .concat('the pack')
    .join(', ');

/** Why nothing is offered to fit. */
function nothingToFit(gap: GapState, { noneLands, isByDrag }: { readonly noneLands: boolean; readonly isByDrag: boolean }): string {
  if (gap.isSpared) return 'Nothing: it is right by its drag.';
  if (gap.now.kind === 'none' && !gap.limits && isByDrag)
    return 'It is set by its drag: how far to turn, and when to stop, stands under Make and fit.';
  if (gap.mark === 'in')
    return gap.verdict?.sure === 'sure'
      ? 'Nothing: it is right. Tick the checks on the Section.'
      : 'Nothing: it is right as it was read. Read it again to be surer.';
  if (gap.mark === 'accepted') return 'Nothing: it was accepted as it is.';
  if (gap.now.kind === 'forecast') return 'Read it first: the pack is in.';
  if (!gap.pack && gap.now.kind === 'read') return withNoPack(gap);
  if (gap.pack?.refusal) return gap.pack.refusal.message;
  if (gap.pack?.window && !gap.pack.window.reachable) return gap.pack.window.because ?? '';
  if (gap.needsPack && !gap.pack?.known) return 'Nobody has measured what is in: the Section says how much to add or take out.';
  if (gap.needsPack && noneLands) return 'No pack on hand lands: see the Section for the shim to make.';
  if (gap.now.kind === 'read') return gap.verdict?.because ?? gap.now.because ?? 'With no limits, nothing is reckoned.';
  return 'Read the gap, and it is worked out here.';
}

/** What there is to be done about a float that no pack sets. */
function withNoPack({ sleeve, limits, now, verdict }: GapState): string {
  if (!limits) return 'With no limits, nothing is reckoned.';
  if (sleeve) return sleeve.refusal ?? 'A crush sleeve sets it: the Section says how much shorter it is to become.';
  return verdict?.because ?? now.because ?? 'No pack sets it: put in shims, choose a part by its thickness, or lap one, on the Section.';
}
