import { formatLimits, otherUnit, parseLeaves, parsePack, readLimits, unitWord, type LimitsRead } from '@elder-cog/core';
import { availableFor, type GapState, type ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Field, Heading, Primary, Secondary } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { fitPack, leavesFromSaid, setLimits } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { newId } from '../../state/settings.ts';
import { bareUnit, inBoth, understood } from '../../state/understood.ts';
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

/** Limits in both systems, for saying back. */
export function limitsInBoth({ limits, unit }: LimitsRead): string {
  const first = unit === 'um' ? 'mm' : unit === 'in' ? 'thou' : unit;
  const second = otherUnit(first);
  return `${formatLimits(limits, first)} ${unitWord(first)} · ${formatLimits(limits, second)} ${unitWord(second)}`;
}

export function LimitsPanel({ gap, onDone }: { gap: Pick<GapState, 'station' | 'limits'>; onDone?: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [text, setText] = useState(gap.limits?.fact.written ?? '');
  const [origin, setOrigin] = useState<SpecOrigin>({
    source: gap.limits?.fact.source ?? 'manual',
    pageOrWhom: gap.limits?.fact.pageOrWhom ?? '',
    saidAt: gap.limits?.fact.saidAt ?? '',
  });
  const [tried, setTried] = useState(false);
  const read = understood(() => readLimits(text, bareUnit(gap)));
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (typeof read === 'string') return;
        void send(setLimits(gap.station, text, read, origin)).then(
          () => onDone?.(),
          () => undefined,
        );
      }}
    >
      <Heading>Limits of the {gap.station.name.toLowerCase()}</Heading>
      <p className="m-0 mb-2 text-ink2">As the manual prints them: 5-8 thou · 0.05 to 0.10 mm · max 9 thou · preload 1-3 thou</p>
      <div className="flex flex-wrap items-start gap-3">
        <Field
          id="limits"
          label="Limits"
          hideLabel
          autoFocus
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setTried(false);
          }}
          placeholder="like 5-8 thou"
          refusal={tried && typeof read === 'string' ? read : null}
          says={typeof read === 'string' ? text === '' ? '' : <span className="text-ink2">not understood yet</span> : limitsInBoth(read)}
          className="w-full max-w-md"
        />
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
  const unit = bareUnit(gap);
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const slot = shaft.slots.find((s) => s.slot.kind === 'adjuster');
  const said = understood(() => parsePack(text, unit));
  const keep = (entry: string): void => {
    const pack = understood(() => parsePack(entry, unit));
    setTried(true);
    if (typeof pack === 'string' || !slot) return;
    void send(fitPack(shaft, leavesFromSaid(pack, availableFor(slot.slot.id, lots, fitted)))).catch(() => undefined);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep(text);
      }}
    >
      <Heading>What is in now, {slot?.slot.name.replace(/^Pack /, '').toLowerCase()}?</Heading>
      <p className="m-0 mb-2 text-ink2">Mic every leaf: 20+8 thou · 0.50 mm + 3 thou · none</p>
      <div className="flex items-start gap-3 max-sm:flex-col">
        <Field
          id="pack"
          label="Pack in now"
          hideLabel
          autoFocus
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setTried(false);
          }}
          placeholder="like 20+8, or none"
          refusal={tried && typeof said === 'string' ? said : null}
          says={typeof said === 'string' ? '' : inBoth(said.reduce((sum, l) => sum + l.thickness, 0))}
          className="w-full max-w-md"
        />
        <Primary type="submit" enter disabled={sending} className="mt-1">
          Keep
        </Primary>
        <Secondary className="mt-1 min-h-14" onClick={() => keep('none')}>
          None
        </Secondary>
      </div>
    </form>
  );
}

/** Leaves on hand, in one line. Used here the first time, and on the Drawer. */
export function LeavesPanel({ onSkip, autoFocus = true }: { onSkip?: () => void; autoFocus?: boolean }): JSX.Element {
  const { send, sending } = useCommand();
  const [text, setText] = useState('');
  const [tried, setTried] = useState(false);
  const lots = understood(() => parseLeaves(text, 'thou'));
  const leaves = typeof lots === 'string' ? 0 : lots.reduce((sum, lot) => sum + lot.quantity, 0);
  const guessed = typeof lots === 'string' ? [] : lots.filter((lot) => lot.guessed);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        if (typeof lots === 'string') return;
        void send({
          kind: 'lots.add',
          lots: lots.map(({ thickness, quantity, written, unit: lotUnit }) => ({
            id: newId(),
            thickness,
            written,
            unit: lotUnit,
            owned: quantity,
            material: '',
            keptIn: '',
            note: '',
          })),
        }).then(
          () => setText(''),
          () => undefined,
        );
      }}
    >
      {onSkip && <Heading>Which leaves are on hand?</Heading>}
      <p className="m-0 mb-2 text-ink2">Thickness × how many, in one line: 4×3 2×5 thou, 0.20×2 mm</p>
      <div className="flex items-start gap-3 max-sm:flex-col">
        <Field
          id="leaves"
          label="Leaves on hand"
          hideLabel
          autoFocus={autoFocus}
          value={text}
          onChange={(e) => {
            setText(e.target.value);
            setTried(false);
          }}
          placeholder="like 4×3 2×5 thou, 0.20×2 mm"
          refusal={tried && typeof lots === 'string' ? lots : null}
          says={
            typeof lots === 'string' ? (
              ''
            ) : (
              <>
                {lots.length} {lots.length === 1 ? 'lot' : 'lots'}, <strong className="num font-semibold">{leaves}</strong>{' '}
                {leaves === 1 ? 'leaf' : 'leaves'}
                {guessed.length > 0 && <span className="text-blue"> · {guessed.map((g) => g.written).join(', ')} read as mm</span>}
              </>
            )
          }
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
