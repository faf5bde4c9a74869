export * from './runningClearance.ts';
export * from './survey.ts';
