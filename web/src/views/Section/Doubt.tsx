import { formatLength, nanometres, unitWord, type Length, type LengthUnit } from '@elder-cog/core';
import { doubtsOf, type GapDoubt, type GapState, type ShaftState } from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Quiet } from '../../kit/controls.tsx';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { useSimulated } from '../../workers/packs.ts';

const BY = { reading: 'as read', sizes: 'by the sizes' } as const;

/** How well a gap is known: at the worst, by the root of the squares, and the chance that it is in; and what would make it surer. */
export function Doubt({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element {
  const [open, setOpen] = useState(false);
  return (
    <section aria-label="Doubt" className="no-print mt-2 border-t border-rule">
      <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
        How sure is it ▸
      </Quiet>
      {open && <Doubts shaft={shaft} gap={gap} />}
    </section>
  );
}

function Doubts({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element {
  const { facts } = useJob();
  const unit = useSettings((s) => s.unit);
  const doubts = useMemo(() => doubtsOf(facts, shaft, gap), [facts, shaft, gap]);
  const limits = gap.limits?.limits ?? null;
  const questions = useMemo(() => (limits ? doubts.map(({ links }) => ({ links, limits })) : []), [doubts, limits]);
  const { data: drawn = [] } = useSimulated(questions);
  const said = doubts.flatMap((doubt) => [...againWords(doubt, unit), ...unsaidWords(doubt)]);
  if (doubts.length === 0)
    return <p className="m-0 pb-1 text-[16px] text-ink2">Read it, or give every size of its parts: then it is told here how sure that is.</p>;
  return (
    <>
      <table className="w-full text-[16px]">
        <thead>
          <tr>
            <td />
            {doubts.map(({ by }) => (
              <th key={by} scope="col" className="text-right font-normal text-ink2">
                {BY[by]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <Row title={`gap, ${unitWord(unit)}`} cells={doubts.map(({ value }) => formatLength(value, unit))} />
          <Row title="either side, as squares add" cells={doubts.map(({ U }) => `±${told(U, unit)}`)} />
          <Row title="at the very worst" cells={doubts.map(({ worst }) => `${formatLength(worst.min, unit)} to ${formatLength(worst.max, unit)}`)} />
          {limits && <Row title="chance that it is in" cells={doubts.map((_, i) => chance(drawn[i]?.chanceIn))} />}
        </tbody>
      </table>
      {said.map((words) => (
        <p key={words} className="m-0 mt-1 text-[16px] leading-5">
          {words}
        </p>
      ))}
    </>
  );
}

function Row({ title, cells }: { title: string; cells: readonly string[] }): JSX.Element {
  return (
    <tr className="border-t border-rule">
      <th scope="row" className="py-1 text-left leading-5 font-normal">
        {title}
      </th>
      {cells.map((cell, i) => (
        <td key={i} className="num py-1 pl-2 text-right whitespace-nowrap">
          {cell}
        </td>
      ))}
    </tr>
  );
}

const told = (nm: number, unit: LengthUnit): string => formatLength(nanometres(Math.round(nm)) as Length, unit);

/** "97 in 100"; the ends are never said to be quite certain. */
function chance(p: number | null | undefined): string {
  if (p === null || p === undefined) return '…';
  if (p > 0.995) return 'over 99 in 100';
  return p < 0.005 ? 'under 1 in 100' : `${Math.round(p * 100)} in 100`;
}

function againWords({ again, U }: GapDoubt, unit: LengthUnit): string[] {
  if (!again) return [];
  const [now, then] = [told(U, unit), told(again.U, unit)];
  const finer = again.finer === null ? '' : `, or with a micrometer ±${told(again.finer, unit)}`;
  return [
    `Of the sizes, the ${again.label.toLowerCase()} is best read again: it makes ${Math.round(again.share * 100)} in 100 of the doubt. Once more, ±${now} becomes ±${then}${finer}.`,
  ];
}

const unsaidWords = ({ unsaid }: GapDoubt): string[] =>
  unsaid.length === 0 ? [] : [`Nobody said what these were read with, so they are taken as they are: ${unsaid.join(', ').toLowerCase()}.`];
