import type { BoltHole, StripEntry } from '@elder-cog/contract';
import { boltMapShapes, boltShapes, describeLength, otherUnit, readLength, type LengthUnit } from '@elder-cog/core';
import { oddBolts } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Field, Primary, Quiet } from '../../kit/controls.tsx';
import { Shapes } from '../../kit/Shapes.tsx';
import { useWidth } from '../../kit/useWidth.ts';
import { useCommand } from '../../state/api.ts';
import { understood } from '../../state/understood.ts';
import { stripOff } from '../../state/wearActions.ts';

/** Which bolt came from which hole: the cover with its holes numbered, the odd one out standing out, and each written down at a tap. */
export function BoltMapPanel({ entry }: { entry: StripEntry }): JSX.Element | null {
  const [ref, width] = useWidth<HTMLDivElement>();
  const [hole, setHole] = useState<number | null>(null);
  const { bolts } = entry;
  if (!bolts) return null;
  const odd = oddBolts(bolts.holes);
  const height = 286;
  const map =
    width > 60
      ? boltMapShapes({
          shape: bolts.shape,
          start: bolts.start,
          width,
          height,
          holes: bolts.holes.map((h) => ({ hole: h.hole, odd: odd.has(h.hole), on: h.hole === hole })),
        })
      : null;
  return (
    <div>
      <div className="flex flex-wrap items-baseline justify-between gap-x-3">
        <h2 className="label m-0 text-[18px] font-semibold text-blue">Bolt map, {entry.part}</h2>
        <span className="text-[15px] text-ink2">clockwise from the {bolts.start}</span>
      </div>
      <div ref={ref} className="relative mt-1 border border-edge bg-sheet">
        {map && (
          <>
            <Shapes
              shapes={map.shapes}
              width={width}
              height={height}
              says={`${bolts.holes.length} holes${odd.size === 0 ? ', all alike' : `; odd at ${[...odd].join(', ')}`}`}
            />
            {bolts.holes.map((h, i) => (
              <button
                key={h.hole}
                type="button"
                aria-pressed={h.hole === hole}
                aria-label={`Hole ${h.hole}${odd.has(h.hole) ? ', not as the rest' : ''}`}
                onClick={() => setHole(h.hole === hole ? null : h.hole)}
                className="absolute h-12 w-12 rounded-full"
                style={{ left: (map.spots[i]?.x ?? 0) - 24, top: (map.spots[i]?.y ?? 0) - 24 }}
              />
            ))}
          </>
        )}
      </div>
      <BoltKinds holes={bolts.holes} odd={odd} />
      <HoleForm key={hole ?? 0} entry={entry} hole={hole} />
    </div>
  );
}

const unitOf = (hole: BoltHole): LengthUnit => (/mm/.test(hole.written) ? 'mm' : 'in');
const said = (hole: BoltHole): string =>
  [hole.thread, hole.hand === 'left' ? 'left hand' : '', hole.washer, hole.dressing, hole.sealant].filter((w) => w !== '').join('; ');

/** Each kind of bolt there is, drawn by its length, with the holes it goes in. */
function BoltKinds({ holes, odd }: { holes: readonly BoltHole[]; odd: ReadonlySet<number> }): JSX.Element {
  const kinds = new Map<string, BoltHole[]>();
  for (const hole of holes) {
    const key = `${hole.length ?? ''} ${said(hole)}`;
    kinds.set(key, [...(kinds.get(key) ?? []), hole]);
  }
  const longest = Math.max(...holes.map((h) => h.length ?? 0), 1);
  return (
    <ul className="m-0 mt-1 list-none p-0">
      {[...kinds.values()].map((of) => {
        const [first] = of;
        if (!first) return null;
        const isOdd = odd.has(first.hole);
        return (
          <li key={first.hole} className="flex flex-wrap items-center gap-3 border-b border-rule py-1">
            <Shapes
              shapes={boltShapes({ share: (first.length ?? longest) / longest, odd: isOdd, width: 120, height: 40 })}
              width={120}
              height={40}
              says=""
            />
            <span className="min-w-0 flex-1 text-[16px]">
              <span className="font-medium">
                {of.length === holes.length ? `all ${of.length} alike` : of.length === 1 ? `hole ${first.hole}` : `${of.length} alike`}
              </span>
              {first.length !== null && (
                <>
                  {' '}
                  <span className="num font-semibold">{first.written || describeLength(first.length, unitOf(first))}</span>{' '}
                  <span className="num text-ink2">{describeLength(first.length, otherUnit(unitOf(first)))}</span>
                </>
              )}
              {said(first) !== '' && <span className="block text-[15px] text-ink2">{said(first)}</span>}
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** One hole, or all of them where none is chosen, written down again: the entry before stays in the record. */
function HoleForm({ entry, hole }: { entry: StripEntry; hole: number | null }): JSX.Element {
  const { send, sending } = useCommand();
  const now = entry.bolts?.holes.find((h) => h.hole === (hole ?? 1));
  const [open, setOpen] = useState(false);
  const [length, setLength] = useState(now?.written ?? '');
  const [thread, setThread] = useState(now?.thread ?? '');
  const [hand, setHand] = useState<'right' | 'left'>(now?.hand ?? 'right');
  const [washer, setWasher] = useState(now?.washer ?? '');
  const [sealant, setSealant] = useState(now?.sealant ?? '');
  const [dressing, setDressing] = useState(now?.dressing ?? '');
  const [start, setStart] = useState(entry.bolts?.start ?? '');
  const [shape, setShape] = useState(entry.bolts?.shape ?? 'circle');
  const [tried, setTried] = useState(false);
  const read = length.trim() === '' ? null : understood(() => readLength(length, 'in'));
  const { bolts } = entry;
  if (!bolts) return <></>;
  if (hole === null && !open)
    return (
      <p className="m-0 flex flex-wrap gap-x-4 text-[16px] text-ink2">
        <span className="py-3">Tap a hole to say what came out of it, or</span>
        <Quiet onClick={() => setOpen(true)}>say it of all ▸</Quiet>
      </p>
    );
  const keep = (): void => {
    setTried(true);
    if (typeof read === 'string') return;
    const patch = {
      length: read?.value ?? null,
      written: length.trim(),
      thread: thread.trim(),
      hand,
      washer: washer.trim(),
      dressing: dressing.trim(),
      sealant: sealant.trim(),
    };
    const { id, who: _who, at: _at, ...rest } = entry;
    const holes = bolts.holes.map((h) => (hole === null || h.hole === hole ? { ...h, ...patch } : h));
    void send(stripOff({ ...rest, supersedes: id, bolts: { shape, start: start.trim() || bolts.start, holes } })).catch(() => undefined);
  };
  return (
    <form
      aria-label={hole === null ? 'All the bolts' : `The bolt of hole ${hole}`}
      className="mt-1 grid grid-cols-2 gap-x-3"
      onSubmit={(event) => {
        event.preventDefault();
        keep();
      }}
    >
      <Field
        label={hole === null ? 'Length, all' : `Length, hole ${hole}`}
        value={length}
        onChange={(e) => setLength(e.target.value)}
        placeholder="like 1-1/8 in"
        says={read !== null && typeof read !== 'string' ? describeLength(read.value, 'mm') : ''}
        refusal={tried && typeof read === 'string' ? read : null}
      />
      <Field label="Thread" value={thread} maxLength={40} onChange={(e) => setThread(e.target.value)} placeholder="like 3/8 BSF" />
      <Field label="Washer" value={washer} maxLength={60} onChange={(e) => setWasher(e.target.value)} placeholder="like copper" />
      <Field label="Sealant" value={sealant} maxLength={60} onChange={(e) => setSealant(e.target.value)} placeholder="like to oil: seal it" />
      <Field label="Dressing" value={dressing} maxLength={60} onChange={(e) => setDressing(e.target.value)} placeholder="like wired, tab" />
      <div role="group" aria-label="Hand" className="flex items-start gap-2 pt-8">
        <Chip on={hand === 'right'} onClick={() => setHand('right')}>
          right
        </Chip>
        <Chip on={hand === 'left'} onClick={() => setHand('left')}>
          left hand
        </Chip>
      </div>
      {hole === null && (
        <>
          <Field label="Hole 1 is at" value={start} maxLength={80} onChange={(e) => setStart(e.target.value)} placeholder="like top, from outside" />
          <div role="group" aria-label="Laid out as" className="flex items-start gap-2 pt-8">
            <Chip on={shape === 'circle'} onClick={() => setShape('circle')}>
              circle
            </Chip>
            <Chip on={shape === 'rectangle'} onClick={() => setShape('rectangle')}>
              rectangle
            </Chip>
          </div>
        </>
      )}
      <Primary type="submit" disabled={sending} className="col-span-2">
        Keep {hole === null ? 'it for all' : `hole ${hole}`}
      </Primary>
    </form>
  );
}
