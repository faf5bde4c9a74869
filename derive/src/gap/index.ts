export * from './gapNow.ts';
export * from './gapState.ts';
export * from './judged.ts';
export * from './ladder.ts';
export * from './lessons.ts';
export * from './limitsInUse.ts';
export * from './packQuestion.ts';
export * from './together.ts';
