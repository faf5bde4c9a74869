export * from './blankOf.ts';
export * from './curves.ts';
export * from './madeKinds.ts';
export * from './madeOutline.ts';
export * from './toolFor.ts';
