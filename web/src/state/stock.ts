import type { Change, Stock } from '@elder-cog/contract';
import { availableFor, sheetOf, type StockOffered } from '@elder-cog/derive';
import { useMemo } from 'react';
import { useDrawer } from './api.ts';
import { useJob } from './job.ts';

const NO_STOCK: readonly Stock[] = [];

export const useStock = (): readonly Stock[] => useDrawer().data?.stock ?? NO_STOCK;

export const changeStock = (stock: Stock, patch: Partial<Stock>): Change => ({ kind: 'stock.change', stock: { ...stock, ...patch } });

/** What a flat piece can be made from: sheet of the stock, and whole leaves of the Drawer that are on hand. */
export function useOffered(placeId: string | null): readonly StockOffered[] {
  const { lots, fitted } = useJob();
  const stock = useStock();
  return useMemo(() => {
    const leaves = availableFor(placeId ?? '', lots, fitted).filter(({ isGasket }) => isGasket !== true);
    return [
      ...sheetOf(stock),
      ...leaves.map((leaf): StockOffered => {
        const lot = lots.find(({ id }) => id === leaf.lotId);
        const of = lot === undefined || lot.material === '' ? 'a leaf' : lot.material;
        return {
          id: leaf.lotId ?? `in ${leaf.thickness}`,
          thickness: leaf.thickness,
          written: leaf.written,
          unit: leaf.unit,
          material: leaf.isIn ? `${of}, in it now` : `${of}, on hand`,
          isOwned: true,
          keptIn: lot?.keptIn ?? '',
        };
      }),
    ];
  }, [stock, lots, fitted, placeId]);
}
