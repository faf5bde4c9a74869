import { describeLength, nanometres, type Length } from '@elder-cog/core';
import { hotNeighbour, type FittingState } from '@elder-cog/derive';
import { lazy, Suspense, useState, type JSX, type ReactNode } from 'react';
import { Caution, Chip, Field, Heading, Primary, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { Num } from '../../kit/Num.tsx';
import { TakeBack } from '../../kit/TakeBack.tsx';
import { useCommand } from '../../state/api.ts';
import { changeFitting, keepGo } from '../../state/fittingActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { readTemperature } from '../../state/temperature.ts';
import { useTimeInHand } from '../../workers/fits.ts';
import { IsoBands } from './IsoBands.tsx';

const HandChart = lazy(async () => ({ default: (await import('./HandChart.tsx')).HandChart }));

const celsius = (value: number): string => `${String(Math.round(value)).replace('-', '−')} °C`;
const secondsWords = (seconds: number | null): string =>
  seconds === null ? 'over an hour' : seconds < 1 ? 'under a second' : seconds < 120 ? `${Math.floor(seconds)} s` : `${Math.floor(seconds / 60)} min`;

/** All that is reckoned of a fit, and how each go at it went. */
export function FitAnswers({ state }: { state: FittingState }): JSX.Element {
  const { fitting, missing, interference } = state;
  const { send, sending } = useCommand();
  return (
    <>
      {missing.length > 0 && <p className="m-0 px-4 pt-3 text-ink2">Not said yet: {missing.join('; ')}.</p>}
      {interference !== null && <HowTight state={state} value={interference} />}
      {state.renewal && <Ream state={state} />}
      {state.heat && <Heat state={state} />}
      <Cautions state={state} />
      <Goes key={`${state.outerAt ?? ''} ${state.goes.length}`} state={state} />
      <IsoBands fitting={fitting} />
      <p className="no-print m-0 px-4 py-2">
        <Quiet disabled={sending} onClick={() => void send(changeFitting(fitting, { gone: true })).catch(() => undefined)}>
          Take this fit away
        </Quiet>
      </p>
    </>
  );
}

function Answer({ label, children }: { label: string; children: ReactNode }): JSX.Element {
  return (
    <p className="m-0 flex flex-wrap items-baseline justify-between gap-x-3 border-t border-rule py-1">
      <span className="text-[16px]">{label}</span>
      <span className="num text-[18px] font-semibold">{children}</span>
    </p>
  );
}

function HowTight({ state: { press, hot, fitting }, value }: { state: FittingState; value: Length }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const isTight = value > 0;
  return (
    <section aria-label="How tight" className="px-4 py-3">
      <Heading>{isTight ? 'Goes in tight by' : value === 0 ? 'Goes in size to size' : 'Goes in loose by'}</Heading>
      <Num value={nanometres(Math.abs(value))} unit={unit} size={44} both />
      {press && isTight && (
        <>
          {press.effectiveInterference !== value && (
            <Answer label="grips, once the peaks are flat">{describeLength(press.effectiveInterference, unit)}</Answer>
          )}
          <Answer label="to press it home">{(press.force / 1000).toFixed(press.force < 10_000 ? 1 : 0)} kN</Answer>
          <Answer label="holds against turning">{press.torque.toFixed(0)} N·m</Answer>
          <Answer label="pressure between them">{press.pressure.toFixed(1)} MPa</Answer>
          <Answer label="pull in what is outside">{press.hubHoopStress.toFixed(0)} MPa</Answer>
          <Answer label="squeeze in what goes in">{press.innerHoopStress.toFixed(0).replace('-', '−')} MPa</Answer>
          {press.closeIn > 0 && <Answer label="its bore closes by">{describeLength(press.closeIn, unit)}</Answer>}
          <p className="m-0 mt-1 text-[15px] text-ink2">Reckoned: oiled, friction 0.12; thick rings, elastic. Nobody published it for this part.</p>
        </>
      )}
      {hot && (
        <>
          <Answer label={`at ${celsius(fitting.working ?? 20)}, when it works`}>
            {hot.interference > 0
              ? `tight by ${describeLength(hot.interference, unit)}`
              : `loose by ${describeLength(nanometres(-hot.interference), unit)}`}
          </Answer>
          {hot.looseAbove !== null && <Answer label="lets go above">{celsius(hot.looseAbove)}</Answer>}
        </>
      )}
    </section>
  );
}

/** Said where it is reamed, and not once more below. */
const OF_REAMING: ReadonlySet<string> = new Set(['tooBig', 'littleToReam', 'muchToReam', 'looseAbrasive']);

function Ream({ state: { renewal } }: { state: FittingState }): JSX.Element | null {
  const unit = useSettings((s) => s.unit);
  if (!renewal) return null;
  const sizes = unit === 'mm' ? 'mm' : 'in';
  return (
    <section aria-label="Ream to" className="border-t-2 border-ink px-4 py-3">
      <Heading>Once it is in, ream to</Heading>
      <p className="num m-0 text-[28px] font-semibold">
        {describeLength(renewal.reamTo.min, sizes)} <span className="text-[18px] font-medium">to {describeLength(renewal.reamTo.max, sizes)}</span>
      </p>
      <p className="num m-0 text-[16px] text-ink2">
        {describeLength(renewal.reamTo.min, sizes === 'mm' ? 'in' : 'mm')} to {describeLength(renewal.reamTo.max, sizes === 'mm' ? 'in' : 'mm')}
      </p>
      <Answer label="its bore once it is in">{describeLength(renewal.pressedBore, sizes)}</Answer>
      <Answer label="the reamer takes">
        {describeLength(renewal.toReam.least, unit)} to {describeLength(renewal.toReam.most, unit)}
      </Answer>
      {renewal.cautions
        .filter(({ code }) => OF_REAMING.has(code))
        .map(({ code, message }) => (
          <Caution key={code}>{message}</Caution>
        ))}
    </section>
  );
}

function Heat({ state }: { state: FittingState }): JSX.Element | null {
  const { heat, before, fitting, hand } = state;
  const { facts } = useJob();
  const { data: time } = useTimeInHand(hand);
  if (!heat) return null;
  const { what } = fitting.outer;
  const said = fitting.outer.temperature;
  const neighbour = hotNeighbour(facts, fitting, new Date().toISOString());
  const lesser =
    time && [time.inAir, time.inBore].reduce((least, each) => (least === null ? each : each === null ? least : Math.min(least, each)), null);
  return (
    <section aria-label="Heat" className="border-t-2 border-ink px-4 py-3">
      <Heading>Heat {what === '' ? 'what is outside' : `the ${what}`} to</Heading>
      <p className="m-0">
        <span className="num text-[44px] leading-[48px] font-semibold">{celsius(heat.temperature)}</span>{' '}
        <span className="num text-ink2">{Math.round(heat.temperature * 1.8 + 32)} °F</span>
      </p>
      <Answer label="never over">{celsius(heat.ceiling)}</Answer>
      {said !== null && <Answer label="said">{celsius(said)}</Answer>}
      {before && (
        <p className="m-0 mt-1">
          {before.name === fitting.name ? 'It' : before.name} dropped in at <span className="num font-semibold">{celsius(before.celsius)}</span>{' '}
          before: begin there.
        </p>
      )}
      {heat.overCeiling && heat.chillTo !== undefined && (
        <p className="m-0 mt-1 font-medium">
          {heat.chillTo === null
            ? 'No cold that is to be had makes up for it: press it, or ask for less room.'
            : `At ${celsius(heat.ceiling)} what goes in would have to be chilled to ${celsius(heat.chillTo)}.`}
        </p>
      )}
      {neighbour && (
        <p className="m-0 mt-1">
          <Refusal>
            {neighbour.name} went in hot {neighbour.minutes} min ago: a hot part beside a hot part grips early. Wait till that is cold.
          </Refusal>
        </p>
      )}
      {time && hand && (
        <>
          <p className="m-0 mt-2">
            <span className="num text-[44px] leading-[48px] font-semibold">{secondsWords(lesser ?? null)}</span>{' '}
            <span className="text-[18px]">in hand</span>
          </p>
          <Answer label="carrying it, in air">{secondsWords(time.inAir)}</Answer>
          <Answer label="entering, once it is in the bore">{secondsWords(time.inBore)}</Answer>
          <Suspense fallback={<div className="mt-2 h-[220px]" />}>
            <HandChart time={time} />
          </Suspense>
          <p className="m-0 text-[15px] text-ink2">Reckoned: still air, each part as warm all through.</p>
        </>
      )}
    </section>
  );
}

function Cautions({ state }: { state: FittingState }): JSX.Element | null {
  const [all, setAll] = useState(false);
  const cautions = state.cautions.filter(({ code }) => !OF_REAMING.has(code));
  if (cautions.length === 0) return null;
  const shown = all ? cautions : cautions.slice(0, 3);
  return (
    <section aria-label="Cautions" className="flex flex-col gap-2 border-t-2 border-ink px-4 py-3">
      {shown.map(({ code, message }) => (
        <Caution key={code + message}>{message}</Caution>
      ))}
      {cautions.length > 3 && (
        <Quiet onClick={() => setAll((a) => !a)} aria-expanded={all}>
          {all ? 'fewer' : `${cautions.length - 3} more ▸`}
        </Quiet>
      )}
    </section>
  );
}

const WENT = [
  ['droppedIn', 'It dropped in'],
  ['pressed', 'It was pressed in'],
  ['stuck', 'It stuck part-way'],
] as const;

/** How each go went: at what temperature it really dropped in, and whether it was home when it had cooled. */
function Goes({ state: { fitting, goes, outerAt } }: { state: FittingState }): JSX.Element {
  const { send, sending } = useCommand();
  const [text, setText] = useState(outerAt === null ? '' : String(Math.round(outerAt)));
  const [went, setWent] = useState<(typeof WENT)[number][0]>('droppedIn');
  const read = readTemperature(text, { least: -196, most: 350 });
  const last = goes.at(-1);
  const asksHome = last !== undefined && last.went !== 'stuck' && last.isHome === null;
  const home = (isHome: boolean): void => {
    if (last) void send(keepGo(fitting.id, { outer: last.outer, inner: last.inner, went: last.went, isHome })).catch(() => undefined);
  };
  return (
    <section aria-label="How it went" className="border-t-2 border-ink px-4 py-3">
      <Heading>How it went</Heading>
      <ul className="m-0 list-none p-0">
        {goes.map((go) => (
          <li key={go.id} className="flex flex-wrap items-center justify-between gap-x-3 border-t border-rule py-1">
            <span>
              {WENT.find(([key]) => key === go.went)?.[1]}
              {go.outer !== null && (
                <>
                  {' '}
                  at <span className="num font-semibold">{celsius(go.outer)}</span>
                </>
              )}
              {go.isHome === null ? '' : go.isHome ? ', and is home' : ', and is not home'}
            </span>
            <TakeBack ofKind="heating" id={go.id} what={`the go at ${go.outer ?? 'no'} °C`} />
          </li>
        ))}
      </ul>
      {asksHome && (
        <div className="no-print mt-2 border-l-4 border-ink pl-3">
          <p className="m-0 font-semibold">Let it cool, with a weight on it. Is a feeler refused all round under the face?</p>
          <div className="mt-1 flex flex-wrap gap-2">
            <Primary disabled={sending} onClick={() => home(true)}>
              Refused: it is home
            </Primary>
            <Secondary disabled={sending} className="min-h-14" onClick={() => home(false)}>
              It goes in: not home
            </Secondary>
          </div>
        </div>
      )}
      {last?.isHome === false && <p className="m-0 mt-1 font-medium">Not home: warm it again and push it home, or what is set by it reads wrong.</p>}
      <form
        className="no-print mt-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (read.refusal === null)
            void send(keepGo(fitting.id, { outer: read.value, inner: fitting.inner.temperature, went, isHome: null })).catch(() => undefined);
        }}
      >
        <div role="group" aria-label="How it went" className="flex flex-wrap gap-2">
          {WENT.map(([key, words]) => (
            <Chip key={key} on={went === key} onClick={() => setWent(key)}>
              {words}
            </Chip>
          ))}
        </div>
        <div className="mt-2 flex flex-wrap items-start gap-3">
          <Field label="At, °C" id="went-at" value={text} onChange={(event) => setText(event.target.value)} refusal={read.refusal} className="w-32" />
          <Secondary type="submit" disabled={sending || read.refusal !== null} className="mt-7 min-h-14">
            Keep it
          </Secondary>
        </div>
      </form>
    </section>
  );
}
