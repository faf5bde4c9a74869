import { stripLog, type StripLine } from '@elder-cog/derive';
import { format } from 'date-fns';
import { useMemo, useState, type JSX } from 'react';
import { Link } from 'react-router';
import { Primary, Secondary } from '../../kit/controls.tsx';
import { useJob, whereIn } from '../../state/job.ts';
import { NoShaft } from '../Section/Section.tsx';

/** Labels for the bags parts go into as they come off, 60 × 30 mm, three across an A4 sheet. Nothing is typed twice. */
export default function BagLabels(): JSX.Element {
  const open = useJob();
  const { state, facts, box } = open;
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const lines = useMemo(() => (box ? stripLog(facts, box.id).filter(({ entry }) => entry.kind !== 'float') : []), [facts, box]);
  if (!box) return <NoShaft jobId={state.job.id} />;
  const flip = (id: string): void => setLeft((now) => new Set(now.has(id) ? [...now].filter((each) => each !== id) : [...now, id]));
  const isNone = left.size === lines.length;
  return (
    <div className="px-5 py-4 print:p-0">
      <div className="no-print mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <Primary onClick={() => window.print()} disabled={isNone}>
          Print {lines.length - left.size} {lines.length - left.size === 1 ? 'label' : 'labels'}
        </Primary>
        {lines.length > 0 && (
          <Secondary onClick={() => setLeft(isNone ? new Set() : new Set(lines.map((l) => l.entry.id)))} className="min-h-14">
            {isNone ? 'All of them' : 'None of them'}
          </Secondary>
        )}
        <Link to={`/jobs/${state.job.id}/strip${whereIn(open)}`} className="inline-flex min-h-12 items-center text-blue underline">
          Back to the log
        </Link>
      </div>
      <h1 className="no-print m-0 text-[22px] leading-8 font-semibold">Bag labels, {box.name.toLowerCase()}</h1>
      <p className="no-print m-0 mb-3 text-ink2">
        {lines.length === 0
          ? 'Nothing has come off yet: what is written in the log has its label here.'
          : '60 × 30 mm each. Tap one to leave it out.'}
      </p>
      <ul aria-label="Labels" className="m-0 flex list-none flex-wrap gap-[2mm] p-0">
        {lines.map((line) => (
          <li key={line.entry.id} className={left.has(line.entry.id) ? 'opacity-40 print:hidden' : ''}>
            <button
              type="button"
              aria-pressed={!left.has(line.entry.id)}
              onClick={() => flip(line.entry.id)}
              className="grid h-[30mm] w-[60mm] grid-cols-[14mm_minmax(0,1fr)] break-inside-avoid overflow-hidden border border-ink bg-sheet p-[1.5mm] text-left text-ink"
            >
              <Label line={line} machine={`${state.job.machine} ${state.job.year}`} box={box.name} />
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Label({ line: { number, entry }, machine, box }: { line: StripLine; machine: string; box: string }): JSX.Element {
  const said = [
    ...entry.wayRound,
    ...(entry.side === '' ? [] : [entry.side]),
    ...(entry.leaves.length > 0 ? [`pack ${entry.leaves.map((l) => l.written).join(' + ')}`] : []),
    ...(entry.size === null ? [] : [`${entry.written} ${/[a-z"]/i.test(entry.written) ? '' : entry.unit}`.trim()]),
    ...(entry.count ? [`${entry.count.n} ${entry.count.of}`] : []),
    ...(entry.bolts ? [`${entry.bolts.holes.length} holes, see the map`] : []),
  ].join('; ');
  return (
    <>
      <span className="num self-center text-center text-[34px] leading-9 font-semibold">{number}</span>
      <span className="flex min-w-0 flex-col justify-between">
        <span>
          <span className="block truncate text-[16px] leading-5 font-semibold">{entry.part}</span>
          <span className="line-clamp-3 text-[14px] leading-4">{said}</span>
        </span>
        <span className="text-[14px] leading-4 text-ink2" translate="no">
          <span className="block truncate" translate="no">
            {machine}
          </span>
          <span className="flex justify-between gap-2">
            <span className="truncate">{box}</span>
            <span className="whitespace-nowrap">{format(new Date(entry.at), 'd MMM yy')}</span>
          </span>
        </span>
      </span>
    </>
  );
}
