import type { Fitted, Lot } from '@elder-cog/contract';
import { describeLength, formatLength, isMetric, nanometres, otherUnit, type Length, type LengthUnit, type Meaning } from '@elder-cog/core';
import { onHand, type DrawerReach, type OnHand } from '@elder-cog/derive';
import { useEffect, useMemo, useRef, useState, type JSX } from 'react';
import { Link } from 'react-router';
import { Heading, Primary, Refusal, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { sizeSaid, useLeafForm } from '../../kit/useLeafForm.ts';
import { newId } from '../../state/settings.ts';
import { asTyped } from '../../state/understood.ts';
import { useCommand, useDrawer } from '../../state/api.ts';
import { useDrawerReach } from '../../workers/packs.ts';
import { LeavesPanel } from '../Section/SetUp.tsx';
import { Instruments } from './Instruments.tsx';
import { StockRows } from './StockRows.tsx';

const PX_PER_NM = 2.6 / 25_400;
const TALLEST = 88;

/** Leaves on hand, what they can make between them, and where the rest are. */
export default function Drawer(): JSX.Element {
  const drawer = useDrawer();
  const [open, setOpen] = useState<string | null>(null);
  const hands = useMemo(() => onHand(drawer.data?.lots ?? [], drawer.data?.fitted ?? []), [drawer.data]);
  const reach = useDrawerReach(hands);
  const count = hands.reduce((sum, h) => sum + h.onHand, 0);
  const out = hands.reduce((sum, h) => sum + h.fitted, 0);
  // made, or found in a machine: fitted, and no leaf of any lot
  const strangers = (drawer.data?.fitted ?? []).reduce((sum, f) => sum + (f.lotId === null ? f.count : 0), 0);
  const imperial = hands.filter((h) => !isMetric(h.lot.unit));
  const metric = hands.filter((h) => isMetric(h.lot.unit));
  const edited = hands.find((h) => h.lot.id === open);
  return (
    <div className="grid min-h-full grid-cols-[minmax(0,1fr)_390px] max-lg:grid-cols-1">
      <div className="min-w-0">
        <section aria-label="Leaves" className="px-4 py-3">
          <div className="flex flex-wrap items-center gap-x-6 gap-y-1">
            <h1 className="label m-0 text-[18px] font-semibold text-blue">Leaves</h1>
            <span>
              <strong className="num font-semibold">{count}</strong> on hand
            </span>
            <span className="text-ink2">
              <span className="num">{out}</span> of them fitted in jobs (dashed)
              {strangers > 0 && (
                <>
                  , and <span className="num">{strangers}</span> that were never in here
                </>
              )}
            </span>
            <span className="text-ink2">metric: a hole</span>
          </div>
          {drawer.isError && <Refusal>{drawer.error.message}</Refusal>}
          {drawer.isPending && <p className="text-ink2">Opening the drawer…</p>}
          {drawer.isSuccess && hands.length === 0 && (
            <p className="max-w-prose">
              The drawer is empty. Type what is on hand in one line below, thickness × how many, and packs are found from it everywhere.
            </p>
          )}
          {imperial.length > 0 && <Row hands={imperial} open={open} onOpen={setOpen} />}
          {metric.length > 0 && <Row hands={metric} open={open} onOpen={setOpen} />}
          {edited && <Edit key={edited.lot.id + edited.lot.revision} hand={edited} onClose={() => setOpen(null)} />}
        </section>
        <section aria-label="Add leaves" className="border-t-2 border-ink px-4 py-3">
          <Heading>Add in a line</Heading>
          <LeavesPanel autoFocus={false} />
        </section>
        {hands.length > 0 && <Makes reach={reach.data ?? null} />}
        {drawer.isSuccess && <StockRows />}
        {drawer.isSuccess && <Instruments own={drawer.data.instruments} learned={drawer.data.repeatability} />}
      </div>
      <aside aria-label="Fitted now" className="min-w-0 border-l-2 border-ink px-5 py-3 max-lg:border-t-2 max-lg:border-l-0">
        <div className="flex items-baseline justify-between">
          <Heading>Fitted now</Heading>
          <span className="text-ink2">open jobs</span>
        </div>
        <FittedList fitted={drawer.data?.fitted ?? []} />
      </aside>
    </div>
  );
}

function Row({ hands, open, onOpen }: { hands: readonly OnHand[]; open: string | null; onOpen: (id: string | null) => void }): JSX.Element {
  return (
    <ul className="m-0 mt-3 flex list-none flex-wrap gap-x-3 gap-y-3 p-0">
      {hands.map((hand) => (
        <li key={hand.lot.id} className="w-[66px]">
          <button
            type="button"
            aria-expanded={open === hand.lot.id}
            onClick={() => onOpen(open === hand.lot.id ? null : hand.lot.id)}
            aria-label={`${hand.lot.written} ${hand.lot.unit}: ${hand.onHand} on hand, ${hand.fitted} fitted. Change`}
            className="block w-full text-left"
          >
            <Heap hand={hand} />
            <span className={`num block text-[20px] leading-7 font-semibold ${hand.onHand === 0 ? 'text-ink2' : ''}`}>{hand.lot.written}</span>
            <span className="num flex justify-between text-[14px] leading-5">
              <span className="text-ink2">{formatLength(hand.lot.thickness, otherUnit(hand.lot.unit))}</span>
              <span className={hand.onHand > 0 ? 'text-[16px] font-semibold' : 'text-[16px] text-ink2'}>×{hand.onHand}</span>
            </span>
          </button>
          {hand.where.map((machine) => (
            <span key={machine} translate="no" className="block truncate text-[14px] leading-5 font-medium text-brass-text" title={machine}>
              {machine.split(' ')[0]}
            </span>
          ))}
        </li>
      ))}
    </ul>
  );
}

/** Leaves of one lot one above another, those in jobs dashed, the thickness of each drawn at one scale. */
function Heap({ hand }: { hand: OnHand }): JSX.Element {
  const each = Math.max(3, hand.lot.thickness * PX_PER_NM);
  const many = Math.min(hand.lot.owned, Math.max(1, Math.floor(TALLEST / (each + 3))));
  const shownFitted = Math.min(hand.fitted, many);
  const hole = isMetric(hand.lot.unit);
  return (
    <svg width="62" height={TALLEST + 4} viewBox={`-1 -2 64 ${TALLEST + 4}`} aria-hidden="true" className="block">
      {Array.from({ length: many }, (_, i) => {
        const height = Math.min(each, TALLEST - 2);
        const y = TALLEST - (i + 1) * height - i * 3;
        const away = i >= many - shownFitted;
        const cut = Math.min(7, height * 0.62);
        return (
          <g key={i}>
            <path
              d={`M0,${y}H${60 - cut}L60,${y + cut}V${y + height}H${cut}L0,${y + height - cut}Z`}
              fill={away ? 'var(--sheet)' : 'var(--brass)'}
              stroke={away ? 'var(--brass-text)' : 'var(--brass-line)'}
              strokeWidth={away ? 1.5 : 1}
              strokeDasharray={away ? '5 3' : undefined}
            />
            {hole && height > 6 && (
              <circle cx="42" cy={y + height / 2} r={Math.min(4, height * 0.28)} fill="var(--paper)" stroke="var(--brass-line)" />
            )}
          </g>
        );
      })}
      <path d={`M0,${TALLEST + 1}H60`} stroke="var(--edge)" />
    </svg>
  );
}

/** How many there are, where they are kept and what they are of. */
function Edit({ hand: { lot, fitted }, onClose }: { hand: OnHand; onClose: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [owned, setOwned] = useState(String(lot.owned));
  const [keptIn, setKeptIn] = useState(lot.keptIn);
  const [material, setMaterial] = useState(lot.material);
  const bare = isMetric(lot.unit) ? 'mm' : 'thou';
  const form = useLeafForm(lot, bare);
  const crushed = useEntry({ field: 'size', bare, quantity: 'gasket' }, { initial: asTyped(lot.crushed, bare) });
  const number = /^\d{1,4}$/.test(owned.trim()) ? Number(owned) : null;
  const refusal =
    number === null ? 'How many is a whole number.' : number < fitted ? `${fitted} of them are fitted: take those out of their jobs first.` : null;
  const keep = (): void => {
    if (refusal || number === null) return;
    const said = form.read();
    if (!said) return;
    if (crushed.text.trim() !== '' && crushed.meaning === null) return crushed.keep();
    const bolted = sizeSaid(crushed, lot.crushed);
    void send({
      kind: 'lot.change',
      id: lot.id,
      revision: lot.revision,
      owned: number,
      material,
      keptIn,
      note: lot.note,
      ...said,
      ...(bolted === undefined ? {} : { crushed: bolted }),
    }).then(onClose, () => undefined);
  };
  /** One of them was measured: it is a lot by itself from then on, and the rest are one fewer. */
  const split = (text: string, { value, unit }: Meaning<Length>): void => {
    const { id, revision, thickness: _, written: __, unit: ___, gone: ____, owned: had, ...rest } = lot;
    const one = { ...rest, id: newId(), thickness: value, written: withoutUnit(text, value, unit), unit, owned: 1 };
    void send({ kind: 'lot.change', ...rest, id, revision, owned: had - 1 }, { kind: 'lots.add', lots: [one] }).then(onClose, () => undefined);
  };
  const whole = useRef<HTMLFormElement>(null);
  useEffect(() => {
    whole.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  const field = 'num h-12 w-full border border-edge bg-sheet px-3';
  return (
    <>
      <form
        ref={whole}
        className="mt-3 flex scroll-mb-20 flex-wrap items-end gap-3 border border-edge bg-sheet p-3"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        <strong className="num basis-full text-[20px]">
          {lot.written} {lot.unit}
          {lot.crushed !== undefined && `, a gasket: ${describeLength(lot.crushed, bare)} bolted up`}
        </strong>
        <label>
          Owned
          <input value={owned} onChange={(e) => setOwned(e.target.value)} inputMode="numeric" className={`${field} block w-24`} />
        </label>
        <label>
          Of
          <input value={material} onChange={(e) => setMaterial(e.target.value)} placeholder="steel, brass" className={`${field} block`} />
        </label>
        <label>
          Kept in
          <input value={keptIn} onChange={(e) => setKeptIn(e.target.value)} placeholder="drawer 2" className={`${field} block`} />
        </label>
        <EntryField entry={form.bore} id="lot-bore" label="Bore" placeholder={bare === 'mm' ? 'like 25.2' : 'like 1.002 in'} className="w-40" />
        <EntryField entry={form.outside} id="lot-outside" label="Outside" placeholder={bare === 'mm' ? 'like 38' : 'like 1.5 in'} className="w-40" />
        <label>
          Tang
          <input
            value={form.tang}
            onChange={(e) => form.setTang(e.target.value)}
            placeholder="none, tang"
            maxLength={40}
            className={`${field} block w-36`}
          />
        </label>
        <EntryField
          entry={crushed}
          id="lot-crushed"
          label="Bolted up, of a gasket"
          placeholder={bare === 'mm' ? 'like 0.28' : 'like 11'}
          className="w-48"
        />
        <Primary type="submit" disabled={sending}>
          Keep
        </Primary>
        <Secondary onClick={onClose} className="min-h-14">
          Leave it
        </Secondary>
        {refusal && (
          <span className="basis-full">
            <Refusal>{refusal}</Refusal>
          </span>
        )}
      </form>
      {lot.owned > fitted && <MeasuredOne bare={bare} lot={lot} onSplit={split} disabled={sending} />}
    </>
  );
}

/** One leaf of a lot was measured, and is not quite what it is called. */
function MeasuredOne({ bare, lot, onSplit, disabled }: MeasuredOneProps): JSX.Element {
  const entry = useEntry(
    { field: 'size', bare, quantity: 'leaf', expected: around(lot.thickness) },
    { onKeep: (meaning, text) => onSplit(text, meaning) },
  );
  return (
    <form onSubmit={entry.keep} className="flex flex-wrap items-start gap-x-3 border border-t-0 border-edge bg-sheet p-3">
      <EntryField
        entry={entry}
        id="lot-measured"
        label="One of them measures"
        placeholder={bare === 'mm' ? 'like 0.104' : 'like 4.1'}
        className="w-56"
      />
      <Secondary type="submit" disabled={disabled} className="mt-7 min-h-14">
        Put it by itself
      </Secondary>
    </form>
  );
}

interface MeasuredOneProps {
  readonly bare: 'thou' | 'mm';
  readonly lot: Lot;
  readonly onSplit: (text: string, meaning: Meaning<Length>) => void;
  readonly disabled: boolean;
}

/** What is called so thick is nearly so thick. */
const around = (thickness: Length): { min: Length; max: Length } => ({ min: nanometres(thickness * 0.8), max: nanometres(thickness * 1.2) });

/** As it was typed, without its unit, for that stands beside it. */
const withoutUnit = (text: string, value: Length, unit: LengthUnit): string => {
  const said = text.trim().replace(/\s*[a-z"″]+\.?$/i, '');
  return /^[\d.,½¼¾]+$/.test(said) ? said : formatLength(value, unit);
};

/** What these make, 1 to 20 thou; and the one leaf that would fill most of the gaps. */
function Makes({ reach }: { reach: DrawerReach | null }): JSX.Element {
  const scale = 3.2 / 25_400;
  return (
    <section aria-label="What these make" className="border-t-2 border-ink bg-sheet px-4 py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-4">
        <Heading>What these make, 1 to 20 thou</Heading>
        <span className="text-ink2">within ¼ thou, 3 leaves at most</span>
      </div>
      {!reach && <p className="m-0 min-h-28 text-ink2">Working it out…</p>}
      {reach && (
        <>
          <ol tabIndex={0} aria-label="Totals that can be made" className="m-0 mt-2 flex list-none items-end gap-1 overflow-x-auto p-0">
            {reach.totals.map(({ total, pack }) => (
              <li
                key={total}
                className="min-w-[22px] flex-1 text-center"
                aria-label={`${formatLength(total, 'thou', 0)} thou: ${pack ? pack.leaves.map((l) => `${l.count > 1 ? `${l.count} × ` : ''}${formatLength(l.thickness, 'thou')}`).join(' + ') : 'cannot be made'}`}
              >
                <span className="flex flex-col-reverse items-stretch gap-px">
                  {pack ? (
                    pack.leaves.flatMap((l) =>
                      Array.from({ length: l.count }, (_, i) => (
                        <span
                          key={`${l.thickness}-${i}`}
                          className="block border border-brass-line bg-brass"
                          style={{ height: Math.max(3, l.thickness * scale) }}
                        />
                      )),
                    )
                  ) : (
                    <span className="block border border-dashed border-ink2" style={{ height: Math.max(4, total * scale) }} />
                  )}
                </span>
                <span className={`num block border-t border-edge text-[15px] ${pack ? 'font-semibold' : 'text-ink2'}`}>
                  {formatLength(total, 'thou', 0)}
                </span>
              </li>
            ))}
          </ol>
          <p className="m-0 mt-2 flex flex-wrap justify-between gap-x-4">
            <span>
              <span className="mr-2 inline-block h-3 w-6 border border-dashed border-ink2" aria-hidden="true" />
              <strong className="num font-semibold">{reach.gaps}</strong> {reach.gaps === 1 ? 'gap' : 'gaps'} to lap, or to buy for
            </span>
            {reach.best && reach.best.fills > 0 && (
              <span>
                one <strong className="num text-[18px] font-semibold text-brass-text">{formatLength(reach.best.thickness, 'thou', 0)}</strong> thou
                leaf would fill <span className="num">{reach.best.fills}</span> of <span className="num">{reach.best.of}</span>
              </span>
            )}
          </p>
        </>
      )}
    </section>
  );
}

function FittedList({ fitted }: { fitted: readonly Fitted[] }): JSX.Element {
  const slots = [...new Set(fitted.map((f) => f.slotId))];
  if (slots.length === 0) return <p className="text-ink2">No leaf is in a job.</p>;
  return (
    <ul className="m-0 list-none p-0">
      {slots.map((slotId) => {
        const mine = fitted.filter((f) => f.slotId === slotId);
        const [first] = mine;
        const total = nanometres(mine.reduce((sum, f) => sum + f.thickness * f.count, 0));
        return (
          <li key={slotId} className="border-t border-rule first:border-t-0">
            <Link to={`/jobs/${first?.jobId ?? ''}/section`} className="flex min-h-12 items-center justify-between gap-3 py-1 no-underline">
              <span className="min-w-0">
                <span className="block truncate font-medium" translate="no">
                  {first?.machine}
                </span>
                <span className="block truncate text-[15px] leading-5 text-ink2">{first?.slotName}</span>
              </span>
              <span className="num shrink-0 text-right">
                <span className="block font-semibold text-brass-text">
                  {mine.flatMap((f) => Array.from({ length: f.count }, () => f.written)).join(' + ')}
                </span>
                <span className="block text-[15px] leading-5">{formatLength(total, 'thou')}</span>
              </span>
            </Link>
          </li>
        );
      })}
    </ul>
  );
}
