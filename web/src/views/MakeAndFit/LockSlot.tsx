import { alignSlot, describeLength, orNull, slotNutShapes, understand, type AlignedSlot, type TorqueUnit } from '@elder-cog/core';
import { torqueOfJoint, type JointState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Caution, Field, Heading, Primary } from '../../kit/controls.tsx';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { QuantityField, useQuantity } from '../../kit/QuantityField.tsx';
import { Shapes } from '../../kit/Shapes.tsx';
import { torqueWords } from '../../kit/Torque.tsx';
import { useCommand } from '../../state/api.ts';
import { useDraft } from '../../state/drafts.ts';
import { useJob } from '../../state/job.ts';
import { pullHoles } from '../../state/jointActions.ts';
import { useSettings } from '../../state/settings.ts';
import { inBoth } from '../../state/understood.ts';

const SIZE = 280;

/** A slot brought to its hole: onward inside the torque, or a washer of other thickness; a nut that sets a float goes back. */
export function LockSlot({ state }: { state: JointState }): JSX.Element {
  const { facts, state: job } = useJob();
  const { send, sending } = useCommand();
  const bare = useSettings((s) => s.bare);
  const { joint } = state;
  const [rise, setRise] = useDraft(`slot rise ${joint.id}`);
  const [tried, setTried] = useState(false);
  const limit = torqueOfJoint(facts, joint).limit?.torque;
  const unit: TorqueUnit = limit?.unit ?? (bare === 'mm' ? 'N·m' : 'lbf·ft');
  const now = useQuantity({ field: 'turn', bare }, `slot ${joint.id}`);
  const pulled = useQuantity({ field: 'torque', bare, scale: unit }, `slot torque ${joint.id}`);
  const torqueNow = pulled.meaning?.value[0] ?? null;
  const perDegree = riseIn(rise, unit, bare);
  const slots = joint.lock.notches.length > 0 ? { notches: joint.lock.notches } : { slots: joint.lock.slots ?? 6 };
  // one that lies back is as far on, less a whole turn
  const at = now.meaning && Math.abs(now.meaning.value) < 360 ? (now.meaning.value + 360) % 360 : null;
  const common = { ...slots, holeEnds: joint.lock.holeEnds, now: at ?? 0, pitch: joint.pitch ?? (0 as never) };
  const window = limit && limit.min !== null && limit.max !== null ? { min: limit.min, max: limit.max } : null;
  const found: AlignedSlot | null =
    at === null || joint.pitch === null
      ? null
      : joint.adjusts
        ? orNull(() => alignSlot({ ...common, joint: 'adjusting' }))
        : torqueNow === null || perDegree === null || window === null
          ? null
          : orNull(() => alignSlot({ ...common, joint: 'clamped', torque: torqueNow, perDegree, limits: window }));
  const shaftId = facts.places.find(({ id }) => id === joint.placeId)?.shaftId;
  const shaft = job.shafts.find((each) => each.shaft.id === shaftId) ?? null;
  const drawn =
    joint.lock.notches.length > 0 ? joint.lock.notches : Array.from({ length: joint.lock.slots ?? 6 }, (_, i) => (i * 360) / (joint.lock.slots ?? 6));
  const log = (): void => {
    setTried(true);
    const value = torqueNow;
    if (value === null || state.rounds.length === 0) return;
    void send(
      pullHoles(state, shaft, {
        round: Math.max(0, state.rounds.length - 1),
        holes: [1],
        read: { torque: value, degrees: found?.turn ?? null, written: pulled.text.trim() },
        after: null,
      }),
    ).catch(() => undefined);
  };
  const slid = state.pulls.findLast(({ torque: read }) => read !== null);
  return (
    <section aria-label="Lock slot" className="border-b border-rule px-4 py-2">
      <Heading className="text-blue">Lock slot</Heading>
      <div className="flex justify-center">
        <svg
          role="img"
          aria-label={
            typeof found?.turn !== 'number'
              ? 'The nut from its end'
              : `The nut from its end: ${Math.abs(found.turn).toFixed(0)}° ${found.turn < 0 ? 'back' : 'onward'}`
          }
          width={SIZE}
          height={SIZE}
          viewBox={`0 0 ${SIZE} ${SIZE}`}
        >
          <Shapes
            shapes={slotNutShapes({ slots: drawn, holeEnds: joint.lock.holeEnds, now: at ?? 0, turn: found?.turn ?? null, size: SIZE })}
            width={SIZE}
            height={SIZE}
            says=""
          />
        </svg>
      </div>
      <div className="grid grid-cols-2 gap-x-3 max-sm:grid-cols-1">
        <QuantityField
          quantity={now}
          label="Next slot is"
          placeholder={joint.adjusts ? 'like 14°, or 14° back' : 'like 14°, onward'}
          className={joint.adjusts ? 'col-span-full' : ''}
        />
        {!joint.adjusts && (
          <>
            <QuantityField
              quantity={pulled}
              label="Pulled now to"
              placeholder={`like 60 ${unit}`}
              refusal={tried ? 'Say what it was pulled to.' : null}
            />
            <Field
              label="What a degree adds"
              value={rise}
              placeholder="like 52 to 60 took 10°"
              onChange={(e) => setRise(e.target.value)}
              says={perDegree === null ? 'pull to one torque, then to a greater: how far did it go?' : `${torqueWords(perDegree, unit)} a degree`}
              className="col-span-full"
            />
          </>
        )}
      </div>
      {joint.pitch === null && <p className="m-0 text-[16px] text-ink2">The pitch of its thread first, below.</p>}
      {!joint.adjusts && window === null && <p className="m-0 text-[16px] text-ink2">Its torque first, least and most.</p>}
      {found && <Answer found={found} unit={unit} bare={bare} />}
      {found?.torque && window && (
        <LimitBarView
          quantity="torque"
          limits={window}
          forecast={found.torque.value}
          reading={
            torqueNow === null ? null : { value: torqueNow, state: torqueNow < window.min ? 'loose' : torqueNow > window.max ? 'tight' : 'in' }
          }
        />
      )}
      {!joint.adjusts && (
        <Primary disabled={sending} onClick={log} className="mb-2">
          It slid in at that
        </Primary>
      )}
      {slid && (
        <p className="m-0 mt-1 text-[16px]">
          Slid in at <span className="num font-semibold">{slid.written}</span>.
        </p>
      )}
      <Caution>
        {joint.adjusts
          ? 'It sets a float: it goes back to a slot, and never on. A new pin.'
          : 'It clamps: onward only, never back for a slot. A new pin, and never one used before.'}
      </Caution>
    </section>
  );
}

function Answer({ found, unit, bare }: { found: AlignedSlot; unit: TorqueUnit; bare: 'thou' | 'mm' }): JSX.Element {
  if (found.opens !== undefined)
    return (
      <p className="m-0 text-[17px]">
        <span className="num text-[44px] leading-[48px] font-semibold">{Math.abs(found.turn ?? 0).toFixed(0)}°</span> back, and the pin goes in:{' '}
        <span className="num font-semibold">{inBoth(found.opens, bare)}</span> more float.
      </p>
    );
  if (found.turn !== null && found.torque)
    return (
      <p className="m-0 text-[17px]">
        <span className="num text-[44px] leading-[48px] font-semibold">{found.turn.toFixed(0)}°</span> onward, and the pin goes in: about{' '}
        <span className="num font-semibold">{torqueWords(found.torque.value, unit)}</span>{' '}
        <span className="num">±{torqueWords(2 * found.torque.u, unit)}</span>, a forecast. A slot comes every {found.spacing.toFixed(0)}°.
      </p>
    );
  if (!found.washer) return <></>;
  const { thinner, thicker } = found.washer;
  return (
    <p className="m-0 text-[17px]">
      No slot lies inside its torque. A washer <span className="num font-semibold">{inBoth(thinner, bare)}</span> thinner brings the next there, or
      one <span className="num font-semibold">{describeLength(thicker, bare)}</span> thicker the last. Never by a whole slot: that changes nothing.
    </p>
  );
}

/** "59 to 67 took 10°", "0.8": what a degree adds, N·m; null where it is not said. */
function riseIn(text: string, unit: TorqueUnit, bare: 'thou' | 'mm'): number | null {
  const figure = (word: string): number | null => {
    const read = understand(word, { field: 'torque', bare, scale: unit });
    return read.kind === 'understood' ? (read.value[0] ?? null) : read.kind === 'ask' ? (read.meanings[0]?.value[0] ?? null) : null;
  };
  const [, from = '', to = '', degrees = ''] = /^\s*([\d.,]+)\s*(?:to|-)\s*([\d.,]+)[^\d]*?(?:took|in|over|,)\s*([\d.]+)\s*°?\s*$/i.exec(text) ?? [];
  if (degrees !== '') {
    const [low, high] = [figure(from), figure(to)];
    return low === null || high === null || high <= low || Number(degrees) <= 0 ? null : (high - low) / Number(degrees);
  }
  return /^\s*[\d.,]+\s*$/.test(text) ? figure(text) : null;
}
