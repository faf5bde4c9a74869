import { coverageFactor, formatLength, MADE, missingOf, nanometres, type MarkKind } from '@elder-cog/core';
import { makingsOf, type MakingState } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Link, useSearchParams } from 'react-router';
import { Caution, Heading, Primary, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { Mark } from '../../kit/Mark.tsx';
import { Num } from '../../kit/Num.tsx';
import { Pack } from '../../kit/Pack.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob, whereIn } from '../../state/job.ts';
import { changeMaking, takeWindow } from '../../state/makingActions.ts';
import { useRowPatches } from '../../state/rowPatches.ts';
import { useSettings } from '../../state/settings.ts';
import { rangeWords } from '../../state/understood.ts';
import { Begin } from './Begin.tsx';
import { Finish } from './Finish.tsx';
import { FormFields } from './FormFields.tsx';
import { MakeTabs, PickOne } from './MakeTabs.tsx';
import { OnTheSheet } from './OnTheSheet.tsx';
import { PartDrawing } from './PartDrawing.tsx';
import { StockList } from './StockList.tsx';
import { TakingOff } from './TakingOff.tsx';

/** Shims, bushes, distance pieces and the tools for them: what is made of this job, and the one in hand with its drawing, stock and passes. */
export default function MakeAndFit(): JSX.Element {
  const open = useJob();
  const { facts, state } = open;
  const [search, setSearch] = useSearchParams();
  const all = useMemo(() => makingsOf(facts, state.shafts), [facts, state.shafts]);
  const [isNew, setNew] = useState(false);
  const forGap = search.get('for');
  const named = all.find(({ making }) => making.id === search.get('making'));
  const asked = forGap === null ? undefined : all.find(({ making }) => making.gapId === forGap && making.state === 'open');
  const made = isNew ? null : (named ?? asked ?? (forGap === null ? all.findLast(({ making }) => making.state === 'open') : undefined) ?? null);
  const choose = (id: string): void => {
    setNew(false);
    setSearch((params) => {
      params.delete('for');
      params.set('making', id);
      return params;
    });
  };
  return (
    <div className="flex min-h-full flex-col">
      <h1 className="sr-only">Make and fit</h1>
      <MakeTabs on="make">
        {all.map((each) => (
          <PickOne key={each.making.id} on={each === made} isOver={each.making.state !== 'open'} onPick={() => choose(each.making.id)}>
            {each.making.name}
            {each.making.state === 'made' ? ' ✓' : each.making.state === 'left' ? ', left' : ''}
          </PickOne>
        ))}
        {all.length > 0 && (
          <Quiet onClick={() => setNew(true)} aria-expanded={isNew}>
            Make something ▸
          </Quiet>
        )}
        {all.some(({ making }) => making.state === 'open') && (
          <a href={`/api/jobs/${state.job.id}/cutting.csv`} download className="ml-auto inline-flex min-h-12 items-center text-blue">
            cutting list
          </a>
        )}
      </MakeTabs>
      {made ? (
        <One key={made.making.id} made={made} all={all} />
      ) : (
        <>
          {all.length === 0 && (
            <p className="m-0 max-w-prose px-4 pt-3">
              Nothing is made here yet. When no pack on hand lands, a shim is made: its window comes from the gap, and it is lapped till it is inside.
            </p>
          )}
          <Begin key={forGap ?? ''} gapId={forGap} onBegun={choose} />
        </>
      )}
      {made === null && all.length === 0 && (
        <p className="px-4">
          <Link to={`/jobs/${state.job.id}/section${whereIn(open)}`}>Back to the Section</Link>
        </p>
      )}
    </div>
  );
}

/** One thing that is made: its drawing and sizes, what it is cut from, and how it comes to size. */
function One({ made, all }: { made: MakingState; all: readonly MakingState[] }): JSX.Element {
  const { making } = made;
  const patch = useRowPatches(making, changeMaking);
  const unit = useSettings((s) => s.unit);
  const { form } = making;
  const isOpen = making.state === 'open';
  return (
    <div className="grid flex-1 grid-cols-[minmax(0,1.3fr)_minmax(0,0.9fr)_minmax(0,1fr)] max-xl:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)] max-lg:grid-cols-1">
      <div className="min-w-0 border-ink lg:border-r-2">
        {form && <PartDrawing form={form} unit={unit} material={making.material} />}
        {form && missingOf(form).length === 0 && <Files made={made} />}
        {form && isOpen && (
          <FormFields
            form={form}
            bare={made.unit}
            isAimed={making.window !== null}
            onChange={(change) => patch((now) => ({ form: now.form && change(now.form) }))}
          />
        )}
        {form && MADE[form.kind].isFlat && !MADE[form.kind].isTool && <CutAndLap />}
      </div>
      <div className="min-w-0 border-ink xl:border-r-2 max-xl:order-3 max-xl:border-t-2">
        <OnTheSheet made={made} others={all} />
        <StockList made={made} />
      </div>
      <div className="min-w-0 max-xl:order-2 max-lg:order-first max-lg:border-b-2 max-lg:border-ink xl:max-h-[calc(100dvh-110px)] xl:overflow-y-auto">
        <ToMake made={made} />
        {(form === null || making.window !== null || made.passes.length > 0) && <TakingOff made={made} />}
        <Finish made={made} />
      </div>
    </div>
  );
}

/** The files of it: they are asked of the server, drawn as it stands. */
function Files({ made: { making } }: { made: MakingState }): JSX.Element {
  const at = `/api/jobs/${making.jobId}/makings/${making.id}`;
  const button = 'label inline-flex min-h-14 items-center px-4 text-[17px] font-semibold no-underline';
  return (
    <div className="no-print flex flex-wrap gap-2 border-t-2 border-ink px-4 py-3">
      <a href={`${at}/drawing.pdf`} target="_blank" rel="noreferrer" className={`${button} bg-blue text-paper`}>
        Print full size
      </a>
      <a href={`${at}/drawing.dxf`} download className={`${button} border border-edge bg-sheet`}>
        Save DXF
      </a>
      <a href={`${at}/drawing.svg`} download className={`${button} border border-edge bg-sheet`}>
        Save SVG
      </a>
      <a href={`${at}/label.pdf`} target="_blank" rel="noreferrer" className={`${button} border border-edge bg-sheet`}>
        Bag label
      </a>
    </div>
  );
}

function CutAndLap(): JSX.Element {
  return (
    <section aria-label="Cut and lap" className="border-t border-rule px-4 py-3">
      <Heading>Cut and lap</Heading>
      <ol className="m-0 mt-1 list-decimal pl-6 text-[17px] leading-7">
        <li>Cut the holes first, then the bore, then the rim.</li>
        <li>Take the burr off both faces before you measure.</li>
        <li>Lap on glass; turn it a third every ten strokes.</li>
        <li>Read at three places, a third of a turn apart, clear of the holes.</li>
      </ol>
      <Caution>Edges cut like a razor: gloves, and clamp the sheet.</Caution>
    </section>
  );
}

const markOf = ({ then, making }: MakingState): MarkKind =>
  then?.verdict ? (then.verdict.sure === 'sure' ? then.verdict.place : 'cannotTell') : making.state === 'made' ? 'in' : 'unmeasured';

/** How big it is to be, how far either way still lands, and what its gap comes to with it as it is now. */
function ToMake({ made }: { made: MakingState }): JSX.Element {
  const { making, size, now, then, gap, moved } = made;
  const { send, sending } = useCommand();
  const unit = useSettings((s) => s.unit);
  const [isLeaving, setLeaving] = useState(false);
  const { form, window } = making;
  const axial = form ? form.sizes[MADE[form.kind].axial] : undefined;
  const isFlat = form !== null && MADE[form.kind].isFlat;
  return (
    <section aria-label="To make" className="px-4 py-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <Heading className="text-blue">{form ? `${MADE[form.kind].called} to make` : making.name}</Heading>
        <Quiet onClick={() => setLeaving((l) => !l)} aria-expanded={isLeaving} className="no-print">
          rename ▸
        </Quiet>
      </div>
      {isLeaving && <Rename made={made} onDone={() => setLeaving(false)} />}
      {window && size && (
        <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
          {isFlat && <Pack leaves={[{ lotId: null, thickness: size[unit].size, written: '', unit, count: 1 }]} style="make" labels={false} />}
          <Num value={size[unit].size} unit={unit} size={44} both />
          <span className="num self-start pt-3 text-[20px] whitespace-nowrap">±{formatLength(size[unit].either, unit)}</span>
        </div>
      )}
      {!window && axial !== undefined && (
        <div className="mt-2">
          <Num value={axial} unit={unit} size={28} both />
        </div>
      )}
      {window && (
        <>
          <LimitBarView
            limits={{ min: window.min, max: window.max }}
            reading={now ? { value: now.value, state: barOf(made), U: nanometres(coverageFactor(now.dof) * now.u) } : null}
            forecast={null}
            aim={window.ideal}
            earlier={[]}
          />
          <p className="m-0 text-[16px] text-ink2">
            lands from <span className="num">{rangeWords(window, unit)}</span>
            {making.beside.length > 0 && `, with ${making.beside.map(({ written }) => written).join(' + ')}`}
          </p>
        </>
      )}
      {moved && (
        <p className="m-0 mt-2">
          <Refusal>
            {moved.window
              ? `Its window is another now (${rangeWords(moved.window, unit)}): ${moved.because}.`
              : `Nothing is sure of its window any more: ${moved.because}.`}
          </Refusal>{' '}
          {moved.window && (
            <Secondary
              disabled={sending}
              onClick={() => void send(takeWindow(making, moved.window, gap?.now.kept.at(-1)?.id ?? null)).catch(() => undefined)}
            >
              Take the window as it is now
            </Secondary>
          )}
        </p>
      )}
      {now && (
        <p className="m-0 mt-1 flex flex-wrap items-center gap-x-2 text-[17px]">
          <Mark kind={markOf(made)} size={28} />
          Now <Num value={now.value} unit={unit} />
          {then && gap && (
            <>
              {gap.station.name.toLowerCase().includes('float') ? 'float' : 'the gap'} then <Num value={then.value} unit={unit} />
            </>
          )}
        </p>
      )}
    </section>
  );
}

const barOf = ({ making, now, plan }: MakingState): 'in' | 'tight' | 'loose' | 'cannotTell' => {
  const { window } = making;
  if (!window || !now) return 'cannotTell';
  if (now.value > window.max) return 'loose';
  if (now.value < window.min) return 'tight';
  return plan?.state === 'done' ? 'in' : 'cannotTell';
};

function Rename({ made: { making }, onDone }: { made: MakingState; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [name, setName] = useState(making.name);
  return (
    <form
      className="no-print mt-1 flex flex-wrap items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '') void send(changeMaking(making, { name: name.trim() })).then(onDone, () => undefined);
      }}
    >
      <input
        aria-label="Name"
        value={name}
        maxLength={120}
        onChange={(event) => setName(event.target.value)}
        className="h-12 min-w-0 flex-1 border border-edge bg-sheet px-3 text-[16px]"
      />
      <Primary type="submit" disabled={sending || name.trim() === ''} className="min-h-12">
        Keep
      </Primary>
    </form>
  );
}
