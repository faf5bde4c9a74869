import { newJoint, newTorque, type Build, type Change, type Joint, type Pull, type StripEntry } from '@elder-cog/contract';
import { stateAfter, type JointState, type ShaftState, type SlotState } from '@elder-cog/derive';
import { buildOf } from './gapActions.ts';
import { newId, useSettings } from './settings.ts';

/** The commands of what holds things together. */

/** What a joint is begun from: nut or bolts of a shaft, bolts of the strip log, or nothing but a name. */
export type JointFrom =
  | { readonly of: 'place'; readonly slot: SlotState['slot']; readonly shaftId: string }
  | { readonly of: 'strip'; readonly entry: StripEntry }
  | { readonly of: 'name'; readonly name: string };

/** Whether what holds a shaft is a nut, that is turned, and not bolts. */
export const isNut = (name: string): boolean => /\bnut\b/i.test(name);

/** Nut or bolts, with the station that its torque is a limit of. */
export function addJoint(assemblyId: string, from: JointFrom): Extract<Change, { kind: 'joint.add' }> {
  const bolts = from.of === 'strip' ? from.entry.bolts : null;
  const name = from.of === 'place' ? from.slot.name : from.of === 'strip' ? from.entry.part : from.name;
  const joint = newJoint(
    {
      assemblyId,
      placeId: from.of === 'place' ? from.slot.id : null,
      stripId: from.of === 'strip' ? from.entry.id : null,
      name,
      shape: bolts?.shape ?? 'circle',
      holes: bolts?.holes.length ?? (isNut(name) ? 1 : 6),
    },
    newId,
  );
  const of = from.of === 'place' ? { shaftId: from.shaftId } : { shaftId: null, assemblyId };
  const [first] = bolts?.holes ?? [];
  const known = first ? { thread: first.thread, hand: first.hand, dressing: first.dressing } : {};
  return { kind: 'joint.add', joint: { ...joint, ...known }, stations: [newTorque(joint, of, newId)] };
}

export const changeJoint = (joint: Joint, patch: Partial<Omit<Joint, 'id' | 'revision' | 'assemblyId'>>): Change => ({
  kind: 'joint.change',
  joint: { ...joint, ...patch },
});

interface Pulled {
  readonly round: number;
  readonly holes: readonly number[];
  /** as it was read, where it was */
  readonly read?: Pick<Pull, 'torque' | 'degrees' | 'written'>;
  /** the last reading of the box: what is read after it is read part-way */
  readonly after: string | null;
}

/** Bolts pulled in one round; the last of it makes the build that is pulled so far. */
export function pullHoles(state: JointState, shaft: ShaftState | null, { round, holes, read, after }: Pulled): Change {
  const { joint, rounds } = state;
  const current = shaft?.current?.build.id ?? null;
  const done = new Set([...(rounds[round]?.done ?? []), ...holes]);
  const build = done.size >= joint.holes && round < rounds.length ? buildPulled(state, shaft, round) : null;
  const said = { who: useSettings.getState().who, at: new Date().toISOString() };
  const pulls = holes.map((hole): Pull => ({
    id: newId(),
    jointId: joint.id,
    buildId: current,
    round,
    hole,
    torque: null,
    degrees: null,
    written: '',
    ...read,
    after,
    ...said,
  }));
  return { kind: 'joint.pull', pulls, build, ...(build ? { saw: current } : {}) };
}

/** The build with the joint pulled so far; null where it holds nothing of a shaft that was built, or is so already. */
function buildPulled({ joint, rounds }: JointState, shaft: ShaftState | null, round: number): Build | null {
  const { placeId } = joint;
  if (placeId === null || !shaft?.current) return null;
  const state = stateAfter(joint, round);
  const before = shaft.current.fitted.get(placeId)?.state ?? null;
  const { torque = null, degrees = null, written = '' } = rounds[round]?.round ?? {};
  if (torque === null && degrees === null && before === state) return null;
  const bolts = joint.holes === 1 ? 'the nut' : `all ${joint.holes}`;
  // hand tight is so far and no farther: nothing is said of how far they were before
  const tightened = torque === null && degrees === null ? [] : [{ bolts, torque, written, degrees, isSlave: false }];
  const made = buildOf(shaft, shaft.current.build.stage === 'final' ? 'final' : 'dry', [{ id: newId(), placeId, leaves: [], state, tightened }]);
  return made.kind === 'build.add' ? (made.build as Build) : null;
}
