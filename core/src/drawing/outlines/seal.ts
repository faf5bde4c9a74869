import type { Detail } from './solid.ts';

/** A lip seal between a bore and a shaft, opening to `inward` (+1 or −1). */
export function seal(a: number, x: number, bore: number, shaft: number, inward: 1 | -1): Detail[] {
  const at = (dx: number, r: number): readonly [number, number] => [x + inward * dx * a, r];
  return [
    { points: [at(5.4, bore - 0.7 * a), at(-0.4, bore - 0.7 * a), at(-0.4, shaft + (bore - shaft) * 0.36)], width: Math.max(1.4, 1.2 * a) },
    {
      points: [
        at(-0.6, shaft + (bore - shaft) * 0.46),
        at(-0.6, shaft + (bore - shaft) * 0.28),
        at(3.4, shaft + 0.2 * a),
        at(4.8, shaft + (bore - shaft) * 0.24),
        at(1.2, shaft + (bore - shaft) * 0.44),
      ],
      closed: true,
      fill: 'ink2',
    },
  ];
}
