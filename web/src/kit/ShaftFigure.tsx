import { drawnTemplate, mm, section, shaftTemplate, TEMPLATES, type Place, type Shape, type TemplateName } from '@elder-cog/core';
import { memo, type JSX } from 'react';
import { Shapes } from './Shapes.tsx';

/** The sheet a figure is drawn on before it is cut out, px. */
const SHEET = { width: 816, height: 388 } as const;
/** Shims stand out in a figure: so thick, mm. */
const SHIM = 1.4;

interface Figure {
  readonly shapes: readonly Shape[];
  readonly box: string;
}
const known = new Map<string, Figure>();

const isTemplate = (name: string): name is TemplateName => name in TEMPLATES;

/** The outline of an arrangement without sizes, labels or lens, its shims in brass: worked out once for as many as show it. */
function figure(name: TemplateName, place: Place): Figure {
  const key = `${name} ${place}`;
  const before = known.get(key);
  if (before) return before;
  const bare = drawnTemplate(shaftTemplate(name, place));
  const places = bare.places.map((each) =>
    each.leaves === undefined ? each : { ...each, leaves: [{ thickness: mm(Math.max(each.proportion ?? 0, SHIM)), metric: false }] },
  );
  const { shapes, solids } = section({ ...bare, places, gaps: bare.gaps.slice(0, 1), ...SHEET, unit: 'thou' });
  const parts = shapes
    .filter(
      (s) =>
        s.kind === 'path' && s.stroke !== 'blue' && s.stroke !== 'brassText' && s.stroke !== 'ink' && s.fill !== 'ink' && !s.id?.startsWith('lens'),
    )
    .map((s) => (s.kind === 'path' && s.dash !== '22 4 4 4' ? { ...s, dash: '', width: Math.max(s.width ?? 1, 1.8) } : s));
  const points = solids.flatMap((s) => s.rings.flat());
  const xs = points.map(([x]) => x);
  const out = Math.max(...points.map(([, r]) => r));
  const axis = Math.round(SHEET.height / 2 + 4);
  const [left, right] = [Math.min(...xs) - 6, Math.max(...xs) + 6];
  const drawn = { shapes: parts, box: `${left} ${axis - out - 6} ${right - left} ${2 * out + 12}` };
  known.set(key, drawn);
  return drawn;
}

/** A small figure of an arrangement; nothing for a shaft that was put together otherwise. */
export const ShaftFigure = memo(function ShaftFigure({
  origin,
  place,
  width,
  height,
  says,
}: {
  readonly origin: string;
  readonly place: Place | null;
  readonly width: number | string;
  readonly height: number;
  readonly says?: string;
}): JSX.Element | null {
  if (!isTemplate(origin)) return null;
  const { shapes, box } = figure(origin, place ?? TEMPLATES[origin].places[0]?.place ?? 'inLine');
  return (
    <svg
      width={width}
      height={height}
      viewBox={box}
      preserveAspectRatio="xMidYMid meet"
      {...(says ? { role: 'img', 'aria-label': says } : { 'aria-hidden': true })}
    >
      <Shapes shapes={shapes} width={SHEET.width} height={SHEET.height} says="" />
    </svg>
  );
});
