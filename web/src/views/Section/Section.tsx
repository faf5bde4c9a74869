import { triedShaft, type GapState, type ShaftState, type Tried } from '@elder-cog/derive';
import { Printer } from 'lucide-react';
import { lazy, Suspense, useCallback, useEffect, useMemo, useRef, useState, type JSX } from 'react';
import { Link } from 'react-router';
import { Heading, Quiet } from '../../kit/controls.tsx';
import { SectionView } from '../../kit/SectionView.tsx';
import { SumView } from '../../kit/SumView.tsx';
import { usePhone, useWide } from '../../kit/useMedia.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { useSkips } from '../../state/skips.ts';
import { Checks } from './Checks.tsx';
import { Depths } from './Depths.tsx';
import { Doubt } from './Doubt.tsx';
import { DragList } from './DragList.tsx';
import { GapList } from './GapList.tsx';
import { GapPanel } from './GapPanel.tsx';
import { Joints } from './Joints.tsx';
import { OtherSlots } from './OtherSlots.tsx';
import { PackShelf } from './PackShelf.tsx';
import { Parts } from './Parts.tsx';
import { ReadingEntry } from './ReadingEntry.tsx';
import { Series } from './Series.tsx';
import { Settled } from './Settled.tsx';
import { SetUp, setUpStep } from './SetUp.tsx';
import { isCoupled, Moves, ShaftAnswer, useShaftSets } from './ShaftSets.tsx';
import { Sideways } from './Sideways.tsx';
import { Sizes } from './Sizes.tsx';
import { Sleeve } from './Sleeve.tsx';
import { Together } from './Together.tsx';
import { TriedLine, WouldGaps } from './Tried.tsx';

/** The live drawing of one shaft, with its gap, packs and entry. */
export default function Section(): JSX.Element {
  const { state, facts, shaft, gap, lots } = useJob();
  const unit = useSettings((s) => s.unit);
  const skipped = useSkips((s) => s.skipped);
  const [wantsFit, setWantsFit] = useState<string | null>(null);
  const [parts, setParts] = useState<{ readonly shaftId: string; readonly selected: string | null } | null>(null);
  const [offered, setTried] = useState<{ readonly on: string | null; readonly tried: readonly Tried[] } | null>(null);
  const wide = useWide();
  const phone = usePhone();
  const entry = useRef<HTMLInputElement>(null);
  const step = shaft && gap ? setUpStep(shaft, gap, { drawerEmpty: lots.length === 0, skipped }) : null;
  const toEntry = useCallback(() => {
    requestAnimationFrame(() => {
      const rest = document.querySelector<HTMLElement>('[id^="rest-"][id$="-0"]');
      (rest ?? entry.current)?.focus();
    });
  }, []);
  const sets = useShaftSets(shaft);
  const on = shaft?.current?.build.id ?? null;
  // what was tried on a build that is no longer the last is not tried on the next
  const tried = offered !== null && offered.on === on ? offered.tried : null;
  const onTry = useCallback((next: readonly Tried[] | null) => setTried(next && { on, tried: next }), [on]);
  const would = useMemo(() => (shaft && tried ? triedShaft(facts, shaft, tried) : null), [facts, shaft, tried]);
  const fitFocused = useCallback(() => setWantsFit(null), []);
  useEffect(() => {
    if (step === null && !phone) toEntry();
  }, [step, toEntry, phone]);

  if (!shaft || !gap) return <NoShaft jobId={state.job.id} />;
  const isPuttingTogether = parts?.shaftId === shaft.shaft.id;
  const select = (selected: string | null): void => setParts({ shaftId: shaft.shaft.id, selected });
  const wouldGaps = would && shaft.gaps.length > 1 && <WouldGaps gaps={would.gaps} />;
  const packs = step === null && !isPuttingTogether && (
    <>
      <Sleeve shaft={shaft} gap={gap} onChanged={toEntry} />
      {(gap.pack || !gap.sleeve) && (
        <PackShelf
          shaft={shaft}
          gap={gap}
          wantsFocus={wantsFit}
          onFocused={fitFocused}
          onFitted={toEntry}
          onTry={onTry}
          would={wouldGaps}
          isCoupled={isCoupled(sets, gap.adjuster?.id)}
        />
      )}
    </>
  );
  const partsButton = !isPuttingTogether && (
    <div className="no-print flex flex-wrap items-center gap-x-4 border-t border-rule px-4 py-1">
      <Quiet data-open="parts" onClick={() => select(null)}>
        Change the parts ▸
      </Quiet>
      <span className="text-ink2">put in, take out, turn round, in another order</span>
    </div>
  );
  const checks = step === null && !isPuttingTogether && (
    <>
      <OtherSlots shaft={shaft} gap={gap} onTry={onTry} would={wouldGaps} />
      <Sideways shaft={shaft} gap={gap} onTry={onTry} />
      <Checks shaft={shaft} />
      <Sizes shaft={shaft} gap={gap} />
      <Joints shaft={shaft} gap={gap} />
      <Series shaft={shaft} />
      <Depths shaft={shaft} would={would} onTry={onTry} />
      <Together shaft={shaft} />
      <WhenHot shaft={shaft} gap={gap} />
    </>
  );
  const setUp = step !== null && <SetUp step={step} shaft={shaft} gap={gap} onMethod={toEntry} />;
  const print = (
    <Quiet onClick={() => window.print()} className="no-print flex items-center gap-2">
      <Printer size={18} aria-hidden="true" /> Print this sheet
    </Quiet>
  );
  return (
    <div className="grid min-h-full grid-cols-[minmax(0,1fr)_376px] max-lg:grid-cols-1 print:block">
      <h1 className="sr-only">
        Section, {shaft.shaft.name}, {shaft.assembly.name}
      </h1>
      <div className="min-w-0">
        <div className={isPuttingTogether ? 'sticky top-14 z-[1] border-b max-sm:top-[50px] border-rule' : ''}>
          <SectionView
            question={(would ?? shaft).section}
            height={isPuttingTogether ? 340 : 388}
            current={gap.letter}
            selected={isPuttingTogether ? parts.selected : null}
            onSelect={isPuttingTogether ? select : undefined}
          />
        </div>
        {would && tried && <TriedLine would={would} tried={tried} onLeave={() => setTried(null)} />}
        <div className={shaft.gaps.length === 1 ? 'print:hidden' : ''}>
          <GapList gaps={(would ?? shaft).gaps} current={gap.station.id} isTried={would !== null} />
          <DragList shaft={shaft} />
        </div>
        {!wide && partsButton}
        {isPuttingTogether && <Parts shaft={shaft} selected={parts.selected} onSelect={select} onDone={() => setParts(null)} />}
        {setUp && !isPuttingTogether && <div className="border-t-2 border-ink">{setUp}</div>}
        {sets && step === null && !isPuttingTogether && <ShaftAnswer sets={sets} onTry={onTry} />}
        {wide && packs && <div className="border-t-2 border-ink">{packs}</div>}
        {wide && checks}
        {wide && partsButton}
      </div>
      <aside
        aria-label="The gap in hand"
        className="min-w-0 border-l-2 border-ink px-4 py-3 max-lg:border-t-2 max-lg:border-l-0 print:grid print:grid-cols-2 print:gap-6 print:border-l-0"
      >
        <div className="max-lg:grid max-lg:grid-cols-2 max-lg:gap-6 max-sm:block print:block">
          <GapPanel gap={gap} />
          {step === null && (
            <div className="mt-2 border-t border-rule pt-1 max-lg:mt-0 max-lg:border-t-0 max-sm:mt-2 max-sm:border-t print:hidden">
              <ReadingEntry key={gap.station.id} shaft={shaft} gap={gap} entryRef={entry} onKept={(id) => setWantsFit(id)} keypad={phone} />
              <Settled gap={gap} />
            </div>
          )}
        </div>
        {gap.pack && gap.pack.sum.length > 0 && (
          <div className={`mt-2 border-t border-rule pt-2 ${wide ? '' : 'hidden print:block'}`}>
            <Heading>The sum</Heading>
            <SumView sum={gap.pack.sum} unit={unit} answerAt={4} />
          </div>
        )}
        {step === null && <Doubt key={gap.station.id} shaft={shaft} gap={gap} />}
        {wide && sets && <Moves sets={sets} />}
        {wide && print}
      </aside>
      {!wide && packs && <div className="border-t-2 border-ink">{packs}</div>}
      {!wide && sets && (
        <div className="px-4">
          <Moves sets={sets} />
        </div>
      )}
      {!wide && checks}
      {!wide && <div className="px-4">{print}</div>}
    </div>
  );
}

const HotGap = lazy(() => import('./HotGap.tsx'));

/** What heat makes of the gap in hand: asked for, and made then. */
function WhenHot({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element {
  const [open, setOpen] = useState(false);
  return (
    <section aria-label="When it is hot" className="no-print border-t border-rule px-4 py-1">
      <div className="flex flex-wrap items-center gap-x-4">
        <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
          When it is hot ▸
        </Quiet>
        <span className="text-ink2">how far it opens or closes, and what it must read cold</span>
      </div>
      {open && (
        <div className="pb-3">
          <Suspense fallback={<p className="m-0 text-ink2">One moment…</p>}>
            <HotGap shaft={shaft} gap={gap} />
          </Suspense>
        </div>
      )}
    </section>
  );
}

export function NoShaft({ jobId }: { jobId: string }): JSX.Element {
  return (
    <div className="p-6">
      <Heading>Nothing is on the bench yet</Heading>
      <p>Say what box it is and what shaft is in it: the drawing is there at once, and no dimension is needed.</p>
      <Link
        to={`/jobs/${jobId}/add`}
        className="label inline-flex min-h-14 items-center bg-blue px-5 text-[18px] font-semibold text-paper no-underline"
      >
        Add a box
      </Link>{' '}
      <Link to={`/jobs/${jobId}/boxes`} className="inline-flex min-h-14 items-center px-3 text-blue">
        Boxes and shafts ▸
      </Link>{' '}
      <Link to={`/jobs/${jobId}/strip`} className="inline-flex min-h-14 items-center px-3 text-blue">
        Strip log, as it comes apart ▸
      </Link>
    </div>
  );
}
