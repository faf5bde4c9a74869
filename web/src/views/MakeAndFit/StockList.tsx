import { describeLength, formatLength, nanometres, type MarkKind } from '@elder-cog/core';
import { stockChoices, writtenSize, type MakingState, type StockChoice } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Heading, Quiet } from '../../kit/controls.tsx';
import { Mark } from '../../kit/Mark.tsx';
import { useCommand } from '../../state/api.ts';
import { changeMaking } from '../../state/makingActions.ts';
import { useSettings } from '../../state/settings.ts';
import { useOffered } from '../../state/stock.ts';
import { rangeWords } from '../../state/understood.ts';
import { AddStock } from './AddStock.tsx';

const MOST_SHOWN = 5;

const markOf = ({ asCut }: StockChoice): MarkKind => {
  if (!asCut?.verdict) return 'unmeasured';
  return asCut.verdict.sure === 'sure' ? asCut.verdict.place : 'cannotTell';
};

/** What it could be made from: as it is, or to be lapped; what the workshop has before what is to be bought. */
export function StockList({ made }: { made: MakingState }): JSX.Element | null {
  const { making, gap } = made;
  const offered = useOffered(making.placeId);
  const [all, setAll] = useState(false);
  const [adding, setAdding] = useState(false);
  const unit = useSettings((s) => s.unit);
  const { send, sending } = useCommand();
  const { window, beside } = making;
  const choices = useMemo(() => (window ? stockChoices({ window, gap, beside }, offered) : []), [window, gap, beside, offered]);
  if (!window) return null;
  const isChosen = ({ stock, leaves }: StockChoice): boolean => making.blank?.size === stock.thickness * leaves && making.material === stock.material;
  // several leaves of one sheet are one pack: measured together
  const choose = ({ stock: { thickness, written, unit: of, material }, leaves }: StockChoice): void =>
    void send(
      changeMaking(making, {
        blank: { size: nanometres(thickness * leaves), written: leaves > 1 ? `${leaves} × ${written}` : written, unit: of },
        material,
      }),
    ).catch(() => undefined);
  const shown = all ? choices : choices.slice(0, MOST_SHOWN);
  return (
    <section aria-label="Stock" className="px-4 py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <Heading>Stock</Heading>
        <span className="text-ink2">
          may be <span className="num font-semibold text-ink">{rangeWords(window, unit)}</span>
        </span>
      </div>
      {choices.length === 0 && (
        <p className="m-0 my-2">No sheet or leaf is on hand that it could be made from. Say what there is, or what can be bought.</p>
      )}
      <ul className="m-0 mt-2 flex list-none flex-col gap-2 p-0">
        {shown.map((choice) => (
          <li key={choice.stock.id}>
            <button
              type="button"
              disabled={sending || choice.does === 'tooThin' || making.state !== 'open'}
              aria-pressed={isChosen(choice)}
              onClick={() => choose(choice)}
              className={`grid min-h-14 w-full grid-cols-[34px_minmax(0,1fr)_auto] items-center gap-x-2 border px-2 py-1 text-left ${isChosen(choice) ? 'border-2 border-blue bg-band' : 'border-edge bg-sheet'}`}
            >
              <Mark kind={markOf(choice)} size={28} />
              <span className="min-w-0">
                <span className="block text-[17px] leading-6 font-semibold">
                  {choice.leaves > 1 && <span className="num">{choice.leaves} × </span>}
                  <span className="num">{writtenSize(choice.stock)}</span> <span className="font-normal">{choice.stock.material}</span>
                </span>
                <span className="block text-[16px] leading-5 text-ink2">
                  {choice.does === 'tooThin'
                    ? 'too thin: nothing makes it thicker'
                    : choice.does === 'lap'
                      ? `lap ${describeLength(choice.takeOff, unit)}`
                      : 'as it is'}
                  {!choice.stock.isOwned && ', to be bought'}
                </span>
              </span>
              {choice.asCut && (
                <span className="num text-right whitespace-nowrap">
                  → <strong className="text-[20px] font-semibold">{formatLength(choice.asCut.value, unit)}</strong>
                </span>
              )}
            </button>
          </li>
        ))}
      </ul>
      <p className="m-0 mt-1 text-[16px] text-ink2">{choices.some((c) => c.asCut) ? 'the gap with it as it is cut' : ''}</p>
      <div className="flex flex-wrap gap-x-4">
        {choices.length > MOST_SHOWN && (
          <Quiet onClick={() => setAll((a) => !a)} aria-expanded={all}>
            {all ? 'fewer' : `${choices.length - MOST_SHOWN} more ▸`}
          </Quiet>
        )}
        <Quiet onClick={() => setAdding((a) => !a)} aria-expanded={adding}>
          Add stock ▸
        </Quiet>
      </div>
      {adding && <AddStock onDone={() => setAdding(false)} />}
    </section>
  );
}
