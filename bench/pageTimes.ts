import { readFileSync } from 'node:fs';
import { chromium, type Browser, type CDPSession, type Page } from '@playwright/test';
import { workshopFile, type WorkshopFile } from '@elder-cog/contract';
import { chromiumPath, LAUNCH, openWorkshop } from '../tools/browser.ts';
import { bigJob } from './bigJob.ts';
import { reportKeystrokes } from './inBrowser.ts';
import { report } from './report.ts';

const DEMO = workshopFile.parse(JSON.parse(readFileSync(new URL('../demo/workshop.json', import.meta.url), 'utf8')));
/** A processor slowed so many times is an old tablet's. */
const SLOWED = 4;
const RUNS = 7;

/** The made-up machine so many times over, each under ids of its own. */
function manyMachines(howMany: number): WorkshopFile {
  const [job] = DEMO.jobs;
  const kept = new Set(DEMO.lots.map((lot) => lot.id));
  const jobs = Array.from({ length: howMany }, (_, n) => {
    const text = JSON.stringify(job).replace(
      /"([0-9a-f]{8})(-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})"/g,
      (whole, head: string, rest: string) => (kept.has(head + rest) ? whole : `"${n.toString(16).padStart(8, '0')}${rest}"`),
    );
    return JSON.parse(text) as unknown;
  });
  return workshopFile.parse({ ...DEMO, jobs });
}

async function newPage(browser: Browser, slowed = 1): Promise<{ page: Page; cdp: CDPSession }> {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  page.setDefaultTimeout(30_000);
  await page.addInitScript('globalThis.__name = (named) => named');
  const cdp = await page.context().newCDPSession(page);
  await cdp.send('Emulation.setCPUThrottlingRate', { rate: slowed });
  return { page, cdp };
}

/** From the address being asked for to something being on the page, by the page's own clock. */
async function timeTo(page: Page, url: string, found: string): Promise<number> {
  await page.goto(url, { waitUntil: 'commit' });
  return page.evaluate(
    (selector) =>
      new Promise<number>((resolve) => {
        const look = (): void => {
          const element = document.querySelector(selector);
          // a strip is ready when it has the focus, or what must be said before an entry is kept has it
          const isThere = element !== null && (!(element instanceof HTMLInputElement) || document.activeElement !== document.body);
          if (isThere) requestAnimationFrame(() => setTimeout(() => resolve(performance.now())));
          else requestAnimationFrame(look);
        };
        look();
      }),
    found,
  );
}

/** Keeps an entry by Enter, and waits until what it makes of the gap is painted. Milliseconds from the key, by the page's own clock. */
async function timeKeep(page: Page, entry: string): Promise<number> {
  const strip = page.locator('#entry');
  await strip.fill(entry);
  await page.evaluate(() => {
    const field = document.querySelector<HTMLInputElement>('#entry');
    const panel = document.querySelector('[aria-label="The gap in hand"]');
    (window as unknown as { keptIn: Promise<number> }).keptIn = new Promise((resolve) => {
      window.addEventListener(
        'keydown',
        () => {
          const start = performance.now();
          const before = panel?.textContent;
          const look = (): void => {
            if (field?.value === '' && panel?.textContent !== before) setTimeout(() => resolve(performance.now() - start));
            else requestAnimationFrame(look);
          };
          requestAnimationFrame(look);
        },
        { once: true, capture: true },
      );
    });
  });
  await strip.press('Enter');
  return page.evaluate(() => (window as unknown as { keptIn: Promise<number> }).keptIn);
}

/** What a page takes to come, to keep an entry and to answer a key: on this processor, and on one slowed four times. */
export async function benchPages(): Promise<void> {
  const executablePath = chromiumPath();
  if (!executablePath) return console.log('No Chromium: what is seen in a browser is not measured.');
  const browser = await chromium.launch({ ...LAUNCH, args: [...LAUNCH.args], executablePath });
  const big = bigJob();
  const jobId = big.jobs[0]?.job.id ?? '';
  const section = `/jobs/${jobId}/section?shaft=${big.jobs[0]?.shafts[3]?.id ?? ''}`;
  const workshop = await openWorkshop(big);
  console.log(`\nPages of a job of ${big.jobs[0]?.readings.length ?? 0} readings`);
  const opened: number[] = [];
  for (let n = 0; n < RUNS; n++) {
    const { page } = await newPage(browser);
    opened.push(await timeTo(page, workshop.url + section, '#entry'));
    await page.close();
  }
  report('opening it to a focused strip', opened);
  const { page } = await newPage(browser);
  await timeTo(page, workshop.url + section, '#entry');
  await page.waitForTimeout(2_500);
  const kept: number[] = [];
  for (let n = 0; n < 30; n++) {
    kept.push(await timeKeep(page, `${(10 + n) % 100}>${(20 + n) % 100}`));
    await page.waitForTimeout(300);
  }
  report('Keep → verdict painted', kept);
  await page.close();
  const slow = await newPage(browser, SLOWED);
  await timeTo(slow.page, workshop.url + section, '#entry');
  await slow.page.waitForTimeout(4_000);
  await reportKeystrokes(slow.page, `its strip, processor ÷ ${SLOWED}`, '88>12 87½>11½ goes 9 stops 10 0.60 mm .0235" 24 24 23 1.103 less .375 ');
  await slow.page.setContent('<input id="entry">');
  await reportKeystrokes(slow.page, `an empty page with one field, processor ÷ ${SLOWED}`, '88');
  await slow.page.close();
  await workshop.stop();
  await benchShelf(browser);
  await browser.close();
}

async function benchShelf(browser: Browser): Promise<void> {
  const many = await openWorkshop(manyMachines(50));
  console.log('\nThe Shelf');
  const asked: number[] = [];
  for (let n = 0; n < 6; n++) {
    const start = performance.now();
    await (await fetch(`${many.url}/api/jobs`)).text();
    asked.push(performance.now() - start);
  }
  report('50 machines asked for, the first time after a start', asked.slice(0, 1));
  report('50 machines asked for, from then on', asked.slice(1));
  const shown: number[] = [];
  for (let n = 0; n < RUNS; n++) {
    const { page } = await newPage(browser);
    await timeTo(page, `${many.url}/drawer`, 'h1');
    await page.waitForTimeout(2_200);
    shown.push(
      await page.evaluate(
        () =>
          new Promise<number>((resolve) => {
            const start = performance.now();
            document.querySelector<HTMLAnchorElement>('nav[aria-label="Road"] a[href="/"]')?.click();
            const look = (): void =>
              document.querySelectorAll('section[aria-label="Machines"] li').length >= 50
                ? void requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - start)))
                : void requestAnimationFrame(look);
            look();
          }),
      ),
    );
    await page.close();
  }
  report('50 machines, from the road to the painted Shelf', shown);
  await many.stop();
  const demo = await openWorkshop(DEMO);
  const first: number[] = [];
  let bytes = 0;
  for (let n = 0; n < RUNS; n++) {
    const { page, cdp } = await newPage(browser, SLOWED);
    await cdp.send('Network.enable');
    const scripts = new Set<string>();
    bytes = 0;
    cdp.on('Network.responseReceived', ({ requestId, type }) => void (type === 'Script' && scripts.add(requestId)));
    cdp.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => void (scripts.has(requestId) && (bytes += encodedDataLength)));
    first.push(await timeTo(page, demo.url, 'section[aria-label="Machines"] li'));
    await page.close();
  }
  report(`first load to a usable Shelf, processor ÷ ${SLOWED}`, first);
  console.log(`scripts of the first load, over the wire with their headers: ${(bytes / 1000).toFixed(0)} kB`);
  await demo.stop();
}
