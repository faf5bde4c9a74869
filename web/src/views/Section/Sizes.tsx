import type { Feature } from '@elder-cog/contract';
import { describeLength, formatLength, solveUnknown, type Length, type Understood } from '@elder-cog/core';
import { expectedAround, graphOf, packTotal, type GapState, type ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Heading, Quiet } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { useJob } from '../../state/job.ts';
import { bareUnit, inBoth } from '../../state/understood.ts';

/** What is measured of the parts: drawn to scale from then on. Nothing here has to be filled in. */
export function Sizes({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element {
  const { facts } = useJob();
  const { send } = useCommand();
  const [open, setOpen] = useState(false);
  const mine = facts.features.filter((f) => f.shaftId === shaft.shaft.id);
  const known = mine.filter((f) => f.size !== null).length;
  const turnable = facts.parts.filter((p) => p.shaftId === shaft.shaft.id && ['gear', 'shaft', 'washer', 'bush'].includes(p.kind));
  return (
    <section aria-label="Sizes of the parts" className="no-print border-t border-rule px-4 py-1">
      <div className="flex flex-wrap items-center gap-x-4">
        <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
          Sizes of the parts ▸
        </Quiet>
        <span className="text-ink2">
          <span className="num">{known}</span> of <span className="num">{mine.length}</span> measured; none is needed
        </span>
      </div>
      {open && (
        <div className="pb-3">
          <div className="grid grid-cols-3 gap-x-5 max-xl:grid-cols-2 max-sm:grid-cols-1">
            {mine.map((feature) => (
              <SizeField key={`${feature.id}-${feature.revision}`} feature={feature} bare={bareUnit(gap)} />
            ))}
          </div>
          <FromSizes shaft={shaft} gap={gap} />
          <Heading className="mt-2">Fitted the other way round</Heading>
          <div className="mt-1 flex flex-wrap gap-2">
            {turnable.map((part) => (
              <Chip
                key={part.id}
                on={part.turned}
                onClick={() => void send({ kind: 'part.turn', id: part.id, revision: part.revision, turned: !part.turned }).catch(() => undefined)}
              >
                {part.name}
              </Chip>
            ))}
          </div>
        </div>
      )}
    </section>
  );
}

/** What the sizes alone make of the gap; or the one that is missing, found from the reading. */
function FromSizes({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element | null {
  const { facts } = useJob();
  const sizes = gap.fromSizes;
  if (!sizes) return null;
  if ('value' in sizes) return <p className="m-0">By the sizes alone the gap is {inBoth(sizes.value, gap.unit)}. A build outweighs a sum.</p>;
  const pack = shaft.slots.find((s) => s.slot.kind === 'adjuster');
  const reading = gap.now.kind === 'read' && gap.now.reading?.kind === 'estimate' ? gap.now.reading.value : null;
  const solved =
    reading === null || !gap.station.contactRole
      ? null
      : solveUnknown(graphOf(facts, shaft.shaft, packTotal(pack?.fitting.leaves)), gap.station.contactRole, reading);
  return (
    <p className="m-0 text-ink2">
      {solved
        ? `Only ${solved.label} is not known: from the reading it must be ${describeLength(solved.length, 'mm')}.`
        : `Not known for a sum: ${sizes.missing.join('; ')}.`}
    </p>
  );
}

function SizeField({ feature, bare }: { feature: Feature; bare: 'thou' | 'mm' }): JSX.Element {
  const { send } = useCommand();
  const typed = bare === 'mm' ? 'mm' : 'in';
  const set = (size: Length | null): void => {
    if (size === feature.size) return;
    void send({ kind: 'feature.size', id: feature.id, revision: feature.revision, size }).catch(() => undefined);
  };
  const entry = useEntry(
    {
      field: 'size',
      bare,
      quantity: /gasket/i.test(feature.name) ? 'gasket' : 'distancePiece',
      ...(feature.size === null ? {} : { expected: expectedAround(feature.size) }),
    },
    {
      initial: feature.size === null ? '' : `${formatLength(feature.size, typed)} ${typed}`,
      also: moreThanNothing,
      onKeep: ({ value }) => set(value),
    },
  );
  const keep = (): void => (entry.text.trim() === '' ? set(null) : entry.keep());
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
      onBlur={(event) => {
        // left by itself, it is kept; what is asked about has the focus then
        if (event.target instanceof HTMLInputElement && !event.currentTarget.contains(event.relatedTarget)) keep();
      }}
    >
      <EntryField entry={entry} id={`size-${feature.id}`} label={feature.name} placeholder={typed === 'mm' ? 'like 84.20' : 'like 3.3150'} />
    </form>
  );
}

const moreThanNothing = (understood: Understood<Length>): Understood<Length> => {
  const meant =
    understood.kind === 'understood' ? [understood.value] : understood.kind === 'ask' ? understood.meanings.map(({ value }) => value) : [];
  return meant.length > 0 && meant.every((value) => value <= 0)
    ? { kind: 'refused', code: 'notASize', message: 'A size is more than nothing: check it.' }
    : understood;
};
