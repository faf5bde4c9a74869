import type { Station } from '@elder-cog/contract';
import { describeLength, formatLength, type Instrument, type Length, nanometres, smallUnit } from '@elder-cog/core';
import { asInstrument } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Field, Primary } from '../../kit/controls.tsx';
import { EntryField, useEntry, type Entry } from '../../kit/EntryField.tsx';
import { SquareDrawing } from '../../kit/methodDrawings.tsx';
import { useCommand } from '../../state/api.ts';
import { stationChange } from '../../state/gapActions.ts';

/** What a field holds, null where it is empty; undefined while it is asked about or refused. */
const lengthIn = (entry: Entry<'size'>): Length | null | undefined => (entry.text.trim() === '' ? null : entry.meaning?.value);

const fineWords = (length: Length, unit: 'thou' | 'mm'): string =>
  `${formatLength(length, unit, unit === 'mm' ? 4 : 3)
    .replace('−', '-')
    .replace(/0+$/, '')
    .replace(/\.$/, '')} ${unit}`;

/** A dial as it is: its division, how many go round, and a name that says so. It repeats to about a third of a division. */
function describedDial(instrument: Instrument, divisions: number, resolution: Length): Partial<Instrument> {
  if (divisions === instrument.divisions && resolution === instrument.resolution) return {};
  return { divisions, resolution, priorS: resolution * 0.3, name: `Dial, ${fineWords(resolution, smallUnit(instrument.unit))}` };
}

/** A field's degrees, 0 where it is empty, or why it cannot be read. */
function degreesIn(text: string): number | string {
  if (text.trim() === '') return 0;
  const value = Number(text.replace(',', '.').replace(/[°º]|deg(?:rees)?/i, ''));
  return Number.isFinite(value) && Math.abs(value) <= 45 ? value : 'Degrees off square, up to 45: past that, set it square and read again.';
}

/**
 * How the instrument is set up at this station: the face of a dial, how square it stands and at what radius; the zero error and the
 * doubt of anything else. Remembered with the station, and taken into account in every reading from now on.
 */
export function InstrumentSetUp({ station, onDone }: { station: Station; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const instrument = asInstrument(station.instrument);
  const unit = smallUnit(instrument.unit);
  const isDial = instrument.kind === 'dial';
  const [balanced, setBalanced] = useState(instrument.balanced ?? false);
  const [direction, setDirection] = useState(instrument.direction ?? 'clockwise');
  const [stem, setStem] = useState(instrument.stemAngle ? String(instrument.stemAngle) : '');
  const [face, setFace] = useState(instrument.faceAngle ? String(instrument.faceAngle) : '');
  const bare = unit === 'mm' ? 'mm' : 'thou';
  const fine = { field: 'size', bare, quantity: 'fine' } as const;
  const across = { field: 'size', bare: 'mm', quantity: 'distancePiece' } as const;
  const readAt = useEntry(across, { initial: instrument.radius ? describeLength(instrument.radius.read, 'mm') : '' });
  const wantedAt = useEntry(across, { initial: instrument.radius ? describeLength(instrument.radius.wanted, 'mm') : '' });
  const zero = useEntry(fine, { initial: instrument.zeroError ? fineWords(instrument.zeroError, unit) : '' });
  const doubt = useEntry(fine, { initial: fineWords(nanometres(2 * instrument.calibrationU), unit) });
  const division = useEntry(fine, { initial: fineWords(instrument.resolution, unit) });
  const [divisions, setDivisions] = useState(String(instrument.divisions ?? 100));
  const stemAngle = degreesIn(stem);
  const faceAngle = degreesIn(face);
  const read = lengthIn(readAt);
  const wanted = lengthIn(wantedAt);
  const zeroError = lengthIn(zero);
  const twoU = lengthIn(doubt);
  const one = lengthIn(division);
  const round = /^\d{2,4}$/.test(divisions.trim()) && Number(divisions) >= 2 && Number(divisions) <= 1000 ? Number(divisions) : null;
  const radius = typeof read === 'number' && typeof wanted === 'number' && read > 0 && wanted > 0 ? { read, wanted } : null;
  const isOff = typeof stemAngle === 'number' && typeof faceAngle === 'number' && (stemAngle !== 0 || faceAngle !== 0);
  const factor = isOff ? Math.cos(((stemAngle - faceAngle) * Math.PI) / 180) / Math.cos((faceAngle * Math.PI) / 180) : 1;
  const entries = [readAt, wantedAt, zero, doubt, ...(isDial ? [division] : [])];
  const refused =
    typeof stemAngle === 'string' ||
    typeof faceAngle === 'string' ||
    (isDial && (round === null || typeof one !== 'number' || one <= 0)) ||
    entries.some((entry) => lengthIn(entry) === undefined) ||
    (typeof twoU === 'number' && twoU < 0);
  const keep = (): void => {
    if (refused) return entries.filter((entry) => lengthIn(entry) === undefined).forEach((entry) => entry.keep());
    const { balanced: _b, stemAngle: _s, faceAngle: _f, radius: _r, zeroError: _z, ...plain } = instrument;
    const set: Instrument = {
      ...plain,
      calibrationU: typeof twoU === 'number' ? twoU / 2 : instrument.calibrationU,
      ...(isDial ? { direction, ...describedDial(instrument, round ?? 100, one ?? instrument.resolution) } : {}),
      ...(isDial && balanced ? { balanced } : {}),
      ...(isDial && isOff ? { stemAngle, faceAngle } : {}),
      ...(isDial && radius ? { radius } : {}),
      ...(!isDial && typeof zeroError === 'number' && zeroError !== 0 ? { zeroError } : {}),
    };
    void send(stationChange(station, { instrument: set })).then(onDone, () => undefined);
  };
  const refusal = (value: unknown): string | null => (typeof value === 'string' ? value : null);
  return (
    <form
      className="mb-3 border-y border-rule py-2"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      {isDial && (
        <>
          <div role="group" aria-label="Its face" className="mb-2 flex flex-wrap items-center gap-2">
            <span className="w-24">Its face</span>
            <Chip on={!balanced} onClick={() => setBalanced(false)}>
              0–{round ?? 100}
            </Chip>
            <Chip on={balanced} onClick={() => setBalanced(true)}>
              {(round ?? 100) / 2}–0–{(round ?? 100) / 2}
            </Chip>
          </div>
          <div className="grid grid-cols-2 gap-3">
            <EntryField entry={division} label="One division is" placeholder={unit === 'mm' ? 'like 0.002 mm' : 'like ½ thou'} />
            <Field
              label="Divisions in a turn"
              value={divisions}
              inputMode="numeric"
              onChange={(e) => setDivisions(e.target.value)}
              refusal={round === null ? 'A whole number, 2 to 1000: count them round the face.' : null}
            />
          </div>
          <div role="group" aria-label="The hand runs" className="mb-2 flex flex-wrap items-center gap-2">
            <span className="w-24">The hand runs</span>
            <Chip on={direction === 'clockwise'} onClick={() => setDirection('clockwise')}>
              clockwise &gt;
            </Chip>
            <Chip on={direction === 'anticlockwise'} onClick={() => setDirection('anticlockwise')}>
              the other way &lt;
            </Chip>
          </div>
          <div className="flex gap-3">
            <div className="min-w-0 flex-1">
              <Field
                label="Stem off the movement"
                value={stem}
                onChange={(e) => setStem(e.target.value)}
                placeholder="degrees"
                refusal={refusal(stemAngle)}
              />
              <Field
                label="Face off square"
                value={face}
                onChange={(e) => setFace(e.target.value)}
                placeholder="degrees"
                refusal={refusal(faceAngle)}
              />
            </div>
            <SquareDrawing stem={typeof stemAngle === 'number' ? stemAngle : 0} face={typeof faceAngle === 'number' ? faceAngle : 0} />
          </div>
          {isOff && (
            <p className="m-0 mb-2 text-[16px]">
              {factor < 1 ? 'It reads too much' : 'It reads too little'}: every reading is taken × <span className="num">{factor.toFixed(4)}</span>.
            </p>
          )}
          <div className="grid grid-cols-2 gap-3">
            <EntryField entry={readAt} label="Read at radius" placeholder="like 60 mm" />
            <EntryField entry={wantedAt} label="Wanted at radius" placeholder="teeth" />
          </div>
          {radius && (
            <p className="m-0 mb-2 text-[16px]">
              every reading is taken × <span className="num">{(radius.wanted / radius.read).toFixed(3)}</span>
            </p>
          )}
        </>
      )}
      <div className="grid grid-cols-2 gap-3">
        {!isDial && (
          <EntryField
            entry={zero}
            label="What it shows at nothing"
            placeholder={unit === 'mm' ? 'like 0.01 mm' : 'like -0.2 thou'}
            says={(value) => (value === 0 ? '' : 'taken off every reading')}
          />
        )}
        <EntryField entry={doubt} label="It is good to ±" />
      </div>
      <Primary type="submit" disabled={sending}>
        Set it up so
      </Primary>
    </form>
  );
}
