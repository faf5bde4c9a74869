import type { RawReading } from '@elder-cog/contract';
import {
  describeLength,
  formatLength,
  INSTRUMENTS,
  nanometres,
  tryEntry,
  parseLength,
  type EntryRead,
  type Instrument,
  type Length,
} from '@elder-cog/core';
import { asInstrument, packTotal, readingValue, restItems, type GapState, type RestItem, type ShaftState } from '@elder-cog/derive';
import { memo, useEffect, useMemo, useRef, useState, type JSX, type ReactNode, type RefObject } from 'react';
import { Chip, Field, Heading, Quiet, Refusal } from '../../kit/controls.tsx';
import { Dial } from '../../kit/Dial.tsx';
import { EntryStrip, type EntryStripProps, type Expected } from '../../kit/EntryStrip.tsx';
import { Keypad } from '../../kit/Keypad.tsx';
import { tick } from '../../kit/tick.ts';
import { MethodDrawing, WAYS, wayOf } from '../../kit/methodDrawings.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { useOutbox } from '../../state/outbox.ts';
import { useSettings } from '../../state/settings.ts';
import { inBoth, understood } from '../../state/understood.ts';
import { InstrumentSetUp } from './InstrumentSetUp.tsx';
import { changeState, keepReading, setMethod, withdraw } from '../../state/gapActions.ts';

interface ReadingEntryProps {
  readonly shaft: ShaftState;
  readonly gap: GapState;
  /** called when a reading has been kept */
  readonly onKept?: () => void;
  readonly entryRef?: RefObject<HTMLInputElement | null>;
  readonly keypad?: boolean;
}

/** The strip with all that belongs to it: way of reading, what it rests on, dial, readings seen in this build. */
export function ReadingEntry({ shaft, gap, onKept, entryRef, keypad = false }: ReadingEntryProps): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const away = useOutbox((s) => s.because !== null);
  const [heights, setHeights] = useState('');
  const [spacer, setSpacer] = useState('');
  const [answers, setAnswers] = useState<Readonly<Record<string, string>>>({});
  const [changing, setChanging] = useState<string | null>(null);
  const [choosing, setChoosing] = useState(false);
  const [settingUp, setSettingUp] = useState(false);
  const [lastKept, setLastKept] = useState<{ id: string; words: string } | null>(null);
  const own = useRef<HTMLInputElement>(null);
  const strip = entryRef ?? own;

  const method = gap.station.method ?? 'dial';
  const way = wayOf(method);
  const instrument = asInstrument(gap.station.instrument);
  const isBackwards = instrument.kind === 'dial' ? instrument.direction === 'anticlockwise' : null;
  const items = useMemo(() => restItems(facts, shaft, gap.station.id, method), [facts, shaft, gap.station.id, method]);
  const said = (item: RestItem): string | null => answers[item.item] ?? item.known;
  const unsaid = items.filter((item) => item.asked && said(item) === null);
  const spacerValue = lengthOrNull(spacer, instrument.unit === 'in' ? 'thou' : instrument.unit);

  useEffect(() => setAnswers({}), [shaft.current?.build.id]);
  useEffect(() => {
    if (!lastKept) return;
    const timer = setTimeout(() => setLastKept(null), 10_000);
    return () => clearTimeout(timer);
  }, [lastKept]);

  const rawOf = (entry: string): RawReading => ({
    method,
    text: entry,
    instrument,
    ...(method === 'depths' ? { heights } : {}),
    ...(method === 'spacer' && spacerValue !== null ? { spacer: spacerValue } : {}),
    restsOn: items.flatMap((item) => (said(item) === null ? [] : [{ item: item.item, answer: said(item) ?? '' }])),
  });
  const place = { sense: gap.pack?.sense ?? 0, pack: packTotal(shaft.slots.find((s) => s.slot.kind === 'adjuster')?.fitting.leaves) } as const;
  const valueOf = (entry: string): Length | null => {
    const valued = readingValue(rawOf(entry), place);
    return 'ok' in valued ? valued.ok.reading.value : null;
  };

  const blocked =
    method === 'depths' && !('read' in tryEntry(heights, instrument))
      ? 'Give the height of the cover as well, flange to spigot.'
      : method === 'spacer' && spacerValue === null
        ? 'Say how thick the known spacer is.'
        : unsaid.length > 0
          ? `Say what it rests on first: ${unsaid.map((u) => u.name.toLowerCase()).join(', ')}.`
          : null;

  const keep = async (entry: string, read: EntryRead): Promise<boolean> => {
    const raw = rawOf(entry);
    const value = valueOf(entry);
    const words =
      value === null
        ? entry
        : `${read.reading.kind === 'atLeast' ? 'at least ' : read.reading.kind === 'atMost' ? 'at most ' : ''}${describeLength(value, read.unit === 'um' ? 'mm' : read.unit)}`;
    const change = keepReading(gap.station, shaft.current, raw, value, words);
    try {
      await send(change);
    } catch {
      return false; // the title block says why; the entry stays in the strip
    }
    if (useSettings.getState().tick) tick();
    if (change.kind === 'reading.keep') setLastKept({ id: change.reading.id, words });
    setAnswers({});
    strip.current?.focus();
    onKept?.();
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
      {method === 'depths' && (
        <Field
          label="Cover, flange to spigot"
          value={heights}
          onChange={(e) => setHeights(e.target.value)}
          placeholder="like .720 .721"
          {...saysOf(heights, instrument)}
          className="mb-1"
        />
      )}
      {method === 'spacer' && (
        <Field
          label="Known spacer under the flange"
          value={spacer}
          onChange={(e) => setSpacer(e.target.value)}
          placeholder="like 10 thou"
          says={spacerValue === null ? '' : inBoth(spacerValue)}
          refusal={spacer !== '' && spacerValue === null ? 'That is not a thickness: type one such as 10 thou.' : null}
          className="mb-1"
        />
      )}
      <RestsOn items={items} said={said} changing={changing} onChange={setChanging} onAnswer={answer} />
      <Strip
        ref={strip}
        onKeep={keep}
        instrument={instrument}
        reckons={valueOf}
        expected={expectedHere(gap)}
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

interface StripProps extends Omit<EntryStripProps, 'value' | 'onChange' | 'onKeep' | 'ownKeypad' | 'remark'> {
  /** true once it is kept */
  readonly onKeep: (entry: string, read: EntryRead) => Promise<boolean>;
  readonly isBackwards: boolean | null;
  readonly keypad: boolean;
  readonly dial: boolean;
  readonly ref: RefObject<HTMLInputElement | null>;
}

/** What is being typed, and the dial as typed: nothing else is drawn again at every key. */
function Strip({ onKeep, isBackwards, keypad, dial, ref, ...strip }: StripProps): JSX.Element {
  const [text, setText] = useState('');
  const keep = async (entry: string, read: EntryRead): Promise<void> => {
    if (await onKeep(entry, read)) setText((now) => (now === entry ? '' : now));
  };
  const otherWay = isBackwards !== null && /[<>]/.test(text) && !text.includes(isBackwards ? '<' : '>');
  const { divisions = 100, balanced = false } = strip.instrument;
  return (
    <>
      <Foot pinned={keypad} value={text} onChange={setText}>
        <EntryStrip
          {...strip}
          ref={ref}
          value={text}
          onChange={setText}
          onKeep={(entry, read) => void keep(entry, read)}
          remark={otherWay ? 'The hand ran the other way here last time.' : null}
          ownKeypad={keypad}
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
  ];
  return `${instrument.name}${face}${corrected.length > 0 ? `, ${corrected.join(', ')}` : ''}`;
}

/** On a phone the strip sits at the foot of the page, and its keypad comes up while it is being typed in. */
function Foot({
  pinned,
  value,
  onChange,
  children,
}: {
  pinned: boolean;
  value: string;
  onChange: (value: string) => void;
  children: ReactNode;
}): JSX.Element {
  const [active, setActive] = useState(false);
  if (!pinned) return <>{children}</>;
  return (
    <>
      <div className={active ? 'h-[392px]' : 'h-[112px]'} />
      <div
        className="fixed inset-x-0 bottom-[60px] z-10 border-t-2 border-ink bg-paper px-3 pt-2"
        onFocus={() => setActive(true)}
        onBlur={() => setActive(false)}
      >
        {children}
        {active && (
          <div className="-mx-3">
            <Keypad
              value={value}
              onChange={onChange}
              onKeep={() => (document.getElementById('entry') as HTMLInputElement | null)?.form?.requestSubmit()}
            />
          </div>
        )}
      </div>
    </>
  );
}

/** A length, or null while there is none to be read. */
function lengthOrNull(text: string, unit: Instrument['unit']): Length | null {
  const read = understood(() => parseLength(text, unit));
  return typeof read === 'string' ? null : read;
}

function saysOf(text: string, instrument: Instrument): { says: string; refusal: string | null } {
  if (text.trim() === '') return { says: '', refusal: null };
  const understood = tryEntry(text, instrument);
  return 'read' in understood ? { says: inBoth(understood.read.reading.value), refusal: null } : { says: '', refusal: understood.refusal.message };
}

/** What this method in this build should read: the forecast, or the limits while the pack it came with is in. */
function expectedHere(gap: GapState): Expected | null {
  const { min, max } = gap.limits?.limits ?? {};
  const half = min !== undefined && max !== undefined ? (max - min) / 2 : 50_800;
  if (gap.now.kind === 'forecast' && gap.now.reading)
    return { min: nanometres(gap.now.reading.value - half), max: nanometres(gap.now.reading.value + half) };
  if (gap.now.kind === 'read' && gap.now.reading)
    return { min: nanometres(gap.now.reading.value - half), max: nanometres(gap.now.reading.value + half) };
  if (gap.now.kind === 'none' && gap.pack && gap.pack.fitted > 0 && min !== undefined && max !== undefined) return { min, max };
  return null;
}

/** "bolts torqued", "new gasket", "dial": as short as it can be said. */
const restWords = ({ item, name }: RestItem, answer: string): string => {
  if (item === 'dial') return answer === 'square' ? 'dial' : `dial ${answer}`;
  const noun = name.toLowerCase().split(' ').at(-1) ?? '';
  const saysItself = answer.includes(noun.slice(0, 4)) || item === 'turned';
  return saysItself ? answer : `${noun} ${answer}`;
};

function RestsOn({
  items,
  said,
  changing,
  onChange,
  onAnswer,
}: {
  items: readonly RestItem[];
  said: (item: RestItem) => string | null;
  changing: string | null;
  onChange: (item: string | null) => void;
  onAnswer: (item: RestItem, answer: string) => void;
}): JSX.Element {
  const [more, setMore] = useState(false);
  const known = items.filter((item) => said(item) !== null && changing !== item.item);
  const open = items.filter((item) => changing === item.item || (said(item) === null && (item.asked || more)));
  const unsaid = items.some((item) => said(item) === null && !item.asked);
  return (
    <div className="mb-2">
      {known.length > 0 && (
        <p className="m-0 flex flex-wrap items-center gap-x-2.5 text-[15px]">
          {unsaid ? (
            <button
              type="button"
              onClick={() => setMore((m) => !m)}
              aria-expanded={more}
              aria-label={more ? 'Less that it rests on' : 'More that it rests on: seated, turned, moved'}
              className="min-h-12 text-blue"
            >
              Rests on ▸
            </button>
          ) : (
            <span className="text-ink2">Rests on</span>
          )}
          {known.map((item) => (
            <button
              key={item.item}
              type="button"
              onClick={() => onChange(item.item)}
              aria-label={`${item.name}: ${said(item) ?? ''}. Change`}
              className="min-h-12 whitespace-nowrap"
            >
              {restWords(item, said(item) ?? '')} <span className="text-good">✓</span>
            </button>
          ))}
        </p>
      )}
      {open.map((item) => (
        <div key={item.item} role="group" aria-label={`${item.name}?`} className="grid grid-cols-[92px_minmax(0,1fr)] items-center gap-2 py-1">
          <span className="leading-5">
            {item.name}?{item.lapsed && <span className="block text-[14px] leading-4 text-ink2">changed since</span>}
          </span>
          <span className="flex flex-wrap gap-2">
            {item.answers.map((choice, i) => (
              <Chip key={choice} id={`rest-${item.item}-${i}`} on={said(item) === choice} onClick={() => onAnswer(item, choice)}>
                {choice}
              </Chip>
            ))}
          </span>
        </div>
      ))}
    </div>
  );
}

/** Readings kept on this build, with their range; one tap takes one back, struck through and kept. */
/** Drawn again when the gap is another, and not at every key: there may be a hundred of them. */
const Seen = memo(function Seen({ gap }: { gap: GapState }): JSX.Element | null {
  const unit = useSettings((s) => s.unit);
  const words = gap.now.kept.map((k) =>
    k.value ? k.value.values.map((v) => formatLength(v, unit).replace(/\.0$/, '')).join(' ') || k.text : k.text,
  );
  const struck = gap.now.struck.map((each) => (
    <span key={each.id} className="block text-[15px] text-ink2">
      <s className="num">{each.text}</s> taken back{each.why === '' ? '' : `: ${each.why}`}
    </span>
  ));
  if (gap.now.kind !== 'read') return struck.length > 0 ? <p className="m-0 mt-1">{struck}</p> : null;
  return (
    <p className="m-0 mt-1 text-[16px]">
      {gap.now.methods.map((each) => (
        <span key={each.name} className="block">
          <span className="text-ink2">{each.name} </span>
          <span className="num text-[18px]">{formatLength(each.reading.value, unit)}</span>
        </span>
      ))}
      <span className="text-ink2">Seen </span>
      <span className="num text-[20px]">{words.join(' ')}</span>
      {gap.now.range !== null && (
        <>
          <span className="text-ink2"> · range </span>
          <span className="num text-[20px]">{formatLength(gap.now.range, unit).replace(/\.0$/, '')}</span>
        </>
      )}
      {gap.now.kept.some((k) => k.value?.drifted) && (
        <span className="block">
          <Refusal>One did not come back to where it began: the stand moved. It is kept, and not counted.</Refusal>
        </span>
      )}
      {struck}
    </p>
  );
});

const SET: Readonly<Record<string, { thou: Instrument; mm: Instrument }>> = {
  dial: { thou: INSTRUMENTS.dialThou, mm: INSTRUMENTS.dialMm },
  spacer: { thou: INSTRUMENTS.dialThou, mm: INSTRUMENTS.dialMm },
  feelers: { thou: INSTRUMENTS.feelersThou, mm: INSTRUMENTS.feelersMm },
  coverDown: { thou: INSTRUMENTS.feelersThou, mm: INSTRUMENTS.feelersMm },
  depths: { thou: INSTRUMENTS.depthInch, mm: INSTRUMENTS.depthMm },
};

/** The five ways of reading a gap, from small drawings; and which system the instrument reads in. */
export function MethodChooser({
  gap,
  onChoose,
  large = false,
}: {
  gap: GapState;
  onChoose: (change: ReturnType<typeof setMethod>) => void;
  large?: boolean;
}): JSX.Element {
  const [unit, setUnit] = useState<'thou' | 'mm'>(gap.station.instrument?.unit === 'mm' ? 'mm' : gap.limits?.fact.unit === 'mm' ? 'mm' : 'thou');
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus(), []);
  return (
    <div className="mb-3">
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <span>It reads in</span>
        <Chip on={unit === 'thou'} onClick={() => setUnit('thou')}>
          thou
        </Chip>
        <Chip on={unit === 'mm'} onClick={() => setUnit('mm')}>
          mm
        </Chip>
      </div>
      <div className={`grid gap-2 ${large ? 'grid-cols-5 max-xl:grid-cols-3 max-md:grid-cols-1' : 'grid-cols-1'}`}>
        {WAYS.filter((way) => way.method !== 'coverDown' || gap.pack?.slot.place === 'underCover').map((way, i) => (
          <button
            key={way.method}
            ref={i === 0 ? first : undefined}
            type="button"
            onClick={() => onChoose(setMethod(gap.station, way.method, (SET[way.method] ?? SET.dial)?.[unit] ?? INSTRUMENTS.dialThou))}
            className={`min-h-14 border bg-sheet p-2 text-left ${large ? '' : 'grid grid-cols-[150px_1fr] items-center gap-x-3'} ${gap.station.method === way.method ? 'border-2 border-blue' : 'border-edge'}`}
          >
            <MethodDrawing method={way.method} />
            <span>
              <span className="block font-medium">{way.name}</span>
              <span className="block text-[15px] leading-5 text-ink2">{way.says}</span>
            </span>
          </button>
        ))}
      </div>
    </div>
  );
}
