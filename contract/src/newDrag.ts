import type { Joint, Rollers, Setting, Station } from './facts/index.ts';
import type { NewStation } from './newRow.ts';

/** After the gaps of a shaft, and before the sizes of its parts. */
const FIRST_DRAG = 500;

const BASE = {
  quantity: 'torque',
  boreId: null,
  journalId: null,
  newSize: null,
  rule: 'plain',
  aim: { at: 'middle' },
  method: null,
  instrument: null,
  gone: false,
} as const;

/** What it takes to turn the bearings of a pair: read beside the float of the same pair, or in its place. */
export const newDrag = (float: Pick<Station, 'shaftId' | 'role' | 'reads'>, name: string, newId: () => string): NewStation => ({
  ...BASE,
  id: newId(),
  shaftId: float.shaftId,
  subject: 'drag',
  moreIs: 'tight',
  role: `drag.${float.role}`.slice(0, 80),
  name,
  position: FIRST_DRAG,
  reads: { what: 'drag', contacts: float.reads?.what === 'gap' ? [...float.reads.contacts] : [] },
});

/** How much a drag rises as something is tightened. */
export const newRise = (drag: Pick<Station, 'id' | 'shaftId' | 'role'>, name: string, newId: () => string): NewStation => ({
  ...BASE,
  id: newId(),
  shaftId: drag.shaftId,
  subject: 'drag',
  moreIs: 'tight',
  role: `rise.${drag.role}`.slice(0, 80),
  name,
  position: FIRST_DRAG + 1,
  reads: { what: 'rise', of: drag.id },
});

/** How a pair is judged: by either of two, by both, with a ceiling that must not be passed. */
export type JudgedBy = 'either' | 'both' | 'ceiling';

/** A float and a drag, or a rise and a ceiling, judged together. */
export function newTogether(
  { assemblyId, name, by }: { readonly assemblyId: string; readonly name: string; readonly by: JudgedBy },
  [one, other]: readonly [string, string],
  newId: () => string,
): Omit<Setting, 'revision'> {
  return {
    id: newId(),
    assemblyId,
    name,
    criteria: [
      { stationId: one, group: 1 },
      { stationId: other, group: by === 'either' ? 2 : 1, ...(by === 'ceiling' ? { isCeiling: true as const } : {}) },
    ],
    gone: false,
  };
}

type JointBegun = Pick<Joint, 'assemblyId' | 'placeId' | 'stripId' | 'name' | 'shape' | 'holes'>;

/** Nut or bolts, of which nothing is known but how many and where. */
export const newJoint = (of: JointBegun, newId: () => string): Omit<Joint, 'revision'> => ({
  ...of,
  id: newId(),
  thread: '',
  major: null,
  pitch: null,
  hand: 'right',
  grade: '',
  dressing: '',
  lock: { kind: 'none', slots: null, notches: [], holeEnds: 2 },
  adjusts: false,
  rounds: [],
  order: [],
  note: '',
});

/** What the torque of a joint is a limit of. */
export const newTorque = (
  joint: Pick<Joint, 'id' | 'name' | 'assemblyId'>,
  of: Pick<NewStation, 'shaftId' | 'assemblyId'>,
  newId: () => string,
): NewStation => ({
  ...BASE,
  ...of,
  id: newId(),
  subject: 'fastener',
  moreIs: 'tight',
  role: `torque.${joint.id.slice(0, 8)}`,
  name: joint.name,
  position: FIRST_DRAG + 2,
  reads: { what: 'joint', joint: joint.id },
});

/** Loose rollers that nobody has measured. */
export const newRollers = (of: Pick<Rollers, 'assemblyId' | 'placeId' | 'name'>, newId: () => string): Omit<Rollers, 'revision'> => ({
  ...of,
  id: newId(),
  trackInner: null,
  trackOuter: null,
  diameter: null,
  length: null,
  trackLength: null,
  rows: 1,
  spacers: 0,
  note: '',
});
