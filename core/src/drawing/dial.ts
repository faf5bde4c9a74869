/** What a dial shows of an entry: where the hand began, where it came to, and what it swept. Degrees from the top, clockwise. */
export interface DialFace {
  readonly start: number;
  readonly finish: number;
  /** degrees swept in one turn, 0 to 360, in the direction of travel */
  readonly sweep: number;
  readonly clockwise: boolean;
  readonly turns: number;
  /** where it came back to, where that was keyed */
  readonly back: number | null;
  readonly numbers: readonly { readonly degrees: number; readonly words: string }[];
}

const ENTRY = /^\s*(-?\d+(?:[.,]\d+)?½?)\s*([<>])\s*(-?\d+(?:[.,]\d+)?½?)(?:\s*[<>]\s*(-?\d+(?:[.,]\d+)?½?))?/;
const TURNS = /\+\s*(\d+)/;
const real = (text: string): number => Number(text.replace(',', '.').replace('½', '.5'));

const figureAt = (n: number, divisions: number, balanced: boolean): string => (balanced && n > divisions / 2 ? `−${divisions - n}` : String(n));

/**
 * The face of a dial for an entry such as `88>12 +1`; null while there is no hand to show. A bare travel is drawn from zero.
 *
 * @param divisions in one turn
 * @param balanced marked both ways from nought, the left with a minus
 */
export function dialFace(entry: string, divisions: number, balanced = false): DialFace | null {
  const numbers = Array.from({ length: 10 }, (_, i) => ({ degrees: i * 36, words: figureAt(Math.round((i * divisions) / 10), divisions, balanced) }));
  const at = (value: number): number => ((((value / divisions) * 360) % 360) + 360) % 360;
  const moved = ENTRY.exec(entry);
  if (moved) {
    const clockwise = moved[2] === '>';
    const start = at(real(moved[1] ?? '0'));
    const finish = at(real(moved[3] ?? '0'));
    return {
      start,
      finish,
      clockwise,
      sweep: (((clockwise ? finish - start : start - finish) % 360) + 360) % 360,
      back: moved[4] === undefined ? null : at(real(moved[4])),
      turns: Number(TURNS.exec(entry)?.[1] ?? 0),
      numbers,
    };
  }
  const bare = /^\s*(\d+(?:[.,]\d+)?½?)\s*$/.exec(entry);
  if (!bare) return null;
  const travel = real(bare[1] ?? '0');
  return { start: 0, finish: at(travel), clockwise: true, sweep: at(travel), turns: Math.floor(travel / divisions), back: null, numbers };
}
