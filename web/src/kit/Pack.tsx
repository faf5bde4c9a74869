import { isMetric, leafScale, leafShapes, type Length, nanometres } from '@elder-cog/core';
import type { FitLeaf } from '@elder-cog/contract';
import type { JSX } from 'react';

export type LeafStyle = 'on' | 'want' | 'make';
const STYLE = {
  on: { fill: 'var(--brass)', stroke: 'var(--brass-line)', strokeWidth: 1 },
  want: { fill: 'var(--sheet)', stroke: 'var(--brass-text)', strokeWidth: 1.5, strokeDasharray: '5 3' },
  make: { fill: 'url(#hatch-make)', stroke: 'var(--brass-text)', strokeWidth: 1.5 },
} as const;

const single = (leaves: readonly FitLeaf[]): FitLeaf[] => leaves.flatMap((leaf) => Array.from({ length: leaf.count }, () => ({ ...leaf, count: 1 })));

/** A pack from the side, a leaf a strip, with what each is called beside it. */
export function Pack({
  leaves,
  style = 'on',
  width = 104,
  labels = true,
  tallest,
}: {
  leaves: readonly FitLeaf[];
  style?: LeafStyle;
  width?: number;
  labels?: boolean;
  tallest?: Length;
}): JSX.Element {
  const each = single(leaves);
  const total = nanometres(each.reduce((sum, l) => sum + l.thickness, 0));
  const { leaves: shapes, height } = leafShapes(
    each.map((l) => ({ thickness: l.thickness, metric: isMetric(l.unit) })),
    { width, k: leafScale(tallest ?? total) },
  );
  const spread = spreadLabels(
    shapes.map((s) => s.y + s.height / 2),
    20,
  );
  const tall = Math.max(height, (spread[spread.length - 1] ?? 0) + 10, 3);
  const words = each.length === 0 ? 'no leaves' : each.map((l) => `${l.written} ${l.unit}`).join(', ');
  return (
    <svg
      width={width + (labels ? 78 : 2)}
      height={tall + 4}
      viewBox={`-1 -2 ${width + (labels ? 78 : 2)} ${tall + 4}`}
      role="img"
      aria-label={`Pack: ${words}`}
      className="block"
    >
      {shapes.map((shape, i) => (
        <g key={i} className="leaf-in">
          <path d={shape.d} {...STYLE[style]} />
          {shape.broken && (
            <>
              <path d={shape.broken} fill="none" stroke="var(--brass-line)" strokeWidth="6" />
              <path d={shape.broken} fill="none" stroke="var(--paper)" strokeWidth="4" />
            </>
          )}
          {shape.hole && <circle cx={shape.hole.x} cy={shape.hole.y} r={shape.hole.r} fill="var(--paper)" stroke="var(--brass-line)" />}
        </g>
      ))}
      {labels &&
        shapes.map((shape, i) => (
          <g key={`l${i}`}>
            <path
              d={`M${width + 2},${shape.y + shape.height / 2}L${width + 14},${spread[i] ?? 0}`}
              stroke="var(--brass-text)"
              strokeWidth="1.2"
              fill="none"
            />
            <text x={width + 18} y={(spread[i] ?? 0) + 6} className="num" fontSize="18" fontWeight="600" fill="var(--ink)">
              {each[i]?.written}
            </text>
          </g>
        ))}
    </svg>
  );
}

/** Moves labels down just enough that none is nearer than `apart` to the one above. */
function spreadLabels(middles: readonly number[], apart: number): number[] {
  let last = -Infinity;
  return middles.map((m) => (last = Math.max(m, last + apart)));
}

/** A leaf or two small, for lists and buttons. */
export function LeafStrip({ leaves, style = 'want', width = 62 }: { leaves: readonly FitLeaf[]; style?: LeafStyle; width?: number }): JSX.Element {
  return <Pack leaves={leaves} style={style} width={width} labels={false} tallest={nanometres(2_000_000)} />;
}
