import type { Page } from '@playwright/test';
import { expect, newShaft, test } from './workshop.ts';

const region = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

async function bearings(page: Page): Promise<void> {
  await page.getByRole('link', { name: /Make & fit/ }).click();
  await page.getByRole('link', { name: 'Bearings', exact: true }).click();
}

async function fill(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(text);
  await field.press('Enter');
}

async function count(page: Page, way: 'Counted out' | 'Counted in', many: string, snug?: 'snug' | 'loose'): Promise<void> {
  const form = page.getByRole('form', { name: 'Count them' });
  await form.getByRole('button', { name: way }).click();
  await form.getByLabel('How many').fill(many);
  if (snug) await form.getByRole('button', { name: snug, exact: true }).click();
  await form.getByRole('button', { name: 'Keep the count' }).click();
}

test("a layshaft's loose rollers are counted out and in: one short is said, and the job says so till they agree", async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Mill cart', shaft: 'Layshaft' });
  await bearings(page);
  await page.getByRole('button', { name: 'Loose rollers ▸' }).click();
  await page.getByLabel('Where they run').fill('Layshaft, front end');
  await page.getByRole('button', { name: 'Begin with these' }).click();
  // 20 mm and 2.5 mm: 28 in a row, 0.54 mm left over (worked by hand: 22.5·(π − 28·asin(2.5/22.5)))
  await fill(page, 'Across the shaft they run on', '20 mm');
  await fill(page, 'Across one roller', '2.5 mm');
  const drawn = region(page, 'Layshaft, front end');
  await expect(drawn).toContainText('28 rollers');
  await expect(drawn).toContainText('0.541 mm');
  await expect(drawn).toContainText('19.829 mm');
  const counted = region(page, 'Counted');
  await expect(counted).toContainText('not counted yet: 28 by their sizes');
  await count(page, 'Counted out', '28');
  await expect(counted).toContainText('28 are out');
  // not said how the last went in: asked, and nothing kept
  await page.getByLabel('How many').fill('27');
  await page.getByRole('button', { name: 'Keep the count' }).click();
  await expect(page.getByText('Say how the last of them went in')).toBeVisible();
  await count(page, 'Counted in', '27', 'loose');
  await expect(counted).toContainText('27 went in, and 28 belong there: one is missing.');
  await page.getByRole('link', { name: 'Bench' }).first().click();
  await expect(region(page, 'Loose rollers')).toContainText('one is missing');
  await page.goBack();
  await page.getByRole('button', { name: 'That was wrong: 27 in' }).click();
  await expect(counted).toContainText('28 are out');
  await count(page, 'Counted in', '28', 'snug');
  await expect(counted).toContainText('28 are in, the last of them snug');
  await expect(page.getByRole('button', { name: 'Layshaft, front end ✓' })).toBeVisible();
  // undone after a reload, and again
  await page.reload();
  await page.getByRole('button', { name: 'Undo the last thing' }).click();
  await expect(counted).toContainText('28 are out');
  await page.getByRole('link', { name: 'Record' }).first().click();
  await expect(page.getByText('Layshaft, front end: 28 rollers counted out')).toBeVisible();
});

test('bearings: which way they go, numbers one figure apart, what one is by its sizes, and what another standing height does', async ({
  page,
  empty,
}) => {
  await page.request.post(`${empty.url}/api/workshop/bare`, { data: { bare: 'mm' } });
  await newShaft(page, empty.url, { machine: 'Mill cart', shaft: 'Input shaft' });
  await bearings(page);
  const first = region(page, 'Bearing, input end');
  await expect(first).toContainText('The cup with its thick end to the input end');
  const finder = region(page, 'Which bearing is it');
  await finder.getByLabel('Bore').fill('35.00');
  await finder.getByLabel('Outside').fill('79.98');
  await finder.getByLabel('Width', { exact: true }).fill('22.7');
  await finder.getByRole('button', { name: 'taper, both rings together' }).click();
  const fits = page.getByRole('list', { name: 'It may be this bearing' });
  await expect(fits).toContainText('30307');
  await expect(fits).toContainText('31307');
  await fits.getByRole('button', { name: 'It is the bearing, input end' }).first().click();
  await expect(first.getByLabel('Number on the cup, input end')).toHaveValue('30307');
  await expect(first).toContainText('35 × 80 × 22.75 mm');
  await fill(page, 'Number on the cone, input end', '31307');
  await expect(first).toContainText('one figure apart: read both again');
  // read again and so, they are asked about no more, after a reload as well; another number is
  await first.getByRole('button', { name: 'Both are so' }).click();
  await expect(first).not.toContainText('one figure apart');
  await page.reload();
  await expect(first.getByLabel('Number on the cone, input end')).toHaveValue('31307');
  await expect(first).not.toContainText('one figure apart');
  await fill(page, 'Number on the cone, input end', '32307');
  await expect(first).toContainText('32307 on the cone, input end are one figure apart');
  const compared = region(page, 'Two bearings compared');
  await compared.getByLabel('The one that was in stands').fill('22.70');
  await compared.getByLabel('The other stands').fill('22.78');
  // 0.08 higher: the float closes by it, and the pack under the cover has to be so much thicker
  await expect(compared).toContainText('0.080 mm');
  await expect(compared).toContainText('closes by');
  await expect(compared).toContainText('thicker');
});
