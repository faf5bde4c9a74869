import { counted, describeLength, leavesTotal, withTolerance, type LeafLine } from '@elder-cog/core';
import { availableFor, type GapState, type ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Heading, Primary, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { fitPack, leavesFromSaid, oneByOne, setLimits } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { newId } from '../../state/settings.ts';
import { bareUnit, inBoth } from '../../state/understood.ts';
import type { SpecOrigin } from '../../state/specActions.ts';
import { OriginFields } from './OriginFields.tsx';
import { MethodChooser } from './ReadingEntry.tsx';

export type SetUpStep = 'limits' | 'pack' | 'leaves' | 'method';

/** What a new gap still wants to know, in order; null when it can be read. */
export function setUpStep(shaft: ShaftState, gap: GapState, drawerEmpty: boolean, leavesSkipped: boolean): SetUpStep | null {
  if (!gap.limits) return 'limits';
  const pack = shaft.slots.find((s) => s.slot.kind === 'adjuster');
  if (pack && pack.fitting.leaves === null) return 'pack';
  if (drawerEmpty && !leavesSkipped) return 'leaves';
  return gap.station.method === null ? 'method' : null;
}

interface SetUpProps {
  readonly step: SetUpStep;
  readonly shaft: ShaftState;
  readonly gap: GapState;
  readonly onSkipLeaves: () => void;
  readonly onMethod: () => void;
}

/** The panels that ask it, one at a time in the tray, never over the drawing. */
export function SetUp({ step, shaft, gap, onSkipLeaves, onMethod }: SetUpProps): JSX.Element {
  const { send } = useCommand();
  return (
    <section aria-label="Setting up" className="px-4 py-3">
      {step === 'limits' && <LimitsPanel key="limits" gap={gap} />}
      {step === 'pack' && <PackPanel key="pack" shaft={shaft} gap={gap} />}
      {step === 'leaves' && <LeavesPanel key="leaves" onSkip={onSkipLeaves} />}
      {step === 'method' && (
        <>
          <Heading className="mb-2">How did you read it?</Heading>
          <MethodChooser gap={gap} large onChoose={(change) => void send(change).then(onMethod, () => undefined)} />
        </>
      )}
    </section>
  );
}

export function LimitsPanel({ gap, onDone }: { gap: Pick<GapState, 'station' | 'limits'>; onDone?: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [origin, setOrigin] = useState<SpecOrigin>({
    source: gap.limits?.fact.source ?? 'manual',
    pageOrWhom: gap.limits?.fact.pageOrWhom ?? '',
    saidAt: gap.limits?.fact.saidAt ?? '',
  });
  const entry = useEntry(
    { field: 'limits', bare: bareUnit(gap) },
    {
      initial: gap.limits?.fact.written ?? '',
      also: withTolerance,
      onKeep: ({ value, unit }, written) => {
        void send(setLimits(gap.station, written, { limits: value, unit }, origin)).then(
          () => onDone?.(),
          () => undefined,
        );
      },
    },
  );
  return (
    <form onSubmit={entry.keep}>
      <Heading>Limits of the {gap.station.name.toLowerCase()}</Heading>
      <p className="m-0 mb-2 text-ink2">As the manual prints them: 5-8 thou · 0.05 to 0.10 mm · max 9 thou · preload 1-3 thou</p>
      <div className="flex flex-wrap items-start gap-3">
        <EntryField entry={entry} id="limits" label="Limits" hideLabel autoFocus placeholder="like 5-8 thou" className="w-full max-w-md" />
        <OriginFields origin={origin} onChange={setOrigin} id="limits" />
        <Primary type="submit" enter disabled={sending} className="mt-1">
          Keep limits
        </Primary>
      </div>
    </form>
  );
}

function PackPanel({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element {
  const { send, sending } = useCommand();
  const { lots, fitted } = useJob();
  const slot = shaft.slots.find((s) => s.slot.kind === 'adjuster');
  const keep = (pack: readonly LeafLine[]): void => {
    if (slot) void send(fitPack(shaft, leavesFromSaid(oneByOne(pack), availableFor(slot.slot.id, lots, fitted)))).catch(() => undefined);
  };
  const entry = useEntry({ field: 'pack', bare: bareUnit(gap) }, { onKeep: ({ value }) => keep(value) });
  return (
    <form onSubmit={entry.keep}>
      <Heading>What is in now, {slot?.slot.name.replace(/^Pack /, '').toLowerCase()}?</Heading>
      <p className="m-0 mb-2 text-ink2">Mic every leaf: 20+8 thou · 0.50 mm + 3 thou · none</p>
      <div className="flex items-start gap-3 max-sm:flex-col">
        <EntryField
          entry={entry}
          id="pack"
          label="Pack in now"
          hideLabel
          autoFocus
          placeholder="like 20+8, or none"
          says={(pack) => inBoth(leavesTotal(pack))}
          className="w-full max-w-md"
        />
        <Primary type="submit" enter disabled={sending} className="mt-1">
          Keep
        </Primary>
        <Secondary className="mt-1 min-h-14" onClick={() => keep([])}>
          None
        </Secondary>
      </div>
    </form>
  );
}

/** Leaves on hand, in one line. Used here the first time, and on the Drawer. */
export function LeavesPanel({ onSkip, autoFocus = true }: { onSkip?: () => void; autoFocus?: boolean }): JSX.Element {
  const { send, sending } = useCommand();
  const entry = useEntry(
    { field: 'leaves', bare: 'thou' },
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
