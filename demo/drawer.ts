/** Leaves on hand in the made-up workshop. */
import { type FitLeaf, type Lot } from '@elder-cog/contract';
import { mm, thou, type Length } from '@elder-cog/core';
import { newId } from './ids.ts';

export const leaf = (thickness: Length, written: string, unit: 'thou' | 'mm', quantity: number, keptIn: string): Lot => ({
  id: newId(),
  revision: 1,
  thickness,
  written,
  unit,
  owned: quantity,
  material: unit === 'mm' ? 'steel' : 'brass',
  keptIn,
  note: '',
});
export const lots: Lot[] = [
  ...(
    [
      [2, 2],
      [3, 4],
      [4, 2],
      [5, 3],
      [6, 3],
      [8, 2],
      [10, 2],
      [12, 2],
      [15, 1],
      [20, 2],
    ] as const
  ).map(([t, n]) => leaf(thou(t), String(t), 'thou', n, 'tin 1')),
  ...(
    [
      ['0.10', 4],
      ['0.15', 2],
      ['0.20', 3],
      ['0.25', 1],
      ['0.30', 2],
      ['0.40', 1],
      ['0.50', 1],
    ] as const
  ).map(([t, n]) => leaf(mm(Number(t)), t, 'mm', n, 'tin 2')),
  ...(['3.80', '3.90', '4.00'] as const).map((t) => leaf(mm(Number(t)), t, 'mm', 1, 'washers')),
];
export const lotOf = (written: string): FitLeaf => {
  const lot = lots.find((l) => l.written === written);
  if (!lot) throw new Error(`no leaf of ${written}`);
  return { lotId: lot.id, thickness: lot.thickness, written, unit: lot.unit, count: 1 };
};
