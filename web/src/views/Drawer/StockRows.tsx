import type { Stock } from '@elder-cog/contract';
import { useState, type JSX } from 'react';
import { Heading, Primary, Quiet, Refusal } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { changeStock, useStock } from '../../state/stock.ts';
import { AddStock, stockWords } from '../MakeAndFit/AddStock.tsx';

/** Sheet, bar and tube: what the workshop has, and apart from it what can be bought. */
export function StockRows(): JSX.Element {
  const stock = useStock();
  const [adding, setAdding] = useState(false);
  const [open, setOpen] = useState<string | null>(null);
  const owned = stock.filter((each) => each.owned > 0);
  const toBuy = stock.filter((each) => each.owned === 0);
  const rows = (of: readonly Stock[]): JSX.Element => (
    <ul className="m-0 list-none p-0">
      {of.map((each) => (
        <li key={each.id} className="border-t border-rule">
          <button
            type="button"
            aria-expanded={open === each.id}
            onClick={() => setOpen(open === each.id ? null : each.id)}
            className="flex min-h-12 w-full flex-wrap items-center justify-between gap-x-4 text-left text-[17px]"
          >
            <span>{stockWords(each)}</span>
            <span className="text-[16px] text-ink2">{each.keptIn}</span>
          </button>
          {open === each.id && <EditStock key={each.revision} stock={each} onDone={() => setOpen(null)} />}
        </li>
      ))}
    </ul>
  );
  return (
    <section aria-label="Stock" className="border-t-2 border-ink px-4 py-3">
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        <Heading>Stock to make from</Heading>
        <Quiet onClick={() => setAdding((a) => !a)} aria-expanded={adding}>
          Add stock ▸
        </Quiet>
      </div>
      {adding && <AddStock onDone={() => setAdding(false)} />}
      {stock.length === 0 && !adding && (
        <p className="m-0 max-w-prose text-ink2">None yet: shim on a roll, sheet, bar and tube, as you have them or can buy them.</p>
      )}
      {owned.length > 0 && rows(owned)}
      {toBuy.length > 0 && (
        <>
          <p className="label m-0 mt-2 text-[16px] text-ink2">Can be bought</p>
          {rows(toBuy)}
        </>
      )}
    </section>
  );
}

function EditStock({ stock, onDone }: { stock: Stock; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [owned, setOwned] = useState(String(stock.owned));
  const [keptIn, setKeptIn] = useState(stock.keptIn);
  const [canBuy, setCanBuy] = useState(stock.canBuy);
  const count = /^\d{1,4}$/.test(owned.trim()) ? Number(owned) : null;
  const refusal =
    count === null ? 'How many is a whole number.' : count === 0 && !canBuy ? 'None of it, and not to be had: take it away instead.' : null;
  const field = 'num block h-12 border border-edge bg-sheet px-3';
  return (
    <form
      aria-label={`Change ${stockWords(stock)}`}
      className="mb-2 flex flex-wrap items-end gap-3 border border-edge bg-sheet p-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (refusal === null && count !== null)
          void send(changeStock(stock, { owned: count, keptIn: keptIn.trim(), canBuy })).then(onDone, () => undefined);
      }}
    >
      <label>
        Pieces
        <input value={owned} onChange={(event) => setOwned(event.target.value)} inputMode="numeric" className={`${field} w-24`} />
      </label>
      <label>
        Kept in
        <input value={keptIn} onChange={(event) => setKeptIn(event.target.value)} maxLength={60} placeholder="rack by the door" className={field} />
      </label>
      <label className="flex min-h-12 items-center gap-2">
        <input type="checkbox" checked={canBuy} onChange={() => setCanBuy(!canBuy)} className="h-6 w-6 accent-blue" />
        can be bought
      </label>
      <Primary type="submit" disabled={sending || refusal !== null} className="min-h-12">
        Keep
      </Primary>
      <Quiet disabled={sending} onClick={() => void send(changeStock(stock, { gone: true })).then(onDone, () => undefined)}>
        Take it away
      </Quiet>
      {refusal && (
        <span className="basis-full">
          <Refusal>{refusal}</Refusal>
        </span>
      )}
    </form>
  );
}
