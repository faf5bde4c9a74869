export const SEVERITIES = ['none', 'slight', 'bad'] as const;
export type Severity = (typeof SEVERITIES)[number];
/** What may be decided of a part, from least to do to most. */
export const DECISIONS = ['reuse', 'dress', 'recondition', 'make', 'replace', 'scrap'] as const;
export type DecisionName = (typeof DECISIONS)[number];

/** One thing to look for, and what it usually comes to where it is slight and where it is bad. */
export interface Look {
  readonly look: string;
  readonly slight: DecisionName;
  readonly bad: DecisionName;
}

export interface LookList {
  readonly looks: readonly Look[];
  /** what is so from the factory, and only looks like a fault */
  readonly factory: readonly string[];
}
