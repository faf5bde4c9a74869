import { FEATURES, formatLength, noAim, type Instrument } from '@elder-cog/core';
import { expectedAround, type FeatureState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Primary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { setLimits, stationChange } from '../../state/gapActions.ts';

/** What it was when new, and what it is judged by: each may be left as it is. */
export function SizeAndLimit({ feature, instrument, onDone }: { feature: FeatureState; instrument: Instrument; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const { station, limits, kind } = feature;
  const written = limits?.fact.written ?? '';
  const isInch = instrument.unit === 'in' || instrument.unit === 'thou';
  const inUnit = isInch ? 'in' : 'mm';
  const { quantity, judgedBy } = FEATURES[kind];
  const known = feature.now ?? station.newSize;
  const about = { bare: isInch ? 'thou' : 'mm', quantity, ...(known === null ? {} : { expected: expectedAround(known) }) } as const;
  const size = useEntry(
    { field: 'size', ...about },
    { initial: station.newSize === null ? '' : `${formatLength(station.newSize, inUnit)} ${inUnit}` },
  );
  const limit = useEntry({ field: 'limits', ...about }, { initial: written, also: noAim });
  const [isNewSize, isNewLimit] = [size.text.trim() !== '', limit.text.trim() !== '' && limit.text !== written];
  const keep = async (): Promise<void> => {
    if (isNewSize && !size.meaning) return size.keep();
    if (isNewLimit && !limit.meaning) return limit.keep();
    const newSize = isNewSize ? (size.meaning?.value ?? null) : null;
    try {
      await send(
        ...(newSize === station.newSize ? [] : [stationChange(station, { newSize })]),
        ...(isNewLimit && limit.meaning ? [setLimits(station, limit.text, limit.meaning)] : []),
      );
      onDone();
    } catch {
      // the title block says why; the fields keep what was typed
    }
  };
  return (
    <form
      className="mb-2 flex flex-wrap items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <EntryField entry={size} label="New size" placeholder={isInch ? 'like .6250' : 'like 15.88'} className="w-64" />
      <EntryField
        entry={limit}
        label="Wear limit"
        placeholder={judgedBy === 'largest' ? (isInch ? 'like max .6275' : 'like max 15.95') : isInch ? 'like min .6230' : 'like min 15.82'}
        className="w-64"
      />
      <Primary type="submit" disabled={sending} className="mt-7">
        Keep
      </Primary>
    </form>
  );
}
