export * from './clearanceShapes.ts';
export * from './dial.ts';
export * from './leaf.ts';
export * from './limitBar.ts';
export * from './mark.ts';
export type { Solid } from './parts.ts';
export * from './section.ts';
export type { Colour, Fill, Font, Shape } from './shapes.ts';
