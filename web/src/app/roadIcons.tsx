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

/** A rule ticked on both edges. */
export const ReckonerIcon = (): JSX.Element => (
  <svg width="28" height="26" viewBox="0 0 28 26" aria-hidden="true">
    <path d="M2,7h24v12H2ZM6,7v4M11,7v6M16,7v4M21,7v6M8,19v-4M14,19v-3M20,19v-4" {...line} />
  </svg>
);

/** Lines on a card, the newest on top. */
export const RecordIcon = (): JSX.Element => (
  <svg width="28" height="26" viewBox="0 0 28 26" aria-hidden="true">
    <path d="M4,2h20v22H4ZM8,7h12M8,12h12M8,17h7" {...line} />
  </svg>
);

/** A bench with its vice. */
export const WorkshopIcon = (): JSX.Element => (
  <svg width="28" height="26" viewBox="0 0 28 26" aria-hidden="true">
    <path d="M2,15h24M5,15v9M23,15v9M8,15V8h4v4h4V8h4v7M12,10h4" {...line} />
  </svg>
);
