import { z } from 'zod';
import { id, revision, words } from './basics.ts';

/** What several stations are judged by together. */

/** One station that a setting is judged by. Its limits, its aim and its rule are the station's own. */
export const criterion = z.object({
  stationId: id,
  /** in with all of its group */
  group: z.int().min(1).max(9),
  /** passed, nothing else makes the setting right */
  isCeiling: z.literal(true).optional(),
});
/** One thing to set, right when every criterion of any one group is in: a float by dial, or a depth; a float, and turning free. */
export const setting = z.object({ id, revision, assemblyId: id, name: words, criteria: z.array(criterion).min(2).max(20), gone: z.boolean() });

export type Criterion = z.output<typeof criterion>;
export type Setting = z.output<typeof setting>;
