import type { Tightening } from '@elder-cog/contract';
import { FEELS, feelsByBuild, stillIn, tightenedWords, type BuildNow, type ShaftState, type SlotState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { useKeys } from '../../app/keyboard.ts';
import { Chip, Field, Heading, Quiet, Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { countIn, countOut, sayFeel, tighten } from '../../state/buildActions.ts';
import { withdraw } from '../../state/gapActions.ts';
import { isNut } from '../../state/jointActions.ts';
import { useJob } from '../../state/job.ts';
import { torqueIn } from './torqueIn.ts';

/** Of the build that stands: how it feels, what was tightened and how far, and what is in it for the time being. */
export function BuildState({ shaft, build }: { shaft: ShaftState; build: BuildNow }): JSX.Element {
  const fastenings = shaft.slots.filter(({ slot }) => slot.kind === 'fastening');
  return (
    <div className="no-print border-t border-rule px-4 py-2">
      <Feel build={build} />
      {fastenings.map((fastening) => (
        <Tightened key={fastening.slot.id} shaft={shaft} fastening={fastening} />
      ))}
      <ForTheTimeBeing shaft={shaft} build={build} />
    </div>
  );
}

/** One key, one tap or a few words: how it feels by hand as it is built now. */
function Feel({ build }: { build: BuildNow }): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const [words, setWords] = useState<string | null>(null);
  const said = feelsByBuild(facts).get(build.build.id) ?? [];
  const toggle = (word: string): void => {
    const before = said.find((each) => each.word === word);
    void send(before ? withdraw('feel', before.id, '') : sayFeel(build.build.id, word)).catch(() => undefined);
  };
  useKeys(Object.fromEntries(FEELS.map((word, i) => [String(i + 1), () => toggle(word)])));
  const others = said.filter(({ word }) => !(FEELS as readonly string[]).includes(word));
  return (
    <div role="group" aria-label="How it feels" className="flex flex-wrap items-center gap-2 py-1">
      <Heading className="w-[92px]">Feel</Heading>
      {FEELS.map((word, i) => (
        <Chip key={word} on={said.some((each) => each.word === word)} disabled={sending} onClick={() => toggle(word)}>
          <span className="num text-[14px] opacity-70" aria-hidden="true">
            {i + 1}{' '}
          </span>
          {word}
        </Chip>
      ))}
      {others.map(({ id, word }) => (
        <Chip key={id} on disabled={sending} onClick={() => toggle(word)} aria-label={`${word}: take it back`}>
          {word}
        </Chip>
      ))}
      {words === null ? (
        <Quiet onClick={() => setWords('')}>in words…</Quiet>
      ) : (
        <form
          className="flex flex-wrap items-start gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            if (words.trim() === '') return setWords(null);
            send(sayFeel(build.build.id, words.trim())).then(
              () => setWords(null),
              () => undefined,
            );
          }}
        >
          <Field
            label="How it feels, in words"
            hideLabel
            value={words}
            maxLength={80}
            autoFocus
            onChange={(e) => setWords(e.target.value)}
            placeholder="like tight once a turn"
            className="w-64"
          />
          <Secondary type="submit" disabled={sending} className="mt-1 min-h-14">
            Keep
          </Secondary>
        </form>
      )}
    </div>
  );
}

/** What was tightened of one nut or set of bolts, line by line; and one more. */
function Tightened({ shaft, fastening }: { shaft: ShaftState; fastening: SlotState }): JSX.Element {
  const [open, setOpen] = useState(false);
  const { slot, fitting } = fastening;
  const lines = fitting.tightened ?? [];
  return (
    <div role="group" aria-label={`Tightened: ${slot.name}`} className="border-t border-rule py-1">
      <div className="flex flex-wrap items-center gap-x-3">
        <span className="label w-[92px] text-[18px] leading-5 font-semibold">{slot.name}</span>
        <span className="min-w-0 flex-1 text-[17px]">
          {lines.length > 0 ? tightenedWords({ tightened: [...lines] }).join('; ') : (fitting.state ?? 'nobody has said')}
        </span>
        <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open} aria-label={`How far, ${slot.name.toLowerCase()}`}>
          How far…
        </Quiet>
      </div>
      {open && <TightenForm shaft={shaft} fastening={fastening} onDone={() => setOpen(false)} />}
    </div>
  );
}

function degreesIn(text: string): number | null | string {
  if (text.trim() === '') return null;
  const value = Number(text.replace(',', '.').replace(/[°º]|deg(?:rees)?/i, ''));
  return Number.isFinite(value) && value > 0 && value <= 3600 ? value : 'Degrees further, like 90.';
}

function TightenForm({ shaft, fastening, onDone }: { shaft: ShaftState; fastening: SlotState; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const last = fastening.fitting.tightened?.at(-1);
  const isANut = isNut(fastening.slot.name);
  const [bolts, setBolts] = useState(last?.bolts ?? (isANut ? 'the nut' : 'all'));
  const [far, setFar] = useState('');
  const [further, setFurther] = useState('');
  const [isSlave, setSlave] = useState(last?.isSlave ?? false);
  // they are torqued, and nobody said how far: this may be how far they are, or one stage more
  const isOpen = fastening.fitting.state === 'torqued' && !last;
  const [isAsItWas, setAsItWas] = useState(isOpen);
  const [tried, setTried] = useState(false);
  const torque = torqueIn(far);
  const degrees = degreesIn(further);
  const isNothing = torque === null && degrees === null;
  const keep = (): void => {
    setTried(true);
    if (typeof torque === 'string' || typeof degrees === 'string' || isNothing || bolts.trim() === '') return;
    const line: Tightening = { bolts: bolts.trim(), torque, written: far.trim(), degrees, isSlave };
    void send(tighten(shaft, fastening.slot.id, line, isOpen && isAsItWas)).then(onDone, () => undefined);
  };
  return (
    <form
      className="border border-edge bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)] gap-3 max-sm:grid-cols-1">
        <Field
          label="Which"
          value={bolts}
          maxLength={120}
          onChange={(e) => setBolts(e.target.value)}
          refusal={bolts.trim() === '' ? 'Which of them?' : null}
        />
        <Field
          label="How far"
          value={far}
          autoFocus
          onChange={(e) => setFar(e.target.value)}
          placeholder="like 34 N·m"
          refusal={tried && typeof torque === 'string' ? torque : tried && isNothing ? 'How far: a torque with its unit, or degrees.' : null}
          says={typeof torque === 'number' ? `${torque.toFixed(1)} N·m` : ''}
        />
        <Field
          label="And degrees on"
          value={further}
          onChange={(e) => setFurther(e.target.value)}
          placeholder="or nothing"
          refusal={tried && typeof degrees === 'string' ? degrees : null}
        />
      </div>
      <div role="group" aria-label="Do they stay" className="mb-2 flex flex-wrap gap-2">
        <Chip on={!isSlave} onClick={() => setSlave(false)}>
          they stay
        </Chip>
        <Chip on={isSlave} onClick={() => setSlave(true)}>
          {isANut ? 'old nut, comes off again' : 'slave, come out again'}
        </Chip>
      </div>
      {isOpen && (
        <div role="group" aria-label="Now, or already" className="mb-2 flex flex-wrap gap-2">
          <Chip on={isAsItWas} onClick={() => setAsItWas(true)}>
            so far they were already
          </Chip>
          <Chip on={!isAsItWas} onClick={() => setAsItWas(false)}>
            further, now
          </Chip>
        </div>
      )}
      <Secondary type="submit" disabled={sending} className="min-h-14">
        Tightened so
      </Secondary>
      <p className="m-0 mt-1 text-[15px] leading-5 text-ink2">
        A build of its own: what was read before it is stale, or carried over where it is known how far it closes. A torque that no manual confirms is
        where to begin, and no more.
      </p>
    </form>
  );
}

/** Rags, ties, a dummy shaft: counted in, and counted out again before it is built for good. */
function ForTheTimeBeing({ shaft, build }: { shaft: ShaftState; build: BuildNow }): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const [adding, setAdding] = useState(false);
  const [what, setWhat] = useState('');
  const [count, setCount] = useState('1');
  const [tried, setTried] = useState(false);
  const inNow = stillIn(facts, shaft.assembly.id);
  const many = /^\d{1,2}$/.test(count.trim()) && Number(count) > 0 ? Number(count) : null;
  const keep = (): void => {
    setTried(true);
    if (what.trim() === '' || many === null) return;
    send(countIn(shaft.assembly.id, build.build.id, what.trim(), many)).then(
      () => {
        setAdding(false);
        setWhat('');
        setCount('1');
        setTried(false);
      },
      () => undefined,
    );
  };
  return (
    <div role="group" aria-label="In for the time being" className="border-t border-rule py-1">
      <div className="flex flex-wrap items-center gap-x-3">
        <span className="label text-[18px] font-semibold">In for the time being</span>
        {inNow.length === 0 && <span className="text-ink2">nothing counted in</span>}
        <Quiet onClick={() => setAdding((a) => !a)} aria-expanded={adding} className="ml-auto">
          Count something in…
        </Quiet>
      </div>
      <ul className="m-0 list-none p-0">
        {inNow.map((each) => (
          <li key={each.row.id} className="flex flex-wrap items-center gap-x-3">
            <span className="min-w-0 flex-1">
              {each.row.what}, <span className="num">{each.left}</span> in
            </span>
            {each.left > 1 && (
              <Secondary
                disabled={sending}
                onClick={() => void send(countOut(each, build.build.id, 1)).catch(() => undefined)}
                aria-label={`One out: ${each.row.what}`}
              >
                One out
              </Secondary>
            )}
            <Secondary
              disabled={sending}
              onClick={() => void send(countOut(each, build.build.id)).catch(() => undefined)}
              aria-label={`${each.left > 1 ? 'All out' : 'Out'}: ${each.row.what}`}
            >
              {each.left > 1 ? `All ${each.left} out` : 'Out'}
            </Secondary>
          </li>
        ))}
      </ul>
      {adding && (
        <form
          className="flex flex-wrap items-start gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            keep();
          }}
        >
          <Field
            label="What goes in"
            value={what}
            autoFocus
            maxLength={120}
            onChange={(e) => setWhat(e.target.value)}
            placeholder="like rag in the case"
            refusal={tried && what.trim() === '' ? 'What is it?' : null}
            className="w-72"
          />
          <Field
            label="How many"
            value={count}
            inputMode="numeric"
            onChange={(e) => setCount(e.target.value)}
            refusal={many === null ? '1 to 99.' : null}
            className="w-28"
          />
          <Secondary type="submit" disabled={sending} className="mt-7 min-h-14">
            Count it in
          </Secondary>
        </form>
      )}
    </div>
  );
}
