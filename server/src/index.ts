export { createApp, type App } from './app.ts';
export { importWorkshop } from './exchange/importWorkshop.ts';
export { apply } from './store/apply.ts';
export { allFacts, allFitted, jobFacts } from './store/facts.ts';
export { openDb, type Db } from './store/open.ts';
