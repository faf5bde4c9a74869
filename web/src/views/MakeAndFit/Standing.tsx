import { standingChange, type Length } from '@elder-cog/core';
import type { BearingState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Heading } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useSettings } from '../../state/settings.ts';
import { asTyped, inBoth } from '../../state/understood.ts';

/** Another taper bearing in the place of one, compared by how high each stands: what it does to each float, and to each pack. */
export function Standing({ bearings }: { bearings: readonly BearingState[] }): JSX.Element | null {
  const tapers = bearings.filter(({ cupBack }) => cupBack !== null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [first] = tapers;
  const one = tapers.find(({ id }) => id === chosen) ?? first;
  if (!one) return null;
  return (
    <section aria-label="Two bearings compared" className="no-print px-4 py-2">
      <Heading className="text-blue">Two bearings compared</Heading>
      <p className="m-0 text-[16px] text-ink2">Each with its rings together on a flat, turned to settle: from back of cup to back of cone.</p>
      {tapers.length > 1 && (
        <div role="group" aria-label="Which bearing" className="flex flex-wrap gap-2 py-1">
          {tapers.map((each) => (
            <Chip key={each.id} on={each === one} onClick={() => setChosen(each.id)}>
              {each.name}
            </Chip>
          ))}
        </div>
      )}
      <Two key={one.id} bearing={one} />
    </section>
  );
}

function Two({ bearing }: { bearing: BearingState }): JSX.Element {
  const bare = useSettings((s) => s.bare);
  const question = { field: 'size', bare, quantity: 'distancePiece' } as const;
  const then = useEntry(question, { initial: asTyped(bearing.stands, bare) });
  const now = useEntry(question);
  const both = then.meaning && now.meaning ? { then: then.meaning.value, now: now.meaning.value } : null;
  const isSound = both !== null && both.then > 0 && both.now > 0;
  return (
    <>
      <div className="grid grid-cols-2 gap-x-3 max-sm:grid-cols-1">
        <EntryField
          entry={then}
          id="stood"
          asksAtOnce
          label="The one that was in stands"
          placeholder={bare === 'mm' ? 'like 19.46 mm' : 'like .766'}
        />
        <EntryField entry={now} id="stands" asksAtOnce label="The other stands" placeholder={bare === 'mm' ? 'like 19.53 mm' : 'like .769'} />
      </div>
      {isSound && both && <Answer bearing={bearing} {...both} />}
    </>
  );
}

function Answer({ bearing, then, now }: { bearing: BearingState; then: Length; now: Length }): JSX.Element {
  const bare = useSettings((s) => s.bare);
  // how high it stands is what closes its pair: what that is to each gap follows from how this shaft lies
  const { difference } = standingChange({ then, now, arrangement: 'faceToFace' });
  if (difference === 0) return <p className="m-0 text-[17px]">They stand alike: nothing moves.</p>;
  return (
    <div role="status" aria-label="What it does">
      <p className="m-0 text-[17px]">
        The other stands <span className="num text-[20px] font-semibold">{inBoth(Math.abs(difference), bare)}</span>{' '}
        {difference > 0 ? 'higher' : 'lower'}.
      </p>
      {bearing.effects.length === 0 && <p className="m-0 text-[17px]">No gap of this shaft goes through it.</p>}
      {bearing.effects.map(({ station, opens, packs }) => {
        const moved = opens * difference;
        return (
          <div key={station.id} className="border-t border-rule py-1">
            <p className="m-0 text-[17px]">
              {station.name} {moved > 0 ? 'opens' : 'closes'} by <span className="num font-semibold">{inBoth(Math.abs(moved), bare)}</span>.
            </p>
            {packs.map(({ slot, by }) => (
              <p key={slot.id} className="m-0 text-[17px]">
                To keep it: {slot.name.charAt(0).toLowerCase() + slot.name.slice(1)}{' '}
                <span className="num font-semibold">{inBoth(Math.abs(by * difference), bare)}</span> {by * difference > 0 ? 'thicker' : 'thinner'}.
              </p>
            ))}
          </div>
        );
      })}
      <p className="m-0 text-[15px] text-ink2">Reckoned from how high they stand. What the float is with it in is read, not reckoned.</p>
    </div>
  );
}
