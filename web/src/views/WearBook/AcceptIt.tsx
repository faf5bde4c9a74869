import type { Acceptance, Station } from '@elder-cog/contract';
import type { Length } from '@elder-cog/core';
import { format } from 'date-fns';
import { useState, type JSX } from 'react';
import { Quiet } from '../../kit/controls.tsx';
import { WhyForm } from '../../kit/WhyForm.tsx';
import { useCommand } from '../../state/api.ts';
import { accept } from '../../state/wearActions.ts';

/** Taken outside its limits, or left unmeasured: never without why, and the why stays in sight. */
export function AcceptIt({
  station,
  value = null,
  torque = null,
  isOut,
  accepted,
}: {
  station: Station;
  /** what it is, nm; or of a drag, N·m. Neither where it was not measured */
  value?: Length | null;
  torque?: number | null;
  isOut: boolean;
  accepted: Acceptance | null;
}): JSX.Element | null {
  const { send, sending } = useCommand();
  const [asking, setAsking] = useState(false);
  const as = value !== null ? { value } : torque !== null ? { torque } : null;
  const kind = as === null ? 'unmeasured' : 'outside';
  if (accepted)
    return (
      <p className="m-0 mt-1 border-l-4 border-loose pl-3 text-[16px]">
        {accepted.kind === 'outside' ? 'Accepted outside its limits' : 'Left unmeasured'}, {format(new Date(accepted.at), 'd MMM yyyy')}
        {accepted.who === '' ? '' : `, ${accepted.who}`}: {accepted.reason}
      </p>
    );
  if (as !== null && !isOut) return null;
  if (!asking) return <Quiet onClick={() => setAsking(true)}>{kind === 'outside' ? 'Accept it as it is…' : 'Leave it unmeasured…'}</Quiet>;
  return (
    <WhyForm
      label={kind === 'outside' ? 'Why it will do' : 'Why it is left'}
      refusal="Say why: it stays in sight on the Bench and in the Record."
      button={kind === 'outside' ? 'Accept it' : 'Leave it'}
      busy={sending}
      onKeep={(why) => {
        send(accept(station.id, as, why)).then(
          () => setAsking(false),
          () => undefined,
        );
      }}
    />
  );
}
