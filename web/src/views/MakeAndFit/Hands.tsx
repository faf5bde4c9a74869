import { formatTorque, MARK_WORDS } from '@elder-cog/core';
import { boreOfShaft, feelsByBuild, handsOf, twinOf, type DragState, type ShaftState } from '@elder-cog/derive';
import { useMemo, type JSX } from 'react';
import { Chip, Heading } from '../../kit/controls.tsx';
import { useTorqueShown, torqueWords } from '../../kit/Torque.tsx';
import { useCommand, useDrawer } from '../../state/api.ts';
import { sayFeel } from '../../state/buildActions.ts';
import { withdraw } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';

/** What hands say of a drag, weakest first. */
const WORDS = ['spins on', 'a little drag', 'drag', 'firm', 'stiff'] as const;

/** How it feels by hand, beside what the same hands said of drags that were read: so that a word comes to mean something. */
export function Hands({ shaft, drag }: { shaft: ShaftState; drag: DragState }): JSX.Element {
  const { facts, state } = useJob();
  const { send, sending } = useCommand();
  const who = useSettings((s) => s.who);
  const { unit } = useTorqueShown(drag.unit);
  const felt = useDrawer().data?.hands;
  const bore = useMemo(() => boreOfShaft(facts, shaft.shaft.id), [facts, shaft.shaft.id]);
  const hands = useMemo(() => handsOf(felt ?? [], { who, bore }), [felt, who, bore]);
  const build = shaft.current;
  const said = build ? (feelsByBuild(facts).get(build.build.id) ?? []) : [];
  const toggle = (word: string): void => {
    if (!build) return;
    const before = said.find((each) => each.word === word);
    void send(before ? withdraw('feel', before.id, '') : sayFeel(build.build.id, word)).catch(() => undefined);
  };
  const twin = twinOf(facts, shaft, state.shafts);
  const theirs = twin?.drags?.find(({ station }) => station.role === drag.station.role);
  return (
    <section aria-label="How it feels" className="border-t border-rule pt-2 first:border-t-0">
      <Heading>How it feels</Heading>
      <div role="group" aria-label="How it feels by hand" className="no-print flex flex-wrap gap-2 py-1">
        {WORDS.map((word) => (
          <Chip key={word} on={said.some((each) => each.word === word)} disabled={sending || !build} onClick={() => toggle(word)}>
            {word}
          </Chip>
        ))}
      </div>
      {hands.length === 0 ? (
        <p className="m-0 text-[16px] text-ink2">Say how it feels where its drag is read, and your words come to mean something.</p>
      ) : (
        <table aria-label="What your words have meant" className="w-full max-w-md border-collapse text-[16px]">
          <tbody>
            {hands.map(({ word, times, least, most }) => (
              <tr key={word} className="border-t border-rule">
                <th scope="row" className="py-1 pr-3 text-left font-medium">
                  {word}
                </th>
                <td className="num py-1 text-right whitespace-nowrap">
                  {least === most ? torqueWords(least, unit) : `${formatTorque(least, unit)} to ${torqueWords(most, unit)}`}
                </td>
                <td className="py-1 pl-3 text-right whitespace-nowrap text-ink2">{times === 1 ? 'once' : `${times} times`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {hands.length > 0 && (
        <p className="m-0 text-[15px] text-ink2">
          {who === '' ? 'Unsigned hands' : `${who}’s hands`}
          {bore === null ? ', bearings of any size' : `, about a ${(bore / 1e6).toFixed(0)} mm bore`}
        </p>
      )}
      {twin && theirs && theirs.now.reading && (
        <p className="m-0 mt-1 text-[16px]">
          {twin.assembly.name}: <span className="num font-semibold">{torqueWords(theirs.now.reading.value, unit)}</span>,{' '}
          {MARK_WORDS[theirs.mark].toLowerCase()}
        </p>
      )}
    </section>
  );
}
