import { stroke, type Outline, type Ring } from './solid.ts';
import type { Placed, World } from './world.ts';

/** Sides of the ring that stands for a ball. */
const SIDES = 28;

/** A ball bearing in section: two rings with a groove each, and the ball in them. */
export function ballBearing(outer: Placed, race: Placed, { a }: World): Outline {
  const middle = (outer.from + outer.to) / 2;
  const between = (race.inner + outer.outer) / 2;
  const room = outer.outer - race.inner;
  const ball = Math.min(room * 0.3, (outer.to - outer.from) * 0.36);
  const land = ball * 0.52;
  const arc = (start: number, end: number): Ring =>
    Array.from({ length: 9 }, (_, i) => {
      const angle = start + ((end - start) * i) / 8;
      return [middle + ball * Math.cos(angle), between + ball * Math.sin(angle)] as const;
    });
  const reach = Math.asin(land / ball);
  const upper = arc(Math.PI - reach, reach);
  const lower = arc(Math.PI + reach, 2 * Math.PI - reach);
  const circle: Ring = Array.from({ length: SIDES }, (_, i) => {
    const angle = (2 * Math.PI * i) / SIDES;
    return [middle + (ball - 0.25 * a) * Math.cos(angle), between + (ball - 0.25 * a) * Math.sin(angle)] as const;
  });
  return {
    solids: [
      {
        id: outer.place.id,
        part: outer.place.id,
        kind: 'part',
        fill: 'steel',
        rings: [
          [[outer.from, outer.outer], [outer.to, outer.outer], [outer.to, between + land], ...[...upper].reverse(), [outer.from, between + land]],
        ],
      },
      {
        id: race.place.id,
        part: race.place.id,
        kind: 'part',
        fill: 'steel',
        rings: [[[race.from, race.inner], [race.to, race.inner], [race.to, between - land], ...[...lower].reverse(), [race.from, between - land]]],
      },
      { id: `ball-${outer.place.id}`, part: outer.place.id, kind: 'part', fill: 'sheet', rings: [circle] },
    ],
    details: [
      stroke(middle - ball * 1.3, between, middle + ball * 1.3, between, { width: 0.7, dash: '5 2.5 1.5 2.5' }),
      stroke(middle, between - ball * 1.3, middle, between + ball * 1.3, { width: 0.7, dash: '5 2.5 1.5 2.5' }),
    ],
  };
}
