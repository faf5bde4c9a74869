import { describeLength, orNull, spacerFromTrials, understand, type Length, type SpacerTrial } from '@elder-cog/core';
import { packTotal, type DragState, type ShaftState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Field, Heading, Quiet } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useSettings } from '../../state/settings.ts';
import { inBoth, sizeInBoth } from '../../state/understood.ts';
import { oneDrag, type TypedDrag } from './oneDrag.ts';

/** Trials of a spacer or a pack between the cones: how long it was, and the drag or the float with it. */
function trialsOf(shaft: ShaftState, drag: DragState): readonly SpacerTrial[] {
  const slot = shaft.slots.find(({ slot: { kind, place } }) => kind === 'adjuster' && place === 'betweenCones')?.slot;
  if (!slot) return [];
  return drag.ladder.flatMap(({ build, value }) => {
    const leaves = build.fitted.get(slot.id)?.leaves;
    return value && leaves ? [{ length: packTotal(leaves), drag: value.reading.value }] : [];
  });
}

/** A solid spacer in the place of a crush sleeve: how much to take off it or add, from two drags with two lengths of it, or by hand. */
export function SolidSpacer({ shaft, drag }: { shaft: ShaftState; drag: DragState }): JSX.Element {
  const [open, setOpen] = useState(false);
  const bare = useSettings((s) => s.bare);
  const shown = bare === 'mm' ? 'mm' : 'in';
  const one = useEntry({ field: 'size', bare, quantity: 'distancePiece' });
  const other = useEntry({ field: 'size', bare, quantity: 'distancePiece' });
  const [oneText, setOne] = useState('');
  const [otherText, setOther] = useState('');
  const dragIn = (text: string): DragIn => readDrag(text, bare, drag);
  const [oneDrag, otherDrag] = [dragIn(oneText), dragIn(otherText)];
  const { min, max } = drag.limits?.limits ?? {};
  const fitted = trialsOf(shaft, drag);
  const typed = [trial(one.meaning?.value, oneDrag), trial(other.meaning?.value, otherDrag)].flatMap((each) => each ?? []);
  const trials = typed.length > 0 ? typed : fitted;
  // two floats say nothing of a drag
  const isSound = trials.length > 1 && trials.some((each) => 'drag' in each);
  const found = min === undefined || max === undefined || !isSound ? null : orNull(() => spacerFromTrials({ trials, limits: { min, max } }));
  return (
    <section aria-label="Solid spacer" className="no-print border-t border-rule px-4 py-1">
      <Quiet onClick={() => setOpen((o) => !o)} aria-expanded={open}>
        Solid spacer instead ▸
      </Quiet>
      {open && (
        <>
          <Heading>Two lengths of it, and the drag or the float with each</Heading>
          {typed.length === 0 && fitted.length > 1 && (
            <p className="m-0 text-[16px] text-ink2">As its builds have it, {fitted.length} of them; or typed here.</p>
          )}
          <div className="grid grid-cols-2 gap-x-3 max-sm:grid-cols-1">
            <EntryField entry={one} id="spacer-1" asksAtOnce label="First spacer" placeholder={bare === 'mm' ? 'like 58.40 mm' : 'like 2.300 in'} />
            <Field
              id="spacer-drag-1"
              label="Its drag, or float"
              value={oneText}
              placeholder="like float 4"
              onChange={(e) => setOne(e.target.value)}
              says={oneDrag.says}
            />
            <EntryField
              entry={other}
              id="spacer-2"
              asksAtOnce
              label="Second spacer"
              placeholder={bare === 'mm' ? 'like 58.36 mm' : 'like 2.298 in'}
            />
            <Field id="spacer-drag-2" label="Its drag, or float" value={otherText} onChange={(e) => setOther(e.target.value)} says={otherDrag.says} />
          </div>
          {found ? (
            <>
              <p className="m-0 text-[17px]">
                {found.change < 0 ? 'Take off' : 'Add'} <span className="num text-[20px] font-semibold">{inBoth(Math.abs(found.change), bare)}</span>:
                it then is <span className="num">{sizeInBoth(found.window.ideal, bare)}</span>, and {describeLength(found.window.min, shown)} to{' '}
                {describeLength(found.window.max, shown)} lands.
              </p>
              {found.cautions.map(({ code, message }) => (
                <p key={code} className="m-0 text-[16px]">
                  {message}
                </p>
              ))}
              <p className="m-0 text-[15px] text-ink2">Reckoned, on a straight line through two trials: go half of the way first where it is far.</p>
            </>
          ) : (
            <p className="m-0 text-[16px] text-ink2">
              {min === undefined || max === undefined
                ? 'Both ends of the limits first.'
                : 'Longer drags less: two lengths with a drag each say how much, or a drag with one and a float with the other.'}
            </p>
          )}
        </>
      )}
    </section>
  );
}

interface DragIn extends TypedDrag {
  /** where it had float still; null where none is said */
  readonly gap: Length | null;
}

const NONE: DragIn = { drag: null, gap: null, says: '' };

/** A drag as it is typed beside a spacer; or the float there was with it: "float 4". */
function readDrag(text: string, bare: 'thou' | 'mm', drag: DragState): DragIn {
  if (text.trim() === '') return NONE;
  const [, float] = /^\s*(?:end )?(?:float|play)\b[\s:,]*(.*)$/i.exec(text) ?? [];
  if (float !== undefined) {
    const read = understand(float, { field: 'size', bare, quantity: 'float' });
    return read.kind === 'understood'
      ? { ...NONE, gap: read.value, says: `float ${read.said}` }
      : { ...NONE, says: read.kind === 'refused' ? read.message : read.why };
  }
  return { ...NONE, ...oneDrag(text, { bare, scale: drag.unit, ...(drag.radius ? { radius: drag.radius.value } : {}) }) };
}

function trial(length: Length | undefined, { drag, gap }: DragIn): SpacerTrial[] | null {
  if (length === undefined) return null;
  return drag !== null ? [{ length, drag }] : gap !== null ? [{ length, gap }] : null;
}
