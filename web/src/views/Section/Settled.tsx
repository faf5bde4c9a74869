import type { LengthUnit } from '@elder-cog/core';
import { closingOf, type GapState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { useJob } from '../../state/job.ts';
import { AcceptIt } from '../WearBook/AcceptIt.tsx';
import { DoneHere, lastOf } from './DoneHere.tsx';

/** What a gap or a depth was taken as on purpose, with why: it stays in sight. */
export const TakenAs = ({ gap: { station, accepted } }: { gap: GapState }): JSX.Element | null =>
  accepted && <AcceptIt station={station} value={null} isOut={false} accepted={accepted} />;

/** What else may be said of a gap or a depth: that it will do outside its limits or is left unmeasured, and that it is done with its last reading. */
export function Settled({ gap, unit }: { gap: GapState; unit?: LengthUnit }): JSX.Element {
  const { facts } = useJob();
  const { now, verdict, accepted, station, mark } = gap;
  const isAsked = accepted === null && (now.kind === 'read' || now.kind === 'none');
  // what is not right yet is not done with; that it is done stands where it would be read
  const mayBeDone = (mark === 'in' || mark === 'accepted') && closingOf(facts, station.id) === null;
  return (
    <div className="no-print">
      {isAsked && (
        <AcceptIt
          station={station}
          value={now.kind === 'read' ? (now.reading?.value ?? null) : null}
          isOut={verdict !== null && verdict.place !== 'in'}
          accepted={null}
        />
      )}
      {mayBeDone && <DoneHere {...lastOf(gap)} {...(unit ? { unit } : {})} />}
    </div>
  );
}
