import type { DoneReply, RestoreReply } from '@elder-cog/contract';
import { useQueryClient } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState, type JSX } from 'react';
import { Heading, Primary, Refusal, Secondary } from '../kit/controls.tsx';
import { useWorkshop } from '../state/api.ts';
import { ask, postJson, useTrouble } from '../state/ask.ts';
import { tryAgainNow } from '../state/outbox.ts';
import { backupContents } from '../words/backupContents.ts';

/** The workshop's data was not opened: why, what there is beside it, and a button for each way on. Nothing has been touched yet. */
export default function Rescue(): JSX.Element {
  const { data, error } = useWorkshop();
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const [refusal, setRefusal] = useState<string | null>(null);
  const [sure, setSure] = useState(false);
  const go = async (run: () => Promise<unknown>): Promise<void> => {
    setBusy(true);
    setRefusal(null);
    try {
      await run();
      useTrouble.setState({ sentence: null });
      await client.resetQueries();
      tryAgainNow();
    } catch (trouble) {
      setRefusal((trouble as Error).message);
    } finally {
      setBusy(false);
    }
  };
  const goBack = (name: string): Promise<void> => go(() => ask<RestoreReply>('/api/workshop/restore', postJson({ name }), 10 * 60_000));
  const sound = data?.backups.filter((backup) => backup.damaged === null) ?? [];
  const [last, ...older] = sound;
  return (
    <main className="mx-auto max-w-2xl p-6">
      <h1 className="label m-0 mb-3 text-[28px] leading-9 font-semibold">The workshop was not opened</h1>
      <p className="m-0 border-l-4 border-blue bg-band px-3 py-2 text-[17px]">{data?.trouble?.sentence ?? error?.message ?? 'Asking why…'}</p>
      {refusal && (
        <p>
          <Refusal>{refusal}</Refusal>
        </p>
      )}
      {busy && <progress aria-label="Working" className="mt-2 block h-2 w-full" />}
      {data && (
        <>
          {last ? (
            <section aria-label="Backups" className="mt-4 border-t-2 border-ink pt-3">
              <Heading>Bring back a backup</Heading>
              <p className="mt-1 mb-3">
                The last one is of {format(new Date(last.madeAt), 'EEE d MMM yyyy, HH:mm')}: {backupContents(last)}. What is there now is set aside in
                a folder of its own, not thrown away.
              </p>
              <Primary disabled={busy} onClick={() => void goBack(last.name)}>
                Bring back the last backup
              </Primary>
              {older.length > 0 && (
                <ul className="m-0 mt-3 list-none p-0">
                  {older.slice(0, 8).map((backup) => (
                    <li key={backup.name} className="flex flex-wrap items-center gap-x-4 border-t border-rule py-1">
                      <span className="min-w-44">{format(new Date(backup.madeAt), 'EEE d MMM yyyy, HH:mm')}</span>
                      <span className="text-ink2">{backupContents(backup)}</span>
                      <Secondary className="ml-auto" disabled={busy} onClick={() => void goBack(backup.name)}>
                        This one
                      </Secondary>
                    </li>
                  ))}
                </ul>
              )}
            </section>
          ) : (
            <p>There is no backup in its folder. One kept elsewhere is brought back with npm run restore -- and the path of its folder.</p>
          )}
          <section aria-label="Other ways" className="mt-4 border-t-2 border-ink pt-3">
            <Heading>Or</Heading>
            <p className="mt-1 mb-3">
              Mend it by hand: stop the program, put the database back into <span className="num [overflow-wrap:anywhere]">{data.folder}</span>, and
              start again.
            </p>
            <div className="flex flex-wrap items-center gap-3">
              {data.trouble?.canGoOn && (
                <Secondary disabled={busy} onClick={() => void go(() => ask<DoneReply>('/api/workshop/go-on', postJson({})))}>
                  Go on with what is there
                </Secondary>
              )}
              {sure ? (
                <>
                  <span>Everything there is set aside, the backups too.</span>
                  <Secondary disabled={busy} onClick={() => void go(() => ask<RestoreReply>('/api/workshop/new', postJson({})))}>
                    Yes, begin a new workshop
                  </Secondary>
                  <Secondary onClick={() => setSure(false)}>Leave it</Secondary>
                </>
              ) : (
                <Secondary disabled={busy} onClick={() => setSure(true)}>
                  Begin a new workshop…
                </Secondary>
              )}
            </div>
          </section>
        </>
      )}
    </main>
  );
}
