import { formatLength, formatLimits, MARK_WORDS, nanometres, sayGap, unitWord, ZERO, type Length } from '@elder-cog/core';
import { aimWith, givenLimits, type GapState, type LimitState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Quiet } from '../../kit/controls.tsx';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { Num } from '../../kit/Num.tsx';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { originWords } from '../../state/understood.ts';
import { barState } from './barState.ts';
import { OtherSources } from './OtherSources.tsx';
import { TakenAs } from './Settled.tsx';
import { LimitsPanel } from './SetUp.tsx';

/** The gap in hand: its letter and name, mark, number in both systems, verdict and how sure, limits with their source, and the bar. */
export function GapPanel({ gap }: { gap: GapState }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const [editing, setEditing] = useState(false);
  const { now } = gap;
  const value = now.reading?.value ?? null;
  const shown = now.kind === 'read' || now.kind === 'forecast' || now.kind === 'stale' ? value : null;
  return (
    <div>
      <h2 className="label m-0 text-[18px] font-semibold text-blue">
        <span className="mr-2">{gap.letter}</span>
        {gap.station.name}
      </h2>
      <div className="mt-1 flex items-start gap-4">
        <Mark kind={gap.mark} size={52} />
        <div className="min-w-0">
          {shown === null ? (
            <span className="num text-[44px] leading-[48px] font-semibold text-ink2">?</span>
          ) : (
            <BigNumber value={shown} kind={now.kind} bound={now.reading?.kind ?? 'estimate'} unit={unit} />
          )}
        </div>
      </div>
      <p className="m-0 mt-1 flex flex-wrap items-baseline justify-between gap-x-3">
        <span className={`label text-[24px] leading-8 font-semibold ${MARK_TEXT[gap.mark]}`}>{verdictWords(gap)}</span>
        {now.U !== null && (
          <span className="num text-[18px] whitespace-nowrap">
            ±{formatLength(now.U as Length, unit)} {unitWord(unit)}
          </span>
        )}
      </p>
      {(gap.verdict?.because ?? now.because) && <p className="m-0 text-[15px] leading-5 text-ink2">{gap.verdict?.because ?? now.because}</p>}
      <p className="m-0 mt-1 flex flex-wrap items-center justify-between gap-x-3 border-t border-rule">
        <span>
          {gap.limits ? (
            <>
              <span className="num text-[18px] font-semibold">
                {aimWords(gap, unit)}
                {formatLimits(gap.limits.limits, unit)}
              </span>{' '}
              <span className="unit text-[16px]">{unitWord(unit)}</span>
              <span className="pl-3 text-[16px]">{originWords(gap.limits.fact)}</span>
              {(gap.limits.closesBy !== undefined || gap.limits.still) && (
                <span className="block text-[16px] text-ink2">{movedWords(gap.limits, unit)}</span>
              )}
            </>
          ) : gap.nominal ? (
            <>
              <span className="num text-[18px] font-semibold">{formatLength(gap.nominal.value, unit)}</span>{' '}
              <span className="unit text-[16px]">{unitWord(unit)}</span> alone
              <span className="pl-3 text-[16px]">{originWords(gap.nominal.fact)}</span>
              {now.kind === 'read' && value !== null && (
                <span className="block text-[16px] text-ink2">{fromNominal(value - gap.nominal.value, unit)}</span>
              )}
            </>
          ) : (
            <span className="text-ink2">no limits yet</span>
          )}
        </span>
        <Quiet onClick={() => setEditing((e) => !e)} aria-expanded={editing} className="no-print">
          Limits ▸
        </Quiet>
      </p>
      <JudgedWith gap={gap} />
      <OtherSources stationId={gap.station.id} />
      {editing && <LimitsPanel gap={gap} onDone={() => setEditing(false)} />}
      <LimitBarView {...barState(gap)} most={560} />
      <TakenAs gap={gap} />
    </div>
  );
}

/** What else a gap is judged with, and which of them judges now. */
function JudgedWith({ gap }: { gap: GapState }): JSX.Element | null {
  const { state } = useJob();
  const mine = (state.settings ?? []).filter(({ criteria }) => criteria.some(({ station }) => station.id === gap.station.id));
  if (mine.length === 0) return null;
  return (
    <>
      {mine.map(({ setting, mark, judgedBy, asks }) => (
        <p key={setting.id} className="m-0 text-[16px] leading-6">
          {setting.name}: <span className={MARK_TEXT[mark]}>{MARK_WORDS[mark].toLowerCase()}</span>
          {asks
            ? ', for two ways of judging it do not agree'
            : judgedBy && `, judged by ${judgedBy.station.id === gap.station.id ? 'this' : judgedBy.station.name.toLowerCase()}`}
          {gap.isSpared && '; this need not be read for it'}
        </p>
      ))}
    </>
  );
}

function BigNumber({
  value,
  kind,
  bound,
  unit,
}: {
  value: Length;
  kind: GapState['now']['kind'];
  bound: 'estimate' | 'atLeast' | 'atMost';
  unit: 'thou' | 'mm';
}): JSX.Element {
  const before = bound === 'atLeast' ? 'at least' : bound === 'atMost' ? 'at most' : value < 0 ? 'preload' : kind === 'forecast' ? 'said' : '';
  return (
    <>
      {before && <span className="label mr-2 align-middle text-[18px] text-ink2">{before}</span>}
      <span className={kind === 'read' ? '' : 'text-ink2'}>
        {kind === 'read' ? '' : <span className="num text-[44px] leading-[48px]">(</span>}
        <Num value={value} unit={unit} size={44} both signed={false} wrap={false} />
        {kind === 'read' ? '' : <span className="num text-[44px] leading-[48px]">)</span>}
      </span>
    </>
  );
}

/** "as it must read now: 5–8 when hot and bolts torqued, and it closes 1.0 till then", and where that was learned, where it was elsewhere. */
function movedWords({ fact, closesBy = ZERO, still }: LimitState, unit: 'thou' | 'mm'): string {
  const given = formatLimits(givenLimits(fact), unit);
  const moved = closesBy - (still?.value ?? 0);
  const by = formatLength(nanometres(Math.abs(moved)), unit);
  const when = [...(still ? [`with the ${still.words}`] : []), ...(closesBy === 0 ? [] : ['hot'])].join(' and ');
  const from = still?.borrowed === undefined ? '' : ` (borrowed from the ${still.borrowed.toLowerCase()})`;
  return `as it must read now: ${given} ${still ? when : `when ${when}`}, and it ${moved > 0 ? 'closes' : 'opens'} ${by} till then${from}`;
}

/** "8 within ", "the least of " before its limits; nothing where it is to come to their middle. */
function aimWords({ station, limits }: GapState, unit: 'thou' | 'mm'): string {
  const aim = aimWith(station.aim, limits);
  if (aim.at === 'middle') return '';
  return aim.at === 'value' && aim.value !== undefined ? `${sayGap(aim.value, unit)} within ` : aim.at === 'tight' ? 'least of ' : 'most of ';
}

/** "3.0 thou over it": a difference, and no verdict. */
const fromNominal = (by: number, unit: 'thou' | 'mm'): string =>
  by === 0
    ? 'just that'
    : `${formatLength(nanometres(Math.abs(by)), unit)} ${unitWord(unit)} ${by > 0 ? 'over' : 'under'} it: no verdict until a tolerance is given`;

/** "Loose · sure", "Stale: bolts torqued", "Forecast, not read". */
export function verdictWords(gap: GapState): string {
  const { now, verdict, limits } = gap;
  if (now.kind === 'forecast') return 'Forecast, not read';
  if (now.kind === 'stale') return 'Stale';
  if (now.kind === 'none') return 'Not measured';
  if (now.disagree) return 'Cannot tell';
  if (!limits || !verdict) return 'No limits to judge by';
  if (verdict.place === 'unmeasured') return 'Cannot tell';
  const surety = { sure: 'sure', near: 'nearly sure', cannotTell: 'cannot be sure' }[verdict.sure];
  return `${MARK_WORDS[verdict.place]} · ${now.byPack ? `by the pack, ${surety}` : surety}`;
}
