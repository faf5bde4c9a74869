import { counted } from '@elder-cog/core';
import { dragMark, isRight, NEW_SLEEVE, type DragState, type ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Caution, Heading, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { useTorqueShown, torqueWords } from '../../kit/Torque.tsx';
import { useCommand } from '../../state/api.ts';
import { turnNut } from '../../state/dragActions.ts';
import { changeState } from '../../state/gapActions.ts';
import { isNut } from '../../state/jointActions.ts';
import { flatWords } from './flatWords.ts';
import { TurnForm } from './TurnForm.tsx';

/** What to do with the nut now: how far to turn it, what to expect, when to stop, and what to do past it. */
export function NextTurn({ shaft, drag }: { shaft: ShaftState; drag: DragState }): JSX.Element | null {
  const { send, sending } = useCommand();
  const { unit } = useTorqueShown(drag.unit);
  const { log } = drag;
  const plan = log?.plan ?? null;
  const last = log?.steps.at(-1);
  if (!log) return <BeginTurns shaft={shaft} drag={drag} />;
  if (!last || (drag.nutId === null && drag.sleeveId === null)) return null;
  const proposed = plan?.next?.degrees ?? null;
  const isRead = last.drag !== null;
  const step = log.steps.length;
  // of a nut that has no sleeve nothing is forecast: it is turned till it is right
  const isRightNow = isRead && plan === null && isRight(dragMark(drag));
  return (
    <section aria-label="The nut" className="border-t border-rule px-4 py-2">
      <Heading>
        {plan?.state === 'past'
          ? 'Past it'
          : plan?.state === 'done'
            ? 'Stop here'
            : isRightNow
              ? 'It is right'
              : isRead
                ? `Step ${step}: to turn`
                : `Step ${step - 1}: turned, not yet read`}
      </Heading>
      {!isRead && last.expected && (
        <p className="m-0 text-[17px]">
          Turned <span className="num font-semibold">{Number(last.degrees.toFixed(1))}°</span>. Expect{' '}
          <span className="num text-[20px] font-semibold">{torqueWords(last.expected.value, unit)}</span>{' '}
          <span className="num">±{torqueWords(2 * last.expected.u, unit)}</span>: read it.
        </p>
      )}
      {!isRead && !last.expected && (
        <p className="m-0 text-[17px]">
          {step === 1 ? 'Take the float up by hand till it is just gone, and read the drag there.' : 'Read the drag after that turn.'}
        </p>
      )}
      {isRightNow && <p className="m-0 text-[17px]">Lock the nut as it stands, and read it once more. Turned again, it is read again.</p>}
      {isRead && log.wants === 'limits' && <p className="m-0 text-[17px]">Limits first: then how far to turn, and when to stop, is said here.</p>}
      {isRead && log.wants === 'bothEnds' && <p className="m-0 text-[17px]">A sleeve is drawn up to a window: type both ends of the limits.</p>}
      {plan?.state === 'go' && plan.next && (
        <div className="flex items-center gap-4">
          <p className="m-0">
            <span className="num text-[44px] leading-[48px] font-semibold">{plan.next.degrees}°</span>{' '}
            <span className="text-[17px]">{flatWords(plan.next.degrees)}</span>
            {Number.isFinite(plan.next.forecast.u) ? (
              <span className="block text-[17px]">
                Expect <span className="num text-[20px] font-semibold">{torqueWords(plan.next.forecast.value, unit)}</span>{' '}
                <span className="num">±{torqueWords(2 * plan.next.forecast.u, unit)}</span>; chance of passing the most{' '}
                {chanceWords(plan.next.chanceOver)}
              </span>
            ) : (
              <span className="block text-[17px]">What it does nobody knows yet: the first turn is a small one.</span>
            )}
          </p>
        </div>
      )}
      {plan?.state === 'done' && (
        <p className="m-0 text-[17px]">
          {drag.verdict?.place === 'in'
            ? 'It is in: stake or lock the nut as it stands, and read it once more.'
            : 'One turn more might pass the most: read it again before the nut is touched.'}
        </p>
      )}
      {plan?.state === 'past' && (
        <>
          <p className="m-0 text-[17px]">
            <Refusal>
              Past the most.{' '}
              {drag.sleeveId === null
                ? 'Let the nut go, and begin again.'
                : 'A sleeve does not come back: a new one goes in, and the log begins anew.'}
            </Refusal>
          </p>
          {drag.sleeveId !== null && (
            <Secondary
              className="mt-1 min-h-14"
              disabled={sending}
              onClick={() => void send(changeState(shaft, drag.sleeveId ?? '', NEW_SLEEVE)).catch(() => undefined)}
            >
              A new sleeve is in
            </Secondary>
          )}
        </>
      )}
      {plan && plan.state !== 'past' && (
        <p className="m-0 text-[16px] text-ink2">
          Stop at <span className="num font-semibold">{torqueWords(plan.stop, unit)}</span>: the most, less what a reading may be wrong by.
        </p>
      )}
      {isRead && plan?.state !== 'past' && (
        <TurnForm
          label="Turned on by"
          proposed={proposed}
          placeholder={proposed === null ? 'like 15°, a quarter flat' : `${proposed}°`}
          sending={sending}
          refusalOf={(degrees) =>
            degrees === null || degrees === 0
              ? 'Say how far it was turned, like 15° or a quarter flat.'
              : degrees < 0 && drag.sleeveId !== null
                ? 'A sleeve cannot be backed off: a nut turned back leaves it loose. Put in a new one.'
                : null
          }
          onTurn={(degrees) => send(turnNut(shaft, drag, degrees)).then(() => document.getElementById('entry')?.focus())}
        />
      )}
      <Caution>
        {drag.sleeveId === null
          ? 'Spin it between turns, and read it while it turns.'
          : `It cannot be backed off: past the most the sleeve is scrap. Small turns; spin it ${counted(5, 'once', 'times')}, then pull. Hold the flange with a bar that cannot slip.`}
      </Caution>
    </section>
  );
}

/** A nut that may be drawn up turn by turn, of which no turn was made yet: staked, or held by a pin. */
function BeginTurns({ shaft, drag }: { shaft: ShaftState; drag: DragState }): JSX.Element | null {
  const { send, sending } = useCommand();
  const [open, setOpen] = useState(false);
  const nut = shaft.slots.find(({ slot }) => slot.id === drag.nutId)?.slot;
  if (!nut || !isNut(nut.name) || drag.now.kind !== 'read') return null;
  return (
    <section aria-label="The nut" className="no-print border-t border-rule px-4">
      <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
        Drawn up turn by turn ▸
      </Quiet>
      {open && (
        <TurnForm
          label="Turned on by"
          proposed={null}
          placeholder="like 15°, a quarter flat"
          says="each turn, and its drag, is a line of a log"
          sending={sending}
          refusalOf={(degrees) => (degrees === null || degrees === 0 ? 'Say how far it was turned, like 15° or a quarter flat.' : null)}
          onTurn={(degrees) => send(turnNut(shaft, drag, degrees)).then(() => document.getElementById('entry')?.focus())}
        />
      )}
    </section>
  );
}

/** "under 1 in 1000", "3 in 100": a chance, and never a certainty. */
const chanceWords = (chance: number): string =>
  chance < 0.001 ? 'under 1 in 1000' : chance < 0.01 ? `${Math.ceil(chance * 1000)} in 1000` : `${Math.round(chance * 100)} in 100`;
