import { stripEntryOf, type Change, type Inspection, type Station, type StripEntry } from '@elder-cog/contract';
import {
  cautionsFor,
  describeLength,
  formatLength,
  partTypeOf,
  readStripLine,
  stripPartType,
  unitWord,
  WAY_ROUND,
  withUnit,
  type Length,
  type LengthUnit,
  type StripChoice,
  type StripLineRead,
} from '@elder-cog/core';
import { inspectedParts, oddBolts, plainName, stripLog, type StripLine } from '@elder-cog/derive';
import { useEffect, useMemo, useRef, useState, type JSX } from 'react';
import { Link } from 'react-router';
import { Caution, Chip, Primary, Quiet, Secondary } from '../../kit/controls.tsx';
import { Asked } from '../../kit/EntryField.tsx';
import { FileChooser } from '../../kit/FileChooser.tsx';
import { LeafStrip } from '../../kit/Pack.tsx';
import { Photos } from '../../kit/Photos.tsx';
import { tick } from '../../kit/tick.ts';
import { useTurn } from '../../kit/turn.ts';
import { useCommand } from '../../state/api.ts';
import { fitPack, keepReading, withdraw } from '../../state/gapActions.ts';
import { useDraft } from '../../state/drafts.ts';
import { useJob } from '../../state/job.ts';
import { sendPhoto } from '../../state/photos.ts';
import { newId, useSettings } from '../../state/settings.ts';
import { stripOff } from '../../state/wearActions.ts';
import { NoShaft } from '../Section/Section.tsx';
import { BoltMapPanel } from './BoltMapPanel.tsx';
import { History, InspectDialog, type InspectSubject } from './Inspect.tsx';
import { Leaves } from './Leaves.tsx';
import { LookAlikes } from './LookAlikes.tsx';
import { MatchedSets } from './MatchedSets.tsx';
import { PartPicture } from './PartPicture.tsx';

/** As it came apart: what came off, in order, which way round, and with what. Written once; it goes back in reverse. */
export default function StripLog(): JSX.Element {
  const { state, facts, shaft } = useJob();
  const { send } = useCommand();
  const [chosen, setChosen] = useState<string | null>(null);
  const [mending, setMending] = useState<StripLine | null>(null);
  const [isBack, setIsBack] = useState(false);
  const [inspected, setInspected] = useState<InspectSubject | null>(null);
  const box = shaft?.assembly ?? state.assemblies[0] ?? null;
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
            <Lines lines={isBack ? lines.toReversed() : lines} looked={looked} chosen={line?.entry.id ?? null} onChoose={setChosen} />
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
                to={`/jobs/${state.job.id}/labels?shaft=${shaft?.shaft.id ?? ''}`}
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

type LookedOver = ReadonlyMap<string, Inspection>;

function Lines({
  lines,
  looked,
  chosen,
  onChoose,
}: {
  lines: readonly StripLine[];
  looked: LookedOver;
  chosen: string | null;
  onChoose: (id: string) => void;
}): JSX.Element {
  return (
    <div role="table" aria-label="What came off" className="bg-sheet">
      <div
        role="row"
        className="label grid grid-cols-[44px_124px_minmax(0,1fr)_170px_166px] border-b-2 border-ink px-4 py-2 text-[16px] font-semibold text-ink2 max-md:hidden"
      >
        <span role="columnheader">No</span>
        <span role="columnheader">Way round</span>
        <span role="columnheader">Part</span>
        <span role="columnheader">Pack, side, size</span>
        <span role="columnheader" className="text-right">
          Seen
        </span>
      </div>
      {lines.map((line) => (
        <LineRow
          key={line.entry.id}
          line={line}
          decision={looked.get(plainName(line.entry.part))?.decision ?? null}
          on={line.entry.id === chosen}
          onChoose={() => onChoose(line.entry.id)}
        />
      ))}
    </div>
  );
}

function LineRow({
  line,
  decision,
  on,
  onChoose,
}: {
  line: StripLine;
  decision: Inspection['decision'] | null;
  on: boolean;
  onChoose: () => void;
}): JSX.Element {
  const { number, entry, alike } = line;
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (on) box.current?.scrollIntoView({ block: 'nearest' });
  }, [on]);
  return (
    <div
      ref={box}
      role="row"
      aria-selected={on}
      className={`scroll-mb-44 grid min-h-[67px] grid-cols-[44px_124px_minmax(0,1fr)_170px_166px] items-center border-b border-rule border-l-4 px-3 max-md:grid-cols-[32px_minmax(0,1fr)_auto] ${on ? 'border-l-blue bg-band' : 'border-l-transparent'}`}
    >
      <span role="cell" className="num text-[26px] font-semibold">
        {number}
      </span>
      <span role="cell" className="max-md:hidden">
        <PartPicture entry={entry} />
      </span>
      <span role="cell" className="min-w-0 pr-2">
        <button type="button" onClick={onChoose} aria-pressed={on} className="min-h-12 w-full text-left">
          <span className="block text-[17px] leading-6 font-medium">
            {entry.part}
            {alike.length > 0 && <span className="label pl-2 text-[15px] font-semibold whitespace-nowrap text-blue">look-alike</span>}
          </span>
          <span className="block text-[15px] leading-5 text-ink2">
            {wayWords(entry)}
            {decision && <span className="font-medium text-ink"> looked over: {decision}</span>}
          </span>
        </button>
      </span>
      <span role="cell" className="max-md:text-right">
        <SizeWords entry={entry} />
      </span>
      <span role="cell" className="flex justify-end max-md:col-span-3 max-md:justify-start max-md:pb-2">
        <Photos ofKind="strip" ofId={entry.id} caption={entry.part} compact />
      </span>
    </div>
  );
}

const wayWords = (entry: StripEntry): string => {
  const { asks } = WAY_ROUND[stripPartType(entry.part)];
  const said = entry.wayRound.join('; ');
  if (said !== '') return said;
  if (entry.inventory) return 'way round unknown until checked';
  return asks === null || entry.kind === 'pack' || entry.kind === 'float' ? '' : `not said: ${asks}`;
};

function SizeWords({ entry }: { entry: StripEntry }): JSX.Element {
  const { leaves, bolts, size, unit, side, count, kind } = entry;
  if (leaves.length > 0)
    return (
      <span className="flex items-center gap-3">
        <span>
          <span className="num block text-[18px] font-semibold whitespace-nowrap text-brass-text">
            {leaves.map((l) => l.written).join('+')} <span className="unit">{unitWord(leaves[0]?.unit ?? 'thou')}</span>
          </span>
          <span className="block text-[15px] leading-5 text-ink2">{side}</span>
        </span>
        <span className="max-lg:hidden [&_svg]:max-h-[52px]">
          <LeafStrip leaves={leaves.map((l) => ({ ...l, lotId: null }))} style="on" />
        </span>
      </span>
    );
  if (bolts) {
    const odd = oddBolts(bolts.holes);
    return (
      <span>
        <span className="block text-[17px]">
          {bolts.holes.length} holes
          {odd.size > 0 && (
            <>
              , odd at <span className="num font-semibold">{[...odd].join(', ')}</span>
            </>
          )}
        </span>
        <span className="block text-[15px] leading-5 text-ink2">see the map</span>
      </span>
    );
  }
  const second = [side, kind === 'pressedOn' ? 'pressed on' : '', count ? `${count.n} ${count.of}` : ''].filter((w) => w !== '').join(' · ');
  return (
    <span>
      {size !== null && (
        <>
          <span className="block whitespace-nowrap">
            <span className="num text-[18px] font-semibold">{formatLength(size, asSaid(size, unit))}</span>{' '}
            <span className="unit text-[14px]">{unitWord(asSaid(size, unit))}</span>
          </span>
          <span className="num block text-[14px] leading-5 text-ink2">{describeLength(size, otherOf(size, unit))}</span>
        </>
      )}
      {second !== '' && <span className="block text-[15px] leading-5 text-ink2">{second}</span>}
      {entry.inventory && size === null && second === '' && <span className="text-[15px] text-ink2">place to be found</span>}
    </span>
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

interface NextOffProps {
  readonly lines: readonly StripLine[];
  readonly cameApart: boolean;
  readonly assemblyId: string;
  readonly mending: StripLine | null;
  readonly onKept: (id: string) => void;
  readonly onLeave: () => void;
}

/** One line for what came off next: said back as it was understood, with ready phrases, and its photos beside it. */
function NextOff({ lines, cameApart, assemblyId, mending, onKept, onLeave }: NextOffProps): JSX.Element {
  const { facts, shaft } = useJob();
  const { send, sending } = useCommand();
  // photos go by themselves: the next line does not wait for them
  const { send: sendAfter } = useCommand();
  const [text, setText] = useDraft(mending ? `mend ${mending.entry.id}` : `strip ${assemblyId}`, mending?.entry.text ?? '');
  const bare = useSettings((st) => st.bare);
  const [chosen, setChosen] = useState<{ readonly text: string; readonly choice: StripChoice } | null>(null);
  const [tried, setTried] = useState(false);
  const [files, setFiles] = useState<readonly File[]>([]);
  const [trouble, setTrouble] = useState('');
  const strip = useRef<HTMLInputElement>(null);
  const input = useRef<HTMLInputElement>(null);
  const read = readStripLine(text, bare, chosen?.text === text ? chosen.choice : null);
  const phrases = read ? WAY_ROUND[read.type].phrases.filter((p) => !read.wayRound.some((w) => w.toLowerCase() === p)) : [];
  const number = mending?.number ?? lines.length + 1;
  const keep = async (): Promise<void> => {
    setTried(true);
    if (!read || read.question || turn.mustWait(text) || !turn.begins(text)) return;
    const id = newId();
    const chosen = files;
    try {
      await send(
        stripOff(
          stripEntryOf(read, { text, assemblyId, shaftId: shaft?.shaft.id ?? null, inventory: cameApart, supersedes: mending?.entry.id ?? null }),
          mending ? [] : alsoKept(read, text),
          id,
        ),
      );
    } catch {
      return;
    }
    if (useSettings.getState().tick) tick();
    setText('');
    setTried(false);
    setFiles((now) => (now === chosen ? [] : now));
    onKept(id);
    strip.current?.focus();
    const said: string[] = [];
    for (const file of chosen) {
      try {
        await sendAfter(await sendPhoto(file, { jobId: facts.job.id, ofKind: 'strip', ofId: id, caption: read.part }));
      } catch (error) {
        said.push(`${file.name}: ${(error as Error).message}`);
      }
    }
    setTrouble(said.join(' '));
  };
  const turn = useTurn(sending, text, () => void keep());
  const packInNow = shaft?.slots.find((s) => s.slot.kind === 'adjuster' && s.fitting.leaves !== null)?.words ?? null;
  /** What is typed here is not typed again: a pack is what is in, and the float before it is what that pack read. */
  const alsoKept = (said: StripLineRead, entry: string): Change[] => {
    const gap = shaft?.gaps[0];
    const slot = shaft?.slots.find((s) => s.slot.kind === 'adjuster');
    if (!shaft || !gap || !slot) return [];
    const isSaid = slot.fitting.leaves !== null;
    if (said.kind === 'float' && isSaid && said.size !== null)
      return [readAs(gap.station, shaft.current?.build.id ?? null, { size: said.size, written: said.written, unit: said.unit, words: entry })];
    if (said.kind !== 'pack' || isSaid || said.leaves.length === 0) return [];
    const fitted = fitPack(
      shaft,
      said.leaves.map((leaf) => ({ ...leaf, lotId: null })),
    );
    const float = lines.findLast(({ entry: e }) => e.kind === 'float' && e.size !== null && e.shaftId === shaft.shaft.id)?.entry;
    const buildId = fitted.kind === 'build.add' ? fitted.build.id : null;
    return float?.size !== null && float?.size !== undefined
      ? [fitted, readAs(gap.station, buildId, { size: float.size, written: float.written, unit: float.unit, words: float.text })]
      : [fitted];
  };
  return (
    <form
      aria-label="Next off"
      className="no-print sticky bottom-0 z-[5] border-t-2 border-ink bg-paper px-4 py-3 max-sm:bottom-[60px]"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <div className="flex flex-wrap items-start gap-3">
        <label htmlFor="entry" className="w-[108px] max-sm:w-full">
          <span className="flex items-baseline gap-2">
            <span className="num text-[24px] font-semibold">{number}</span>
            <span className="label text-[17px] font-semibold">{mending ? 'again' : cameApart ? 'in the box' : 'next off'}</span>
          </span>
          <span className="text-[15px] text-ink2 max-sm:hidden">what, which way</span>
        </label>
        <input
          ref={strip}
          id="entry"
          value={text}
          onChange={(e) => setText(e.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Escape') setText('');
          }}
          placeholder="like washer front, tang 12, 118"
          autoComplete="off"
          spellCheck={false}
          aria-describedby="entry-says"
          className="num h-[60px] min-w-[200px] flex-1 max-sm:min-w-full border-2 border-blue bg-sheet px-4 text-[20px] placeholder:text-[18px]"
        />
        <Secondary onClick={() => input.current?.click()} className="h-[60px]">
          {files.length === 0 ? 'photos' : `${files.length} ${files.length === 1 ? 'photo' : 'photos'}`}
        </Secondary>
        <FileChooser ref={input} label="Photos of it" accept="image/*" multiple onChoose={setFiles} />
        <Primary type="submit" enter disabled={read === null} className="h-[60px]">
          Keep
        </Primary>
      </div>
      <div id="entry-says" aria-live="polite" className="mt-2 flex min-h-12 flex-wrap items-center gap-x-3 gap-y-1 text-[16px]">
        {read ? (
          <SaidBack read={read} inNow={mending ? null : packInNow} />
        ) : (
          <span className="text-ink2">A bare number is in {bare === 'mm' ? 'millimetres' : 'thou'}: that is said in Workshop.</span>
        )}
        {read?.question && (
          <div className="basis-full">
            <Asked
              key={text}
              understood={{ why: `${read.question.piece}: ${read.question.why}`, meanings: read.question.choices }}
              takesFocus={tried}
              onChoose={(choice) => {
                setChosen({ text, choice });
                strip.current?.focus();
              }}
              onLeave={() => strip.current?.focus()}
            />
          </div>
        )}
        {phrases.map((phrase) => (
          <Chip
            key={phrase}
            on={false}
            onClick={() => {
              setText(`${text.trim().replace(/,$/, '')}, ${phrase}`);
              strip.current?.focus();
            }}
          >
            {phrase}
          </Chip>
        ))}
        {cautionsFor(text).map((caution) => (
          <Caution key={caution}>{caution}</Caution>
        ))}
        {mending && <Quiet onClick={onLeave}>Leave it as it was</Quiet>}
        {trouble !== '' && (
          <span role="alert" className="basis-full font-medium text-tight">
            {trouble}
          </span>
        )}
      </div>
    </form>
  );
}

interface FloatSaid {
  readonly size: Length;
  readonly written: string;
  readonly unit: LengthUnit;
  readonly words: string;
}

const readAs = (station: Station, buildId: string | null, { size, written, unit, words }: FloatSaid): Change => {
  const understood = { how: 'sizes' as const, values: [size], unit };
  const kept = keepReading(station, null, { method: 'dial', text: withUnit(written, unit), understood, instrument: null, restsOn: [] }, size, words);
  return kept.kind === 'reading.keep' ? { ...kept, reading: { ...kept.reading, buildId } } : kept;
};

/** Thou are for shims and washers: a quarter of an inch and more is said in inches. */
const asSaid = (size: Length, unit: LengthUnit): LengthUnit => (unit === 'thou' && size >= 6_350_000 ? 'in' : unit);
const otherOf = (size: Length, unit: LengthUnit): LengthUnit => (unit === 'mm' || unit === 'um' ? asSaid(size, 'thou') : 'mm');

function SaidBack({ read, inNow }: { read: StripLineRead; inNow: string | null }): JSX.Element {
  const { part, wayRound, side, size, unit, leaves, count, holes, asks } = read;
  const pieces = [
    ...wayRound,
    ...(side === '' ? [] : [side]),
    ...(leaves.length > 0 ? [`pack ${leaves.map((l) => l.written).join(' + ')}`] : []),
    ...(count ? [`${count.n} ${count.of}`] : []),
    ...holes.map((h) => `hole ${h.hole}: ${describeLength(h.length, 'in')}`),
  ];
  return (
    <span className="flex flex-wrap items-center gap-x-2">
      <span className="font-semibold">{part}</span>
      {pieces.map((piece) => (
        <span key={piece}>· {piece}</span>
      ))}
      {size !== null && (
        <span>
          · <span className="num font-semibold">{describeLength(size, asSaid(size, unit))}</span>{' '}
          <span className="num text-ink2">{describeLength(size, otherOf(size, unit))}</span>
        </span>
      )}
      {leaves.length > 0 && inNow !== null && (
        <span className="text-ink2">the pack {inNow} is in the record already: this is written down beside it, and changes no build</span>
      )}
      {asks && <span className="pl-2 font-semibold">{asks}</span>}
    </span>
  );
}
