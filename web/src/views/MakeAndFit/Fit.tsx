import { fittingsOf } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { useSearchParams } from 'react-router';
import { Chip, Field, Heading, Primary, Quiet } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { beginFitting, FIT_KINDS, type FitKind } from '../../state/fittingActions.ts';
import { useJob } from '../../state/job.ts';
import { FitAnswers } from './FitAnswers.tsx';
import { FitForm } from './FitForm.tsx';
import { MakeTabs, PickOne } from './MakeTabs.tsx';

const KINDS = Object.keys(FIT_KINDS) as FitKind[];

/** What goes into what: how tight it is, what pressing or heat it takes, how long there is, and how it went. */
export default function Fit(): JSX.Element {
  const { facts } = useJob();
  const [search, setSearch] = useSearchParams();
  const all = useMemo(() => fittingsOf(facts), [facts]);
  const [isNew, setNew] = useState(false);
  const found = all.find(({ fitting }) => fitting.id === search.get('fitting')) ?? all.at(-1) ?? null;
  const shown = isNew ? null : found;
  const choose = (id: string): void => {
    setNew(false);
    setSearch((params) => {
      params.set('fitting', id);
      return params;
    });
  };
  return (
    <div className="flex min-h-full flex-col">
      <h1 className="sr-only">Fits and heat</h1>
      <MakeTabs on="fit">
        {all.map((each) => (
          <PickOne key={each.fitting.id} on={each === shown} onPick={() => choose(each.fitting.id)}>
            {each.fitting.name}
          </PickOne>
        ))}
        {all.length > 0 && (
          <Quiet onClick={() => setNew(true)} aria-expanded={isNew}>
            Another fit ▸
          </Quiet>
        )}
      </MakeTabs>
      {shown ? (
        <div key={shown.fitting.id} className="grid flex-1 grid-cols-2 max-lg:grid-cols-1">
          <div className="min-w-0 border-ink lg:border-r-2">
            <FitForm fitting={shown.fitting} />
          </div>
          <div className="min-w-0 border-ink max-lg:border-t-2">
            <FitAnswers state={shown} />
          </div>
        </div>
      ) : (
        <Begin isFirst={all.length === 0} onBegun={choose} />
      )}
    </div>
  );
}

function Begin({ isFirst, onBegun }: { isFirst: boolean; onBegun: (id: string) => void }): JSX.Element {
  const { state } = useJob();
  const { send, sending } = useCommand();
  const [kind, setKind] = useState<FitKind>('cup');
  const [name, setName] = useState('');
  return (
    <form
      aria-label="A fit"
      className="max-w-[760px] px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        const change = beginFitting(state.job.id, kind, name.trim());
        void send(change).then(
          () => onBegun(change.fitting.id),
          () => undefined,
        );
      }}
    >
      {isFirst && (
        <p className="m-0 mb-3 max-w-prose">
          Nothing is fitted here yet. Measure both parts, and it says how tight they go, what to ream to, how warm to make which, and how many seconds
          there are.
        </p>
      )}
      <Heading>What goes into what</Heading>
      <div role="group" aria-label="What goes into what" className="mt-2 flex flex-wrap gap-2">
        {KINDS.map((each) => (
          <Chip key={each} on={kind === each} onClick={() => setKind(each)}>
            {FIT_KINDS[each].called}
          </Chip>
        ))}
      </div>
      <Field
        label="Name, if it has one"
        value={name}
        maxLength={120}
        placeholder="like Drop gear, rear bush"
        onChange={(event) => setName(event.target.value)}
        className="mt-3 max-w-md"
      />
      <Primary type="submit" disabled={sending}>
        Begin it
      </Primary>
    </form>
  );
}
