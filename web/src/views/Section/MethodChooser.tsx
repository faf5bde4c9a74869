import { INSTRUMENTS, isMetric, type Instrument } from '@elder-cog/core';
import type { GapState } from '@elder-cog/derive';
import { useEffect, useRef, useState, type JSX } from 'react';
import { Chip } from '../../kit/controls.tsx';
import { MethodDrawing, WAYS } from '../../kit/methodDrawings.tsx';
import { setMethod } from '../../state/gapActions.ts';
import { useOwnInstruments } from '../../state/instruments.ts';
import { bareUnit } from '../../state/understood.ts';

const SET: Readonly<Record<string, { thou: Instrument; mm: Instrument }>> = {
  dial: { thou: INSTRUMENTS.dialThou, mm: INSTRUMENTS.dialMm },
  spacer: { thou: INSTRUMENTS.dialThou, mm: INSTRUMENTS.dialMm },
  feelers: { thou: INSTRUMENTS.feelersThou, mm: INSTRUMENTS.feelersMm },
  coverDown: { thou: INSTRUMENTS.feelersThou, mm: INSTRUMENTS.feelersMm },
  depths: { thou: INSTRUMENTS.depthInch, mm: INSTRUMENTS.depthMm },
};

/** The five ways of reading a gap, from small drawings; and which system the instrument reads in. */
export function MethodChooser({
  gap,
  onChoose,
  large = false,
}: {
  gap: GapState;
  onChoose: (change: ReturnType<typeof setMethod>) => void;
  large?: boolean;
}): JSX.Element {
  const [unit, setUnit] = useState<'thou' | 'mm'>(() => bareUnit(gap));
  const own = useOwnInstruments().filter((each) => isMetric(each.unit) === (unit === 'mm'));
  const [mine, setMine] = useState<string | null>(() => own.find(({ name }) => name === gap.station.instrument?.name)?.name ?? null);
  const readWith = (way: string): Instrument => {
    const typical = (SET[way] ?? SET.dial)?.[unit] ?? INSTRUMENTS.dialThou;
    return own.find(({ name, kind }) => name === mine && kind === typical.kind) ?? typical;
  };
  const first = useRef<HTMLButtonElement>(null);
  useEffect(() => first.current?.focus(), []);
  return (
    <div className="mb-3">
      <div className="mb-2 flex flex-wrap items-center gap-2">
        <span>It reads in</span>
        <Chip on={unit === 'thou'} onClick={() => setUnit('thou')}>
          thou
        </Chip>
        <Chip on={unit === 'mm'} onClick={() => setUnit('mm')}>
          mm
        </Chip>
      </div>
      {own.length > 0 && (
        <div role="group" aria-label="With which" className="mb-2 flex flex-wrap items-center gap-2">
          <span>With</span>
          <Chip on={mine === null} onClick={() => setMine(null)}>
            any
          </Chip>
          {own.map(({ name }) => (
            <Chip key={name} on={mine === name} onClick={() => setMine(name)}>
              {name}
            </Chip>
          ))}
        </div>
      )}
      <div className={`grid gap-2 ${large ? 'grid-cols-1 @md:grid-cols-2 @3xl:grid-cols-5' : 'grid-cols-1'}`}>
        {WAYS.filter((way) => way.method !== 'coverDown' || gap.pack?.slot.place === 'underCover').map((way, i) => (
          <button
            key={way.method}
            ref={i === 0 ? first : undefined}
            type="button"
            onClick={() => onChoose(setMethod(gap.station, way.method, readWith(way.method)))}
            className={`min-h-14 border bg-sheet p-2 text-left ${large ? '' : 'grid grid-cols-[150px_1fr] items-center gap-x-3'} ${gap.station.method === way.method ? 'border-2 border-blue' : 'border-edge'}`}
          >
            <MethodDrawing method={way.method} />
            <span>
              <span className="block font-medium">{way.name}</span>
              <span className="block text-[15px] leading-5 text-ink2">{way.says}</span>
            </span>
          </button>
        ))}
      </div>
    </div>
  );
}
