import { limitsThatDisagree } from '@elder-cog/derive';
import { useMemo, type JSX } from 'react';
import { Link } from 'react-router';
import { useJob } from '../../state/job.ts';
import { originWords } from '../../state/understood.ts';

/** Limits of other sources that are not what is judged by: both stand, and where they are is a step away. */
export function OtherSources({ stationId }: { stationId: string }): JSX.Element | null {
  const { facts, state } = useJob();
  const others = useMemo(() => limitsThatDisagree(facts, stationId), [facts, stationId]);
  if (others.length === 0) return null;
  return (
    <p className="m-0 text-[15px] leading-5">
      Another source disagrees:{' '}
      <Link to={`/jobs/${state.job.id}/limits`} className="inline-flex min-h-12 items-center text-blue underline">
        {others.map((l) => `${l.written}, ${originWords(l)}`).join('; ')}
      </Link>
    </p>
  );
}
