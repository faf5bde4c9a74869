export * from './grownBy.ts';
export * from './materials.ts';
export * from './meanExpansion.ts';
