import type { JobFacts } from '@elder-cog/contract';

interface Known<Value> {
  /** what it was made of: these very rows, and as many. Facts that a test has added to are looked through again. */
  readonly of: readonly (readonly [readonly unknown[], number])[];
  readonly value: Value;
}

/** Something found out of a job's facts once, and known from then on for as long as the rows it is made of stay as they are. */
export function remembered<Value>(
  rows: (facts: JobFacts) => readonly (readonly unknown[])[],
  make: (facts: JobFacts) => Value,
): (facts: JobFacts) => Value {
  const known = new WeakMap<JobFacts, Known<Value>>();
  return (facts) => {
    const now = rows(facts);
    const before = known.get(facts);
    if (before && now.every((each, i) => before.of[i]?.[0] === each && before.of[i][1] === each.length)) return before.value;
    const value = make(facts);
    known.set(facts, { of: now.map((each) => [each, each.length]), value });
    return value;
  };
}

/** Something worked out of one row and what belongs to it, kept for as long as all of them are the very same: the rest of a job may change. */
export function rememberedOf<Row extends object, Value>(): (row: Row, of: readonly unknown[], make: () => Value) => Value {
  const known = new WeakMap<Row, { readonly of: readonly unknown[]; readonly value: Value }>();
  return (row, of, make) => {
    const before = known.get(row);
    if (before?.of.length === of.length && of.every((each, i) => before.of[i] === each)) return before.value;
    const value = make();
    known.set(row, { of, value });
    return value;
  };
}
