import { LETTER_DRILLS, NUMBER_DRILLS } from './drillSizes.ts';
import { fromLength, inch, mm, nanometres, type Length } from './length.ts';
import { SWG_INCHES } from './wireGauge.ts';

/** A size that can be had, near to one that is wanted. */
export interface NearSize {
  readonly of: 'fraction' | 'drill' | 'leaf' | 'gauge' | 'metric';
  readonly name: string;
  readonly size: Length;
  /** size − wanted */
  readonly error: Length;
}

const near = (of: NearSize['of'], name: string, size: Length, wanted: Length): NearSize => ({ of, name, size, error: nanometres(size - wanted) });
const closest = (sizes: readonly NearSize[]): NearSize | undefined =>
  sizes.reduce<NearSize | undefined>((best, each) => (best && Math.abs(best.error) <= Math.abs(each.error) ? best : each), undefined);

/**
 * The nearest whole fraction of an inch over a power of two.
 *
 * @param over 64 as on a rule, 128 finer
 * @example nearestFraction(thou(23.5), 128).name // '3/128″'
 */
export function nearestFraction(wanted: Length, over: 16 | 32 | 64 | 128): NearSize {
  const parts = Math.round(fromLength(wanted, 'in') * over);
  const size = inch(parts / over);
  let [top, bottom] = [Math.abs(parts), over as number];
  while (top % 2 === 0 && bottom > 1) [top, bottom] = [top / 2, bottom / 2];
  const whole = Math.floor(top / bottom);
  const rest = top - whole * bottom;
  const words = rest === 0 ? `${whole}` : `${whole === 0 ? '' : `${whole} `}${rest}/${bottom}`;
  return near('fraction', `${parts < 0 ? '−' : ''}${words}″`, size, wanted);
}

/** Drills by the half millimetre's tenth to 13 mm, by the half to 25: common stock, no source. */
const METRIC_DRILLS: readonly number[] = [
  ...Array.from({ length: 128 }, (_, i) => (i + 3) / 10),
  ...Array.from({ length: 25 }, (_, i) => 13 + i / 2),
];
/** Preferred thicknesses of metric sheet and shim, mm (ISO 388 and R10 rounded), from memory. */
const METRIC_SHEET: readonly number[] = [
  0.02, 0.025, 0.03, 0.04, 0.05, 0.06, 0.08, 0.1, 0.12, 0.15, 0.2, 0.25, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1, 1.2, 1.5, 1.6, 2, 2.5, 3, 4, 5, 6, 8,
  10,
];

const DRILLS: readonly (readonly [string, Length])[] = [
  ...NUMBER_DRILLS.map((size, i) => [`drill no. ${i + 1}`, inch(size)] as const),
  ...Object.entries(LETTER_DRILLS).map(([letter, size]) => [`drill ${letter}`, inch(size)] as const),
  ...Array.from({ length: 63 }, (_, i) => [`drill ${nearestFraction(inch((i + 1) / 64), 64).name}`, inch((i + 1) / 64)] as const),
  ...METRIC_DRILLS.map((size) => [`drill ${size.toFixed(1)} mm`, mm(size)] as const),
];

/**
 * What is nearest to a size in each of the series a shop has to hand: 64ths and 128ths of an inch, twist drills (the two nearest),
 * wire gauge (the two nearest), metric sheet, and the leaves given. Each says by how much it misses. A series whose nearest is more
 * than a tenth off (and a hundredth of a millimetre) is left out.
 *
 * @param leaves thicknesses on hand, with the name each goes by
 * @throws nothing
 * @example nearestSizes(thou(23.5)).find((n) => n.of === 'gauge')?.name // 'no. 23 SWG'
 */
export function nearestSizes(wanted: Length, leaves: readonly { readonly thickness: Length; readonly name: string }[] = []): NearSize[] {
  const allowed = Math.max(Math.abs(wanted) / 10, 10_000);
  const two = (sizes: readonly NearSize[]): NearSize[] => [...sizes].sort((a, b) => Math.abs(a.error) - Math.abs(b.error)).slice(0, 2);
  return [
    nearestFraction(wanted, 64),
    nearestFraction(wanted, 128),
    ...two(DRILLS.map(([name, size]) => near('drill', name, size, wanted))),
    ...two(SWG_INCHES.map((size, i) => near('gauge', `no. ${i} SWG`, inch(size), wanted))),
    closest(METRIC_SHEET.map((size) => near('metric', `${size} mm sheet`, mm(size), wanted))),
    closest(leaves.map((leaf) => near('leaf', leaf.name, leaf.thickness, wanted))),
  ].filter(
    (each, i, all): each is NearSize =>
      each !== undefined && each.size !== 0 && Math.abs(each.error) <= allowed && all.findIndex((o) => o?.name === each.name) === i,
  );
}
