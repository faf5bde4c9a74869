export * from './commands.ts';
export * from './facts.ts';
export * from './newShaft.ts';
export * from './replies.ts';
