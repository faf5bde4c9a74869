/** Facts in, answers out: the one place where what was seen becomes what is said. */
export * from './builds.ts';
export * from './derive.ts';
export * from './gap.ts';
export * from './graph.ts';
export * from './looseSheet.ts';
export * from './packs.ts';
export * from './readingValue.ts';
export * from './summary.ts';
export * from './wear.ts';
