import type { Fitting } from '@elder-cog/contract';
import { describeLength, fitBands, isoFit, nanometres, NM_PER, ReckoningError, type IsoFit, type Length } from '@elder-cog/core';
import { useState, type JSX } from 'react';
import { Field, Quiet } from '../../kit/controls.tsx';
import { Shapes } from '../../kit/Shapes.tsx';
import { useWidth } from '../../kit/useWidth.ts';

/** The whole millimetre, or half of one, that a bore is nominally. */
const nominalOf = (bore: Length): Length => nanometres(Math.round(bore / (NM_PER.mm / 2)) * (NM_PER.mm / 2));

/** An ISO fit beside what was measured, as two bands in both systems. */
export function IsoBands({ fitting }: { fitting: Fitting }): JSX.Element {
  const [open, setOpen] = useState(false);
  const [name, setName] = useState('H7/p6');
  const [ref, width] = useWidth<HTMLDivElement>();
  const nominal = fitting.outer.bore === null ? null : nominalOf(fitting.outer.bore);
  const found = ((): IsoFit | string => {
    if (nominal === null) return 'Measure the bore first.';
    try {
      return isoFit(nominal, name);
    } catch (error) {
      if (error instanceof ReckoningError) return error.message;
      throw error;
    }
  })();
  const [hole = '', shaft = ''] = name.split('/').map((each) => each.trim());
  const against = (size: Length | null): Length | null => (size === null || nominal === null ? null : nanometres(size - nominal));
  const bands =
    typeof found === 'string' || width < 300
      ? null
      : fitBands({
          fit: found,
          names: { hole, shaft },
          measured: { hole: against(fitting.outer.bore), shaft: against(fitting.inner.outside) },
          width: Math.min(460, width),
        });
  return (
    <section aria-label="ISO fit" className="border-t-2 border-ink px-4 py-2">
      <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
        Beside an ISO fit ▸
      </Quiet>
      {open && (
        <>
          <Field
            label={nominal === null ? 'Fit' : `Fit of ${describeLength(nominal, 'mm', 1)}`}
            id="iso-fit"
            value={name}
            onChange={(event) => setName(event.target.value)}
            refusal={typeof found === 'string' ? found : null}
            className="w-40"
          />
          <div ref={ref} className="w-full">
            {bands && <Shapes shapes={bands.shapes} width={bands.width} height={bands.height} says={bands.says} />}
          </div>
          {bands && <p className="m-0 text-[16px] text-ink2">{bands.says}. ISO 286, from memory of its table. The marks are what was measured.</p>}
        </>
      )}
    </section>
  );
}
