import type { LengthUnit } from '@elder-cog/core';
import type { GapState } from '@elder-cog/derive';
import type { JSX } from 'react';
import { AcceptIt } from '../WearBook/AcceptIt.tsx';
import { DoneHere, lastOf } from './DoneHere.tsx';

/** Of a gap or a depth: taken outside its limits or left unmeasured with why, and done with its last reading. */
export function Settled({ gap, unit }: { gap: GapState; unit?: LengthUnit }): JSX.Element {
  const { now, verdict, accepted, station } = gap;
  const isAsked = accepted !== null || now.kind === 'read' || now.kind === 'none';
  return (
    <div className="no-print">
      {isAsked && (
        <AcceptIt
          station={station}
          value={now.kind === 'read' ? (now.reading?.value ?? null) : null}
          isOut={verdict !== null && verdict.place !== 'in'}
          accepted={accepted}
        />
      )}
      <DoneHere {...lastOf(gap)} {...(unit ? { unit } : {})} />
    </div>
  );
}
