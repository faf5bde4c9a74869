/** Brings the row that is written to into sight, where there is one: tables mark it as the current one. */
export const showCurrentRow = (): void => document.querySelector('tr[aria-current="true"]')?.scrollIntoView({ block: 'nearest' });
