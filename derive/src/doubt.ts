import type { JobFacts } from '@elder-cog/contract';
import { coverageFactor, doubtShares, nanometres, senseAndFactor, stackGap, type GapTerm, type Length, type StackLink } from '@elder-cog/core';
import { packTotal } from './builds.ts';
import type { ShaftState } from './jobState.ts';
import { filledPlaces, formAt, formsOf } from './graph.ts';
import { sizeAgain, sizeOf, type FeatureSize, type SizeAgain } from './sizes.ts';
import type { GapState } from './gap/index.ts';

/** How well a gap is known, by what was read of it or by the sizes of its parts. */
export interface GapDoubt {
  readonly by: 'reading' | 'sizes';
  readonly value: Length;
  /** root of the squares, expanded, nm */
  readonly U: number;
  /** as far as it can be either way: each length at its own end */
  readonly worst: { readonly min: Length; readonly max: Length };
  /** what it is made of, to be drawn for its chance */
  readonly links: readonly StackLink[];
  /** the one length that is best measured again, and what ±U becomes then; null where no one length would help */
  readonly again: {
    readonly label: string;
    /** of the whole doubt, as squares, 0 to 1 */
    readonly share: number;
    readonly U: number;
    /** with a micrometer instead of a caliper; null where it was no caliper */
    readonly finer: number | null;
  } | null;
  /** lengths of which nobody said what they were measured with: they are taken as they are */
  readonly unsaid: readonly string[];
}

const expanded = (u: number): number => coverageFactor() * u;

/** The doubts of a gap as it is built now: of its reading, or of what was reckoned from it, and of the sum of the sizes where all are known. */
export function doubtsOf(facts: JobFacts, shaft: ShaftState, gap: GapState): GapDoubt[] {
  return [...ofReading(gap), ...ofSizes(facts, shaft, gap)];
}

function ofReading({ now }: GapState): GapDoubt[] {
  const { reading, kind } = now;
  if (reading?.kind !== 'estimate' || reading.u === 0 || (kind !== 'read' && kind !== 'forecast')) return [];
  // few readings are less sure of their own spread: the normal that has the same ±U
  const u = (coverageFactor(reading.dof) / coverageFactor()) * reading.u;
  const links: StackLink[] = [{ label: 'read', length: reading.value, u, sense: 1 }];
  return [{ by: 'reading', value: reading.value, U: expanded(u), worst: stackGap({ links }).worst, links, again: null, unsaid: [] }];
}

function ofSizes(facts: JobFacts, { shaft, current, slots }: ShaftState, { station }: GapState): GapDoubt[] {
  const form = formAt(formsOf(facts, shaft, current), station);
  if (!form || form.constant === null) return [];
  const packs = slots.filter(({ slot }) => slot.kind === 'adjuster' && (form.coefficients[slot.id] ?? 0) !== 0);
  if (packs.some(({ fitting }) => fitting.leaves === null)) return [];
  const stands = new Map(facts.contacts.flatMap(({ id, standId }) => (standId === null ? [] : [[id, standId] as const])));
  const features = new Map(filledPlaces(facts, shaft, current).flatMap((filled) => filled.features.map((f) => [f.id, f] as const)));
  const sizeFor = (id: string): FeatureSize | null => {
    const feature = features.get(stands.get(id) ?? id);
    return feature ? sizeOf(facts, feature) : null;
  };
  const terms = form.terms.map((term) => {
    const size = sizeFor(term.id);
    return { ...term, isSaid: size !== null && size.u !== null, again: size && sizeAgain(size) };
  });
  const unsaid = terms.filter(({ isSaid }) => !isSaid).map(({ label }) => label);
  const links: StackLink[] = [
    // a length that several ways share counts by its part of the way
    ...form.terms.map(({ label, coefficient, value, u }): StackLink => ({
      label,
      length: nanometres(Math.abs(coefficient) * value),
      u: Math.abs(coefficient) * u,
      sense: coefficient < 0 ? -1 : 1,
    })),
    ...packs.map(({ slot, fitting }): StackLink => {
      const { sense, factor } = senseAndFactor(form.coefficients[slot.id] ?? 0);
      return { label: slot.name, length: nanometres(factor * packTotal(fitting.leaves)), u: 0, sense };
    }),
  ];
  const { value, worst } = stackGap({ links });
  return [{ by: 'sizes', value, U: expanded(form.u), worst, links, again: bestAgain(terms), unsaid }];
}

type Known = GapTerm & { readonly again: SizeAgain | null };

/** The one size that is best read again: with what it was read with, and with something finer. */
function bestAgain(terms: readonly Known[]): GapDoubt['again'] {
  const [best] = doubtShares(terms.map(({ again, ...term }) => (again ? { ...term, uAgain: again.same } : term)));
  if (!best) return null;
  const term = terms.find(({ id }) => id === best.id);
  const finer = term?.again?.finer ?? null;
  const [by] =
    finer === null ? [] : doubtShares(terms.map((each) => (each === term ? { ...each, uAgain: finer } : each))).filter(({ id }) => id === best.id);
  return { label: best.label, share: best.share, U: expanded(best.again), finer: by ? expanded(by.again) : null };
}
