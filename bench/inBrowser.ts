import { chromium, type Page } from '@playwright/test';
import { chromiumPath, LAUNCH } from '../tools/browser.ts';
import { report } from './report.ts';

const KEYSTROKES = 100;

/** Opens a page in headless Chromium and hands it over; says so where there is no Chromium. */
export async function inBrowser(url: string, run: (page: Page) => Promise<void>): Promise<void> {
  const executablePath = chromiumPath();
  if (!executablePath) return console.log('No Chromium: what is seen in a browser is not measured.');
  const browser = await chromium.launch({ ...LAUNCH, args: [...LAUNCH.args], executablePath });
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    // functions handed to the page carry this mark of the compiler's
    await page.addInitScript('globalThis.__name = (named) => named');
    await page.goto(url);
    await run(page);
  } finally {
    await browser.close();
  }
}

/** Types a hundred keys into the field called `entry`, and reports each from its keydown to the next paint. */
export async function reportKeystrokes(page: Page, where: string, text: string): Promise<void> {
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
  for (let i = 0; i < KEYSTROKES; i++) {
    const key = text[i % text.length] ?? '1';
    if (i % 24 === 23) await page.keyboard.press('Escape');
    else await page.keyboard.press(key === '"' || key === '½' ? 'Digit5' : key === ' ' ? 'Space' : key);
    await page.waitForTimeout(40);
  }
  const times = await page.evaluate(() => (window as unknown as { times: number[] }).times);
  report(`${times.length} keystrokes in ${where}, keydown to next paint`, times);
}
