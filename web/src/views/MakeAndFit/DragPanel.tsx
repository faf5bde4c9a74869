import { describeLength, formatQuantity, MARK_WORDS, unitOfSizes, type TorqueUnit } from '@elder-cog/core';
import type { DragState } from '@elder-cog/derive';
import { useState, type JSX, type ReactNode } from 'react';
import { Heading, Quiet, Refusal } from '../../kit/controls.tsx';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { TakeBack } from '../../kit/TakeBack.tsx';
import { Torque, torqueLimitsWords, useTorqueShown, torqueWords } from '../../kit/Torque.tsx';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { originWords } from '../../state/understood.ts';
import { OtherSources } from '../Section/OtherSources.tsx';
import { AcceptIt } from '../WearBook/AcceptIt.tsx';
import { dragBar } from './dragBar.ts';
import { TorqueLimitsForm } from './TorqueLimitsForm.tsx';

/** The drag in hand: its mark, number in both systems, verdict and how sure, limits with where they are from and what for, and its bar. */
export function DragPanel({ drag }: { drag: DragState }): JSX.Element {
  const { state } = useJob();
  const { unit, other } = useTorqueShown(drag.unit);
  const [editing, setEditing] = useState(false);
  const [summing, setSumming] = useState(false);
  const { now, limits, nominal, verdict, mark } = drag;
  const value = now.reading?.value ?? null;
  const isNet = (now.kept.at(-1)?.raw.seal ?? 0) > 0;
  const settings = (state.settings ?? []).filter(({ criteria }) => criteria.some(({ station }) => station.id === drag.station.id));
  return (
    <section aria-label={drag.station.name} className="px-4 py-2">
      <Heading className="text-blue">{drag.station.name}</Heading>
      <div className="mt-1 flex items-start gap-4">
        <Mark kind={mark} size={52} />
        {value === null ? (
          <span className="num text-[44px] leading-[48px] font-semibold text-ink2">?</span>
        ) : (
          <span className={now.kind === 'read' ? '' : 'text-ink2'}>
            {now.kind === 'stale' && <span className="num text-[44px] leading-[48px]">(</span>}
            <Torque value={value} unit={unit} other={other} size={44} />
            {now.kind === 'stale' && <span className="num text-[44px] leading-[48px]">)</span>}
          </span>
        )}
      </div>
      <p className="m-0 mt-1 flex flex-wrap items-baseline justify-between gap-x-3">
        <span className={`label text-[24px] leading-8 font-semibold ${MARK_TEXT[mark]}`}>{verdictWords(drag)}</span>
        {now.U !== null && <span className="num text-[18px] whitespace-nowrap">±{torqueWords(now.U, unit)}</span>}
      </p>
      {(verdict?.because ?? now.because) && <p className="m-0 text-[15px] leading-5 text-ink2">{verdict?.because ?? now.because}</p>}
      <div className="mt-1 flex flex-wrap items-center justify-between gap-x-3 border-t border-rule">
        <span>
          {limits ? (
            <>
              <span className="num text-[18px] font-semibold">{torqueLimitsWords(limits.limits, unit)}</span>{' '}
              <span className="unit text-[16px]">{unit}</span>
              <span className="pl-3 text-[16px]">
                {originWords(limits.fact)}
                {limits.when !== '' && `: ${limits.when}`}
              </span>
            </>
          ) : nominal ? (
            <>
              <span className="num text-[18px] font-semibold">{torqueWords(nominal.value, unit)}</span> alone
              <span className="pl-3 text-[16px]">{originWords(nominal.fact)}</span>
              {now.kind === 'read' && value !== null && (
                <span className="block text-[16px] text-ink2">
                  {torqueWords(Math.abs(value - nominal.value), unit)} {value < nominal.value ? 'under' : 'over'} it: no verdict until a tolerance is
                  given
                </span>
              )}
            </>
          ) : (
            <span className="text-ink2">
              {drag.otherwise === null
                ? 'no limits yet'
                : `limits there are, for ${drag.otherwise}: not for what was read${isNet ? ', which is net of its seal' : ''}`}
            </span>
          )}
        </span>
        <Quiet onClick={() => setEditing((e) => !e)} aria-expanded={editing} className="no-print">
          Limits ▸
        </Quiet>
      </div>
      {settings.map(({ setting, mark: together, judgedBy }) => (
        <p key={setting.id} className="m-0 text-[16px] leading-6">
          {setting.name}: <span className={MARK_TEXT[together]}>{MARK_WORDS[together].toLowerCase()}</span>
          {judgedBy && `, judged by ${judgedBy.station.id === drag.station.id ? 'this' : judgedBy.station.name.toLowerCase()}`}
          {drag.isSpared && '; this need not be read for it'}
        </p>
      ))}
      <OtherSources stationId={drag.station.id} />
      {editing && <LimitsForm drag={drag} onDone={() => setEditing(false)} />}
      <LimitBarView {...dragBar(drag)} most={560} />
      <Seen drag={drag} unit={unit}>
        {drag.sum.length > 0 && (
          <Quiet onClick={() => setSumming((s) => !s)} aria-expanded={summing}>
            Show the sum ▸
          </Quiet>
        )}
      </Seen>
      {summing && <DragSum drag={drag} unit={unit} />}
      {(drag.accepted !== null || mayBeTaken(drag)) && (
        <AcceptIt
          station={drag.station}
          torque={now.kind === 'read' ? value : null}
          isOut={verdict !== null && verdict.place !== 'in'}
          accepted={drag.accepted}
        />
      )}
    </section>
  );
}

/** What is drawn up turn by turn is not taken as it is before its end. */
const mayBeTaken = ({ now, rise, log }: DragState): boolean =>
  now.kind !== 'stale' && !rise && (log === null || log.plan === null || log.plan.state === 'past' || log.plan.state === 'done');

/** "Loose · sure", "Stale", "Not measured". */
function verdictWords({ now, limits, verdict }: DragState): string {
  if (now.kind === 'stale') return 'Stale';
  if (now.kind === 'none') return 'Not measured';
  if (!limits || !verdict) return 'No limits to judge by';
  if (verdict.place === 'unmeasured') return 'Cannot tell';
  return `${MARK_WORDS[verdict.place]} · ${{ sure: 'sure', near: 'nearly sure', cannotTell: 'cannot be sure' }[verdict.sure]}`;
}

/** Readings kept on this build, each as it was typed, to be taken back any time; those that do not count with why. */
function Seen({ drag, unit, children }: { drag: DragState; unit: TorqueUnit; children: ReactNode }): JSX.Element {
  const sizes = unitOfSizes(useSettings((s) => s.unit));
  const [each, setEach] = useState(false);
  const { kept, struck } = drag.now;
  return (
    <div>
      {kept
        .filter(({ notCounted, refusal }) => notCounted !== null || refusal !== null)
        .map(({ id, text, notCounted, refusal }) => (
          <p key={id} className="m-0 text-[16px]">
            <Refusal>
              <span className="num">{text}</span> is kept, and not counted: {notCounted ?? refusal}.
            </Refusal>
          </p>
        ))}
      {struck.map(({ id, text, why }) => (
        <span key={id} className="block text-[15px] text-ink2">
          <s className="num">{text}</s> taken back{why === '' ? '' : `: ${why}`}
        </span>
      ))}
      <span className="no-print flex flex-wrap gap-x-4">
        {kept.length > 0 && (
          <Quiet onClick={() => setEach((e) => !e)} aria-expanded={each}>
            each reading ▸
          </Quiet>
        )}
        {children}
      </span>
      {each && (
        <ul aria-label="Each reading" className="m-0 list-none p-0">
          {kept.map(({ id, text, value }) => (
            <li key={id} className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 border-t border-rule">
              <span>
                <span className="num text-[18px]">{text}</span>{' '}
                {value?.pull && <span className="text-[15px] text-ink2">at a radius of {describeLength(value.pull.radius, sizes)}</span>}{' '}
                {value && <span className="num text-[16px]">{torqueWords(value.reading.value, unit)}</span>}
              </span>
              <TakeBack id={id} what={text} />
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** The working of what was read, line by line. */
function DragSum({ drag, unit }: { drag: DragState; unit: TorqueUnit }): JSX.Element {
  return (
    <table className="w-full border-collapse text-[16px]">
      <tbody>
        {drag.sum.map(({ label, expression, value, unit: of }, i) => (
          <tr key={i} className={i === drag.sum.length - 1 ? 'border-t border-ink font-semibold' : ''}>
            <th scope="row" className="py-0.5 pr-2 text-left font-normal text-ink2">
              {label}
              {expression !== '' && <span className="block text-[14px] leading-5">{expression}</span>}
            </th>
            <td className="num py-0.5 text-right align-bottom whitespace-nowrap">
              {of === 'N·m'
                ? torqueWords(value, unit)
                : of === 'N'
                  ? `${formatQuantity(value, 'N', 3)} N`
                  : of === 'nm'
                    ? `${(value / 1e6).toFixed(1)} mm`
                    : value}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Limits as the manual prints them, with what they are for, and where they are from. */
function LimitsForm({ drag, onDone }: { drag: DragState; onDone: () => void }): JSX.Element {
  const bare = useSettings((s) => s.bare);
  return (
    <TorqueLimitsForm
      station={drag.station}
      limit={drag.limits?.fact ?? null}
      question={{ bare, ...(drag.limits ? { scale: drag.unit } : {}), ...(drag.radius ? { radius: drag.radius.value } : {}) }}
      id="drag-limits"
      title={`Limits of the ${drag.station.name.toLowerCase()}`}
      label="Limits"
      placeholder={bare === 'mm' ? 'like 1.3-1.7 N·m, new bearings' : 'like 11-15 lb in, new bearings'}
      button="Keep limits"
      above={
        <p className="m-0 mb-1 text-[15px] leading-5 text-ink2">
          As the manual prints them: 11-15 lb in, new bearings · max 26 lb in, seal in · 1.3 N·m · 4-6 kg on a 50 mm drum
        </p>
      }
      onDone={onDone}
    />
  );
}
