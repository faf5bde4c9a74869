/** The two vocabularies of the trade, word for word. Common practice, no source. */
export type Dialect = 'british' | 'american';

const PAIRS: readonly (readonly [british: string, american: string])[] = [
  ['end float', 'end play'],
  ['crown wheel', 'ring gear'],
  ['laygear', 'cluster gear'],
  ['layshaft', 'countershaft'],
  ['circlip', 'snap ring'],
  ['primary pinion', 'main drive gear'],
  ['first-motion shaft', 'input shaft'],
  ['transfer box', 'transfer case'],
  ['split pin', 'cotter pin'],
  ['bush', 'bushing'],
  ['bushes', 'bushings'],
  ['final drive', 'rear end'],
  ['selector fork', 'shift fork'],
  ['spanner', 'wrench'],
  ['casing', 'case'],
  ['distance piece', 'spacer'],
  ['baulk ring', 'blocker ring'],
  ['axle centre', 'third member'],
  ['float', 'end play'],
];

/** Other words for the same thing, for finding: each stands for the first. */
const ALSO: readonly (readonly [string, readonly string[]])[] = [
  ['end float', ['end play', 'endfloat', 'endplay', 'play', 'float', 'axial play']],
  ['backlash', ['lash']],
  ['preload', ['nip', 'crush', 'negative end play']],
  ['baulk ring', ['synchro ring', 'blocker ring']],
  ['mainshaft', ['main shaft']],
  ['dial', ['dial indicator', 'dti', 'clock']],
  ['casing', ['case', 'housing']],
  ['bolts', ['bolt', 'screws', 'setscrews']],
  ['clearance', ['running clearance']],
];

const plural = (word: string): string => (word.endsWith('s') ? word : `${word}s?`);
const escaped = (word: string): string => word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** Capitals as they were: "End float" becomes "End play", "CROWN WHEEL" "RING GEAR". */
function cased(like: string, word: string): string {
  if (like.length > 1 && like === like.toUpperCase()) return word.toUpperCase();
  return /^[A-Z]/.test(like) ? word.charAt(0).toUpperCase() + word.slice(1) : word;
}

const ORDERED = [...PAIRS].sort((a, b) => b[0].length - a[0].length);
const BRITISH = new RegExp(`\\b(?:${ORDERED.map(([british]) => plural(escaped(british))).join('|')})\\b`, 'gi');
const TO_AMERICAN = new Map(PAIRS.flatMap(([b, a]) => [[b, a] as const, [`${b}s`, `${a}s`] as const]));

/**
 * Words as they are said on the other side of the ocean. Only whole words of the trade are changed.
 *
 * @param text in British words
 * @example inDialect('End float of the layshaft', 'american') // 'End play of the countershaft'
 */
export function inDialect(text: string, dialect: Dialect): string {
  if (dialect === 'british') return text;
  return text.replace(BRITISH, (found) => cased(found, TO_AMERICAN.get(found.toLowerCase()) ?? found));
}

const EITHER = [...PAIRS.map(([b, a]) => [b, [a]] as const), ...ALSO]
  .flatMap(([first, others]) => others.map((other) => [other, first] as const))
  .sort((a, b) => b[0].length - a[0].length);
const ANY = new RegExp(`\\b(?:${EITHER.map(([other]) => escaped(other)).join('|')})\\b`, 'g');
const FIRST = new Map(EITHER.map(([other, first]) => [other, first]));

/** One set of words for one thing, so that a search finds it under either name: small letters, the first word of each pair. */
export const plainWords = (text: string): string =>
  text
    .toLowerCase()
    .replace(ANY, (found) => FIRST.get(found) ?? found)
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();
