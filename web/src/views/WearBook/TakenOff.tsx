import type { Change, Removal } from '@elder-cog/contract';
import { counted, describeLength } from '@elder-cog/core';
import { passTakes, workedOn } from '@elder-cog/derive';
import { format } from 'date-fns';
import { useState, type JSX } from 'react';
import { Chip, Quiet, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { takeOff } from '../../state/buildActions.ts';
import { withdraw } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';

const PROCESSES: readonly Removal['process'][] = ['lapped', 'faced', 'reamed', 'honed', 'ground', 'turned'];

/** What was taken off a part since its size was read, till it is read again; it can be taken back. */
export function OffSince({ stationId }: { stationId: string }): JSX.Element | null {
  const { facts } = useJob();
  const { send, sending } = useCommand();
  const { removals, since } = workedOn(facts, stationId);
  const last = removals.at(-1);
  if (since === null || !last) return null;
  return (
    <p className="no-print m-0 flex flex-wrap items-center gap-x-3 text-[16px]">
      <span className="font-medium">
        {since} since it was read, {format(new Date(last.at), 'd MMM')}: measure it.
      </span>
      <Quiet disabled={sending} onClick={() => void send(withdraw('removal', last.id, '')).catch(() => undefined)} aria-label={`Take back: ${since}`}>
        take back
      </Quiet>
    </p>
  );
}

interface TakenOffProps {
  /** where the size is read */
  readonly stationId: string;
  readonly name: string;
  readonly bare: 'thou' | 'mm';
  /** what makes the station first, where it was never read */
  readonly first?: readonly Change[];
  /** the build it makes is of the shaft in hand: the part sits in it */
  readonly isBuilt: boolean;
  readonly onKept: () => void;
}

/** How much was taken off a part, and how: what was read of it before is of the part as it was then, and what rested on it says so. */
export function TakenOff({ stationId, name, bare, first = [], isBuilt, onKept }: TakenOffProps): JSX.Element {
  const { facts, shaft } = useJob();
  const { send, sending } = useCommand();
  const [process, setProcess] = useState<Removal['process']>('lapped');
  const takes = passTakes(facts, stationId, process);
  const after = facts.readings.findLast((r) => r.stationId === stationId)?.id ?? null;
  const keep = (amount: Removal['amount'], written: string): void => {
    const off = { amount, written, process };
    void send(...first, takeOff(stationId, off, { shaft: isBuilt ? shaft : null, after })).then(onKept, () => undefined);
  };
  const entry = useEntry({ field: 'size', bare, quantity: 'fine' }, { onKeep: ({ value, unit }, text) => keep(value, withIts(text, unit)) });
  return (
    <form onSubmit={entry.keep} aria-label={`Taken off ${name}`} className="no-print border border-edge bg-sheet p-3">
      <div role="group" aria-label="How" className="mb-2 flex flex-wrap gap-2">
        {PROCESSES.map((each) => (
          <Chip key={each} on={process === each} onClick={() => setProcess(each)}>
            {each}
          </Chip>
        ))}
      </div>
      {takes && (
        <p className="m-0 mb-2">
          A pass took <span className="num font-semibold">{describeLength(takes.each, bare)}</span>{' '}
          {takes.borrowed === undefined ? 'here' : `on the ${takes.borrowed.toLowerCase()}, borrowed`}: {counted(takes.passes, 'one pass', 'passes')}{' '}
          measured.
        </p>
      )}
      <div className="flex flex-wrap items-start gap-3">
        <EntryField entry={entry} id={`off-${stationId}`} label="How much" placeholder={bare === 'mm' ? 'like 0.04' : 'like 1½'} className="w-48" />
        <Secondary type="submit" disabled={sending} className="mt-7 min-h-14">
          Keep
        </Secondary>
        <Secondary disabled={sending} onClick={() => keep(null, '')} className="mt-7 min-h-14">
          Not measured
        </Secondary>
      </div>
    </form>
  );
}

/** As it was typed, with its unit where it had none. */
const withIts = (text: string, unit: string): string => (/[a-z"µ]/i.test(text) ? text.trim() : `${text.trim()} ${unit}`);
