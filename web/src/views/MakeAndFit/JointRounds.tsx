import { jointMapShapes } from '@elder-cog/core';
import { oddBoltsOf, type JointState, type RoundState } from '@elder-cog/derive';
import { useEffect, useMemo, useRef, type JSX } from 'react';
import { Caution, Heading, Primary, Refusal } from '../../kit/controls.tsx';
import { Shapes } from '../../kit/Shapes.tsx';
import { useWidth } from '../../kit/useWidth.ts';
import { useCommand } from '../../state/api.ts';
import { withdraw } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { pullHoles } from '../../state/jointActions.ts';

/** The joint on its map: numbered in the order it is pulled, a tick for every hole of every round, and the next with one key. */
export function JointRounds({ state }: { state: JointState }): JSX.Element {
  const { facts, state: job } = useJob();
  const { send, sending } = useCommand();
  const { joint, rounds, order, next } = state;
  const shaftId = facts.places.find(({ id }) => id === joint.placeId)?.shaftId;
  const shaft = job.shafts.find((each) => each.shaft.id === shaftId) ?? null;
  const current = shaft?.current?.build.id ?? null;
  const inBox = new Set(job.shafts.filter(({ assembly }) => assembly.id === joint.assemblyId).map((each) => each.shaft.id));
  const stations = new Map(facts.stations.map((station) => [station.id, station]));
  const after = facts.readings.findLast(({ stationId }) => inBox.has(stations.get(stationId)?.shaftId ?? ''))?.id ?? null;
  // while one is being kept the next is not; and nothing loses the focus by it
  const pull = (round: number, holes: readonly number[]): void => {
    if (!sending) void send(pullHoles(state, shaft, { round, holes, after })).catch(() => undefined);
  };
  // a hole tapped meanwhile has its turn; a key that is held down does not tick the whole of them
  const waiting = useRef<{ readonly round: number; readonly hole: number }[]>([]);
  useEffect(() => {
    if (sending) return;
    const next = waiting.current.shift();
    if (next && rounds[next.round]?.done.has(next.hole) === false) pull(next.round, [next.hole]);
  });
  const toggle = (round: number, hole: number): void => {
    if (sending) return void waiting.current.push({ round, hole });
    const done = state.pulls.find((each) => each.round === round && each.hole === hole);
    if (done) void send(withdraw('pull', done.id, 'not pulled')).catch(() => undefined);
    else pull(round, [hole]);
  };
  const at = next ? rounds[next.round] : undefined;
  const odd = useMemo(() => oddBoltsOf(facts, { joint, order }), [facts, joint, order]);
  const isMany = order.length > IN_A_LINE;
  return (
    <section aria-label={joint.name}>
      <div className="bg-sheet px-4 pt-2">
        <div className="flex flex-wrap items-baseline justify-between gap-x-3">
          <Heading>{joint.name}</Heading>
          <span className="text-[16px]">
            {joint.holes === 1 ? '' : `${joint.holes} of them`} {joint.thread}
            {joint.hand === 'left' && <span className="font-semibold"> left hand</span>}
          </span>
        </div>
        <OnItsMap state={state} />
        {odd.length > 0 && (
          <p className="m-0 pb-1 text-[16px]">
            Not as the rest:{' '}
            {odd.map(({ number, words }, i) => (
              <span key={number}>
                {i > 0 && '; '}
                <span className="num font-semibold">{number}</span> {words}
              </span>
            ))}
          </p>
        )}
        {joint.holes > 1 && <p className="m-0 pb-2 text-[16px] text-ink2">numbers are the order: from the middle outwards and across</p>}
      </div>
      {next && at && (
        <div className="no-print flex flex-wrap items-center justify-between gap-3 border-t-2 border-ink px-4 py-3">
          <p className="m-0 text-[17px]">
            <span className="label font-semibold">Next</span> <span className="num text-[20px] font-semibold">{order.indexOf(next.hole) + 1}</span>{' '}
            {at.words === 'hand' ? 'by hand' : at.words === 'once round again' ? `once round again, to ${lastWords(state)}` : `to ${at.words}`}
          </p>
          <Primary enter onClick={() => pull(next.round, [next.hole])}>
            {order.indexOf(next.hole) + 1} is done
          </Primary>
        </div>
      )}
      {state.isPartWay && (
        <p className="m-0 px-4 pb-2 text-[16px]">
          <Refusal>Part-way through a round: what is read now does not count.</Refusal>
        </p>
      )}
      {rounds.length === 0 ? (
        <p className="m-0 border-t-2 border-ink px-4 py-2 text-[17px]">
          {joint.adjusts
            ? 'It sets a float: it is turned, and pulled in no rounds.'
            : 'Say in what rounds it is pulled, and each is ticked here hole by hole.'}
        </p>
      ) : (
        <div className="overflow-x-auto border-t-2 border-ink">
          <table aria-label="Rounds" className="w-full border-collapse">
            <thead className={isMany ? 'sr-only' : ''}>
              <tr className="label h-10 text-[16px]">
                <th scope="col" className="pl-4 text-left">
                  Round
                </th>
                {order.map((hole, i) => (
                  <th key={hole} scope="col" className="min-w-12 text-center">
                    <span className="num">{i + 1}</span>
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rounds.map((round, i) => (
                <Round
                  key={i}
                  round={round}
                  isNow={next?.round === i}
                  order={order}
                  isMany={isMany}
                  nextHole={next?.round === i ? next.hole : null}
                  isOpen={(hole) => canToggle(state, i, hole, current)}
                  onToggle={(hole) => toggle(i, hole)}
                />
              ))}
            </tbody>
          </table>
        </div>
      )}
      {state.isTorqued && (
        <p className="m-0 border-t-2 border-ink px-4 py-2 text-[18px] font-medium text-good">
          All of it is torqued{shaft ? `: so is ${shaft.shaft.name.toLowerCase()}, as built` : ''}.
        </p>
      )}
      {joint.holes > 1 && (
        <div className="px-4 pb-3">
          <Caution>One bolt pulled right down first bows the flange, and the float reads false. Go round in turn.</Caution>
        </div>
      )}
    </section>
  );
}

/** So many holes stand in a line, with a finger's breadth for each. */
const IN_A_LINE = 6;

const lastWords = ({ rounds }: JointState): string => rounds.at(-2)?.words ?? '';

/** What is ticked on this build is unticked; what was ticked before has made a build, and is undone. */
const canToggle = ({ pulls, next }: JointState, round: number, hole: number, current: string | null): boolean => {
  const done = pulls.find((each) => each.round === round && each.hole === hole);
  return done ? done.buildId === current && (next === null || next.round === round) : next?.round === round;
};

function Round({
  round,
  isNow,
  order,
  isMany,
  nextHole,
  isOpen,
  onToggle,
}: {
  round: RoundState;
  isNow: boolean;
  order: readonly number[];
  /** more holes than stand in a line: each has its number by it */
  isMany: boolean;
  nextHole: number | null;
  isOpen: (hole: number) => boolean;
  onToggle: (hole: number) => void;
}): JSX.Element {
  return (
    <tr
      role="row"
      aria-current={isNow ? 'step' : undefined}
      className={`border-t border-rule ${isMany ? 'grid grid-cols-[repeat(auto-fill,minmax(44px,1fr))]' : ''} ${isNow ? 'border-l-4 border-l-blue bg-band' : ''}`}
    >
      <th scope="row" className={`py-1 pr-2 pl-4 text-left text-[17px] leading-5 font-medium ${isMany ? 'col-span-full' : ''}`}>
        {round.words}
      </th>
      {order.map((hole, i) => (
        <td key={hole} className="p-0 text-center">
          <label
            className={`flex items-center justify-center ${isMany ? 'h-15 flex-col' : 'h-12 min-w-12'} ${hole === nextHole ? 'outline-3 -outline-offset-3 outline-blue' : ''}`}
          >
            {isMany && (
              <span aria-hidden className="num text-[15px] leading-5">
                {i + 1}
              </span>
            )}
            <input
              type="checkbox"
              checked={round.done.has(hole)}
              disabled={!isOpen(hole)}
              onChange={() => onToggle(hole)}
              aria-label={`${round.words}, ${i + 1}`}
              className="h-6 w-6 accent-blue"
            />
          </label>
        </td>
      ))}
    </tr>
  );
}

function OnItsMap({ state }: { state: JointState }): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const { joint, spots, order, rounds, next, last } = state;
  const height = joint.holes === 1 ? 200 : 360;
  const w = Math.max(0, Math.min(width, 520));
  const done = new Map(order.map((hole) => [hole, rounds.filter((round) => round.done.has(hole)).length]));
  const all = rounds.length;
  const says = `${joint.name}: ${[...done].map(([hole, n]) => `${order.indexOf(hole) + 1}, ${n} of ${all} rounds`).join('; ')}`;
  return (
    <div ref={ref} className="flex justify-center">
      {w > 120 && (
        <svg role="img" aria-label={says} width={w} height={height} viewBox={`0 0 ${w} ${height}`}>
          <Shapes
            shapes={jointMapShapes({
              shape: joint.shape,
              spots,
              order,
              done,
              rounds: all,
              last: last?.hole ?? null,
              next: next?.hole ?? null,
              width: w,
              height,
            })}
            width={w}
            height={height}
            says={says}
          />
        </svg>
      )}
    </div>
  );
}
