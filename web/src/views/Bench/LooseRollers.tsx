import { rollerStates } from '@elder-cog/derive';
import { useMemo, type JSX } from 'react';
import { Link } from 'react-router';
import { Heading } from '../../kit/controls.tsx';
import { Mark } from '../../kit/Mark.tsx';
import { useJob } from '../../state/job.ts';

/** Loose rollers that are out, or of which the counts do not agree. */
export function LooseRollers(): JSX.Element | null {
  const { facts, state } = useJob();
  const open = useMemo(() => rollerStates(facts).filter(({ mark, out, queries }) => mark !== 'in' && (out !== null || queries.length > 0)), [facts]);
  if (open.length === 0) return null;
  return (
    <section aria-label="Loose rollers" className="border-b border-rule px-4 py-3">
      <Heading>Loose rollers</Heading>
      <ul className="m-0 list-none p-0">
        {open.map(({ rollers, out, mark, queries }) => (
          <li key={rollers.id} className="border-t border-rule first:border-t-0">
            <Link
              to={`/jobs/${state.job.id}/bearings?of=${rollers.id}`}
              className="flex min-h-12 flex-wrap items-center justify-between gap-x-4 py-1 no-underline"
            >
              <span className="flex items-center gap-2 text-[17px] font-medium">
                <Mark kind={mark} size={24} />
                {rollers.name}
              </span>
              <span className="text-[16px]">{queries[0] ?? `${out?.count ?? ''} are out: count them in`} ▸</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
