import type { Station } from '@elder-cog/contract';
import { INSTRUMENTS, type Instrument } from '@elder-cog/core';
import type { JSX } from 'react';
import { Chip } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { stationChange } from '../../state/gapActions.ts';
import { useOwnInstruments } from '../../state/instruments.ts';

/** What a row is read with: the workshop's own, or any other, in either system. */
export function InstrumentChoice({ station, onDone }: { station: Station; onDone: () => void }): JSX.Element {
  const { send } = useCommand();
  const own = useOwnInstruments();
  const all = [...own, ...Object.values<Instrument>(INSTRUMENTS).filter(({ name }) => !own.some((each) => each.name === name))];
  return (
    <div role="group" aria-label="Read with" className="mb-2 flex flex-wrap gap-2">
      {all.map((instrument) => (
        <Chip
          key={instrument.name}
          on={station.instrument?.name === instrument.name}
          onClick={() => void send(stationChange(station, { instrument })).then(onDone, () => undefined)}
        >
          {instrument.name}
        </Chip>
      ))}
    </div>
  );
}
