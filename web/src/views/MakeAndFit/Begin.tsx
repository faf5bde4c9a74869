import type { FitLeaf } from '@elder-cog/contract';
import {
  describeLength,
  MADE,
  MADE_KINDS,
  REMOVING,
  smallUnit,
  toolFor,
  unitOfSizes,
  type MadeKind,
  type Removing,
  type ToolSource,
} from '@elder-cog/core';
import { filledPlaces, madeWindow, rowHolders, sizeOf, type GapState } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Chip, Field, Heading, Primary, Quiet, Refusal } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob, type OpenJob } from '../../state/job.ts';
import { beginMaking, beginTakingOff, type InHand, type MadeFor } from '../../state/makingActions.ts';
import { useSettings } from '../../state/settings.ts';
import { rangeWords } from '../../state/understood.ts';

/** Kinds that can set a gap, as thick as its place wants. */
const SETS_A_GAP: ReadonlySet<MadeKind> = new Set(['shim', 'halfShim', 'washer']);

interface Wanted {
  readonly gap: GapState;
  readonly made: MadeFor;
}

/** Gaps whose pack is known to be wanted, with what would land there beside the leaves that stay. */
function wantedIn(gaps: readonly GapState[], beside: readonly FitLeaf[]): Wanted[] {
  return gaps.flatMap((gap) => {
    const { pack, now } = gap;
    const window = pack?.window && pack.known ? madeWindow(pack.window, [...beside]) : null;
    if (!pack || !window) return [];
    const from = now.kept.at(-1)?.id ?? null;
    return [{ gap, made: { placeId: pack.slot.id, gapId: gap.station.id, window, from } }];
  });
}

/** What a tool can have its sizes from: what is fitted in this job, and what is made for it. */
const sourcesIn = ({ facts }: OpenJob): { readonly name: string; readonly source: ToolSource }[] => [
  ...facts.fittings
    .filter(({ gone }) => gone !== true)
    .map(({ name, inner, length }) => ({
      name,
      source: { inner: inner.bore ?? undefined, outer: inner.outside ?? undefined, length: length ?? undefined },
    })),
  ...facts.makings.flatMap(({ gone, name, form }) =>
    gone === true || form === null || MADE[form.kind].isTool
      ? []
      : [{ name, source: { ...form.sizes, ...(form.counts.holes === undefined ? {} : { holes: form.counts.holes }) } }],
  ),
];

/** Something new to make: for a gap that wants it, for a part that is there, or by itself. */
export function Begin({ gapId, onBegun }: { gapId: string | null; onBegun: (id: string) => void }): JSX.Element {
  const [isInHand, setInHand] = useState(false);
  return (
    <div className="max-w-[820px] px-4 py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <Heading>{isInHand ? 'Take a part down to size' : 'Make something'}</Heading>
        <Quiet onClick={() => setInHand((i) => !i)}>{isInHand ? 'Make a new one instead ▸' : 'A part that is there, to size ▸'}</Quiet>
      </div>
      {isInHand ? <TakeDown onBegun={onBegun} /> : <MakeNew gapId={gapId} onBegun={onBegun} />}
    </div>
  );
}

function MakeNew({ gapId, onBegun }: { gapId: string | null; onBegun: (id: string) => void }): JSX.Element {
  const open = useJob();
  const { state } = open;
  const { send, sending } = useCommand();
  const unit = useSettings((s) => s.unit);
  const [chosen, setChosen] = useState<string | null>(gapId);
  const [kind, setKind] = useState<MadeKind>('shim');
  const [name, setName] = useState('');
  const [sizedFrom, setSizedFrom] = useState<string | null>(null);
  const [stays, setStays] = useState<readonly string[]>([]);
  const gaps = state.shafts.flatMap((shaft) => shaft.gaps);
  const asked = gapId === null ? null : gaps.find(({ station }) => station.id === gapId);
  // what is in the place now may stay, and the new one go in beside it
  const place = state.shafts
    .flatMap(({ slots }) => slots)
    .find(({ slot }) => slot.id === gaps.find(({ station }) => station.id === chosen)?.pack?.slot.id);
  const inNow = place?.fitting.leaves ?? [];
  const beside = inNow.filter((_, i) => stays.includes(String(i)));
  const wanted = wantedIn(gaps, beside);
  const target = SETS_A_GAP.has(kind) ? (wanted.find(({ gap }) => gap.station.id === chosen) ?? null) : null;
  const sources = MADE[kind].isTool ? sourcesIn(open) : [];
  const source = sources.find((each) => each.name === sizedFrom);
  const begin = async (): Promise<void> => {
    const { bore, outside } = place?.slot.wants ?? {};
    const sizes = {
      ...(bore === undefined || !target ? {} : { inner: bore }),
      ...(outside === undefined || !target ? {} : { outer: outside }),
      ...(target ? { thickness: target.made.window.ideal } : {}),
    };
    const form = MADE[kind].isTool ? toolFor(kind, source?.source ?? {}) : { kind, sizes, counts: {} };
    const of = target ? place?.slot.name : source?.name;
    const called = name.trim() === '' ? `${MADE[kind].called}${of ? `, ${of}` : ''}` : name.trim();
    const change = beginMaking(state.job.id, { name: called.slice(0, 120), form, made: target?.made ?? null, beside: target ? beside : [] });
    await send(change).then(
      () => onBegun(change.making.id),
      () => undefined,
    );
  };
  const kinds = (isTool: boolean): JSX.Element[] =>
    MADE_KINDS.filter((each) => MADE[each].isTool === isTool).map((each) => (
      <Chip key={each} on={kind === each} onClick={() => setKind(each)}>
        {MADE[each].called}
      </Chip>
    ));
  return (
    <form
      aria-label="Make something"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <p className="label m-0 mt-2 text-[17px] font-semibold">Part</p>
      <div role="group" aria-label="Part" className="mt-1 flex flex-wrap gap-2">
        {kinds(false)}
      </div>
      <p className="label m-0 mt-3 text-[17px] font-semibold">Tool for this job</p>
      <div role="group" aria-label="Tool for this job" className="mt-1 flex flex-wrap gap-2">
        {kinds(true)}
      </div>
      <p className="m-0 mt-2 text-ink2">
        {MADE[kind].called}: {MADE[kind].does}.
      </p>
      {sources.length > 0 && (
        <>
          <p className="label m-0 mt-3 text-[17px] font-semibold">Its sizes from</p>
          <div role="group" aria-label="Its sizes from" className="mt-1 flex flex-wrap gap-2">
            {sources.map((each) => (
              <Chip key={each.name} on={sizedFrom === each.name} onClick={() => setSizedFrom(sizedFrom === each.name ? null : each.name)}>
                {each.name}
              </Chip>
            ))}
          </div>
        </>
      )}
      {SETS_A_GAP.has(kind) && (
        <>
          <p className="label m-0 mt-3 text-[17px] font-semibold">For</p>
          <div role="group" aria-label="For" className="mt-1 flex flex-wrap gap-2">
            {wanted.map(({ gap, made }) => (
              <Chip
                key={gap.station.id}
                on={target?.gap === gap}
                onClick={() => {
                  setChosen(gap.station.id);
                  setStays([]);
                }}
              >
                {gap.station.name}: <span className="num">{rangeWords(made.window, unit)}</span>
              </Chip>
            ))}
            <Chip on={target === null} onClick={() => setChosen(null)}>
              no gap
            </Chip>
          </div>
          {target && (
            <p className="m-0 mt-2">
              It is made to <span className="num font-semibold">{describeLength(target.made.window.ideal, unit)}</span>, inside what lands surely.
            </p>
          )}
          {chosen !== null && inNow.length > 0 && (
            <div role="group" aria-label="Stays in beside it" className="mt-2 flex flex-wrap items-center gap-2">
              <span className="text-[16px]">stays in beside it</span>
              {inNow.map((leaf, i) => (
                <Chip
                  key={i}
                  on={stays.includes(String(i))}
                  onClick={() => setStays((was) => (was.includes(String(i)) ? was.filter((each) => each !== String(i)) : [...was, String(i)]))}
                >
                  <span className="num">
                    {leaf.count > 1 ? `${leaf.count} × ` : ''}
                    {leaf.written}
                  </span>
                </Chip>
              ))}
              {target === null && beside.length > 0 && <Refusal>With those in, nothing that could be made lands.</Refusal>}
            </div>
          )}
          {asked && chosen === gapId && wanted.length === 0 && beside.length === 0 && (
            <p className="m-0 mt-2">
              <Refusal>{asked.station.name}: read it first, with a pack that is known; then what would land is worked out.</Refusal>
            </p>
          )}
        </>
      )}
      <Field label="Name, if it has one" value={name} maxLength={120} onChange={(event) => setName(event.target.value)} className="mt-3 max-w-md" />
      <Primary type="submit" disabled={sending}>
        Begin it
      </Primary>
    </form>
  );
}

/** Sizes of parts in hand that were measured: of the shafts, and rows of the Wear book. */
function inHandIn({ facts, state }: OpenJob): InHand[] {
  const sizes = state.shafts.flatMap((shaft) =>
    filledPlaces(facts, shaft.shaft, shaft.current).flatMap(({ features }) =>
      features.flatMap((feature): InHand[] => {
        const { value, stationId, readings } = sizeOf(facts, feature);
        return value === null || stationId === null ? [] : [{ sizeId: stationId, name: feature.name, value, from: readings.at(-1)?.id ?? null }];
      }),
    ),
  );
  const rows = rowHolders(state).flatMap((holder) =>
    holder.features.flatMap(({ station, now }): InHand[] =>
      now === null || sizes.some(({ sizeId }) => sizeId === station.id) ? [] : [{ sizeId: station.id, name: station.name, value: now, from: null }],
    ),
  );
  return [...sizes, ...rows].filter((each, i, all) => all.findIndex(({ sizeId }) => sizeId === each.sizeId) === i);
}

const WAYS: Readonly<Record<Removing, string>> = { lap: 'lap it', face: 'face it', turn: 'turn it', hone: 'hone its bore' };

/** A part that is there, lapped, faced, turned or honed to a size. */
function TakeDown({ onBegun }: { onBegun: (id: string) => void }): JSX.Element {
  const open = useJob();
  const { send, sending } = useCommand();
  const bareSetting = useSettings((s) => s.bare);
  const all = useMemo(() => inHandIn(open), [open]);
  const [chosen, setChosen] = useState('');
  const [process, setProcess] = useState<Removing>('lap');
  const part = all.find(({ sizeId }) => sizeId === chosen);
  const instrument = open.facts.stations.find(({ id }) => id === chosen)?.instrument;
  const bare = instrument ? smallUnit(instrument.unit) : bareSetting;
  const entry = useEntry(
    { field: 'limits', bare, quantity: 'distancePiece' },
    {
      onKeep: ({ value: { min, max }, unit }, text) => {
        if (!part || min === undefined || max === undefined) return;
        const change = beginTakingOff(open.state.job.id, { part, process, limits: { min, max }, written: text, bare: smallUnit(unit) });
        void send(change).then(
          () => onBegun(change.making.id),
          () => undefined,
        );
      },
    },
  );
  if (all.length === 0)
    return (
      <p className="m-0 mt-2">No part has been measured yet: its size is read on the Section or in the Wear book, and then taken down from there.</p>
    );
  return (
    <form onSubmit={entry.keep} aria-label="Take a part down to size" className="mt-2">
      <label htmlFor="take-down" className="label block text-[17px] font-semibold">
        What
      </label>
      <select
        id="take-down"
        value={chosen}
        onChange={(event) => setChosen(event.target.value)}
        className="mt-1 block h-14 w-full max-w-md border border-edge bg-sheet px-2 text-[16px]"
      >
        <option value="">choose a size</option>
        {all.map(({ sizeId, name, value }) => (
          <option key={sizeId} value={sizeId}>
            {name}, {describeLength(value, unitOfSizes(bare))}
          </option>
        ))}
      </select>
      <div role="group" aria-label="How" className="mt-3 flex flex-wrap gap-2">
        {REMOVING.map((each) => (
          <Chip key={each} on={process === each} onClick={() => setProcess(each)}>
            {WAYS[each]}
          </Chip>
        ))}
      </div>
      <EntryField
        entry={entry}
        id="take-down-to"
        label="To"
        placeholder={bare === 'mm' ? 'like 41.30-41.34 mm' : 'like 1.6260-1.6275 in'}
        className="mt-3 max-w-md"
      />
      <Primary type="submit" disabled={sending || !part}>
        Begin it
      </Primary>
    </form>
  );
}
