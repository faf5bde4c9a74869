import type { OwnInstrument, Repeatability } from '@elder-cog/contract';
import { describeLength, formatLength, INSTRUMENTS, nanometres, smallUnit, unitWord, type Instrument, type InstrumentName } from '@elder-cog/core';
import { format } from 'date-fns';
import { useState, type JSX } from 'react';
import { Field, Heading, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { addInstrument, checkInstrument } from '../../state/buildActions.ts';

interface InstrumentsProps {
  readonly own: readonly OwnInstrument[];
  readonly learned: readonly Repeatability[];
}

const named = (name: string): string => name.trim().toLowerCase();

/** What is measured with: how well each repeats, by everything that was read with it, and every check of it. */
export function Instruments({ own, learned }: InstrumentsProps): JSX.Element {
  const [adding, setAdding] = useState(false);
  const strangers = learned.filter(({ name }) => !own.some(({ instrument }) => named(instrument.name) === named(name)));
  return (
    <section aria-label="Instruments" className="border-t-2 border-ink px-4 py-3">
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <Heading>Instruments</Heading>
        <Quiet onClick={() => setAdding((a) => !a)} aria-expanded={adding}>
          Add an instrument…
        </Quiet>
      </div>
      {adding && <Add own={own} onDone={() => setAdding(false)} />}
      {own.length === 0 && strangers.length === 0 && (
        <p className="m-0 max-w-prose text-ink2">
          None yet. Anything can be read without: until it has been read with often enough, each is taken to repeat as is usual for its kind.
        </p>
      )}
      <ul className="m-0 list-none p-0">
        {own.map((each) => (
          <Own key={each.id} own={each} learned={learned.filter(({ name }) => named(name) === named(each.instrument.name))} />
        ))}
        {strangers.map((each) => (
          <li key={each.name + each.method} className="border-t border-rule py-2">
            <span className="block text-[17px] font-medium">{each.name}</span>
            <Repeats of={each} />
          </li>
        ))}
      </ul>
    </section>
  );
}

const METHODS: Readonly<Record<string, string>> = {
  dial: 'pushed and prised',
  feelers: 'in the gap',
  depths: 'depth and height',
  spacer: 'over a known spacer',
  coverDown: 'cover down by hand',
  size: 'of a size',
};

/** "repeats to ±0.6 thou, pushed and prised, from 41 readings". */
function Repeats({ of: { s, readings, method } }: { of: Repeatability }): JSX.Element {
  const unit = 'um';
  return (
    <span className="block text-[16px]">
      repeats to ±<span className="num font-semibold">{formatLength(nanometres(2 * s), unit)}</span> {unitWord(unit)} (
      {describeLength(nanometres(2 * s), 'thou')}), {METHODS[method] ?? method}, from <span className="num">{readings}</span> readings
    </span>
  );
}

function Own({ own, learned }: { own: OwnInstrument; learned: readonly Repeatability[] }): JSX.Element {
  const [checking, setChecking] = useState(false);
  const last = own.checks.at(-1);
  const isOff = last !== undefined && Math.abs(last.off) > 2 * own.instrument.calibrationU;
  return (
    <li className="border-t border-rule py-2">
      <div className="flex flex-wrap items-center gap-x-4">
        <span className="min-w-0 flex-1">
          <span className="block text-[17px] font-medium">{own.instrument.name}</span>
          <span className="block text-[15px] text-ink2">{[own.instrument.kind, own.keptIn].filter((w) => w !== '').join(' · ')}</span>
        </span>
        <Quiet onClick={() => setChecking((c) => !c)} aria-expanded={checking} aria-label={`Check ${own.instrument.name}`}>
          Check it…
        </Quiet>
      </div>
      {learned.length === 0 ? (
        <span className="block text-[16px] text-ink2">taken to repeat as is usual for its kind: not read often enough yet</span>
      ) : (
        learned.map((each) => <Repeats key={each.method} of={each} />)
      )}
      {own.checks.toReversed().map((check) => (
        <span key={check.at} className="block text-[16px]">
          on {check.against}, {format(new Date(check.at), 'd MMM yyyy')}: <span className="num">{check.written}</span>
          {check.who !== '' && <span className="text-ink2">, {check.who}</span>}
        </span>
      ))}
      {isOff && <Refusal>It is off by more than it is said to be good to: set it, or say at the gap what it shows at nothing.</Refusal>}
      {checking && <Check own={own} onDone={() => setChecking(false)} />}
    </li>
  );
}

function Check({ own, onDone }: { own: OwnInstrument; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [against, setAgainst] = useState(own.checks.at(-1)?.against ?? '');
  const [tried, setTried] = useState(false);
  const bare = smallUnit(own.instrument.unit);
  const off = useEntry(
    { field: 'size', bare, quantity: 'fine' },
    {
      onKeep: ({ value, unit }, text) => {
        if (against.trim() === '') return;
        const sign = value > 0 ? '+' : '';
        const written =
          value === 0 ? 'right' : `${sign}${/[a-z"µ]/i.test(text) ? text.trim().replace(/^\+/, '') : `${text.trim().replace(/^\+/, '')} ${unit}`}`;
        void send(checkInstrument(own, against.trim(), value, written)).then(onDone, () => undefined);
      },
    },
  );
  return (
    <form
      aria-label={`Check of ${own.instrument.name}`}
      className="mt-1 flex flex-wrap items-start gap-3 border border-edge bg-sheet p-3"
      onSubmit={(event) => {
        setTried(true);
        off.keep(event);
      }}
    >
      <Field
        label="Against"
        id={`against-${own.id}`}
        value={against}
        maxLength={120}
        autoFocus
        onChange={(e) => setAgainst(e.target.value)}
        placeholder="like the 1 in standard"
        refusal={tried && against.trim() === '' ? 'Against what?' : null}
        className="w-64"
      />
      <EntryField
        entry={off}
        id={`off-${own.id}`}
        label="It showed more by"
        placeholder={bare === 'mm' ? 'like 0.002, or 0' : 'like 0.1, or 0'}
        className="w-52"
      />
      <Secondary type="submit" disabled={sending} className="mt-7 min-h-14">
        Keep the check
      </Secondary>
    </form>
  );
}

function Add({ own, onDone }: { own: readonly OwnInstrument[]; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [like, setLike] = useState<InstrumentName>('dialThou');
  const [name, setName] = useState<string | null>(null);
  const [keptIn, setKeptIn] = useState('');
  const typical: Instrument = INSTRUMENTS[like];
  const called = (name ?? typical.name).trim();
  const isTaken = own.some(({ instrument }) => named(instrument.name) === named(called));
  const refusal = called === '' ? 'What is it called?' : isTaken ? 'One is called that already: call this one otherwise.' : null;
  return (
    <form
      aria-label="New instrument"
      className="mb-2 flex flex-wrap items-start gap-3 border border-edge bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (refusal === null) void send(addInstrument({ ...typical, name: called }, keptIn.trim())).then(onDone, () => undefined);
      }}
    >
      <label htmlFor="instrument-like" className="block">
        <span className="label block text-[17px] font-semibold">What it is</span>
        <select
          id="instrument-like"
          value={like}
          onChange={(event) => setLike(event.target.value as InstrumentName)}
          className="mt-1 h-14 max-w-full border border-edge bg-sheet px-2 text-[16px]"
        >
          {Object.entries(INSTRUMENTS).map(([key, each]) => (
            <option key={key} value={key}>
              {each.name}
            </option>
          ))}
        </select>
      </label>
      <Field
        label="Called"
        value={name ?? typical.name}
        maxLength={120}
        onChange={(e) => setName(e.target.value)}
        refusal={name === null && isTaken ? 'One is called that already: give it a name of its own.' : refusal}
        className="w-64"
      />
      <Field label="Kept in" value={keptIn} maxLength={60} onChange={(e) => setKeptIn(e.target.value)} placeholder="or nothing" className="w-44" />
      <Secondary type="submit" disabled={sending || refusal !== null} className="mt-7 min-h-14">
        Add it
      </Secondary>
    </form>
  );
}
