import type { Change, FitLeaf, Lot, Making, Pass } from '@elder-cog/contract';
import { formatLength, nanometres, NM_PER, type Instrument, type Length, type MadeForm } from '@elder-cog/core';
import type { MadeWindow, ShaftState } from '@elder-cog/derive';
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
