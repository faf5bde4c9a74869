export * from './fabricateShim.ts';
export * from './leafFits.ts';
export * from './leavesTotal.ts';
export * from './madeSize.ts';
export * from './reachableTotals.ts';
export * from './searchPacks.ts';
export * from './splitPacks.ts';
export * from './supplierRange.ts';
