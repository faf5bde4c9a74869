import type { Length, Limits } from '../../quantity/index.ts';
import type { SupplierRange } from '../../shim/index.ts';
import type { Aim } from '../packWindow.ts';

/** A gap as a linear form of the slots: constant + Σ coefficient · thickness. */
export interface SolverGap {
  readonly id: string;
  /** nm with every slot at nothing */
  readonly constant: Length;
  readonly coefficients: Readonly<Record<string, number>>;
  readonly limits: Limits;
  readonly aim?: Aim;
  /** one standard uncertainty of the constant, nm */
  readonly u?: number;
}

/** A place that something is chosen for. A part that may be lapped is a slot whose one choice is the part itself. */
export interface SolverSlot {
  readonly id: string;
  readonly choices: readonly { readonly id: string; readonly thickness: Length }[];
  /** ids of what is in it now */
  readonly fitted?: readonly string[];
  /** how many choices it takes: one, where it is not said */
  readonly least?: number;
  readonly most?: number;
  /** how much may be lapped off what is in it */
  readonly lap?: Length;
  /** what is in it stays in it: nothing is chosen or bought for it */
  readonly isFixed?: boolean;
  /** what can be had for it, where it is not what can be had for all */
  readonly supply?: SupplierRange;
}
