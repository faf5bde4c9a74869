import { readFileSync } from 'node:fs';
import { openWorkshop } from '../tools/browser.ts';
import { DEMO, expect, jobPath, test } from './workshop.ts';

/** A word of ninety letters and no place to break it, as a name a person wrote. */
const LONG = 'Getriebehauptwellenendspielausgleichsscheibenpaketdickenmessungsprotokollvordruckabheftungsmappe';
const NAMED = /"(name|machine|text|part|tell|where|keptIn|pageOrWhom|reason|caption|label)": "(?=[A-Za-z])/g;

const VIEWS = [
  '/',
  '/drawer',
  '/workshop',
  ...['bench', 'section', 'builds', 'wear', 'limits', 'strip', 'sheet', 'labels', 'record', 'add'].map((view) => jobPath(view, 1)),
  jobPath('section'),
  jobPath(`ask/${DEMO.jobs[0]?.stations.find((s) => s.subject === 'pair')?.id ?? ''}`, 1),
] as const;

for (const width of [1280, 820, 390])
  test(`names of one long word push no view sideways at ${width}`, async ({ page }) => {
    const text = readFileSync(new URL('../demo/workshop.json', import.meta.url), 'utf8');
    const file = JSON.parse(text.replace(NAMED, (found) => `${found}${LONG} `)) as unknown;
    const trimmed = JSON.parse(JSON.stringify(file), (key, value: unknown) => {
      if (typeof value !== 'string' || !value.includes(LONG)) return value;
      const most = { keptIn: 60, text: 118, label: 110, reason: 118, caption: 118 }[key] ?? 118;
      return value.slice(0, most).trim();
    }) as unknown;
    const workshop = await openWorkshop(trimmed);
    await page.setViewportSize({ width, height: 900 });
    const wide: string[] = [];
    for (const path of VIEWS) {
      await page.goto(workshop.url + path, { waitUntil: 'networkidle' });
      await expect(page.locator('#view')).not.toHaveText(/Opening/);
      const by = await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
      if (by > 1) wide.push(`${path.split('?')[0]?.split('/').at(-1) ?? ''}: ${by} px`);
    }
    await workshop.stop();
    expect(wide).toEqual([]);
  });
