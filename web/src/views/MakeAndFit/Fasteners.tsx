import type { StripEntry } from '@elder-cog/contract';
import { jointStates, type JointState } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { useSearchParams } from 'react-router';
import { Chip, Field, Heading, Primary, Quiet } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { addJoint, type JointFrom } from '../../state/jointActions.ts';
import { JointForm } from './JointForm.tsx';
import { JointRounds } from './JointRounds.tsx';
import { JointTorque } from './JointTorque.tsx';
import { LockSlot } from './LockSlot.tsx';
import { MakeTabs, PickOne } from './MakeTabs.tsx';
import { NutTurn } from './NutTurn.tsx';
import { ThreadFinder } from './ThreadFinder.tsx';
import { WrenchArm } from './WrenchArm.tsx';

/** What holds things together: each joint on its map, hole by hole and round by round, its torque, its thread and its lock. */
export default function Fasteners(): JSX.Element {
  const { facts, box } = useJob();
  const [search, setSearch] = useSearchParams();
  const [isNew, setNew] = useState(false);
  const all = useMemo(() => jointStates(facts).filter(({ joint }) => joint.assemblyId === box?.id), [facts, box]);
  const found = all.find(({ joint }) => joint.id === search.get('joint')) ?? all.at(-1) ?? null;
  const shown = isNew ? null : found;
  const choose = (id: string): void => {
    setNew(false);
    setSearch((params) => {
      params.set('joint', id);
      return params;
    });
  };
  return (
    <div className="flex min-h-full flex-col">
      <h1 className="sr-only">Fasteners</h1>
      <MakeTabs on="fasteners">
        {all.map((each) => (
          <PickOne key={each.joint.id} on={each === shown} isOver={each.isTorqued} onPick={() => choose(each.joint.id)}>
            {each.joint.name}
            {each.isTorqued ? ' ✓' : ''}
          </PickOne>
        ))}
        {all.length > 0 && (
          <Quiet onClick={() => setNew(true)} aria-expanded={isNew}>
            Another joint ▸
          </Quiet>
        )}
      </MakeTabs>
      {shown ? <One key={shown.joint.id} state={shown} /> : <Begin key={all.length} isFirst={all.length === 0} onBegun={choose} />}
    </div>
  );
}

function One({ state }: { state: JointState }): JSX.Element {
  // of a joint that is new everything is still to be said
  const [changing, setChanging] = useState(state.rounds.length === 0);
  const isLocked = state.joint.lock.slots !== null || state.joint.lock.notches.length > 0;
  return (
    <div className="grid flex-1 grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)_minmax(0,0.95fr)] max-xl:grid-cols-2 max-md:grid-cols-1">
      <div className="min-w-0 border-ink md:border-r-2">
        <JointRounds state={state} />
      </div>
      <div className="min-w-0 border-ink xl:border-r-2 max-md:border-t-2">
        <JointTorque state={state} />
        <div className="no-print border-t border-rule px-4">
          <Quiet onClick={() => setChanging((c) => !c)} aria-expanded={changing}>
            What it is ▸
          </Quiet>
        </div>
        {changing && <JointForm state={state} />}
      </div>
      <div className="min-w-0 border-ink max-xl:col-span-full max-xl:border-t-2">
        {state.joint.adjusts && <NutTurn state={state} />}
        {isLocked && <LockSlot state={state} />}
        {!state.joint.adjusts && <WrenchArm state={state} />}
        <ThreadFinder joint={state.joint} />
      </div>
    </div>
  );
}

/** What of a box can be a joint and is none yet: nut or bolts of its shafts, bolts of its strip log; or any other by its name. */
function Begin({ isFirst, onBegun }: { isFirst: boolean; onBegun: (id: string) => void }): JSX.Element {
  const { facts, state, box } = useJob();
  const { send, sending } = useCommand();
  const [name, setName] = useState('');
  const joints = facts.joints.filter(({ gone }) => gone !== true);
  const places = state.shafts
    .filter(({ assembly }) => assembly.id === box?.id)
    .flatMap(({ shaft, slots }) =>
      slots.flatMap(({ slot }) => (slot.kind === 'fastening' ? [{ of: 'place' as const, slot, shaftId: shaft.id, where: shaft.name }] : [])),
    )
    .filter(({ slot }) => !joints.some(({ placeId }) => placeId === slot.id));
  const bolts = facts.strip.filter(
    (entry: StripEntry) => entry.assemblyId === box?.id && entry.bolts !== null && !joints.some(({ stripId }) => stripId === entry.id),
  );
  const begin = (from: JointFrom): void => {
    if (!box) return;
    const change = addJoint(box.id, from);
    void send(change).then(
      () => onBegun(change.joint.id),
      () => undefined,
    );
  };
  return (
    <form
      aria-label="A joint"
      className="max-w-[820px] px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '') begin({ of: 'name', name: name.trim() });
      }}
    >
      {isFirst && (
        <p className="m-0 mb-3 max-w-prose">
          No joint is on its map yet: cover bolts, a nut, the bolts of a cap. Each has its torque with where that is from, the rounds it is pulled in,
          and its lock; and what was done is ticked hole by hole.
        </p>
      )}
      <Heading>Which joint</Heading>
      <div role="group" aria-label="Which joint" className="mt-2 flex flex-wrap gap-2">
        {places.map((each) => (
          <Chip key={each.slot.id} on={false} disabled={sending} onClick={() => begin(each)}>
            {each.slot.name}, {each.where.toLowerCase()}
          </Chip>
        ))}
        {bolts.map((entry) => (
          <Chip key={entry.id} on={false} disabled={sending} onClick={() => begin({ of: 'strip', entry })}>
            {entry.part}, as they came off
          </Chip>
        ))}
      </div>
      <Field
        label="Or another"
        value={name}
        maxLength={120}
        placeholder="like Bearing cap bolts"
        onChange={(e) => setName(e.target.value)}
        className="mt-3 max-w-md"
      />
      <Primary type="submit" disabled={sending || name.trim() === ''}>
        Put it on a map
      </Primary>
    </form>
  );
}
