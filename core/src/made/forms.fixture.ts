import { mm, type Length } from '../quantity/index.ts';
import type { MadeForm, MadeSizeName } from './index.ts';

/** A form from sizes in millimetres, for tests. */
export const formOf = (kind: MadeForm['kind'], sizes: Partial<Record<MadeSizeName, number>>, counts: MadeForm['counts'] = {}): MadeForm => ({
  kind,
  sizes: Object.fromEntries(Object.entries(sizes).map(([name, value]): [string, Length] => [name, mm(value)])),
  counts,
});

export const SHIM_FORM = formOf('shim', { inner: 62.5, outer: 92, thickness: 0.267, holeDiameter: 8.5, holeCircle: 77 }, { holes: 6 });

/** One of every kind at the least. */
export const EVERY_FORM: readonly MadeForm[] = [
  SHIM_FORM,
  formOf('halfShim', { inner: 62.5, outer: 92, thickness: 0.267, holeDiameter: 6, holeCircle: 77 }, { holes: 6 }),
  formOf('washer', { inner: 30, outer: 55, thickness: 3.2, tangWidth: 6, tangReach: 2.5, grooveWidth: 2 }, { tangs: 2, grooves: 4 }),
  formOf('bush', { inner: 25.4, outer: 28.575, length: 30 }),
  formOf('bush', { inner: 25.4, outer: 28.575, length: 30, flangeOuter: 36, flangeThickness: 3, slit: 1 }),
  formOf('distancePiece', { inner: 30, outer: 38, length: 60, smallOuter: 34 }),
  formOf('sleeve', { inner: 35, outer: 41, length: 25, chamfer: 1 }),
  formOf('lapPlate', { outer: 90, thickness: 12, pocket: 56, pocketDepth: 2 }),
  formOf('drift', { pilot: 25.3, pilotLength: 20, outer: 28.4, length: 60 }),
  formOf('depthPusher', { pilot: 28.4, pilotLength: 8, outer: 45, length: 10 }),
  formOf('dummyShaft', { outer: 19.8, length: 42, chamfer: 1 }),
  formOf('guidePin', { pilot: 7.9, pilotLength: 12, outer: 8.4, length: 60 }),
  formOf('dummyFlange', { inner: 40, outer: 110, thickness: 10, holeDiameter: 8.5, holeCircle: 92 }, { holes: 6 }),
];
