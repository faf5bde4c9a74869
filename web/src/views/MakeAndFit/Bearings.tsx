import { bearingsOf, rollersInStrip, rollerStates } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { useSearchParams } from 'react-router';
import { Chip, Field, Heading, Primary, Quiet } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { addRollers } from '../../state/rollerActions.ts';
import { BearingFinder } from './BearingFinder.tsx';
import { BearingRows } from './BearingRows.tsx';
import { MakeTabs, PickOne } from './MakeTabs.tsx';
import { RollerSet } from './RollerSet.tsx';
import { Standing } from './Standing.tsx';

/** The bearings of each shaft with their numbers and which way they go in, what a bearing is by its sizes; and loose rollers, counted. */
export default function Bearings(): JSX.Element {
  const { facts, state, box } = useJob();
  const [search, setSearch] = useSearchParams();
  const [isNew, setNew] = useState(false);
  const shafts = useMemo(
    () =>
      state.shafts
        .filter(({ assembly }) => assembly.id === box?.id)
        .map((shaft) => ({ shaft, bearings: bearingsOf(facts, shaft, state.shafts) }))
        .filter(({ bearings }) => bearings.length > 0),
    [facts, state.shafts, box],
  );
  const sets = useMemo(() => rollerStates(facts).filter(({ rollers }) => rollers.assemblyId === box?.id), [facts, box]);
  const of = search.get('of') ?? search.get('shaft');
  const set = isNew ? undefined : sets.find(({ rollers }) => rollers.id === of);
  const shown = set || isNew ? undefined : (shafts.find(({ shaft }) => shaft.shaft.id === of) ?? shafts[0]);
  const rollers = set ?? (shown || isNew ? undefined : sets[0]);
  const choose = (id: string): void => {
    setNew(false);
    setSearch((params) => {
      params.set('of', id);
      return params;
    });
  };
  return (
    <div className="flex min-h-full flex-col">
      <h1 className="sr-only">Bearings</h1>
      <MakeTabs on="bearings">
        {shafts.map((each) => (
          <PickOne key={each.shaft.shaft.id} on={each === shown} onPick={() => choose(each.shaft.shaft.id)}>
            {each.shaft.shaft.name}
          </PickOne>
        ))}
        {sets.map((each) => (
          <PickOne key={each.rollers.id} on={each === rollers} isOver={each.mark === 'in'} onPick={() => choose(each.rollers.id)}>
            {each.rollers.name}
            {each.mark === 'in' ? ' ✓' : ''}
          </PickOne>
        ))}
        {(shown !== undefined || rollers !== undefined) && (
          <Quiet onClick={() => setNew(true)} aria-expanded={isNew}>
            Loose rollers ▸
          </Quiet>
        )}
      </MakeTabs>
      {rollers ? (
        <RollerSet key={rollers.rollers.id} state={rollers} />
      ) : shown ? (
        <div className="grid flex-1 grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)] max-lg:grid-cols-1">
          <div className="min-w-0 border-ink lg:border-r-2">
            <BearingRows key={shown.shaft.shaft.id} shaft={shown.shaft} bearings={shown.bearings} />
          </div>
          <div className="min-w-0 max-lg:border-t-2 max-lg:border-ink">
            <BearingFinder bearings={shown.bearings} />
            <Standing key={shown.shaft.shaft.id} bearings={shown.bearings} />
          </div>
        </div>
      ) : (
        <div className="grid flex-1 grid-cols-2 max-lg:grid-cols-1">
          <BeginRollers key={sets.length} isFirst={sets.length === 0} onBegun={choose} />
          <div className="border-ink max-lg:border-t-2 lg:border-l-2">
            <BearingFinder bearings={[]} />
          </div>
        </div>
      )}
    </div>
  );
}

/** Loose rollers by their name; as the strip log counted them, where it did. */
function BeginRollers({ isFirst, onBegun }: { isFirst: boolean; onBegun: (id: string) => void }): JSX.Element {
  const { facts, box } = useJob();
  const { send, sending } = useCommand();
  const [name, setName] = useState('');
  const begin = (called: string, out: number | null): void => {
    if (!box) return;
    const change = addRollers(box.id, called, out);
    void send(change).then(
      () => onBegun(change.rollers.id),
      () => undefined,
    );
  };
  const stripped = box ? rollersInStrip(facts, box.id) : [];
  return (
    <form
      aria-label="Loose rollers"
      className="max-w-[720px] px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '') begin(name.trim(), null);
      }}
    >
      {isFirst && (
        <p className="m-0 mb-3 max-w-prose">
          Loose rollers are counted as they come out and as they go in, and what their sizes say stands beside it: one short is not felt until it
          runs.
        </p>
      )}
      <Heading>Which rollers</Heading>
      {stripped.length > 0 && (
        <div role="group" aria-label="As they came out" className="mt-2 flex flex-wrap gap-2">
          {stripped.map((each) => (
            <Chip key={each.name} on={false} disabled={sending} onClick={() => begin(each.name, each.count)}>
              {each.name}, {each.count} as they came out
            </Chip>
          ))}
        </div>
      )}
      <Field
        label="Where they run"
        value={name}
        maxLength={120}
        placeholder="like Layshaft, front end"
        onChange={(e) => setName(e.target.value)}
        className="mt-3 max-w-md"
      />
      <Primary type="submit" disabled={sending || name.trim() === ''}>
        Begin with these
      </Primary>
    </form>
  );
}
