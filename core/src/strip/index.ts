export * from './partTypes.ts';
export * from './readStripLine.ts';
