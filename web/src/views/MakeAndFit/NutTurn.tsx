import type { Joint } from '@elder-cog/contract';
import { describeLength, nanometres, nutTurnFor, type Length } from '@elder-cog/core';
import { turnWords, type GapState, type JointState, type ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Caution, Chip, Heading } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { turnNut } from '../../state/dragActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { inBoth } from '../../state/understood.ts';
import { flatWords } from './flatWords.ts';
import { TurnForm } from './TurnForm.tsx';

/** How far a nut that sets a float has to be turned, from the float there is to the one that is wanted, or past it to preload. */
export function NutTurn({ state: { joint } }: { state: JointState }): JSX.Element {
  const { facts, state } = useJob();
  const shaftId = facts.places.find(({ id }) => id === joint.placeId)?.shaftId;
  const shaft = state.shafts.find((each) => each.shaft.id === shaftId) ?? null;
  const gaps = shaft?.gaps ?? [];
  const [chosen, setChosen] = useState<string | null>(null);
  // the gap that its nut draws together: of a hub there is one, of another shaft it is said
  const gap = gaps.find(({ station }) => station.id === chosen) ?? gaps[0] ?? null;
  const read = gap === null || gap.now.kind === 'none' ? null : (gap.now.reading?.value ?? null);
  return (
    <section aria-label="How far to turn it" className="border-b border-rule px-4 py-2">
      <Heading className="text-blue">How far to turn it</Heading>
      {gaps.length > 1 && (
        <div role="group" aria-label="Which float it sets" className="flex flex-wrap gap-2 py-1">
          {gaps.map((each) => (
            <Chip key={each.station.id} on={each === gap} onClick={() => setChosen(each.station.id)}>
              {each.letter} {each.station.name}
            </Chip>
          ))}
        </div>
      )}
      <Turn key={`${gap?.station.id ?? ''} ${read ?? ''}`} joint={joint} shaft={shaft} gap={gap} read={read} />
    </section>
  );
}

interface TurnProps {
  readonly joint: Joint;
  readonly shaft: ShaftState | null;
  readonly gap: GapState | null;
  /** the float as it is read or forecast now */
  readonly read: Length | null;
}

function Turn({ joint, shaft, gap, read }: TurnProps): JSX.Element {
  const bare = useSettings((s) => s.bare);
  const now = useEntry({ field: 'size', bare, quantity: 'openFloat' }, { initial: read === null || read < 0 ? '' : describeLength(read, bare) });
  const wanted = useEntry({ field: 'limits', bare, quantity: 'float' }, { initial: gap?.limits?.fact.written ?? '' });
  const ends = wanted.meaning ? endsOf(wanted.meaning.value) : null;
  const turn = (to: Length): number =>
    joint.pitch === null || now.meaning === null ? 0 : nutTurnFor({ threadPitch: joint.pitch, change: nanometres(to - now.meaning.value) });
  const found =
    joint.pitch === null || now.meaning === null || ends === null ? null : { aim: turn(ends.aim), ends: [turn(ends.max), turn(ends.min)] as const };
  const landing = found?.ends.map((each) => turnWords(each)).join(' to ') ?? '';
  const isInside = found !== null && found.ends[0] <= 0 && found.ends[1] >= 0;
  return (
    <>
      <div className="grid grid-cols-2 gap-x-3 max-sm:grid-cols-1">
        <EntryField entry={now} id="float-now" asksAtOnce label="Float now" placeholder={bare === 'mm' ? 'like 0.22' : 'like 9'} />
        <EntryField entry={wanted} id="float-wanted" asksAtOnce label="Float wanted" placeholder={bare === 'mm' ? '0.03-0.08' : 'like 1-3'} />
      </div>
      {joint.pitch === null && <p className="m-0 text-[16px] text-ink2">The pitch of its thread first, below.</p>}
      {found && joint.pitch !== null && ends && (
        <>
          {isInside ? (
            <p className="m-0 text-[17px]">It lies inside what is wanted: lock it where it is. From {landing} stays inside.</p>
          ) : (
            <p className="m-0 text-[17px]">
              <span className="num text-[44px] leading-[48px] font-semibold">{Math.abs(found.aim).toFixed(0)}°</span> {found.aim < 0 ? 'back' : 'on'},{' '}
              {flatWords(Math.abs(found.aim))}; {landing} lands.
            </p>
          )}
          <p className="m-0 text-[16px] text-ink2">
            <span className="num">{inBoth(joint.pitch, bare)}</span> a turn, <span className="num">{inBoth(joint.pitch / 6, bare)}</span> a flat
          </p>
          {ends.min < 0 && (
            <p className="m-0 text-[16px]">Past no float at all that is the most it can be: shaft and bearings give way. Read the drag.</p>
          )}
          {shaft?.current && <Turned key={found.aim} shaft={shaft} nutId={joint.placeId} proposed={isInside ? 0 : Math.round(found.aim)} />}
        </>
      )}
      <Caution>Spin it both ways as it is drawn up, so that the rollers settle; read it again after it is locked.</Caution>
    </>
  );
}

/** From the least to the most, and where to aim: the middle, or the one that was said. */
function endsOf({
  min,
  max,
  single,
  aim,
}: {
  min?: Length;
  max?: Length;
  single?: Length;
  aim?: Length;
}): { min: Length; max: Length; aim: Length } | null {
  if (single !== undefined) return { min: single, max: single, aim: single };
  if (max === undefined) return min === undefined ? null : { min, max: min, aim: min };
  const least = min ?? nanometres(Math.min(0, max));
  return { min: least, max, aim: aim ?? nanometres((least + max) / 2) };
}

/** It was turned: a build of its own, whose float is a forecast till it is read. */
function Turned({ shaft, nutId, proposed }: { shaft: ShaftState; nutId: string | null; proposed: number }): JSX.Element {
  const { send, sending } = useCommand();
  return (
    <TurnForm
      label="Turned by"
      proposed={proposed}
      placeholder={proposed === 0 ? 'like 15° on, a quarter flat back' : `${proposed}°`}
      says="as far as it was really turned"
      sending={sending}
      refusalOf={(degrees) => (degrees === null || degrees === 0 ? 'Say how far it was turned, like 15° or half a flat back.' : null)}
      onTurn={(degrees) => send(turnNut(shaft, { nutId, sleeveId: null }, degrees))}
    />
  );
}
