import { box, type PartsQuestion, type Solid } from './solid.ts';

/** Leaves of a pack, one solid each, side by side along the axis. */
export function packSolids({ leaves, packUnknown }: PartsQuestion, from: number, bands: readonly (readonly [number, number])[]): Solid[] {
  let at = from;
  return leaves.map((leaf, i) => {
    const start = at;
    at += leaf.px;
    return {
      id: packUnknown ? 'pack-unknown' : `leaf-${i + 1}`,
      part: 'pack',
      kind: 'pack' as const,
      fill: 'brass' as const,
      rings: bands.map(([r1, r2]) => box(start, r1, at, r2)),
    };
  });
}
