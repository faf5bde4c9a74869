import type { RawReading } from '@elder-cog/contract';
import { describeLength, ZERO, type Instrument, type Length, type PlainQuantity } from '@elder-cog/core';
import { useState, type JSX } from 'react';
import { Chip } from '../../kit/controls.tsx';
import { EntryField, useEntry, type Entry } from '../../kit/EntryField.tsx';

type Gasket = NonNullable<RawReading['gasket']>;

/** What a way of reading needs besides what is typed in the strip. */
export interface Besides {
  readonly fields: JSX.Element;
  /** what of it belongs to the reading */
  readonly raw: Pick<RawReading, 'heights' | 'heightsUnderstood' | 'spacer' | 'gasket' | 'parallels'>;
  readonly spacer: Length | null;
  /** what must be said first */
  readonly missing: string | null;
  /** shows what is asked about or not understood */
  settle(): void;
}

interface Question {
  readonly stationId: string;
  readonly method: RawReading['method'];
  readonly instrument: Instrument;
  /** a gasket goes under the cover, as was said */
  readonly hasGasket: boolean;
  /** the parallels are to be taken off here */
  readonly parallelsHere: boolean;
  /** the reading before this one, by the same method: what it said is there to begin with */
  readonly before: RawReading | null;
}

const DURING: readonly (readonly [Gasket['during'], string])[] = [
  ['out', 'out'],
  ['loose', 'lying loose'],
  ['clamped', 'clamped under it'],
];

/** Depth and height over parallels, a known spacer, a gasket left out: asked beside the strip, and said again the next time. */
export function useBesides({ stationId, method, instrument, hasGasket, parallelsHere, before }: Question): Besides {
  const unit = instrument.unit === 'in' || instrument.unit === 'thou' ? 'thou' : 'mm';
  const usual = (quantity: PlainQuantity) => ({ field: 'size', bare: unit, quantity }) as const;
  const saidBefore = (length: Length | undefined): string => (length === undefined ? '' : describeLength(length, unit));
  const key = (name: string): string => `${name} ${stationId}`;

  const heights = useEntry(
    { field: 'reading', bare: unit, quantity: 'depth', instrument },
    { draft: key('heights'), ...(before?.heights === undefined ? {} : { initial: before.heights }) },
  );
  const spacer = useEntry(usual('spacer'), { draft: key('spacer'), initial: saidBefore(before?.spacer) });
  const crushed = useEntry(usual('gasket'), { draft: key('crushed'), initial: saidBefore(before?.gasket?.crushed) });
  const free = useEntry(usual('gasket'), { draft: key('free'), initial: saidBefore(before?.gasket?.free) });
  const caseOff = useEntry(usual('parallel'), { draft: key('case'), initial: saidBefore(before?.parallels?.depths) });
  const coverOff = useEntry(usual('parallel'), { draft: key('cover'), initial: saidBefore(before?.parallels?.heights) });
  const [during, setDuring] = useState<Gasket['during']>(before?.gasket?.during ?? 'out');

  const isDepths = method === 'depths';
  const asksGasket = hasGasket && (isDepths || method === 'coverDown');
  const isLoose = isDepths && during === 'loose';
  const lengthOf = (entry: Entry<'size'>): Length | null => entry.meaning?.value ?? null;
  const optional = (entry: Entry<'size'>): Length | null => (entry.text.trim() === '' ? ZERO : lengthOf(entry));
  const read = heights.meaning?.value;

  const wanted: readonly (readonly [boolean, Entry<'size'> | Entry<'reading'>, string])[] = [
    [isDepths && read?.how !== 'sizes', heights, 'Give the height of the cover as well, flange to spigot.'],
    [method === 'spacer' && lengthOf(spacer) === null, spacer, 'Say how thick the known spacer is.'],
    [asksGasket && during !== 'clamped' && lengthOf(crushed) === null, crushed, 'Say how thick the gasket is when it is bolted up.'],
    [asksGasket && isLoose && lengthOf(free) === null, free, 'Say how thick the gasket is lying loose.'],
    [isDepths && parallelsHere && optional(caseOff) === null, caseOff, 'Say how thick the parallel across the case is.'],
    [isDepths && parallelsHere && optional(coverOff) === null, coverOff, 'Say how thick the parallel across the cover is.'],
  ];
  const open = wanted.filter(([isMissing]) => isMissing);
  const gasket: Gasket = {
    crushed: lengthOf(crushed) ?? ZERO,
    free: isLoose ? (lengthOf(free) ?? ZERO) : (lengthOf(crushed) ?? ZERO),
    during: isDepths ? during : 'out',
  };
  return {
    spacer: method === 'spacer' ? lengthOf(spacer) : null,
    missing: open[0]?.[2] ?? null,
    settle: () => open.forEach(([, entry]) => entry.keep()),
    raw: {
      ...(isDepths && read?.how === 'sizes' ? { heights: heights.text, heightsUnderstood: [...read.values] } : {}),
      ...(method === 'spacer' ? { spacer: lengthOf(spacer) ?? ZERO } : {}),
      ...(asksGasket ? { gasket } : {}),
      ...(isDepths && parallelsHere ? { parallels: { depths: optional(caseOff) ?? ZERO, heights: optional(coverOff) ?? ZERO } } : {}),
    },
    fields: (
      <>
        {isDepths && (
          <EntryField
            entry={heights}
            label="Cover, flange to spigot"
            placeholder={unit === 'thou' ? 'like .640 .641' : 'like 16.24 16.26'}
            className="mb-1"
          />
        )}
        {isDepths && parallelsHere && (
          <div className="grid grid-cols-2 gap-3">
            <EntryField entry={caseOff} label="Parallel across the case" placeholder="none" />
            <EntryField entry={coverOff} label="Parallel across the cover" placeholder="none" />
          </div>
        )}
        {method === 'spacer' && (
          <EntryField
            entry={spacer}
            label="Known spacer under the flange"
            placeholder={unit === 'thou' ? 'like 18 thou' : 'like 0.45'}
            className="mb-1"
          />
        )}
        {asksGasket && isDepths && (
          <div role="group" aria-label="The gasket, while the depth was read" className="mb-1 flex flex-wrap items-center gap-2">
            <span className="basis-full">The gasket, while the depth was read</span>
            {DURING.map(([value, words]) => (
              <Chip key={value} on={during === value} onClick={() => setDuring(value)}>
                {words}
              </Chip>
            ))}
          </div>
        )}
        {asksGasket && during !== 'clamped' && (
          <EntryField entry={crushed} label="Gasket, bolted up" placeholder={unit === 'thou' ? 'like 11 thou' : 'like 0.28'} className="mb-1" />
        )}
        {asksGasket && isLoose && (
          <EntryField entry={free} label="Gasket, lying loose" placeholder={unit === 'thou' ? 'like 14 thou' : 'like 0.36'} className="mb-1" />
        )}
      </>
    ),
  };
}
