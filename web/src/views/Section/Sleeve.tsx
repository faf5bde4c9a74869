import { formatLength, unitWord } from '@elder-cog/core';
import { isScrap, NEW_SLEEVE, SLEEVE_CRUSHED, stateWords, type GapState, type ShaftState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Heading, Refusal, Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { changeState } from '../../state/gapActions.ts';
import { useSettings } from '../../state/settings.ts';
import { rangeWords } from '../../state/understood.ts';

/** The crush sleeve that a gap is set by: how it stands, how much shorter it is to become, and that it was drawn up or is another. */
export function Sleeve({ shaft, gap, onChanged }: { shaft: ShaftState; gap: GapState; onChanged: () => void }): JSX.Element | null {
  const { send, sending } = useCommand();
  const unit = useSettings((s) => s.unit);
  const { sleeve } = gap;
  if (!sleeve) return null;
  const { slot, sense } = sleeve;
  const fitting = shaft.slots.find((s) => s.slot.id === slot.id)?.fitting;
  const since = shaft.builds.find(({ build }) => build.id === fitting?.drawnUp);
  const say = (state: string): void => void send(changeState(shaft, slot.id, state)).then(onChanged, () => undefined);
  return (
    <section aria-label={slot.name} className="@container px-4 py-3">
      <div className="flex flex-wrap items-center gap-x-4">
        <Heading>{slot.name}</Heading>
        <span className="text-ink2">{sense === 1 ? 'shorter = less float' : 'shorter = more float'}, and it only gets shorter</span>
      </div>
      <div className="mt-2 grid grid-cols-1 gap-x-6 gap-y-3 @xl:grid-cols-[minmax(150px,1fr)_minmax(220px,1.6fr)_auto]">
        <div>
          <p className="m-0 mb-1 text-ink2">in now</p>
          <p className="m-0 text-[17px]">{since ? `${stateWords(slot, fitting?.state ?? null)}, build ${since.number}` : 'as it was found'}</p>
        </div>
        <div>
          <Wanted gap={gap} sleeve={sleeve} unit={unit} />
        </div>
        <div className="no-print flex flex-wrap content-start gap-2">
          <Secondary className="min-h-14" disabled={sending} onClick={() => say(SLEEVE_CRUSHED)}>
            The nut is drawn up further
          </Secondary>
          <Secondary className="min-h-14" disabled={sending} onClick={() => say(NEW_SLEEVE)}>
            A new sleeve is in
          </Secondary>
        </div>
      </div>
      <p role="note" className="m-0 mt-2 text-[16px] leading-6">
        A crushed sleeve does not come back, and is used once: whenever its nut has been off, a new one goes in. Small turns, the bearings turned
        between them, and the pinion held by its flange with a bar that cannot slip. Where the manual gives a drag or a torque, it goes before any
        figure here.
      </p>
    </section>
  );
}

function Wanted({ gap, sleeve, unit }: { gap: GapState; sleeve: NonNullable<GapState['sleeve']>; unit: 'thou' | 'mm' }): JSX.Element {
  const { crush, refusal } = sleeve;
  if (refusal !== null) return <Refusal>{refusal}</Refusal>;
  if (crush === null)
    return (
      <p className="m-0 text-ink2">
        {gap.now.kind === 'stale' || gap.now.kind === 'forecast'
          ? `Read it again first: ${gap.now.because ?? 'the last reading is stale'}.`
          : gap.limits
            ? 'Read the gap, and how far to crush it is worked out here.'
            : 'Limits first: then how far to crush it is worked out here.'}
      </p>
    );
  if (gap.mark === 'in') return <p className="m-0 text-[17px]">Right as it is: leave the nut where it stands.</p>;
  if (gap.mark === 'accepted') return <p className="m-0 text-[17px]">Accepted as it is.</p>;
  if (crush.over !== null && isScrap(gap))
    return (
      <Refusal>
        Crushed {formatLength(crush.over, unit)} {unitWord(unit)} too far: a new sleeve.
      </Refusal>
    );
  if (crush.over !== null || crush.min === 0)
    return <p className="m-0 text-[17px]">Nobody can be sure yet: read it again before the nut is touched, for it does not come back.</p>;
  return (
    <>
      <p className="m-0 text-ink2">shorter by, reckoned</p>
      <p className="num m-0 text-[28px] leading-9 font-semibold">
        {formatLength(crush.ideal, unit)} <span className="unit text-[16px] font-normal">{unitWord(unit)}</span>
      </p>
      <p className="num m-0 text-[16px] whitespace-nowrap">{rangeWords(crush, unit)}</p>
      <p className="m-0 text-[16px] text-ink2">{crush.sure ? `sure ${rangeWords(crush.sure, unit)}` : 'none is sure'}</p>
    </>
  );
}
