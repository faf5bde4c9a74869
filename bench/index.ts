/**
 * Benchmarks, run by hand: `npm run bench`. Machines are noisy, so what counts is the ratio of two things timed in one run.
 */
import { createRequire } from 'node:module';
import { searchPacks, solveShaft } from '@elder-cog/core';
import { asProgramme, seededDrawer } from './drawers.ts';
import { report, time } from './report.ts';
import { seededShaft, shaftProgramme } from './shafts.ts';
import { benchBigJob } from './bigJobTimes.ts';
import { benchPages } from './pageTimes.ts';
import { benchStack } from './stack.ts';
import { benchTried } from './tried.ts';
import { benchWearBook } from './wearBookTimes.ts';

interface Solver {
  solve(programme: string, options: object): { Status: string };
}

console.log('Pack search: 50 seeded drawers, 60 thicknesses × 4, up to six leaves');
const highs = await (createRequire(import.meta.url)('highs') as () => Promise<Solver>)();
const questions = Array.from({ length: 50 }, (_, n) => seededDrawer(n));
questions.slice(0, 4).forEach((q) => searchPacks(q.drawer, q.search)); // warm
const ours = report(
  'searchPacks, best 1',
  questions.map((q) => time(() => void searchPacks(q.drawer, q.search))),
);
const window = (q: (typeof questions)[number]) => ({
  ...q.search,
  min: (q.search.target - 38_100) as never,
  max: (q.search.target + 38_100) as never,
  keep: 3,
});
report(
  'searchPacks, best 3 in a window of 3 thou',
  questions.map((q) => time(() => void searchPacks(q.drawer, window(q)))),
);
const theirs = report(
  'integer programme (HiGHS), best 1',
  questions.slice(0, 10).map((q) => time(() => void highs.solve(asProgramme(q), { mip_rel_gap: 0, mip_abs_gap: 0 }))),
);
console.log(`ratio at the middle, solver ÷ ours: ${(theirs.p50 / ours.p50).toFixed(0)}`);

console.log('\nA whole shaft: 50 seeded, five slots of 40 washers, three gaps that share them');
const shafts = Array.from({ length: 50 }, (_, n) => seededShaft(n));
shafts.slice(0, 4).forEach((q) => solveShaft(q)); // warm
const solved = report(
  'solveShaft, best 3',
  shafts.map((q) => time(() => void solveShaft(q))),
);
const programmed = report(
  'integer programme (HiGHS), best 1',
  shafts.slice(0, 10).map((q) => time(() => void highs.solve(shaftProgramme(q), { mip_rel_gap: 0, mip_abs_gap: 0 }))),
);
console.log(`ratio at the middle, solver ÷ ours: ${(programmed.p50 / solved.p50).toFixed(0)}`);

benchStack();

await benchBigJob();
await benchWearBook();
await benchTried();
await benchPages();
