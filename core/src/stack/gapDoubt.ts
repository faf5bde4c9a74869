import type { GapTerm } from './shaftModel.ts';

/** What one length adds to the doubt of a gap. */
export interface DoubtShare {
  readonly id: string;
  readonly label: string;
  /** of the variance, 0 to 1 */
  readonly share: number;
  /** one standard uncertainty of the gap after that one length is measured once more as well, nm */
  readonly again: number;
}

/** A length of a gap, and how well it would be known once it is measured once more as well. */
export interface MeasuredAgain extends GapTerm {
  /** nm; where nobody says, one as good as all so far, which halves the variance */
  readonly uAgain?: number;
}

/**
 * Which measurement taken again would help a gap most: that which leaves the least doubt when the rest stay as they are. Lengths nobody
 * gave a doubt for add none, and are not named.
 *
 * @returns that which helps most first
 * Source: the uncertainty budget of JCGM 100, 4.3 and 5.1, from memory.
 * @example doubtShares([{ id: 'a', label: 'bush', coefficient: 1, value: mm(30), u: 4000 }, { id: 'b', label: 'case', coefficient: -1, value: mm(30), u: 3000 }])[0].share // 0.64
 */
export function doubtShares(terms: readonly MeasuredAgain[]): DoubtShare[] {
  const variances = terms.map(({ coefficient, u }) => (coefficient * u) ** 2);
  const total = variances.reduce((sum, v) => sum + v, 0);
  return terms
    .flatMap(({ id, label, coefficient, u, uAgain = u / Math.SQRT2 }, i): DoubtShare[] => {
      const own = variances[i] ?? 0;
      return own === 0 ? [] : [{ id, label, share: own / total, again: Math.sqrt(Math.max(0, total - own + (coefficient * uAgain) ** 2)) }];
    })
    .sort((a, b) => a.again - b.again);
}
