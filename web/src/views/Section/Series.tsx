import { gapStation } from '@elder-cog/contract';
import { contactsOf, type GapState, type ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Field, Primary, Quiet, Refusal, Tick } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { newId } from '../../state/settings.ts';

const isSeries = ({ station }: GapState): boolean => contactsOf(station).length > 1;

/** Gaps one after another that a dial reads as one: a ring loose in its groove, and the bearing's own play. */
export function Series({ shaft }: { shaft: ShaftState }): JSX.Element | null {
  const { send } = useCommand();
  const [adding, setAdding] = useState(false);
  const series = shaft.gaps.filter(isSeries);
  if (shaft.gaps.length < 2) return null;
  const nameOf = (contact: string): string =>
    shaft.gaps.find((g) => !isSeries(g) && contactsOf(g.station)[0] === contact)?.station.name.toLowerCase() ?? '?';
  return (
    <section aria-label="Read as one" className="no-print border-t border-rule px-4 py-1">
      <div className="flex flex-wrap items-center gap-x-4">
        <Quiet onClick={() => setAdding((a) => !a)} aria-expanded={adding}>
          Read several gaps as one ▸
        </Quiet>
        <span className="text-ink2">what is pushed goes through one, and then the next</span>
      </div>
      {adding && <SeriesForm shaft={shaft} onDone={() => setAdding(false)} />}
      {series.map((gap) => (
        <p key={gap.station.id} className="m-0 flex flex-wrap items-center gap-x-4 border-t border-rule text-[16px]">
          <span>
            {gap.letter} {gap.station.name}: {contactsOf(gap.station).map(nameOf).join(' and ')}
          </span>
          <Quiet
            className="ml-auto"
            onClick={() =>
              void send({ kind: 'rows.takeOut', stations: [{ id: gap.station.id, revision: gap.station.revision }] }).catch(() => undefined)
            }
          >
            Read them apart
          </Quiet>
        </p>
      ))}
    </section>
  );
}

function SeriesForm({ shaft, onDone }: { shaft: ShaftState; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [name, setName] = useState('');
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [refusal, setRefusal] = useState<string | null>(null);
  const single = shaft.gaps.filter((gap) => !isSeries(gap));
  const add = (): void => {
    if (chosen.length < 2) return setRefusal('Choose two at least.');
    if (name.trim() === '') return setRefusal('Give it a name: what the dial reads.');
    const contacts = single.filter((gap) => chosen.includes(gap.station.id)).flatMap((gap) => contactsOf(gap.station));
    const id = newId();
    const station = gapStation({ id, shaftId: shaft.shaft.id, role: `gap.${id}`, name: name.trim(), position: shaft.gaps.length, contacts });
    void send({ kind: 'stations.add', stations: [station] }).then(onDone, () => undefined);
  };
  return (
    <form
      aria-label="Gaps read as one"
      className="border border-edge bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <Field
        label="What the dial reads"
        value={name}
        onChange={(event) => setName(event.target.value)}
        placeholder={`${shaft.shaft.name}, end to end`}
        maxLength={80}
      />
      <fieldset className="m-0 border-0 p-0">
        <legend className="label text-[17px] font-semibold">One after another</legend>
        <div className="flex flex-wrap gap-x-6">
          {single.map(({ station, letter }) => (
            <Tick
              key={station.id}
              checked={chosen.includes(station.id)}
              onChange={(event) => {
                setRefusal(null);
                setChosen((was) => (event.target.checked ? [...was, station.id] : was.filter((id) => id !== station.id)));
              }}
            >
              {letter} {station.name}
            </Tick>
          ))}
        </div>
      </fieldset>
      {refusal && <Refusal>{refusal}</Refusal>}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <Primary type="submit" disabled={sending}>
          Read them as one
        </Primary>
        <Quiet onClick={onDone}>Leave it</Quiet>
      </div>
    </form>
  );
}
