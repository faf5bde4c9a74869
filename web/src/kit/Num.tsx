import { formatLength, nanometres, otherUnit, unitWord, type Length, type LengthUnit } from '@elder-cog/core';
import type { JSX } from 'react';

const SIZES = { 44: 'text-[44px] leading-[48px]', 28: 'text-[28px] leading-[34px]', 20: 'text-[20px] leading-[26px]' } as const;

export type NumSize = keyof typeof SIZES;

const digits = (length: Length, unit: LengthUnit, signed: boolean): string => formatLength(signed ? length : nanometres(Math.abs(length)), unit);

/** A length as a number in its unit: slashed zeros, true minus, unit smaller, the other system below when asked. */
export function Num({
  value,
  unit,
  size = 20,
  both = false,
  signed = true,
  wrap = false,
}: {
  value: Length;
  unit: LengthUnit;
  size?: NumSize;
  both?: boolean;
  signed?: boolean;
  wrap?: boolean;
}): JSX.Element {
  const unitSize = Math.max(14, Math.round(size * 0.6));
  const other = otherUnit(unit);
  return (
    <span className={wrap ? 'block' : 'inline-block'}>
      <span className={`num font-semibold ${SIZES[size]} whitespace-nowrap`}>
        {digits(value, unit, signed)}
        <span className="font-label font-medium text-ink2" style={{ fontSize: unitSize }}>
          {' '}
          {unitWord(unit)}
        </span>
      </span>
      {both && (
        <span className="num block whitespace-nowrap text-ink2" style={{ fontSize: unitSize, lineHeight: `${unitSize + 6}px` }}>
          {digits(value, other, signed)}
          <span className="font-label"> {unitWord(other)}</span>
        </span>
      )}
    </span>
  );
}

/** A length in both systems on one line, for saying back what was understood. */
export function Both({ value, unit }: { value: Length; unit: LengthUnit }): JSX.Element {
  const first: LengthUnit = unit === 'um' ? 'mm' : unit;
  const second = otherUnit(first);
  return (
    <span className="whitespace-nowrap">
      <span className="num text-[20px] font-semibold">{formatLength(value, first)}</span> <span className="text-ink2">{unitWord(first)} ·</span>{' '}
      <span className="num text-[18px]">{formatLength(value, second)}</span> <span className="text-ink2">{unitWord(second)}</span>
    </span>
  );
}
