import {
  CLEAR,
  describeLength,
  fieldsOf,
  MADE,
  readQuantity,
  ReckoningError,
  shimShape,
  unitOfSizes,
  type Length,
  type MadeForm,
  type MadeSizeField,
  type Meaning,
} from '@elder-cog/core';
import { rowHolders } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Field, Quiet, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { KeptSize } from '../../kit/KeptSize.tsx';
import { KeptText } from '../../kit/KeptText.tsx';
import { useJob } from '../../state/job.ts';
import { asTyped } from '../../state/understood.ts';

interface FormFieldsProps {
  readonly form: MadeForm;
  readonly bare: 'thou' | 'mm';
  /** what is made to a window has its thickness from there */
  readonly isAimed: boolean;
  /** made from the form as it is by then */
  readonly onChange: (change: (now: MadeForm) => MadeForm) => void;
}

/** The sizes of what is made, one field each. Left, a field is kept. */
export function FormFields({ form, bare, isAimed, onChange }: FormFieldsProps): JSX.Element {
  const [working, setWorking] = useState(false);
  const { axial, counts, isFlat, isTool } = MADE[form.kind];
  const set = (name: MadeSizeField['name'], size: Length | null): void =>
    onChange((now) => {
      const { [name]: _, ...others } = now.sizes;
      return { ...now, sizes: size === null ? others : { ...others, [name]: size } };
    });
  return (
    <section aria-label="Sizes" className="border-t border-rule px-4 py-2">
      <div className="grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
        {fieldsOf(form)
          .filter(({ name }) => !(isAimed && name === axial))
          .map((field) => (
            <KeptSize
              key={`${form.kind} ${field.name} ${form.sizes[field.name] ?? ''}`}
              id={`made-${field.name}`}
              label={field.isOptional ? `${field.label}, if any` : field.label}
              size={form.sizes[field.name] ?? null}
              bare={bare}
              quantity={field.quantity}
              example={{ mm: 'like 42.6', in: 'like 1 11/16' }}
              onKeep={(size) => set(field.name, size)}
            />
          ))}
        {counts.map(({ name, label }) => (
          <CountField
            key={`${form.kind} ${name}`}
            label={label}
            count={form.counts[name] ?? 0}
            onKeep={(n) => onChange((now) => ({ ...now, counts: { ...now.counts, [name]: n } }))}
          />
        ))}
      </div>
      {isFlat && !isTool && (
        <>
          <Quiet onClick={() => setWorking((w) => !w)} aria-expanded={working}>
            From shaft, corner and housing ▸
          </Quiet>
          {working && (
            <FromHousing
              form={form}
              bare={bare}
              onKeep={(inner, outer) => {
                setWorking(false);
                onChange((now) => ({ ...now, sizes: { ...now.sizes, inner, outer } }));
              }}
            />
          )}
        </>
      )}
    </section>
  );
}

const countIn = (text: string): number | null => (/^\d{1,2}$/.test(text.trim()) && Number(text) <= 36 ? Number(text) : null);

const CountField = ({ label, count, onKeep }: { label: string; count: number; onKeep: (count: number) => void }): JSX.Element => (
  <KeptText
    key={count}
    id={`made-count-${label.toLowerCase()}`}
    label={label}
    initial={String(count)}
    inputMode="numeric"
    refusalOf={(text) => (countIn(text) === null ? 'A whole number, up to 36.' : null)}
    onKeep={(text) => onKeep(countIn(text) ?? count)}
  />
);

const required = (entry: { readonly meaning: Meaning<Length> | null }): Length | null => entry.meaning?.value ?? null;

/** Rows of the Wear book that were measured, of a kind: they need not be typed again. */
function Measured({
  kind,
  label,
  bare,
  onPick,
}: {
  kind: 'journal' | 'bore';
  label: string;
  bare: 'thou' | 'mm';
  onPick: (text: string) => void;
}): JSX.Element | null {
  const { state } = useJob();
  const rows = rowHolders(state).flatMap(({ features }) =>
    features.flatMap((each) => (each.kind === kind && each.now !== null ? [{ id: each.station.id, name: each.station.name, size: each.now }] : [])),
  );
  const all = rows.filter(({ id }, i) => rows.findIndex((each) => each.id === id) === i);
  if (all.length === 0) return null;
  return (
    <select
      aria-label={label}
      value=""
      onChange={(event) => {
        const row = all.find(({ id }) => id === event.target.value);
        if (row) onPick(asTyped(row.size, bare));
      }}
      className="mb-2 h-12 w-full min-w-0 border border-edge bg-sheet px-2 text-[16px]"
    >
      <option value="">as it was measured…</option>
      {all.map(({ id, name, size }) => (
        <option key={id} value={id}>
          {name}, {asTyped(size, bare)}
        </option>
      ))}
    </select>
  );
}

/** A force in newtons; nothing typed is none, and what is no force is said. */
function forceIn(text: string): number | null | 'unknown' {
  if (text.trim() === '') return null;
  try {
    const { kind, value } = readQuantity(text);
    return kind === 'force' && value > 0 ? value : 'unknown';
  } catch (error) {
    if (error instanceof ReckoningError) return 'unknown';
    throw error;
  }
}

/** Inside and outside, cleared from the shaft with its corner and from the housing, as they were measured. */
function FromHousing({ form, bare, onKeep }: { form: MadeForm; bare: 'thou' | 'mm'; onKeep: (inner: Length, outer: Length) => void }): JSX.Element {
  const shaft = useEntry({ field: 'size', bare, quantity: 'diameter' });
  const fillet = useEntry({ field: 'size', bare, quantity: 'leaf' });
  const housing = useEntry({ field: 'size', bare, quantity: 'diameter' });
  const raceIn = useEntry({ field: 'size', bare, quantity: 'diameter' });
  const raceOut = useEntry({ field: 'size', bare, quantity: 'diameter' });
  const [refusal, setRefusal] = useState<string | null>(null);
  const [load, setLoad] = useState('');
  const newtons = forceIn(load);
  const found = ((): { readonly shape: ReturnType<typeof shimShape> } | { readonly why: string } => {
    const [inside, outside] = [required(raceIn), required(raceOut)];
    try {
      const shape = shimShape({
        shaft: required(shaft),
        fillet: required(fillet) ?? (0 as Length),
        housing: required(housing),
        race: inside !== null && outside !== null ? { inner: inside, outer: outside } : null,
        holes: null,
        ...(typeof newtons === 'number' ? { load: newtons } : {}),
        thickness: form.sizes.thickness ?? (1 as Length),
        material: { density: 8500 },
      });
      return { shape };
    } catch (error) {
      if (error instanceof ReckoningError) return { why: error.message };
      throw error;
    }
  })();
  return (
    <form
      aria-label="From shaft and housing"
      className="border border-edge bg-paper p-3"
      onSubmit={(event) => {
        event.preventDefault();
        if ('why' in found) return setRefusal(found.why);
        onKeep(found.shape.inner, found.shape.outer);
      }}
    >
      <div className="grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
        <div>
          <EntryField entry={shaft} id="from-shaft" label="Shaft it goes over" placeholder={bare === 'mm' ? 'like 34' : 'like 1 3/8'} />
          <Measured kind="journal" label="Journal as it was measured" bare={bare} onPick={shaft.type} />
        </div>
        <EntryField entry={fillet} id="from-fillet" label="Corner, radius" placeholder={bare === 'mm' ? 'like 1.2 mm' : 'like 1/16 in'} />
        <div>
          <EntryField entry={housing} id="from-housing" label="Housing it goes into" placeholder={bare === 'mm' ? 'like 71' : 'like 2 13/16'} />
          <Measured kind="bore" label="Bore as it was measured" bare={bare} onPick={housing.type} />
        </div>
        <Field
          label="Thrust on it, if known"
          id="from-load"
          value={load}
          placeholder="like 4 kN, 900 lbf"
          refusal={newtons === 'unknown' ? 'Like 4 kN, 400 kgf or 900 lbf.' : null}
          onChange={(event) => setLoad(event.target.value)}
        />
        <EntryField entry={raceIn} id="from-race-in" label="Face on it, inside" placeholder={bare === 'mm' ? 'like 40' : 'like 1 5/8'} />
        <EntryField entry={raceOut} id="from-race-out" label="Face on it, outside" placeholder={bare === 'mm' ? 'like 70' : 'like 2 3/4'} />
      </div>
      <p className="m-0 mb-2 text-[16px]">
        {'shape' in found ? (
          <>
            <span className="num font-semibold">{describeLength(found.shape.inner, unitOfSizes(bare))}</span> inside,{' '}
            <span className="num font-semibold">{describeLength(found.shape.outer, unitOfSizes(bare))}</span> outside
            {found.shape.share < 1 ? `, carrying ${Math.round(found.shape.share * 100)} in 100 of the face` : ''}
            {found.shape.pressure === undefined ? '' : `, ${found.shape.pressure.toFixed(1)} MPa on it`}. Room of {describeLength(CLEAR.shaft, 'mm')}{' '}
            over the corners and {describeLength(CLEAR.housing, 'mm')} in the housing: common practice.
          </>
        ) : (
          (refusal ?? found.why)
        )}
      </p>
      <Secondary type="submit" disabled={'why' in found}>
        Take these
      </Secondary>
    </form>
  );
}
