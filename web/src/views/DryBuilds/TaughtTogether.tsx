import { formatLength, nanometres, unitWord } from '@elder-cog/core';
import { taughtOf, twinGapOf, twinOf, type GapState, type ShaftState } from '@elder-cog/derive';
import { useMemo, type JSX } from 'react';
import { Refusal } from '../../kit/controls.tsx';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';

/** Which way the pack works, proved on the other side: borrowed till it is proved on this one. */
export function Lent({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element | null {
  const { facts, state } = useJob();
  const twin = useMemo(() => twinOf(facts, shaft, state.shafts), [facts, shaft, state.shafts]);
  const proved = twin && twinGapOf(twin, gap)?.pack?.proved;
  if (!twin || !proved || proved.contradiction !== null || gap.pack?.proved) return null;
  return (
    <p className="m-0 my-2">
      <span className="block text-[17px]">Thicker gives {proved.sense === 1 ? 'more' : 'less'} float.</span>
      <span className="block text-ink2">borrowed from the {twin.assembly.name.toLowerCase()}, where it was proved</span>
    </p>
  );
}

/** What all builds say together: how far torque, a gasket or a bearing moves the gap, and the build that does not fit the others. */
export function TaughtTogether({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element | null {
  const { facts } = useJob();
  const unit = useSettings((s) => s.unit);
  const taught = useMemo(() => taughtOf(facts, shaft, gap), [facts, shaft, gap]);
  if (!taught) return null;
  // of the last build it is said already that it is not as it was forecast
  const isSaid = (buildId: string): boolean => gap.ladder.some((row) => row.isNow && row.build.build.id === buildId && row.residual !== null);
  const questioned = taught.questioned.filter(({ buildId }) => !isSaid(buildId));
  const { coefficient } = taught;
  if (taught.steps.length === 0 && questioned.length === 0 && !coefficient) return null;
  const said = (length: number): string => formatLength(nanometres(Math.abs(length)), unit);
  return (
    <section aria-label="All of them together" className="mt-2 border-t border-rule pt-2">
      <h3 className="label m-0 text-[16px] font-semibold">All of them together</h3>
      {taught.steps.map(({ from, to, value, U }) => (
        <p key={`${from} ${to}`} className="m-0 my-1">
          From {from} to {to} it {value < 0 ? 'closes' : 'opens'} <span className="num font-semibold">{said(value)}</span>{' '}
          <span className="num">±{said(U)}</span> <span className="unit text-[15px]">{unitWord(unit)}</span>
          {Math.abs(value) > U ? '.' : ', which may be nothing.'}
        </p>
      ))}
      {coefficient && (
        <p className="m-0 my-1">
          For 1 of pack it moves <span className="num font-semibold">{coefficient.value.toFixed(2)}</span>{' '}
          <span className="num">±{coefficient.U.toFixed(2)}</span>
          {coefficient.agrees
            ? `: the drawing says ${coefficient.drawn}, and they agree.`
            : `, and the drawing says ${coefficient.drawn}: look at both.`}
        </p>
      )}
      {questioned.map(({ buildId, name, by }) => (
        <p key={buildId} className="m-0 my-1">
          <Refusal>
            Build {name} does not fit the others: {said(by)} {unitWord(unit)} {by > 0 ? 'over' : 'under'} what they say. Was it seated, torqued and
            turned? Nothing is taken from it till it is read again or taken back.
          </Refusal>
        </p>
      ))}
    </section>
  );
}
