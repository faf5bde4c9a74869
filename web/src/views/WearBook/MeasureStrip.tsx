import type { Station } from '@elder-cog/contract';
import { FEATURES, formatLength, parseLength, readLimits, type Instrument, type Length } from '@elder-cog/core';
import { asInstrument, type FeatureState } from '@elder-cog/derive';
import { useRef, useState, type JSX } from 'react';
import { Chip, Field, Heading, Primary, Quiet, Refusal } from '../../kit/controls.tsx';
import { EntryStrip } from '../../kit/EntryStrip.tsx';
import { useCommand } from '../../state/api.ts';
import { keepReading, setLimits, stationChange } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { sizeInBoth, sizeLimitsInBoth, understood } from '../../state/understood.ts';

interface MeasureStripProps {
  readonly feature: FeatureState;
  /** what its mate measures, for a size nobody has said yet */
  readonly mate: Length | null;
  readonly onNext: () => void;
  readonly onMove: (by: 1 | -1) => void;
}

/** The strip for one row: where on it, then the readings of that place. After its last place, the next row. */
export function MeasureStrip({ feature, mate, onNext, onMove }: MeasureStripProps): JSX.Element {
  const { shaft } = useJob();
  const { send, sending } = useCommand();
  const [text, setText] = useState('');
  const { places, each, example } = FEATURES[feature.kind];
  const read = feature.places.map((p) => p.at);
  const [place, setPlace] = useState<string>(places.find((p) => !read.includes(p)) ?? places[0] ?? '');
  const [editing, setEditing] = useState(false);
  const strip = useRef<HTMLInputElement>(null);
  const instrument: Instrument = asInstrument(feature.station.instrument);
  const isMetric = instrument.unit === 'mm' || instrument.unit === 'um';
  const expectedSize = feature.station.newSize ?? feature.now ?? mate;
  const keep = async (entry: string): Promise<void> => {
    const raw = { method: 'size' as const, text: entry, instrument, ...(place === '' ? {} : { at: place }), restsOn: [] };
    try {
      await send(keepReading(feature.station, shaft?.current ?? null, raw, null, `${place} ${entry}`.trim()));
    } catch {
      return;
    }
    setText((now) => (now === entry ? '' : now));
    const next = places[places.indexOf(place) + 1];
    if (next === undefined) return onNext();
    setPlace(next);
    strip.current?.focus();
  };
  return (
    <section
      aria-label="Measure"
      className="sticky bottom-0 z-[5] border-t-2 border-ink bg-paper px-4 py-2 max-sm:bottom-[60px]"
      onKeyDown={(event) => {
        if (event.target !== strip.current || text !== '') return;
        if (event.key === 'ArrowDown') onMove(1);
        else if (event.key === 'ArrowUp') onMove(-1);
        else return;
        event.preventDefault();
      }}
    >
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <Heading>
          {feature.station.name}
          {place !== '' && `: ${places.length === 3 && /\d/.test(place) ? `at ${place} o’clock` : `at the ${place}`}`}
        </Heading>
        <span className="text-ink2 max-sm:hidden">{each}</span>
        <Quiet onClick={() => setEditing((e) => !e)} aria-expanded={editing}>
          {instrument.name} · new size and limit ▸
        </Quiet>
      </div>
      {editing && <SizeAndLimit station={feature.station} feature={feature} instrument={instrument} onDone={() => setEditing(false)} />}
      <div className="flex flex-wrap items-start gap-x-4">
        {places.length > 1 && (
          <div role="group" aria-label="Where on it" className="mb-2 flex flex-wrap gap-2 pt-1">
            {places.map((p) => (
              <Chip
                key={p}
                on={place === p}
                onClick={() => {
                  setPlace(p);
                  strip.current?.focus();
                }}
              >
                {p}
                {read.includes(p) ? ' ✓' : ''}
              </Chip>
            ))}
          </div>
        )}
        <div className="min-w-[300px] flex-1">
          <EntryStrip
            ref={strip}
            value={text}
            onChange={setText}
            onKeep={(entry) => void keep(entry)}
            instrument={instrument}
            label={`${feature.station.name}${place === '' ? '' : `, ${place}`}`}
            example={isMetric ? example.mm : example.in}
            expected={
              expectedSize === null || FEATURES[feature.kind].mayBeNothing
                ? null
                : { min: (expectedSize * 0.95) as Length, max: (expectedSize * 1.05) as Length }
            }
            busy={sending}
          />
        </div>
      </div>
    </section>
  );
}

function SizeAndLimit({
  station,
  feature,
  instrument,
  onDone,
}: {
  station: Station;
  feature: FeatureState;
  instrument: Instrument;
  onDone: () => void;
}): JSX.Element {
  const { send, sending } = useCommand();
  const written = feature.limits?.fact.written ?? '';
  const [size, setSize] = useState(station.newSize === null ? '' : formatLength(station.newSize, instrument.unit));
  const [limit, setLimit] = useState(written);
  const [refusal, setRefusal] = useState<string | null>(null);
  const sizeRead = understood(() => parseLength(size, instrument.unit));
  const limitRead = understood(() => readLimits(limit, instrument.unit));
  const isLargest = FEATURES[feature.kind].judgedBy === 'largest';
  const isInch = instrument.unit === 'in';
  const keep = async (): Promise<void> => {
    const newSize = size.trim() === '' ? null : sizeRead;
    const limits = limit.trim() === '' || limit === written ? null : limitRead;
    if (typeof newSize === 'string') return setRefusal(newSize);
    if (typeof limits === 'string') return setRefusal(limits);
    try {
      await send(
        ...[...(newSize === station.newSize ? [] : [stationChange(station, { newSize })]), ...(limits ? [setLimits(station, limit, limits)] : [])],
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
      <Field
        label="New size"
        value={size}
        onChange={(e) => {
          setSize(e.target.value);
          setRefusal(null);
        }}
        placeholder={isInch ? 'like .5000' : 'like 12.70'}
        says={typeof sizeRead === 'number' ? sizeInBoth(sizeRead) : ''}
        className="w-52"
      />
      <Field
        label="Wear limit"
        value={limit}
        onChange={(e) => {
          setLimit(e.target.value);
          setRefusal(null);
        }}
        placeholder={isLargest ? (isInch ? 'like max .5020' : 'like max 12.75') : isInch ? 'like min .4985' : 'like min 12.66'}
        says={typeof limitRead === 'string' ? '' : sizeLimitsInBoth(limitRead.limits)}
        className="w-56"
      />
      <Primary type="submit" disabled={sending} className="mt-7">
        Keep
      </Primary>
      {refusal && (
        <span className="basis-full">
          <Refusal>{refusal}</Refusal>
        </span>
      )}
    </form>
  );
}
