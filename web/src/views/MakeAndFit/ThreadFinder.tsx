import type { Joint } from '@elder-cog/contract';
import {
  describeLength,
  threadFits,
  threadsPerInch,
  understandPitch,
  type Length,
  type MeasuredThread,
  type NearThread,
  type ThreadCandidate,
} from '@elder-cog/core';
import { useState, type JSX } from 'react';
import { Chip, Heading, Quiet, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { changeJoint } from '../../state/jointActions.ts';
import { useSettings } from '../../state/settings.ts';

const NEAR_WORDS: Readonly<Record<NearThread['why'], string>> = {
  same: 'the same size and pitch: it goes',
  runsHomeLoose: 'runs home loose, and strips',
  startsThenBinds: 'starts, and binds',
  doesNotStart: 'does not start',
};

/** What a thread is, from what is measured of it: ties named, and what else goes into its hole part of the way. */
export function ThreadFinder({ joint }: { joint: Joint }): JSX.Element {
  const { send } = useCommand();
  const bare = useSettings((s) => s.bare);
  const [open, setOpen] = useState(false);
  const [isHole, setHole] = useState(false);
  const [angle, setAngle] = useState<number | null>(null);
  const size = useEntry({ field: 'size', bare, quantity: 'diameter' });
  const pitch = useEntry({ field: 'size', bare, quantity: 'pitch' }, { reads: (text) => understandPitch(text, bare) });
  const threads = pitch.meaning && threadsPerInch(pitch.meaning.value);
  const per = pitch.meaning === null ? null : threads === null ? { pitch: pitch.meaning.value } : { tpi: threads };
  const across = size.meaning?.value ?? null;
  const measured =
    across === null || per === null
      ? null
      : { ...(isHole ? { minorOfHole: across } : { major: across }), ...per, ...(angle === null ? {} : { angle }) };
  const found = measured ? threadFits(measured as MeasuredThread) : null;
  const take = ({ name, row }: ThreadCandidate): void =>
    void send(changeJoint(joint, { thread: name, major: row.major, pitch: row.pitch })).catch(() => undefined);
  return (
    <section aria-label="Which thread is it" className="no-print border-t border-rule px-4 py-1">
      <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
        Which thread is it? ▸
      </Quiet>
      {open && (
        <>
          <div role="group" aria-label="What is measured" className="flex flex-wrap gap-2">
            <Chip on={!isHole} onClick={() => setHole(false)}>
              a bolt, over its crests
            </Chip>
            <Chip on={isHole} onClick={() => setHole(true)}>
              a tapped hole, across
            </Chip>
          </div>
          <div className="grid grid-cols-2 gap-x-3 max-sm:grid-cols-1">
            <EntryField
              entry={size}
              id="thread-size"
              asksAtOnce
              label={isHole ? 'Across the hole' : 'Over the crests'}
              placeholder={bare === 'mm' ? 'like 9.92 mm' : 'like .371'}
            />
            <EntryField
              entry={pitch}
              id="thread-pitch"
              label="Threads an inch, or pitch"
              placeholder="like 20, or 1.25 mm"
              says={pitchWords}
              asksAtOnce
            />
          </div>
          <div role="group" aria-label="Angle, where it was gauged" className="flex flex-wrap gap-2 pb-1">
            {[55, 60, 47.5].map((each) => (
              <Chip key={each} on={angle === each} onClick={() => setAngle(angle === each ? null : each)}>
                {each}°
              </Chip>
            ))}
          </div>
          {found &&
            (found.fits.length === 0 ? (
              <p className="m-0 text-[17px]">None that is known here. Measure both again: a worn crest reads small.</p>
            ) : (
              <Found fits={found.fits} near={found.near} onTake={take} />
            ))}
        </>
      )}
    </section>
  );
}

const pitchWords = (pitch: Length): string => {
  const threads = threadsPerInch(pitch);
  return threads === null ? describeLength(pitch, 'mm') : `${threads} threads an inch`;
};

function Found({
  fits,
  near,
  onTake,
}: {
  fits: readonly ThreadCandidate[];
  near: readonly NearThread[];
  onTake: (fit: ThreadCandidate) => void;
}): JSX.Element {
  return (
    <>
      <ul aria-label="It may be" className="m-0 list-none p-0">
        {fits.slice(0, 5).map((fit) => (
          <li key={fit.name} className="flex min-h-12 flex-wrap items-center justify-between gap-x-3 border-t border-rule">
            <span>
              <span className="num text-[20px] font-semibold">{fit.name}</span>{' '}
              <span className="text-[16px] text-ink2">
                {fit.residual === 0
                  ? 'just that'
                  : `${describeLength(Math.abs(fit.residual) as typeof fit.residual, 'thou')} ${fit.residual < 0 ? 'under: worn, or made so' : 'over: plated, or another'}`}
              </span>
            </span>
            <Secondary onClick={() => onTake(fit)}>It is this</Secondary>
          </li>
        ))}
      </ul>
      {near.length > 0 && (
        <>
          <Heading className="mt-2">What else goes near its hole</Heading>
          <ul aria-label="Near misses" className="m-0 list-none p-0">
            {near.slice(0, 6).map(({ name, why, bindsAtTurn }) => (
              <li key={name} className="flex min-h-9 flex-wrap items-center gap-x-3 border-t border-rule text-[16px]">
                <span className="num font-semibold">{name}</span>
                <span className={why === 'same' ? '' : 'text-tight'}>
                  {NEAR_WORDS[why]}
                  {bindsAtTurn === undefined ? '' : ` by turn ${bindsAtTurn}`}
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
