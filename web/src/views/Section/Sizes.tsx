import { newLink, type Feature } from '@elder-cog/contract';
import { describeLength, instrumentsFor, solveUnknown, unitOfSizes, type Instrument, type Length, type Meaning } from '@elder-cog/core';
import {
  contactsOf,
  expectedAround,
  filledPlaces,
  graphOf,
  isCrushedSince,
  packTotal,
  sizeOf,
  type FeatureSize,
  type GapState,
  type ShaftState,
} from '@elder-cog/derive';
import { useMemo, useRef, useState, type JSX } from 'react';
import { Quiet, Refusal } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { KeptForm } from '../../kit/KeptForm.tsx';
import { moreThanNothing } from '../../kit/KeptSize.tsx';
import { useCommand } from '../../state/api.ts';
import { keepSize, withdraw } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { newId } from '../../state/settings.ts';
import { asTyped, bareUnit, inBoth } from '../../state/understood.ts';
import { OffSince, TakenOff } from '../WearBook/TakenOff.tsx';

/** What is measured of the parts: drawn to scale from then on. Nothing here has to be filled in. */
export function Sizes({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element {
  const { facts } = useJob();
  const [open, setOpen] = useState(false);
  const filled = filledPlaces(facts, shaft.shaft, shaft.current);
  const mine = filled.flatMap(({ place, features }) =>
    features.map((feature) => ({ feature, size: sizeOf(facts, feature), isCrushed: isCrushedSince(shaft.current?.fitted.get(place.id)) })),
  );
  const known = mine.filter(({ size, isCrushed }) => size.value !== null && !isCrushed).length;
  const [how, setHow] = useState<How>({ instrument: null, isMore: false });
  return (
    <section aria-label="Sizes of the parts" className="no-print border-t border-rule px-4 py-1">
      <div className="flex flex-wrap items-center gap-x-4">
        <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
          Sizes of the parts ▸
        </Quiet>
        <span className="text-ink2">
          <span className="num">{known}</span> of <span className="num">{mine.length}</span> measured; none is needed
        </span>
      </div>
      {open && (
        <div className="pb-3">
          <HowRead how={how} onHow={setHow} bare={bareUnit(gap)} />
          <div className="grid grid-cols-3 gap-x-5 max-xl:grid-cols-2 max-sm:grid-cols-1">
            {mine.map(({ feature, size, isCrushed }) =>
              isCrushed ? (
                <CrushedSince key={feature.id} feature={feature} size={size} bare={bareUnit(gap)} />
              ) : (
                <Size
                  key={`${feature.id}-${size.readings.map((r) => r.id).join(' ')}`}
                  shaftId={shaft.shaft.id}
                  feature={feature}
                  size={size}
                  bare={bareUnit(gap)}
                  how={how}
                />
              ),
            )}
          </div>
          <Off shaft={shaft} bare={bareUnit(gap)} sizes={mine.filter(({ isCrushed }) => !isCrushed)} />
          <FromSizes shaft={shaft} gap={gap} />
        </div>
      )}
    </section>
  );
}

/** With what the sizes are read that are typed next, and whether another counts beside those before it or instead of them. */
interface How {
  readonly instrument: Instrument | null;
  readonly isMore: boolean;
}

function HowRead({ how, onHow, bare }: { how: How; onHow: (how: How) => void; bare: 'thou' | 'mm' }): JSX.Element {
  const offered = instrumentsFor(['micrometer', 'caliper', 'depth'], bare);
  return (
    <div className="mb-2 flex flex-wrap items-center gap-x-5 gap-y-1">
      <label htmlFor="size-with" className="flex items-center gap-2">
        Read with
        <select
          id="size-with"
          value={how.instrument?.name ?? ''}
          onChange={(event) => onHow({ ...how, instrument: offered.find(({ name }) => name === event.target.value) ?? null })}
          className="h-12 border border-edge bg-sheet px-2 text-[16px]"
        >
          <option value="">not said</option>
          {offered.map(({ name }) => (
            <option key={name}>{name}</option>
          ))}
        </select>
      </label>
      <label className="flex min-h-12 cursor-pointer items-center gap-2">
        <input type="checkbox" checked={how.isMore} onChange={() => onHow({ ...how, isMore: !how.isMore })} className="h-5 w-5 accent-blue" />
        another counts beside the first, as their mean
      </label>
    </div>
  );
}

/** What the sizes alone make of the gap; or the one that is missing, found from the reading. */
function FromSizes({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element | null {
  const { facts } = useJob();
  const sizes = gap.fromSizes;
  if (!sizes) return null;
  if ('value' in sizes) return <p className="m-0">By the sizes alone the gap is {inBoth(sizes.value, gap.unit)}. A build outweighs a sum.</p>;
  if ('contradictions' in sizes)
    return (
      <>
        {sizes.contradictions.map(({ one, other, difference }) => (
          <Refusal key={[...one, ...other].join()}>
            The sizes contradict each other by {inBoth(difference, gap.unit)}: {one.join(' and ')} one way, {other.join(' and ')} the other. One of
            them is wrong: measure again. Nothing is reckoned from them till then.
          </Refusal>
        ))}
      </>
    );
  const reading = gap.now.kind === 'read' && gap.now.reading?.kind === 'estimate' ? gap.now.reading.value : null;
  // one over several gaps is no one contact to be found from
  const [contact, another] = contactsOf(gap.station);
  const packs = new Map(shaft.slots.flatMap(({ slot, fitting }) => (fitting.leaves ? [[slot.id, packTotal(fitting.leaves)] as const] : [])));
  const solved =
    reading === null || contact === undefined || another !== undefined
      ? null
      : solveUnknown(graphOf(facts, shaft.shaft, { packs, current: shaft.current }), contact, reading);
  return (
    <p className="m-0 text-ink2">
      {solved
        ? `Only ${solved.label} is not known: from the reading it must be ${describeLength(solved.length, 'mm')}.`
        : `Not known for a sum: ${sizes.missing.join('; ')}.`}
    </p>
  );
}

/** A sleeve is as long as it was crushed to, and nobody can measure that where it is. */
function CrushedSince({ feature, size, bare }: Pick<SizeFieldProps, 'feature' | 'size' | 'bare'>): JSX.Element {
  return (
    <div>
      <span className="label block text-[17px] font-semibold">{feature.name}</span>
      <p className="m-0 text-ink2">
        Drawn up since{size.value === null ? '' : ` it was ${inBoth(size.value, bare)}`}: how long it is now follows from the float and the other
        sizes.
      </p>
    </div>
  );
}

interface SizeFieldProps {
  readonly shaftId: string;
  readonly feature: Feature;
  readonly size: FeatureSize;
  readonly bare: 'thou' | 'mm';
  readonly how: How;
}

function SizeField({ shaftId, feature, size, bare, how }: SizeFieldProps): JSX.Element {
  const { send } = useCommand();
  const typed = unitOfSizes(bare);
  const clear = (): void => {
    for (const { id } of size.readings) void send(withdraw('reading', id, 'no size')).catch(() => undefined);
  };
  const initial = asTyped(size.value, bare);
  const kept = useRef(initial);
  const set = (text: string, meaning: Meaning<Length>): void => {
    kept.current = text;
    if (meaning.value === size.value && !how.isMore) return;
    void send(keepSize(shaftId, feature, size, { text, meaning, ...how })).catch(() => undefined);
  };
  const entry = useEntry(
    {
      field: 'size',
      bare,
      quantity: /gasket/i.test(feature.name) ? 'gasket' : 'distancePiece',
      ...(size.value === null ? {} : { expected: expectedAround(size.value) }),
    },
    {
      initial,
      also: moreThanNothing,
      onKeep: (meaning, text) => set(text, meaning),
    },
  );
  const keep = (): void => (entry.text.trim() === '' ? clear() : entry.keep());
  const apart = size.disagree && `Two instruments differ by ${describeLength(size.disagree.difference, typed)}: find out why.`;
  return (
    <KeptForm text={entry.text} kept={() => kept.current} onKeep={keep}>
      <EntryField
        entry={entry}
        id={`size-${feature.id}`}
        label={size.readings.length > 1 ? `${feature.name}, mean of ${size.readings.length}` : feature.name}
        placeholder={typed === 'mm' ? 'like 84.20' : 'like 3.3150'}
      />
      {apart && <Refusal>{apart}</Refusal>}
    </KeptForm>
  );
}

/** A size as it is read, and what was taken off it since. */
const Size = (props: SizeFieldProps): JSX.Element => (
  <div>
    <SizeField {...props} />
    {props.size.stationId !== null && <OffSince stationId={props.size.stationId} />}
  </div>
);

interface OffProps {
  readonly shaft: ShaftState;
  readonly bare: 'thou' | 'mm';
  readonly sizes: readonly { readonly feature: Feature; readonly size: FeatureSize }[];
}

/** Something was lapped, faced or ground off one of the parts: of which size, then how much. */
function Off({ shaft, bare, sizes }: OffProps): JSX.Element {
  const [chosen, setChosen] = useState('');
  const found = sizes.find(({ feature }) => feature.id === chosen);
  const link = useMemo(() => found && newLink(shaft.shaft.id, found.feature, newId), [shaft.shaft.id, found]);
  const isNew = found?.size.stationId === null;
  return (
    <div className="mt-2 border-t border-rule pt-2">
      <div className="flex flex-wrap items-center gap-2">
        <label htmlFor="taken-off">Something was taken off</label>
        <select
          id="taken-off"
          value={chosen}
          onChange={(event) => setChosen(event.target.value)}
          className="h-12 max-w-full border border-edge bg-sheet px-2 text-[16px]"
        >
          <option value="">no part</option>
          {sizes.map(({ feature }) => (
            <option key={feature.id} value={feature.id}>
              {feature.name}
            </option>
          ))}
        </select>
      </div>
      {found && link && (
        <TakenOff
          key={chosen}
          stationId={found.size.stationId ?? link.id}
          name={found.feature.name}
          bare={bare}
          first={isNew ? [{ kind: 'stations.add', stations: [link] }] : []}
          isBuilt={shaft.current !== null}
          onKept={() => setChosen('')}
        />
      )}
    </div>
  );
}
