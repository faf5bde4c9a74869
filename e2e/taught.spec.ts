import { expect, firstReading, read, test } from './workshop.ts';

test('builds taken together teach what torque does, and ask about the one that does not fit', async ({ page, empty }) => {
  await firstReading(page, empty.url, { bare: 'thou', limits: '2-6', pack: '20' });
  for (const text of ['0>12', '0>12', '0>12']) await read(page, text);
  // let go: by hand it opens by 3
  await page.getByRole('button', { name: 'Cover bolts: torqued. Change' }).click();
  await page.getByRole('button', { name: 'hand tight' }).click();
  for (const text of ['0>15', '0>15', '0>15']) await read(page, text);
  await page.getByRole('link', { name: 'Dry builds' }).first().click();
  const together = page.getByRole('region', { name: 'All of them together' });
  await expect(together).toContainText(/From bolts torqued to bolts hand tight it opens 2\.\d ±\d\.\d thou/);
  await page.getByRole('link', { name: 'Section' }).first().click();
  await page.getByRole('button', { name: 'Another pack…' }).click();
  await page.getByLabel('Fit another pack').fill('15');
  await page.getByLabel('Fit another pack').press('Enter');
  // said to come to 10, and read 30
  await read(page, '0>30');
  await page.getByRole('button', { name: 'Another pack…' }).click();
  await page.getByLabel('Fit another pack').fill('20');
  await page.getByLabel('Fit another pack').press('Enter');
  await read(page, '0>15');
  await page.getByRole('link', { name: 'Dry builds' }).first().click();
  await expect(together.getByRole('alert')).toContainText(/Build 2 does not fit the others: \d\d\.\d thou over what they say/);
});
