import { axisTicks, formatLength, MARK_WORDS, nanometres, unitWord, type Length } from '@elder-cog/core';
import {
  forSlot,
  availableFor,
  packWords,
  type GapState,
  type LadderRow,
  type PackChoice,
  type Slot,
  type ShaftState,
  slotStateOf,
  stateWords,
  taughtOf,
} from '@elder-cog/derive';
import { useEffect, useMemo, useRef, useState, type JSX } from 'react';
import { Heading, Primary, Refusal } from '../../kit/controls.tsx';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { Pack } from '../../kit/Pack.tsx';
import { SumView } from '../../kit/SumView.tsx';
import { useWidth } from '../../kit/useWidth.ts';
import { useCommand } from '../../state/api.ts';
import { fitPack } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { usePackChoices } from '../../workers/packs.ts';
import { ReadingEntry } from '../Section/ReadingEntry.tsx';
import { NoShaft } from '../Section/Section.tsx';
import { SetUp, setUpStep } from '../Section/SetUp.tsx';
import { useSkips } from '../../state/skips.ts';

const ROW = 76;

/** The ladder of builds: pack in, what was said, what was read, on one scale down the page; and what to change next. */
export default function DryBuilds(): JSX.Element {
  const { state, shaft, gap, lots, fitted } = useJob();
  const { send, sending } = useCommand();
  const unit = useSettings((s) => s.unit);
  const entry = useRef<HTMLInputElement>(null);
  const fitButton = useRef<HTMLButtonElement>(null);
  const skipped = useSkips((s) => s.skipped);
  const slot = shaft && gap ? slotStateOf(shaft, gap) : undefined;
  const window = gap?.pack?.window;
  const reading = gap?.now.reading;
  const { data: choices } = usePackChoices(
    window?.reachable && reading && gap?.pack?.known && slot
      ? {
          window,
          available: forSlot(slot, availableFor(slot.slot.id, lots, fitted)).fits,
          fitted: gap.pack.fitted,
          reading: reading.value,
          sense: gap.pack.sense,
          ...(slot.slot.isOne ? { most: 1 } : {}),
        }
      : null,
  );
  const [wantsFit, setWantsFit] = useState<string | null>(null);
  const isReckoned = wantsFit !== null && gap?.now.kept.some((each) => each.id === wantsFit) === true;
  const best = gap?.needsPack && !gap.isShared ? choices?.choices[0] : undefined;
  useEffect(() => {
    if (!isReckoned || (gap?.needsPack && !choices)) return;
    setWantsFit(null);
    if (best) fitButton.current?.focus();
  }, [isReckoned, gap?.needsPack, choices, best]);
  if (!shaft || !gap) return <NoShaft jobId={state.job.id} />;
  const step = setUpStep(shaft, gap, { drawerEmpty: lots.length === 0, skipped });
  const fit = async (choice: PackChoice): Promise<void> => {
    if (!slot) return;
    try {
      await send(fitPack(shaft, slot.slot.id, choice.leaves));
      entry.current?.focus();
    } catch {
      // the title block says why
    }
  };
  return (
    <div className="grid min-h-full grid-cols-[minmax(0,1fr)_320px] max-lg:grid-cols-1">
      <div className="flex min-w-0 flex-col">
        <h1 className="sr-only">Dry builds of the {shaft.shaft.name.toLowerCase()}</h1>
        {gap.ladder.length === 0 ? (
          <div className="p-5">
            <Heading>No build yet</Heading>
            <p className="max-w-prose">
              A build is the assembly as it stands: what is in it, and what was read on it. The first is written when you say what pack is in now, or
              read a float that no pack sets.
            </p>
          </div>
        ) : (
          <Ladder gap={gap} next={best ?? null} />
        )}
        <div className="border-t-2 border-ink px-4 py-3">
          {step ? (
            <SetUp step={step} shaft={shaft} gap={gap} onMethod={() => entry.current?.focus()} />
          ) : (
            <ReadingEntry key={gap.station.id} shaft={shaft} gap={gap} entryRef={entry} onKept={setWantsFit} />
          )}
        </div>
      </div>
      <aside aria-label="What to change" className="min-w-0 border-l-2 border-ink px-5 py-3 max-lg:border-t-2 max-lg:border-l-0">
        <Heading>What to change</Heading>
        {best ? (
          <>
            <p className="m-0 mt-1 text-[18px]">
              Take out <strong className="num text-[20px] font-semibold">{slot?.words}</strong>,
              <br />
              put in <strong className="num text-[20px] font-semibold">{packWords(best.leaves)}</strong>.
            </p>
            <p className="m-0 my-1 flex flex-wrap items-baseline justify-between gap-x-3">
              <span className="text-[17px]">
                Expect <span className="num text-[28px] font-semibold">{formatLength(best.gives, unit)}</span>{' '}
                <span className="num text-[18px]">±{formatLength((gap.now.U ?? 0) as Length, unit)}</span>
              </span>
              <span>{best.sure ? 'in, sure' : 'in, if the reading holds'}</span>
            </p>
            <Primary ref={fitButton} enter disabled={sending} className="w-full" onClick={() => void fit(best)}>
              Fit this pack
            </Primary>
          </>
        ) : (
          <p className="m-0 mt-1 text-ink2">
            {gap.needsPack && gap.isShared
              ? 'It shares a part with another gap: sets that bring all of them in are on the Section.'
              : nothingToFit(gap, choices?.choices.length === 0)}
          </p>
        )}
        <div className="mt-3 border-t-2 border-ink pt-3">
          <Heading>What the builds taught</Heading>
          {gap.lessons.length === 0 && (
            <p className="m-0 text-ink2">
              {gap.adjuster ? 'Nothing yet: two builds read with different packs prove which way it goes.' : 'Nothing yet.'}
            </p>
          )}
          {gap.lessons.map((lesson) => (
            <p key={lesson.words + lesson.detail} className="m-0 my-2">
              <span className="block text-[17px]">{lesson.words}</span>
              <span className="block text-ink2">{lesson.detail}</span>
            </p>
          ))}
          <Together shaft={shaft} gap={gap} />
        </div>
        {gap.pack && gap.pack.sum.length > 0 && (
          <div className="mt-3 border-t border-rule pt-3">
            <Heading>The sum</Heading>
            <SumView sum={gap.pack.sum} unit={unit} answerAt={4} />
          </div>
        )}
      </aside>
    </div>
  );
}

/** What all builds say together: how far torque, a gasket or a bearing moves the gap, and the build that does not fit the others. */
function Together({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element | null {
  const { facts } = useJob();
  const unit = useSettings((s) => s.unit);
  const taught = useMemo(() => taughtOf(facts, shaft, gap), [facts, shaft, gap]);
  if (!taught) return null;
  // of the last build it is said already that it is not as it was forecast
  const isSaid = (build: number): boolean => gap.ladder.some((row) => row.isNow && row.build.number === build && row.residual !== null);
  const questioned = taught.questioned.filter(({ build }) => !isSaid(build));
  if (taught.steps.length === 0 && questioned.length === 0) return null;
  const said = (length: number): string => formatLength(nanometres(Math.abs(length)), unit);
  return (
    <section aria-label="All of them together" className="mt-2 border-t border-rule pt-2">
      <h3 className="label m-0 text-[16px] font-semibold">All of them together</h3>
      {taught.steps.map(({ from, to, value, U }) => (
        <p key={`${from} ${to}`} className="m-0 my-1">
          From {from} to {to} it {value < 0 ? 'closes' : 'opens'} <span className="num font-semibold">{said(value)}</span>{' '}
          <span className="num">±{said(U)}</span> <span className="unit text-[15px]">{unitWord(unit)}</span>
          {Math.abs(value) > U ? '.' : ', which may be nothing.'}
        </p>
      ))}
      {questioned.map(({ build, by }) => (
        <p key={build} className="m-0 my-1">
          <Refusal>
            Build {build} does not fit the others: {said(by)} {unitWord(unit)} {by > 0 ? 'over' : 'under'} what they say. Was it seated, torqued and
            turned? Nothing is taken from it till it is read again or taken back.
          </Refusal>
        </p>
      ))}
    </section>
  );
}

/** Why nothing is offered to fit. */
function nothingToFit(gap: GapState, noneLands: boolean): string {
  if (gap.mark === 'in')
    return gap.verdict?.sure === 'sure'
      ? 'Nothing: it is right. Tick the checks on the Section.'
      : 'Nothing: it is right as it was read. Read it again to be surer.';
  if (gap.mark === 'accepted') return 'Nothing: it was accepted as it is.';
  if (gap.now.kind === 'forecast') return 'Read it first: the pack is in.';
  if (!gap.pack && gap.now.kind === 'read') return withNoPack(gap);
  if (gap.pack?.refusal) return gap.pack.refusal.message;
  if (gap.pack?.window && !gap.pack.window.reachable) return gap.pack.window.because ?? '';
  if (gap.needsPack && !gap.pack?.known) return 'Nobody has measured what is in: the Section says how much to add or take out.';
  if (gap.needsPack && noneLands) return 'No pack on hand lands: see the Section for the shim to make.';
  if (gap.now.kind === 'read') return gap.verdict?.because ?? gap.now.because ?? 'With no limits, nothing is reckoned.';
  return 'Read the gap, and it is worked out here.';
}

/** What there is to be done about a float that no pack sets. */
function withNoPack({ sleeve, limits, now, verdict }: GapState): string {
  if (!limits) return 'With no limits, nothing is reckoned.';
  if (sleeve) return sleeve.refusal ?? 'A crush sleeve sets it: the Section says how much shorter it is to become.';
  return verdict?.because ?? now.because ?? 'No pack sets it: put in shims, choose a part by its thickness, or lap one, on the Section.';
}

/** One scale for every row, so that drift and closing-up are seen. */
function ladderScale(gap: GapState, next: PackChoice | null): readonly [number, number] {
  const seen = [
    gap.limits?.limits.min,
    gap.limits?.limits.max,
    next?.gives,
    0,
    ...gap.ladder.flatMap((row) => [row.reading?.value, row.said]),
  ].filter((v): v is Length => v !== undefined && v !== null);
  const [low, high] = [Math.min(...seen), Math.max(...seen)];
  const margin = Math.max((high - low) / 7, 25_400);
  return [low - margin, high + margin];
}

function Ladder({ gap, next }: { gap: GapState; next: PackChoice | null }): JSX.Element {
  const [ref, width] = useWidth<HTMLDivElement>();
  const unit = useSettings((s) => s.unit);
  const rows = gap.ladder;
  const [low, high] = ladderScale(gap, next);
  const narrow = width < 560;
  const scaleAt = narrow ? 172 : Math.max(296, Math.round(width * 0.33));
  const scaleWide = Math.max(80, width - scaleAt - (narrow ? 106 : 196));
  const x = (value: number): number => scaleAt + ((value - low) / (high - low)) * scaleWide;
  const count = rows.length + (next ? 1 : 0);
  const { min, max } = gap.limits?.limits ?? {};
  const ticks = axisTicks({ low, high, unit, wide: scaleWide, apart: 58 }).filter((t) =>
    [min, max].every((l) => l === undefined || Math.abs(x(t.at) - x(l)) > 26),
  );
  const tallest = nanometres(Math.max(...rows.map((r) => r.pack), next?.total ?? 0, 1) * 1.9);
  return (
    <div ref={ref} className="relative min-w-0 overflow-hidden">
      <div className="relative h-14 border-b-2 border-ink">
        <span className="label absolute bottom-2 left-4 text-[18px] font-semibold">Build</span>
        {!narrow && (
          <span className="label absolute bottom-2 left-[110px] text-[18px] font-semibold">
            {gap.sleeve && !gap.pack ? 'Crush sleeve' : `Pack in, ${unitWord(unit)}`}
          </span>
        )}
        <span className="label absolute right-[140px] bottom-2 text-[18px] font-semibold max-sm:right-4">Read</span>
        {width > 0 && (
          <svg width={width} height="56" className="absolute inset-0" aria-hidden="true">
            {ticks.map((t) => (
              <text key={t.at} x={x(t.at)} y="22" textAnchor="middle" className="num" fontSize="15" fill="var(--ink2)">
                {t.words}
              </text>
            ))}
            {[min, max].map(
              (l, i) =>
                l !== undefined && (
                  <text
                    key={l}
                    x={x(l)}
                    y="22"
                    textAnchor={min !== undefined && max !== undefined && x(max) - x(min) < 30 ? (i === 0 ? 'end' : 'start') : 'middle'}
                    className="num"
                    fontSize="16"
                    fontWeight="600"
                    fill="var(--blue)"
                  >
                    {formatLength(l, unit, unit === 'mm' ? 2 : 1).replace(/\.0$/, '')}
                  </text>
                ),
            )}
            {x(0) - scaleAt > 54 && (
              <text x={x(0) - 8} y="44" textAnchor="end" className="label" fontSize="14" fill="var(--ink2)">
                PRELOAD
              </text>
            )}
            <text x={x(0) + 8} y="44" className="label" fontSize="14" fill="var(--ink2)">
              {`FLOAT, ${unitWord(unit).toUpperCase()}`}
            </text>
          </svg>
        )}
      </div>
      {width > 0 && (
        <svg width={width} height={count * ROW} className="pointer-events-none absolute top-14 left-0" aria-hidden="true">
          <rect x={scaleAt} width={Math.max(0, x(0) - scaleAt)} height={count * ROW} fill="url(#hatch-preload)" />
          {min !== undefined && max !== undefined && <rect x={x(min)} width={x(max) - x(min)} height={count * ROW} fill="var(--band)" />}
          {ticks.map((t) => (
            <path key={t.at} d={`M${x(t.at)},0v${count * ROW}`} stroke="var(--rule)" />
          ))}
          {[min, max].map((l) => l !== undefined && <path key={l} d={`M${x(l)},0v${count * ROW}`} stroke="var(--blue)" strokeWidth="2" />)}
          <path d={`M${x(0)},0v${count * ROW}`} stroke="var(--ink)" strokeWidth="2" />
          {rows.map((row, i) => (
            <Needles key={row.build.build.id} row={row} top={i * ROW} x={x} unit={unit} />
          ))}
          {next && <Hollow at={x(next.gives)} top={rows.length * ROW + 8} />}
        </svg>
      )}
      <ol className="m-0 list-none p-0">
        {rows.map((row) => (
          <Rung
            key={row.build.build.id}
            row={row}
            unit={unit}
            narrow={narrow}
            tallest={tallest}
            sleeveSlot={gap.pack ? null : (gap.sleeve?.slot ?? null)}
          />
        ))}
        {next && (
          <li className="relative flex items-center justify-between border-t-2 border-dashed border-brass-text px-4" style={{ height: ROW }}>
            <span className="w-[92px]">
              <span className="num block text-[28px] leading-8 font-semibold">{(rows[rows.length - 1]?.build.number ?? 0) + 1}</span>
              <span className="label text-[16px] font-semibold">next</span>
            </span>
            {!narrow && <RungPack leaves={next.leaves} total={next.total} unit={unit} style="want" tallest={tallest} />}
            <span className="ml-auto w-[168px] max-sm:w-[76px]">
              <span className="num text-[28px] leading-8 font-semibold">{formatLength(next.gives, unit)}</span>
              <span className="label block text-[16px] font-semibold text-ink2">said</span>
            </span>
          </li>
        )}
      </ol>
      <p className="m-0 flex flex-wrap gap-x-5 px-4 py-2 text-[15px] text-ink2">
        <span>▽ said</span>
        <span>▼ read</span>
        <span>⊢⊣ where it may lie</span>
        <span>+1, −1: how far the reading fell from what was said</span>
      </p>
    </div>
  );
}

function Needles({ row, top, x, unit }: { row: LadderRow; top: number; x: (v: number) => number; unit: 'thou' | 'mm' }): JSX.Element {
  const colour = {
    in: 'var(--right)',
    tight: 'var(--tight)',
    loose: 'var(--loose)',
    stale: 'var(--ink2)',
    cannotTell: 'var(--ink2)',
    unmeasured: 'var(--ink2)',
    accepted: 'var(--loose)',
  }[row.mark];
  const stale = row.mark === 'stale';
  const at = row.reading ? x(row.reading.value) : null;
  const y = row.said === null ? top + 14 : top + 26;
  return (
    <g>
      {row.said !== null && <Hollow at={x(row.said)} top={top + 6} />}
      {at !== null && (
        <>
          <path d={`M${at},${y + 10}V${top + ROW - 12}`} stroke={colour} strokeWidth="3" strokeDasharray={stale ? '3 3' : undefined} />
          <path d={`M${at - 8.5},${y}h17l-8.5,13z`} fill={stale ? 'var(--paper)' : colour} stroke={colour} strokeWidth={stale ? 1.6 : 0} />
          {row.U !== null && row.U > 0 && (
            <path
              d={`M${x((row.reading?.value ?? 0) - row.U)},${top + 58}H${x((row.reading?.value ?? 0) + row.U)}M${x((row.reading?.value ?? 0) - row.U)},${top + 53}v10M${x((row.reading?.value ?? 0) + row.U)},${top + 53}v10`}
              stroke={colour}
              strokeWidth="2"
              fill="none"
            />
          )}
        </>
      )}
      {row.residual !== null && at !== null && (
        <text
          x={Math.min(at, x(row.said ?? 0)) - 16}
          y={top + 42}
          textAnchor="end"
          className="num"
          fontSize="16"
          fontWeight="600"
          fill="var(--ink)"
          stroke="var(--paper)"
          strokeWidth="4"
          paintOrder="stroke"
        >
          {row.residual > 0 ? '+' : ''}
          {formatLength(row.residual, unit).replace(/\.0$/, '')}
        </text>
      )}
    </g>
  );
}

const Hollow = ({ at, top }: { at: number; top: number }): JSX.Element => (
  <g>
    <path d={`M${at},${top + 12}v50`} stroke="var(--ink)" strokeWidth="1.8" strokeDasharray="3 2.4" />
    <path d={`M${at - 8},${top}h16l-8,12z`} fill="var(--sheet)" stroke="var(--ink)" strokeWidth="1.6" strokeDasharray="3 1.6" />
  </g>
);

interface RungProps {
  readonly row: LadderRow;
  readonly unit: 'thou' | 'mm';
  readonly narrow: boolean;
  readonly tallest: Length;
  /** the slot of the crush sleeve that sets the gap, where no pack does */
  readonly sleeveSlot: Slot | null;
}

function Rung({ row, unit, narrow, tallest, sleeveSlot }: RungProps): JSX.Element {
  const fitting = sleeveSlot && row.build.fitted.get(sleeveSlot.id);
  const sleeve = sleeveSlot && (fitting?.drawnUp === undefined ? 'as found' : stateWords(sleeveSlot, fitting.state).replace(/^sleeve /, ''));
  return (
    <li
      className={`relative flex items-center justify-between border-t border-rule px-4 first:border-t-0 ${row.isNow ? 'border-l-4 border-l-blue pl-3' : ''}`}
      style={{ height: ROW }}
    >
      <span className="w-[92px] shrink-0">
        <span className="num block text-[28px] leading-8 font-semibold">{row.build.number}</span>
        <span className="label block text-[15px] leading-4 font-semibold">{row.stage}</span>
      </span>
      {narrow ? (
        <span className={`num w-16 text-[15px] font-semibold ${sleeve === null ? 'whitespace-nowrap' : 'leading-4'}`}>
          {sleeve ?? packWords(row.leaves).replaceAll(' ', '')}
        </span>
      ) : sleeve === null ? (
        <RungPack leaves={row.leaves} total={row.pack} unit={unit} style="on" tallest={tallest} />
      ) : (
        <span className="w-[180px] shrink-0 pl-3">{sleeve}</span>
      )}
      <span className="ml-auto w-[168px] shrink-0 max-sm:w-[76px]">
        <span className="flex items-center gap-3">
          <span className="max-sm:hidden">
            <Mark kind={row.mark} named={false} />
          </span>
          <span className="num text-[28px] leading-8 font-semibold">
            {row.reading ? formatLength(row.reading.value, unit).replace(/\.0$/, '') : '?'}
          </span>
        </span>
        <span className="block truncate">
          <span className={`label text-[16px] font-semibold ${MARK_TEXT[row.mark]}`}>{MARK_WORDS[row.mark]}</span>
          <span className="pl-2 text-[15px] text-ink2 max-sm:hidden">
            {[row.staleBecause ?? row.build.build.feel.join(', '), row.isNow ? 'now' : ''].filter((w) => w !== '').join(', ')}
          </span>
        </span>
      </span>
    </li>
  );
}

function RungPack({
  leaves,
  total,
  unit,
  style,
  tallest,
}: {
  leaves: LadderRow['leaves'];
  total: Length;
  unit: 'thou' | 'mm';
  style: 'on' | 'want';
  tallest: Length;
}): JSX.Element {
  return (
    <span className="flex w-[180px] shrink-0 items-center gap-3">
      <Pack leaves={leaves ?? []} labels={false} width={84} style={style} tallest={tallest} />
      <span>
        <span className="num block text-[20px] leading-6 font-semibold">{leaves === null ? '?' : formatLength(total, unit).replace(/\.0$/, '')}</span>
        <span className="num block text-[15px] leading-5 text-ink2">{packWords(leaves)}</span>
      </span>
    </span>
  );
}
