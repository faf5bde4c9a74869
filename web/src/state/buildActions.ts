import type { Build, Change, Closing, FitLeaf, OwnInstrument, Removal, Tightening } from '@elder-cog/contract';
import type { Length } from '@elder-cog/core';
import type { InForNow, ShaftState, StillIn } from '@elder-cog/derive';
import { buildOf } from './gapActions.ts';
import { newId, useSettings } from './settings.ts';

/** The commands about what was built: how it felt, what was tightened, what is in for the time being, what is done. */

const signed = (): { readonly who: string; readonly at: string } => ({ who: useSettings.getState().who, at: new Date().toISOString() });

/** How the build that stands felt by hand. */
export const sayFeel = (buildId: string, word: string): Change => ({ kind: 'feel.add', feel: { id: newId(), buildId, word, ...signed() } });

/**
 * A stage of torque: the same bolts further take the place of what was said of them, others stand beside them. A build of its own; or how far
 * they are torqued already, which nobody had said.
 */
export function tighten(shaft: ShaftState, slotId: string, line: Tightening, isAsItWas = false): Change {
  const { state, tightened = [] } = shaft.current?.fitted.get(slotId) ?? { state: null };
  const before = state === 'torqued' ? tightened : [];
  const same = (each: Tightening): boolean => each.bolts.trim().toLowerCase() === line.bolts.trim().toLowerCase();
  const lines = [...before.filter((each) => !same(each)), line];
  return buildOf(shaft, 'dry', [{ id: newId(), placeId: slotId, leaves: [] as FitLeaf[], state: isAsItWas ? null : 'torqued', tightened: lines }]);
}

export const countIn = (assemblyId: string, buildId: string | null, what: string, count: number): Change => ({
  kind: 'temporary.count',
  temporaries: [{ id: newId(), assemblyId, buildId, what, count, outOf: null, ...signed() }],
});

/** So many of what was counted in, out again. */
export const countOut = ({ row, left }: StillIn, buildId: string | null, count: number = left): Change => ({
  kind: 'temporary.count',
  temporaries: [{ id: newId(), assemblyId: row.assemblyId, buildId, what: row.what, count, outOf: row.id, ...signed() }],
});

export const closeStation = (stationId: string, readingId: Closing['readingId']): Change => ({
  kind: 'station.close',
  closing: { id: newId(), stationId, readingId, ...signed() },
});

/** What was taken off a part, and the build that is made with it, where there is one to make. */
export function takeOff(
  stationId: string,
  off: Pick<Removal, 'amount' | 'written' | 'process'>,
  { shaft, after }: { readonly shaft: ShaftState | null; readonly after: string | null },
): Change {
  const built = shaft?.current ? buildOf(shaft, 'dry', []) : null;
  const build = built?.kind === 'build.add' ? built.build : null;
  return {
    kind: 'remove',
    removal: { id: newId(), stationId, ...off, after, buildId: build?.id ?? null, ...signed() },
    build,
    ...(build ? { saw: build.parentId } : {}),
  };
}

/** What goes in for good in a place, in the stead of what was there for the time being. */
export interface Staying {
  readonly item: InForNow;
  readonly fit: Omit<Build['fits'][number], 'id' | 'placeId' | 'leaves'>;
}

/** The build for good: everything that was there for the time being swapped for what stays, and what stays said once more. */
export function buildForGood(shaft: ShaftState, staying: readonly Staying[], note: string): Change {
  const swapped = staying.flatMap(({ item: { slot }, fit }) => (slot ? [{ id: newId(), placeId: slot.id, leaves: [] as FitLeaf[], ...fit }] : []));
  const rest = shaft.slots.filter(({ slot }) => !swapped.some(({ placeId }) => placeId === slot.id));
  const held = rest.flatMap(({ slot, fitting: { state, tightened } }) =>
    slot.kind === 'fastening' && state !== null
      ? [{ id: newId(), placeId: slot.id, leaves: [] as FitLeaf[], state, ...(tightened ? { tightened: [...tightened] } : {}) }]
      : [],
  );
  const packs = rest.flatMap(({ slot, fitting: { leaves } }) =>
    slot.kind === 'adjuster' && leaves ? [{ id: newId(), placeId: slot.id, leaves: [...leaves], state: null }] : [],
  );
  // a build is of a shaft by what it says of its places
  const fits = [...swapped, ...held];
  const made = buildOf(shaft, 'final', fits.length > 0 ? fits : packs);
  return made.kind === 'build.add' ? { ...made, build: { ...made.build, note } } : made;
}

export const addInstrument = (instrument: OwnInstrument['instrument'], keptIn: string): Change => ({
  kind: 'instrument.add',
  instrument: { id: newId(), instrument, keptIn, note: '', checks: [] },
});

/** A check of an instrument against something of known size. */
export const checkInstrument = (own: OwnInstrument, against: string, off: Length, written: string): Change => {
  const { who, at } = signed();
  return { kind: 'instrument.change', instrument: { ...own, checks: [...own.checks, { at, who, against, off, written }] } };
};
