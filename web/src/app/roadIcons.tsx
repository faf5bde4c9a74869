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

/** Each stop of a job's road has a picture of its own, with its worst mark on the corner. */
const Picture = ({ d, fine = '' }: { d: string; fine?: string }): JSX.Element => (
  <svg width="28" height="26" viewBox="0 0 28 26" aria-hidden="true">
    <path d={d} {...line} strokeLinejoin="round" />
    {fine !== '' && <path d={fine} {...line} strokeWidth={1.1} />}
  </svg>
);

/** Two vices on a bench. */
export const BenchIcon = (): JSX.Element => <Picture d="M1,12H27V16H1ZM4,16V25M24,16V25M4,21H24M9,12V8H6V3H11V8M19,12V8H22V3H11" />;
/** A book, open. */
export const BookIcon = (): JSX.Element => (
  <Picture d="M14,6C11,3 6,3 2,4V22C6,21 11,21 14,24C17,21 22,21 26,22V4C22,3 17,3 14,6ZM14,6V24M6,9h4M6,13h4M18,9h4M18,13h4" />
);
/** A shaft's two walls, cut, and its centre line. */
export const SectionIcon = (): JSX.Element => (
  <Picture d="M5,3H23V8H5ZM5,18H23V23H5ZM1,13h6m2,0h2m2,0h6m2,0h2m2,0h2" fine="M8,8l4,-5M14,8l4,-5M8,23l4,-5M14,23l4,-5M20,8l3,-4M20,23l3,-4" />
);
/** A ladder. */
export const LadderIcon = (): JSX.Element => <Picture d="M7,1V25M21,1V25M7,5H21M7,11H21M7,17H21M7,22.5H21" />;

/** A shim, and dividers across it. */
export const MakeIcon = (): JSX.Element => <Picture d="M14,8.5a8,8 0 1 0 .01,0M14,13a3.5,3.5 0 1 0 .01,0M14,1V4M14,4L9,13M14,4L19,13" />;

/** A bench with its vice. */
export const WorkshopIcon = (): JSX.Element => (
  <svg width="28" height="26" viewBox="0 0 28 26" aria-hidden="true">
    <path d="M2,15h24M5,15v9M23,15v9M8,15V8h4v4h4V8h4v7M12,10h4" {...line} />
  </svg>
);
