import { Dialog, DialogPanel, DialogTitle } from '../kit/over.ts';
import { useState, type JSX } from 'react';
import { Field, Primary, Secondary } from '../kit/controls.tsx';
import { useSettings } from '../state/settings.ts';

/** Whose hand it is: stands with every reading and build kept from this browser. */
export default function SignDialog({ open, onClose }: { open: boolean; onClose: () => void }): JSX.Element {
  const { who, setWho } = useSettings();
  const [name, setName] = useState(who);
  return (
    <Dialog open={open} onClose={onClose} className="relative z-30">
      <div className="fixed inset-0 flex items-center justify-center bg-ink/40 p-4">
        <DialogPanel className="w-full max-w-md border-2 border-ink bg-sheet p-5">
          <DialogTitle className="label m-0 text-[22px] font-semibold">Sign entries</DialogTitle>
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
        </DialogPanel>
      </div>
    </Dialog>
  );
}
