import { expect, test } from './workshop.ts';
import type { Page } from '@playwright/test';

/**
 * One job, entered in each field's several ways of writing, in a workshop that thinks in thou and in one that thinks in millimetres: the
 * same gap, window and verdict every time. What is shown first is turned over in the middle of typing, and changes nothing. The sums by
 * hand: 28 in, 24 read, 5 to 8 wanted, thicker gives more: 28 + 6½ − 24 = 10½, 9 to 12. In millimetres 0.70 in, 0.55 read, 0.12 to 0.20
 * wanted: 0.70 + 0.16 − 0.55 = 0.31, 0.27 to 0.35.
 */
const WORKSHOPS = [
  {
    bare: 'thou',
    limits: ['5-8', '.005-.008', '5 to 8 thou', '5…8'],
    pack: ['20+8', '.020 + .008', '20 + 8 thou', '8 20 thou'],
    reading: ['88>12', '24', '.024"', '12<88'],
    kept: /Kept: (?:24\.0 thou|0\.0240 in)\./,
    want: ['10.5', '9.0 to 12.0'],
  },
  {
    bare: 'mm',
    limits: ['0.12-0.20', '0,12-0,20', '120-200 um', '0.16 ±0.04'],
    pack: ['0.50+0.20', '0,50 + 0,20', '0.5 + 0.2 mm', '0.20 0.50'],
    reading: ['88>43', '55', '0.55', '43<88'],
    kept: /Kept: 0\.550 mm\./,
    want: ['0.310', '0.270 to 0.350'],
  },
] as const;

const entry = (page: Page) => page.locator('#entry');
const aside = (page: Page) => page.getByRole('complementary', { name: 'The gap in hand' });
const flip = (page: Page) => page.getByRole('button', { name: /^Shown in/ });

for (const { bare, limits, pack, reading, kept, want } of WORKSHOPS)
  for (const way of [0, 1, 2, 3])
    test(`in a ${bare} workshop: ${limits[way] ?? ''}, ${pack[way] ?? ''} and ${reading[way] ?? ''} are the same job`, async ({ page, empty }) => {
      const set = await page.request.post(`${empty.url}/api/workshop/bare`, { data: { bare } });
      expect(set.ok()).toBe(true);
      await page.goto(`${empty.url}/new`);
      await page.getByLabel('Machine', { exact: true }).fill('Peat cutter');
      await page.getByRole('button', { name: 'Put it on the shelf' }).click();
      await page.getByLabel('Limits', { exact: true }).fill(limits[way] ?? '');
      await page.keyboard.press('Enter');
      await page.getByLabel('Pack in now').fill(pack[way] ?? '');
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: 'None yet' }).click();
      await page.getByRole('button', { name: bare, exact: true }).click();
      await page.getByRole('button', { name: /^Dial, pushed/ }).click();
      for (const answer of ['torqued', 'square']) await page.getByRole('button', { name: answer, exact: true }).click();
      // half typed, what is shown first is turned over, and over again
      const text = reading[way] ?? '';
      const half = Math.ceil(text.length / 2);
      await entry(page).click();
      await page.keyboard.type(text.slice(0, half));
      await flip(page).click();
      await entry(page).click();
      await page.keyboard.press('End');
      await page.keyboard.type(text.slice(half));
      await flip(page).click();
      await entry(page).click();
      await page.keyboard.press('Enter');
      await expect(page.getByText(kept)).toBeVisible();
      await expect(aside(page).getByText('Loose · sure')).toBeVisible();
      const packs = page.getByRole('region', { name: 'Packs' });
      for (const figure of want) await expect(packs.getByText(figure, { exact: true }).first()).toBeVisible();
    });
