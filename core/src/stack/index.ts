export * from './coverGapMethod.ts';
export * from './coverShim.ts';
export * from './gapUnderSpacer.ts';
export * from './graph.ts';
export * from './packWindow.ts';
export { requiredPack, requiredPackSum, type PackQuestion } from './requiredPack.ts';
export * from './senses.ts';
export * from './stackGap.ts';
export * from './templates.ts';
