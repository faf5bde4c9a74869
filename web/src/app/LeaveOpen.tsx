import { Boxed } from '../kit/Boxed.tsx';
import { useState, type JSX } from 'react';
import { Chip, Field, Primary, Secondary } from '../kit/controls.tsx';
import { useCommand } from '../state/api.ts';
import type { OpenJob } from '../state/job.ts';
import { useLeaveOpen } from '../state/leaveOpen.ts';
import { leaveOpen } from '../state/wearActions.ts';

const READY = ['nut hand tight', 'split pin left out on purpose', 'no sealant yet', 'rag in the case', 'part on order', 'worry, look again'] as const;

/** From anywhere in a job: what is not finished, and is to be the first thing seen next time. */
export default function LeaveOpen({ job }: { job: OpenJob }): JSX.Element {
  const { open, close } = useLeaveOpen();
  return (
    <Boxed open={open} onClose={close} title="Leave it open" width="wide">
      {open && <LeaveOpenForm job={job} onDone={close} />}
    </Boxed>
  );
}

function LeaveOpenForm({ job, onDone }: { job: OpenJob; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const [text, setText] = useState('');
  const { shaft, state } = job;
  const keep = (): void => {
    if (text.trim() === '') return;
    send(leaveOpen(state.job.id, text.trim(), shaft ? `${shaft.assembly.name}, ${shaft.shaft.name}` : '')).then(onDone, () => undefined);
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <p className="m-0 mb-2 text-ink2">It is the first thing on the Bench at the next start, until it is done or accepted.</p>
      <div className="mb-2 flex flex-wrap gap-2">
        {READY.map((each) => (
          <Chip key={each} on={text === each} onClick={() => setText(each)}>
            {each}
          </Chip>
        ))}
      </div>
      <Field
        label="What is not finished"
        value={text}
        autoFocus
        maxLength={300}
        onChange={(e) => setText(e.target.value)}
        placeholder="like nut hand tight"
      />
      <div className="flex gap-3">
        <Primary type="submit" enter disabled={sending || text.trim() === ''}>
          Leave it open
        </Primary>
        <Secondary onClick={onDone} className="min-h-14">
          Never mind
        </Secondary>
      </div>
    </form>
  );
}
