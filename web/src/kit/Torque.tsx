import { formatTorque, fromBase, isMetricUnit, type Ends, type TorqueUnit } from '@elder-cog/core';
import type { JSX } from 'react';
import { useSettings } from '../state/settings.ts';
import type { NumSize } from './Num.tsx';

const SIZES: Readonly<Record<NumSize, string>> = {
  44: 'text-[44px] leading-[48px]',
  28: 'text-[28px] leading-[34px]',
  20: 'text-[20px] leading-[26px]',
};

/**
 * What a torque is told in, with what the page shows first: as it is printed where that is of the same system, else a drag in pound inches and
 * what a nut is pulled to in pound feet.
 */
export function torqueShown(
  told: TorqueUnit,
  first: 'thou' | 'mm',
  of: 'drag' | 'nut' = 'drag',
): { readonly unit: TorqueUnit; readonly other: TorqueUnit } {
  const isMetric = isMetricUnit(told);
  const imperial = isMetric ? (of === 'nut' ? 'lbf·ft' : 'lbf·in') : told;
  const metric = isMetric ? told : 'N·m';
  return first === 'mm' ? { unit: metric, other: imperial } : { unit: imperial, other: metric };
}

/** The same, as this workshop shows things first. */
export const useTorqueShown = (told: TorqueUnit, of: 'drag' | 'nut' = 'drag'): ReturnType<typeof torqueShown> =>
  torqueShown(
    told,
    useSettings((s) => s.unit),
    of,
  );

/** "14.5 lbf·in" */
export const torqueWords = (newtonMetres: number, unit: TorqueUnit): string => `${formatTorque(newtonMetres, unit)} ${unit}`;

/** "14.25 lbf·in": as finely as a wrench is read, and no finer than it was. */
export const torqueAsRead = (newtonMetres: number, unit: TorqueUnit): string => `${Number(fromBase(newtonMetres, unit).toPrecision(4))} ${unit}`;

/** "18.0–24.0", "at most 30.0": limits of a torque, without their unit. */
export function torqueLimitsWords({ min, max }: Ends<number>, unit: TorqueUnit): string {
  const figure = (value: number): string => formatTorque(value, unit);
  if (min === undefined) return max === undefined ? 'none' : `at most ${figure(max)}`;
  return max === undefined ? `at least ${figure(min)}` : `${figure(min)}–${figure(max)}`;
}

/** A torque as a number in its unit, the other system below when asked. */
export function Torque({
  value,
  unit,
  other,
  size = 20,
}: {
  value: number;
  unit: TorqueUnit;
  /** said below; left out where one is enough */
  other?: TorqueUnit;
  size?: NumSize;
}): JSX.Element {
  const unitSize = Math.max(14, Math.round(size * 0.6));
  return (
    <span className="inline-block">
      <span className={`num font-semibold whitespace-nowrap ${SIZES[size]}`}>
        {formatTorque(value, unit)}
        <span className="font-label font-medium text-ink2" style={{ fontSize: unitSize }}>
          {' '}
          {unit}
        </span>
      </span>
      {other && (
        <span className="num block whitespace-nowrap text-ink2" style={{ fontSize: unitSize, lineHeight: `${unitSize + 6}px` }}>
          {formatTorque(value, other)}
          <span className="font-label"> {other}</span>
        </span>
      )}
    </span>
  );
}
