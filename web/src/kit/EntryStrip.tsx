import {
  BOUND,
  describeLength,
  eitherOf,
  type EntryQuestion,
  type Instrument,
  type Length,
  type Meaning,
  nanometres,
  type ReadingEntry,
  standingApart,
  understand,
  type EntryValues,
  type Understood,
} from '@elder-cog/core';
import type { ReadingValue } from '@elder-cog/derive';
import { forwardRef, useState, type JSX, type ReactNode } from 'react';
import { Primary, Refusal } from './controls.tsx';
import { Asked } from './EntryField.tsx';
import { KEYED } from './Keypad.tsx';
import { Both } from './Num.tsx';
import { useNarrow } from './useMedia.ts';
import { useTurn } from './turn.ts';

export type ReadingMeaning = Meaning<ReadingEntry>;

export interface EntryStripProps {
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly onKeep: (text: string, meaning: ReadingMeaning) => void;
  readonly question: Omit<EntryQuestion<'reading'>, 'field'> & { readonly instrument: Instrument };
  /** what it comes to here, by the instrument and the method */
  readonly comesTo: (meaning: ReadingMeaning) => ReadingValue | null;
  readonly blocked?: string | null;
  /** it was to be kept, and something beside it must be said first */
  readonly onBlocked?: () => void;
  readonly label?: string;
  readonly id?: string;
  readonly example: string;
  /** something is still being sent: an Enter now is remembered, and acted on when that is done */
  readonly busy?: boolean;
  /** something worth knowing of the entry, that is no reason not to keep it */
  readonly remark?: string | null;
  /** kept here and not yet by the server, which is away */
  readonly waiting?: boolean;
}

/**
 * Where a reading is typed. Says back in both systems what it understood; asks, with its meanings as buttons, or refuses, and the entry
 * stays to be mended. Enter keeps.
 */
export const EntryStrip = forwardRef<HTMLInputElement, EntryStripProps>(function EntryStrip(
  {
    value,
    onChange,
    onKeep,
    question,
    comesTo,
    blocked = null,
    onBlocked,
    label = 'Reading',
    id = 'entry',
    example,
    busy = false,
    remark = null,
    waiting = false,
  },
  ref,
) {
  const narrow = useNarrow();
  const [tried, setTried] = useState(false);
  const understood = understand(value, { field: 'reading', ...question });
  const isNothing = value.trim() === '';

  const commit = (meaning: ReadingMeaning): void => {
    if (blocked !== null) return;
    setTried(false);
    if (turn.begins(value)) onKeep(value, meaning);
  };
  const keep = (): void => {
    if (turn.mustWait(value)) return;
    setTried(true);
    if (blocked !== null) onBlocked?.();
    if (understood.kind === 'understood') commit(understood);
  };
  const turn = useTurn(busy, value, keep);
  const isAsked = tried && blocked === null && understood.kind === 'ask';

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <label htmlFor={id} className="sr-only">
        {label}
      </label>
      <div className="flex gap-3">
        <input
          ref={ref}
          id={id}
          value={value}
          onChange={(event) => {
            setTried(false);
            onChange(event.target.value);
          }}
          onKeyDown={(event) => {
            if (event.key !== 'Escape') return;
            if (value === '') event.currentTarget.blur();
            else onChange('');
          }}
          readOnly={waiting}
          placeholder={`like ${example}`}
          autoComplete="off"
          spellCheck={false}
          inputMode={narrow ? 'none' : 'text'}
          {...KEYED}
          aria-describedby={`${id}-says`}
          aria-invalid={tried && understood.kind === 'refused' ? true : undefined}
          className="num h-[60px] min-w-0 flex-1 border-2 border-blue bg-sheet px-4 text-[28px] placeholder:text-[18px]"
        />
        <Primary type="submit" enter className="shrink-0">
          Keep
        </Primary>
      </div>
      <div id={`${id}-says`} aria-live="polite" className="mt-2 min-h-7">
        {waiting && (
          <span role="alert" className="block font-medium">
            Not saved yet: the server is away. It is sent when the server answers.
          </span>
        )}
        {tried && blocked !== null && <Refusal>{blocked}</Refusal>}
        {isNothing && tried && blocked === null && <Refusal>Nothing was typed: read the instrument, and type what it showed.</Refusal>}
        {!isNothing && !isAsked && !(tried && blocked !== null) && (
          <Says understood={understood} comesTo={comesTo} tried={tried} instrument={question.instrument} />
        )}
        {remark !== null && <span className="block text-[16px] text-ink2">{remark}</span>}
        {isAsked && <Asked key={value} understood={understood} onChoose={commit} onLeave={() => document.getElementById(id)?.focus()} />}
      </div>
    </form>
  );
});

function Says({
  understood,
  comesTo,
  tried,
  instrument,
}: {
  understood: Understood<EntryValues['reading']>;
  comesTo: EntryStripProps['comesTo'];
  tried: boolean;
  instrument: Instrument;
}): ReactNode {
  if (understood.kind === 'refused') return tried ? <Refusal>{understood.message}</Refusal> : <span className="text-ink2">not understood yet</span>;
  if (understood.kind === 'ask') return <span className="text-ink2">{eitherOf(understood.meanings)}?</span>;
  const here = comesTo(understood);
  if (here === null) return understood.said;
  const { reading, values, notes } = here;
  const before = reading.kind === 'estimate' && values.length > 1 ? `mean of ${values.length}: ` : BOUND[reading.kind];
  return (
    <>
      <span className="text-ink2">{before}</span>
      <Both value={reading.value} unit={understood.unit} />
      {values.length > 1 && <Spread values={values} unit={understood.unit} instrument={instrument} />}
      {reading.kind === 'atMost' && reading.value === 0 && <span className="block text-[16px]">No movement: zero float, or any preload.</span>}
      {notes.map((note) => (
        <span key={note} className="block text-[16px] text-ink2">
          {note}
        </span>
      ))}
    </>
  );
}

/** How far several readings lie apart, and one that stands off by itself: questioned, and kept with the rest. */
function Spread({ values, unit, instrument }: { values: readonly Length[]; unit: ReadingMeaning['unit']; instrument: Instrument }): JSX.Element {
  const range = nanometres(Math.max(...values) - Math.min(...values));
  const apart = standingApart(values, instrument).map((i) => describeLength(values[i] ?? range, unit === 'um' ? 'mm' : unit));
  return (
    <>
      <span className="block text-[16px]">
        <span className="text-ink2">range </span>
        <span className="num">{describeLength(range, unit === 'um' ? 'mm' : unit)}</span>
      </span>
      {apart.length > 0 && (
        <span className="block text-[16px] font-medium">{apart.join(', ')} stands apart from the rest: read it again. It is kept and counted.</span>
      )}
    </>
  );
}
