import { counted, describeLength, leavesTotal, noAim, withTolerance, type LeafLine, type PlainQuantity } from '@elder-cog/core';
import { availableFor, slotStateOf, type GapState, type ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Heading, Primary, Refusal, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { fitPack, foundAs, isSaid, leavesFromSaid, oneByOne, limitsAndAim, packNotKnown, stationChange } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { newId, useSettings } from '../../state/settings.ts';
import { LEAVES, limitsOf, useSkips } from '../../state/skips.ts';
import { bareUnit, inBoth } from '../../state/understood.ts';
import type { SpecOrigin } from '../../state/specActions.ts';
import { OriginFields } from './OriginFields.tsx';
import { MethodChooser } from './MethodChooser.tsx';

export type SetUpStep = 'limits' | 'pack' | 'leaves' | 'method';

/** What a new gap still wants to know, in order; null when it can be read. None of it is a must: with nothing, it is read all the same. */
export function setUpStep(
  shaft: ShaftState,
  gap: GapState,
  { drawerEmpty, skipped }: { readonly drawerEmpty: boolean; readonly skipped: readonly string[] },
): SetUpStep | null {
  const isUnread = gap.ladder.every((row) => row.readings.length === 0);
  // of a shaft with several gaps each asks for itself
  const isNew = shaft.current === null || (shaft.gaps.length > 1 && isUnread);
  if (isNew && !gap.limits && !gap.nominal && !skipped.includes(limitsOf(gap.station.id))) return 'limits';
  const pack = slotStateOf(shaft, gap);
  if (pack && isUnread && !isSaid(shaft, pack.slot.id)) return 'pack';
  if (drawerEmpty && !skipped.includes(LEAVES)) return 'leaves';
  return gap.station.method === null ? 'method' : null;
}

interface SetUpProps {
  readonly step: SetUpStep;
  readonly shaft: ShaftState;
  readonly gap: GapState;
  readonly onMethod: () => void;
}

/** The panels that ask it, one at a time in the tray, never over the drawing. */
export function SetUp({ step, shaft, gap, onMethod }: SetUpProps): JSX.Element {
  const { send } = useCommand();
  const skip = useSkips((s) => s.skip);
  return (
    <section aria-label="Setting up" className="@container px-4 py-3">
      {step === 'limits' && <LimitsPanel key="limits" gap={gap} onSkip={() => skip(limitsOf(gap.station.id))} />}
      {step === 'pack' && <PackPanel key="pack" shaft={shaft} gap={gap} />}
      {step === 'leaves' && <LeavesPanel key="leaves" onSkip={() => skip(LEAVES)} />}
      {step === 'method' && (
        <>
          <Heading className="mb-2">How did you read it?</Heading>
          <MethodChooser gap={gap} large onChoose={(change) => void send(change).then(onMethod, () => undefined)} />
        </>
      )}
    </section>
  );
}

const EXAMPLES = {
  float: { thou: 'like 3½-7½ thou', mm: 'like 0.04-0.09 mm' },
  size: { thou: 'like 0.958-0.962 in', mm: 'like 24.30-24.40 mm' },
} as const;

export function LimitsPanel({
  gap,
  onDone,
  onSkip,
  quantity,
}: {
  gap: Pick<GapState, 'station' | 'limits'>;
  /** what they are limits of; a float where nothing is said */
  quantity?: PlainQuantity;
  onDone?: () => void;
  onSkip?: () => void;
}): JSX.Element {
  const { send, sending } = useCommand();
  const [origin, setOrigin] = useState<SpecOrigin>({
    source: gap.limits?.fact.source ?? 'manual',
    pageOrWhom: gap.limits?.fact.pageOrWhom ?? '',
    saidAt: gap.limits?.fact.saidAt ?? '',
  });
  // a shim sets it: where in its limits it is to come means something
  const isAimed = gap.station.subject === 'gap' || gap.station.subject === 'depth';
  const entry = useEntry(
    { field: 'limits', bare: bareUnit(gap), ...(quantity ? { quantity } : {}) },
    {
      initial: gap.limits?.fact.written ?? '',
      also: (understood) => (isAimed ? withTolerance(understood) : noAim(withTolerance(understood))),
      onKeep: (meaning, written) => {
        void send(...limitsAndAim(gap.station, written, meaning, origin)).then(
          () => onDone?.(),
          () => undefined,
        );
      },
    },
  );
  return (
    <form onSubmit={entry.keep}>
      <Heading>Limits of the {gap.station.name.toLowerCase()}</Heading>
      {quantity === undefined && (
        <p className="m-0 mb-2 text-ink2">
          As the manual prints them: 3½-7½ thou · 0.04 to 0.09 mm · max 11 thou · preload 2-5 thou
          {isAimed && ' · 8 within 3 to 12 thou'}
        </p>
      )}
      <div className="flex flex-wrap items-start gap-3">
        <EntryField
          entry={entry}
          id="limits"
          label="Limits"
          hideLabel
          autoFocus
          placeholder={EXAMPLES[quantity === undefined ? 'float' : 'size'][bareUnit(gap)]}
          className="w-full max-w-md"
        />
        <OriginFields origin={origin} onChange={setOrigin} id="limits" />
        <Primary type="submit" enter disabled={sending} className="mt-1">
          Keep limits
        </Primary>
        {onSkip && (
          <Secondary className="mt-1 min-h-14" onClick={onSkip}>
            None known
          </Secondary>
        )}
      </div>
      {gap.limits && isAimed && <AimChoice gap={gap} />}
    </form>
  );
}

const AIMS = { tight: 'the least of them', middle: 'their middle', loose: 'the most of them' } as const;

/** Where in its limits it is to come: a pack is reckoned to that. */
function AimChoice({ gap: { station } }: { gap: Pick<GapState, 'station'> }): JSX.Element {
  const { send } = useCommand();
  const { at, value, ...rest } = station.aim;
  const unit = bareUnit({ station, limits: null });
  return (
    <label className="mt-1 flex flex-wrap items-center gap-x-3">
      <span className="label text-[17px] font-semibold">It is to come to</span>
      <select
        value={at}
        onChange={(event) =>
          void send(stationChange(station, { aim: { ...rest, at: event.target.value as keyof typeof AIMS } })).catch(() => undefined)
        }
        className="h-14 border border-edge bg-sheet px-2 text-[16px]"
      >
        {Object.entries(AIMS).map(([each, words]) => (
          <option key={each} value={each}>
            {words}
          </option>
        ))}
        {at === 'value' && value !== undefined && <option value="value">{describeLength(value, unit)}</option>}
      </select>
    </label>
  );
}

function PackPanel({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element {
  const { send, sending } = useCommand();
  const { facts, lots, fitted } = useJob();
  const slot = slotStateOf(shaft, gap);
  const keep = (pack: readonly LeafLine[]): void => {
    if (slot)
      void send(
        ...foundAs(shaft, fitPack(shaft, slot.slot.id, leavesFromSaid(oneByOne(pack), availableFor(slot.slot.id, lots, fitted))), facts),
      ).catch(() => undefined);
  };
  const entry = useEntry({ field: 'pack', bare: bareUnit(gap) }, { onKeep: ({ value }) => keep(value) });
  const [counted, setCounted] = useState('');
  const count = /^\d{1,2}$/.test(counted.trim()) && Number(counted) > 0 ? Number(counted) : null;
  const isCount = counted.trim() === '' || count !== null;
  return (
    <form onSubmit={entry.keep}>
      <Heading>What is in now, {slot?.slot.name.replace(/^Pack /, '').toLowerCase()}?</Heading>
      <p className="m-0 mb-2 text-ink2">
        Mic every leaf: 16+7 thou · 0.50 mm + 3 thou · none. Not known is an answer too: what to add is reckoned all the same.
      </p>
      <div className="flex flex-wrap items-start gap-3 max-sm:flex-col">
        <EntryField
          entry={entry}
          id="pack"
          label="Pack in now"
          hideLabel
          autoFocus
          placeholder={bareUnit(gap) === 'mm' ? 'like 0.40+0.15, or none' : 'like 16+7, or none'}
          says={(pack) => inBoth(leavesTotal(pack), bareUnit(gap))}
          className="w-full max-w-md"
        />
        <Primary type="submit" enter disabled={sending} className="mt-1">
          Keep
        </Primary>
        <Secondary className="mt-1 min-h-14" onClick={() => keep([])}>
          None
        </Secondary>
        <Secondary
          className="mt-1 min-h-14"
          disabled={!isCount}
          onClick={() => slot && void send(...foundAs(shaft, packNotKnown(shaft, slot.slot.id, count), facts)).catch(() => undefined)}
        >
          Not known
        </Secondary>
        <label className="mt-1 flex min-h-14 items-center gap-2">
          <span className="text-ink2">leaves, if counted</span>
          <input
            value={counted}
            onChange={(event) => setCounted(event.target.value)}
            inputMode="numeric"
            aria-invalid={!isCount}
            maxLength={2}
            className="num h-14 w-16 border border-edge bg-sheet px-2 text-center text-[20px]"
          />
        </label>
      </div>
      {!isCount && <Refusal>How many is a whole number.</Refusal>}
    </form>
  );
}

/** Leaves on hand, in one line. Used here the first time, and on the Drawer. */
export function LeavesPanel({ onSkip, autoFocus = true }: { onSkip?: () => void; autoFocus?: boolean }): JSX.Element {
  const { send, sending } = useCommand();
  const entry = useEntry(
    { field: 'leaves', bare: useSettings((st) => st.bare) },
    {
      onKeep: ({ value }) => {
        void send({
          kind: 'lots.add',
          lots: value.map(({ thickness, count, written, unit }) => ({
            id: newId(),
            thickness,
            written,
            unit,
            owned: count,
            material: '',
            keptIn: '',
            note: '',
          })),
        }).then(
          () => entry.type(''),
          () => undefined,
        );
      },
    },
  );
  return (
    <form onSubmit={entry.keep}>
      {onSkip && <Heading>Which leaves are on hand?</Heading>}
      <p className="m-0 mb-2 text-ink2">Thickness × how many, in one line: 4×3 2×5 thou, 0.20×2 mm</p>
      <div className="flex items-start gap-3 max-sm:flex-col">
        <EntryField
          entry={entry}
          id="leaves"
          label="Leaves on hand"
          hideLabel
          autoFocus={autoFocus}
          placeholder="like 4×3 2×5 thou, 0.20×2 mm"
          says={saysLots}
          className="w-full max-w-xl"
        />
        <Primary type="submit" enter disabled={sending} className="mt-1">
          Keep
        </Primary>
        {onSkip && (
          <Secondary className="mt-1 min-h-14" onClick={onSkip}>
            None yet
          </Secondary>
        )}
      </div>
    </form>
  );
}

/** How much of what, so that a slip is seen before it is kept. */
const saysLots = (lots: readonly LeafLine[]): JSX.Element => (
  <>
    {counted(lots.length, 'lot', 'lots')},{' '}
    <strong className="num font-semibold">
      {counted(
        lots.reduce((sum, { count }) => sum + count, 0),
        'leaf',
        'leaves',
      )}
    </strong>
    : {lots.map((lot) => describeLength(lot.thickness, lot.unit === 'in' ? 'thou' : lot.unit)).join(', ')}
  </>
);
