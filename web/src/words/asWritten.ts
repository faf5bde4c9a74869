import { inDialect } from '@elder-cog/core';

/** Names that a person gave to boxes and shafts, wherever they stand in a sentence of the page: they are left as they were written. */
let names: RegExp | null = null;
/** Names of parts and rows, left alone where one stands by itself: "gear on bush" in a sentence may be anybody's. */
let alone: ReadonlySet<string> = new Set();

const escaped = (name: string): string => name.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

/** From now on these are left alone: only those that other words would change are looked for. */
export function leaveAsWritten(given: readonly string[], byThemselves: readonly string[] = []): void {
  alone = new Set(byThemselves.filter((name) => name.trim().includes(' ')));
  const changed = [...new Set(given)].filter((name) => name.trim() !== '' && inDialect(name, 'american') !== name);
  const longestFirst = changed.sort((a, b) => b.length - a.length).map(escaped);
  names = longestFirst.length === 0 ? null : new RegExp(`(?<![\\p{L}\\d])(${longestFirst.join('|')})(?![\\p{L}\\d])`, 'giu');
}

/** A sentence in the other words of the trade, and the names in it as they were written. */
export function inAmerican(text: string): string {
  if (alone.has(text)) return text;
  if (names === null) return inDialect(text, 'american');
  // every second piece is a name
  return text
    .split(names)
    .map((piece, i) => (i % 2 === 1 ? piece : inDialect(piece, 'american')))
    .join('');
}
