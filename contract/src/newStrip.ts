import { withUnit, type StripLineRead } from '@elder-cog/core';
import type { StripEntry } from './facts/index.ts';

type Belongs = Pick<StripEntry, 'text' | 'assemblyId' | 'shaftId' | 'inventory' | 'supersedes'>;

/** A line of the strip log as it was understood, ready to be kept. */
export function stripEntryOf(read: StripLineRead, { text, ...belongs }: Belongs): Omit<StripEntry, 'id' | 'who' | 'at'> {
  const { kind, part, wayRound, side, size, written, unit, leaves, count } = read;
  return {
    ...belongs,
    kind,
    text: text.trim(),
    part: part.slice(0, 120),
    wayRound: wayRound.slice(0, 12).map((w) => w.slice(0, 80)),
    side: side.slice(0, 60),
    size,
    written: written.slice(0, 60),
    unit,
    leaves: leaves.map((l) => ({ ...l, count: 1 })),
    bolts: boltsOf(read),
    count,
    note: '',
  };
}

/** As many holes as bolts were counted, all as the rest but those that were said to differ. */
function boltsOf({ kind, count, size, written, unit, holes }: StripLineRead): StripEntry['bolts'] {
  const n = Math.max(count?.n ?? 0, ...holes.map((h) => h.hole));
  if (kind !== 'bolts' || n < 2 || n > 60) return null;
  return {
    shape: 'circle',
    start: 'top, from outside',
    holes: Array.from({ length: n }, (_, i) => {
      const own = holes.find((h) => h.hole === i + 1);
      return {
        hole: i + 1,
        length: own?.length ?? size,
        written: (own?.written ?? withUnit(written, unit)).slice(0, 40),
        thread: '',
        hand: 'right' as const,
        washer: '',
        dressing: '',
        sealant: '',
      };
    }),
  };
}
