import { counted } from '@elder-cog/core';

/** "2 machines, 14 entries": what is in a backup. */
export const backupContents = ({ jobs, entries }: { readonly jobs: number; readonly entries: number }): string =>
  `${counted(jobs, '1 machine', 'machines')}, ${counted(entries, '1 entry', 'entries')}`;
