import { taperBearing } from './outlines/taperBearing.ts';
import type { Placed } from './outlines/world.ts';
import { line, outline, path, text, type Shape } from './shapes.ts';

export interface BearingWayQuestion {
  /** on which side of its cone the cup's back is */
  readonly cupBack: 'inputSide' | 'outputSide';
  /** what the ends of the shaft are called, left and right */
  readonly ends: readonly [string, string];
  readonly width: number;
  readonly height: number;
}

/**
 * One taper bearing in section with the names of its sides: the cup's thick end and the cone's thick end look away from each other, and the
 * thin edge of the cup is where the rollers are big. Not to scale.
 */
export function bearingWayShapes({ cupBack, ends, width, height }: BearingWayQuestion): readonly Shape[] {
  const isLeft = cupBack === 'inputSide';
  const [tall, stand] = [height - 76, (height - 76) * 1.1];
  const axis = height - 30;
  const left = (width - stand) / 2;
  const [cupAt, coneAt] = isLeft ? [left, left + stand] : [left + stand, left];
  const toward = isLeft ? 1 : -1;
  const placed = (id: string, from: number, to: number): Placed => ({
    place: { id, kind: id } as Placed['place'],
    faces: [],
    from,
    to,
    inner: 26,
    outer: 26 + tall,
  });
  const { solids, details } = taperBearing({
    outer: placed('cup', cupAt, cupAt + toward * stand * 0.75),
    race: placed('cone', coneAt - toward * stand * 0.9, coneAt),
    outerBack: cupAt,
    raceBack: coneAt,
    stand,
  });
  const up = (points: readonly (readonly [number, number])[]): [number, number][] => points.map(([x, r]) => [x, axis - r]);
  const label = (x: number, y: number, words: string, anchor: 'start' | 'end' | 'middle'): Shape => text(x, y, words, 'label', 15, 'ink', { anchor });
  const out = (side: 'cup' | 'cone'): { x: number; anchor: 'start' | 'end' } =>
    (side === 'cup') === isLeft ? { x: left - 10, anchor: 'end' } : { x: left + stand + 10, anchor: 'start' };
  const [cup, cone] = [out('cup'), out('cone')];
  return [
    ...solids.map(({ rings, fill, id }) => path(rings.map((ring) => outline(up(ring))).join(''), { fill, stroke: 'part', width: 1.5, id })),
    ...details.map(({ points, width: w = 1, dash }) =>
      path(
        `M${up(points)
          .map(([x, y]) => `${x.toFixed(2)},${y.toFixed(2)}`)
          .join('L')}`,
        { fill: 'none', stroke: 'ink2', width: Math.min(2, w), ...(dash === undefined ? {} : { dash }) },
      ),
    ),
    line(left - 60, axis, left + stand + 60, axis, 'ink2', 1, '14 4 3 4'),
    label(cup.x, axis - tall - 4, "cup's back", cup.anchor),
    label(cone.x, axis - 38, "cone's back", cone.anchor),
    text(8, axis + 20, `◂ ${ends[0]}`, 'label', 15, 'ink2', { anchor: 'start' }),
    text(width - 8, axis + 20, `${ends[1]} ▸`, 'label', 15, 'ink2', { anchor: 'end' }),
  ];
}
