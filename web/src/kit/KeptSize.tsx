import { meantBy, NM_PER, unitOfSizes, type Length, type PlainQuantity, type Understood } from '@elder-cog/core';
import { useRef, type JSX } from 'react';
import { asTyped } from '../state/understood.ts';
import { EntryField, useEntry } from './EntryField.tsx';
import { KeptForm } from './KeptForm.tsx';

interface KeptSizeProps {
  readonly id: string;
  readonly label: string;
  readonly size: Length | null;
  readonly bare: 'thou' | 'mm';
  readonly quantity: PlainQuantity;
  readonly example: { readonly mm: string; readonly in: string };
  /** of what is told in a way of its own, as threads an inch are: how it is read, and how it stands there */
  readonly told?: { readonly reads: (text: string) => Understood<Length>; readonly as: (size: Length) => string | null };
  readonly onKeep: (size: Length | null) => void;
}

/** As it would be typed: in the system in which it is a round figure, and in the job's own where it is in neither, or both. */
function asMeant(size: Length | null, bare: 'thou' | 'mm'): string {
  if (size === null) return '';
  const [isInch, isMetric] = [size % (NM_PER.thou / 10) === 0, size % (NM_PER.mm / 1000) === 0];
  return asTyped(size, isInch === isMetric ? bare : isInch ? 'thou' : 'mm');
}

/** One size that is kept as soon as it is left, or by Enter; emptied, it is not known any more. Give it its size as its key. */
export function KeptSize({ id, label, size, bare, quantity, example, told, onKeep }: KeptSizeProps): JSX.Element {
  const initial = (size === null ? null : told?.as(size)) ?? asMeant(size, bare);
  // what is on its way to be kept is not kept once more when the field is left
  const kept = useRef(initial);
  const entry = useEntry(
    { field: 'size', bare, quantity },
    {
      initial,
      ...(told ? { reads: told.reads } : {}),
      also: moreThanNothing,
      onKeep: ({ value }, text) => {
        kept.current = text;
        if (value !== size) onKeep(value);
      },
    },
  );
  const keep = (): void => {
    if (entry.text.trim() !== '') return entry.keep();
    kept.current = entry.text;
    if (size !== null) onKeep(null);
  };
  return (
    <KeptForm text={entry.text} kept={() => kept.current} onKeep={keep}>
      <EntryField entry={entry} id={id} label={label} placeholder={unitOfSizes(bare) === 'mm' ? example.mm : example.in} />
    </KeptForm>
  );
}

/** A size that is nothing, or less, is none. */
export const moreThanNothing = (understood: Understood<Length>): Understood<Length> => {
  const meant = meantBy(understood);
  return meant.length > 0 && meant.every((value) => value <= 0)
    ? { kind: 'refused', code: 'notASize', message: 'A size is more than nothing: check it.' }
    : understood;
};
