import { describeLength, type Length } from '@elder-cog/core';
import { stateWords, type GapState, type ShaftState, type SlotState } from '@elder-cog/derive';
import { useState, type JSX } from 'react';
import { Chip, Quiet, Secondary } from '../../kit/controls.tsx';
import { EntryField, useEntry } from '../../kit/EntryField.tsx';
import { useCommand } from '../../state/api.ts';
import { changeJoint } from '../../state/gapActions.ts';
import { asTyped, bareUnit } from '../../state/understood.ts';

/** Gaskets and sealant: how thick they are bolted up, and another of them. */
export function Joints({ shaft, gap }: { shaft: ShaftState; gap: GapState }): JSX.Element | null {
  const [open, setOpen] = useState<string | null>(null);
  const joints = shaft.slots.filter(({ slot }) => slot.kind === 'gasket' || (slot.kind === 'fastening' && slot.role.includes('bolts')));
  if (joints.length === 0) return null;
  const bare = bareUnit(gap);
  return (
    <section aria-label="Gaskets and sealant" className="no-print border-t border-rule px-4 py-2">
      {joints.map((joint) => (
        <div key={joint.slot.id} role="group" aria-label={jointName(joint)}>
          <div className="flex flex-wrap items-center gap-x-4">
            <span className="text-[17px]">{jointName(joint)}</span>
            <span className="text-[17px] font-medium">{inNow(joint, bare)}</span>
            <Quiet
              onClick={() => setOpen((now) => (now === joint.slot.id ? null : joint.slot.id))}
              aria-expanded={open === joint.slot.id}
              className="ml-auto"
            >
              {joint.slot.kind === 'gasket' ? 'Another, or how thick…' : 'Say how much…'}
            </Quiet>
          </div>
          {open === joint.slot.id && <JointForm shaft={shaft} joint={joint} bare={bare} onDone={() => setOpen(null)} />}
        </div>
      ))}
    </section>
  );
}

const jointName = ({ slot }: SlotState): string => (slot.kind === 'gasket' ? slot.name : `Sealant in the joint, ${slot.name.toLowerCase()}`);

/** "new gasket, 0.300 mm bolted up", "none". */
function inNow({ slot, fitting }: SlotState, bare: 'thou' | 'mm'): string {
  if (slot.kind === 'fastening') return fitting.film ? describeLength(fitting.film, bare) : 'none';
  const state = fitting.state === null ? 'not said' : stateWords(slot, fitting.state);
  if (fitting.crushed === 0) return state;
  return `${state}, ${typeof fitting.crushed === 'number' ? `${describeLength(fitting.crushed, bare)} bolted up` : 'how thick bolted up is not known'}`;
}

const SAME = 'the one that is in';
const STATES = [SAME, 'new gasket', 'old gasket', 'no gasket'] as const;

function JointForm({ shaft, joint, bare, onDone }: { shaft: ShaftState; joint: SlotState; bare: 'thou' | 'mm'; onDone: () => void }): JSX.Element {
  const { send, sending } = useCommand();
  const { slot, fitting } = joint;
  const isGasket = slot.kind === 'gasket';
  const [which, setWhich] = useState<(typeof STATES)[number]>(fitting.state === null ? 'new gasket' : SAME);
  const keep = (said: Parameters<typeof changeJoint>[2]): void => {
    void send(changeJoint(shaft, slot.id, said)).then(onDone, () => undefined);
  };
  const state = which === SAME ? {} : { state: which };
  const thick = useEntry(
    { field: 'size', bare, quantity: isGasket ? 'gasket' : 'film' },
    {
      initial: asTyped((isGasket ? fitting.crushed : fitting.film) ?? undefined, bare),
      onKeep: ({ value }) => keep(isGasket ? { ...state, crushed: value } : { film: value }),
    },
  );
  const none = 0 as Length;
  return (
    <form onSubmit={thick.keep} className="border border-edge bg-sheet p-3">
      {isGasket && (
        <div role="group" aria-label="Which gasket" className="mb-2 flex flex-wrap gap-2">
          {STATES.map((each) => (
            <Chip key={each} on={which === each} onClick={() => setWhich(each)}>
              {each}
            </Chip>
          ))}
        </div>
      )}
      <div className="flex flex-wrap items-start gap-3">
        {which !== 'no gasket' && (
          <EntryField
            entry={thick}
            id={`joint-${slot.id}`}
            label={isGasket ? 'How thick it is bolted up' : 'All its films together, bolted up'}
            placeholder={bare === 'mm' ? 'like 0.28' : 'like 11'}
            className="w-64"
          />
        )}
        {which === 'no gasket' ? (
          <Secondary className="min-h-14" disabled={sending} onClick={() => keep({ state: which, crushed: none })}>
            Keep
          </Secondary>
        ) : (
          <>
            <Secondary type="submit" disabled={sending} className="mt-7 min-h-14 max-sm:mt-0">
              Keep
            </Secondary>
            {isGasket
              ? which !== SAME && (
                  <Secondary className="mt-7 min-h-14 max-sm:mt-0" disabled={sending} onClick={() => keep({ ...state, crushed: null })}>
                    Not known
                  </Secondary>
                )
              : fitting.film && (
                  <Secondary className="mt-7 min-h-14 max-sm:mt-0" disabled={sending} onClick={() => keep({ film: null })}>
                    None any more
                  </Secondary>
                )}
          </>
        )}
      </div>
      <p className="m-0 text-[15px] leading-5 text-ink2">
        {isGasket
          ? 'Known, a reading is carried over to another gasket as a forecast; not known, it is stale.'
          : 'A bead of sealant is a few hundredths once it is bolted up: mic a dab of it between two pieces of shim.'}
      </p>
    </form>
  );
}
