import type { ReactNode } from 'react';

/** One stop of the road. */
export interface Stop {
  readonly to: string;
  readonly name: string;
  readonly short?: string;
  readonly key: string;
  readonly sign: (on: boolean) => ReactNode;
}
