import { useState, type JSX } from 'react';
import { Field, Heading, Primary, Quiet } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { newId } from '../../state/settings.ts';

/** Sets that stay together: a crown wheel with its pinion, a cup with its cone, caps with their side. Said once. */
export function MatchedSets(): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const [adding, setAdding] = useState(false);
  const [name, setName] = useState('');
  const [text, setText] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const sets = facts.matchedSets.filter((set) => !set.gone);
  const keep = (): void => {
    const members = [...new Set(text.split(text.includes(';') ? ';' : ',').map((m) => m.trim()))].filter((m) => m !== '');
    if (members.length < 2) return setRefusal('Name two parts or more, with commas between; or semicolons, where a name has a comma in it.');
    send({
      kind: 'matchedSet.add',
      matchedSet: { id: newId(), jobId: facts.job.id, name: name.trim() || members[0] || '', members, gone: false },
    }).then(
      () => {
        setAdding(false);
        setName('');
        setText('');
      },
      () => undefined,
    );
  };
  return (
    <section aria-label="Matched sets" className="mt-3 border-t border-rule pt-2">
      <div className="flex items-center justify-between gap-3">
        <Heading>Matched sets</Heading>
        <Quiet onClick={() => setAdding((a) => !a)} aria-expanded={adding} className="no-print">
          Add a set ▸
        </Quiet>
      </div>
      {sets.length === 0 && !adding && (
        <p className="m-0 text-[16px] text-ink2">
          A crown wheel with its pinion, a cup with its cone, caps with their sides: said once, warned about after.
        </p>
      )}
      {adding && (
        <form
          aria-label="A matched set"
          onSubmit={(event) => {
            event.preventDefault();
            keep();
          }}
        >
          <Field label="Called" value={name} maxLength={120} onChange={(e) => setName(e.target.value)} placeholder="like crown wheel and pinion" />
          <Field
            label="Its parts"
            value={text}
            onChange={(e) => {
              setText(e.target.value);
              setRefusal(null);
            }}
            refusal={refusal}
            placeholder="like crown wheel, pinion"
          />
          <Primary type="submit" disabled={sending}>
            Keep the set
          </Primary>
        </form>
      )}
      <ul className="m-0 list-none p-0">
        {sets.map((set) => (
          <li key={set.id} className="flex flex-wrap items-center justify-between gap-x-3 border-t border-rule first:border-t-0">
            <span>
              <span className="font-medium">{set.name}</span>: {set.members.join(', ')}
            </span>
            <Quiet
              className="no-print"
              onClick={() => void send({ kind: 'matchedSet.change', matchedSet: { ...set, gone: true } }).catch(() => undefined)}
            >
              take it away
            </Quiet>
          </li>
        ))}
      </ul>
    </section>
  );
}
