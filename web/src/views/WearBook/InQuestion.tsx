import { inspectedParts, matchedWarnings } from '@elder-cog/derive';
import { format } from 'date-fns';
import { useMemo, useState, type JSX } from 'react';
import { Quiet } from '../../kit/controls.tsx';
import { useJob } from '../../state/job.ts';
import { InspectDialog, type InspectSubject } from './Inspect.tsx';

/** Members of matched sets that do not stay as they were: the others are in question. */
export function MatchedWarnings(): JSX.Element {
  const { facts } = useJob();
  const warnings = useMemo(() => matchedWarnings(facts), [facts]);
  return (
    <>
      {warnings.map(({ set, part, what, others }) => (
        <p key={`${set.id} ${part}`} role="alert" className="m-0 border-b border-rule border-l-4 border-l-tight bg-sheet px-4 py-2">
          {part} {what}, and is one of a matched set ({set.name}): {others.join(', ')} {others.length === 1 ? 'is' : 'are'} in question too.
        </p>
      ))}
    </>
  );
}

/** Parts passed before they were clean, each looked at again from here. */
export function LookAgain(): JSX.Element | null {
  const { facts } = useJob();
  const [subject, setSubject] = useState<InspectSubject | null>(null);
  const parts = useMemo(() => inspectedParts(facts).filter((p) => p.lookAgain), [facts]);
  if (parts.length === 0) return null;
  return (
    <section aria-label="Look again" className="no-print border-b border-rule border-l-4 border-l-blue bg-sheet px-4 py-1">
      <span className="font-medium">Passed before it was clean, so look again: </span>
      {parts.map(({ key, part, last }) => (
        <Quiet key={key} onClick={() => setSubject({ part, stationId: last.stationId, type: null })} className="mr-4">
          {part}, {last.decision} on {format(new Date(last.at), 'd MMM')} ▸
        </Quiet>
      ))}
      <InspectDialog subject={subject} onClose={() => setSubject(null)} />
    </section>
  );
}
