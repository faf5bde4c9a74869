import type { RawReading } from '@elder-cog/contract';
import { BOUND, describeLength, type Instrument, smallUnit, ZERO } from '@elder-cog/core';
import {
  closingOf,
  expectedOfGap,
  gapQuantity,
  packTotal,
  PARALLELS_HERE,
  readingComesTo,
  restItems,
  withSpacer,
  type GapState,
  type ReadingValue,
  type RestItem,
  type ShaftState,
  slotStateOf,
} from '@elder-cog/derive';
import { useEffect, useMemo, useRef, useState, type JSX, type ReactNode, type RefObject } from 'react';
import { Chip, Heading, Quiet } from '../../kit/controls.tsx';
import { Dial } from '../../kit/Dial.tsx';
import { EntryStrip, type EntryStripProps, type ReadingMeaning } from '../../kit/EntryStrip.tsx';
import { tick } from '../../kit/tick.ts';
import { wayOf } from '../../kit/methodDrawings.tsx';
import { useCommand } from '../../state/api.ts';
import { clearDraft, useDraft } from '../../state/drafts.ts';
import { useInstrument } from '../../state/instruments.ts';
import { useJob } from '../../state/job.ts';
import { useOutbox } from '../../state/outbox.ts';
import { useSettings } from '../../state/settings.ts';
import { asUnderstood, changeState, keepReading, onBuild, withdraw } from '../../state/gapActions.ts';
import { DoneHere, lastOf } from './DoneHere.tsx';
import { InstrumentSetUp } from './InstrumentSetUp.tsx';
import { MethodChooser } from './MethodChooser.tsx';
import { useBesides } from './MethodFields.tsx';
import { RestsOn } from './RestsOn.tsx';
import { Seen } from './Seen.tsx';

interface ReadingEntryProps {
  readonly shaft: ShaftState;
  readonly gap: GapState;
  /** called when a reading has been kept, with its id */
  readonly onKept?: (readingId: string) => void;
  readonly entryRef?: RefObject<HTMLInputElement | null>;
  readonly keypad?: boolean;
}

/** The strip with all that belongs to it; of a station that is done, that it is, for nothing more is read there by accident. */
export function ReadingEntry(props: ReadingEntryProps): JSX.Element {
  const { facts } = useJob();
  if (closingOf(facts, props.gap.station.id))
    return (
      <div>
        <Heading>Reading</Heading>
        <DoneHere {...lastOf(props.gap)} />
      </div>
    );
  return <OpenEntry {...props} />;
}

/** The strip with all that belongs to it: way of reading, what it rests on, dial, readings seen in this build. */
function OpenEntry({ shaft, gap, onKept, entryRef, keypad = false }: ReadingEntryProps): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const away = useOutbox((s) => s.because !== null);
  const [answers, setAnswers] = useState<Readonly<Record<string, string>>>({});
  const [changing, setChanging] = useState<string | null>(null);
  const [choosing, setChoosing] = useState(false);
  const [settingUp, setSettingUp] = useState(false);
  const [lastKept, setLastKept] = useState<{ id: string; words: string } | null>(null);
  const own = useRef<HTMLInputElement>(null);
  const strip = entryRef ?? own;

  const { station } = gap;
  const method = station.method ?? 'dial';
  const way = wayOf(method);
  const instrument = useInstrument(station, method);
  const isBackwards = instrument.kind === 'dial' ? instrument.direction === 'anticlockwise' : null;
  const items = useMemo(() => restItems(facts, shaft, station.id, method), [facts, shaft, station.id, method]);
  const said = (item: RestItem): string | null => answers[item.item] ?? item.known;
  const saidOf = (name: string): string | null => {
    const item = items.find((each) => each.item === name);
    return item ? said(item) : null;
  };
  const unsaid = items.filter((item) => item.asked && said(item) === null);
  const before = useMemo(
    () => facts.readings.findLast((r) => r.stationId === station.id && r.raw.method === method)?.raw ?? null,
    [facts.readings, station.id, method],
  );
  const gasketSlot = shaft.slots.find(({ slot }) => slot.kind === 'gasket')?.slot.role;
  const besides = useBesides({
    stationId: station.id,
    method,
    instrument,
    hasGasket: gasketSlot !== undefined && saidOf(gasketSlot) !== 'no gasket',
    parallelsHere: saidOf('parallels') === PARALLELS_HERE,
    before,
  });

  useEffect(() => setAnswers({}), [shaft.current?.build.id]);
  useEffect(() => {
    if (!lastKept) return;
    const timer = setTimeout(() => setLastKept(null), 10_000);
    return () => clearTimeout(timer);
  }, [lastKept]);

  const rawOf = (text: string, meaning: ReadingMeaning): RawReading => ({
    method,
    text,
    understood: asUnderstood(meaning),
    instrument,
    ...besides.raw,
    restsOn: items.flatMap((item) => (said(item) === null ? [] : [{ item: item.item, answer: said(item) ?? '' }])),
  });
  const place = { sense: gap.pack?.sense ?? 0, pack: packTotal(slotStateOf(shaft, gap)?.fitting.leaves) } as const;
  const comesTo = (meaning: ReadingMeaning): ReadingValue | null => {
    // with something missing it comes to nothing yet, and is said back as it was typed
    return besides.missing === null ? readingComesTo(rawOf('', meaning), place) : null;
  };
  const expected = expectedOfGap(gap);
  const typed = method === 'depths' || method === 'coverDown' ? null : withSpacer(expected, besides.spacer ?? ZERO);
  const question = {
    bare: smallUnit(instrument.unit),
    quantity: gapQuantity(gap, method),
    instrument,
    ...(typed ? { expected: typed } : {}),
  } as const;

  const blocked =
    besides.missing ?? (unsaid.length > 0 ? `Say what it rests on first: ${unsaid.map((u) => u.name.toLowerCase()).join(', ')}.` : null);

  const keep = async (text: string, meaning: ReadingMeaning): Promise<boolean> => {
    const raw = rawOf(text, meaning);
    const reading = comesTo(meaning)?.reading ?? null;
    const words = reading === null ? text : `${BOUND[reading.kind]}${describeLength(reading.value, meaning.unit === 'um' ? 'mm' : meaning.unit)}`;
    const changes = onBuild(shaft, facts, (buildId) => keepReading(station, buildId, raw, reading?.value ?? null, words));
    try {
      await send(...changes);
    } catch {
      return false; // the title block says why; the entry stays in the strip
    }
    if (useSettings.getState().tick) tick();
    setAnswers({});
    strip.current?.focus();
    const change = changes.at(-1);
    if (change?.kind === 'reading.keep') {
      setLastKept({ id: change.reading.id, words });
      onKept?.(change.reading.id);
    }
    return true;
  };

  const answer = (item: RestItem, choice: string): void => {
    setChanging(null);
    const alreadyRead = gap.now.kind === 'read';
    if (item.slotId && alreadyRead && item.known !== null && choice !== item.known) {
      void send(changeState(shaft, item.slotId, choice)).catch(() => undefined);
      return;
    }
    setAnswers((all) => ({ ...all, [item.item]: choice }));
    const next = unsaid.find((u) => u.item !== item.item);
    requestAnimationFrame(() => (next ? document.getElementById(`rest-${next.item}-0`)?.focus() : strip.current?.focus()));
  };

  return (
    <div>
      <div className="flex items-center justify-between gap-2">
        <Heading>Reading</Heading>
        <Quiet onClick={() => setChoosing((c) => !c)} aria-expanded={choosing} className="text-right">
          {instrumentWords(instrument)}
          {method === 'dial' || method === 'feelers' ? '' : `: ${way.name.toLowerCase()}`} ▸
        </Quiet>
      </div>
      {choosing && (
        <div role="group" aria-label="Of the reading" className="mb-2 flex flex-wrap gap-2">
          <Chip on={!settingUp} onClick={() => setSettingUp(false)}>
            how it is read
          </Chip>
          <Chip on={settingUp} onClick={() => setSettingUp(true)}>
            how it is set up
          </Chip>
        </div>
      )}
      {choosing && settingUp && <InstrumentSetUp station={gap.station} onDone={() => setChoosing(false)} />}
      {choosing && !settingUp && (
        <MethodChooser
          gap={gap}
          onChoose={(change) => {
            setChoosing(false);
            void send(change).then(
              () => strip.current?.focus(),
              () => undefined,
            );
          }}
        />
      )}
      {besides.fields}
      <RestsOn items={items} said={said} changing={changing} onChange={setChanging} onAnswer={answer} />
      <Strip
        ref={strip}
        draft={`reading ${station.id}`}
        onKeep={keep}
        onBlocked={besides.settle}
        question={question}
        comesTo={comesTo}
        blocked={blocked}
        example={isBackwards ? way.example.replace(/(\d+)>(\d+)/, '$2<$1') : way.example}
        isBackwards={isBackwards}
        busy={sending}
        waiting={sending && away}
        keypad={keypad}
        dial={!keypad && (method === 'dial' || method === 'spacer')}
      />
      {lastKept && (
        <p className="m-0 flex flex-wrap items-center gap-x-3 text-[16px]">
          <span>Kept: {lastKept.words}.</span>
          <Quiet
            onClick={() => {
              void send(withdraw('reading', lastKept.id, 'that was wrong')).catch(() => undefined);
              setLastKept(null);
            }}
          >
            That was wrong
          </Quiet>
        </p>
      )}
      <Seen gap={gap} />
    </div>
  );
}

interface StripProps extends Omit<EntryStripProps, 'value' | 'onChange' | 'onKeep' | 'remark'> {
  /** true once it is kept */
  readonly onKeep: (text: string, meaning: ReadingMeaning) => Promise<boolean>;
  /** where what is half typed is kept */
  readonly draft: string;
  readonly isBackwards: boolean | null;
  readonly keypad: boolean;
  readonly dial: boolean;
  readonly ref: RefObject<HTMLInputElement | null>;
}

/** What is being typed, and the dial as typed: nothing else is drawn again at every key. */
function Strip({ onKeep, draft, isBackwards, keypad, dial, ref, ...strip }: StripProps): JSX.Element {
  const [text, setText] = useDraft(draft);
  const keep = async (entry: string, meaning: ReadingMeaning): Promise<void> => {
    if (await onKeep(entry, meaning)) clearDraft(draft, entry);
  };
  const otherWay = isBackwards !== null && /[<>]/.test(text) && !text.includes(isBackwards ? '<' : '>');
  const { divisions = 100, balanced = false } = strip.question.instrument;
  return (
    <>
      <Foot pinned={keypad}>
        <EntryStrip
          {...strip}
          ref={ref}
          value={text}
          onChange={setText}
          onKeep={(entry, meaning) => void keep(entry, meaning)}
          remark={otherWay ? 'The hand ran the other way here last time.' : null}
        />
      </Foot>
      {dial && text !== '' && (
        <div className="flex justify-center py-2 print:hidden">
          <Dial entry={text} divisions={divisions} balanced={balanced} />
        </div>
      )}
    </>
  );
}

/** The instrument in a few words: its face, and what is corrected for. */
function instrumentWords(instrument: Instrument): string {
  const { divisions = 100, balanced = false, stemAngle = 0, faceAngle = 0, radius, zeroError } = instrument;
  const face = instrument.kind === 'dial' ? (balanced ? `, ${divisions / 2}–0–${divisions / 2}` : `, 0–${divisions}`) : '';
  const corrected = [
    ...(stemAngle !== 0 || faceAngle !== 0 ? ['off square'] : []),
    ...(radius ? ['at another radius'] : []),
    ...(zeroError ? ['zero error'] : []),
    ...(instrument.learned === undefined ? [] : [`as ${instrument.learned} readings repeat`]),
  ];
  return `${instrument.name}${face}${corrected.length > 0 ? `, ${corrected.join(', ')}` : ''}`;
}

/** On a phone the strip sits at the foot of the page, over its keys while it is being typed in. */
function Foot({ pinned, children }: { pinned: boolean; children: ReactNode }): JSX.Element {
  if (!pinned) return <>{children}</>;
  return (
    <>
      <div className="h-[calc(112px+var(--keypad))]" />
      <div className="fixed inset-x-0 bottom-[calc(60px+var(--keypad))] z-10 border-t-2 border-ink bg-paper px-3 pt-2">{children}</div>
    </>
  );
}
