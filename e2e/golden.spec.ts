import { readFileSync } from 'node:fs';
import { build } from 'esbuild';
import { DEMO, expect, test } from './workshop.ts';

test('one job file gives the same golden state in the browser as in Node, byte for byte', async ({ page }) => {
  const bundle = await build({
    stdin: {
      contents: "export { derive } from '@elder-cog/derive'; export { stateText } from './demo/stateText.ts';",
      resolveDir: new URL('..', import.meta.url).pathname,
      loader: 'ts',
    },
    bundle: true,
    format: 'iife',
    globalName: 'elderCog',
    write: false,
  });
  await page.goto('about:blank');
  await page.addScriptTag({ content: bundle.outputFiles[0]?.text ?? '' });
  const state = await page.evaluate((facts) => {
    const { derive, stateText } = (window as unknown as { elderCog: { derive(f: unknown): unknown; stateText(s: unknown): string } }).elderCog;
    return stateText(derive(facts));
  }, DEMO.jobs[0]);
  expect(state).toBe(readFileSync(new URL('../demo/golden.json', import.meta.url), 'utf8').trimEnd());
});
