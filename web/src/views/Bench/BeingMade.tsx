import { makingsOf, type MakingState } from '@elder-cog/derive';
import { useMemo, type JSX } from 'react';
import { Link } from 'react-router';
import { Heading } from '../../kit/controls.tsx';
import { useJob } from '../../state/job.ts';

/** Where it stands, in a few words. */
function stands({ plan, from, moved, making }: MakingState): string {
  if (moved) return 'its window has moved: look at it before any more comes off';
  if (making.window === null) return 'to be made to its sizes';
  if (!from || !plan) return 'read it as it is cut';
  if (plan.state === 'measure') return 'measure now';
  if (plan.state === 'done') return 'to size: fit it';
  if (plan.state === 'past') return 'too far: make another';
  return `next pass ${plan.next?.effort ?? ''}, then measure`;
}

/** What is being made for this job, and what each waits for. */
export function BeingMade(): JSX.Element | null {
  const { facts, state } = useJob();
  const open = useMemo(() => makingsOf(facts, state.shafts).filter(({ making }) => making.state === 'open'), [facts, state.shafts]);
  if (open.length === 0) return null;
  return (
    <section aria-label="Being made" className="border-b border-rule px-4 py-3">
      <Heading>Being made</Heading>
      <ul className="m-0 list-none p-0">
        {open.map((made) => (
          <li key={made.making.id} className="border-t border-rule first:border-t-0">
            <Link
              to={`/jobs/${state.job.id}/make?making=${made.making.id}`}
              className="flex min-h-12 flex-wrap items-center justify-between gap-x-4 py-1 no-underline"
            >
              <span className="text-[17px] font-medium">{made.making.name}</span>
              <span className="text-[16px]">{stands(made)} ▸</span>
            </Link>
          </li>
        ))}
      </ul>
    </section>
  );
}
