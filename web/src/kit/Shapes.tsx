import type { Colour, Fill, Shape } from '@elder-cog/core';
import type { JSX } from 'react';

const COLOURS: Readonly<Record<Colour, string>> = {
  paper: 'var(--paper)',
  sheet: 'var(--sheet)',
  well: 'var(--well)',
  ink: 'var(--ink)',
  ink2: 'var(--ink2)',
  rule: 'var(--rule)',
  edge: 'var(--edge)',
  blue: 'var(--blue)',
  band: 'var(--band)',
  brass: 'var(--brass)',
  brassLine: 'var(--brass-line)',
  brassText: 'var(--brass-text)',
  right: 'var(--right)',
  tight: 'var(--tight)',
  loose: 'var(--loose)',
  steel: 'var(--steel)',
  iron: 'var(--iron)',
  part: 'var(--part)',
};
const HATCHES = {
  hatchCasing: 'url(#hatch-casing)',
  hatchCover: 'url(#hatch-cover)',
  hatchBronze: 'url(#hatch-bronze)',
  hatchPreload: 'url(#hatch-preload)',
  hatchMake: 'url(#hatch-make)',
  none: 'none',
} as const;

const paint = (fill: Fill | undefined): string =>
  fill === undefined ? 'none' : fill in HATCHES ? HATCHES[fill as keyof typeof HATCHES] : COLOURS[fill as Colour];
const FONTS = { label: 'label', text: '', number: 'num' } as const;

/** The hatches, once a page: casing and cover lines, bronze dots, preload, and a shim to be made. */
export function Hatches(): JSX.Element {
  const lines = (id: string, size: number, angle: number, ground: string, ink: string, opacity: number): JSX.Element => (
    <pattern id={id} patternUnits="userSpaceOnUse" width={size} height={size} patternTransform={`rotate(${angle})`}>
      <rect width={size} height={size} fill={ground} />
      <line x1="0" y1={size / 2} x2={size} y2={size / 2} stroke={ink} strokeWidth=".9" opacity={opacity} />
    </pattern>
  );
  return (
    <svg width="0" height="0" className="absolute" aria-hidden="true">
      <defs>
        {lines('hatch-casing', 7, -45, 'var(--iron)', 'var(--part)', 0.62)}
        {lines('hatch-cover', 7, 45, 'var(--iron)', 'var(--part)', 0.62)}
        {lines('hatch-preload', 7, -45, 'var(--sheet)', 'var(--edge)', 0.55)}
        {lines('hatch-make', 6, -45, 'var(--sheet)', 'var(--brass-text)', 1)}
        <pattern id="hatch-bronze" patternUnits="userSpaceOnUse" width="4" height="4">
          <rect width="4" height="4" fill="var(--sheet)" />
          <circle cx="1" cy="1" r=".85" fill="var(--part)" />
          <circle cx="3" cy="3" r=".85" fill="var(--part)" />
        </pattern>
      </defs>
    </svg>
  );
}

/** Draws shapes from the core as they are. */
export function Shapes({
  shapes,
  width,
  height,
  says,
  className = '',
  picked = null,
}: {
  shapes: readonly Shape[];
  width: number;
  height: number;
  says: string;
  className?: string;
  /** the part that is drawn as the one in hand */
  picked?: string | null;
}): JSX.Element {
  return (
    <svg
      {...(says === '' ? { 'aria-hidden': true } : { role: 'img', 'aria-label': says })}
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      className={`shapes block ${className}`}
      overflow="hidden"
    >
      {shapes.map((shape, i) => (
        <One key={i} shape={shape} isPicked={picked !== null && shape.kind === 'path' && shape.part === picked} />
      ))}
    </svg>
  );
}

function One({ shape, isPicked }: { shape: Shape; isPicked: boolean }): JSX.Element {
  if (shape.kind === 'text') {
    const halo =
      shape.halo === undefined ? {} : { paintOrder: 'stroke', stroke: paint(shape.halo), strokeWidth: 5, strokeLinejoin: 'round' as const };
    return (
      <text
        x={shape.x}
        y={shape.y}
        className={FONTS[shape.font]}
        fontSize={shape.size}
        fontWeight={shape.bold ? 600 : 500}
        fill={COLOURS[shape.colour]}
        textAnchor={shape.anchor ?? 'start'}
        {...halo}
      >
        {shape.text}
      </text>
    );
  }
  const common = {
    fill: paint(shape.fill),
    ...(shape.stroke ? { stroke: COLOURS[shape.stroke], strokeWidth: shape.width ?? 1 } : {}),
    ...(shape.dash ? { strokeDasharray: shape.dash } : {}),
    ...(shape.id ? { 'data-shape': shape.id } : {}),
    ...(shape.part ? { 'data-of': shape.part } : {}),
    ...(isPicked ? { stroke: 'var(--blue)', strokeWidth: 3, strokeDasharray: undefined } : {}),
  };
  if (shape.kind === 'rect') return <rect x={shape.x} y={shape.y} width={shape.w} height={shape.h} {...common} />;
  if (shape.kind === 'circle') return <circle cx={shape.x} cy={shape.y} r={shape.r} {...common} />;
  return <path d={shape.d} strokeLinejoin="round" {...(shape.rule ? { fillRule: shape.rule } : {})} {...common} />;
}
