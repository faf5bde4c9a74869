import { formatLength, mm, nanometres, thou, unitWord, type Length } from '@elder-cog/core';
import {
  packWords,
  sidewaysChoices,
  sidewaysOf,
  type GapState,
  type ShaftState,
  type Sideways as Across,
  type SidewaysChoice,
  type Tried,
} from '@elder-cog/derive';
import { useMemo, useState, type JSX } from 'react';
import { Chip, Primary, Quiet, Refusal } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { takeSet } from '../../state/gapActions.ts';
import { useJob } from '../../state/job.ts';
import { useSettings } from '../../state/settings.ts';
import { bareUnit, understood } from '../../state/understood.ts';

/** So far a pack may be off what is wanted of it. Common practice, no source. */
const NEAR = { thou: thou(1), mm: mm(0.025) } as const;

interface SidewaysProps {
  readonly shaft: ShaftState;
  readonly gap: GapState;
  readonly onTry: (tried: readonly Tried[] | null) => void;
}

/** A shaft between two packs, moved across with its gap as it is: what one pack loses the other gains. */
export function Sideways({ shaft, gap, onTry }: SidewaysProps): JSX.Element | null {
  const { facts } = useJob();
  const across = useMemo(() => sidewaysOf(facts, shaft, gap), [facts, shaft, gap]);
  const [open, setOpen] = useState(false);
  if (!across) return null;
  return (
    <section aria-label="Move it across" className="no-print border-t border-rule px-4 py-1">
      <div className="flex flex-wrap items-center gap-x-4">
        <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
          Move it across ▸
        </Quiet>
        <span className="text-ink2">from one pack to the other, the gap held</span>
      </div>
      {open && <Moved across={across} shaft={shaft} gap={gap} onTry={onTry} />}
    </section>
  );
}

function Moved({ across, shaft, gap, onTry }: SidewaysProps & { across: Across }): JSX.Element {
  const { lots, fitted } = useJob();
  const unit = useSettings((s) => s.unit);
  const bare = bareUnit(gap);
  const [towards, setTowards] = useState<0 | 1>(1);
  const entry = useEntry({ field: 'size', bare, quantity: 'float' });
  const far = entry.meaning?.value ?? null;
  const found = useMemo(() => {
    if (far === null) return null;
    return understood(() => sidewaysChoices(across, { by: nanometres(towards === 1 ? far : -far), tolerance: NEAR[bare], lots, fitted }));
  }, [across, far, towards, bare, lots, fitted]);
  return (
    <div className="pb-3">
      <div className="flex flex-wrap items-start gap-x-4 gap-y-2">
        <EntryField entry={entry} id="across" label="By" placeholder={bare === 'mm' ? 'like 0.10' : 'like 4'} className="w-48" />
        <div role="group" aria-label="Towards" className="flex flex-wrap gap-2 pt-8">
          {([0, 1] as const).map((end) => (
            <Chip key={end} on={towards === end} onClick={() => setTowards(end)}>
              towards the {shaft.shaft.ends[end]}
            </Chip>
          ))}
        </div>
      </div>
      {typeof found === 'string' ? (
        <Refusal>{found}</Refusal>
      ) : (
        found && (
          <>
            {found.length === 0 && (
              <p className="m-0">
                No two packs on hand come within {formatLength(NEAR[bare], unit)} {unitWord(unit)} of it.
              </p>
            )}
            <ul className="m-0 list-none p-0">
              {found.map((choice, i) => (
                <Offered key={i} across={across} choice={choice} shaft={shaft} unit={unit} onTry={onTry} />
              ))}
            </ul>
          </>
        )
      )}
    </div>
  );
}

interface OfferedProps {
  readonly across: Across;
  readonly choice: SidewaysChoice;
  readonly shaft: ShaftState;
  readonly unit: 'thou' | 'mm';
  readonly onTry: SidewaysProps['onTry'];
}

function Offered({ across, choice, shaft, unit, onTry }: OfferedProps): JSX.Element {
  const { send, sending } = useCommand();
  const changes = across.slots.map(({ slot }, i) => ({ slotId: slot.id, leaves: choice.packs[i] ?? [] }));
  return (
    <li className="mt-2 flex flex-wrap items-center gap-x-5 gap-y-1 border border-edge bg-sheet px-3 py-2">
      {across.slots.map(({ slot }, i) => (
        <span key={slot.id}>
          <span className="text-ink2">{slot.name}:</span> <strong className="num font-semibold">{packWords(choice.packs[i])}</strong>{' '}
          <span className="num text-[15px] text-ink2">{formatLength(choice.totals[i] ?? (0 as Length), unit)}</span>
        </span>
      ))}
      <span className="num text-[15px]">{offWords(choice.error, unit)}</span>
      <span className="ml-auto flex flex-wrap items-center gap-x-3">
        <Quiet onClick={() => onTry(changes)}>See it first</Quiet>
        <Primary disabled={sending} onClick={() => void send(...takeSet(shaft, changes, [])).catch(() => undefined)}>
          Fit both
        </Primary>
      </span>
    </li>
  );
}

/** "just so", or how far off each is. */
function offWords({ left, total }: SidewaysChoice['error'], unit: 'thou' | 'mm'): string {
  const off = (nm: number): string => `${nm > 0 ? '+' : '−'}${formatLength(nanometres(Math.abs(nm)), unit)}`;
  const said = [...(left === 0 ? [] : [`the first ${off(left)}`]), ...(total === 0 ? [] : [`together ${off(total)}`])];
  return said.length === 0 ? 'just so' : said.join(', ');
}
