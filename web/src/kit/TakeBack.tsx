import type { Withdrawal } from '@elder-cog/contract';
import { useState, type JSX } from 'react';
import { useCommand } from '../state/api.ts';
import { withdraw } from '../state/gapActions.ts';
import { Field, Quiet, Secondary } from './controls.tsx';

interface TakeBackProps {
  readonly id: string;
  readonly what: string;
  readonly ofKind?: Withdrawal['ofKind'];
  readonly onDone?: () => void;
}

/** Takes back something that was read, any time after, with a reason or none: it is struck through, and kept. */
export function TakeBack({ id, what, ofKind = 'reading', onDone }: TakeBackProps): JSX.Element {
  const { send, sending } = useCommand();
  const [asking, setAsking] = useState(false);
  const [why, setWhy] = useState('');
  if (!asking)
    return (
      <Quiet onClick={() => setAsking(true)} aria-label={`Take back ${what}`}>
        take back
      </Quiet>
    );
  return (
    <form
      aria-label={`Take back ${what}`}
      className="flex flex-wrap items-start gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        send(withdraw(ofKind, id, why.trim())).then(onDone, () => undefined);
      }}
    >
      <Field
        label={`Why ${what} is taken back, or nothing`}
        hideLabel
        value={why}
        maxLength={400}
        onChange={(e) => setWhy(e.target.value)}
        placeholder="why, or nothing"
        autoFocus
        className="w-56"
      />
      <Secondary type="submit" disabled={sending} className="mt-1 min-h-14">
        Take it back
      </Secondary>
      <Quiet onClick={() => setAsking(false)} className="mt-2">
        leave it
      </Quiet>
    </form>
  );
}
