import type { JobSummary } from '@elder-cog/contract';
import { formatLength, formatLimits, DEPTH_MARK_WORDS, MARK_WORDS, unitOfSizes, unitWord, type Place } from '@elder-cog/core';
import { format } from 'date-fns';
import { MoreHorizontal } from 'lucide-react';
import { lazy, useDeferredValue, useMemo, useState, type JSX } from 'react';
import { Link, useNavigate } from 'react-router';
import { Heading, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { Later } from '../../kit/Later.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { ShaftFigure } from '../../kit/ShaftFigure.tsx';
import { useCommand, useShelf } from '../../state/api.ts';
import { useSettings } from '../../state/settings.ts';
import { BringIn } from './BringIn.tsx';
import { LooseSheet } from './LooseSheet.tsx';
import { leaveAsWritten } from '../../words/asWritten.ts';

const MachineMenu = lazy(() => import('./MachineMenu.tsx'));

const STAGES = ['Strip', 'Clean', 'Measure', 'Reckon', 'Shim', 'Dry build', 'Final', 'Run in'];

/** Every job, and the Loose sheet beside them. */
export default function Shelf(): JSX.Element {
  const shelf = useShelf();
  const [away, setAway] = useState(false);
  // the machines are drawn first, and the sheet beside them at once after
  const sheet = useDeferredValue(true, false);
  const jobs = shelf.data?.jobs ?? [];
  useMemo(() => leaveAsWritten((shelf.data?.jobs ?? []).flatMap(({ boxes, shaft }) => [...boxes, ...(shaft ? [shaft.name] : [])])), [shelf.data]);
  const open = jobs.filter((j) => j.job.archivedAt === null);
  const put = jobs.filter((j) => j.job.archivedAt !== null);
  const shown = away ? put : open;
  return (
    <div className="grid min-h-full grid-cols-[minmax(0,1fr)_490px] max-lg:grid-cols-1">
      <section aria-label="Machines" className="min-w-0">
        <h1 className="sr-only">The Shelf</h1>
        {shelf.isError && (
          <p className="p-5">
            <Refusal>{shelf.error.message}</Refusal>
          </p>
        )}
        {shelf.isPending && <p className="p-5 text-ink2">Fetching the machines…</p>}
        <ul className="m-0 list-none p-0">
          {shown.map((job, i) => (
            <Machine key={job.job.id} summary={job} first={i === 0 && !away} />
          ))}
        </ul>
        {shelf.isSuccess && shown.length === 0 && (
          <div className="p-6">
            <Heading>{away ? 'Nothing is put away' : 'The shelf is empty'}</Heading>
            {!away && (
              <p className="max-w-prose">
                Name a machine and pick what is in its box: the drawing is there at once, and no dimension is needed. Or use the loose sheet for one
                quick sum.
              </p>
            )}
          </div>
        )}
        <div className="flex flex-wrap items-center gap-4 border-t-2 border-ink px-5 py-5">
          <svg width="104" height="60" viewBox="0 0 104 60" aria-hidden="true" className="max-sm:hidden">
            <path d="M12,2H90V58H12ZM0,30H104" fill="none" stroke="var(--edge)" strokeWidth="1.6" strokeDasharray="6 4" />
          </svg>
          <div>
            <Link to="/new" className="label flex min-h-14 items-center bg-blue px-8 text-[18px] font-semibold text-paper no-underline">
              New machine
            </Link>
          </div>
          <p className="m-0 text-ink2 max-sm:hidden">name it, pick what is in its box: the drawing is there</p>
          {(put.length > 0 || away) && (
            <Quiet className="ml-auto" onClick={() => setAway((a) => !a)}>
              {away ? 'Back to the open ones' : `${put.length} put away`} ▸
            </Quiet>
          )}
        </div>
        <BringIn />
      </section>
      <aside aria-label="Loose sheet" className="min-w-0 border-l-2 border-ink max-lg:border-t-2 max-lg:border-l-0">
        {sheet && <LooseSheet />}
      </aside>
    </div>
  );
}

function Machine({ summary, first }: { summary: JobSummary; first: boolean }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const navigate = useNavigate();
  const { send } = useCommand();
  const { job, shaft, worst, boxes } = summary;
  const told = worst?.isDepth ? unitOfSizes(unit) : unit;
  const others = boxes.filter((b) => b !== shaft?.assembly);
  const archive = (): void => {
    void send({
      kind: 'job.change',
      id: job.id,
      revision: job.revision,
      machine: job.machine,
      year: job.year,
      note: job.note,
      archivedAt: job.archivedAt === null ? new Date().toISOString() : null,
    }).catch(() => undefined);
  };
  return (
    <li
      className={`relative grid [contain-intrinsic-size:auto_190px] [content-visibility:auto] grid-cols-[230px_minmax(0,1fr)] gap-5 border-t border-edge py-4 pr-4 pl-5 first:border-t-0 max-md:grid-cols-1 ${first ? 'border-l-4 border-l-blue bg-sheet pl-4' : ''}`}
    >
      <div className="max-md:hidden">
        {shaft ? (
          <ShaftFigure origin={shaft.origin} place={shaft.place as Place | null} width={230} height={150} />
        ) : (
          <span className="num text-[40px] text-ink2">?</span>
        )}
      </div>
      <div className="min-w-0">
        <p className="m-0 flex items-baseline justify-between gap-3">
          <Link to={`/jobs/${job.id}/bench`} className="label min-w-0 truncate text-[22px] font-semibold no-underline after:absolute after:inset-0">
            <span translate="no">{job.machine}</span> <span className="text-[18px] font-medium text-ink2">{job.year}</span>
          </Link>
          <span className="shrink-0 text-ink2">
            {format(new Date(summary.touchedAt), 'd MMM')}
            {summary.who && ` · ${summary.who}`}
          </span>
        </p>
        <p className="m-0 text-[17px]">
          <strong className="font-medium">{shaft ? `${shaft.assembly}, ${shaft.name.toLowerCase()}` : 'nothing on the bench yet'}</strong>
          {others.length > 0 && <span className="text-ink2"> · {others.join(', ')}</span>}
        </p>
        {summary.damaged && (
          <p className="m-0 my-1 border-l-4 border-ink bg-band px-2 py-1 text-[16px] font-medium" role="note">
            {summary.damaged}
          </p>
        )}
        {worst && (
          <p className="m-0 flex flex-wrap items-center gap-x-3 py-1">
            <Mark kind={worst.mark} named={false} ground={first ? 'var(--sheet)' : 'var(--paper)'} />
            <span className={`label text-[18px] font-semibold ${MARK_TEXT[worst.mark]}`}>
              {(worst.isDepth ? DEPTH_MARK_WORDS : MARK_WORDS)[worst.mark]}
            </span>
            <span className="ml-auto">
              {worst.name}{' '}
              <span className="num text-[20px] font-semibold">{worst.drag ?? (worst.value === null ? '?' : formatLength(worst.value, told))}</span>{' '}
              {worst.value !== null && <span className="unit text-[15px]">{unitWord(told)}</span>}
              {worst.limits && (
                <span className="pl-2 text-ink2">
                  want <span className="num">{formatLimits(worst.limits as Parameters<typeof formatLimits>[0], told)}</span>
                </span>
              )}
            </span>
          </p>
        )}
        {summary.next !== '' && (
          <p className="m-0 grid grid-cols-[48px_1fr]">
            <span className="text-ink2">next</span>
            <span className="text-[17px] font-medium">{summary.next}</span>
          </p>
        )}
        <div className="flex items-end gap-4 max-sm:flex-col max-sm:items-start">
          <HowFar far={summary.far} />
          <div className="relative z-[1] ml-auto flex max-w-full shrink-0 flex-wrap gap-2">
            <Secondary className="whitespace-nowrap" onClick={archive}>
              {job.archivedAt === null ? 'Put away' : 'Take out again'}
            </Secondary>
            <Secondary onClick={() => void navigate(`/jobs/${job.id}/section`)}>Section</Secondary>
            <Later
              aria-label={`More for ${job.machine}`}
              className="min-h-12 border border-edge bg-sheet px-3"
              menu={(id) => <MachineMenu buttonId={id} id={job.id} machine={job.machine} />}
            >
              <MoreHorizontal size={20} aria-hidden="true" />
            </Later>
          </div>
        </div>
      </div>
    </li>
  );
}

/** Strip to run-in in eight steps, with the one it stands at named. */
function HowFar({ far }: { far: number }): JSX.Element {
  return (
    <div className="w-full max-w-[340px] min-w-0 py-1" role="img" aria-label={`How far: ${STAGES[far] ?? ''}`}>
      <div className="flex gap-[3px]">
        {STAGES.map((stage, i) => (
          <span
            key={stage}
            className={`h-2.5 flex-1 border ${i < far ? 'border-ink2 bg-ink2' : i === far ? 'border-2 border-blue bg-sheet' : 'border-edge'}`}
          />
        ))}
      </div>
      <span className="label block text-[15px] leading-5 font-semibold text-blue">{STAGES[far]}</span>
    </div>
  );
}
