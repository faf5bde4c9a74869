import { describeLength, MADE, nanometres } from '@elder-cog/core';
import type { MakingState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Link, useNavigate } from 'react-router';
import { Primary, Quiet, Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { asLeaf, changeMaking, finishMaking, finishTakingOff } from '../../state/makingActions.ts';
import { useSettings } from '../../state/settings.ts';

/** What was made comes back: into the Drawer at its measured size, and into the build, in one step. */
export function Finish({ made }: { made: MakingState }): JSX.Element | null {
  const { making, now, plan, shaft } = made;
  const { state } = useJob();
  const { send, sending } = useCommand();
  const navigate = useNavigate();
  const unit = useSettings((s) => s.unit);
  if (making.state === 'made') return <Made made={made} />;
  const isLeaf = making.form !== null && MADE[making.form.kind].isFlat && !MADE[making.form.kind].isTool;
  const isIn = plan === null || plan.state === 'done';
  const isPast = plan?.state === 'past';
  // as it is told where it goes, whatever is shown first here
  const leaf = now && asLeaf(now.value, made.unit);
  const finish = async (fits: boolean): Promise<void> => {
    if (!now) return;
    try {
      await send(finishMaking(making, { measured: now.value, unit: made.unit, shaft: fits ? shaft : null }));
      if (fits && making.gapId !== null) void navigate(`/jobs/${state.job.id}/section?shaft=${shaft?.shaft.id ?? ''}&gap=${making.gapId}`);
    } catch {
      // the title block says why
    }
  };
  return (
    <section aria-label="When it is made" className="no-print border-t border-rule px-4 py-3">
      {isLeaf && now && leaf && (
        <>
          {making.placeId !== null && shaft && (
            <Primary disabled={sending || isPast} className={`w-full ${isIn ? '' : 'opacity-80'}`} onClick={() => void finish(true)}>
              Fit it: {describeLength(leaf.thickness, unit)}
            </Primary>
          )}
          <p className="m-0 mt-1 text-[16px] text-ink2">
            {isIn || isPast ? '' : 'It is not surely to size yet. '}
            Into the Drawer as what it measures{making.placeId === null ? '' : ', and into the next build'}
            {making.beside.length > 0 ? `, with ${making.beside.map(({ written }) => written).join(' + ')}` : ''}.
          </p>
          <Secondary disabled={sending} className="mt-2" onClick={() => void finish(false)}>
            Only into the Drawer
          </Secondary>
        </>
      )}
      {making.sizeId !== null && <ToSize made={made} />}
      {!isLeaf && making.sizeId === null && (
        <Primary disabled={sending} className="w-full" onClick={() => void send(changeMaking(making, { state: 'made' })).catch(() => undefined)}>
          It is made
        </Primary>
      )}
      <Quiet disabled={sending} onClick={() => void send(changeMaking(making, { state: 'left' })).catch(() => undefined)}>
        Leave it: it will not be made
      </Quiet>
    </section>
  );
}

/** A part that is there is to size: its size from now on is what was read last. */
function ToSize({ made: { making, passes, from, plan, unit } }: { made: MakingState }): JSX.Element | null {
  const { facts, state } = useJob();
  const { send, sending } = useCommand();
  const last = passes.findLast(({ read }) => read !== null)?.pass;
  const station = facts.stations.find(({ id }) => id === making.sizeId);
  const shaft = state.shafts.find((each) => each.shaft.id === station?.shaftId && each.current !== null) ?? null;
  const after = facts.readings.findLast((reading) => reading.stationId === making.sizeId)?.id ?? null;
  if (!last || !from) return null;
  return (
    <>
      <Primary
        disabled={sending || plan?.state === 'measure'}
        className="w-full"
        onClick={() =>
          void send(finishTakingOff(making, { first: from.value, last, shaft, after, unit: unit === 'mm' ? 'mm' : 'in' })).catch(() => undefined)
        }
      >
        {plan?.state === 'done' ? 'It is to size: keep it' : 'Keep it as it is'}
      </Primary>
      <p className="m-0 mt-1 text-[16px] text-ink2">
        What came off goes into the record, and what it measures is its size from now on. What rested on it is stale.
      </p>
    </>
  );
}

function Made({ made: { making, now } }: { made: MakingState }): JSX.Element {
  const { lots } = useJob();
  const unit = useSettings((s) => s.unit);
  const lot = lots.find(({ id }) => id === making.lotId);
  return (
    <section aria-label="When it is made" className="border-t border-rule px-4 py-3">
      <p className="m-0 text-[18px] font-semibold text-good">Made{now ? `: ${describeLength(nanometres(now.value), unit)}` : ''}.</p>
      {lot && (
        <p className="m-0">
          In the <Link to="/drawer">Drawer</Link> as {lot.written} {lot.unit}.
        </p>
      )}
    </section>
  );
}
