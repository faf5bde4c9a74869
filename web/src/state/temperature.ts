import { understand } from '@elder-cog/core';

/** No oil, oven or frost makes more of a gearbox, °C. Common practice, no source. */
const FELT = { least: -60, most: 350 } as const;

export interface TemperatureRead {
  readonly value: number | null;
  readonly refusal: string | null;
}

/** A temperature as it is typed: bare it is °C, and nothing typed is none. */
export function readTemperature(
  text: string,
  { least = FELT.least, most = FELT.most }: { readonly least?: number; readonly most?: number } = {},
): TemperatureRead {
  if (text.trim() === '') return { value: null, refusal: null };
  const read = understand(text, { field: 'temperature', bare: 'mm', scale: '°C' });
  if (read.kind === 'understood' && read.value >= least && read.value <= most) return { value: read.value, refusal: null };
  return { value: null, refusal: 'Like 80, or 176 F.' };
}
