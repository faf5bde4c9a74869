export { createApp } from './app.ts';
export { importWorkshop } from './exchange/importWorkshop.ts';
export { apply } from './store/apply.ts';
export { allFacts, allFitted, jobFacts } from './store/facts.ts';
export { openDb, type Db } from './store/open.ts';
export type { App } from './typedApp.ts';
