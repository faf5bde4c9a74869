/** The computing heart: pure functions, no I/O, no interface code. See the design's reckoning for signs and units. */
export * from './bearing/index.ts';
export * from './drawing/index.ts';
export * from './entry/index.ts';
export * from './errors.ts';
export * from './fastener/index.ts';
export * from './fit/index.ts';
export * from './made/index.ts';
export * from './material/index.ts';
export * from './quantity/index.ts';
export * from './reading/index.ts';
export * from './shim/index.ts';
export * from './stack/index.ts';
export * from './strip/index.ts';
export * from './sum.ts';
export * from './wear/index.ts';
export * from './words/index.ts';
