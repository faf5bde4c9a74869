import { FEATURES, type MarkKind } from '@elder-cog/core';
import { closingOf, type FeatureState } from '@elder-cog/derive';
import { useCallback, useMemo, useState, type JSX } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useKeys } from '../../app/keyboard.ts';
import { Chip, Quiet } from '../../kit/controls.tsx';
import { showCurrentRow } from '../../kit/currentRow.ts';
import { download } from '../../kit/download.ts';
import { bookOf, useJob, whereIn, type Book } from '../../state/job.ts';
import { rowsToCsv } from '../../state/rowsCsv.ts';
import { NoShaft } from '../Section/Section.tsx';
import { AddRow } from './AddRow.tsx';
import { InspectDialog, type InspectSubject } from './Inspect.tsx';
import { Leaves } from './Leaves.tsx';
import { LookAgain, MatchedWarnings } from './InQuestion.tsx';
import { MeasureStrip } from './MeasureStrip.tsx';
import { PartPanel } from './PartPanel.tsx';
import { PartRows, type RowGroup } from './PartRows.tsx';
import { RowsIn } from './RowsIn.tsx';

const OUT: ReadonlySet<MarkKind> = new Set(['loose', 'tight', 'cannotTell']);

/** Pairs with their two rows, and everything else by itself, in the order they were put down. */
function groupsOf(book: Book): RowGroup[] {
  const paired = new Map(book.pairs.flatMap((pair) => [pair.bore, pair.journal].flatMap((f) => (f ? [[f.station.id, pair] as const] : []))));
  const seen = new Set<string>();
  return [...book.features]
    .sort((a, b) => a.station.position - b.station.position)
    .flatMap((feature): RowGroup[] => {
      const pair = paired.get(feature.station.id) ?? null;
      if (!pair) return [{ key: feature.station.id, pair: null, rows: [feature] }];
      if (seen.has(pair.station.id)) return [];
      seen.add(pair.station.id);
      return [{ key: pair.station.id, pair, rows: [pair.bore, pair.journal].filter((f): f is FeatureState => f !== null) }];
    });
}

const COUNTED: readonly (readonly [MarkKind, string])[] = [
  ['loose', 'worn'],
  ['tight', 'tight'],
  ['cannotTell', 'in doubt'],
  ['accepted', 'accepted'],
  ['unmeasured', 'to measure'],
];

/** Each row, and each clearance between two, once. */
const countWords = (groups: readonly RowGroup[]): string => {
  const marks = groups.flatMap((g) => [...g.rows.map((f) => f.mark), ...(g.pair && g.pair.mark !== 'unmeasured' ? [g.pair.mark] : [])]);
  return (
    COUNTED.flatMap(([mark, words]) => {
      const n = marks.filter((m) => m === mark).length;
      return n === 0 ? [] : [`${n} ${words}`];
    }).join(', ') || 'all right'
  );
};

/** By part: one kind of row for anything measured, its verdict and decision, and what is measured next at the foot. */
export default function WearBook(): JSX.Element {
  const open = useJob();
  const { state } = open;
  const book = useMemo(() => bookOf(open), [open]);
  const [search] = useSearchParams();
  const [chosen, setChosen] = useState<string | null>(search.get('row'));
  const [task, setTask] = useState<'add' | 'csv' | null>(null);
  const [find, setFind] = useState('');
  const [only, setOnly] = useState<'all' | 'out' | 'open'>('all');
  const [inspected, setInspected] = useState<InspectSubject | null>(null);
  const all = useMemo(() => (book ? groupsOf(book) : []), [book]);
  const groups = useMemo(() => all.filter((g) => shows(g, find, only)), [all, find, only]);
  const rows = useMemo(() => groups.flatMap((g) => g.rows), [groups]);
  // the strip writes to the row that is chosen, and to no other: until one is, the first that is not measured, then the worst
  const picked = rows.find((f) => f.station.id === chosen) ?? groups.find((g) => g.pair?.station.id === chosen)?.rows[0];
  const current = picked ?? rows.find((f) => f.now === null && f.bound === null) ?? rows.find((f) => OUT.has(f.mark)) ?? rows[0] ?? null;
  const move = (by: 1 | -1): void => {
    const next = rows[rows.findIndex((f) => f === current) + by];
    if (next) setChosen(next.station.id);
  };
  const toNext = (): void => {
    // only down the column, and in sight; after the last it stays
    const next = rows.slice(rows.findIndex((f) => f === current) + 1).find((f) => f.now === null && f.bound === null);
    setChosen((next ?? current)?.station.id ?? null);
    requestAnimationFrame(() => {
      showCurrentRow();
      document.getElementById('entry')?.focus();
    });
  };
  useKeys({ j: () => move(1), k: () => move(-1) });
  const decide = useCallback(
    (feature: FeatureState) => setInspected({ part: feature.station.name, stationId: feature.station.id, type: FEATURES[feature.kind].part }),
    [],
  );
  if (!book) return <NoShaft jobId={state.job.id} />;
  const group = groups.find((g) => g.rows.some((f) => f === current)) ?? null;
  const mate = groups.find((g) => g.rows.some((f) => f === current))?.rows.find((f) => f !== current)?.now ?? null;
  return (
    <div className="flex min-h-full flex-col">
      <Leaves
        on="wear"
        says={all.length === 0 ? undefined : countWords(all)}
        more={
          <>
            <Quiet onClick={() => download(`${book.name}-wear.csv`, rowsToCsv(all.flatMap((g) => g.rows)), 'text/csv')}>as a spreadsheet</Quiet>
            <Link to={`/jobs/${state.job.id}/sheet${whereIn(open)}`} className="inline-flex min-h-12 items-center text-blue">
              measuring sheet ▸
            </Link>
          </>
        }
      />
      <div className="grid flex-1 grid-cols-[minmax(0,1fr)_404px] max-lg:grid-cols-1">
        <div className="flex min-w-0 flex-col border-ink lg:border-r-2">
          <div className="no-print flex flex-wrap items-center justify-between gap-x-3 border-b-2 border-ink px-4 py-1">
            <h1 className="sr-only">
              By part, <span translate="no">{book.name}</span>
            </h1>
            <div className="flex flex-wrap items-center gap-x-3">
              {all.length > 6 && (
                <>
                  <input
                    type="search"
                    aria-label="Find a part"
                    value={find}
                    onChange={(e) => setFind(e.target.value)}
                    placeholder="find a part"
                    className="h-12 w-36 border border-edge bg-sheet px-2 text-[16px]"
                  />
                  <Chip on={only === 'out'} onClick={() => setOnly(only === 'out' ? 'all' : 'out')}>
                    out
                  </Chip>
                  <Chip on={only === 'open'} onClick={() => setOnly(only === 'open' ? 'all' : 'open')}>
                    undecided
                  </Chip>
                </>
              )}
              <Quiet onClick={() => setTask(task === 'add' ? null : 'add')} aria-expanded={task === 'add'}>
                Add a row ▸
              </Quiet>
              <Quiet onClick={() => setTask(task === 'csv' ? null : 'csv')} aria-expanded={task === 'csv'}>
                From a spreadsheet ▸
              </Quiet>
            </div>
          </div>
          <MatchedWarnings />
          <LookAgain />
          {(task === 'add' || all.length === 0) && task !== 'csv' && (
            <>
              {all.length === 0 && (
                <p className="m-0 px-4 pt-3">
                  Nothing is measured here yet. Add a bush and the journal that runs in it, a washer, a spring, or paste a page.
                </p>
              )}
              <AddRow
                book={book}
                asked={task === 'add'}
                onDone={(id) => {
                  setTask(null);
                  if (id) setChosen(id);
                  requestAnimationFrame(() => document.getElementById('entry')?.focus());
                }}
              />
            </>
          )}
          {task === 'csv' && <RowsIn book={book} onDone={() => setTask(null)} />}
          {all.length > 0 && groups.length === 0 && <p className="px-4">Nothing here is called that. {all.length} rows are hidden.</p>}
          {groups.length > 0 && <PartRows groups={groups} chosen={current?.station.id ?? null} onChoose={setChosen} onDecide={decide} />}
          <div className="flex-1" />
          {current && closingOf(open.facts, current.station.id) && (
            <p className="sticky bottom-0 m-0 border-t-2 border-ink bg-paper px-4 py-3">
              {current.station.name} is done: open it again beside it before anything more is read.
            </p>
          )}
          {current && !closingOf(open.facts, current.station.id) && (
            <MeasureStrip key={current.station.id} feature={current} mate={mate} onNext={toNext} onMove={move} />
          )}
        </div>
        <aside
          aria-label="Part"
          className="min-w-0 border-ink px-4 py-3 max-lg:border-t-2 lg:sticky lg:top-14 lg:max-h-[calc(100dvh-56px)] lg:self-start lg:overflow-y-auto"
        >
          {current ? (
            <PartPanel pair={group?.pair ?? null} feature={current} onInspect={setInspected} />
          ) : (
            <p className="text-ink2">The row that is chosen stands here, with its drawing, its limits and what was decided of it.</p>
          )}
        </aside>
      </div>
      <InspectDialog subject={inspected} onClose={() => setInspected(null)} />
    </div>
  );
}

function shows({ pair, rows }: RowGroup, find: string, only: 'all' | 'out' | 'open'): boolean {
  const plain = find.trim().toLowerCase();
  if (plain !== '' && !rows.some((f) => f.station.name.toLowerCase().includes(plain))) return false;
  if (only === 'out') return rows.some((f) => OUT.has(f.mark)) || (pair !== null && OUT.has(pair.mark));
  return only === 'all' || rows.some((f) => f.decision === null);
}
