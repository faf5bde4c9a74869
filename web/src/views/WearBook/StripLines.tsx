import { type Inspection, type StripEntry } from '@elder-cog/contract';
import { describeLength, formatLength, stripPartType, unitWord, WAY_ROUND } from '@elder-cog/core';
import { oddBolts, plainName, type StripLine } from '@elder-cog/derive';
import { useEffect, useRef, type JSX } from 'react';
import { LeafStrip } from '../../kit/Pack.tsx';
import { Photos } from '../../kit/Photos.tsx';
import { PartPicture } from './PartPicture.tsx';
import { asSaid, otherOf } from './stripWords.ts';

export type LookedOver = ReadonlyMap<string, Inspection>;

export function StripLines({
  lines,
  looked,
  chosen,
  onChoose,
}: {
  lines: readonly StripLine[];
  looked: LookedOver;
  chosen: string | null;
  onChoose: (id: string) => void;
}): JSX.Element {
  return (
    <table aria-label="What came off" className="block bg-sheet">
      <thead className="block max-md:hidden">
        <tr className="label grid grid-cols-[44px_124px_minmax(0,1fr)_170px_166px] border-b-2 border-ink px-4 py-2 text-[16px] text-ink2 [&>th]:text-left [&>th]:font-semibold">
          <th scope="col">No</th>
          <th scope="col">Way round</th>
          <th scope="col">Part</th>
          <th scope="col">Pack, side, size</th>
          <th scope="col" className="text-right!">
            Seen
          </th>
        </tr>
      </thead>
      <tbody className="block">
        {lines.map((line) => (
          <LineRow
            key={line.entry.id}
            line={line}
            decision={looked.get(plainName(line.entry.part))?.decision ?? null}
            on={line.entry.id === chosen}
            onChoose={() => onChoose(line.entry.id)}
          />
        ))}
      </tbody>
    </table>
  );
}

function LineRow({
  line,
  decision,
  on,
  onChoose,
}: {
  line: StripLine;
  decision: Inspection['decision'] | null;
  on: boolean;
  onChoose: () => void;
}): JSX.Element {
  const { number, entry, alike } = line;
  const box = useRef<HTMLTableRowElement>(null);
  useEffect(() => {
    if (on) box.current?.scrollIntoView({ block: 'nearest' });
  }, [on]);
  return (
    <tr
      ref={box}
      aria-current={on}
      onClick={onChoose}
      className={`cursor-pointer scroll-mb-44 grid min-h-[67px] grid-cols-[44px_124px_minmax(0,1fr)_170px_166px] items-center border-b border-rule border-l-4 px-3 max-md:grid-cols-[32px_minmax(0,1fr)_auto] ${on ? 'border-l-blue bg-band' : 'border-l-transparent'}`}
    >
      <td className="num text-[26px] font-semibold">{number}</td>
      <td className="max-md:hidden">
        <PartPicture entry={entry} />
      </td>
      <td className="min-w-0 pr-2">
        <button type="button" onClick={onChoose} aria-pressed={on} className="min-h-12 w-full text-left">
          <span className="block text-[17px] leading-6 font-medium">
            {entry.part}
            {alike.length > 0 && <span className="label pl-2 text-[15px] font-semibold whitespace-nowrap text-blue">look-alike</span>}
          </span>
          <span className="block text-[15px] leading-5 text-ink2">
            {wayWords(entry)}
            {decision && <span className="font-medium text-ink"> looked over: {decision}</span>}
          </span>
        </button>
      </td>
      <td className="max-md:text-right">
        <SizeWords entry={entry} />
      </td>
      <td className="flex justify-end max-md:col-span-3 max-md:justify-start max-md:pb-2">
        <Photos ofKind="strip" ofId={entry.id} caption={entry.part} compact />
      </td>
    </tr>
  );
}

export const wayWords = (entry: StripEntry): string => {
  const { asks } = WAY_ROUND[stripPartType(entry.part)];
  const said = entry.wayRound.join('; ');
  if (said !== '') return said;
  if (entry.inventory) return 'way round unknown until checked';
  return asks === null || entry.kind === 'pack' || entry.kind === 'float' ? '' : `not said: ${asks}`;
};

function SizeWords({ entry }: { entry: StripEntry }): JSX.Element {
  const { leaves, bolts, size, unit, side, count, kind } = entry;
  if (leaves.length > 0)
    return (
      <span className="flex items-center gap-3">
        <span>
          <span className="num block text-[18px] font-semibold whitespace-nowrap text-brass-text">
            {leaves.map((l) => l.written).join('+')} <span className="unit">{unitWord(leaves[0]?.unit ?? 'thou')}</span>
          </span>
          <span className="block text-[15px] leading-5 text-ink2">{side}</span>
        </span>
        <span className="max-lg:hidden [&_svg]:max-h-[52px]">
          <LeafStrip leaves={leaves.map((l) => ({ ...l, lotId: null }))} style="on" />
        </span>
      </span>
    );
  if (bolts) {
    const odd = oddBolts(bolts.holes);
    return (
      <span>
        <span className="block text-[17px]">
          {bolts.holes.length} holes
          {odd.size > 0 && (
            <>
              , odd at <span className="num font-semibold">{[...odd].join(', ')}</span>
            </>
          )}
        </span>
        <span className="block text-[15px] leading-5 text-ink2">see the map</span>
      </span>
    );
  }
  const second = [side, kind === 'pressedOn' ? 'pressed on' : '', count ? `${count.n} ${count.of}` : ''].filter((w) => w !== '').join(' · ');
  return (
    <span>
      {size !== null && (
        <>
          <span className="block whitespace-nowrap">
            <span className="num text-[18px] font-semibold">{formatLength(size, asSaid(size, unit))}</span>{' '}
            <span className="unit text-[14px]">{unitWord(asSaid(size, unit))}</span>
          </span>
          <span className="num block text-[14px] leading-5 text-ink2">{describeLength(size, otherOf(size, unit))}</span>
        </>
      )}
      {second !== '' && <span className="block text-[15px] leading-5 text-ink2">{second}</span>}
      {entry.inventory && size === null && second === '' && <span className="text-[15px] text-ink2">place to be found</span>}
    </span>
  );
}
