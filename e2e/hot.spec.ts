import type { Page } from '@playwright/test';
import { expect, newShaft, setUp, test } from './workshop.ts';

const hot = (page: Page) => page.getByRole('region', { name: 'When it is hot' });
const packs = (page: Page) => page.getByRole('region', { name: 'Packs' });

test('an aluminium case opens a pair closed by a cover: its limits held hot move the pack that is wanted, and back', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Ridge tractor', shaft: 'Input shaft' });
  await setUp(page, '5-8', '28', '10×2 5×3 3×4 2×4');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  for (const name of ['torqued', 'square']) await page.getByRole('button', { name, exact: true }).click();
  await page.locator('#entry').fill('24');
  await page.locator('#entry').press('Enter');
  await expect(packs(page).getByText('9.0 to 12.0')).toBeVisible();

  await page.getByRole('button', { name: /How sure is it/ }).click();
  const doubt = page.getByRole('region', { name: 'Doubt' });
  await expect(doubt.getByRole('row', { name: /chance that it is in/ })).toContainText('under 1 in 100');

  await page.getByRole('button', { name: /When it is hot/ }).click();
  await expect(hot(page).getByText('Say how far it spans')).toBeVisible();
  await hot(page).getByLabel('Case, hot').fill('hot');
  await expect(hot(page).getByRole('alert')).toHaveText('Like 80, or 176 F.');
  await hot(page).getByLabel('Case, hot').fill('176 F');
  await hot(page)
    .getByLabel(/^Casing; cover/)
    .selectOption('aluminium casting alloy (copper)');
  await hot(page).getByLabel('How far it spans, about').fill('150 mm');
  // 150·60·(22.5 − 11.7)·1e-6 = 0.0972 mm, 3.8 thou: face to face, it opens
  await expect(hot(page).getByText('Hot, it opens by 3.8 thou')).toBeVisible();
  await expect(hot(page).getByText('27.8')).toBeVisible();
  await expect(hot(page).getByText('Reckoned, from what such materials')).toBeVisible();
  await expect(hot(page).getByRole('img', { name: /24.0 at 20 °C, 28.8 thou at 95 °C/ })).toBeVisible();
  // cold it must read 5 − 3.8 to 8 − 3.8; thicker opens it, so the pack is 3.8 thinner
  await expect(hot(page).getByText('To be right hot, cold it must read 1.2–4.1.')).toBeVisible();
  await hot(page).getByRole('button', { name: 'hot', exact: true }).click();
  await expect(packs(page).getByText('5.2 to 8.1')).toBeVisible();
  await expect(page.getByText('as it must read now: 5–8 when hot, and it opens 3.8 till then')).toBeVisible();
  await page.reload();
  await expect(packs(page).getByText('5.2 to 8.1')).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(packs(page).getByText('9.0 to 12.0')).toBeVisible();
});

test('sizes read with a caliper: which is best read again, and what a micrometer would make of it', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Ridge tractor', shaft: 'Idler', is: /Gear on a bush/ });
  await setUp(page, '0.10-0.20 mm', '2.00 mm', '2.00 mm');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: /Shown in thou first/ }).click();
  const sizes = page.getByRole('region', { name: 'Sizes of the parts' });
  await sizes.getByRole('button', { name: /Sizes of the parts/ }).click();
  await sizes.getByLabel('Read with').selectOption('Caliper, mm');
  await sizes.getByLabel('gear, across its hub').fill('51.86 mm');
  // the answer is slow: what was kept with the caliper is not kept again with what is chosen next
  await page.route('**/api/commands', async (route) => {
    await new Promise((wait) => setTimeout(wait, 400));
    await route.continue();
  });
  await sizes.getByLabel('gear, across its hub').press('Enter');
  await sizes.getByLabel('Read with').selectOption('Micrometer, mm');
  await sizes.getByLabel('bush, length').focus();
  await expect(sizes.getByText('1 of')).toBeVisible();
  await page.unroute('**/api/commands');
  for (const [name, text] of [
    ['bush, length', '58.00 mm'],
    ['thrust washer, input side', '4.00 mm'],
  ] as const) {
    await sizes.getByLabel(name).fill(text);
    await sizes.getByLabel(name).press('Enter');
  }
  await page.getByRole('button', { name: /How sure is it/ }).click();
  const doubt = page.getByRole('region', { name: 'Doubt' });
  // 58.00 − 51.86 − 4.00 − 2.00 = 0.14; u: caliper 0.0153, micrometers 0.0041 each: ±0.033
  await expect(doubt.getByRole('row', { name: /^gap/ })).toContainText('0.140');
  await expect(doubt.getByRole('row', { name: /either side/ })).toContainText('±0.033');
  await expect(doubt.getByText(/the gear, across its hub is best read again: it makes 88 in 100/)).toBeVisible();
  await expect(doubt.getByText(/Once more, ±0.033 becomes ±0.029, or with a micrometer ±0.014\./)).toBeVisible();
  // read once more with the caliper, as one more: it is as was said
  await sizes.getByLabel('another counts beside the first').check();
  await sizes.getByLabel('Read with').selectOption('Caliper, mm');
  await sizes.getByLabel('gear, across its hub').press('Enter');
  await expect(sizes.getByText('gear, across its hub, mean of 2')).toBeVisible();
  await expect(doubt.getByRole('row', { name: /either side/ })).toContainText('±0.029');
});
