/** Ids that are the same each time, and days of one October. */

let count = 0;
export const newId = (): string => `5e1ec7ed-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
export const at = (day: number, time: string): string => `2026-10-${String(day).padStart(2, '0')}T${time}:00.000Z`;
