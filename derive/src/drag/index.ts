export * from './dragLimits.ts';
export * from './dragRows.ts';
export * from './dragState.ts';
export * from './dragValue.ts';
export * from './hands.ts';
export * from './sleeveLog.ts';
