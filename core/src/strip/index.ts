export * from './cautions.ts';
export * from './partTypes.ts';
export * from './readStripLine.ts';
