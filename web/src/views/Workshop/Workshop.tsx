import type { BackupReply, CheckReply, DoneReply, RestoreReply } from '@elder-cog/contract';
import type { Dialect } from '@elder-cog/core';
import { Boxed } from '../../kit/Boxed.tsx';
import { backupContents } from '../../words/backupContents.ts';
import { useQueryClient } from '@tanstack/react-query';
import { format } from 'date-fns';
import { useState, type JSX, type ReactNode } from 'react';
import { Chip, Field, Heading, Primary, Refusal, Secondary } from '../../kit/controls.tsx';
import { useWorkshop } from '../../state/api.ts';
import { ask, postJson as post } from '../../state/ask.ts';
import { useSettings } from '../../state/settings.ts';
import { thinkIn } from '../../state/thinkIn.ts';

/** How this browser shows things, and how the workshop's data is kept. */
export default function Workshop(): JSX.Element {
  const workshop = useWorkshop();
  return (
    <div className="grid min-h-full grid-cols-[minmax(0,1fr)_minmax(0,1fr)] content-start max-lg:grid-cols-1">
      <div className="min-w-0 border-r-2 border-ink max-lg:border-r-0">
        <h1 className="sr-only">Workshop</h1>
        <Shown />
        <Network />
      </div>
      <div className="min-w-0">
        {workshop.isError && (
          <p className="p-5">
            <Refusal>{workshop.error.message}</Refusal>
          </p>
        )}
        {workshop.isPending && <p className="p-5 text-ink2">Asking where the data is…</p>}
        {workshop.isSuccess && (
          <>
            <Kept />
            <Backups />
          </>
        )}
      </div>
    </div>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }): JSX.Element {
  return (
    <section aria-label={title} className="border-b border-edge px-5 py-4">
      <Heading className="mb-2">{title}</Heading>
      {children}
    </section>
  );
}

function Choice<Value extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: Value;
  options: readonly (readonly [Value, string])[];
  onChange: (value: Value) => void;
}): JSX.Element {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap items-center gap-2 py-1">
      <span className="w-36 max-sm:w-full">{label}</span>
      {options.map(([option, words]) => (
        <Chip key={option} on={value === option} onClick={() => onChange(option)} translate="no">
          {words}
        </Chip>
      ))}
    </div>
  );
}

function Shown(): JSX.Element {
  const settings = useSettings();
  const [name, setName] = useState(settings.who);
  return (
    <>
      <Part title="In this workshop">
        <Choice
          label="A bare number is"
          value={settings.bare}
          options={[
            ['thou', 'thou'],
            ['mm', 'millimetres'],
          ]}
          onChange={(bare) => void thinkIn(bare)}
        />
        <p className="m-0 text-ink2">Said once, for every tablet here: what is shown first is another thing, and changes no entry.</p>
      </Part>
      <Part title="On this tablet">
        <Choice
          label="Shown first"
          value={settings.unit}
          options={[
            ['thou', 'thou'],
            ['mm', 'millimetres'],
          ]}
          onChange={(unit) => {
            if (unit !== settings.unit) settings.flipUnit();
          }}
        />
        <Choice<Dialect>
          label="Words"
          value={settings.words}
          options={[
            ['british', 'end float, bush'],
            ['american', 'end play, bushing'],
          ]}
          onChange={settings.setWords}
        />
        <Choice
          label="Sheet"
          value={settings.theme}
          options={[
            ['light', 'light'],
            ['dark', 'dark'],
            ['system', 'as the machine'],
          ]}
          onChange={settings.setTheme}
        />
        <Choice
          label="Letter keys"
          value={settings.letters ? 'on' : 'off'}
          options={[
            ['on', 'work outside fields'],
            ['off', 'switched off'],
          ]}
          onChange={(letters) => settings.setLetters(letters === 'on')}
        />
        <Choice
          label="A kept reading"
          value={settings.tick ? 'on' : 'off'}
          options={[
            ['on', 'ticks'],
            ['off', 'is silent'],
          ]}
          onChange={(tick) => settings.setTick(tick === 'on')}
        />
        <form
          className="mt-2 flex items-start gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            settings.setWho(name.trim());
          }}
        >
          <Field
            label="Entries are signed"
            value={name}
            maxLength={60}
            onChange={(e) => setName(e.target.value)}
            placeholder="initials"
            says={settings.who === '' ? 'nobody yet' : `as ${settings.who}`}
            className="w-60"
          />
          <Secondary type="submit" className="mt-7 min-h-14">
            Sign so
          </Secondary>
        </form>
      </Part>
    </>
  );
}

function Network(): JSX.Element {
  const { data } = useWorkshop();
  const client = useQueryClient();
  const [passcode, setPasscode] = useState('');
  const [says, setSays] = useState<{ refused: boolean; words: string } | null>(null);
  const keep = async (): Promise<void> => {
    try {
      await ask<DoneReply>('/api/workshop/passcode', post({ passcode }));
      setPasscode('');
      setSays({ refused: false, words: 'Kept. Every tablet is asked for it anew.' });
      await client.invalidateQueries({ queryKey: ['workshop'] });
    } catch (error) {
      setSays({ refused: true, words: (error as Error).message });
    }
  };
  if (!data) return <></>;
  return (
    <Part title="A tablet at the vice">
      {data.lan.on ? (
        <p className="mt-0">
          Open to the workshop’s network at{' '}
          {data.lan.addresses.map((address) => (
            <span key={address} className="num block text-[18px] font-semibold">
              http://{address}:{window.location.port}
            </span>
          ))}
        </p>
      ) : (
        <p className="mt-0 max-w-prose">
          Only this machine can reach it now. Start it with <span className="num">npm start -- --lan</span> and it prints an address and a square to
          photograph; each tablet is asked for the passcode once.
        </p>
      )}
      <form
        className="flex flex-wrap items-start gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void keep();
        }}
      >
        <Field
          label={data.lan.hasPasscode ? 'Change the passcode' : 'Set a passcode'}
          type="password"
          autoComplete="new-password"
          value={passcode}
          onChange={(e) => {
            setPasscode(e.target.value);
            setSays(null);
          }}
          placeholder="six characters or more"
          refusal={says?.refused ? says.words : null}
          says={says?.refused ? '' : (says?.words ?? (data.lan.hasPasscode ? 'one is set' : 'none is set'))}
          className="w-72"
        />
        <Secondary type="submit" className="mt-7 min-h-14" disabled={passcode === ''}>
          Keep the passcode
        </Secondary>
      </form>
      <p className="m-0 text-[15px] text-ink2">On a network the passcode crosses it unhidden, as on any plain page: keep to your own.</p>
    </Part>
  );
}

function Kept(): JSX.Element {
  const { data } = useWorkshop();
  const [check, setCheck] = useState<{ whole: boolean; wrong: string[] } | string | null>(null);
  if (!data) return <></>;
  const run = async (): Promise<void> => {
    setCheck('Reading every entry…');
    try {
      setCheck(await ask<CheckReply>('/api/workshop/check'));
    } catch (error) {
      setCheck((error as Error).message);
    }
  };
  return (
    <Part title="Where the data is">
      <dl className="m-0 grid grid-cols-[auto_minmax(0,1fr)] gap-x-4 gap-y-1">
        <dt className="text-ink2">Folder</dt>
        <dd className="num m-0 [overflow-wrap:anywhere]" translate="no">
          {data.folder ?? 'in memory only'}
        </dd>
        <dt className="text-ink2">Machines</dt>
        <dd className="num m-0">{data.jobs}</dd>
        <dt className="text-ink2">Entries in the journal</dt>
        <dd className="num m-0">{data.entries}</dd>
      </dl>
      {data.recovered.length > 0 && (
        <div className="mt-2 border-l-4 border-blue bg-band px-3 py-2">
          {data.recovered.map((sentence) => (
            <p key={sentence} className="m-0">
              {sentence}
            </p>
          ))}
        </div>
      )}
      <div className="mt-3 flex flex-wrap items-center gap-3">
        <Secondary onClick={() => void run()}>Check that it is whole</Secondary>
        <a href="/api/workshop/file" download className="flex min-h-12 items-center border border-edge bg-sheet px-4 no-underline">
          Everything as one file
        </a>
      </div>
      <div role="status" className="mt-2">
        {typeof check === 'string'
          ? check
          : check?.whole
            ? 'It is whole, and the tables agree with the journal.'
            : check?.wrong.map((w) => <Refusal key={w}>{w}</Refusal>)}
      </div>
    </Part>
  );
}

const size = (bytes: number): string => (bytes > 1_048_576 ? `${(bytes / 1_048_576).toFixed(1)} MB` : `${Math.max(1, Math.round(bytes / 1024))} kB`);

function Backups(): JSX.Element {
  const { data } = useWorkshop();
  const client = useQueryClient();
  const [busy, setBusy] = useState(false);
  const [asking, setAsking] = useState<string | null>(null);
  const [deleting, setDeleting] = useState<string | null>(null);
  const [says, setSays] = useState<string | null>(null);
  if (!data) return <></>;
  const during = async (run: () => Promise<string>): Promise<void> => {
    setBusy(true);
    try {
      setSays(await run());
      await client.invalidateQueries();
    } catch (error) {
      setSays((error as Error).message);
    } finally {
      setBusy(false);
    }
  };
  const make = (): Promise<void> =>
    during(async () => {
      const { backup } = await ask<BackupReply>('/api/workshop/backups', post({}));
      return backup ? `Backed up: ${backupContents(backup)}.` : 'Nothing has changed since the last one.';
    });
  const goBack = (name: string): Promise<void> =>
    during(async () => {
      setAsking(null);
      const { setAside } = await ask<RestoreReply>('/api/workshop/restore', post({ name }));
      return setAside ? `Gone back. What was there is set aside in ${setAside}.` : 'Gone back.';
    });
  const remove = (name: string): Promise<void> =>
    during(async () => {
      setDeleting(null);
      await ask<DoneReply>('/api/workshop/backups/delete', post({ name }));
      return 'That backup is deleted.';
    });
  const chosen = data.backups.find((b) => b.name === asking);
  return (
    <Part title="Backups">
      <p className="mt-0 max-w-prose">
        One is made at every start and every hour in which something changed. Of those, the last of each of fourteen days and of eight weeks is kept.
        One made by hand stays until it is deleted.
      </p>
      <Primary onClick={() => void make()} disabled={busy}>
        {busy ? 'Working…' : 'Back up now'}
      </Primary>
      {busy && <progress aria-label="Working" className="mt-2 block h-2 w-full" />}
      <p role="status" className="my-2 [overflow-wrap:anywhere]">
        {says}
      </p>
      {data.backups.length === 0 && <p className="text-ink2">None yet.</p>}
      <ul className="m-0 list-none p-0">
        {data.backups.map((backup) => (
          <li key={backup.name} className="flex flex-wrap items-center gap-x-4 border-t border-rule py-1">
            <span className="min-w-44 font-medium">{format(new Date(backup.madeAt), 'EEE d MMM yyyy, HH:mm')}</span>
            <span className="text-ink2">
              {backup.damaged === null
                ? `${backupContents(backup)}, ${size(backup.bytes)}${backup.byHand ? ', by hand' : ''}`
                : `damaged: ${backup.damaged}`}
            </span>
            <span className="ml-auto flex flex-wrap items-center gap-2">
              {deleting === backup.name ? (
                <>
                  <Secondary onClick={() => void remove(backup.name)} disabled={busy}>
                    Yes, delete it
                  </Secondary>
                  <Secondary onClick={() => setDeleting(null)}>Keep it</Secondary>
                </>
              ) : (
                (backup.byHand || backup.damaged !== null) && (
                  <Secondary onClick={() => setDeleting(backup.name)} disabled={busy}>
                    Delete…
                  </Secondary>
                )
              )}
              {backup.bytes > 0 && (
                <Secondary onClick={() => setAsking(backup.name)} disabled={busy}>
                  Go back to it
                </Secondary>
              )}
            </span>
          </li>
        ))}
      </ul>
      <Boxed
        open={chosen !== undefined}
        onClose={() => setAsking(null)}
        title={<>Go back to {chosen && format(new Date(chosen.madeAt), 'd MMM, HH:mm')}?</>}
      >
        <p>Everything becomes as it was then. What is there now is set aside in a folder of its own, not thrown away.</p>
        <div className="flex gap-3">
          <Primary onClick={() => void goBack(asking ?? '')}>Go back to it</Primary>
          <Secondary className="min-h-14" onClick={() => setAsking(null)}>
            Leave it as it is
          </Secondary>
        </div>
      </Boxed>
    </Part>
  );
}
