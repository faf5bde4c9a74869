import { describeLength, formatLength, INSTRUMENTS, nanometres, smallUnit, type Instrument, type Length, type Removing } from '@elder-cog/core';
import { asInstrument, readingComesTo, type MakingState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Caution, Heading, Quiet, Refusal } from '../../kit/controls.tsx';
import { EntryStrip, type ReadingMeaning } from '../../kit/EntryStrip.tsx';
import { TakeBack } from '../../kit/TakeBack.tsx';
import { useCommand } from '../../state/api.ts';
import { clearDraft, useDraft } from '../../state/drafts.ts';
import { sizeRead } from '../../state/gapActions.ts';
import { useOwnInstruments } from '../../state/instruments.ts';
import { keepPass } from '../../state/makingActions.ts';
import { useSettings } from '../../state/settings.ts';

/** What a pass of each is counted in, and what is said beside it. */
const EFFORT: Readonly<Record<Removing, { readonly one: string; readonly many: string; readonly does: string; readonly caution: string }>> = {
  lap: {
    one: 'stroke',
    many: 'strokes',
    does: 'Lap on glass; turn it a third every ten strokes. Wash it, and let it cool, before you read.',
    caution: 'Loose abrasive beds itself in bronze and brass: scrub both faces with paraffin after, or use stones there.',
  },
  hone: {
    one: 'stroke',
    many: 'strokes',
    does: 'Hone with stones and oil; reverse it half-way. Wash it, and let it cool, before you read.',
    caution: 'No loose abrasive in bronze: it beds itself in and laps the shaft for ever. Stones, or a reamer.',
  },
  face: {
    one: 'µm dialled in',
    many: 'µm dialled in',
    does: 'Face it with a sharp tool; take the burr off before you read.',
    caution: 'Magnesium swarf burns: no pile of it, no blunt tool, never water on it.',
  },
  turn: {
    one: 'µm dialled in',
    many: 'µm dialled in',
    does: 'Turn it with a sharp tool; take the burr off before you read.',
    caution: 'Magnesium swarf burns: no pile of it, no blunt tool, never water on it.',
  },
};
const PLACES = 'three places, a third of a turn apart, clear of the holes';

/** The plan of taking it off to size, its passes so far, and where the next is read. */
export function TakingOff({ made }: { made: MakingState }): JSX.Element {
  const { making, passes, plan, from } = made;
  const unit = useSettings((s) => s.unit);
  const { process } = making;
  const words = EFFORT[process];
  const isOpen = making.state === 'open';
  return (
    <section aria-label="Taking off" className="border-t border-rule px-4 py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <Heading>{process === 'lap' ? 'Lapping' : process === 'hone' ? 'Honing' : process === 'face' ? 'Facing' : 'Turning'}</Heading>
      </div>
      {made.opens.length > 0 && passes.length <= 1 && isOpen && (
        <p className="m-0 mt-1 font-medium">Before the first pass: it moves {made.opens.join(', ')} too. Each is stale once it is in.</p>
      )}
      {passes.length > 0 && (
        <table className="mt-1 w-full border-collapse">
          <thead>
            <tr className="label text-[15px] text-ink2">
              <th scope="col" className="text-left font-medium">
                pass
              </th>
              <th scope="col" className="px-2 text-right font-medium whitespace-nowrap">
                {words.many}
              </th>
              <th scope="col" className="px-2 text-left font-medium">
                read
              </th>
              <th scope="col" className="text-right font-medium whitespace-nowrap">
                to go
              </th>
            </tr>
          </thead>
          <tbody>
            {[...passes.entries()].toReversed().map(([i, { pass, read, toGo }]) => (
              <tr key={pass.id} className="border-t border-rule">
                <th scope="row" className="num py-1 text-left align-top text-[17px] font-semibold whitespace-nowrap">
                  {pass.effort === 0 ? (
                    <span className="font-text font-normal">{i === 0 ? 'as cut' : 'again'}</span>
                  ) : (
                    passes.slice(0, i + 1).filter((p) => p.pass.effort > 0).length
                  )}
                </th>
                <td className="num px-2 text-right align-top text-[17px]">{pass.effort === 0 ? '' : pass.effort}</td>
                <td className="num px-2 text-[17px]">
                  {read ? pass.readings.map((each) => formatLength(each, unit)).join(' ') : <span className="font-text text-ink2">not read yet</span>}
                  {read && read.range > 0 && (
                    <span className="ml-2 text-[15px] whitespace-nowrap text-ink2">range {formatLength(read.range, unit)}</span>
                  )}
                  {isOpen && i === passes.length - 1 && (
                    <span className="no-print block font-text">
                      <TakeBack ofKind="pass" id={pass.id} what={pass.effort === 0 ? `as cut, ${pass.written}` : `the pass of ${pass.effort}`} />
                    </span>
                  )}
                </td>
                <td className="num text-right align-top text-[20px] font-semibold whitespace-nowrap">
                  {toGo === null ? '' : formatLength(toGo, unit)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {isOpen && (
        <>
          {plan?.state !== 'done' && plan?.state !== 'past' && (
            <p className="m-0 mt-1 text-[16px] text-ink2">
              {words.does} At {PLACES}.
            </p>
          )}
          {from && plan?.state === 'go' && (process !== 'lap' || /bronze|brass|gunmetal/i.test(making.material)) && (
            <Caution>{words.caution}</Caution>
          )}
          <ReadPass key={`${making.id} ${passes.length}`} made={made} />
        </>
      )}
    </section>
  );
}

/** What to do next, and the arithmetic of it. */
function PlanWords({ made: { plan, making, from, now } }: { made: MakingState }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  if (!making.window) return <p className="m-0 mt-2">Nothing is aimed at: it is made to its sizes, and what it measures is what it is.</p>;
  if (!from || !plan) return <p className="m-0 mt-2 text-[18px]">Read it as it is cut, before anything comes off.</p>;
  const { one, many } = EFFORT[making.process];
  if (plan.state === 'past')
    return (
      <p className="m-0 mt-2">
        <Refusal>
          It is past the far side of what lands{now ? `, at ${describeLength(now.value, unit)}` : ''}: nothing puts it back. Make another from thicker
          stock, or put it with a leaf.
        </Refusal>
      </p>
    );
  if (plan.state === 'measure') return <p className="m-0 mt-2 text-[18px] font-semibold">Measure now: the last pass has not been read.</p>;
  if (plan.state === 'done') return <p className="m-0 mt-2 text-[18px] font-semibold text-good">It is to size, surely. Nothing more comes off.</p>;
  const effort = plan.next?.effort ?? 0;
  return (
    <div>
      <p className="m-0 text-[18px]">
        Next pass: <strong className="num font-semibold">{effort}</strong> {effort === 1 ? one : many}, then measure.
      </p>
      <p className="num m-0 text-[16px] text-ink2">
        {plan.rate === null
          ? 'nobody knows yet what one takes: ten, and see'
          : `${formatLength(plan.toGo, unit)} to go; one takes about ${formatLength(nanometres(plan.rate), 'um', 2)} µm`}
      </p>
    </div>
  );
}

/** Where a pass is read: how much was done, then what it measures. */
function ReadPass({ made }: { made: MakingState }): JSX.Element {
  const { making, plan, from, now, passes } = made;
  const bare = made.unit;
  const { send, sending } = useCommand();
  const own = useOwnInstruments();
  const draft = `pass ${making.id}`;
  const [text, setText] = useDraft(draft);
  const lastWith = passes.findLast(({ pass }) => pass.instrument !== null)?.pass.instrument ?? null;
  const last = lastWith && asInstrument(lastWith);
  const usual: Instrument = bare === 'mm' ? INSTRUMENTS.micMm : INSTRUMENTS.micInch;
  const [name, setName] = useState(last?.name ?? usual.name);
  const [isNothing, setNothing] = useState(false);
  const isMeasured = plan?.state === 'measure';
  const isFirst = from === null;
  const [effort, setEffort] = useState(isFirst || isMeasured || !plan?.next ? '0' : String(plan.next.effort));
  const offered = [...own, ...Object.values<Instrument>(INSTRUMENTS)].filter(({ kind }) =>
    making.process === 'hone' ? kind === 'bore gauge' || kind === 'caliper' : kind === 'micrometer' || kind === 'caliper',
  );
  const instrument = offered.find((each) => each.name === name) ?? last ?? usual;
  const number = /^\d{1,6}(\.\d)?$/.test(effort.trim()) ? Number(effort) : null;
  const around = now?.value ?? making.blank?.size ?? making.window?.ideal;
  const question = {
    bare: smallUnit(instrument.unit),
    quantity: around !== undefined && around > 6_000_000 ? ('distancePiece' as const) : ('leaf' as const),
    instrument,
    ...(around === undefined ? {} : { expected: { min: nanometres(around * 0.75), max: nanometres(around * 1.25) } }),
  };
  const comesTo = (meaning: ReadingMeaning): ReturnType<typeof readingComesTo> => readingComesTo(sizeRead({ text: '', meaning, instrument }));
  const keep = async (entry: string, meaning: ReadingMeaning | null): Promise<void> => {
    if (number === null) return;
    const values = meaning && meaning.value.how === 'sizes' ? meaning.value.values : [];
    setNothing(values.some((each) => each <= 0));
    if (values.some((each) => each <= 0)) return;
    await send(keepPass(making.id, { effort: number, readings: values, written: entry.slice(0, 120), instrument: meaning ? instrument : null })).then(
      () => clearDraft(draft, entry),
      () => undefined,
    );
  };
  const { many } = EFFORT[making.process];
  return (
    <div className="no-print sticky bottom-[var(--keypad)] z-[5] -mx-4 mt-3 border-t-2 border-ink bg-paper px-4 py-2 max-sm:bottom-[calc(60px+var(--keypad))]">
      <PlanWords made={made} />
      <div className="mt-1 flex flex-wrap items-center gap-x-3 gap-y-1">
        <label className="flex items-center gap-2 text-[16px]">
          {many} done
          <input
            value={effort}
            onChange={(event) => setEffort(event.target.value)}
            inputMode="decimal"
            aria-invalid={number === null ? true : undefined}
            className="num h-12 w-20 border border-edge bg-sheet px-2 text-[20px]"
          />
        </label>
        <label className="flex min-w-0 items-center gap-2 text-[16px]">
          <span className="sr-only">Read with</span>
          <select
            value={instrument.name}
            onChange={(event) => setName(event.target.value)}
            className="h-12 min-w-0 border border-edge bg-sheet px-1 text-[16px]"
          >
            {offered.map((each) => (
              <option key={each.name}>{each.name}</option>
            ))}
          </select>
        </label>
        {!isFirst && !isMeasured && number !== null && number > 0 && (
          <Quiet disabled={sending} onClick={() => void keep('', null)}>
            read later
          </Quiet>
        )}
      </div>
      {number === null && <Refusal>So many {many}: a number.</Refusal>}
      {isNothing && <Refusal>What is left is more than nothing: check it.</Refusal>}
      <EntryStrip
        value={text}
        onChange={setText}
        onKeep={(entry, meaning) => void keep(entry, meaning)}
        question={question}
        comesTo={comesTo}
        blocked={number === null ? `So many ${many}: a number.` : null}
        label={isFirst ? 'As it is cut' : 'What it measures'}
        example={exampleFor(around, question.bare)}
        busy={sending}
      />
    </div>
  );
}

/** Like what it may measure, and not it. */
const exampleFor = (around: Length | undefined, bare: 'thou' | 'mm'): string => {
  const like = around === undefined ? 400_000 : around;
  const one = formatLength(nanometres(Math.round(like * 1.31)), bare);
  return `${one} ${one} ${one}`;
};
