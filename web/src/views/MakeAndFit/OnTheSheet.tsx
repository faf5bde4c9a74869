import {
  blankMiddle,
  blankOf,
  describeLength,
  MADE,
  madeOutline,
  mm,
  nestParts,
  pathOf,
  ReckoningError,
  type Length,
  type MadeForm,
  type Nested,
} from '@elder-cog/core';
import type { MakingState } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Heading, Quiet, Refusal } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useStock } from '../../state/stock.ts';
import { sheetSize } from './AddStock.tsx';

const WIDTH = 312;
const KERF = mm(0.2);
const MARGIN = mm(3);
const MOST = 200;

interface Sheet {
  readonly width: Length;
  readonly height: Length;
}

/** What a cut takes, and what is left along the edge. */
interface Cut {
  readonly kerf: Length;
  readonly margin: Length;
}

interface Laid {
  readonly form: MadeForm;
  readonly makingId: string;
  readonly isThis: boolean;
}

/** Everything flat that is to be cut of one sheet: this as often as is asked, and with it the others of the same stock. */
function laidOut(made: MakingState, others: readonly MakingState[], times: number): Laid[] {
  const mine = made.making.form;
  if (!mine) return [];
  const blank = made.making.blank?.size ?? null;
  const along = others.flatMap(({ making }): Laid[] =>
    making.id !== made.making.id &&
    making.state === 'open' &&
    making.form &&
    MADE[making.form.kind].isFlat &&
    blank !== null &&
    making.blank?.size === blank
      ? [{ form: making.form, makingId: making.id, isThis: false }]
      : [],
  );
  return [...Array.from({ length: times }, () => ({ form: mine, makingId: made.making.id, isThis: true })), ...along];
}

function nested(laid: readonly Laid[], sheet: Sheet, { kerf, margin }: Cut): Nested | string {
  try {
    return nestParts({ sheet, taken: [], parts: laid.map(({ form }, i) => blankOf(form, String(i))), kerf, margin });
  } catch (error) {
    if (error instanceof ReckoningError) return error.message;
    throw error;
  }
}

/** How the blanks lie on the sheet, what is left of it, and the file of all of it together. */
export function OnTheSheet({ made, others }: { made: MakingState; others: readonly MakingState[] }): JSX.Element | null {
  const { making } = made;
  const stock = useStock();
  const [times, setTimes] = useState('1');
  const [isCutting, setCutting] = useState(false);
  const known = stock.map((each) => (each.thickness === making.blank?.size ? sheetSize(each) : null)).find((size) => size !== null);
  const width = useEntry({ field: 'size', bare: 'mm', quantity: 'sheet' });
  const height = useEntry({ field: 'size', bare: 'mm', quantity: 'sheet' });
  const asked = width.meaning && height.meaning ? { width: width.meaning.value, height: height.meaning.value } : null;
  const sheet = known ?? asked;
  const count = /^\d{1,3}$/.test(times.trim()) ? Math.min(MOST, Number(times)) : 0;
  const kerf = useEntry({ field: 'size', bare: 'mm', quantity: 'fine' });
  const margin = useEntry({ field: 'size', bare: 'mm', quantity: 'leaf' });
  const [kerfSaid, marginSaid] = [kerf.meaning?.value ?? KERF, margin.meaning?.value ?? MARGIN];
  const cut = useMemo(() => ({ kerf: kerfSaid, margin: marginSaid }), [kerfSaid, marginSaid]);
  const laid = useMemo(() => laidOut(made, others, count), [made, others, count]);
  const found = useMemo(() => (sheet && laid.length > 0 ? nested(laid, sheet, cut) : null), [laid, sheet, cut]);
  if (!making.form || !MADE[making.form.kind].isFlat || making.state !== 'open') return null;
  return (
    <section aria-label="On the sheet" className="border-b border-rule px-4 py-3">
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <Heading>On the sheet</Heading>
        {sheet && (
          <span className="num text-[16px] text-ink2">
            {Math.round(sheet.width / 1e6)} × {Math.round(sheet.height / 1e6)} mm
          </span>
        )}
      </div>
      {!known && (
        <div className="grid grid-cols-2 gap-x-3">
          <EntryField entry={width} id="sheet-width" label="Sheet, width" placeholder="like 305" />
          <EntryField entry={height} id="sheet-height" label="Sheet, height" placeholder="like 160" />
        </div>
      )}
      {typeof found === 'string' && <Refusal>{found}</Refusal>}
      {found !== null && typeof found !== 'string' && sheet && <SheetDrawing sheet={sheet} laid={laid} found={found} kerf={cut.kerf} />}
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-1">
        <label className="flex items-center gap-2 text-[16px]">
          how many
          <input
            value={times}
            onChange={(event) => setTimes(event.target.value)}
            inputMode="numeric"
            className="num h-12 w-16 border border-edge bg-sheet px-2 text-[18px]"
          />
        </label>
        <Quiet onClick={() => setCutting((c) => !c)} aria-expanded={isCutting}>
          cut and edge ▸
        </Quiet>
        {found !== null && typeof found !== 'string' && sheet && found.placed.length > 0 && (
          <a
            className="inline-flex min-h-12 items-center text-blue"
            download
            href={`/api/jobs/${making.jobId}/sheet.dxf?${new URLSearchParams({
              parts: laid.map(({ makingId }) => makingId).join(','),
              width: String(sheet.width / 1e6),
              height: String(sheet.height / 1e6),
              kerf: String(cut.kerf / 1e6),
              margin: String(cut.margin / 1e6),
            }).toString()}`}
          >
            all of it as DXF
          </a>
        )}
      </div>
      {isCutting && (
        <div className="grid grid-cols-2 gap-x-3">
          <EntryField entry={kerf} id="sheet-kerf" label="The cut is wide" placeholder={`${describeLength(KERF, 'mm', 2)}`} />
          <EntryField entry={margin} id="sheet-margin" label="Left at the edge" placeholder={`${describeLength(MARGIN, 'mm', 1)}`} />
        </div>
      )}
    </section>
  );
}

function SheetDrawing({ sheet, laid, found, kerf }: { sheet: Sheet; laid: readonly Laid[]; found: Nested; kerf: Length }): JSX.Element {
  const k = WIDTH / sheet.width;
  const tall = sheet.height * k;
  const { offcut, unplaced } = found;
  const says = `${found.placed.length} of ${laid.length} lie on the sheet${offcut ? `; left whole, ${describeLength(offcut.width, 'mm', 0)} by ${describeLength(offcut.height, 'mm', 0)}` : ''}`;
  return (
    <>
      <svg
        role="img"
        aria-label={says}
        width={WIDTH + 4}
        height={tall + 4}
        viewBox={`-2 -2 ${WIDTH + 4} ${tall + 4}`}
        className="mt-2 block max-w-full"
      >
        <rect x={0} y={0} width={WIDTH} height={tall} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.2" />
        {found.placed.map(({ id, x, y }) => {
          const of = laid[Number(id)];
          if (!of) return null;
          const middle = blankMiddle(of.form);
          const d = madeOutline(of.form)
            .cuts.map((curve) => pathOf(curve, (px, py) => [(x + px) * k, tall - (y - middle + py) * k], k, 2))
            .join('');
          return (
            <path
              key={id}
              d={d}
              fillRule="evenodd"
              fill={of.isThis ? 'url(#hatch-make)' : 'var(--sheet)'}
              stroke="var(--brass-text)"
              strokeWidth="1.3"
              strokeDasharray={of.isThis ? undefined : '4 3'}
            />
          );
        })}
      </svg>
      <p className="m-0 mt-1 text-[16px] text-ink2">
        {unplaced.length > 0 ? `${unplaced.length} of ${laid.length} find no room. ` : ''}
        {offcut ? `Left whole: ${describeLength(offcut.width, 'mm', 0)} × ${describeLength(offcut.height, 'mm', 0)}.` : 'Nothing is left whole.'} A
        cut of {describeLength(kerf, 'mm', 2)} lies between them; the files have the finished outline.
      </p>
    </>
  );
}
