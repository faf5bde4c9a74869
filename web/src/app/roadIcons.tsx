import type { JSX } from 'react';

const line = { fill: 'none', stroke: 'currentColor', strokeWidth: 1.8 } as const;

export const ShelfIcon = (): JSX.Element => (
  <svg width="28" height="26" viewBox="0 0 28 26" aria-hidden="true">
    <path d="M2,5h24M2,21h24M5,5V1M5,21v4M23,21v4M6,21V11h8v10M17,21V14h6v7" {...line} />
  </svg>
);

export const DrawerIcon = (): JSX.Element => (
  <svg width="28" height="26" viewBox="0 0 28 26" aria-hidden="true">
    <path d="M2,6h20l4,4v4H2Z" {...line} />
    <path d="M2,18h20l4,4v2H2Z" {...line} />
  </svg>
);
