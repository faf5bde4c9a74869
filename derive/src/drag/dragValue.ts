import type { RawReading, Wrench } from '@elder-cog/contract';
import { dragFromPull, dragFromPullSum, netOfSeal, repeatsOf, ReckoningError, refuse, type Estimate, type Length, type Sum } from '@elder-cog/core';

/** What a drag that was entered comes to. */
export interface DragValue {
  /** net of the seal, N·m, one for each figure */
  readonly values: readonly number[];
  readonly reading: Estimate<number>;
  /** a pull, and where it acts; null off a wrench */
  readonly pull: { readonly newtons: readonly number[]; readonly radius: Length } | null;
  /** the least that can be told apart, N·m */
  readonly division: number;
}
export type ValuedDrag = { readonly ok: DragValue } | { readonly refusal: { readonly code: string; readonly message: string } };

/** What is told apart on a scale of which nobody said more than its unit: N·m, and N of a balance. Common practice, no source. */
const DIVISIONS: Readonly<Record<Wrench['unit'], number>> = {
  'N·m': 0.1,
  'lbf·in': 0.11298,
  'lbf·ft': 0.67791,
  'kgf·m': 0.49033,
  'kgf·cm': 0.098067,
  'ozf·in': 0.035308,
  N: 1,
  kgf: 0.98067,
  gf: 0.49033,
  lbf: 1.11206,
  ozf: 0.27801,
};

/** A wrench is within so much of what it shows, one deviation: ±4 % of ISO 6789 taken as two, from memory. A balance the same. */
const SCALE = 0.02;
/** How far off the radius of a cord may be, nm, one deviation. Common practice: half a millimetre either way. */
const RADIUS = 250_000;

/** What is told apart, in the unit of its base: N·m, or N of a balance. */
export const divisionOf = (wrench: Pick<Wrench, 'unit' | 'division'> | undefined, unit: Wrench['unit']): number =>
  wrench?.division ?? DIVISIONS[unit];

/**
 * A drag as it was entered: torques off a wrench, or pulls on a cord at the radius they act at, less what the seal takes. A wrench that clicks
 * reads none.
 */
export function dragValue(raw: RawReading): ValuedDrag {
  try {
    return { ok: valueOf(raw) };
  } catch (error) {
    if (error instanceof ReckoningError) return { refusal: { code: error.code, message: error.message } };
    throw error;
  }
}

function valueOf({ understood, wrench, seal = 0 }: RawReading): DragValue {
  if (wrench?.kind === 'click')
    refuse('clicks', 'A wrench that clicks cannot read a drag: it says only that what it is set to was reached. Use one with a pointer, or a cord.');
  if (understood?.how === 'torques') {
    const { values, unit } = understood;
    return pooled(
      values.map((torque) => netOfSeal(torque, seal)),
      { division: divisionOf(wrench, unit), pull: null },
    );
  }
  if (understood?.how !== 'pulls') return refuse('notADrag', 'That is no drag: a torque off a wrench is wanted, or a pull on a cord.');
  const { values, unit, radius } = understood;
  return pooled(
    values.map((pull) => dragFromPull({ pull, radius, seal })),
    {
      division: divisionOf(wrench, unit) * radius * 1e-9,
      pull: { newtons: values, radius },
    },
  );
}

function pooled(values: readonly number[], { division, pull }: Pick<DragValue, 'division' | 'pull'>): DragValue {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
  const arm = pull ? (mean * RADIUS) / pull.radius : 0;
  return { values, reading: repeatsOf(values, { resolution: division, calibrationU: Math.hypot(SCALE * mean, arm) }), pull, division };
}

/** Several entries of one build as one reading; the last of them says what it was read with. */
export function poolDrags(entries: readonly DragValue[]): DragValue | null {
  const last = entries.at(-1);
  return last
    ? {
        ...pooled(
          entries.flatMap(({ values }) => values),
          last,
        ),
        pull: last.pull,
      }
    : null;
}

/** The working of a drag: the pull and its radius, the seal, what it comes to. */
export function dragSum(raw: RawReading, readingId: string): Sum {
  const { understood, seal = 0 } = raw;
  const from = [readingId];
  if (understood?.how === 'pulls') {
    const [pull = 0] = understood.values;
    return dragFromPullSum({ pull, radius: understood.radius, seal }).map((line) => ({ ...line, from }));
  }
  if (understood?.how !== 'torques') return [];
  const [torque = 0] = understood.values;
  return [
    { label: 'read', expression: '', value: torque, unit: 'N·m', from },
    ...(seal > 0
      ? [
          { label: 'the seal alone', expression: '−', value: seal, unit: 'N·m' as const, from },
          { label: 'drag', expression: '', value: netOfSeal(torque, seal), unit: 'N·m' as const, from },
        ]
      : []),
  ];
}
