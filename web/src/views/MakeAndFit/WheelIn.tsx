import { carrierDrag, orNull, totalDrag, type Estimate } from '@elder-cog/core';
import type { DragState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Field, Quiet } from '../../kit/controls.tsx';
import { useTorqueShown, torqueWords } from '../../kit/Torque.tsx';
import { useDraft } from '../../state/drafts.ts';
import { useSettings } from '../../state/settings.ts';
import { oneDrag, type TypedDrag } from './oneDrag.ts';

/** "11 × 43", "11/43", "43 11": teeth of pinion and wheel, of which the pinion has fewer. */
function teethIn(text: string): { readonly pinionTeeth: number; readonly wheelTeeth: number } | null {
  const [, one = '', other = ''] = /^\s*(\d{1,3})(?:\s*(?:[×x:/,-]|and|to|in)\s*|\s+)(\d{1,3})\s*$/i.exec(text) ?? [];
  const [pinionTeeth = 0, wheelTeeth = 0] = [Number(one), Number(other)].toSorted((a, b) => a - b);
  return pinionTeeth > 0 ? { pinionTeeth, wheelTeeth } : null;
}

/** A pinion with its crown wheel in: what both take together from what each takes alone, and the wheel's own from both together. */
export function WheelIn({ drag }: { drag: DragState }): JSX.Element | null {
  const bare = useSettings((s) => s.bare);
  const { unit } = useTorqueShown(drag.unit);
  const [open, setOpen] = useState(false);
  const [teeth, setTeeth] = useDraft(`teeth ${drag.station.id}`);
  const [carrier, setCarrier] = useDraft(`carrier ${drag.station.id}`);
  const [total, setTotal] = useDraft(`total ${drag.station.id}`);
  const pinion = drag.now.reading;
  const counted = teethIn(teeth);
  const dragIn = (text: string): TypedDrag => (text.trim() === '' ? { drag: null, says: '' } : oneDrag(text, { bare, scale: unit }));
  const [own, both] = [dragIn(carrier), dragIn(total)];
  const known = (value: number | null): Estimate<number> | null => (value === null ? null : { kind: 'estimate', value, u: 0 });
  const together =
    pinion && counted && own.drag !== null ? orNull(() => totalDrag({ pinion, carrier: known(own.drag) as Estimate<number>, ...counted })) : null;
  const isLess = pinion !== null && both.drag !== null && both.drag < pinion.value;
  const wheel =
    pinion && counted && both.drag !== null && !isLess
      ? orNull(() => carrierDrag({ total: known(both.drag) as Estimate<number>, pinion, ...counted }))
      : null;
  return (
    <section aria-label="With the wheel in" className="no-print border-t border-rule px-4 py-1">
      <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
        With the crown wheel in ▸
      </Quiet>
      {open && (
        <>
          <p className="m-0 text-[16px] text-ink2">
            {pinion ? (
              <>
                The pinion alone takes <span className="num">{torqueWords(pinion.value, unit)}</span>, as it was read.
              </>
            ) : (
              'The pinion alone first: it is read above.'
            )}
          </p>
          <Field
            label="Teeth, pinion and wheel"
            value={teeth}
            placeholder="like 9 × 41"
            onChange={(e) => setTeeth(e.target.value)}
            says={
              teeth !== '' && counted === null
                ? 'two counts, as in 9 × 41'
                : counted
                  ? `${(counted.wheelTeeth / counted.pinionTeeth).toFixed(2)} to 1`
                  : ''
            }
          />
          <div className="grid grid-cols-2 gap-x-3 max-sm:grid-cols-1">
            <Field label="The wheel alone, at the wheel" value={carrier} onChange={(e) => setCarrier(e.target.value)} says={own.says} />
            <Field label="Or both, at the pinion" value={total} onChange={(e) => setTotal(e.target.value)} says={both.says} />
          </div>
          {together && (
            <p className="m-0 text-[17px]">
              Both together <span className="num text-[20px] font-semibold">{torqueWords(together.value, unit)}</span> at the pinion.
            </p>
          )}
          {wheel && (
            <p className="m-0 text-[17px]">
              The wheel’s own bearings take <span className="num text-[20px] font-semibold">{torqueWords(wheel.value, unit)}</span> at the wheel.
            </p>
          )}
          {isLess && <p className="m-0 text-[16px] text-tight">Both together cannot take less than the pinion alone: read the two again.</p>}
          {(together ?? wheel) && <p className="m-0 text-[15px] text-ink2">Reckoned by the teeth; what the teeth themselves take is left out.</p>}
        </>
      )}
    </section>
  );
}
