import type { Stock } from '@elder-cog/contract';
import { counted, nanometres, type Length, type Meaning } from '@elder-cog/core';
import { writtenSize } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Primary, Refusal } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { newId, useSettings } from '../../state/settings.ts';

const FORMS = [
  ['shim', 'shim, on a roll or in sheets'],
  ['sheet', 'sheet'],
  ['bar', 'bar'],
  ['tube', 'tube'],
] as const;

/** As it was typed, without its unit, which stands beside it. */
const withoutUnit = (text: string): string =>
  text
    .trim()
    .replace(/\s*(thou|mm|in|inch|"|″|um|µm)\.?$/i, '')
    .slice(0, 60);

/** Stock put down: what of, how thick or how big round, how many pieces, or that it can be bought. */
export function AddStock({ onDone }: { onDone: () => void }): JSX.Element {
  const bare = useSettings((s) => s.bare);
  const { send, sending } = useCommand();
  const [form, setForm] = useState<Stock['form']>('shim');
  const [material, setMaterial] = useState('brass');
  const [owned, setOwned] = useState('1');
  const [canBuy, setCanBuy] = useState(false);
  const [tried, setTried] = useState(false);
  const isSheet = form === 'shim' || form === 'sheet';
  const thickness = useEntry({ field: 'size', bare, quantity: 'leaf' });
  const width = useEntry({ field: 'size', bare: 'mm', quantity: 'sheet' });
  const long = useEntry({ field: 'size', bare: 'mm', quantity: 'sheet' });
  const outside = useEntry({ field: 'size', bare, quantity: 'diameter' });
  const bore = useEntry({ field: 'size', bare, quantity: 'diameter' });
  const main = isSheet ? thickness : outside;
  const count = /^\d{1,4}$/.test(owned.trim()) ? Number(owned) : null;
  const why =
    material.trim() === ''
      ? 'Say what it is of.'
      : count === null
        ? 'How many is a whole number.'
        : count === 0 && !canBuy
          ? 'None of it, and not to be had: tick that it can be bought.'
          : null;
  const keep = (meaning: Meaning<Length>): void => {
    if (why !== null || count === null) return;
    const of = (entry: { readonly meaning: Meaning<Length> | null }): Length | null => entry.meaning?.value ?? null;
    const sizes = isSheet
      ? { thickness: meaning.value, width: of(width), length: of(long), outside: null, bore: null }
      : { thickness: null, width: null, outside: meaning.value, bore: form === 'tube' ? of(bore) : null, length: of(long) };
    const row = {
      id: newId(),
      form,
      material: material.trim(),
      ...sizes,
      written: withoutUnit(main.text),
      unit: meaning.unit,
      owned: count,
      canBuy,
      keptIn: '',
      note: '',
    };
    void send({ kind: 'stock.add', stock: [row] }).then(onDone, () => undefined);
  };
  return (
    <form
      aria-label="Add stock"
      className="border border-edge bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        setTried(true);
        // what was typed and not understood is asked about, and never left out unsaid
        const unclear = [main, ...(isSheet ? [width, long] : [long, ...(form === 'tube' ? [bore] : [])])].find(
          (entry) => entry.meaning === null && (entry === main || entry.text.trim() !== ''),
        );
        if (unclear || main.meaning === null) return unclear?.keep();
        keep(main.meaning);
      }}
    >
      <div role="group" aria-label="What it is" className="mb-2 flex flex-wrap gap-2">
        {FORMS.map(([each, words]) => (
          <Chip key={each} on={form === each} onClick={() => setForm(each)}>
            {words}
          </Chip>
        ))}
      </div>
      <div className="grid grid-cols-2 gap-x-4 max-sm:grid-cols-1">
        <label className="label block text-[17px] font-semibold">
          Of
          <input
            value={material}
            onChange={(event) => setMaterial(event.target.value)}
            maxLength={60}
            className="mt-1 block h-14 w-full border border-edge bg-sheet px-3 font-text text-[18px] font-normal normal-case"
          />
        </label>
        {isSheet ? (
          <EntryField entry={thickness} id="stock-thickness" label="Thickness" placeholder={bare === 'mm' ? 'like 0.25' : 'like 15'} />
        ) : (
          <EntryField entry={outside} id="stock-outside" label="Outside" placeholder={bare === 'mm' ? 'like 40' : 'like 1 1/2'} />
        )}
        {isSheet && <EntryField entry={width} id="stock-width" label="Width, if a sheet" placeholder="like 305 mm" />}
        {form === 'tube' && <EntryField entry={bore} id="stock-bore" label="Bore" placeholder={bare === 'mm' ? 'like 28' : 'like 1 1/8'} />}
        <EntryField entry={long} id="stock-length" label={isSheet ? 'Length, if a sheet' : 'Length'} placeholder="like 160 mm" />
        <label className="label block text-[17px] font-semibold">
          Pieces on hand
          <input
            value={owned}
            onChange={(event) => setOwned(event.target.value)}
            inputMode="numeric"
            className="num mt-1 block h-14 w-full border border-edge bg-sheet px-3 text-[20px]"
          />
        </label>
      </div>
      <label className="flex min-h-12 cursor-pointer items-center gap-2">
        <input type="checkbox" checked={canBuy} onChange={() => setCanBuy(!canBuy)} className="h-6 w-6 accent-blue" />
        it can be bought
      </label>
      {tried && why !== null && (
        <p className="m-0 mb-2">
          <Refusal>{why}</Refusal>
        </p>
      )}
      <Primary type="submit" disabled={sending}>
        Keep this stock
      </Primary>
    </form>
  );
}

/** "12 thou brass, 2 pieces", "1½ in bronze bar, to be bought". */
export const stockWords = ({ form, material, owned, canBuy, ...size }: Stock): string =>
  `${writtenSize(size)} ${material}${form === 'shim' || form === 'sheet' ? '' : ` ${form}`}, ${owned > 0 ? counted(owned, 'one piece', 'pieces') : canBuy ? 'to be bought' : 'none'}`;

/** How big a sheet is; null where nobody said, or it is no sheet. */
export const sheetSize = ({ width, length }: Pick<Stock, 'width' | 'length'>): { readonly width: Length; readonly height: Length } | null =>
  width === null || length === null ? null : { width: nanometres(Math.max(width, length)), height: nanometres(Math.min(width, length)) };
