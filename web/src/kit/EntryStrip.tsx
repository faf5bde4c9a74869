import {
  describeLength,
  formatLength,
  nanometres,
  standingApart,
  suspectHand,
  suspectSlip,
  tryEntry,
  type EntryRead,
  type Instrument,
  type Length,
} from '@elder-cog/core';
import { forwardRef, useState, type JSX, type ReactNode } from 'react';
import { Primary, Refusal, Secondary } from './controls.tsx';
import { Both } from './Num.tsx';
import { useTurn } from './turn.ts';

export interface Expected {
  readonly min: Length;
  readonly max: Length;
}

export interface EntryStripProps {
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly onKeep: (text: string, read: EntryRead) => void;
  readonly instrument: Instrument;
  /** what the value would be here, where the method is not a plain reading */
  readonly reckons?: (text: string) => Length | null;
  readonly expected?: Expected | null;
  readonly blocked?: string | null;
  readonly label?: string;
  readonly id?: string;
  readonly example: string;
  /** something is still being sent: an Enter now is remembered, and acted on when that is done */
  readonly busy?: boolean;
  /** something worth knowing of the entry, that is no reason not to keep it */
  readonly remark?: string | null;
  /** kept here and not yet by the server, which is away */
  readonly waiting?: boolean;
  /** the page has its own keypad: the tablet's keyboard stays away */
  readonly ownKeypad?: boolean;
}

/**
 * Where a reading is typed. Says back in both systems what it understood; a refusal or a query stands under it and the
 * entry stays to be mended. Enter keeps.
 */
export const EntryStrip = forwardRef<HTMLInputElement, EntryStripProps>(function EntryStrip(
  {
    value,
    onChange,
    onKeep,
    instrument,
    reckons,
    expected,
    blocked,
    label = 'Reading',
    id = 'entry',
    example,
    busy = false,
    remark = null,
    waiting = false,
    ownKeypad = false,
  },
  ref,
) {
  const [asked, setAsked] = useState<string | null>(null);
  const [tried, setTried] = useState(false);
  const understood = value.trim() === '' ? null : tryEntry(value, instrument);
  const read = understood && 'read' in understood ? understood.read : null;
  const shown = read ? (reckons?.(value) ?? read.reading.value) : null;
  const choices = (understood && 'read' in understood ? understood.read.choices : understood?.refusal.choices) ?? [];
  // looked for when it is kept, and not at every key
  const findSlips = (): Slip[] =>
    choices.length === 0 && read && shown !== null && read.reading.kind === 'estimate' && expected
      ? suspected(value, shown, instrument, expected)
      : [];

  const keep = (text: string = value): void => {
    if (turn.mustWait(text)) return;
    setTried(true);
    const now = tryEntry(text, instrument);
    if (!('read' in now) || blocked || now.read.choices) return;
    if (text === value && asked !== value && findSlips().length > 0) return setAsked(value);
    setAsked(null);
    setTried(false);
    if (turn.begins(text)) onKeep(text, now.read);
  };

  const turn = useTurn(busy, value, () => keep());

  const slips = asked === null ? [] : findSlips();

  const choose = (choice: string): void => {
    onChange(choice);
    if (tried) keep(choice);
  };

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
            setAsked(null);
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
          inputMode={ownKeypad ? 'none' : 'text'}
          aria-describedby={`${id}-says`}
          aria-invalid={tried && understood && 'refusal' in understood ? true : undefined}
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
        <Says understood={understood} shown={shown} read={read} tried={tried} blocked={tried ? (blocked ?? null) : null} instrument={instrument} />
        {remark !== null && <span className="block text-[16px] text-ink2">{remark}</span>}
        {choices.length > 0 && <Choices choices={choices} onChoose={choose} />}
        {asked !== null && slips[0] && (
          <Query
            slips={slips}
            value={value}
            expected={expected ?? null}
            unit={instrument.unit}
            onMeant={(text) => keep(text)}
            onKeep={() => keep(value)}
            entered={shown ?? (0 as Length)}
          />
        )}
      </div>
    </form>
  );
});

function Says({
  understood,
  shown,
  read,
  tried,
  blocked,
  instrument,
}: {
  understood: ReturnType<typeof tryEntry> | null;
  shown: Length | null;
  read: EntryRead | null;
  tried: boolean;
  blocked: string | null;
  instrument: Instrument;
}): ReactNode {
  if (blocked) return <Refusal>{blocked}</Refusal>;
  if (!understood) return tried ? <Refusal>Nothing was typed: read the dial, and type what it showed.</Refusal> : null;
  if ('refusal' in understood) return tried ? <Refusal>{understood.refusal.message}</Refusal> : <span className="text-ink2">not understood yet</span>;
  if (!read || shown === null) return null;
  const before =
    read.reading.kind === 'atLeast'
      ? 'at least '
      : read.reading.kind === 'atMost'
        ? 'at most '
        : read.values.length > 1
          ? `mean of ${read.values.length}: `
          : '';
  return (
    <>
      <span className="text-ink2">{before}</span>
      <Both value={shown} unit={read.unit} />
      {read.values.length > 1 && <Spread values={read.values} unit={read.unit} instrument={instrument} />}
      {read.reading.kind === 'atMost' && read.reading.value === 0 && (
        <span className="block text-[16px]">No movement: zero float, or any preload.</span>
      )}
      {read.notes.map((note) => (
        <span key={note} className="block text-[16px] text-ink2">
          {note}
        </span>
      ))}
    </>
  );
}

/** How far several readings lie apart, and one that stands off by itself: questioned, and kept with the rest. */
function Spread({ values, unit, instrument }: { values: readonly Length[]; unit: EntryRead['unit']; instrument: Instrument }): JSX.Element {
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

/** A likely slip, and the entry that would be without it. */
interface Slip {
  readonly why: string;
  readonly entry: string;
  readonly says: string;
}

/** Slips of unit and point, and of the hand of a dial, as the entries they would have been. */
function suspected(text: string, value: Length, instrument: Instrument, expected: Expected): Slip[] {
  const shown = instrument.unit === 'in' ? 'thou' : instrument.unit;
  return [
    ...suspectHand(text, value, instrument, expected).map(({ why, entry, meant }) => ({
      why,
      entry,
      says: `${entry}, ${describeLength(meant, shown)}`,
    })),
    ...suspectSlip(value, expected).map(({ why, meant }) => ({ why, entry: describeLength(meant, shown), says: describeLength(meant, shown) })),
  ];
}

/** What could mean two things: two buttons, and nothing chosen for anyone. */
function Choices({ choices, onChoose }: { choices: readonly string[]; onChoose: (choice: string) => void }): JSX.Element {
  return (
    <div role="alert" className="mt-2 border-2 border-blue bg-sheet p-3">
      <p className="m-0 mb-2 font-medium">That could mean two things. Which?</p>
      <div className="flex flex-wrap gap-2">
        {choices.map((choice) => (
          <Secondary key={choice} onClick={() => onChoose(choice)} className="num min-h-14">
            {choice}
          </Secondary>
        ))}
      </div>
    </div>
  );
}

/** One line, and the likely meanings as buttons; never a change by itself. */
function Query({
  slips,
  expected,
  unit,
  onMeant,
  onKeep,
  value,
  entered,
}: {
  slips: readonly Slip[];
  expected: Expected | null;
  unit: Instrument['unit'];
  onMeant: (text: string) => void;
  onKeep: () => void;
  value: string;
  entered: Length;
}): JSX.Element {
  const shown = unit === 'in' ? 'thou' : unit;
  return (
    <div role="alert" className="mt-2 border-2 border-tight bg-sheet p-3">
      <p className="m-0 mb-2 font-medium">
        That is {describeLength(entered, shown)}
        {expected && `; ${formatLength(expected.min, shown)} to ${formatLength(expected.max, shown)} expected`}.{' '}
        {slips[0] && `${slips[0].why.charAt(0).toUpperCase()}${slips[0].why.slice(1)}?`}
      </p>
      <div className="flex flex-wrap gap-2">
        {slips.slice(0, 2).map((slip) => (
          <Secondary key={slip.entry} onClick={() => onMeant(slip.entry)} className="num">
            {slip.says}
          </Secondary>
        ))}
        <Secondary onClick={onKeep}>keep {value}</Secondary>
      </div>
    </div>
  );
}
