import { easedCone, formatLength, nanometres, shortenedSpacer, unitWord, type Length } from '@elder-cog/core';
import type { GapState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Field, Heading, Quiet } from '../../kit/controls.tsx';
import { EntryField, useEntry, type Entry } from '../../kit/EntryField.tsx';
import { useSettings } from '../../state/settings.ts';
import { bareUnit, understood } from '../../state/understood.ts';
import { torqueIn } from './torqueIn.ts';

/** Why a build may differ from what the parts said, each with its figure where it can be worked out. */
export function Causes({ gap }: { gap: GapState }): JSX.Element {
  const [open, setOpen] = useState(false);
  return (
    <section aria-label="Why it may differ" className="no-print mt-3 border-t border-rule pt-2">
      <div className="flex flex-wrap items-center justify-between gap-x-3">
        <Heading>Why it may differ</Heading>
        <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open} aria-label="Known causes, in figures">
          in figures ▸
        </Quiet>
      </div>
      {open && (
        <>
          <Eased gap={gap} />
          <Spacer gap={gap} />
          <p className="m-0 mt-2">
            <span className="font-medium">A gasket</span> crushes as it is bolted up: say how thick it is then, on the Section, and it is in the sum.
          </p>
          <p className="m-0 mt-2">
            <span className="font-medium">Cups</span> that are pressed in tight close up, and worn housings let them move: seat them, turn the shaft,
            and read again. <span className="font-medium">Not home</span>: a feeler must be refused under every face.
          </p>
        </>
      )}
    </section>
  );
}

const valueOf = (entry: Entry<'size'>): Length | null => entry.meaning?.value ?? null;

function Answer({ closes, of }: { closes: Length | string | null; of: string }): JSX.Element {
  const unit = useSettings((s) => s.unit);
  if (typeof closes === 'string') return <p className="m-0 text-ink2">{closes}</p>;
  if (closes === null) return <p className="m-0 text-ink2">Fill in all of it, and it is worked out here.</p>;
  return (
    <p className="m-0">
      {of} <span className="num font-semibold">{formatLength(nanometres(Math.abs(closes)), unit)}</span>{' '}
      <span className="unit">{unitWord(unit)}</span>, reckoned
    </p>
  );
}

const numberIn = (text: string): number | null => {
  const value = Number(text.replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value > 0 ? value : null;
};

function Eased({ gap }: { gap: GapState }): JSX.Element {
  const bare = bareUnit(gap);
  const interference = useEntry({ field: 'size', bare, quantity: 'fine' });
  const bore = useEntry({ field: 'size', bare: 'mm', quantity: 'diameter' });
  const outside = useEntry({ field: 'size', bare: 'mm', quantity: 'diameter' });
  const [e, setE] = useState('');
  const [delta, d, d0] = [valueOf(interference), valueOf(bore), valueOf(outside)];
  const factor = numberIn(e);
  const closes =
    delta !== null && d !== null && d0 !== null && factor !== null
      ? understood(() => easedCone({ interference: delta, bore: d, meanOutside: d0, e: factor }))
      : null;
  return (
    <div role="group" aria-label="Trial bearings that were eased" className="border-t border-rule pt-2">
      <p className="m-0 font-medium">Trial bearings that were eased to slide on</p>
      <div className="grid grid-cols-2 gap-x-3">
        <EntryField entry={interference} label="Pressed tight by" placeholder={bare === 'mm' ? 'like 0.02' : 'like 1'} />
        <EntryField entry={bore} label="Bore of the cone" placeholder="30 mm" />
        <EntryField entry={outside} label="Its mean outside" placeholder="38 mm" />
        <Field label="Its e" value={e} onChange={(event) => setE(event.target.value)} placeholder="0.35" />
      </div>
      <Answer closes={closes} of="Pressed on, each cone closes it" />
    </div>
  );
}

function Spacer({ gap }: { gap: GapState }): JSX.Element {
  const across = { field: 'size', bare: 'mm', quantity: 'distancePiece' } as const;
  const thread = useEntry({ field: 'size', bare: 'mm', quantity: 'diameter' });
  const outside = useEntry({ field: 'size', bare: 'mm', quantity: 'diameter' });
  const inside = useEntry({ field: 'size', bare: 'mm', quantity: 'diameter' });
  const length = useEntry(across);
  const [far, setFar] = useState('');
  const torque = torqueIn(far);
  const [t, o, i, l] = [valueOf(thread), valueOf(outside), valueOf(inside), valueOf(length)];
  const closes =
    typeof torque === 'number' && t !== null && o !== null && i !== null && l !== null
      ? understood(() => shortenedSpacer({ torque, thread: t, outside: o, inside: i, length: l }))
      : null;
  return (
    <div role="group" aria-label="A distance piece under its nut" className="mt-2 border-t border-rule pt-2">
      <p className="m-0 font-medium">A distance piece that its nut shortens</p>
      <div className="grid grid-cols-2 gap-x-3">
        <Field
          label="Nut torqued to"
          value={far}
          onChange={(event) => setFar(event.target.value)}
          placeholder="90 N·m"
          refusal={typeof torque === 'string' ? torque : null}
        />
        <EntryField entry={thread} label="Its thread" placeholder="20 mm" />
        <EntryField entry={outside} label="Outside" placeholder="36 mm" />
        <EntryField entry={inside} label="Inside" placeholder="28 mm" />
        <EntryField entry={length} label="Length of it" placeholder="55 mm" />
      </div>
      <Answer closes={closes} of={`Of steel, dry threads (0.2): it is shorter by`} />
      {gap.sleeve && <p className="m-0 text-[15px] text-ink2">A crush sleeve is meant to be crushed: this is not of it.</p>}
    </div>
  );
}
