import { derive } from '@elder-cog/derive';
import { jobFacts } from '@elder-cog/server';
import { openWorkshop } from '../tools/browser.ts';
import { bigJob } from './bigJob.ts';
import { inBrowser, reportKeystrokes } from './inBrowser.ts';
import { report, time } from './report.ts';

/** Opening a job of 10 000 readings against reading its rows raw, and typing in its strip: keydown to the next paint. */
export async function benchBigJob(): Promise<void> {
  const file = bigJob();
  const id = file.jobs[0]?.job.id ?? '';
  const shaft = file.jobs[0]?.shafts[0]?.id ?? '';
  const workshop = await openWorkshop(file);
  console.log(`\nA job of ${file.jobs[0]?.readings.length ?? 0} readings over ${file.jobs[0]?.builds.length ?? 0} builds`);
  const raw = report(
    'its reading rows, raw from SQLite',
    Array.from({ length: 10 }, () => time(() => void workshop.db.prepare('SELECT * FROM reading').all())),
  );
  const opened = report(
    'its facts from the store',
    Array.from({ length: 10 }, () => time(() => void jobFacts(workshop.db, id))),
  );
  const facts = jobFacts(workshop.db, id);
  const derived = report(
    'its state derived',
    Array.from({ length: 10 }, () => time(() => void derive(structuredClone(facts)))),
  );
  const asked: number[] = [];
  for (let i = 0; i < 10; i++) {
    const start = performance.now();
    await (await fetch(`${workshop.url}/api/jobs/${id}`)).text();
    asked.push(performance.now() - start);
  }
  const wire = report('its facts over the wire', asked);
  console.log(
    `ratio at the middle, opening (facts over the wire and derived) ÷ raw rows: ${((wire.p50 + derived.p50) / raw.p50).toFixed(1)}; from the store alone: ${(opened.p50 / raw.p50).toFixed(1)}`,
  );

  await inBrowser(`${workshop.url}/jobs/${id}/section?shaft=${shaft}`, (page) =>
    reportKeystrokes(page, 'its strip', '88>12 87½>11½ goes 9 stops 10 0.60 mm .0235" 24 24 23 1.103 less .375 '),
  );
  await workshop.stop();
}
