import { formatLength, MARK_WORDS, unitWord, type Length } from '@elder-cog/core';
import {
  buildName,
  feelsByBuild,
  packWords,
  stateNow,
  twinGapOf,
  twinOf,
  type BuildNow,
  type GapState,
  type LadderRow,
  type ShaftState,
} from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Link } from 'react-router';
import { Chip, Heading, Quiet } from '../../kit/controls.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';

const TWIN = 'twin';

/** The build that stands beside any earlier one, or beside the other side: what was in, how far it was torqued, what it read. */
export function Compare({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element | null {
  const { facts, state } = useJob();
  const [chosen, setChosen] = useState<string | null>(null);
  const twin = useMemo(() => twinOf(facts, shaft, state.shafts), [facts, shaft, state.shafts]);
  const twinGap = twin ? twinGapOf(twin, gap) : undefined;
  const earlier = gap.ladder.filter((row) => !row.isNow);
  if (gap.ladder.length === 0) return null;
  const row = gap.ladder.find(({ build }) => build.build.id === chosen);
  const other = chosen === TWIN && twin && twinGap ? { shaft: twin, row: twinGap.ladder.at(-1) } : row ? { shaft, row } : null;
  return (
    <section aria-label="Compare with" className="no-print mt-3 border-t border-rule pt-3">
      <Heading>Compare with</Heading>
      <div className="mt-1 flex flex-wrap gap-2">
        {twin && (
          <Chip on={chosen === TWIN} onClick={() => setChosen((c) => (c === TWIN ? null : TWIN))}>
            {twin.assembly.name}
          </Chip>
        )}
        {earlier.map(({ build, stage }) => (
          <Chip key={build.build.id} on={chosen === build.build.id} onClick={() => setChosen((c) => (c === build.build.id ? null : build.build.id))}>
            {stage === 'as found' && build.number === 0 ? 'as found' : `build ${buildName(build)}`}
          </Chip>
        ))}
        {earlier.length === 0 && !twin && <span className="text-ink2">There is one build only.</span>}
      </div>
      {!twin && <OtherSide shaft={shaft} />}
      {other && gap.ladder.at(-1) && <SideBySide mine={{ shaft, row: gap.ladder.at(-1) }} other={other} isTwin={chosen === TWIN} />}
      {chosen === TWIN && twin && (
        <Link to={`/jobs/${state.job.id}/builds?shaft=${twin.shaft.id}`} className="inline-flex min-h-12 items-center text-blue underline">
          To the {twin.assembly.name.toLowerCase()}
        </Link>
      )}
    </section>
  );
}

interface Side {
  readonly shaft: ShaftState;
  readonly row: LadderRow | undefined;
}

/** Each place with its pack or its state, then what was said, what was read and how it felt; what differs stands out. */
function SideBySide({ mine, other, isTwin }: { mine: Side; other: Side; isTwin: boolean }): JSX.Element {
  const { facts } = useJob();
  const unit = useSettings((s) => s.unit);
  const feels = feelsByBuild(facts);
  const inPlace = ({ shaft, row }: Side, role: string): string => {
    const slot = shaft.slots.find((each) => each.slot.role === role)?.slot;
    const fitting = slot && row?.build.fitted.get(slot.id);
    if (!slot || !fitting) return 'not said';
    return slot.kind === 'adjuster' ? packWords(fitting.leaves) : (stateNow(fitting) ?? 'not said');
  };
  const figure = (value: Length | null | undefined): string => (value === null || value === undefined ? '–' : formatLength(value, unit));
  const felt = (build: BuildNow | undefined): string => (feels.get(build?.build.id ?? '') ?? []).map(({ word }) => word).join(', ') || '–';
  const rows: readonly (readonly [string, string, string])[] = [
    ...mine.shaft.slots
      .filter(({ slot }) => slot.kind !== 'lapped' && slot.kind !== 'part')
      .map(({ slot }) => [slot.name, inPlace(mine, slot.role), inPlace(other, slot.role)] as const),
    [`Said, ${unitWord(unit)}`, figure(mine.row?.said), figure(other.row?.said)],
    [`Read, ${unitWord(unit)}`, figure(mine.row?.reading?.value), figure(other.row?.reading?.value)],
    ['Verdict', mine.row ? MARK_WORDS[mine.row.mark] : '–', other.row ? MARK_WORDS[other.row.mark] : '–'],
    ['Felt', felt(mine.row?.build), felt(other.row?.build)],
  ];
  const name = (side: Side): string => (side.row ? `build ${buildName(side.row.build)}` : 'not built');
  return (
    <table className="mt-2 w-full border-collapse text-[16px]">
      <thead>
        <tr className="border-b border-rule text-left">
          <td />
          <th scope="col" className="label py-1 pr-2 font-semibold">
            {isTwin ? mine.shaft.assembly.name : name(mine)}
          </th>
          <th scope="col" className="label py-1 font-semibold">
            {isTwin ? other.shaft.assembly.name : name(other)}
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(([what, here, there]) => (
          <tr key={what} className="border-b border-rule align-top">
            <th scope="row" className="py-1 pr-2 text-left text-[15px] leading-5 font-normal text-ink2">
              {what}
            </th>
            <td className={`py-1 pr-2 leading-5 ${here === there ? '' : 'font-semibold'}`}>{here}</td>
            <td className={`py-1 leading-5 ${here === there ? '' : 'font-semibold'}`}>{there}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Which box is its other side: said once, of either. */
function OtherSide({ shaft }: { shaft: ShaftState }): JSX.Element | null {
  const { state } = useJob();
  const { send, sending } = useCommand();
  const [open, setOpen] = useState(false);
  const others = state.assemblies.filter(({ id }) => id !== shaft.assembly.id);
  if (others.length === 0) return null;
  const { id, revision, name, cameApart } = shaft.assembly;
  return (
    <div>
      <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
        It has another side…
      </Quiet>
      {open && (
        <div role="group" aria-label="Its other side" className="flex flex-wrap gap-2">
          {others.map((other) => (
            <Chip
              key={other.id}
              on={false}
              disabled={sending}
              onClick={() =>
                void send({ kind: 'assembly.change', id, revision, name, cameApart, mirrorOf: other.id }).then(
                  () => setOpen(false),
                  () => undefined,
                )
              }
            >
              {other.name}
            </Chip>
          ))}
        </div>
      )}
    </div>
  );
}
