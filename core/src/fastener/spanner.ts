import { inch, mm, nanometres, type Length } from '../quantity/index.ts';
import { minorDiameter, threadDepth } from './threadForm.ts';
import type { Thread } from './threads.ts';

/** Across the flats of the hexagon for a bolt of each size, inches; the size on the spanner is the Whitworth bolt it was first for. From memory. */
const WHITWORTH: readonly (readonly [bolt: string, acrossFlats: number])[] = [
  ['1/8', 0.338],
  ['3/16', 0.445],
  ['1/4', 0.525],
  ['5/16', 0.6],
  ['3/8', 0.71],
  ['7/16', 0.82],
  ['1/2', 0.92],
  ['9/16', 1.01],
  ['5/8', 1.1],
  ['3/4', 1.3],
  ['7/8', 1.48],
  ['1', 1.67],
  ['1 1/8', 1.86],
  ['1 1/4', 2.05],
];
const BA: Readonly<Record<string, number>> = {
  '0 BA': 0.413,
  '1 BA': 0.365,
  '2 BA': 0.324,
  '3 BA': 0.282,
  '4 BA': 0.248,
  '5 BA': 0.22,
  '6 BA': 0.193,
};
const UNIFIED: Readonly<Record<string, string>> = {
  '1/4': '7/16',
  '5/16': '1/2',
  '3/8': '9/16',
  '7/16': '5/8',
  '1/2': '3/4',
  '9/16': '13/16',
  '5/8': '15/16',
  '3/4': '1 1/8',
  '7/8': '1 5/16',
  '1': '1 1/2',
};
const METRIC: Readonly<Record<number, number>> = {
  4: 7,
  5: 8,
  6: 10,
  7: 11,
  8: 13,
  10: 17,
  12: 19,
  14: 22,
  16: 24,
  18: 27,
  20: 30,
  22: 32,
  24: 36,
  27: 41,
  30: 46,
  33: 50,
  36: 55,
};

/** What fits the hexagon that is usual for a thread. */
export interface Spanner {
  /** as it is marked: "1/4 W", "7/16 AF", "13 mm" */
  readonly name: string;
  readonly acrossFlats: Length;
}

const inches = (fraction: string): number =>
  fraction.split(' ').reduce((sum, part) => sum + (part.includes('/') ? Number(part.split('/')[0]) / Number(part.split('/')[1]) : Number(part)), 0);

/**
 * The spanner for the usual hexagon of a thread; null where none is known. Old hexagons of fine Whitworth threads are a size smaller than
 * those of coarse ones, and so are all that were made in a time of shortage: measure across the flats.
 *
 * Source: usual hexagons of BS 1083, ISO 272 and ASME B18.2.1, from memory.
 * @example spannerFor(THREADS.find((t) => t.name === '5/16 BSF')).name // '1/4 W'
 */
export function spannerFor({ series, name, major }: Pick<Thread, 'series' | 'name' | 'major'>): Spanner | null {
  if (series === 'BSW' || series === 'BSF') {
    const index = WHITWORTH.findIndex(([bolt]) => bolt === name.replace(/ BS[WF]$/, ''));
    const [size, across] = WHITWORTH[index - (series === 'BSF' ? 1 : 0)] ?? [];
    return index < 0 || size === undefined || across === undefined ? null : { name: `${size} W`, acrossFlats: inch(across) };
  }
  if (series === 'BA') {
    const across = BA[name];
    return across === undefined ? null : { name, acrossFlats: inch(across) };
  }
  if (series === 'UNC' || series === 'UNF' || series === 'UNS') {
    const [, bolt = ''] = /^(\d+(?: \d+\/\d+|\/\d+)?)-/.exec(name) ?? [];
    const across = UNIFIED[bolt];
    return across === undefined ? null : { name: `${across} AF`, acrossFlats: inch(inches(across)) };
  }
  const across = series.startsWith('ISO') ? METRIC[major / 1e6] : undefined;
  return across === undefined ? null : { name: `${across} mm`, acrossFlats: mm(across) };
}

/** A drill that leaves this much of the depth of the thread. Common practice: three quarters to four fifths. */
const LEFT = 0.8;

/**
 * A drill to tap a thread: the usual one of the table, or where it has none, one that leaves four fifths of its depth, to the tenth of a
 * millimetre over, or half of that where it is small, and marked as reckoned.
 *
 * Source: usual drills of BS 1157 and ISO 2306, from memory.
 * @example tappingDrill(THREADS.find((t) => t.name === '5/16 BSF')).size // 6.8 mm
 */
export function tappingDrill(thread: Thread): { readonly size: Length; readonly isReckoned: boolean } {
  if (thread.drill !== null) return { size: thread.drill, isReckoned: false };
  const hole = minorDiameter(thread) + (1 - LEFT) * threadDepth(thread);
  const step = hole < 3e6 ? 5e4 : 1e5;
  return { size: nanometres(Math.ceil(hole / step - 1e-9) * step), isReckoned: true };
}
