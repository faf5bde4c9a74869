import { hasInchFractions, isSmall, type PlainQuantity } from './plainRange.ts';
import { smallUnit } from '../quantity/index.ts';
import { digitsEngraved, type Instrument } from '../reading/index.ts';
import { division, HUNDREDTH, INCH, MM, THOU, type Figure, type Measure, type Written } from './tokens.ts';

/** The most telling figure decides for all: a fraction, a leading point, the most decimals. */
const TELLING: readonly Written[] = ['fraction', 'leadingPoint3', 'leadingPoint', 'decimals3', 'decimals2', 'noughtPoint1', 'half', 'whole'];

export function mostTelling(figures: readonly Figure[]): Figure | null {
  const told = figures.filter((figure) => figure.value !== 0);
  return [...told].sort((a, b) => TELLING.indexOf(a.written) - TELLING.indexOf(b.written) || b.decimals - a.decimals)[0] ?? null;
}

/** What a number with no unit may mean, by how it is written, in this workshop; likeliest first. */
export function heard(
  { written }: Figure,
  { bare, quantity }: { readonly bare: 'thou' | 'mm'; readonly quantity: PlainQuantity },
): readonly Measure[] {
  const metric = bare === 'mm';
  switch (written) {
    case 'fraction':
      return [INCH];
    case 'half':
      if (hasInchFractions(quantity)) return [INCH];
      return whole(metric, quantity);
    case 'leadingPoint3':
      return metric ? [MM, INCH] : [INCH];
    case 'leadingPoint':
      return metric ? [MM, INCH, THOU] : [INCH, MM, THOU];
    case 'decimals3':
      return metric ? [MM, INCH] : [INCH, MM];
    case 'decimals2':
      return metric ? [MM] : [MM, INCH, THOU];
    case 'noughtPoint1':
      return metric ? [MM] : [THOU, MM];
    case 'whole':
      return whole(metric, quantity);
  }
}

const whole = (metric: boolean, quantity: PlainQuantity): readonly Measure[] =>
  metric ? (isSmall(quantity) ? [HUNDREDTH, THOU, MM] : [MM]) : [THOU];

/** Every unit a figure could be in, where none that was heard makes sense of it. */
export const ALL: readonly Measure[] = [THOU, MM, INCH, HUNDREDTH];

const OF_UNIT = { mm: MM, in: INCH, thou: THOU, um: MM } as const;

/** At an instrument, figures as fine as it is engraved, and one finer, are its own; a whole number at a dial is divisions. */
export function heardAt(figure: Figure, instrument: Instrument, quantity: PlainQuantity): readonly Measure[] {
  const { kind, unit, resolution } = instrument;
  const isWhole = figure.written === 'whole' || figure.written === 'half';
  // one decimal at a metric dial may be half divisions, or millimetres off its small hand
  if (kind === 'dial' && isWhole) return unit === 'mm' && figure.decimals === 1 ? [division(resolution, unit), MM] : [division(resolution, unit)];
  const own = OF_UNIT[unit];
  if (isWhole && figure.decimals === 0) return [own];
  const finer = figure.decimals - digitsEngraved(instrument);
  if (kind !== 'dial' && figure.decimals > 0 && (finer === 0 || finer === 1)) return [own];
  return heard(figure, { bare: smallUnit(unit), quantity });
}
