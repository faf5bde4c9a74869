export * from './grownBy.ts';
export * from './materials.ts';
