import { describeLength, NM_PER, nanometres, readNumber, tidy, type Length } from '../quantity/index.ts';
import type { Understood } from './meaning.ts';
import { understandLength } from './understand.ts';

const THREADS = /^(\d+ \d+ ?\/ ?\d+|\d+(?:[.,]\d+)?)\s*(?:t\.?p\.?i\.?|threads?(?: ?(?:an|per|to the|\/) ?(?:in|inch))?|(?:an|per|to the) inch)$/i;
const BARE = /^(?:\d+ \d+ ?\/ ?\d+|\d+(?:[.,]5)?)$/;
/** From so many, whole figures are threads an inch; below so many, millimetres from crest to crest; between, either. Common practice, no source. */
const SURELY_THREADS = 8;
const SURELY_MM = 4;

/**
 * The pitch of a thread as it is told: threads an inch, or from crest to crest.
 *
 * @returns nm from crest to crest
 * @example understandPitch('14 tpi', 'mm').said // '14 threads an inch · 1.814 mm'
 */
export function understandPitch(text: string, bare: 'thou' | 'mm'): Understood<Length> {
  const clean = tidy(text);
  const said = THREADS.exec(clean)?.[1];
  if (said !== undefined) return perInch(readNumber(said));
  if (!BARE.test(clean)) return understandLength(text, { field: 'size', bare, quantity: 'pitch' });
  const figure = readNumber(clean);
  if (figure >= SURELY_THREADS) return perInch(figure);
  const across = understandLength(`${clean} mm`, { field: 'size', bare: 'mm', quantity: 'pitch' });
  if (figure < SURELY_MM || across.kind !== 'understood') return across;
  const [threads, crests] = [perInch(figure), across];
  if (threads.kind !== 'understood') return across;
  return {
    kind: 'ask',
    meanings: bare === 'mm' ? [crests, threads] : [threads, crests],
    why: 'Threads an inch, or millimetres from crest to crest?',
  };
}

/** So many threads an inch, where they are such as are cut. */
function perInch(threads: number): Understood<Length> {
  if (!(threads >= 2 && threads <= 120))
    return { kind: 'refused', code: 'notAPitch', message: 'Threads are from 2 to 120 an inch: count them again over an inch.' };
  const value = nanometres(NM_PER.in / threads);
  return { kind: 'understood', value, unit: 'in', said: `${threads} threads an inch · ${describeLength(value, 'mm')}` };
}

/** How many threads an inch a pitch is, where it was meant as such: null of a metric one. */
export function threadsPerInch(pitch: Length): number | null {
  if (pitch % (NM_PER.mm / 20) === 0) return null;
  const threads = NM_PER.in / pitch;
  const near = Math.round(threads * 2) / 2;
  return Math.abs(NM_PER.in / near - pitch) <= 1 ? near : null;
}

/**
 * The pitch that the name of an inch thread says, where it is in no list: `1 1/16 x 16`, `7/8 18 tpi`. Null where it says none: a size
 * beside a length is no pitch.
 *
 * @example pitchInName('1 1/16 x 16') // 1587500
 */
export function pitchInName(name: string): Length | null {
  const clean = tidy(name);
  const [, threads] = /(?<![\d.])(\d+(?:\.5)?) ?tpi$/i.exec(clean) ?? /^(?:\d+ )?\d+ ?\/ ?\d+ ?"? ?[x×] ?(\d+(?:\.5)?)$/i.exec(clean) ?? [];
  const pitch = threads === undefined || Number(threads) < SURELY_MM ? null : perInch(Number(threads));
  return pitch?.kind === 'understood' ? pitch.value : null;
}
