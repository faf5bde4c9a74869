import type { Station } from '@elder-cog/contract';
import { INSTRUMENTS } from '@elder-cog/core';
import type { JSX } from 'react';
import { Chip } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { stationChange } from '../../state/gapActions.ts';

/** What a row is read with: any instrument, in either system. */
export function InstrumentChoice({ station, onDone }: { station: Station; onDone: () => void }): JSX.Element {
  const { send } = useCommand();
  return (
    <div role="group" aria-label="Read with" className="mb-2 flex flex-wrap gap-2">
      {Object.values(INSTRUMENTS).map((instrument) => (
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
