import { Boxed } from '../kit/Boxed.tsx';
import { useState, type JSX } from 'react';
import { Field, Primary, Secondary } from '../kit/controls.tsx';
import { useSettings } from '../state/settings.ts';

/** Whose hand it is: stands with every reading and build kept from this browser. */
export default function SignDialog({ open, onClose }: { open: boolean; onClose: () => void }): JSX.Element {
  const { who, setWho } = useSettings();
  const [name, setName] = useState(who);
  return (
    <Boxed open={open} onClose={onClose} title="Sign entries" width="narrow">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          setWho(name.trim());
          onClose();
        }}
      >
        <Field label="Initials or a name" value={name} maxLength={60} onChange={(e) => setName(e.target.value)} placeholder="like A. B." />
        <div className="flex gap-3">
          <Primary type="submit" enter>
            Keep
          </Primary>
          <Secondary onClick={onClose} className="min-h-14">
            Leave it
          </Secondary>
        </div>
      </form>
    </Boxed>
  );
}
