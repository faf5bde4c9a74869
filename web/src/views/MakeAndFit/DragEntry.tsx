import type { RawReading, Wrench } from '@elder-cog/contract';
import {
  describeLength,
  describeQuantity,
  nanometres,
  understand,
  type DragEntry as Entered,
  type Length,
  type Meaning,
  type TorqueUnit,
  type UnderstoodQuantity,
  unitOfSizes,
} from '@elder-cog/core';
import { dragValue, expectedOfDrag, type DragState, type ShaftState } from '@elder-cog/derive';
import { useRef, useState, type JSX } from 'react';
import { Chip, Heading, Primary, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { Asked, EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useKeyed } from '../../kit/Keypad.tsx';
import { tick } from '../../kit/tick.ts';
import { torqueAsRead, useTorqueShown, torqueWords } from '../../kit/Torque.tsx';
import { useTurn } from '../../kit/turn.ts';
import { useCommand } from '../../state/api.ts';
import { dragRead, keepDrag } from '../../state/dragActions.ts';
import { clearDraft, useDraft } from '../../state/drafts.ts';
import { onBuild, withdraw } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { WrenchFields } from './WrenchFields.tsx';

type DragMeaning = Meaning<Entered, string>;

/** What a drag rests on: each answer may be left; the pull alone is always said. */
const RESTS = [
  { item: 'bearings', name: 'Bearings', answers: ['new bearings', 'used bearings'] },
  { item: 'seal', name: 'Seal', answers: ['seal in', 'seal out'] },
  { item: 'wheel', name: 'Wheel', answers: ['wheel in', 'wheel out'] },
] as const;

/** The strip a drag is read in: what was typed, where its cord pulls, and what it rests on. */
export function DragEntry({ shaft, drag }: { shaft: ShaftState; drag: DragState }): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const bare = useSettings((s) => s.bare);
  const { unit } = useTorqueShown(drag.unit);
  const keys = useKeyed('drag');
  const { station } = drag;
  const draft = `reading ${station.id}`;
  const [text, setText] = useDraft(draft);
  const [tried, setTried] = useState(false);
  const [radius, setRadius] = useState<Length | null>(null);
  const [isStarting, setStarting] = useState(false);
  const [isBefore, setBefore] = useState(false);
  const [setting, setSetting] = useState(false);
  const [kept, setKept] = useState<{ readonly id: string; readonly words: string } | null>(null);
  const last = facts.readings.findLast((reading) => reading.stationId === station.id)?.raw.restsOn ?? [];
  const [answers, setAnswers] = useState<Readonly<Record<string, string | null>>>({});
  const strip = useRef<HTMLInputElement>(null);
  const known = radius ?? (drag.radius?.isOfThisLog ? drag.radius.value : null);
  const expected = expectedOfDrag(drag);
  const { min = 0, max } = drag.limits?.limits ?? {};
  const understood = understand(text, {
    field: 'drag',
    bare,
    ...(scaleOf(drag, text) ? { scale: scaleOf(drag, text) ?? '' } : {}),
    ...(expected ? { expected } : {}),
    ...(max === undefined ? {} : { limits: { min, max } }),
    ...(known === null ? {} : { radius: known }),
  });
  const said = (item: string): string | null =>
    item in answers ? (answers[item] ?? null) : (last.find((each) => each.item === item)?.answer ?? null);
  const rawOf = (meaning: DragMeaning): RawReading =>
    dragRead(text, meaning, {
      wrench: station.wrench,
      seal: said('seal') === 'seal in' ? station.seal : undefined,
      isBefore,
      restsOn: [
        { item: 'pull', answer: isStarting ? 'starting' : 'running' },
        ...RESTS.flatMap(({ item }) => (said(item) === null ? [] : [{ item, answer: said(item) ?? '' }])),
      ],
    });
  const keep = (meaning: DragMeaning): void => {
    if ('pulls' in meaning.value && meaning.value.radius === null) return document.getElementById('cord-radius')?.focus();
    const raw = rawOf(meaning);
    const valued = dragValue(raw);
    if ('refusal' in valued || !turn.begins(text)) return;
    const value = valued.ok.reading.value;
    const words = torqueAsRead(value, unit);
    const changes = onBuild(shaft, facts, (buildId) => keepDrag(station, buildId, raw, value, words));
    void send(...changes).then(
      () => {
        if (useSettings.getState().tick) tick();
        clearDraft(draft, text);
        setTried(false);
        setRadius(null);
        setBefore(false);
        setStarting(false);
        const change = changes.at(-1);
        if (change?.kind === 'reading.keep') setKept({ id: change.reading.id, words });
        strip.current?.focus();
      },
      () => undefined,
    );
  };
  const keepTyped = (): void => {
    if (turn.mustWait(text)) return;
    setTried(true);
    if (understood.kind === 'understood') keep(understood);
  };
  const turn = useTurn(sending, text, keepTyped);
  const wantsRadius = understood.kind === 'understood' && 'pulls' in understood.value && understood.value.radius === null;
  const refusal = understood.kind === 'understood' && !wantsRadius ? refusalOf(rawOf(understood)) : null;
  const isAsked = tried && understood.kind === 'ask';
  return (
    <form
      aria-label={`Reading: ${station.name}`}
      onSubmit={(event) => {
        event.preventDefault();
        keepTyped();
      }}
    >
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <Heading>Reading</Heading>
        <Quiet onClick={() => setSetting((s) => !s)} aria-expanded={setting}>
          {wrenchWords(station.wrench)} ▸
        </Quiet>
      </div>
      {setting && <WrenchFields station={station} onDone={() => setSetting(false)} />}
      <div className="flex flex-wrap items-start gap-3">
        <input
          {...keys}
          ref={strip}
          id="entry"
          aria-label={`Reading of the ${station.name.toLowerCase()}`}
          aria-describedby="drag-says"
          aria-invalid={tried && understood.kind === 'refused' ? true : undefined}
          autoComplete="off"
          spellCheck={false}
          value={text}
          placeholder={bare === 'mm' ? 'like 1.4 N·m' : 'like 12 lb in'}
          onChange={(event) => {
            setText(event.target.value);
            setTried(false);
          }}
          className="num h-14 w-full max-w-[280px] min-w-0 border-2 border-blue bg-sheet px-3 text-[24px]"
        />
        <Primary type="submit" enter>
          Keep
        </Primary>
        <div id="drag-says" aria-live="polite" className="min-w-[240px] flex-1 self-center text-[17px] leading-6">
          <Says
            text={text}
            understood={understood}
            tried={tried}
            seal={said('seal') === 'seal in' ? station.seal : undefined}
            radius={known}
            refusal={refusal}
            unit={unit}
            bare={bare}
          />
        </div>
      </div>
      {isAsked && <Asked key={text} understood={understood} onChoose={keep} onLeave={() => strip.current?.focus()} />}
      {wantsRadius && (
        <CordRadius
          meaning={understood}
          before={drag.radius?.value ?? null}
          bare={bare}
          unit={unit}
          onRadius={(at, starting) => {
            setRadius(at);
            if (starting) setStarting(true);
            strip.current?.focus();
          }}
        />
      )}
      <div className="mt-1 flex flex-wrap items-center gap-2">
        <span className="text-ink2">It was</span>
        <Chip on={!isStarting} onClick={() => setStarting(false)}>
          turning steadily
        </Chip>
        <Chip on={isStarting} onClick={() => setStarting(true)}>
          just started
        </Chip>
        {RESTS.map(({ item, answers: choices }) => (
          <span key={item} className="flex gap-1">
            {choices.map((choice) => (
              <Chip
                key={choice}
                on={said(item) === choice}
                onClick={() => setAnswers((all) => ({ ...all, [item]: said(item) === choice ? null : choice }))}
              >
                {choice}
              </Chip>
            ))}
          </span>
        ))}
        <Chip on={isBefore} onClick={() => setBefore((b) => !b)}>
          before it is tightened
        </Chip>
      </div>
      {isStarting && (
        <p className="m-0 mt-1 text-[16px]">
          <Refusal>The pull that starts it is not what it runs at: it is kept, and not counted. Pull steadily while it turns.</Refusal>
        </p>
      )}
      {kept && (
        <p className="m-0 flex flex-wrap items-center gap-x-3 text-[16px]">
          <span>
            Kept: {kept.words}
            {drag.radius && drag.now.kept.at(-1)?.value?.pull ? `, on a radius of ${describeLength(drag.radius.value, unitOfSizes(bare))}` : ''}.
          </span>
          <Quiet
            onClick={() => {
              void send(withdraw('reading', kept.id, 'that was wrong')).catch(() => undefined);
              setKept(null);
            }}
          >
            That was wrong
          </Quiet>
        </p>
      )}
    </form>
  );
}

/** What a bare figure is on: the scale that was read last, or is set up; none where a cord was never said. */
function scaleOf(drag: DragState, text: string): string | null {
  if (/[a-z]/i.test(text.replace(/\b(?:at|on|round|to|and|a|the|drum|radius|mm|in|inch)\b/gi, ''))) return null;
  const last = drag.now.kept.at(-1)?.raw.understood ?? drag.ladder.findLast(({ readings }) => readings.length > 0)?.readings.at(-1)?.raw.understood;
  if (last?.how === 'torques' || last?.how === 'pulls') return last.unit;
  return drag.station.wrench?.unit ?? null;
}

const refusalOf = (raw: RawReading): string | null => {
  const valued = dragValue(raw);
  return 'refusal' in valued ? valued.refusal.message : null;
};

/** What it is read with, in a few words. */
function wrenchWords(wrench: Wrench | undefined): string {
  if (!wrench) return 'what it is read with';
  const base = wrench.unit.includes('·') ? 'N·m' : 'N';
  const division = describeQuantity(wrench.division, wrench.unit, 2);
  return `${wrench.name}, ${base === 'N' ? 'cord and balance, ' : ''}${division} apart`;
}

function Says({
  text,
  understood,
  tried,
  seal,
  radius,
  refusal,
  unit,
  bare,
}: {
  text: string;
  understood: UnderstoodQuantity<'drag'>;
  tried: boolean;
  seal: number | undefined;
  radius: Length | null;
  refusal: string | null;
  unit: TorqueUnit;
  bare: 'thou' | 'mm';
}): JSX.Element | null {
  if (text.trim() === '')
    return radius === null ? (
      <span className="text-ink2">a torque, or a pull on a cord</span>
    ) : (
      <span className="text-ink2">a pull is on a radius of {describeLength(radius, unitOfSizes(bare))}, as before</span>
    );
  if (understood.kind === 'refused') return tried ? <Refusal>{understood.message}</Refusal> : <span className="text-ink2">not understood yet</span>;
  if (understood.kind === 'ask')
    return <span className="text-ink2">{understood.meanings.map(({ said }) => said.split(' · ')[0]).join(', or ')}?</span>;
  if (refusal !== null) return <Refusal>{refusal}</Refusal>;
  if ('pulls' in understood.value && understood.value.radius === null)
    return <span className="font-medium">A mass has no radius. Where does the cord pull?</span>;
  return (
    <span className="num">
      {understood.said}
      {seal !== undefined && seal > 0 && <span className="text-ink2">, less {torqueWords(seal, unit)} for the seal</span>}
    </span>
  );
}

/** A pull by itself is no torque: on the same drum as before, on a bolt of the flange, or on a drum of another size. */
function CordRadius({
  meaning,
  before,
  bare,
  unit,
  onRadius,
}: {
  meaning: DragMeaning;
  before: Length | null;
  bare: 'thou' | 'mm';
  unit: TorqueUnit;
  onRadius: (radius: Length, isStarting: boolean) => void;
}): JSX.Element {
  const [on, setOn] = useState<'cord' | 'drum' | 'bolt'>('cord');
  const size = useEntry({ field: 'size', bare, quantity: 'drum' }, { onKeep: ({ value }) => take(value) });
  const cord = useEntry({ field: 'size', bare, quantity: 'spacer' });
  const half = (across: number): Length => nanometres((across + (cord.meaning?.value ?? 0)) / 2);
  const take = (value: Length): void => onRadius(on === 'drum' ? half(value) : value, on === 'bolt');
  const pulls = 'pulls' in meaning.value ? meaning.value.pulls : [];
  const comesTo = (at: Length): string => pulls.map((pull) => torqueWords(pull * at * 1e-9, unit)).join(', ');
  return (
    <div role="group" aria-label="Where the cord pulls" className="mt-2 flex flex-wrap items-start gap-3">
      {before !== null && (
        <Secondary className="min-h-14 border-2 border-blue text-left" onClick={() => onRadius(before, false)}>
          on the same drum, radius <span className="num">{describeLength(before, unitOfSizes(bare))}</span>
          <span className="num block font-semibold">{comesTo(before)}</span>
        </Secondary>
      )}
      <div className="min-w-[260px] flex-1">
        <div className="flex flex-wrap gap-2">
          <Chip on={on === 'cord'} onClick={() => setOn('cord')}>
            at a radius of
          </Chip>
          <Chip on={on === 'drum'} onClick={() => setOn('drum')}>
            on a drum, across
          </Chip>
          <Chip on={on === 'bolt'} onClick={() => setOn('bolt')}>
            a hook on a bolt, at
          </Chip>
        </div>
        <div className="flex flex-wrap items-start gap-2">
          <EntryField
            entry={size}
            id="cord-radius"
            label={on === 'drum' ? 'How far across the drum' : 'How far from the middle'}
            hideLabel
            placeholder={bare === 'mm' ? 'like 24 mm' : 'like 0.95 in'}
            className="w-44"
          />
          {on === 'drum' && (
            <EntryField
              entry={cord}
              id="cord-thick"
              asksAtOnce
              label="How thick the cord is"
              hideLabel
              placeholder="cord, or nothing"
              className="w-40"
            />
          )}
          <Secondary className="mt-1 min-h-14" onClick={() => size.keep()}>
            There
          </Secondary>
        </div>
        {size.meaning && (
          <p className="m-0 text-[16px]">
            {pulls.map((pull) => describeQuantity(pull, meaning.unit, 3)).join(', ')} ×{' '}
            {describeLength(on === 'drum' ? half(size.meaning.value) : size.meaning.value, unitOfSizes(bare))} ={' '}
            <span className="num font-semibold">{comesTo(on === 'drum' ? half(size.meaning.value) : size.meaning.value)}</span>
          </p>
        )}
        {on === 'bolt' && (
          <p className="m-0 text-[16px]">
            A hook swings as the bolt goes round: that tells the pull that starts it, and no more. Wind a cord on something round.
          </p>
        )}
      </div>
    </div>
  );
}
