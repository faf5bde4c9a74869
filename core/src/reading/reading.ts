import type { Length } from '../quantity/index.ts';

/**
 * A measured value with one standard uncertainty u (unrounded) and, where few readings made it, degrees of freedom (JCGM 100): a length in nm
 * unless it is said to be something else, in its base unit.
 */
export interface Estimate<Value extends number = Length> {
  readonly kind: 'estimate';
  readonly value: Value;
  readonly u: number;
  readonly dof?: number;
}

/** What one side alone tells: a feeler that goes gives at least, one that does not gives at most. */
export interface Bound<Value extends number = Length> {
  readonly kind: 'atLeast' | 'atMost';
  readonly value: Value;
}

/** What a method says of a quantity. A dial that does not move is at most zero float: zero, or any preload. */
export type Reading<Value extends number = Length> = Estimate<Value> | Bound<Value>;

/** The words before a figure that is only one side of what was read. */
export const BOUND = { estimate: '', atLeast: 'at least ', atMost: 'at most ' } as const;

export const estimate = (value: Length, u: number, dof?: number): Estimate => ({ kind: 'estimate', value, u, ...(dof === undefined ? {} : { dof }) });
