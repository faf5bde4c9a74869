import type { Page } from '@playwright/test';
import { DEMO, jobPath, test } from './workshop.ts';

const refuse = (text: string, id = '#entry') => async (page: Page) => {
  await page.locator(id).first().click();
  await page.locator(id).first().fill(text);
  await page.keyboard.press('Enter');
  await page.waitForTimeout(150);
};
const VIEWS: readonly (readonly [string, string, (page: Page) => Promise<unknown>])[] = [
  ['section', jobPath('section'), refuse('120')],
  ['bench', jobPath('bench'), async () => undefined],
  ['builds', jobPath('builds'), refuse('1200')],
  ['wear', jobPath('wear', 1), refuse('banana')],
  ['strip', jobPath('strip'), refuse('Washer, 5')],
  ['limits', jobPath('limits'), refuse('Float 8-5 thou', '#limit-line')],
  ['shelf', '/', async (page) => {
    await page.getByLabel('Limits', { exact: true }).fill('8-5 thou');
    await page.getByLabel('Pack in now').fill('1,000');
    await page.getByLabel('Reading', { exact: true }).fill('banana');
    await page.keyboard.press('Enter');
    await page.waitForTimeout(150);
  }],
  ['drawer', '/drawer', async (page) => {
    const field = page.getByRole('textbox').first();
    await field.click();
    await field.fill('4×3 1,000 mm');
    await page.keyboard.press('Enter');
    await page.waitForTimeout(150);
  }],
  ['new', '/new', async (page) => {
    await page.getByRole('button', { name: 'Put it on the shelf' }).click();
    await page.waitForTimeout(150);
  }],
  ['workshop', '/workshop', async () => undefined],
  ['record', jobPath('record'), async () => undefined],
];
const only = process.env['LOOK']?.split(',');
for (const [name, path, open] of VIEWS.filter(([n]) => !only || only.includes(n)))
  test(`look ${name}`, async ({ page, demo }) => {
    void DEMO;
    for (const [width, height] of [[1280, 800], [820, 1180], [390, 844]] as const) {
      await page.setViewportSize({ width, height });
      await page.goto(demo.url + path, { waitUntil: 'networkidle' });
      await open(page);
      for (const colorScheme of ['light', 'dark'] as const) {
        await page.emulateMedia({ colorScheme });
        await page.waitForTimeout(100);
        await page.screenshot({ path: `/tmp/look/${name}-${width}-${colorScheme}.png` });
      }
    }
  });
