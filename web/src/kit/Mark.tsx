import { MARK_WORDS, markStrokes, type MarkKind } from '@elder-cog/core';
import type { JSX } from 'react';

const COLOUR: Readonly<Record<MarkKind, string>> = {
  in: 'var(--right)',
  tight: 'var(--tight)',
  loose: 'var(--loose)',
  accepted: 'var(--loose)',
  cannotTell: 'var(--ink2)',
  unmeasured: 'var(--ink2)',
  stale: 'var(--ink2)',
};

/** Two faces seen edge-on and what lies between them. Its word is its accessible name unless the word stands beside it. */
export function Mark({
  kind,
  size = 28,
  onBlue = false,
  named = true,
  ground = 'var(--paper)',
}: {
  kind: MarkKind;
  size?: number;
  onBlue?: boolean;
  named?: boolean;
  ground?: string;
}): JSX.Element {
  const colour = onBlue ? 'var(--paper)' : COLOUR[kind];
  const cut = onBlue ? 'var(--blue)' : ground;
  return (
    <svg
      width={(size * 28) / 24}
      height={(size * 26) / 24}
      viewBox="-2 0 28 26"
      className="shrink-0"
      {...(named ? { role: 'img', 'aria-label': MARK_WORDS[kind] } : { 'aria-hidden': true })}
    >
      {markStrokes(kind).map(({ d, as, width = 1 }, i) =>
        as === 'fill' ? (
          <path key={i} d={d} fill={colour} />
        ) : (
          <path
            key={i}
            d={d}
            fill="none"
            stroke={as === 'cut' ? cut : colour}
            strokeWidth={width}
            strokeLinejoin="round"
            strokeLinecap="round"
            {...(as === 'dotted' ? { strokeDasharray: '0.2 2.55' } : {})}
          />
        ),
      )}
    </svg>
  );
}

export const MARK_TEXT: Readonly<Record<MarkKind, string>> = {
  in: 'text-good',
  tight: 'text-tight',
  loose: 'text-loose',
  accepted: 'text-loose',
  cannotTell: 'text-ink2',
  unmeasured: 'text-ink2',
  stale: 'text-ink2',
};
