import { expect, setUp, test } from './workshop.ts';
test('look', async ({ page, empty }) => {
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${empty.url}/new`);
  await page.getByLabel('Machine', { exact: true }).fill('Snow tractor');
  await page.getByLabel('Box', { exact: true }).fill('Left hub');
  await page.getByLabel('Shaft', { exact: true }).fill('Stub axle');
  await page.getByRole('radio', { name: /hub/i }).check();
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL('**/section**');
  await setUp(page, '3-5 thou', '20', null);
  await page.waitForTimeout(300);
  const later = page.getByRole('button', { name: 'None yet' });
  if (await later.isVisible()) await later.click();
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'hand tight' }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
  for (let i = 0; i < 3; i++) {
    await page.locator('#entry').fill('88>100');
    await page.locator('#entry').press('Enter');
    await expect(page.locator('#entry')).toHaveValue('');
  }
  await page.getByRole('link', { name: 'Dry builds' }).first().click();
  await page.getByRole('button', { name: /^How far/ }).click();
  await page.getByRole('button', { name: 'Count something in…' }).click();
  await page.getByRole('button', { name: 'Build it for good…' }).click();
  await page.getByRole('button', { name: 'Known causes, in figures' }).click();
  await page.waitForTimeout(300);
  await page.setViewportSize({ width: 1280, height: 1500 });
  await page.screenshot({ path: '/tmp/look1.png' });
});
