import { countedIn, type FitLeaf } from '@elder-cog/contract';
import { formatLength, nanometres, nearestOf, unitOfSizes, unitWord, type Length, type LengthUnit, type PackWindow } from '@elder-cog/core';
import {
  availableFor,
  forSlot,
  type ForSlot,
  type Slot,
  packWords,
  slotStateOf,
  type GapState,
  type PackChoice,
  type PackChoices,
  type ShaftState,
  type Tried,
} from '@elder-cog/derive';
import { useEffect, useRef, useState, type JSX, type ReactNode } from 'react';
import { Link } from 'react-router';
import { Heading, Primary, Quiet, Refusal } from '../../kit/controls.tsx';
import { Mark } from '../../kit/Mark.tsx';
import { LeafStrip, Pack } from '../../kit/Pack.tsx';
import { SumView } from '../../kit/SumView.tsx';
import { useCommand } from '../../state/api.ts';
import { fitPack } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { OtherPack } from './OtherPack.tsx';
import { SlotWants } from './SlotWants.tsx';
import { bareUnit, rangeWords } from '../../state/understood.ts';
import { usePackChoices } from '../../workers/packs.ts';

/** A place that sets where a gear stands is set for that alone. */
const NOT_FOR_GAPS = 'What could be changed here sets where a gear stands: nothing is offered for this gap.';
const SENSE_WORDS = {
  gap: { [1]: 'thicker = more float', [-1]: 'thicker = less float' },
  depth: { [1]: 'thicker = deeper', [-1]: 'thicker = less deep' },
} as const;
const NOTHING: ForSlot = { fits: [], toMeasure: [] };

interface PackShelfProps {
  readonly shaft: ShaftState;
  readonly gap: GapState;
  /** the reading just kept: as soon as it is reckoned with, the best pack takes the focus */
  readonly wantsFocus: string | null;
  readonly onFocused: () => void;
  readonly onFitted: () => void;
  /** where there is a drawing to show it in */
  readonly onTry?: (tried: readonly Tried[] | null) => void;
  readonly would?: ReactNode;
  /** what is in its place moves other gaps too, and sets for all of them are shown */
  readonly isCoupled?: boolean;
}

/** The packs for the gap in hand: what is in, what is wanted, the best on hand, the others, and the shim to make. */
export function PackShelf({ shaft, gap, wantsFocus, onFocused, onFitted, onTry, would, isCoupled = false }: PackShelfProps): JSX.Element {
  const { lots, fitted, facts } = useJob();
  const makeAt = `/jobs/${facts.job.id}/make?shaft=${shaft.shaft.id}&for=${gap.station.id}`;
  const { send, sending } = useCommand();
  const unit = useSettings((s) => s.unit);
  const [chosen, setChosen] = useState(0);
  const [sumShown, setSumShown] = useState(false);
  const [other, setOther] = useState(false);
  const fitButton = useRef<HTMLButtonElement>(null);
  const pack = gap.pack;
  const isDepth = gap.station.subject === 'depth';
  const gapUnit = isDepth ? unitOfSizes(unit) : unit;
  const window = pack?.window ?? null;
  const slot = slotStateOf(shaft, gap);
  const { fits: available, toMeasure } = slot ? forSlot(slot, availableFor(slot.slot.id, lots, fitted)) : NOTHING;
  const reading = gap.now.reading;
  const { needsPack } = gap;
  const { data: choices } = usePackChoices(
    window && reading && pack?.known && window.reachable
      ? { window, available, fitted: pack.fitted, reading: reading.value, sense: pack.sense, ...(slot?.slot.isOne ? { most: 1 } : {}) }
      : null,
  );
  useEffect(() => setChosen(0), [choices]);
  const isReckoned = wantsFocus !== null && gap.now.kept.some((each) => each.id === wantsFocus);
  const settled = settledWords(gap) ?? (isCoupled ? 'It moves other gaps too: take a set, or choose another pack.' : null);
  const best = settled === null ? choices?.choices[chosen] : undefined;

  useEffect(() => {
    if (!isReckoned || (needsPack && !choices)) return;
    onFocused();
    if (needsPack) fitButton.current?.focus();
  }, [isReckoned, choices, needsPack, onFocused]);

  if (!pack || !slot) return <p className="m-0 px-4 py-3 text-ink2">{shaft.slots.some((s) => s.slot.kind === 'adjuster') ? NOT_FOR_GAPS : ''}</p>;
  const fit = async (leaves: readonly FitLeaf[]): Promise<void> => {
    try {
      await send(fitPack(shaft, slot.slot.id, leaves));
      setOther(false);
      onFitted();
    } catch {
      // the title block says why
    }
  };
  const tryIt = (leaves: readonly FitLeaf[] | null): void => onTry?.(leaves && [{ slotId: slot.slot.id, leaves }]);
  // a sentence takes the width there is, and never a column of it
  const said = pack.refusal?.message ?? (window && !window.reachable ? (window.because ?? null) : null);
  const senseWords = pack.sense === 0 ? 'does not touch this gap' : SENSE_WORDS[isDepth ? 'depth' : 'gap'][pack.sense];
  const proof = pack.proved ? (pack.proved.contradiction ? '' : `, proved in build ${pack.proved.build}`) : '';

  return (
    <section aria-label="Packs" className="@container px-4 py-3">
      <div className="flex flex-wrap items-center gap-x-4">
        <Heading>{slot.slot.name}</Heading>
        <span className="text-ink2">
          {senseWords}
          {proof}
        </span>
        <span className="no-print ml-auto" />
        <SlotWants key={slot.slot.id} slot={slot.slot} bare={bareUnit(gap)} toMeasure={toMeasure} />
        <Quiet onClick={() => setOther((o) => !o)} aria-expanded={other} className="no-print -my-2">
          Another pack…
        </Quiet>
      </div>
      {said !== null && (
        <p className="m-0 mt-1">
          <Refusal>{said}</Refusal>
        </p>
      )}
      <div className="mt-2 grid grid-cols-1 gap-x-5 gap-y-3 @sm:grid-cols-[auto_1fr] @xl:grid-cols-[auto_auto_minmax(240px,1fr)] @3xl:grid-cols-[auto_minmax(120px,1fr)_minmax(220px,1.5fr)_minmax(200px,1.4fr)] print:grid-cols-[auto_0.7fr_1.2fr_1.2fr]!">
        <div>
          <p className="m-0 mb-1 text-ink2">in now</p>
          {slot.fitting.leaves === null ? (
            <p className="m-0">{unmeasuredWords(slot.fitting.state)}</p>
          ) : (
            <>
              <Pack leaves={slot.fitting.leaves} />
              <p className="m-0 mt-1">
                <span className="text-ink2">in all </span>
                <span className="num text-[20px] font-semibold">{formatLength(pack.fitted, unit)}</span>{' '}
                <span className="unit text-[15px]">{unitWord(unit)}</span>
              </p>
            </>
          )}
        </div>
        <div>
          <Wanted gap={gap} unit={unit} />
          {pack.sum.length > 0 && (
            <Quiet onClick={() => setSumShown((s) => !s)} aria-expanded={sumShown} className="lg:hidden print:hidden">
              {sumShown ? 'Hide the sum' : 'Show the sum'} ▸
            </Quiet>
          )}
          {sumShown && (
            <div className="lg:hidden">
              <SumView sum={pack.sum} unit={unit} answerAt={4} />
            </div>
          )}
        </div>
        <div className="@sm:@max-xl:col-span-full print:col-auto!">
          {settled !== null ? (
            <p className="m-0 text-[17px]">{settled}</p>
          ) : best ? (
            <div className="border-2 border-blue bg-sheet p-3">
              <div className="flex items-center justify-between gap-3">
                <LeafStrip leaves={best.leaves} width={72} />
                <span className="num text-right text-[20px] leading-6 font-semibold">{packWords(best.leaves)}</span>
              </div>
              <p className="m-0 my-1 flex flex-wrap items-center gap-x-2">
                <Mark kind="in" size={22} named={false} ground="var(--sheet)" />
                <span className="label text-[16px] font-semibold text-good">{best.sure ? 'Right · sure' : 'Right'}</span>
                <span className="num ml-auto whitespace-nowrap">
                  {formatLength(best.total, unit)} → <strong className="text-[20px] font-semibold">{formatLength(best.gives, gapUnit)}</strong>
                </span>
              </p>
              <Primary ref={fitButton} enter disabled={sending} className="no-print w-full" onClick={() => void fit(best.leaves)}>
                Fit this pack
              </Primary>
            </div>
          ) : (
            choices &&
            window && <NoPack choices={choices} unit={unit} to={makeAt} onFit={(leaves) => void fit(leaves)} buttonRef={fitButton} busy={sending} />
          )}
        </div>
        <div className="flex flex-col gap-1 @sm:@max-3xl:col-span-full print:col-auto!">
          {settled === null &&
            choices?.choices.map((choice, i) =>
              i === chosen ? null : (
                <Alternative
                  key={i}
                  choice={choice}
                  unit={gapUnit}
                  onChoose={() => {
                    setChosen(i);
                    tryIt(choice.leaves);
                    fitButton.current?.focus();
                  }}
                />
              ),
            )}
          {choices && best && <MakeLine choices={choices} unit={unit} to={makeAt} />}
          {settled === null && window && reading && <ToBeHad slot={slot.slot} window={window} unit={unit} />}
        </div>
        {other && <OtherPack onFit={(leaves) => void fit(leaves)} onTry={tryIt} available={available} bare={bareUnit(gap)} would={would} />}
      </div>
    </section>
  );
}

/** Where there is nothing to fit: why. A pack that is right is not pushed, nor one that would be put in the place of itself. */
function settledWords({ now, mark, verdict, needsPack, pack, limits }: GapState): string | null {
  if (now.kind === 'forecast') return 'Fitted. Read it now: the strip is waiting.';
  if (mark === 'accepted') return 'Accepted as it is.';
  if (mark === 'in') return verdict?.sure === 'sure' ? 'Right as it is. Tick what has no number.' : 'Right as it is read. Read it again to be surer.';
  if (needsPack || now.kind !== 'read' || now.disagree || !limits || pack?.refusal) return null;
  // why is said beside the number, once
  return verdict?.because ? 'Nothing to fit until that can be told.' : (now.because ?? null);
}

/** "3 leaves. Nobody has measured them." */
function unmeasuredWords(state: string | null): string {
  const count = countedIn(state);
  return count === null
    ? 'Nobody has measured it.'
    : count === 1
      ? 'One leaf. Nobody has measured it.'
      : `${count} leaves. Nobody has measured them.`;
}

function Wanted({ gap, unit }: { gap: GapState; unit: 'thou' | 'mm' }): JSX.Element | null {
  const window = gap.pack?.window;
  if (gap.pack?.refusal) return null;
  if (!window)
    return (
      <p className="m-0 text-ink2">
        {gap.now.kind === 'stale'
          ? `Read it again first: ${gap.now.because ?? 'the last reading is stale'}.`
          : gap.limits
            ? 'Read the gap, and the pack is worked out here.'
            : 'Limits first: then the pack is worked out here.'}
      </p>
    );
  if (!window.reachable) return null;
  const isChange = !gap.pack?.known;
  return (
    <>
      <p className="m-0 text-ink2">{isChange ? (window.ideal < 0 ? 'take out, whatever is in' : 'add, whatever is in') : 'want'}</p>
      <p className="num m-0 text-[28px] leading-9 font-semibold">
        {formatLength(isChange ? nanometres(Math.abs(window.ideal)) : window.ideal, unit)}
      </p>
      <p className="num m-0 text-[16px] whitespace-nowrap">{rangeWords(isChange ? unsigned(window) : window, unit)}</p>
      <p className="m-0 text-[16px] text-ink2">
        {window.sure
          ? `sure ${rangeWords(isChange ? unsigned(window.sure) : window.sure, unit)}`
          : gap.verdict?.sure === 'cannotTell'
            ? 'none is sure'
            : window.because}
      </p>
      {gap.pack?.together !== undefined && (
        <p className="m-0 text-[16px] leading-5">
          {gap.pack.together === null
            ? 'No one thickness suits every gap it moves.'
            : `For every gap it moves: ${rangeWords(isChange ? unsigned(gap.pack.together) : gap.pack.together, unit)}`}
        </p>
      )}
    </>
  );
}

/** The nearest that a supplier has, where nobody need make one. */
function ToBeHad({ slot: { wants }, window, unit }: { slot: Slot; window: PackWindow; unit: 'thou' | 'mm' }): JSX.Element | null {
  if (!wants?.supply) return null;
  const nearest = nearestOf(wants.supply, window);
  return (
    <p className="m-0 text-[16px]">
      {nearest === null ? (
        `Nothing of ${wants.supply.written} lands inside.`
      ) : (
        <>
          To be had: <strong className="num font-semibold">{formatLength(nearest, unit)}</strong>{' '}
          <span className="num text-ink2">{formatLength(nearest, unit === 'mm' ? 'thou' : 'mm')}</span>
        </>
      )}
    </p>
  );
}

function Alternative({ choice, unit, onChoose }: { choice: PackChoice; unit: LengthUnit; onChoose: () => void }): JSX.Element {
  return (
    <button
      type="button"
      onClick={onChoose}
      className="num flex min-h-12 items-center justify-between gap-2 border border-edge bg-sheet px-3 text-[17px]"
    >
      <span className="text-left">{packWords(choice.leaves)}</span>
      <span className="whitespace-nowrap">
        → <strong className="text-[20px] font-semibold">{formatLength(choice.gives, unit)}</strong>
      </span>
    </button>
  );
}

interface Range {
  readonly min: Length;
  readonly max: Length;
}
/** A change both of whose ends take out, as what is taken out. */
const unsigned = ({ min, max }: Range): Range => (max <= 0 ? { min: nanometres(-max), max: nanometres(-min) } : { min, max });
const half = (length: Length, unit: 'thou' | 'mm'): string => {
  const halves = Math.round(length / 12_700);
  if (unit === 'mm' || halves * 12_700 !== length) return formatLength(length, unit);
  return halves % 2 === 0 ? String(halves / 2) : `${halves === 1 ? '' : Math.floor(halves / 2)}½`;
};

/** "make 10½ ±0.9, sure": the shim to make, as a window. */
function MakeLine({ choices, unit, to }: { choices: PackChoices; unit: 'thou' | 'mm'; to: string }): JSX.Element {
  return (
    <p className="m-0 flex min-h-12 flex-wrap items-center gap-x-2 border border-dashed border-edge px-3">
      <span className="whitespace-nowrap">
        make <span className="num text-[18px] font-semibold">{half(choices.make.in[unit].size, unit)}</span>
      </span>
      <span className="num text-[15px] whitespace-nowrap text-ink2">
        ±{formatLength(choices.make.in[unit].either, unit)}
        {choices.make.sure ? ', sure' : ''}
      </span>
      <Link to={to} className="no-print ml-auto inline-flex min-h-12 items-center text-blue">
        draw and lap it ▸
      </Link>
    </p>
  );
}

/** Nothing on hand lands: the shim to cut or lap, as a window, and the nearest either side. */
function NoPack({
  choices,
  unit,
  to,
  onFit,
  buttonRef,
  busy,
}: {
  choices: PackChoices;
  unit: 'thou' | 'mm';
  /** where it is drawn and lapped */
  to: string;
  onFit: (leaves: readonly FitLeaf[]) => void;
  buttonRef: React.RefObject<HTMLButtonElement | null>;
  busy: boolean;
}): JSX.Element {
  const { plan, sure, owned } = choices.make;
  const { size, either } = choices.make.in[unit];
  const made: FitLeaf[] = [{ lotId: null, thickness: size, written: half(size, unit), unit, count: 1 }];
  return (
    <div className="border-2 border-dashed border-brass-text bg-sheet p-3" data-testid="make">
      <p className="m-0">
        No pack on hand lands. <strong className="font-semibold">Make one:</strong>
      </p>
      <p className="num m-0 my-1 text-[20px] font-semibold whitespace-nowrap">
        {inches(size, unit)} <span className="text-[16px] font-medium text-ink2">±{inches(either, unit, true)}</span>
      </p>
      {plan && 'from' in plan && (
        <p className="m-0">
          from <span className="num font-semibold">{inches(plan.from, unit)}</span> {owned ? 'on hand' : 'stock, to be bought,'} take off{' '}
          <span className="num font-semibold">
            {half(plan.takeOff, unit)} {unitWord(unit)}
          </span>
        </p>
      )}
      {plan && 'leaves' in plan && (
        <p className="m-0">
          cut from sheet: {plan.leaves.map((l) => `${l.count > 1 ? `${l.count} × ` : ''}${formatLength(l.thickness, unit)}`).join(' + ')}
        </p>
      )}
      {!sure && <p className="m-0 text-[15px] text-ink2">The reading’s doubt is as wide as the limits: this is the middle, not a certainty.</p>}
      <p className="m-0 mt-1 text-[15px] text-ink2">
        {choices.below && `Nearest under: ${packWords(choices.below.leaves)} gives ${formatLength(choices.below.gives, unit)}. `}
        {choices.above && `Nearest over: ${packWords(choices.above.leaves)} gives ${formatLength(choices.above.gives, unit)}.`}
      </p>
      {size < 40_000 && <p className="m-0 text-[15px] text-tight">Under 0.04 mm a leaf tears: make it with another.</p>}
      {size > 0 && (
        <Primary ref={buttonRef} enter disabled={busy} className="mt-2 w-full" onClick={() => onFit(made)}>
          Fit one made {half(size, unit)}
        </Primary>
      )}
      {size > 0 && (
        <Link to={to} className="no-print inline-flex min-h-12 items-center text-blue">
          Draw it, cut it, lap it to size ▸
        </Link>
      )}
    </div>
  );
}

const inches = (length: Length, unit: 'thou' | 'mm', short = false): string => {
  const words = unit === 'mm' ? `${formatLength(length, 'mm')} mm` : `${formatLength(length, 'in')} in`;
  return short && unit === 'thou' ? formatLength(length, 'in').replace(/^0/, '') : words;
};

/** A pack of any thickness, from the drawer or not: "10½, made". */
