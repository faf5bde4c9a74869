export * from './bearingRing.ts';
export * from './isoFit.ts';
export * from './isoLimits.ts';
