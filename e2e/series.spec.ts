import { expect, newShaft, setUp, test } from './workshop.ts';

test('a ball bearing held by a ring, with play of its own: both floats read, and read as one', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Fen mower', shaft: 'Top shaft', is: /ball bearing/i });
  await setUp(page, '2-6 thou', '90', '4×2 2×3');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
  await page.locator('#entry').fill('0>5');
  await page.locator('#entry').press('Enter');

  await page.getByRole('button', { name: /Change the parts/ }).click();
  const parts = page.getByRole('region', { name: 'Parts of the shaft' });
  await parts.getByRole('button', { name: /Ball bearing, inner ring/ }).click();
  await parts.getByRole('button', { name: 'It has play of its own' }).click();
  await expect(parts.getByText('its own play is read')).toBeVisible();
  await parts.getByRole('button', { name: 'Done' }).click();

  // the new gap is what is next: no limit is known of it, and it reads 6
  await page.getByRole('button', { name: 'None known' }).click();
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
  await page.locator('#entry').fill('0>6');
  await page.locator('#entry').press('Enter');
  await expect(page.getByText('Kept: 6.0 thou.')).toBeVisible();

  const series = page.getByRole('region', { name: 'Read as one' });
  await series.getByRole('button', { name: /Read several gaps as one/ }).click();
  const form = series.getByRole('form', { name: 'Gaps read as one' });
  await form.getByRole('button', { name: 'Read them as one' }).click();
  await expect(form.getByText('Choose two at least')).toBeVisible();
  await form.getByLabel('What the dial reads').fill('End to end');
  await form.getByLabel('A Top shaft float').check();
  await form.getByLabel('B Ball bearing, its own play').check();
  await form.getByRole('button', { name: 'Read them as one' }).click();
  await expect(series.getByText('C End to end: top shaft float and ball bearing, its own play')).toBeVisible();

  // 5 at the ring, and 11 over both: the ring is thinner by 4, and both open by 4
  const gaps = page.getByRole('list', { name: 'Gaps' });
  await gaps.getByRole('link', { name: /End to end/ }).click();
  await page.locator('#limits').fill('8-14 thou');
  await page.locator('#limits').press('Enter');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
  await page.locator('#entry').fill('0>11');
  await page.locator('#entry').press('Enter');
  const hand = page.getByRole('complementary', { name: 'The gap in hand' });
  await expect(hand).toContainText('11.0');
  await expect(hand).toContainText('Right');
  await series.getByRole('button', { name: 'Read them apart' }).click();
  await expect(series.getByText('C End to end')).toBeHidden();
});
