import type { LeafForm } from '@elder-cog/contract';
import type { Length } from '@elder-cog/core';
import { useState } from 'react';
import { asTyped } from '../state/understood.ts';
import { useEntry, type Entry } from './EntryField.tsx';

/** What a leaf is besides how thick, or what a place takes, as it is being said. */
export interface LeafFormEntry {
  readonly bore: Entry<'size'>;
  readonly outside: Entry<'size'>;
  readonly tang: string;
  setTang(tang: string): void;
  /** As it is said; null, and shown why, while one of it is not understood. */
  read(): LeafForm | null;
}

/** Bore, outside and tang: each may be left out. What nobody touched stays to the last digit, and is not what it was rounded to for showing. */
export function useLeafForm(before: LeafForm, bare: 'thou' | 'mm'): LeafFormEntry {
  const bore = useEntry({ field: 'size', bare, quantity: 'diameter' }, { initial: asTyped(before.bore, bare) });
  const outside = useEntry({ field: 'size', bare, quantity: 'diameter' }, { initial: asTyped(before.outside, bare) });
  const [tang, setTang] = useState(before.tang ?? '');
  const read = (): LeafForm | null => {
    const open = [bore, outside].filter((entry) => entry.text.trim() !== '' && entry.meaning === null);
    open.forEach((entry) => entry.keep());
    if (open.length > 0) return null;
    const said = { bore: sizeSaid(bore, before.bore), outside: sizeSaid(outside, before.outside) };
    return {
      ...(said.bore === undefined ? {} : { bore: said.bore }),
      ...(said.outside === undefined ? {} : { outside: said.outside }),
      ...(tang.trim() === '' ? {} : { tang: tang.trim() }),
    };
  };
  return { bore, outside, tang, setTang, read };
}

/** What is said of a size; what nobody touched is as it was, and an emptied field says nothing. */
export const sizeSaid = ({ isTouched, text, meaning }: Entry<'size'>, before: Length | undefined): Length | undefined =>
  !isTouched ? before : text.trim() === '' ? undefined : meaning?.value;
