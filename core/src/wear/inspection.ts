import { LOOKS } from './looks.ts';
import type { PartType } from './featureKinds.ts';

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

/**
 * What is proposed for a part: the most that any of its findings asks for; reuse where nothing was found.
 *
 * @param findings one for each thing looked at; a look that is not on the list proposes nothing
 * @example proposedDecision('gear', [{ look: 'chipped tooth', severity: 'slight' }]) // 'dress'
 */
export function proposedDecision(part: PartType, findings: readonly { readonly look: string; readonly severity: Severity }[]): DecisionName {
  const asked = findings.flatMap(({ look: what, severity }): DecisionName[] => {
    const known = LOOKS[part].looks.find((each) => each.look === what);
    return known === undefined || severity === 'none' ? [] : [known[severity]];
  });
  return DECISIONS[Math.max(0, ...asked.map((d) => DECISIONS.indexOf(d)))] ?? 'reuse';
}
