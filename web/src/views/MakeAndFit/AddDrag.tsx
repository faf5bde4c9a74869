import type { JudgedBy } from '@elder-cog/contract';
import type { ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Field, Heading, Primary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { addDrag, addRise } from '../../state/dragActions.ts';

const WAYS: readonly { readonly by: JudgedBy | 'itself'; readonly called: string }[] = [
  { by: 'either', called: 'the drag, or the float: either will do' },
  { by: 'both', called: 'both, the drag and the float' },
  { by: 'itself', called: 'each by itself' },
];

/** Which pair is to be turned, and how its drag and its float are judged; or how much a drag rises as something is tightened. */
export function AddDrag({ shaft, isFirst, onAdded }: { shaft: ShaftState; isFirst: boolean; onAdded: (id: string) => void }): JSX.Element {
  const { send, sending } = useCommand();
  const drags = (shaft.drags ?? []).filter(({ rise }) => !rise);
  const [ofId, setOf] = useState(shaft.gaps[0]?.station.id ?? '');
  const [by, setBy] = useState<JudgedBy | 'itself'>('either');
  const [name, setName] = useState('');
  const float = shaft.gaps.find(({ station }) => station.id === ofId)?.station;
  const drag = drags.find(({ station }) => station.id === ofId)?.station;
  const called = drag ? `${drag.name}, rise` : `${shaft.shaft.name} drag`;
  const keep = (): void => {
    const change = drag ? addRise(shaft, drag, name.trim() || called) : float ? addDrag(shaft, float, name.trim() || called, by) : null;
    if (!change) return;
    void send(change).then(
      () => onAdded(change.stations[0]?.id ?? ''),
      () => undefined,
    );
  };
  if (shaft.gaps.length === 0)
    return (
      <p className="px-4 py-3">Nothing of the {shaft.shaft.name.toLowerCase()} is open: a drag is read of a pair of bearings, which has a float.</p>
    );
  return (
    <form
      aria-label="A drag"
      className="max-w-[820px] px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      {isFirst && (
        <p className="m-0 mb-3 max-w-prose">
          Preload shows on no dial. It is read as what it takes to turn the bearings: off a wrench with a pointer, or a balance on a cord round a
          drum.
        </p>
      )}
      <Heading>Which bearings are turned</Heading>
      <div role="group" aria-label="Which bearings are turned" className="mt-2 flex flex-wrap gap-2">
        {shaft.gaps.map(({ station }) => (
          <Chip key={station.id} on={ofId === station.id} onClick={() => setOf(station.id)}>
            those of the {station.name.toLowerCase()}
          </Chip>
        ))}
        {drags.map(({ station }) => (
          <Chip key={station.id} on={ofId === station.id} onClick={() => setOf(station.id)}>
            how much the {station.name.toLowerCase()} rises
          </Chip>
        ))}
      </div>
      {!drag && (
        <>
          <Heading className="mt-3">What it is judged by</Heading>
          <div role="group" aria-label="What it is judged by" className="mt-2 flex flex-wrap gap-2">
            {WAYS.map((way) => (
              <Chip key={way.by} on={by === way.by} onClick={() => setBy(way.by)}>
                {way.called}
              </Chip>
            ))}
          </div>
        </>
      )}
      <Field
        label="Name"
        value={name}
        maxLength={120}
        placeholder={called}
        onChange={(event) => setName(event.target.value)}
        className="mt-3 max-w-md"
      />
      <Primary type="submit" disabled={sending}>
        Read its drag
      </Primary>
    </form>
  );
}
