import type { Station } from '@elder-cog/contract';
import { describeLength, formatLength, nanometres, parseLength, type Instrument, type Length, type LengthUnit } from '@elder-cog/core';
import { asInstrument } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Field, Primary } from '../../kit/controls.tsx';
import { SquareDrawing } from '../../kit/methodDrawings.tsx';
import { useCommand } from '../../state/api.ts';
import { stationChange } from '../../state/gapActions.ts';
import { understood } from '../../state/understood.ts';

const small = (unit: LengthUnit): LengthUnit => (unit === 'mm' || unit === 'um' ? 'mm' : 'thou');

/** A field's length, null where it is empty, or why it cannot be read. */
const lengthIn = (text: string, unit: LengthUnit): Length | null | string => (text.trim() === '' ? null : understood(() => parseLength(text, unit)));

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
  const unit = small(instrument.unit);
  const isDial = instrument.kind === 'dial';
  const [balanced, setBalanced] = useState(instrument.balanced ?? false);
  const [direction, setDirection] = useState(instrument.direction ?? 'clockwise');
  const [stem, setStem] = useState(instrument.stemAngle ? String(instrument.stemAngle) : '');
  const [face, setFace] = useState(instrument.faceAngle ? String(instrument.faceAngle) : '');
  const [readAt, setReadAt] = useState(instrument.radius ? describeLength(instrument.radius.read, 'mm') : '');
  const [wantedAt, setWantedAt] = useState(instrument.radius ? describeLength(instrument.radius.wanted, 'mm') : '');
  const [zero, setZero] = useState(
    instrument.zeroError ? `${formatLength(instrument.zeroError, unit, unit === 'mm' ? 3 : 1).replace('−', '-')} ${unit}` : '',
  );
  const [doubt, setDoubt] = useState(`${formatLength(nanometres(2 * instrument.calibrationU), unit, unit === 'mm' ? 3 : 2)} ${unit}`);
  const stemAngle = degreesIn(stem);
  const faceAngle = degreesIn(face);
  const read = lengthIn(readAt, 'mm');
  const wanted = lengthIn(wantedAt, 'mm');
  const zeroError = lengthIn(zero, unit);
  const twoU = lengthIn(doubt, unit);
  const radius = typeof read === 'number' && typeof wanted === 'number' && read > 0 && wanted > 0 ? { read, wanted } : null;
  const isOff = typeof stemAngle === 'number' && typeof faceAngle === 'number' && (stemAngle !== 0 || faceAngle !== 0);
  const factor = isOff ? Math.cos(((stemAngle - faceAngle) * Math.PI) / 180) / Math.cos((faceAngle * Math.PI) / 180) : 1;
  const refused = [stemAngle, faceAngle, read, wanted, zeroError, twoU].some((v) => typeof v === 'string') || (typeof twoU === 'number' && twoU < 0);
  const keep = (): void => {
    if (refused) return;
    const { balanced: _b, stemAngle: _s, faceAngle: _f, radius: _r, zeroError: _z, ...plain } = instrument;
    const set: Instrument = {
      ...plain,
      calibrationU: typeof twoU === 'number' ? twoU / 2 : instrument.calibrationU,
      ...(isDial ? { direction } : {}),
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
              0–{instrument.divisions ?? 100}
            </Chip>
            <Chip on={balanced} onClick={() => setBalanced(true)}>
              {(instrument.divisions ?? 100) / 2}–0–{(instrument.divisions ?? 100) / 2}
            </Chip>
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
            <Field
              label="Read at radius"
              value={readAt}
              onChange={(e) => setReadAt(e.target.value)}
              placeholder="like 60 mm"
              refusal={refusal(read)}
            />
            <Field
              label="Wanted at radius"
              value={wantedAt}
              onChange={(e) => setWantedAt(e.target.value)}
              placeholder="teeth"
              refusal={refusal(wanted)}
              says={radius ? `× ${(radius.wanted / radius.read).toFixed(3)}` : ''}
            />
          </div>
        </>
      )}
      <div className="grid grid-cols-2 gap-3">
        {!isDial && (
          <Field
            label="What it shows at nothing"
            value={zero}
            onChange={(e) => setZero(e.target.value)}
            placeholder={unit === 'mm' ? 'like 0.01 mm' : 'like -0.2 thou'}
            refusal={refusal(zeroError)}
            says={typeof zeroError === 'number' && zeroError !== 0 ? 'taken off every reading' : ''}
          />
        )}
        <Field label="It is good to ±" value={doubt} onChange={(e) => setDoubt(e.target.value)} refusal={refusal(twoU)} />
      </div>
      <Primary type="submit" disabled={sending || refused}>
        Set it up so
      </Primary>
    </form>
  );
}
