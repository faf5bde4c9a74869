import { expect, test } from './workshop.ts';

test('the Loose sheet does for a ball bearing and its ring, with its own figure and sense, and is kept as one', async ({ page, empty }) => {
  await page.goto(empty.url);
  await page.getByLabel('On', { exact: true }).selectOption({ label: 'Ball bearing held by a ring' });
  await expect(page.getByRole('img', { name: 'The shim the ring, its thickness' })).toBeVisible();
  await expect(page.getByText('Thicker there = less float.')).toBeVisible();
  await page.locator('#loose-limits').fill('2-6');
  await page.locator('#loose-pack-in-now').fill('98');
  await page.locator('#loose-reading').fill('91>0');
  // by hand: 9 read, 2 to 6 wanted: 3 to 7 thicker than 98
  await expect(page.getByText('101.0 to 105.0').first()).toBeVisible();
  await page.getByRole('button', { name: /Keep to a job/ }).click();
  await page.getByLabel('Name the machine').fill('Reed cutter');
  await page.keyboard.press('Enter');
  await page.waitForURL('**/section**');
  // what the Drawer holds is asked once of a new workshop
  await page.getByRole('button', { name: 'None yet' }).click();
  await expect(page.getByRole('region', { name: 'Packs' })).toContainText('98.0');
  await expect(page.getByRole('region', { name: 'Packs' })).toContainText('101.0 to 105.0');
  // shims under a thrust plate open it
  await page.goto(empty.url);
  await page.getByLabel('On', { exact: true }).selectOption({ label: 'Shaft under a thrust plate' });
  await expect(page.getByText('Thicker there = more float.')).toBeVisible();
  await page.getByLabel('On', { exact: true }).selectOption({ label: 'cones drawn together by a nut' });
  await expect(page.getByRole('radio', { name: 'between the cones' })).toBeVisible();
});
