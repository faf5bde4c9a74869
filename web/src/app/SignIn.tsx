import type { DoneReply } from '@elder-cog/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useState, type JSX } from 'react';
import { Field, Primary } from '../kit/controls.tsx';
import { ask, openDoor, postJson } from '../state/ask.ts';
import { tryAgainNow } from '../state/outbox.ts';

/**
 * Asked once a browser, where the workshop is open to its network: nothing of any job is fetched before it. It covers the page and does
 * not put it away, so that what was being typed when a session ended is still there.
 */
export default function SignIn(): JSX.Element {
  const client = useQueryClient();
  const [passcode, setPasscode] = useState('');
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const enter = async (): Promise<void> => {
    setBusy(true);
    try {
      await ask<DoneReply>('/api/sign-in', postJson({ passcode }));
      openDoor();
      await client.invalidateQueries();
      tryAgainNow();
    } catch (error) {
      setRefusal((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  return (
    <main className="fixed inset-0 z-50 overflow-auto bg-paper">
      <div className="mx-auto flex min-h-dvh max-w-md flex-col justify-center p-6">
        <h1 className="label m-0 text-[28px] font-semibold">Elder Cog</h1>
        <p className="mt-1 mb-4">This workshop asks for its passcode, once on each tablet.</p>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void enter();
          }}
        >
          <Field
            label="Passcode"
            type="password"
            autoFocus
            autoComplete="current-password"
            value={passcode}
            onChange={(e) => {
              setPasscode(e.target.value);
              setRefusal(null);
            }}
            refusal={refusal}
          />
          <Primary type="submit" enter disabled={busy || passcode === ''}>
            Come in
          </Primary>
        </form>
      </div>
    </main>
  );
}
