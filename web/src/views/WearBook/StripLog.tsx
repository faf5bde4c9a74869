import { type Inspection } from '@elder-cog/contract';
import { partTypeOf } from '@elder-cog/core';
import { inspectedParts, plainName, stripLog, type StripLine } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Link } from 'react-router';
import { Chip, Quiet, Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { withdraw } from '../../state/gapActions.ts';
import { useJob, whereIn } from '../../state/job.ts';
import { NoShaft } from '../Section/Section.tsx';
import { BoltMapPanel } from './BoltMapPanel.tsx';
import { History, InspectDialog, type InspectSubject } from './Inspect.tsx';
import { Leaves } from './Leaves.tsx';
import { LookAlikes } from './LookAlikes.tsx';
import { MatchedSets } from './MatchedSets.tsx';
import { NextOff } from './NextOff.tsx';
import { StripLines, wayWords } from './StripLines.tsx';

/** As it came apart: what came off, in order, which way round, and with what. Written once; it goes back in reverse. */
export default function StripLog(): JSX.Element {
  const open = useJob();
  const { state, facts, box } = open;
  const { send } = useCommand();
  const [chosen, setChosen] = useState<string | null>(null);
  const [mending, setMending] = useState<StripLine | null>(null);
  const [isBack, setIsBack] = useState(false);
  const [inspected, setInspected] = useState<InspectSubject | null>(null);
  const lines = useMemo(() => (box ? stripLog(facts, box.id) : []), [facts, box]);
  if (!box) return <NoShaft jobId={state.job.id} />;
  const looked = new Map(inspectedParts(facts).map((each) => [each.key, each.last]));
  const line = lines.find((l) => l.entry.id === chosen) ?? lines.findLast((l) => l.entry.bolts !== null) ?? lines.at(-1) ?? null;
  const setApart = (cameApart: boolean): void => {
    send({ kind: 'assembly.change', id: box.id, revision: box.revision, name: box.name, cameApart, mirrorOf: box.mirrorOf }).catch(() => undefined);
  };
  return (
    <div className="flex min-h-full flex-col">
      <Leaves
        on="strip"
        says={
          lines.length === 0 ? undefined : box.cameApart ? 'an inventory: places and way round to be proved' : 'written once; goes back in reverse'
        }
        more={
          lines.length > 1 && (
            <Chip on={isBack} onClick={() => setIsBack((back) => !back)}>
              as it goes back
            </Chip>
          )
        }
      />
      <div className="grid flex-1 grid-cols-[minmax(0,1fr)_420px] max-lg:grid-cols-1">
        <div className="flex min-w-0 flex-col">
          {lines.length === 0 && <FirstTime name={box.name} cameApart={box.cameApart} onApart={setApart} />}
          {lines.length > 0 && (
            <StripLines lines={isBack ? lines.toReversed() : lines} looked={looked} chosen={line?.entry.id ?? null} onChoose={setChosen} />
          )}
          <div className="flex-1" />
          <NextOff
            key={mending?.entry.id ?? 'next'}
            lines={lines}
            cameApart={box.cameApart}
            assemblyId={box.id}
            mending={mending}
            onKept={(id) => {
              setMending(null);
              setChosen(id);
            }}
            onLeave={() => setMending(null)}
          />
        </div>
        <aside aria-label="About it" className="min-w-0 border-l-2 border-ink px-4 py-3 max-lg:border-t-2 max-lg:border-l-0">
          {line && (
            <AboutLine line={line} seen={looked.get(plainName(line.entry.part)) ?? null} onMend={() => setMending(line)} onInspect={setInspected} />
          )}
          <LookAlikes parts={lines.map((l) => l.entry.part)} />
          <MatchedSets />
          {lines.length > 0 && (
            <p className="no-print m-0 mt-2 flex gap-3">
              <Secondary onClick={() => window.print()}>Print the log</Secondary>
              <Link
                to={`/jobs/${state.job.id}/labels${whereIn(open)}`}
                className="inline-flex min-h-12 items-center border border-edge bg-sheet px-4 no-underline"
              >
                Bag labels
              </Link>
            </p>
          )}
        </aside>
      </div>
      <InspectDialog subject={inspected} onClose={() => setInspected(null)} />
    </div>
  );
}

function FirstTime({ name, cameApart, onApart }: { name: string; cameApart: boolean; onApart: (apart: boolean) => void }): JSX.Element {
  return (
    <section aria-label="How it came" className="px-4 py-3">
      <h1 className="m-0 text-[22px] leading-8 font-semibold">What comes off the {name.toLowerCase()} first?</h1>
      <p className="m-0 max-w-prose text-ink2">
        One line for each thing, as it comes off: the part, which way round it stood, its size or pack, between commas. Float before anything is taken
        apart is the best first line there is.
      </p>
      <div role="group" aria-label="How it came here" className="mt-3 flex flex-wrap gap-2">
        <Chip on={!cameApart} onClick={() => onApart(false)}>
          it is together, and comes apart here
        </Chip>
        <Chip on={cameApart} onClick={() => onApart(true)}>
          it came already apart
        </Chip>
      </div>
      {cameApart && (
        <p className="m-0 mt-2 max-w-prose">
          Then this is an inventory: write down what is there, with its sizes and counts. Where each thing goes is found by its size, and which way
          round is unknown until it is checked.
        </p>
      )}
      <ul className="m-0 mt-3 list-none p-0 text-ink2">
        {[
          'Float, before anything, 23',
          'Cover bolts, 6, 1 in, hole 4 1-1/8 in',
          'Pack under the cover, 20+8, output side',
          'Thrust washer rear, grooves to the gear, tang at 12, 112',
        ].map((example) => (
          <li key={example} className="num text-[17px]">
            {example}
          </li>
        ))}
      </ul>
    </section>
  );
}

function AboutLine({
  line,
  seen,
  onMend,
  onInspect,
}: {
  line: StripLine;
  seen: Inspection | null;
  onMend: () => void;
  onInspect: (subject: InspectSubject) => void;
}): JSX.Element {
  const { send } = useCommand();
  const { entry, number } = line;
  return (
    <section aria-label={entry.part}>
      {entry.bolts ? (
        <BoltMapPanel key={entry.id} entry={entry} />
      ) : (
        <>
          <h2 className="label m-0 text-[18px] font-semibold text-blue">
            {number}. {entry.part}
          </h2>
          <p className="m-0">{wayWords(entry) || 'nothing more was said of it'}</p>
        </>
      )}
      {seen && <History history={[seen]} />}
      <div className="no-print mt-1 flex flex-wrap gap-x-4">
        <Quiet onClick={() => onInspect({ part: entry.part, stationId: null, type: partTypeOf(entry.part) })}>Look it over ▸</Quiet>
        <Quiet onClick={onMend}>Write it again ▸</Quiet>
        <Quiet onClick={() => void send(withdraw('strip', entry.id, 'that was wrong')).catch(() => undefined)}>Strike it out</Quiet>
      </div>
    </section>
  );
}
