import { INSTRUMENTS, ReckoningError, understoodThen, type Instrument } from '@elder-cog/core';
import type { RawReading } from './facts/index.ts';

type Raw = Omit<RawReading, 'understood' | 'heightsUnderstood'>;

/**
 * A reading from before what an entry was understood as was kept beside it, with the word of the reader of its day: no later reader
 * changes what it comes to. What that reader made nothing of is kept as not understood.
 */
export function withUnderstood<Old extends Raw>(raw: Old): Old & Pick<RawReading, 'understood' | 'heightsUnderstood'> {
  const instrument = (raw.instrument ?? INSTRUMENTS.dialThou) as Instrument;
  const understood = raw.method === 'look' ? null : orNull(() => understoodThen(raw.text, instrument));
  if (raw.method !== 'depths') return { ...raw, understood };
  const heights = orNull(() => understoodThen(raw.heights ?? '', instrument));
  return { ...raw, understood, heightsUnderstood: heights?.how === 'sizes' ? [...heights.values] : [] };
}

/** As {@link withUnderstood}, of whatever stands in a file or a database: what is no reading comes back as it is, to be refused. */
export function understoodIn(raw: unknown): unknown {
  if (typeof raw !== 'object' || raw === null || typeof (raw as Partial<Raw>).text !== 'string') return raw;
  try {
    return withUnderstood(raw as Raw);
  } catch {
    return { ...raw, understood: null };
  }
}

function orNull(understand: () => ReturnType<typeof understoodThen>): RawReading['understood'] {
  try {
    return understand() as RawReading['understood'];
  } catch (error) {
    if (error instanceof ReckoningError) return null;
    throw error;
  }
}
