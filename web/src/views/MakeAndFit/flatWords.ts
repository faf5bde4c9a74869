const PARTS = [
  [1 / 12, 'a twelfth of a flat'],
  [1 / 8, 'an eighth of a flat'],
  [1 / 6, 'a sixth of a flat'],
  [1 / 4, 'a quarter of a flat'],
  [1 / 3, 'a third of a flat'],
  [1 / 2, 'half a flat'],
  [2 / 3, 'two thirds of a flat'],
  [1, 'a flat'],
  [1.5, 'a flat and a half'],
  [2, 'two flats'],
  [3, 'half a turn'],
  [4, 'four flats'],
  [6, 'a whole turn'],
] as const;

/** "a quarter of a flat", "a third of a flat": nobody reads degrees off a nut. Of six flats. */
export function flatWords(degrees: number): string {
  const flats = Math.abs(degrees) / 60;
  const [best] = PARTS.toSorted(([a], [b]) => Math.abs(a - flats) - Math.abs(b - flats));
  return best ? `about ${best[1]}` : '';
}
