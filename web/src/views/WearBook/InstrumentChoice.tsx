import type { Station } from '@elder-cog/contract';
import { INSTRUMENTS, type Instrument } from '@elder-cog/core';
import { asInstrument } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Chip } from '../../kit/controls.tsx';
import { useCommand, useDrawer } from '../../state/api.ts';
import { stationChange } from '../../state/gapActions.ts';

/** What a row is read with: the workshop's own, or any other, in either system. */
export function InstrumentChoice({ station, onDone }: { station: Station; onDone: () => void }): JSX.Element {
  const { send } = useCommand();
  const own = (useDrawer().data?.instruments ?? []).map((each) => asInstrument(each.instrument));
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
