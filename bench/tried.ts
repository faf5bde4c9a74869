import { readFileSync } from 'node:fs';
import { workshopFile } from '@elder-cog/contract';
import { openWorkshop } from '../tools/browser.ts';
import { inBrowser } from './inBrowser.ts';
import { report } from './report.ts';

const OTHERS = workshopFile.parse(JSON.parse(readFileSync(new URL('../demo/others.json', import.meta.url), 'utf8')));
const KEYS = 100;
/** At most, from a key to every gap painted anew, ms. */
const WANTED = 50;

/** A leaf tried on the mail van's layshaft, in a browser: each key until all four gaps and the drawing are painted anew. */
export async function benchTried(): Promise<void> {
  console.log('\nA leaf tried on a layshaft of four gaps, before anything is fitted');
  const workshop = await openWorkshop(OTHERS);
  const [van] = OTHERS.jobs;
  try {
    await inBrowser(`${workshop.url}/jobs/${van?.job.id ?? ''}/section?shaft=${van?.shafts[0]?.id ?? ''}`, async (page) => {
      await page.getByRole('button', { name: 'Another pack…' }).click();
      await page.getByLabel('Fit another pack').fill('5');
      await page.evaluate(() => {
        const times: number[] = [];
        (window as unknown as { times: number[] }).times = times;
        let start: number | null = null;
        window.addEventListener('keydown', () => (start = performance.now()), true);
        const gaps = document.querySelector('[aria-label="Gaps"]');
        if (!gaps) throw new Error('no gaps');
        new MutationObserver(() => {
          const began = start;
          start = null;
          if (began === null) return;
          requestAnimationFrame(() => {
            const painted = new MessageChannel();
            painted.port1.onmessage = () => times.push(performance.now() - began);
            painted.port2.postMessage(null);
          });
        }).observe(gaps, { subtree: true, childList: true, characterData: true, attributes: true });
      });
      for (let i = 0; i < KEYS; i++) {
        await page.keyboard.press(i % 2 === 1 ? 'Backspace' : `Digit${(i / 2) % 10}`);
        await page.waitForTimeout(60);
      }
      const times = await page.evaluate(() => (window as unknown as { times: number[] }).times);
      const { p95 } = report(`${times.length} of ${KEYS} keys, keydown to all gaps painted`, times);
      console.log(`p95 ${p95.toFixed(1)} ms (at most ${WANTED})`);
    });
  } finally {
    await workshop.stop();
  }
}
