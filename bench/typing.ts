import { chromium } from '@playwright/test';
import { derive } from '@elder-cog/derive';
import { jobFacts } from '@elder-cog/server';
import { chromiumPath, LAUNCH, openWorkshop } from '../tools/browser.ts';
import { bigJob } from './bigJob.ts';
import { report, time } from './report.ts';

const KEYSTROKES = 100;

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

  const executablePath = chromiumPath();
  if (!executablePath) {
    console.log('No Chromium: typing is not measured.');
    await workshop.stop();
    return;
  }
  const browser = await chromium.launch({ ...LAUNCH, args: [...LAUNCH.args], executablePath });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${workshop.url}/jobs/${id}/section?shaft=${shaft}`);
  const strip = page.locator('#entry');
  await strip.waitFor();
  await strip.focus();
  await page.evaluate(() => {
    const times: number[] = [];
    (window as unknown as { times: number[] }).times = times;
    window.addEventListener(
      'keydown',
      () => {
        const start = performance.now();
        requestAnimationFrame(() => {
          const painted = new MessageChannel();
          painted.port1.onmessage = () => times.push(performance.now() - start);
          painted.port2.postMessage(null);
        });
      },
      true,
    );
  });
  const text = '88>12 87½>11½ goes 9 stops 10 0.60 mm .0235" 24 24 23 1.103 less .375 ';
  for (let i = 0; i < KEYSTROKES; i++) {
    const key = text[i % text.length] ?? '1';
    if (i % 24 === 23) await page.keyboard.press('Escape');
    else await page.keyboard.press(key === '"' || key === '½' ? 'Digit5' : key === ' ' ? 'Space' : key);
    await page.waitForTimeout(40);
  }
  const times = await page.evaluate(() => (window as unknown as { times: number[] }).times);
  report(`${times.length} keystrokes in its strip, keydown to next paint`, times);
  await browser.close();
  await workshop.stop();
}
