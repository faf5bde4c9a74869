import type { JobFacts, Making } from '@elder-cog/contract';
import { writtenSize, type MakingState } from '@elder-cog/derive';
import { describeLength, formatLength, MADE, nanometres, sizeWords, unitWord, type Length } from '@elder-cog/core';

/** What stands in the title block of a drawing. */
export interface DrawingTitle {
  readonly machine: string;
  readonly name: string;
  readonly kind: string;
  /** where it goes, as the place is called; '' where it goes nowhere in particular */
  readonly place: string;
  readonly material: string;
  /** the size that sets the gap, with how far either side still lands, in both systems: a line each */
  readonly to: readonly string[];
  /** what it is cut from, and how much comes off; '' where nobody said */
  readonly from: string;
  /** the gap it is made for, and what that is to be; '' where it is for none */
  readonly gap: string;
  readonly unit: 'thou' | 'mm';
}

/** "0.0105 in ±0.0009", "10.5 thou ±0.9": as a micrometer is set. */
const either = (size: Length, tolerance: Length, unit: 'thou' | 'mm'): string =>
  `${formatLength(size, unit)} ±${formatLength(tolerance, unit)} ${unitWord(unit)}`;

/** The lines that say how thick or how long: with its tolerance where it is made to a window, and as it stands in its form where not. */
function madeTo(making: Making, size: MakingState['size'], unit: 'thou' | 'mm'): string[] {
  const { form } = making;
  const axial = form && form.sizes[MADE[form.kind].axial];
  const both = unit === 'mm' ? (['mm', 'thou'] as const) : (['thou', 'mm'] as const);
  if (size) return both.map((each) => either(size[each].size, size[each].either, each));
  if (!axial) return [];
  const { first, second } = sizeWords(axial, unit);
  return [first, second];
}

/** All that is said of one thing that is made, from the facts of its job and how it stands. */
export function titleOf(facts: JobFacts, { making, gap, unit, size }: MakingState): DrawingTitle {
  const { blank, form, window } = making;
  const off = blank && window && making.process !== 'hone' ? nanometres(blank.size - window.ideal) : null;
  const limits = gap?.limits;
  return {
    machine: [facts.job.machine, facts.job.year].filter((each) => each !== '').join(' '),
    name: making.name,
    kind: form ? MADE[form.kind].called : '',
    place: facts.places.find(({ id }) => id === making.placeId)?.name ?? '',
    material: making.material,
    to: madeTo(making, size, unit),
    from: blank === null ? '' : `${writtenSize(blank)}${off !== null && off > 0 ? `, take off ${describeLength(off, unit)}` : ''}`,
    gap: gap ? `${gap.station.name}${limits ? `, ${limits.fact.written}` : ''}` : '',
    unit,
  };
}
