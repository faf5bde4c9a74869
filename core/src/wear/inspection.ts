import { DECISIONS, type DecisionName, type Severity } from './decisions.ts';
import type { PartType } from './featureKinds.ts';
import { LOOKS } from './looks.ts';

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
