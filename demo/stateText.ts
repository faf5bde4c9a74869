/** A state as text, the same wherever it was derived: maps become their entries. */
export const stateText = (state: unknown): string =>
  JSON.stringify(state, (_, value: unknown) => (value instanceof Map ? [...(value as Map<unknown, unknown>).entries()] : value), 1);
