import type { FitLeaf } from '@elder-cog/contract';
import { describeLength, MADE, MADE_KINDS, type MadeKind } from '@elder-cog/core';
import { madeWindow, type GapState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Field, Heading, Primary, Refusal } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { beginMaking, type MadeFor } from '../../state/makingActions.ts';
import { useSettings } from '../../state/settings.ts';
import { rangeWords } from '../../state/understood.ts';

/** Kinds that can set a gap, as thick as its place wants. */
const SETS_A_GAP: ReadonlySet<MadeKind> = new Set(['shim', 'halfShim', 'washer']);
const NOTHING_BESIDE: readonly FitLeaf[] = [];

interface Wanted {
  readonly gap: GapState;
  readonly made: MadeFor;
}

/** Gaps whose pack is known to be wanted, with what would land there. */
function wantedIn(gaps: readonly GapState[], beside: readonly FitLeaf[]): Wanted[] {
  return gaps.flatMap((gap) => {
    const { pack, now } = gap;
    const window = pack?.window && pack.known ? madeWindow(pack.window, [...beside]) : null;
    if (!pack || !window) return [];
    const from = now.kept.at(-1)?.id ?? null;
    return [{ gap, made: { placeId: pack.slot.id, gapId: gap.station.id, window, from } }];
  });
}

/** Something new to make: for a gap that wants it, or by itself. */
export function Begin({ gapId, onBegun }: { gapId: string | null; onBegun: (id: string) => void }): JSX.Element {
  const { state } = useJob();
  const { send, sending } = useCommand();
  const unit = useSettings((s) => s.unit);
  const wanted = wantedIn(
    state.shafts.flatMap(({ gaps }) => gaps),
    NOTHING_BESIDE,
  );
  const [chosen, setChosen] = useState<string | null>(gapId);
  const [kind, setKind] = useState<MadeKind>('shim');
  const [name, setName] = useState('');
  const target = SETS_A_GAP.has(kind) ? (wanted.find(({ gap }) => gap.station.id === chosen) ?? null) : null;
  const asked = gapId === null ? null : state.shafts.flatMap(({ gaps }) => gaps).find(({ station }) => station.id === gapId);
  const begin = async (): Promise<void> => {
    const place = state.shafts.flatMap(({ slots }) => slots).find(({ slot }) => slot.id === target?.made.placeId)?.slot;
    const { bore, outside } = place?.wants ?? {};
    const sizes = {
      ...(bore === undefined ? {} : { inner: bore }),
      ...(outside === undefined ? {} : { outer: outside }),
      ...(target ? { thickness: target.made.window.ideal } : {}),
    };
    const called = name.trim() === '' ? `${MADE[kind].called}${place ? `, ${place.name}` : ''}` : name.trim();
    const change = beginMaking(state.job.id, { name: called.slice(0, 120), form: { kind, sizes, counts: {} }, made: target?.made ?? null });
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
      className="max-w-[760px] px-4 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <Heading>Make something</Heading>
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
      {SETS_A_GAP.has(kind) && (
        <>
          <p className="label m-0 mt-3 text-[17px] font-semibold">For</p>
          <div role="group" aria-label="For" className="mt-1 flex flex-wrap gap-2">
            {wanted.map(({ gap, made }) => (
              <Chip key={gap.station.id} on={target?.gap === gap} onClick={() => setChosen(gap.station.id)}>
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
          {asked && !wanted.some(({ gap }) => gap.station.id === gapId) && (
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
