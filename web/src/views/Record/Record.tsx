import { plainWords } from '@elder-cog/core';
import { recordOf, type RecordLine } from '@elder-cog/derive';
import { format } from 'date-fns';
import { Fragment, useMemo, useState, type JSX } from 'react';
import { Field, Primary, Refusal, Secondary } from '../../kit/controls.tsx';
import { useUndo } from '../../app/Undo.tsx';
import { useJournal } from '../../state/api.ts';
import { TakeBack } from '../../kit/TakeBack.tsx';
import { useJob } from '../../state/job.ts';

type Entry = RecordLine;

const KINDS: Readonly<Record<string, string>> = {
  'reading.keep': 'reading',
  'build.add': 'build',
  'limit.set': 'limits',
  'limit.use': 'limits',
  'spec.copy': 'limits',
  'specs.add': 'spec sheet',
  'spec.change': 'spec sheet',
  withdraw: 'taken back',
  undo: 'undone',
  import: 'file',
  'feature.size': 'size',
  'part.turn': 'part',
  'station.change': 'station',
  'stations.add': 'station',
  'rows.add': 'rows',
  'rows.takeOut': 'rows',
  'strip.add': 'came off',
  inspect: 'looked over',
  accept: 'accepted',
  'photo.add': 'photo',
  'feel.add': 'feel',
  'temporary.count': 'counted',
  'station.close': 'done',
  remove: 'taken off',
  'stock.add': 'stock',
  'stock.change': 'stock',
  'making.add': 'to be made',
  'making.change': 'to be made',
  'making.finish': 'made',
  'pass.add': 'taken off',
  'fitting.add': 'fit',
  'fitting.change': 'fit',
  'heating.add': 'fit',
  'joint.add': 'joint',
  'joint.change': 'joint',
  'joint.pull': 'pulled',
  'rollers.add': 'rollers',
  'rollers.change': 'rollers',
  'rollers.count': 'rollers',
  'lookAlike.add': 'look-alikes',
  'lookAlike.change': 'look-alikes',
  'setting.add': 'judged together',
  'setting.change': 'judged together',
  'matchedSet.add': 'matched set',
  'matchedSet.change': 'matched set',
  'openItem.raise': 'left open',
  'openItem.change': 'left open',
  'assembly.change': 'box',
  'job.create': 'machine',
  'job.begin': 'machine',
  'job.change': 'machine',
  'assembly.create': 'box',
  'shaft.create': 'shaft',
  'shaft.change': 'shaft',
};

/** Everything in the order it was done: what was kept, changed and taken back, by whom, and why. */
export default function Record(): JSX.Element {
  const job = useJob();
  const { state, stored: facts } = job;
  // what is undone is said first where it is not on this sheet
  const { undo, sending, asking } = useUndo(job);
  const journal = useJournal(state.job.id);
  const [search, setSearch] = useState('');
  const entries = useMemo(() => recordOf(facts, journal.data?.pages.flatMap((page) => page.entries) ?? []), [facts, journal.data]);
  const wanted = plainWords(search);
  const shown =
    wanted === ''
      ? entries
      : entries.filter((e) =>
          plainWords(`${e.words} ${e.from ?? ''} ${e.to ?? ''} ${e.who} ${KINDS[e.kind] ?? ''} ${e.taken?.why ?? ''}`).includes(wanted),
        );
  return (
    <div className="flex min-h-full flex-col">
      {asking}
      <div className="flex flex-wrap items-start gap-x-4 border-b-2 border-ink px-4 pt-3">
        <h1 className="label m-0 pt-3 text-[18px] font-semibold">Record</h1>
        <Field
          label="Find in the record"
          hideLabel
          value={search}
          onChange={(e) => setSearch(e.target.value)}
          placeholder="find: end float, J. T., 88>12"
          says={search === '' ? '' : `${shown.length} of ${entries.length} entries`}
          className="no-print w-full max-w-sm"
        />
        <div className="no-print ml-auto flex flex-wrap gap-2 pt-1 pb-3">
          <Secondary onClick={undo} disabled={sending}>
            Undo my last
          </Secondary>
          <a
            className="flex min-h-12 items-center border border-edge bg-sheet px-4 no-underline"
            href={`/api/jobs/${state.job.id}/readings.csv`}
            download
          >
            Readings as a spreadsheet
          </a>
          <a
            className="label flex min-h-12 items-center bg-blue px-4 text-[17px] font-semibold text-paper no-underline"
            href={`/api/jobs/${state.job.id}/file`}
            download
          >
            Save as a file
          </a>
        </div>
      </div>
      {journal.isError && (
        <p className="px-4">
          <Refusal>{journal.error.message}</Refusal>
        </p>
      )}
      {journal.isPending && <p className="px-4 text-ink2">Fetching the record…</p>}
      {journal.isSuccess && entries.length === 0 && (
        <p className="px-4">Nothing has been kept yet: the first reading or limit stands here with who and when.</p>
      )}
      {journal.isSuccess && entries.length > 0 && shown.length === 0 && (
        <p className="px-4">Nothing in the record says that. British and American words both find.</p>
      )}
      <ol className="m-0 list-none bg-sheet p-0">
        {shown.map((entry, i) => (
          <Fragment key={entry.key}>
            {dayOf(entry) !== dayOf(shown[i - 1]) && (
              <li className="label border-b border-rule bg-paper px-4 py-2 text-[16px] font-semibold text-ink2">{dayOf(entry)}</li>
            )}
            <Line entry={entry} />
          </Fragment>
        ))}
      </ol>
      {journal.hasNextPage && (
        <div className="no-print p-4">
          <Primary onClick={() => void journal.fetchNextPage()} disabled={journal.isFetchingNextPage}>
            {journal.isFetchingNextPage ? 'Fetching…' : 'Earlier entries'}
          </Primary>
        </div>
      )}
    </div>
  );
}

const dayOf = (entry: Entry | undefined): string => (entry ? format(new Date(entry.at), 'EEEE d MMMM yyyy') : '');

function Line({ entry }: { entry: Entry }): JSX.Element {
  const struck = entry.taken ? 'line-through decoration-2' : '';
  return (
    <li className="grid grid-cols-[64px_112px_minmax(0,1fr)_90px] items-baseline gap-x-3 border-b border-rule px-4 py-2 max-sm:grid-cols-[56px_minmax(0,1fr)]">
      <span className="num text-[16px] text-ink2">{format(new Date(entry.at), 'HH:mm')}</span>
      <span className="label text-[15px] font-semibold text-ink2 max-sm:text-right">{KINDS[entry.kind] ?? entry.kind}</span>
      <span className="min-w-0 max-sm:col-span-2">
        <span className="flex flex-wrap items-baseline justify-between gap-x-3">
          <span className={`text-[17px] ${struck} ${entry.taken ? 'text-ink2' : ''}`}>{entry.words}</span>
          {entry.kind === 'reading.keep' && !entry.taken && (
            <span className="no-print -my-2">
              <TakeBack id={entry.key} what={entry.words} />
            </span>
          )}
        </span>
        {entry.from !== null && entry.to !== null && (
          <span className="block text-[15px] leading-5 text-ink2">
            was {entry.from}; now {entry.to}
          </span>
        )}
        {entry.taken && (
          <span className="block text-[15px] leading-5">
            Taken back {format(new Date(entry.taken.at), 'd MMM, HH:mm')}
            {entry.taken.who && ` by ${entry.taken.who}`}
            {entry.taken.why && `: ${entry.taken.why}`}
          </span>
        )}
      </span>
      <span className="text-right text-ink2 max-sm:hidden">{entry.who}</span>
    </li>
  );
}
