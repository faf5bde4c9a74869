import type { Page } from '@playwright/test';
import { expect, newShaft, setUp, test } from './workshop.ts';

const entry = (page: Page) => page.locator('#entry');
const aside = (page: Page) => page.getByRole('complementary', { name: 'The gap in hand' });
const packs = (page: Page) => page.getByRole('region', { name: 'Packs' });

async function read(page: Page, text: string): Promise<void> {
  await entry(page).fill(text);
  await entry(page).press('Enter');
}

test('a hub drawn up by a nut, from an empty workshop: three builds, every sign right', async ({ page, empty }) => {
  await page.goto(`${empty.url}/new`);
  await page.getByLabel('Machine', { exact: true }).fill('Mail van');
  await page.getByLabel('Shaft', { exact: true }).fill('Hub');
  await page.getByRole('button', { name: 'up, by a nut' }).click();
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL('**/section**');
  await setUp(page, '1½-4 thou', '14+8', '14×1 8×1 4×2 3×1 2×2 thou');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  for (const name of ['torqued', 'square']) await page.getByRole('button', { name, exact: true }).click();
  await read(page, '8½');
  // by hand: cones farther apart by what is taken out less: 22 + (2¾ − 8½) = 16¼, from 22 + (1½ − 8½) = 15 to 22 + (4 − 8½) = 17½
  await expect(packs(page).getByText('thicker = more float')).toBeVisible();
  await expect(packs(page).getByText('15.0 to 17.5')).toBeVisible();
  await page.getByRole('button', { name: 'Another pack…' }).click();
  await page.getByLabel('Fit another pack').fill('14+3 thou');
  await page.getByRole('button', { name: 'Fit it' }).click();
  // 8½ − 5 = 3½ expected
  await expect(aside(page).getByText('3.5', { exact: false }).first()).toBeVisible();
  await read(page, '5');
  await expect(aside(page).getByText(/^Loose/)).toBeVisible();
  await expect(packs(page).getByText(/proved in build 1/)).toBeVisible();
  // 17 + (2¾ − 5) = 14¾, from 13½ to 16
  await expect(packs(page).getByText('13.5 to 16.0')).toBeVisible();
  await page.getByRole('button', { name: 'Another pack…' }).click();
  await page.getByLabel('Fit another pack').fill('8+4+2 thou');
  await page.getByRole('button', { name: 'Fit it' }).click();
  await expect(packs(page).getByText('Fitted. Read it now: the strip is waiting.')).toBeVisible();
  await read(page, '2½');
  await expect(aside(page).getByText(/^Right/)).toBeVisible();
});

test('a layshaft whose floats share parts: no set on hand does it, lapping does, and what it does to the others is seen', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Mail van', shaft: 'Layshaft', is: /Layshaft between plates/ });
  const gap = (name: string) => page.getByRole('list', { name: 'Gaps' }).getByRole('link', { name });
  await setUp(page, '7-12 thou', '59', '55×1 57×1 103×1 107×1 thou');
  await page.getByRole('button', { name: /^Feelers/ }).click();
  await read(page, 'goes 13 stops 14');
  await expect(page.getByText('Kept: 13.5 thou.')).toBeVisible();
  for (const [name, limits, pack, reading] of [
    ['Front gear on the bush', '3-6 thou', null, 'goes 4½ stops 5½'],
    ['Rear gear on the bush', '3-6 thou', null, 'goes 8½ stops 9½'],
    ['The stack, to the circlip', '2-5 thou', '98', 'goes 6½ stops 7½'],
  ] as const) {
    await gap(name).click();
    await expect(page.getByRole('heading', { name: `Limits of the ${name.toLowerCase()}` })).toBeVisible();
    await setUp(page, limits, pack, null);
    await page.getByRole('button', { name: /^Feelers/ }).click();
    await read(page, reading);
    await expect(page.getByText(/^Kept: /)).toBeVisible();
  }
  const sets = page.getByRole('region', { name: 'All gaps together' });
  await expect(sets.getByRole('heading', { name: 'No set on hand does it' })).toBeVisible();
  // the bush alone brings C in, and opens D as it does
  const moves = page.getByRole('region', { name: 'What moves what' });
  await expect(moves.getByRole('row', { name: /bush, rib to rear end/ })).toContainText('·');
  await moves.getByRole('checkbox', { name: 'bush, rib to rear end' }).check();
  await expect(sets.getByRole('heading', { name: 'Best, with lapping' })).toBeVisible();
  // by hand: P 57 leaves A 11½; 3½ off the bush leaves C 5½; D 7 + 2 + 3½ − 9 = 3½ with Q 107
  await expect(sets).toContainText('3.5 off the bush, rib to rear end');
  await expect(sets).toContainText('C goes from 9.0 to 5.5');
  await expect(sets).toContainText('D goes from 7.0 to 3.5');
  await sets.getByRole('button', { name: 'Take this set' }).click();
  await expect(page.getByText(/BUILD 1|Build 1/i).first()).toBeVisible();
  // every gap that shares a part has moved at once; the lap is not pretended to be done
  await expect(page.getByRole('list', { name: 'Gaps' })).toContainText('(11.5)');
  await page.getByRole('link', { name: 'Bench' }).first().click();
  await expect(page.getByText(/Lap 3\.5 thou off: bush, rib to rear end/).first()).toBeVisible();
});
