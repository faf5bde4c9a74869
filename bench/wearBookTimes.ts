import { newRow, workshopFile, type WorkshopFile, withUnderstood } from '@elder-cog/contract';
import { FEATURE_KINDS, FEATURES, mm, readLimits } from '@elder-cog/core';
import { derive } from '@elder-cog/derive';
import { jobFacts } from '@elder-cog/server';
import { openWorkshop } from '../tools/browser.ts';
import { bigJob } from './bigJob.ts';
import { inBrowser, reportKeystrokes } from './inBrowser.ts';
import { report, time } from './report.ts';

const ROWS = 2_000;
const PASTED = 500;

/** A Wear book nobody has yet: two thousand rows of every kind on one shaft, each with a new size, a limit and its readings. */
export function wideBook(): WorkshopFile {
  const file = bigJob({ readings: 4, builds: 4 });
  const [job] = file.jobs;
  const shaftId = job?.shafts[0]?.id ?? '';
  let count = 0;
  const newId = (): string => `b1700000-0000-4000-8000-${(++count).toString(16).padStart(12, '0')}`;
  for (let n = 0; n < ROWS; n++) {
    const kind = FEATURE_KINDS[n % FEATURE_KINDS.length] ?? 'journal';
    const size = 10 + (n % 40);
    const written = `${FEATURES[kind].judgedBy === 'largest' ? 'max' : 'min'} ${size} mm`;
    const { min = null, max = null } = readLimits(written, 'mm').limits;
    const station = newRow({ of: { shaftId }, kind, name: `Part ${n + 1}`, unit: 'mm', position: 100 + n, newSize: mm(size), newId });
    job?.stations.push({ ...station, revision: 1 });
    job?.limits.push({
      id: newId(),
      revision: 1,
      stationId: station.id,
      min,
      max,
      written,
      unit: 'mm',
      source: 'manual',
      pageOrWhom: '',
      saidAt: '',
      working: '',
      specId: null,
      inUse: true,
    });
    for (const at of FEATURES[kind].places)
      job?.readings.push({
        id: newId(),
        stationId: station.id,
        buildId: null,
        raw: withUnderstood({ method: 'size', text: `${size}.02 ${size}.01`, instrument: FEATURES[kind].instrument.mm, at, restsOn: [] }),
        who: '',
        takenAt: file.madeAt,
        supersedes: null,
        keptAs: { value: null, words: '' },
      });
  }
  return workshopFile.parse(file);
}

/** Typing in a Wear book of two thousand rows, and five hundred more pasted into it. */
export async function benchWearBook(): Promise<void> {
  const file = wideBook();
  const id = file.jobs[0]?.job.id ?? '';
  const shaft = file.jobs[0]?.shafts[0]?.id ?? '';
  const workshop = await openWorkshop(file);
  console.log(`\nA Wear book of ${ROWS} rows with ${file.jobs[0]?.readings.length ?? 0} readings`);
  const facts = jobFacts(workshop.db, id);
  report(
    'its state derived',
    Array.from({ length: 10 }, () => time(() => void derive(structuredClone(facts)))),
  );
  await inBrowser(`${workshop.url}/jobs/${id}/wear?shaft=${shaft}`, async (page) => {
    await reportKeystrokes(page, 'its strip', '12.50 12.51 12.49 .4921 .4919" 0.5 thou 31.75 20 ');
    await page.getByRole('button', { name: 'From a spreadsheet' }).click();
    const lines = Array.from({ length: PASTED }, (_, n) => `Pasted ${n + 1},journal,mm,20,min 19.96,19.975 19.98,19.97 19.98,19.98`);
    const page500 = ['part,kind,unit,new,limit,readings_1,readings_2,readings_3', ...lines].join('\n');
    await page.context().grantPermissions(['clipboard-read', 'clipboard-write']);
    await page.evaluate((text) => navigator.clipboard.writeText(text), page500);
    const field = page.getByLabel('Rows to bring in');
    await field.focus();
    const timed = page.evaluate(timePaste, { rows: PASTED, then: ROWS + PASTED });
    await page.keyboard.press('Control+V');
    const [understoodIn, takenIn] = await timed;
    report(`${PASTED} rows pasted, to being understood`, [understoodIn]);
    report(`${PASTED} rows taken, to standing in the book`, [takenIn]);
  });
  await workshop.stop();
}

/** In the page: once something is pasted, waits for the button that takes it, presses it, and waits for the book to hold the rows. Milliseconds of each. */
async function timePaste({ rows, then }: { rows: number; then: number }): Promise<[number, number]> {
  const until = (found: () => boolean): Promise<number> =>
    new Promise((resolve) => {
      const look = (): void => {
        if (found()) requestAnimationFrame(() => setTimeout(() => resolve(performance.now())));
        else requestAnimationFrame(look);
      };
      look();
    });
  const button = (): HTMLButtonElement | undefined =>
    [...document.querySelectorAll('button')].find((b) => b.textContent?.trim().startsWith(`Take ${rows} rows`) && !b.disabled);
  const pasted = await new Promise<number>((resolve) =>
    document.addEventListener('paste', () => resolve(performance.now()), { capture: true, once: true }),
  );
  const understood = await until(() => button() !== undefined);
  button()?.click();
  const taken = await until(() => document.querySelector('table[aria-rowcount]')?.getAttribute('aria-rowcount') === String(then + 1));
  return [understood - pasted, taken - understood];
}
