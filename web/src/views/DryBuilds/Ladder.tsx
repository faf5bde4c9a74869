import { axisTicks, formatLength, MARK_WORDS, nanometres, unitWord, type Length } from '@elder-cog/core';
import {
  buildName,
  FEELS,
  feelsByBuild,
  packWords,
  type GapState,
  type LadderRow,
  type PackChoice,
  type Slot,
  stateWords,
  turnIn,
} from '@elder-cog/derive';
import type { JSX } from 'react';
import { Mark, MARK_TEXT } from '../../kit/Mark.tsx';
import { Pack } from '../../kit/Pack.tsx';
import { useWidth } from '../../kit/useWidth.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';

const ROW = 76;
/** One of the ready words, which has room on its rung; more than one, and anything longer, stands in full under the ladder. */
const isShort = (word: string): boolean => (FEELS as readonly string[]).includes(word);

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

/** Every build a rung: what was in it, what had been said of it, what it read, how it felt. */
export function Ladder({ gap, next }: { gap: GapState; next: PackChoice | null }): JSX.Element {
  const { facts } = useJob();
  const feels = feelsByBuild(facts);
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
                    textAnchor={
                      min !== undefined && max !== undefined && x(max) - x(min) < (unit === 'mm' ? 46 : 30) ? (i === 0 ? 'end' : 'start') : 'middle'
                    }
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
            felt={(feels.get(row.build.build.id) ?? []).map(({ word }) => word)}
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
      {rows.map(({ build }) => {
        const words = (feels.get(build.build.id) ?? []).map(({ word }) => word);
        const isOnRung = words.length === 1 && words.every(isShort);
        return words.length === 0 || isOnRung ? null : (
          <p key={build.build.id} className="m-0 px-4 pt-1 text-[16px]">
            Build {buildName(build)} felt: {words.join('; ')}
          </p>
        );
      })}
      {gap.limits?.still && (
        <p className="m-0 px-4 pt-1 text-[16px]">
          The band is what it must read now: with the {gap.limits.still.words} it {gap.limits.still.value < 0 ? 'closes' : 'opens'}{' '}
          {formatLength(nanometres(Math.abs(gap.limits.still.value)), unit)} {unitWord(unit)}.
        </p>
      )}
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

/** As far as it is torqued, where that was said: "60 N·m" for "dry, torqued to 60 N·m". */
const shortStage = (stage: string): string => stage.replace(/^dry, (?:torqued to )?/, '');

interface RungProps {
  readonly row: LadderRow;
  readonly unit: 'thou' | 'mm';
  readonly narrow: boolean;
  readonly tallest: Length;
  /** how it felt, in the words it was said in */
  readonly felt: readonly string[];
  /** the slot of the crush sleeve that sets the gap, where no pack does */
  readonly sleeveSlot: Slot | null;
}

function Rung({ row, unit, narrow, tallest, felt, sleeveSlot }: RungProps): JSX.Element {
  const fitting = sleeveSlot && row.build.fitted.get(sleeveSlot.id);
  const sleeve = sleeveSlot && (fitting?.drawnUp === undefined ? 'as found' : stateWords(sleeveSlot, fitting.state).replace(/^sleeve /, ''));
  return (
    <li
      className={`relative flex items-center justify-between border-t border-rule px-4 first:border-t-0 ${row.isNow ? 'border-l-4 border-l-blue pl-3' : ''}`}
      style={{ height: ROW }}
    >
      <span className="w-[92px] shrink-0">
        <span className="num block text-[28px] leading-8 font-semibold">{row.build.number}</span>
        <span className="label block text-[15px] leading-4 font-semibold">
          {row.build.torqued === undefined ? '' : '· '}
          {turnIn(row.build.build) === null ? shortStage(row.stage) : row.build.torqued}
        </span>
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
          <span className="num shrink-0 text-[28px] leading-8 font-semibold whitespace-nowrap">
            {row.reading ? formatLength(row.reading.value, unit).replace(/\.0$/, '') : '?'}
          </span>
        </span>
        <span className="block leading-4">
          <span className={`label text-[16px] font-semibold ${MARK_TEXT[row.mark]}`}>{MARK_WORDS[row.mark]}</span>
          <span className="pl-2 text-[15px] text-ink2 max-sm:hidden">
            {[row.byPack ? 'by the pack' : '', felt.find(isShort) ?? '', row.staleBecause ?? '', row.isNow ? 'now' : '']
              .filter((w) => w !== '')
              .join(', ')}
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
