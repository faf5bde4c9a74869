import type { Station } from '@elder-cog/contract';
import {
  formatLength,
  formatLimits,
  INSTRUMENTS,
  MARK_WORDS,
  otherUnit,
  parseLength,
  readLimits,
  unitWord,
  type Instrument,
  type Length,
  type LengthUnit,
} from '@elder-cog/core';
import { asInstrument, type FeatureState, type PairState, type ShaftState } from '@elder-cog/derive';
import { useRef, useState, type JSX } from 'react';
import { Chip, Field, Heading, Primary, Quiet, Refusal, Secondary } from '../../kit/controls.tsx';
import { EntryStrip } from '../../kit/EntryStrip.tsx';
import { LimitBarView } from '../../kit/LimitBarView.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { Num } from '../../kit/Num.tsx';
import { SumView } from '../../kit/SumView.tsx';
import { useCommand } from '../../state/api.ts';
import { keepReading, setLimits, stationChange } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { newId, useSettings } from '../../state/settings.ts';
import { sizeInBoth, sizeLimitsInBoth, understood } from '../../state/understood.ts';
import { NoShaft } from '../Section/Section.tsx';
import { LimitsPanel } from '../Section/SetUp.tsx';
import { PairDrawing } from './PairDrawing.tsx';

const PLACES = ['front', 'middle', 'rear'] as const;

/** By part: each bush with its journal, what they measure, and what lies between them. */
export default function WearBook(): JSX.Element {
  const { state, shaft } = useJob();
  const [chosen, setChosen] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const [feature, setFeature] = useState<string | null>(null);
  if (!shaft) return <NoShaft jobId={state.job.id} />;
  const pair = shaft.pairs.find((p) => p.station.id === chosen) ?? shaft.pairs[0];
  const current =
    [pair?.bore, pair?.journal].find((f) => f?.station.id === feature) ??
    (pair?.bore?.now === null ? pair.bore : pair?.journal?.now === null ? pair?.journal : pair?.bore) ??
    null;
  return (
    <div className="grid min-h-full grid-cols-[minmax(0,1fr)_404px] max-lg:grid-cols-1">
      <div className="flex min-w-0 flex-col">
        <div className="flex flex-wrap items-baseline justify-between gap-3 border-b-2 border-ink px-4 py-1">
          <h1 className="label m-0 text-[18px] font-semibold">By part, {shaft.shaft.name}</h1>
          {shaft.pairs.length > 0 && <Quiet onClick={() => setAdding((a) => !a)}>Add a bush and journal ▸</Quiet>}
        </div>
        {(adding || shaft.pairs.length === 0) && <AddPair shaft={shaft} onDone={() => setAdding(false)} />}
        {shaft.pairs.length > 0 && (
          <div className="overflow-x-auto bg-sheet">
            <table className="w-full border-collapse">
              <thead className="max-sm:sr-only">
                <tr className="label border-b-2 border-ink text-[16px] text-ink2">
                  <th className="py-2 pl-4 text-left font-semibold">Part</th>
                  <th className="px-2 text-right font-semibold max-sm:hidden">New</th>
                  <th className="px-2 text-right font-semibold max-sm:hidden">Limit</th>
                  <th className="px-2 text-right font-semibold">Now</th>
                  <th className="px-2 text-right font-semibold max-sm:hidden">Wear</th>
                  <th className="px-2 text-left font-semibold">Clearance</th>
                  <th className="px-2 text-left font-semibold">Verdict</th>
                </tr>
              </thead>
              {shaft.pairs.map((p) => (
                <PairRows
                  key={p.station.id}
                  pair={p}
                  on={p === pair}
                  feature={current?.station.id ?? null}
                  onChoose={(id) => {
                    setChosen(p.station.id);
                    setFeature(id);
                  }}
                />
              ))}
            </table>
          </div>
        )}
        {pair && current && <MeasureStrip key={current.station.id} pair={pair} feature={current} onFeature={setFeature} />}
      </div>
      <aside aria-label="Clearance" className="min-w-0 border-l-2 border-ink px-4 py-3 max-lg:border-t-2 max-lg:border-l-0">
        {pair ? <PairPanel pair={pair} /> : <p className="text-ink2">The clearance of a bush and its journal stands here once both are measured.</p>}
      </aside>
    </div>
  );
}

/** Bore stations and journal stations, and the pair over them. */
function AddPair({ shaft, onDone }: { shaft: ShaftState; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [name, setName] = useState('');
  const [unit, setUnit] = useState<'in' | 'mm'>('in');
  const add = (): void => {
    const [boreId, journalId] = [newId(), newId()];
    const position = 100 + shaft.pairs.length * 10;
    const base = {
      shaftId: shaft.shaft.id,
      quantity: 'length' as const,
      moreIs: 'loose' as const,
      contactRole: null,
      boreId: null,
      journalId: null,
      newSize: null,
      rule: 'plain' as const,
      aim: { at: 'middle' as const },
      method: 'size' as const,
    };
    void send({
      kind: 'stations.add',
      stations: [
        {
          ...base,
          id: boreId,
          subject: 'bore',
          role: `pair.${position}.bore`,
          name: `${name.trim()} bush`,
          position,
          instrument: unit === 'in' ? INSTRUMENTS.boreInch : INSTRUMENTS.boreMm,
        },
        {
          ...base,
          id: journalId,
          subject: 'journal',
          moreIs: 'tight',
          role: `pair.${position}.journal`,
          name: `${name.trim()} journal`,
          position: position + 1,
          instrument: unit === 'in' ? INSTRUMENTS.micInch : INSTRUMENTS.micMm,
        },
        {
          ...base,
          id: newId(),
          subject: 'pair',
          role: `pair.${position}`,
          name: `${name.trim()} clearance`,
          position: position + 2,
          boreId,
          journalId,
          method: null,
          instrument: null,
        },
      ],
    }).then(onDone, () => undefined);
  };
  return (
    <form
      className="flex flex-wrap items-start gap-3 border-b border-edge px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '') add();
      }}
    >
      <p className="m-0 basis-full">A bush and the journal that runs in it: measured at a few places, two directions each.</p>
      <Field
        label="Which"
        value={name}
        onChange={(e) => setName(e.target.value)}
        placeholder="like front, or rear idler"
        className="w-full max-w-sm"
      />
      <div className="pt-8">
        <Chip on={unit === 'in'} onClick={() => setUnit('in')}>
          inches
        </Chip>{' '}
        <Chip on={unit === 'mm'} onClick={() => setUnit('mm')}>
          mm
        </Chip>
      </div>
      <Primary type="submit" enter disabled={sending || name.trim() === ''} className="mt-7">
        Add bush and journal
      </Primary>
    </form>
  );
}

function TwoLines({ value, unit, strong = false }: { value: Length | null; unit: LengthUnit; strong?: boolean }): JSX.Element {
  if (value === null) return <span className="num text-[20px] text-ink2">?</span>;
  const other = unit === 'in' ? 'mm' : 'in';
  return (
    <>
      <span className={`num block leading-7 ${strong ? 'text-[20px] font-semibold' : 'text-[16px]'}`}>{formatLength(value, unit)}</span>
      <span className="num block text-[14px] leading-5 text-ink2">{formatLength(value, other)}</span>
    </>
  );
}

function PairRows({
  pair,
  on,
  feature,
  onChoose,
}: {
  pair: PairState;
  on: boolean;
  feature: string | null;
  onChoose: (id: string) => void;
}): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const features = [pair.bore, pair.journal].filter((f): f is FeatureState => f !== null);
  return (
    <tbody className={`border-b border-edge ${on ? 'bg-band' : ''}`}>
      {features.map((f, i) => {
        const size: LengthUnit = f.unit === 'mm' || f.unit === 'um' ? 'mm' : 'in';
        const small = size === 'in' ? 'thou' : 'mm';
        return (
          <tr key={f.station.id}>
            <td className={`border-l-4 py-2 pl-3 ${feature === f.station.id && on ? 'border-blue' : 'border-transparent'}`}>
              <button
                type="button"
                onClick={() => onChoose(f.station.id)}
                aria-pressed={feature === f.station.id && on}
                className="min-h-12 text-left"
              >
                <span className="block text-[17px] leading-6 font-medium">{f.station.name}</span>
                <span className="block text-[15px] leading-5 text-ink2">{f.station.subject}</span>
              </button>
            </td>
            <td className="px-2 text-right max-sm:hidden">
              <TwoLines value={f.station.newSize} unit={size} />
            </td>
            <td className="px-2 text-right max-sm:hidden">
              {f.limits ? (
                <span className="num text-[16px] whitespace-nowrap">{f.limits.fact.written}</span>
              ) : (
                <span className="text-ink2">none</span>
              )}
            </td>
            <td className="px-2 text-right">
              <TwoLines value={f.now} unit={size} strong />
            </td>
            <td className="px-2 text-right max-sm:hidden">
              {f.survey?.wear === undefined ? (
                <span className="text-ink2">–</span>
              ) : (
                <>
                  <span className="num block leading-7">{formatLength(f.survey.wear, small)}</span>
                  <span className="unit block text-[14px] leading-5">{unitWord(small)}</span>
                </>
              )}
            </td>
            {i === 0 && (
              <td rowSpan={features.length} className="border-l-2 border-ink2 px-3">
                {pair.clearance ? (
                  <>
                    <span className="block text-[14px] leading-5 text-ink2">greatest</span>
                    <span className="num text-[20px] font-semibold">{formatLength(pair.clearance.greatest, unit)}</span>{' '}
                    <span className="unit text-[15px]">{unitWord(unit)}</span>
                    <span className="num block text-[14px] leading-5 text-ink2">{formatLength(pair.clearance.greatest, otherUnit(unit))}</span>
                  </>
                ) : (
                  <>
                    <span className="num text-[20px] font-semibold">?</span>
                    <span className="block text-[14px] leading-5 text-ink2">not both read</span>
                  </>
                )}
              </td>
            )}
            {i === 0 && (
              <td rowSpan={features.length} className="px-2">
                <Mark kind={pair.mark} named={false} ground={on ? 'var(--band)' : 'var(--sheet)'} />
                <span className={`label block text-[16px] leading-5 font-semibold ${MARK_TEXT[pair.mark]}`}>
                  {pair.clearance && !pair.limits ? 'No limits' : MARK_WORDS[pair.mark]}
                </span>
              </td>
            )}
          </tr>
        );
      })}
    </tbody>
  );
}

/** The strip for one bore or journal: where along it, then the readings of that place in two directions. */
function MeasureStrip({ pair, feature, onFeature }: { pair: PairState; feature: FeatureState; onFeature: (id: string) => void }): JSX.Element {
  const { shaft } = useJob();
  const { send, sending } = useCommand();
  const [text, setText] = useState('');
  const read = feature.places.map((p) => p.at);
  const [place, setPlace] = useState<string>(PLACES.find((p) => !read.includes(p)) ?? 'front');
  const [editing, setEditing] = useState(false);
  const strip = useRef<HTMLInputElement>(null);
  const instrument: Instrument = asInstrument(feature.station.instrument);
  const other = feature === pair.bore ? pair.journal : pair.bore;
  const expectedSize = feature.station.newSize ?? feature.now ?? other?.now ?? null;
  const keep = async (entry: string): Promise<void> => {
    try {
      await send(
        keepReading(
          feature.station,
          shaft?.current ?? null,
          { method: 'size', text: entry, instrument, at: place, restsOn: [] },
          null,
          `${place} ${entry}`,
        ),
      );
    } catch {
      return;
    }
    setText('');
    const next = PLACES[PLACES.indexOf(place as (typeof PLACES)[number]) + 1];
    if (next) setPlace(next);
    onFeature(!next && other && other.places.length === 0 ? other.station.id : feature.station.id);
    strip.current?.focus();
  };
  return (
    <section aria-label="Measure" className="border-t-2 border-ink px-4 py-3">
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <Heading>
          {feature.station.name}: at the {place}
        </Heading>
        <span className="text-ink2">two directions, side by side</span>
        <Quiet onClick={() => setEditing((e) => !e)} aria-expanded={editing}>
          {instrument.name} · new size and limit ▸
        </Quiet>
      </div>
      {editing && (
        <SizeAndLimit
          station={feature.station}
          written={feature.limits?.fact.written ?? ''}
          instrument={instrument}
          onDone={() => setEditing(false)}
        />
      )}
      <div role="group" aria-label="Where along it" className="mb-2 flex flex-wrap gap-2">
        {PLACES.map((p) => (
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
        {other && (
          <Secondary onClick={() => onFeature(other.station.id)} className="ml-auto">
            to the {other.station.subject}
          </Secondary>
        )}
      </div>
      <EntryStrip
        ref={strip}
        value={text}
        onChange={setText}
        onKeep={(entry) => void keep(entry)}
        instrument={instrument}
        label={`${feature.station.name}, ${place}`}
        example={instrument.unit === 'in' ? '.5012 .5010' : '12.73 12.71'}
        expected={expectedSize === null ? null : { min: (expectedSize * 0.95) as Length, max: (expectedSize * 1.05) as Length }}
        busy={sending}
      />
    </section>
  );
}

function SizeAndLimit({
  station,
  written,
  instrument,
  onDone,
}: {
  station: Station;
  written: string;
  instrument: Instrument;
  onDone: () => void;
}): JSX.Element {
  const { send, sending } = useCommand();
  const [size, setSize] = useState(station.newSize === null ? '' : formatLength(station.newSize, instrument.unit));
  const [limit, setLimit] = useState(written);
  const [refusal, setRefusal] = useState<string | null>(null);
  const sizeRead = understood(() => parseLength(size, instrument.unit));
  const limitRead = understood(() => readLimits(limit, instrument.unit));
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
        placeholder={instrument.unit === 'in' ? 'like .5000' : 'like 12.70'}
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
        placeholder={station.subject === 'bore' ? 'like max .5020' : 'like min .4985'}
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

function PairPanel({ pair }: { pair: PairState }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const [editing, setEditing] = useState(false);
  const { clearance, limits, verdict } = pair;
  const asked = editing || (!limits && clearance !== null);
  return (
    <div>
      <h2 className="label m-0 text-[18px] font-semibold text-blue">{pair.station.name}</h2>
      <div className="mt-1 flex items-start justify-between gap-3">
        <div className="flex items-start gap-4">
          <Mark kind={pair.mark} size={44} />
          {clearance ? (
            <Num value={clearance.greatest} unit={unit} size={44} both />
          ) : (
            <span className="num text-[44px] leading-[48px] font-semibold text-ink2">?</span>
          )}
        </div>
        <span className={`label text-right text-[20px] font-semibold ${MARK_TEXT[pair.mark]}`}>
          {verdict ? `${MARK_WORDS[pair.mark]}${verdict.sure === 'sure' ? ' · sure' : ''}` : clearance ? 'No limits yet' : MARK_WORDS[pair.mark]}
        </span>
      </div>
      {verdict?.because && <p className="m-0 text-[15px] text-ink2">{verdict.because}</p>}
      <PairDrawing pair={pair} />
      {clearance && (
        <p className="m-0 mt-2 flex flex-wrap gap-x-4 text-ink2">
          {(['least', 'mean', 'greatest'] as const).map((which) => (
            <span key={which}>
              {which} <span className="num text-[20px] font-semibold text-ink">{formatLength(clearance[which], unit)}</span>
            </span>
          ))}
          <span>{unitWord(unit)}</span>
        </p>
      )}
      <p className="m-0 mt-1 flex items-center justify-between border-t border-rule">
        {limits ? (
          <span>
            <span className="num text-[18px] font-semibold">{formatLimits(limits.limits, unit)}</span> <span className="unit">{unitWord(unit)}</span>{' '}
            <span className="pl-2">Manual{limits.fact.pageOrWhom ? `, ${limits.fact.pageOrWhom}` : ''}</span>
          </span>
        ) : (
          <span className="text-ink2">no limits yet</span>
        )}
        {!asked && <Quiet onClick={() => setEditing(true)}>Limits ▸</Quiet>}
      </p>
      {asked && <LimitsPanel gap={pair} onDone={() => setEditing(false)} />}
      {clearance && (
        <LimitBarView
          limits={limits?.limits ?? null}
          reading={{ value: clearance.greatest, U: 2 * clearance.u, state: verdict?.place ?? 'unmeasured' }}
          quantity="clearance"
          most={560}
        />
      )}
      <ReadGrid pair={pair} />
      {pair.sum.length > 0 && (
        <div className="mt-2 border-t border-rule pt-2">
          <Heading>The sum</Heading>
          <SumView sum={pair.sum} unit={unit} answerAt={2} />
        </div>
      )}
    </div>
  );
}

/** What was read, place by place, bore beside journal. */
function ReadGrid({ pair }: { pair: PairState }): JSX.Element | null {
  const places = [...new Set([...(pair.bore?.places ?? []), ...(pair.journal?.places ?? [])].map((p) => String(p.at ?? '')))].sort(
    (a, b) => PLACES.indexOf(a as never) - PLACES.indexOf(b as never),
  );
  if (places.length === 0) return null;
  const cell = (f: FeatureState | null, at: string): string =>
    f?.places
      .find((p) => p.at === at)
      ?.readings.map((r) => formatLength(r, f.unit === 'mm' || f.unit === 'um' ? 'mm' : 'in').replace(/^0\./, '.'))
      .join('  ') ?? '–';
  return (
    <table className="mt-2 w-full border-collapse">
      <thead>
        <tr className="label border-b border-edge text-[16px]">
          <th className="py-1 text-left font-semibold">Read</th>
          <th className="text-right font-semibold">Bush</th>
          <th className="text-right font-semibold">Journal</th>
        </tr>
      </thead>
      <tbody>
        {places.map((at) => (
          <tr key={at} className="border-b border-rule">
            <th scope="row" className="py-1 text-left font-normal">
              {at || 'one place'}
            </th>
            <td className="num text-right text-[17px] whitespace-pre">{cell(pair.bore, at)}</td>
            <td className="num text-right text-[17px] whitespace-pre">{cell(pair.journal, at)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
