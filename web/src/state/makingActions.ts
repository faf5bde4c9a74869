import type { Change, FitLeaf, Lot, Making, Pass, RawReading, Removal } from '@elder-cog/contract';
import {
  describeLength,
  formatLength,
  MADE,
  nanometres,
  NM_PER,
  unitOfSizes,
  type Instrument,
  type Length,
  type LengthUnit,
  type MadeForm,
  type Removing,
} from '@elder-cog/core';
import type { MadeWindow, ShaftState } from '@elder-cog/derive';
import { takeOff } from './buildActions.ts';
import { fitPack } from './gapActions.ts';
import { newId, useSettings } from './settings.ts';

/** The commands of what is made. */

const signed = (): string => useSettings.getState().who;
const now = (): string => new Date().toISOString();

/** What something is made for: a place and its gap, with what lands there; or nothing. */
export interface MadeFor {
  readonly placeId: string;
  readonly gapId: string;
  readonly window: MadeWindow;
  /** the reading it was reckoned from */
  readonly from: string | null;
}

export const beginMaking = (
  jobId: string,
  {
    name,
    form,
    made,
    beside = [],
  }: { readonly name: string; readonly form: MadeForm; readonly made: MadeFor | null; readonly beside?: readonly FitLeaf[] },
): Extract<Change, { kind: 'making.add' }> => ({
  kind: 'making.add',
  making: {
    id: newId(),
    jobId,
    name,
    form,
    placeId: made?.placeId ?? null,
    gapId: made?.gapId ?? null,
    sizeId: null,
    window: made && { ...made.window, from: made.from },
    beside: [...beside],
    material: '',
    blank: null,
    process: form.kind === 'bush' || form.kind === 'sleeve' ? 'turn' : 'lap',
    state: 'open',
    lotId: null,
    note: '',
    who: signed(),
    at: now(),
  },
});

/** A size of a part in hand, as it was read last. */
export interface InHand {
  readonly sizeId: string;
  readonly name: string;
  readonly value: Length;
  /** its last reading */
  readonly from: string | null;
}

/** A part that is there, taken down to limits: to their middle. */
export function beginTakingOff(
  jobId: string,
  {
    part,
    process,
    limits: { min, max },
    written,
    bare,
  }: {
    readonly part: InHand;
    readonly process: Removing;
    readonly limits: { readonly min: Length; readonly max: Length };
    readonly written: string;
    readonly bare: 'thou' | 'mm';
  },
): Extract<Change, { kind: 'making.add' }> {
  const ideal = nanometres(Math.round((min + max) / 2));
  return {
    kind: 'making.add',
    making: {
      id: newId(),
      jobId,
      name: part.name,
      form: null,
      placeId: null,
      gapId: null,
      sizeId: part.sizeId,
      window: { min, max, ideal, from: part.from },
      beside: [],
      material: '',
      blank: { size: part.value, written: formatLength(part.value, unitOfSizes(bare)), unit: unitOfSizes(bare) },
      process,
      state: 'open',
      lotId: null,
      note: `to ${written.trim()}`.slice(0, 400),
      who: signed(),
      at: now(),
    },
  };
}

const DONE: Readonly<Record<Removing, Removal['process']>> = { lap: 'lapped', face: 'faced', turn: 'turned', hone: 'honed' };

/** A part that is to size: so much came off it, and what it measures is its size from now on; a build of its shaft, with it. */
export function finishTakingOff(
  making: Making,
  {
    first,
    last,
    shaft,
    after,
    unit,
  }: { readonly first: Length; readonly last: Pass; readonly shaft: ShaftState | null; readonly after: string | null; readonly unit: LengthUnit },
): Extract<Change, { kind: 'making.finish' }> {
  const mean = last.readings.reduce<number>((sum, each) => sum + each, 0) / Math.max(1, last.readings.length);
  const off = nanometres(Math.round(Math.abs(first - mean)));
  const taken = takeOff(
    making.sizeId ?? '',
    { amount: off > 0 ? off : null, written: describeLength(off, unit === 'mm' ? 'mm' : 'thou').slice(0, 40), process: DONE[making.process] },
    { shaft, after },
  );
  const raw: RawReading = {
    method: 'size',
    text: last.written,
    understood: { how: 'sizes', values: [...last.readings], unit },
    instrument: last.instrument,
    restsOn: [],
  };
  return {
    kind: 'making.finish',
    making: { ...making, state: 'made' },
    lots: [],
    removals: taken.kind === 'remove' ? [taken.removal] : [],
    readings: [
      {
        id: newId(),
        stationId: making.sizeId ?? '',
        buildId: null,
        raw,
        who: signed(),
        takenAt: now(),
        supersedes: null,
        keptAs: { value: nanometres(Math.round(mean)), words: last.written },
      },
    ],
    build: taken.kind === 'remove' ? taken.build : null,
    saw: taken.kind === 'remove' ? (taken.saw ?? null) : null,
  };
}

export const changeMaking = (making: Making, patch: Partial<Omit<Making, 'id' | 'revision' | 'jobId'>>): Change => ({
  kind: 'making.change',
  making: { ...making, ...patch },
});

export const keepPass = (
  makingId: string,
  {
    effort,
    readings,
    written,
    instrument,
  }: { readonly effort: number; readonly readings: readonly Length[]; readonly written: string; readonly instrument: Instrument | null },
): Change => ({
  kind: 'pass.add',
  pass: { id: newId(), makingId, effort, readings: [...readings], written, instrument, who: signed(), at: now() } satisfies Pass,
});

/** What was measured, as a leaf is called: to the last tenth of a thou, or micrometre. */
export function asLeaf(measured: Length, unit: 'thou' | 'mm'): { readonly thickness: Length; readonly written: string } {
  const step = unit === 'thou' ? NM_PER.thou / 10 : NM_PER.mm / 1000;
  const thickness = nanometres(Math.round(measured / step) * step);
  return { thickness, written: formatLength(thickness, unit) };
}

/** A made leaf into the Drawer, at its measured size; and into the build with what goes beside it, where it has a place. */
export function finishMaking(
  making: Making,
  { measured, unit, shaft }: { readonly measured: Length; readonly unit: 'thou' | 'mm'; readonly shaft: ShaftState | null },
): Extract<Change, { kind: 'making.finish' }> {
  const { inner, outer } = making.form?.sizes ?? {};
  const lot: Omit<Lot, 'revision' | 'gone'> = {
    id: newId(),
    ...asLeaf(measured, unit),
    unit,
    owned: 1,
    material: making.material.slice(0, 40),
    keptIn: '',
    note: `made: ${making.name}`,
    ...(inner === undefined ? {} : { bore: inner }),
    ...(outer === undefined ? {} : { outside: outer }),
  };
  const leaf: FitLeaf = { lotId: lot.id, thickness: lot.thickness, written: lot.written, unit, count: 1 };
  const fit = shaft && making.placeId !== null ? fitPack(shaft, making.placeId, [...making.beside, leaf]) : null;
  const build = fit?.kind === 'build.add' ? fit : null;
  return {
    kind: 'making.finish',
    making: { ...making, state: 'made', lotId: lot.id },
    lots: [lot],
    removals: [],
    readings: [],
    build: build?.build ?? null,
    saw: build?.saw ?? null,
  };
}

/** Another window, and the size that goes with it. */
export function takeWindow(making: Making, window: MadeWindow | null, from: string | null): Change {
  const { form } = making;
  if (!window) return changeMaking(making, {});
  const sized = form && { ...form, sizes: { ...form.sizes, [MADE[form.kind].axial]: window.ideal } };
  return changeMaking(making, { window: { ...window, from }, form: sized });
}
