import { formatLength, leavesTotal, MARK_WORDS, mm, thou, unitWord, type Length, type ShaftSolved } from '@elder-cog/core';
import { fitsOf, moversOf, packWords, placeOf, solveQuestion, type Mover, type ShaftState, type SolveAsked, type Tried } from '@elder-cog/derive';
import { useEffect, useMemo, useState, type JSX } from 'react';
import { Heading, Primary, Quiet } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { takeSet } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { stopShaftSearch, useShaftSolved } from '../../workers/shaft.ts';
import { GapFigures } from './Tried.tsx';

/** At most so much is taken off by lapping, where nobody says otherwise. Common practice, no source. */
const LAP = { thou: thou(6), mm: mm(0.15) } as const;

/** Everything asked and answered of all the gaps of a shaft together. */
export interface Sets {
  readonly shaft: ShaftState;
  readonly movers: readonly Mover[];
  readonly lapped: ReadonlySet<string>;
  readonly toggle: (id: string) => void;
  /** null while fewer than two gaps can be judged */
  readonly asked: SolveAsked | null;
  readonly solved: ShaftSolved | null;
  readonly isTrying: boolean;
  readonly isStopped: boolean;
  readonly again: () => void;
  /** at most so much may be lapped off what is ticked */
  readonly most: Length;
  readonly setMost: (most: Length) => void;
}

/** What moves what, and the sets that bring all in: of a shaft with several gaps. */
export function useShaftSets(shaft: ShaftState | null): Sets | null {
  const { facts, lots, fitted } = useJob();
  const unit = useSettings((s) => s.unit);
  const [lapped, setLapped] = useState<ReadonlySet<string>>(new Set());
  const several = shaft !== null && shaft.gaps.length > 1 ? shaft : null;
  const [most, setMost] = useState<Length>(LAP[unit]);
  const movers = useMemo(() => (several ? moversOf(facts, several) : []), [facts, several]);
  const asked = useMemo(() => {
    const question = several && solveQuestion(facts, several, { lots, fitted, laps: new Map([...lapped].map((id) => [id, most])) });
    return question && question.question.gaps.length > 1 ? question : null;
  }, [facts, several, lots, fitted, lapped, most]);
  const { data, isFetching, isError, refetch } = useShaftSolved(asked?.question ?? null);
  if (!several) return null;
  const toggle = (id: string): void =>
    setLapped((before) => (before.has(id) ? new Set([...before].filter((each) => each !== id)) : new Set([...before, id])));
  return {
    shaft: several,
    movers,
    lapped,
    toggle,
    asked,
    solved: data ?? null,
    isTrying: isFetching,
    isStopped: isError && !isFetching,
    again: () => void refetch(),
    most,
    setMost,
  };
}

/** Whether what is in a slot moves more than one gap, and there are sets that bring all of them in. */
export const isCoupled = (sets: Sets | null, slotId: string | undefined): boolean =>
  sets !== null && sets.asked !== null && (sets.movers.find((m) => m.id === slotId)?.by.filter((by) => by !== 0).length ?? 0) > 1;

/** The sets of parts that bring every gap in. */
export function ShaftAnswer({ sets, onTry }: { sets: Sets; onTry: (tried: readonly Tried[]) => void }): JSX.Element {
  const { asked, solved, isTrying } = sets;
  return (
    <section aria-label="All gaps together" className="border-t-2 border-ink px-4 py-3">
      {asked === null ? (
        <p className="m-0 text-ink2">When two gaps have limits and are read, the sets that bring all in are worked out here.</p>
      ) : (
        <>
          {isTrying && <Trying />}
          {sets.isStopped && (
            <p className="m-0 flex flex-wrap items-center gap-x-3 text-ink2">
              The search was stopped. <Quiet onClick={sets.again}>Try again</Quiet>
            </p>
          )}
          {solved && <Answer solved={solved} asked={asked} sets={sets} onTry={onTry} />}
          {asked.leftOut.length > 0 && (
            <p className="m-0 text-[15px] text-ink2">
              Left out: {asked.leftOut.map(({ name, why }) => `${name.toLowerCase()}, for ${why}`).join('; ')}.
            </p>
          )}
        </>
      )}
    </section>
  );
}

/** A search that takes longer than a moment says so, and can be stopped. */
function Trying(): JSX.Element {
  const [isLong, setIsLong] = useState(false);
  useEffect(() => {
    const timer = setTimeout(() => setIsLong(true), 1000);
    return () => clearTimeout(timer);
  }, []);
  return (
    <div className="flex items-center gap-3">
      <progress aria-label="Sets are being tried" className="w-full" />
      {isLong && <Quiet onClick={stopShaftSearch}>Stop</Quiet>}
    </div>
  );
}

const signed = (by: number): string => (by === 0 ? '·' : by > 0 ? `+${by}` : `−${-by}`);

/** How far each slot, and each end that may be lapped, moves each gap; ticked, it may be lapped. */
export function Moves({ sets: { movers, shaft, lapped, toggle, most, setMost } }: { sets: Sets }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  return (
    <section aria-label="What moves what" className="mt-2 border-t border-rule pt-2">
      <table className="w-full">
        <caption className="text-left">
          <span className="flex items-baseline justify-between">
            <span className="label text-[18px] font-semibold">What moves what</span>
            <span className="text-[15px] text-ink2">by 1, the gap by</span>
          </span>
        </caption>
        <thead>
          <tr>
            <th className="text-left text-[15px] font-normal text-ink2">
              <span className="print:hidden">tick: may be lapped</span>
            </th>
            {shaft.gaps.map(({ letter, station }) => (
              <th key={letter} scope="col" className="label w-9 text-right text-[17px] font-semibold text-blue" title={station.name}>
                {letter}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {movers.map(({ id, isSlot, letter, name, by }) => (
            <tr key={id} className="border-t border-rule">
              <th scope="row" className="text-left leading-5 font-normal">
                {!isSlot ? (
                  <label className="flex min-h-11 cursor-pointer items-center gap-2 print:min-h-6">
                    <input
                      type="checkbox"
                      checked={lapped.has(id)}
                      onChange={() => toggle(id)}
                      className={`h-5 w-5 shrink-0 accent-blue ${lapped.has(id) ? '' : 'print:hidden'}`}
                    />
                    <span className="min-w-0">{name}</span>
                  </label>
                ) : (
                  <span className="flex min-h-9 items-center gap-2 print:min-h-6">
                    <span className="label w-5 font-semibold text-brass-text">{letter}</span>
                    <span>
                      {name.replace(/^Washer [A-Z], /, '')} <span className="text-ink2">thicker</span>
                    </span>
                  </span>
                )}
              </th>
              {by.map((each, i) => (
                <td key={i} className={`num text-right ${each === 0 ? 'text-ink2' : 'font-semibold'}`}>
                  {signed(each)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {lapped.size > 0 && <MostLapped key={unit} most={most} unit={unit} onKeep={setMost} />}
    </section>
  );
}

/** How much may be lapped off what is ticked. */
function MostLapped({ most, unit, onKeep }: { most: Length; unit: 'thou' | 'mm'; onKeep: (most: Length) => void }): JSX.Element {
  const entry = useEntry(
    { field: 'size', bare: unit, quantity: 'float' },
    {
      initial: `${formatLength(most, unit)} ${unitWord(unit)}`,
      also: (understood) =>
        understood.kind === 'understood' && understood.value <= 0
          ? { kind: 'refused', code: 'notALap', message: 'A lap takes something off: more than nothing.' }
          : understood,
      onKeep: (meaning) => onKeep(meaning.value),
    },
  );
  return (
    <form onSubmit={entry.keep} onBlur={() => entry.keep()} className="mt-1">
      <EntryField entry={entry} id="most-lapped" label="At most, off each" inRow placeholder={unit === 'mm' ? 'like 0.12' : 'like 4½'} />
    </form>
  );
}

interface AnswerProps {
  readonly solved: ShaftSolved;
  readonly asked: SolveAsked;
  readonly sets: Sets;
  readonly onTry: (tried: readonly Tried[]) => void;
}

/** The best set, or the nearest and what to buy: what goes in, what comes off, and what every gap comes to. */
function Answer({ solved, asked, sets, onTry }: AnswerProps): JSX.Element {
  const { shaft, movers } = sets;
  const { send, sending } = useCommand();
  const unit = useSettings((s) => s.unit);
  const [best] = solved.solutions;
  const isLapped = best !== undefined && Object.keys(best.laps).length > 0;
  const changes = best ? fitsOf(best, asked) : [];
  const sizes = best ? Object.entries(best.laps).map(([id, lap]) => ({ name: movers.find((m) => m.id === id)?.name ?? '', lap })) : [];
  const isRight = best !== undefined && changes.length === 0 && sizes.length === 0;
  return (
    <div>
      <p className="m-0 mb-1 flex items-baseline justify-between">
        <Heading>{best ? (isRight ? 'Right as it is' : isLapped ? 'Best, with lapping' : 'Best set on hand') : 'No set on hand does it'}</Heading>
        <span className="text-[15px] text-ink2">{solved.explored.toLocaleString('en')} tried</span>
      </p>
      {!best && untouched(asked, sets) !== '' && <p className="m-0 mb-1">{untouched(asked, sets)}</p>}
      {solved.stopped && <p className="m-0 text-ink2">It was stopped before the end: there may be better.</p>}
      <div className="grid gap-3 sm:grid-cols-2">
        {best && !isRight && (
          <div className="border-2 border-blue bg-sheet p-3">
            <SetWords picks={best.picks} laps={sizes} asked={asked} movers={movers} unit={unit} />
            <Gaps gaps={best.gaps} shaft={shaft} />
            {best.chance !== undefined && (
              <p className="m-0 text-ink2">
                chance that all are in <span className="num">{Math.round(best.chance * 100)}</span> in 100
              </p>
            )}
            <p className="m-0 text-[15px] text-ink2">{coupling(best.gaps, shaft, unit)}</p>
            <Primary
              disabled={sending}
              className="mt-2 w-full"
              onClick={() =>
                void send(
                  ...takeSet(
                    shaft,
                    changes,
                    sizes.map(({ name, lap }) => `Lap ${formatLength(lap, unit)} ${unitWord(unit)} off: ${name}, then measure it`),
                  ),
                ).catch(() => undefined)
              }
            >
              Take this set
            </Primary>
            {!isLapped && <Quiet onClick={() => onTry(changes)}>See it in the drawing first</Quiet>}
          </div>
        )}
        {!best && solved.nearest && (
          <div className="border border-edge bg-sheet p-3">
            <p className="m-0 text-ink2">
              nearest, <span className="num">{formatLength(solved.nearest.outside, unit)}</span> out at the worst
            </p>
            <SetWords picks={solved.nearest.picks} laps={[]} asked={asked} movers={movers} unit={unit} />
            <Gaps gaps={solved.nearest.gaps} shaft={shaft} />
          </div>
        )}
        {solved.buy && (
          <div className="border-2 border-dashed border-brass-text bg-sheet p-3">
            <p className="m-0">
              One to make or buy, for <span className="label font-semibold text-brass-text">{letterOf(solved.buy.slot, movers)}</span>:{' '}
              <strong className="num text-[20px] font-semibold">
                {formatLength(solved.buy.thickness, unit)} {unitWord(unit)}
              </strong>{' '}
              <span className="num text-ink2">{formatLength(solved.buy.thickness, unit === 'mm' ? 'thou' : 'mm')}</span>
            </p>
            <Gaps gaps={solved.buy.gaps} shaft={shaft} />
          </div>
        )}
      </div>
    </div>
  );
}

/** Gaps that are out and that nothing chosen moves: only a lap will. */
function untouched({ question }: SolveAsked, { shaft, movers, lapped }: Sets): string {
  const slots = new Set(question.slots.map((s) => s.id));
  const out = shaft.gaps.filter(
    (gap, g) => (gap.mark === 'loose' || gap.mark === 'tight') && !movers.some((m) => (slots.has(m.id) || lapped.has(m.id)) && (m.by[g] ?? 0) !== 0),
  );
  const said = out.map(({ letter, mark }) => `${letter} is ${MARK_WORDS[mark].toLowerCase()}, and nothing that is chosen touches it`);
  return said.length === 0 ? '' : `${said.join('; ')}: only what may be lapped.`;
}

const letterOf = (slot: string, movers: readonly Mover[]): string => movers.find((m) => m.id === slot)?.letter ?? 'the pack';

interface SetProps {
  readonly picks: ShaftSolved['solutions'][number]['picks'];
  readonly laps: readonly { readonly name: string; readonly lap: Length }[];
  readonly asked: SolveAsked;
  readonly movers: readonly Mover[];
  readonly unit: 'thou' | 'mm';
}

function SetWords({ picks, laps, asked, movers, unit }: SetProps): JSX.Element {
  return (
    <p className="m-0 flex flex-wrap gap-x-4 text-[18px]">
      {asked.question.slots
        .filter(({ id }) => movers.some((m) => m.id === id && m.isSlot))
        .flatMap(({ id }) => {
          const leaves = (picks[id] ?? []).flatMap((choice) => {
            const leaf = asked.leaves.get(choice);
            return leaf ? [{ lotId: leaf.lotId, thickness: leaf.thickness, written: leaf.written, unit: leaf.unit, count: 1 }] : [];
          });
          return [
            <span key={id}>
              <span className="label font-semibold text-brass-text">{letterOf(id, movers)}</span>{' '}
              <strong className="num font-semibold">{packWords(leaves)}</strong>{' '}
              {leaves.length > 1 && <span className="num text-[15px] text-ink2">{formatLength(leavesTotal(leaves), unit)}</span>}
            </span>,
          ];
        })}
      {laps.map(({ name, lap }) => (
        <span key={name}>
          <strong className="num font-semibold">{formatLength(lap, unit)}</strong> off the {name.toLowerCase()}
        </span>
      ))}
    </p>
  );
}

function Gaps({ gaps, shaft }: { gaps: Readonly<Record<string, Length>>; shaft: ShaftState }): JSX.Element {
  const shown = shaft.gaps.flatMap(({ station, letter, limits }) => {
    const value = gaps[station.id];
    if (value === undefined || !limits) return [];
    return [{ letter, value, mark: placeOf(value, limits.limits, station) }];
  });
  return <GapFigures label="What they come to" gaps={shown} />;
}

/** "A goes from 10 to 6, D from 6 to 10": what sharing parts does to the others. */
function coupling(gaps: Readonly<Record<string, Length>>, shaft: ShaftState, unit: 'thou' | 'mm'): string {
  const moved = shaft.gaps.flatMap(({ station, letter, now }) => {
    const [after, before] = [gaps[station.id], now.reading?.value];
    if (after === undefined || before === undefined || after === before) return [];
    return [`${letter} goes from ${formatLength(before, unit)} to ${formatLength(after, unit)}`];
  });
  return moved.length === 0 ? '' : `${moved.join(', ')}.`;
}
