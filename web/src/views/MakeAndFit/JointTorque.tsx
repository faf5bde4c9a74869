import type { Limit, Station } from '@elder-cog/contract';
import {
  endsOutside,
  fromBase,
  isDressing,
  isGrade,
  STARTING_CAUTION,
  startingTorque,
  threadNamed,
  toBase,
  type Dressing,
  type Ends,
  type TorqueUnit,
} from '@elder-cog/core';
import { dressedOtherwise, torqueOfJoint, type DressedOtherwise, type JointState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Caution, Heading, Quiet, Refusal } from '../../kit/controls.tsx';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { Torque, torqueAsRead, torqueLimitsWords, useTorqueShown, torqueWords } from '../../kit/Torque.tsx';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { originWords } from '../../state/understood.ts';
import { OtherSources } from '../Section/OtherSources.tsx';
import { TorqueLimitsForm } from './TorqueLimitsForm.tsx';

/** How far a joint is pulled: its limits with where they are from, what it was pulled to, and where none are known a place to begin. */
export function JointTorque({ state }: { state: JointState }): JSX.Element {
  const { facts } = useJob();
  const { joint } = state;
  const [editing, setEditing] = useState(false);
  const { station, limit } = torqueOfJoint(facts, joint);
  const told = limit?.torque?.unit ?? 'lbf·ft';
  const { unit: shown, other } = useTorqueShown(told, 'nut');
  const pulled =
    state.pulls.findLast(({ torque }) => torque !== null)?.torque ??
    state.rounds.findLast(({ isDone, round }) => isDone && round.torque !== null)?.round.torque ??
    null;
  const ends = endsOf(limit);
  const aim =
    limit?.torque?.nominal ?? (ends.min !== undefined && ends.max !== undefined ? (ends.min + ends.max) / 2 : (ends.max ?? ends.min ?? null));
  const outside = limit ? endsOutside(joint.rounds, ends) : null;
  const otherwise = dressedOtherwise(joint, limit);
  const isIn =
    pulled !== null && (ends.min === undefined || pulled >= ends.min * (1 - 1e-9)) && (ends.max === undefined || pulled <= ends.max * (1 + 1e-9));
  return (
    <section aria-label="Torque" className="px-4 py-2">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <Heading className="text-blue">Torque</Heading>
        {station && (
          <Quiet onClick={() => setEditing((e) => !e)} aria-expanded={editing} className="no-print">
            Limits ▸
          </Quiet>
        )}
      </div>
      {aim === null ? (
        <p className="m-0 text-[17px] text-ink2">{joint.adjusts ? 'It sets a float, and is pulled to none.' : 'No torque is known yet.'}</p>
      ) : (
        <Torque value={aim} unit={shown} other={other} size={44} />
      )}
      {limit && (
        <p className="m-0 text-[17px]">
          <span className="num font-semibold">
            {limit.torque?.nominal === undefined ? torqueLimitsWords(ends, shown) : torqueWords(limit.torque.nominal, shown)}
          </span>{' '}
          {limit.torque?.nominal === undefined && <span className="unit text-[15px]">{shown}</span>}
          <span className="pl-3">{originWords(limit)}</span>
          {limit.source === 'reckoned' && <span className="block text-ink2">reckoned: {STARTING_CAUTION}</span>}
        </p>
      )}
      {otherwise && (
        <p className="m-0 text-[16px]">
          <Refusal>{otherwiseWords(otherwise)}</Refusal>
        </p>
      )}
      <p className="m-0 text-[16px] text-ink2">
        {[limit?.conditions?.dressing !== undefined && !otherwise ? `${joint.dressing}, as it is given for` : joint.dressing, joint.grade]
          .filter((word) => word !== '')
          .join('; ')}{' '}
        {joint.dressing === '' && !otherwise && 'Nobody has said how it is dressed: a torque holds for the dressing it is given for.'}
      </p>
      {outside !== null && (
        <p className="m-0 text-[16px] text-tight">
          Its last round pulls to <span className="num font-semibold">{torqueWords(outside, shown)}</span>, and that is not within them.
        </p>
      )}
      {station && <OtherSources stationId={station.id} />}
      {editing && station && <TorqueForm station={station} limit={limit} joint={state} onDone={() => setEditing(false)} />}
      {limit && (
        <LimitBarView
          quantity="torque"
          limits={ends}
          aim={aim}
          reading={
            pulled === null
              ? null
              : { value: pulled, state: otherwise ? 'cannotTell' : isIn ? 'in' : ends.max !== undefined && pulled > ends.max ? 'tight' : 'loose' }
          }
        />
      )}
    </section>
  );
}

/** "It is given for dry threads, and these are oiled: at that torque they are stretched about 25 % harder, reckoned. …" */
function otherwiseWords({ given, has, stretched }: DressedOtherwise): string {
  const isAdjective = (dressing: Dressing): boolean => dressing === 'dry' || dressing === 'oiled' || dressing === 'plated';
  const threads = `It is given for ${isAdjective(given) ? `${given} threads` : `threads with ${given}`}`;
  if (has === null || stretched === null) return `${threads}: say how these are dressed.`;
  const these = `${threads}, and these ${isAdjective(has) ? 'are' : 'have'} ${has}`;
  const percent = Math.round(Math.abs(stretched - 1) * 100);
  if (percent === 0) return `${these}: it stretches them much the same, reckoned.`;
  return `${these}: at that torque they are stretched about ${percent} % ${stretched > 1 ? 'harder' : 'less'}, reckoned. Dress them as it says, or find the torque for these.`;
}

/** From the least to the most of a torque, as far as either is said. */
function endsOf(limit: Limit | null): Ends<number> {
  const { min = null, max = null } = limit?.torque ?? {};
  return { ...(min === null ? {} : { min }), ...(max === null ? {} : { max }) };
}

function roundedDown(torque: number, unit: TorqueUnit): number {
  const figure = fromBase(torque, unit);
  const step = 10 ** (Math.floor(Math.log10(figure)) - 1);
  return toBase(Math.floor(figure / step + 1e-9) * step, unit);
}

/** The torque as the manual prints it; or where none does, one to begin from, reckoned from thread, grade and dressing. */
function TorqueForm({
  station,
  limit,
  joint: { joint },
  onDone,
}: {
  station: Station;
  limit: Limit | null;
  joint: JointState;
  onDone: () => void;
}): JSX.Element {
  const bare = useSettings((s) => s.bare);
  const unit: TorqueUnit = bare === 'mm' ? 'N·m' : 'lbf·ft';
  const thread = threadNamed(joint.thread);
  const [grade, dressing] = [joint.grade || 'not marked', joint.dressing || 'dry'];
  // it is a starting point: no finer than to two figures, and never more
  const begun =
    thread && isGrade(grade) && isDressing(dressing) ? { from: roundedDown(startingTorque(thread, { grade, dressing }), unit), dressing } : null;
  return (
    <TorqueLimitsForm
      station={station}
      limit={limit}
      question={{ bare, scale: unit, of: 'torque' }}
      unlessSaid={isDressing(joint.dressing) ? { dressing: joint.dressing } : {}}
      id="torque-limits"
      title="Torque as it is printed"
      label="As the manual prints it"
      placeholder={bare === 'mm' ? 'like 22-26 N·m' : 'like 17-20 lb ft'}
      button="Keep it"
      onDone={onDone}
      below={(keep) =>
        begun !== null && (
          <>
            <p className="m-0 mt-2 text-[16px]">
              None known? For {joint.thread}, {grade}, {dressing}:{' '}
              <Quiet
                onClick={() =>
                  keep(
                    { value: { min: begun.from * 0.9, max: begun.from, conditions: { dressing: begun.dressing } }, unit, said: '' },
                    {
                      source: 'reckoned',
                      pageOrWhom: '',
                      saidAt: '',
                      working: `${joint.thread}, ${grade}, ${dressing}: three quarters of the proof stress`,
                    },
                    `${torqueAsRead(begun.from * 0.9, unit).split(' ')[0] ?? ''}-${torqueAsRead(begun.from, unit)}`,
                  )
                }
              >
                begin from <span className="num font-semibold">{torqueAsRead(begun.from, unit)}</span> ▸
              </Quiet>
            </p>
            <Caution>{STARTING_CAUTION}</Caution>
          </>
        )
      }
    />
  );
}
