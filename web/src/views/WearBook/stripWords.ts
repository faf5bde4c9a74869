import { isMetric, type Length, type LengthUnit } from '@elder-cog/core';

/** Thou are for shims and washers: a quarter of an inch and more is said in inches. */
export const asSaid = (size: Length, unit: LengthUnit): LengthUnit => (unit === 'thou' && size >= 6_350_000 ? 'in' : unit);
export const otherOf = (size: Length, unit: LengthUnit): LengthUnit => (isMetric(unit) ? asSaid(size, 'thou') : 'mm');
