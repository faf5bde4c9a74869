import { formatLength, MARK_WORDS, type Length, type MarkKind } from '@elder-cog/core';
import { packWords, triedMark, type GapState, type ShaftState, type Tried } from '@elder-cog/derive';
import type { JSX } from 'react';
import { Quiet } from '../../kit/controls.tsx';
import { Mark } from '../../kit/Mark.tsx';
import { useSettings } from '../../state/settings.ts';

interface TriedLineProps {
  readonly would: ShaftState;
  readonly tried: readonly Tried[];
  readonly onLeave: () => void;
}

/** What is tried and not fitted: the drawing and the gaps are as they would be with it. */
export function TriedLine({ would, tried, onLeave }: TriedLineProps): JSX.Element {
  const words = tried.map(({ slotId, leaves }) => `${would.slots.find(({ slot }) => slot.id === slotId)?.slot.name ?? ''}: ${packWords(leaves)}`);
  return (
    <p role="status" className="no-print m-0 flex flex-wrap items-center gap-x-3 border-t border-dashed border-brass-line bg-sheet px-4">
      <span className="label font-semibold text-brass-text">Tried, not fitted</span> <span>{words.join('; ')}</span>
      <Quiet onClick={onLeave} className="ml-auto">
        As it is
      </Quiet>
    </p>
  );
}

/** Where every gap would be, beside what is typed. */
export function WouldGaps({ gaps }: { gaps: readonly GapState[] }): JSX.Element {
  const shown = gaps.map((gap) => ({
    letter: gap.letter,
    value: gap.now.reading?.value ?? null,
    mark: gap.now.kind === 'forecast' ? triedMark(gap) : gap.mark,
  }));
  return <GapFigures label="What it would come to" gaps={shown} />;
}

interface GapFiguresProps {
  readonly label: string;
  readonly gaps: readonly { readonly letter: string; readonly value: Length | null; readonly mark: MarkKind }[];
}

/** Gaps in a line: letter, figure and mark. */
export function GapFigures({ label, gaps }: GapFiguresProps): JSX.Element {
  const unit = useSettings((s) => s.unit);
  return (
    <ul aria-label={label} className="m-0 flex w-full list-none flex-wrap gap-x-4 p-0">
      {gaps.map(({ letter, value, mark }) => (
        <li key={letter} className="flex items-center gap-1">
          <span className="label font-semibold text-blue">{letter}</span>
          <span className="num text-[18px] font-semibold">{value === null ? '?' : formatLength(value, unit)}</span>
          <Mark kind={mark} size={20} named={false} ground="var(--sheet)" />
          <span className="sr-only">{MARK_WORDS[mark]}</span>
        </li>
      ))}
    </ul>
  );
}
