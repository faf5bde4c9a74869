/** A value as text that is the same whatever order its fields were put down in. What is left out and what is nothing are the same. */
export const canonical = (value: unknown): string => JSON.stringify(ordered(value));

function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered);
  if (typeof value !== 'object' || value === null) return value ?? null;
  const fields = Object.entries(value as Record<string, unknown>).filter(([, field]) => field !== undefined && field !== null);
  return Object.fromEntries(fields.sort(([a], [b]) => (a < b ? -1 : 1)).map(([key, field]) => [key, ordered(field)]));
}
