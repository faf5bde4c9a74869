import type { OpenItem } from '@elder-cog/contract';
import { format } from 'date-fns';
import { useState, type JSX } from 'react';
import { Heading, Quiet, Secondary } from '../../kit/controls.tsx';
import { Photos } from '../../kit/Photos.tsx';
import { WhyForm } from '../../kit/WhyForm.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { endItem } from '../../state/wearActions.ts';
import { useLeaveOpen } from '../../state/leaveOpen.ts';

/** What was left open, first of all at the next start: each is closed, or accepted with why. */
export function OpenItems(): JSX.Element {
  const { state } = useJob();
  const show = useLeaveOpen((s) => s.show);
  return (
    <section
      aria-label="Left open"
      className={state.openItems.length > 0 ? 'border-b-2 border-ink bg-sheet px-4 py-2' : 'no-print border-b border-rule px-4'}
    >
      <div className="flex flex-wrap items-center justify-between gap-x-4">
        {state.openItems.length > 0 ? (
          <Heading className="text-blue">Left open, {state.openItems.length}</Heading>
        ) : (
          <span className="text-ink2">Nothing is left open.</span>
        )}
        <Quiet onClick={show} className="no-print">
          Leave something open ▸
        </Quiet>
      </div>
      <ul className="m-0 list-none p-0">
        {state.openItems.map((item) => (
          <ItemRow key={item.id} item={item} />
        ))}
      </ul>
    </section>
  );
}

function ItemRow({ item }: { item: OpenItem }): JSX.Element {
  const { send, sending } = useCommand();
  const [accepting, setAccepting] = useState(false);
  const end = (how: 'closed' | 'accepted', why = ''): void => {
    send(endItem(item, how, why)).catch(() => undefined);
  };
  return (
    <li className="border-t border-rule py-1">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <span className="min-w-0 flex-1 basis-60">
          <span className="block text-[17px] leading-6 font-medium">{item.text}</span>
          <span className="block text-[15px] leading-5 text-ink2">
            {[format(new Date(item.raisedAt), 'd MMM'), item.where, item.who].filter((w) => w !== '').join(' · ')}
          </span>
        </span>
        <Photos ofKind="openItem" ofId={item.id} caption={item.text} compact />
        <span className="no-print flex gap-2">
          <Secondary disabled={sending} onClick={() => end('closed')} aria-label={`Done: ${item.text}`}>
            Done
          </Secondary>
          <Secondary onClick={() => setAccepting((a) => !a)} aria-expanded={accepting} aria-label={`Leave as it is: ${item.text}`}>
            Leave as it is…
          </Secondary>
        </span>
      </div>
      {accepting && (
        <WhyForm
          id={`why-${item.id}`}
          label="Why it may stay so"
          refusal="Say why: it stays in the record."
          button="Accept it"
          busy={sending}
          onKeep={(why) => end('accepted', why)}
        />
      )}
    </li>
  );
}
