import { understand, type Length } from '@elder-cog/core';

/** One drag as it is typed beside something else: a torque, or a pull with where it acts. */
export interface TypedDrag {
  /** N·m; null where none is said, or it is asked about or refused */
  readonly drag: number | null;
  /** what was understood, or why it was not */
  readonly says: string;
}

/** Reads one drag off a field: of several figures the first. `radius`, where a pull acts that says none. */
export function oneDrag(text: string, { bare, scale, radius }: { bare: 'thou' | 'mm'; scale: string; radius?: Length }): TypedDrag {
  const read = understand(text, { field: 'drag', bare, scale, ...(radius === undefined ? {} : { radius }) });
  if (read.kind === 'refused') return { drag: null, says: read.message };
  if (read.kind === 'ask') return { drag: null, says: read.why };
  if ('torques' in read.value) return { drag: read.value.torques[0] ?? null, says: read.said };
  const { pulls, radius: at } = read.value;
  return at === null
    ? { drag: null, says: 'Say where it pulls as well, as in 4 kg at 24 mm.' }
    : { drag: (pulls[0] ?? 0) * at * 1e-9, says: read.said };
}
