import type { Wants } from '@elder-cog/contract';
import { describeLength, readSupplierRange, unitOfSizes, type Length } from '@elder-cog/core';
import type { ForSlot, Slot } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Link } from 'react-router';
import { Field, Primary, Quiet } from '../../kit/controls.tsx';
import { EntryField } from '../../kit/EntryField.tsx';
import { useLeafForm } from '../../kit/useLeafForm.ts';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { understood } from '../../state/understood.ts';

interface SlotWantsProps {
  readonly slot: Slot;
  readonly bare: 'thou' | 'mm';
  readonly toMeasure?: ForSlot['toMeasure'];
}

/** What goes into a place, in a line, and the form to say it; and what of the Drawer must be measured before it can be offered. */
export function SlotWants({ slot, bare, toMeasure = [] }: SlotWantsProps): JSX.Element {
  const unit = useSettings((s) => s.unit);
  const [open, setOpen] = useState(false);
  const said = wantsWords(slot.wants ?? {}, unit);
  return (
    <>
      <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open} className="no-print -my-2">
        What goes here ▸
      </Quiet>
      {(said !== '' || toMeasure.length > 0) && (
        <p className="no-print order-1 m-0 flex basis-full flex-wrap items-center gap-x-3 text-[16px]">
          <span className="text-ink2">{said}</span>
          {toMeasure.length > 0 && (
            <span>
              {counted(toMeasure)} in the <Link to="/drawer">Drawer</Link> may go here: measure {missing(slot.wants ?? {}, toMeasure)} first.
            </span>
          )}
        </p>
      )}
      {open && (
        <div className="no-print order-1 basis-full">
          <WantsForm slot={slot} bare={bare} onDone={() => setOpen(false)} />
        </div>
      )}
    </>
  );
}

function wantsWords({ bore, outside, tang, side, supply }: Wants, unit: 'thou' | 'mm'): string {
  const each = [
    bore === undefined ? '' : `over ${size(bore, unit)}`,
    outside === undefined ? '' : `inside ${size(outside, unit)}`,
    tang === undefined || tang === '' ? '' : tang,
    side ?? '',
    supply ? `to be had ${supply.written}` : '',
  ];
  return each.filter((words) => words !== '').join(', ');
}

const size = (length: Length, unit: 'thou' | 'mm'): string => describeLength(length, unitOfSizes(unit));

const counted = (leaves: ForSlot['toMeasure']): string => (leaves.length === 1 ? 'One' : `${leaves.length} thicknesses`);

/** What of some leaves nobody has measured, of what matters here. */
function missing({ bore, outside, tang }: Wants, leaves: ForSlot['toMeasure']): string {
  const each = [
    bore !== undefined && leaves.some(({ form }) => form.bore === undefined) ? 'the bore' : '',
    outside !== undefined && leaves.some(({ form }) => form.outside === undefined) ? 'the outside' : '',
    tang !== undefined && leaves.some(({ form }) => form.tang === undefined) ? 'the tang' : '',
  ];
  return each.filter((words) => words !== '').join(' and ');
}

function WantsForm({ slot, bare, onDone }: { slot: Slot; bare: 'thou' | 'mm'; onDone: () => void }): JSX.Element {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const place = facts.places.find((p) => p.id === slot.id);
  const { wants = {} } = slot;
  const form = useLeafForm(wants, bare);
  const [side, setSide] = useState(wants.side ?? '');
  const [supply, setSupply] = useState(wants.supply?.written ?? '');
  const [refusal, setRefusal] = useState<string | null>(null);
  const keep = (): void => {
    const said = form.read();
    if (!said || !place) return;
    const range = supply.trim() === '' ? null : understood(() => readSupplierRange(supply, bare));
    setRefusal(typeof range === 'string' ? range : null);
    if (typeof range === 'string') return;
    const next: Wants = {
      ...said,
      ...(side.trim() === '' ? {} : { side: side.trim() }),
      ...(range === null ? {} : { supply: { ...range, written: supply.trim() } }),
    };
    const isNothing = Object.keys(next).length === 0;
    void send({ kind: 'place.wants', id: place.id, revision: place.revision, wants: isNothing ? null : next }).then(onDone, () => undefined);
  };
  return (
    <form
      aria-label={`What goes here: ${slot.name}`}
      className="grid grid-cols-2 gap-x-4 border border-edge bg-sheet p-3 max-sm:grid-cols-1"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <EntryField entry={form.bore} id={`over-${slot.id}`} label="Over a shaft of" placeholder={bare === 'mm' ? 'like 25.0' : 'like 0.984 in'} />
      <EntryField entry={form.outside} id={`inside-${slot.id}`} label="Inside a housing of" placeholder={bare === 'mm' ? 'like 38' : 'like 1½ in'} />
      <Field
        label="Tang"
        value={form.tang}
        onChange={(event) => form.setTang(event.target.value)}
        placeholder="none, tang, two tangs"
        maxLength={40}
      />
      <Field
        label="Which way round"
        value={side}
        onChange={(event) => setSide(event.target.value)}
        placeholder="grooves to the gear"
        maxLength={80}
      />
      <Field
        label="To be had"
        value={supply}
        onChange={(event) => setSupply(event.target.value)}
        refusal={refusal}
        placeholder={bare === 'mm' ? '2.80–3.60 by 0.04 mm' : '110–142 by 2'}
        maxLength={60}
      />
      <div className="flex items-start gap-3 pt-7">
        <Primary type="submit" disabled={sending}>
          Keep
        </Primary>
        <Quiet onClick={onDone}>Leave it</Quiet>
      </div>
    </form>
  );
}
