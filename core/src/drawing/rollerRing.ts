import type { Length } from '../quantity/index.ts';
import { circle, path, text, type Shape } from './shapes.ts';

export interface RollerRingQuestion {
  /** across the shaft, and one roller, nm */
  readonly trackInner: Length;
  readonly diameter: Length;
  /** how many are drawn, and how many more of them would go in by their sizes; fewer than none are too many */
  readonly count: number;
  readonly missing: number;
  /** what is left round it, as it is said; empty where nothing is said */
  readonly gap: string;
  readonly size: number;
}

/** Rollers round a shaft from its end, against each other from the top on, with what is left over before the first of them. */
export function rollerRingShapes({ trackInner: D, diameter: d, count, missing, gap, size }: RollerRingQuestion): readonly Shape[] {
  const c = size / 2;
  const scale = (size / 2 - 8) / (D / 2 + d * 1.35);
  const [shaft, roller, middle] = [(D / 2) * scale, (d / 2) * scale, ((D + d) / 2) * scale];
  // as they lie against each other, or pressed together where more are said than go in
  const step = Math.min(2 * Math.asin(d / (D + d)), (2 * Math.PI) / Math.max(1, count));
  const at = (i: number): [number, number] => [c + middle * Math.sin(step * (i + 0.5)), c - middle * Math.cos(step * (i + 0.5))];
  const isShort = missing > 0;
  const left = 2 * Math.PI - step * count;
  const point = (angle: number, r: number): string => `${(c + r * Math.sin(angle)).toFixed(2)},${(c - r * Math.cos(angle)).toFixed(2)}`;
  const arc =
    left > 1e-6
      ? [
          path(`M${point(-left, middle)}A${middle.toFixed(2)},${middle.toFixed(2)} 0 ${left > Math.PI ? 1 : 0} 1 ${point(0, middle)}`, {
            fill: 'none',
            stroke: isShort ? 'tight' : 'brass',
            width: Math.max(3, roller * 0.8),
            id: 'left-over',
          }),
        ]
      : [];
  return [
    circle(c, c, middle + roller * 1.7, { fill: 'iron', stroke: 'part', width: 1.5 }),
    circle(c, c, middle + roller * 1.03, { fill: 'sheet', stroke: 'part', width: 1 }),
    ...arc,
    circle(c, c, shaft, { fill: 'steel', stroke: 'part', width: 1.5 }),
    ...Array.from({ length: count }, (_, i): Shape =>
      circle(...at(i), roller, { fill: 'sheet', stroke: missing < 0 ? 'tight' : 'part', width: 1.5, id: 'roller' }),
    ),
    text(c, c - 2, String(count), 'number', Math.min(44, shaft), 'ink', { anchor: 'middle', bold: true }),
    ...(gap === '' ? [] : [text(c, c + 22, gap, 'number', 15, 'ink2', { anchor: 'middle' })]),
  ];
}
