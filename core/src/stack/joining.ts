/** Places that may turn out to be one: each goes by the name of what it was joined to. */
export function joining(): { readonly placeOf: (place: string) => string; readonly join: (a: string, b: string) => void } {
  const to = new Map<string, string>();
  const placeOf = (place: string): string => {
    const next = to.get(place);
    return next === undefined ? place : placeOf(next);
  };
  return {
    placeOf,
    join: (a, b) => {
      if (placeOf(a) !== placeOf(b)) to.set(placeOf(a), placeOf(b));
    },
  };
}
