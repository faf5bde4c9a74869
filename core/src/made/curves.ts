/** Closed outlines of what is made, in nm from the middle of the part, y upward. */

/** A corner; `bulge` is the tangent of a quarter of the arc's angle to the next one: 0 straight, 1 half a circle anticlockwise. */
export interface Corner {
  readonly x: number;
  readonly y: number;
  readonly bulge: number;
}
export type Curve =
  | { readonly kind: 'circle'; readonly x: number; readonly y: number; readonly r: number }
  | { readonly kind: 'path'; readonly corners: readonly Corner[] };

export const disc = (r: number, x = 0, y = 0): Curve => ({ kind: 'circle', x, y, r });
export const corner = (x: number, y: number, bulge = 0): Corner => ({ x, y, bulge });
export const polygon = (points: readonly (readonly [number, number])[]): Curve => ({ kind: 'path', corners: points.map(([x, y]) => corner(x, y)) });

/** The bulge of an arc of so many radians, anticlockwise. */
export const bulgeOf = (radians: number): number => Math.tan(radians / 4);

export const moved = (curve: Curve, dx: number, dy: number): Curve =>
  curve.kind === 'circle'
    ? { ...curve, x: curve.x + dx, y: curve.y + dy }
    : { kind: 'path', corners: curve.corners.map((each) => ({ ...each, x: each.x + dx, y: each.y + dy })) };

/** The area a closed curve encloses, nm²: the polygon of its corners, and the segment of each arc; minus where it runs clockwise. */
export function areaOf(curve: Curve): number {
  if (curve.kind === 'circle') return Math.PI * curve.r ** 2;
  return curve.corners.reduce((sum, from, i) => {
    const to = curve.corners[(i + 1) % curve.corners.length] ?? from;
    const straight = (from.x * to.y - to.x * from.y) / 2;
    if (from.bulge === 0) return sum + straight;
    const angle = 4 * Math.atan(from.bulge);
    const chord = Math.hypot(to.x - from.x, to.y - from.y);
    const r = chord / (2 * Math.sin(angle / 2));
    return sum + straight + (r ** 2 / 2) * (angle - Math.sin(angle));
  }, 0);
}

/** As the path of a drawing: `place` puts a point on it, `scale` is pixels or millimetres of one nm; y is turned over by `place`. */
export function pathOf(curve: Curve, place: (x: number, y: number) => readonly [number, number], scale: number, decimals: number): string {
  const at = (x: number, y: number): string =>
    place(x, y)
      .map((each) => each.toFixed(decimals))
      .join(',');
  if (curve.kind === 'circle') {
    const r = (curve.r * scale).toFixed(decimals);
    return `M${at(curve.x - curve.r, curve.y)}A${r},${r} 0 1 0 ${at(curve.x + curve.r, curve.y)}A${r},${r} 0 1 0 ${at(curve.x - curve.r, curve.y)}Z`;
  }
  const steps = curve.corners.map((from, i) => {
    const to = curve.corners[(i + 1) % curve.corners.length] ?? from;
    if (from.bulge === 0) return `L${at(to.x, to.y)}`;
    const angle = 4 * Math.atan(Math.abs(from.bulge));
    const r = ((Math.hypot(to.x - from.x, to.y - from.y) / (2 * Math.sin(angle / 2))) * scale).toFixed(decimals);
    // anticlockwise with y upward is anticlockwise on the sheet: sweep 0
    return `A${r},${r} 0 ${angle > Math.PI ? 1 : 0} ${from.bulge > 0 ? 0 : 1} ${at(to.x, to.y)}`;
  });
  const [first] = curve.corners;
  return first ? `M${at(first.x, first.y)}${steps.join('')}Z` : '';
}
