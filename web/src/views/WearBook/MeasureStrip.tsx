import { type EntryQuestion, FEATURES, type Length, smallUnit } from '@elder-cog/core';
import { expectedOfFeature, readingComesTo, type FeatureState, type ReadingValue } from '@elder-cog/derive';
import type { RawReading } from '@elder-cog/contract';
import { useRef, useState, type JSX } from 'react';
import { Chip, Heading, Quiet } from '../../kit/controls.tsx';
import { EntryStrip, type ReadingMeaning } from '../../kit/EntryStrip.tsx';
import { useCommand } from '../../state/api.ts';
import { clearDraft, useDraft } from '../../state/drafts.ts';
import { keepReading, sizeRead } from '../../state/gapActions.ts';
import { useInstrument } from '../../state/instruments.ts';
import { useJob } from '../../state/job.ts';
import { InstrumentSetUp } from '../Section/InstrumentSetUp.tsx';
import { InstrumentChoice } from './InstrumentChoice.tsx';
import { SizeAndLimit } from './SizeAndLimit.tsx';

interface MeasureStripProps {
  readonly feature: FeatureState;
  /** what its mate measures, for a size nobody has said yet */
  readonly mate: Length | null;
  readonly onNext: () => void;
  readonly onMove: (by: 1 | -1) => void;
}

const AFTER_REPAIR = 'after a repair';

/** The strip for one row: where on it, then the readings of that place. After its last place, the next row. */
export function MeasureStrip({ feature, mate, onNext, onMove }: MeasureStripProps): JSX.Element {
  const { shaft } = useJob();
  const { send, sending } = useCommand();
  const { station, kind } = feature;
  const draft = `measure ${station.id}`;
  const [text, setText] = useDraft(draft);
  const { places, each, example, quantity } = FEATURES[kind];
  const [afresh, setAfresh] = useState(false);
  const read = afresh ? [] : feature.places.map((p) => String(p.at ?? ''));
  const [place, setPlace] = useState<string>(places.find((p) => !read.includes(p)) ?? places[0] ?? '');
  const [open, setOpen] = useState<'size' | 'instrument' | null>(null);
  const strip = useRef<HTMLInputElement>(null);
  const instrument = useInstrument(station, 'size');
  const bare = smallUnit(instrument.unit);
  const expected = afresh || FEATURES[kind].mayBeNothing ? null : expectedOfFeature(feature, mate);
  const question: Omit<EntryQuestion<'reading'>, 'field'> & { instrument: typeof instrument } = {
    bare,
    quantity,
    instrument,
    ...(expected ? { expected } : {}),
  };
  const rawOf = (entry: string, meaning: ReadingMeaning): RawReading =>
    sizeRead({ text: entry, meaning, instrument, at: place, newSet: afresh ? AFTER_REPAIR : undefined });
  const comesTo = (meaning: ReadingMeaning): ReadingValue | null => readingComesTo(rawOf('', meaning));
  const keep = async (entry: string, meaning: ReadingMeaning): Promise<void> => {
    try {
      await send(keepReading(station, shaft?.current?.build.id ?? null, rawOf(entry, meaning), null, `${place} ${entry}`.trim()));
    } catch {
      return;
    }
    clearDraft(draft, entry);
    setAfresh(false);
    const next = places[places.indexOf(place) + 1];
    if (next === undefined) return onNext();
    setPlace(next);
    strip.current?.focus();
  };
  const toggle = (panel: 'size' | 'instrument'): void => setOpen((now) => (now === panel ? null : panel));
  return (
    <section
      aria-label="Measure"
      className="sticky bottom-[var(--keypad)] z-[5] border-t-2 border-ink bg-paper px-4 py-2 max-sm:bottom-[calc(60px+var(--keypad))]"
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
          {station.name}
          {place !== '' && `: ${places.length === 3 && /\d/.test(place) ? `at ${place} o’clock` : `at the ${place}`}`}
        </Heading>
        <span className="text-ink2 max-sm:hidden">{each}</span>
        <span className="flex flex-wrap gap-x-4">
          {feature.places.length > 0 && (
            <Quiet onClick={() => setAfresh((a) => !a)} aria-pressed={afresh}>
              {afresh ? 'measured afresh, after a repair ✓' : 'measure afresh'}
            </Quiet>
          )}
          <Quiet onClick={() => toggle('instrument')} aria-expanded={open === 'instrument'}>
            {instrument.name} ▸
          </Quiet>
          <Quiet onClick={() => toggle('size')} aria-expanded={open === 'size'}>
            new size and limit ▸
          </Quiet>
        </span>
      </div>
      {open === 'size' && <SizeAndLimit feature={feature} instrument={instrument} onDone={() => setOpen(null)} />}
      {open === 'instrument' && (
        <>
          <InstrumentChoice station={station} onDone={() => setOpen(null)} />
          <InstrumentSetUp key={instrument.name} station={station} onDone={() => setOpen(null)} />
        </>
      )}
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
            onKeep={(entry, meaning) => void keep(entry, meaning)}
            question={question}
            comesTo={comesTo}
            label={`${station.name}${place === '' ? '' : `, ${place}`}`}
            example={bare === 'mm' ? example.mm : example.in}
            busy={sending}
          />
        </div>
      </div>
    </section>
  );
}
