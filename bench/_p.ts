import { benchPages } from './pageTimes.ts';
await benchPages();
