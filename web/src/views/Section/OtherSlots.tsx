import type { FitLeaf } from '@elder-cog/contract';
import { availableFor, forSlot, type GapState, type ShaftState, type Tried } from '@elder-cog/derive';
import { useState, type JSX, type ReactNode } from 'react';
import { Quiet } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { fitPack, isSaid } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { bareUnit } from '../../state/understood.ts';
import { OtherPack } from './OtherPack.tsx';
import { SlotWants } from './SlotWants.tsx';

interface OtherSlotsProps {
  readonly shaft: ShaftState;
  readonly gap: GapState;
  readonly onTry: (tried: readonly Tried[] | null) => void;
  readonly would: ReactNode;
}

/** What is in the places that the gap in hand is not set by: a depth shim, another gap's washer. */
export function OtherSlots({ shaft, gap, onTry, would }: OtherSlotsProps): JSX.Element | null {
  const { lots, fitted } = useJob();
  const { send } = useCommand();
  const [open, setOpen] = useState<string | null>(null);
  const others = shaft.slots.filter(({ slot }) => slot.kind === 'adjuster' && slot.id !== gap.adjuster?.id);
  if (others.length === 0) return null;
  const fit = (slotId: string, leaves: readonly FitLeaf[]): void => {
    void send(fitPack(shaft, slotId, leaves)).then(
      () => setOpen(null),
      () => undefined,
    );
  };
  return (
    <section aria-label="Other places" className="border-t border-rule px-4 py-2">
      {others.map((state) => {
        const { slot, words } = state;
        return (
          <div key={slot.id}>
            <div className="flex flex-wrap items-center gap-x-4">
              <span className="text-[17px]">{slot.name}</span>
              <span className="num text-[18px] font-semibold">{words}</span>
              <span className="ml-auto" />
              <SlotWants slot={slot} bare={bareUnit(gap)} toMeasure={forSlot(state, availableFor(slot.id, lots, fitted)).toMeasure} />
              <Quiet onClick={() => setOpen((now) => (now === slot.id ? null : slot.id))} aria-expanded={open === slot.id} className="no-print">
                {isSaid(shaft, slot.id) ? 'Another there…' : 'Say what is in…'}
              </Quiet>
            </div>
            {open === slot.id && (
              <OtherPack
                onFit={(leaves) => fit(slot.id, leaves)}
                onTry={(leaves) => onTry(leaves && [{ slotId: slot.id, leaves }])}
                available={availableFor(slot.id, lots, fitted)}
                bare={bareUnit(gap)}
                would={would}
              />
            )}
          </div>
        );
      })}
    </section>
  );
}
