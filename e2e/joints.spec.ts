import { expect, setUp, test } from './workshop.ts';

test('a gasket known as thick as it is bolted up is carried over to another, and chosen like a pack', async ({ page, empty }) => {
  await page.goto(`${empty.url}/new`);
  await page.getByLabel('Machine', { exact: true }).fill('Fen mower');
  await page.getByLabel(/a gasket lies under the cover/).check();
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL('**/section**');
  await setUp(page, '0.05-0.10 mm', '0.50 mm', '0.50×2 0.10×4 0.40×2 mm');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  for (const answer of ['torqued', 'old gasket']) await page.getByRole('button', { name: answer, exact: true }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
  await page.getByRole('button', { name: /Shown in thou first/ }).click();
  await page.locator('#entry').fill('0.20 mm');
  await page.locator('#entry').press('Enter');
  const hand = page.getByRole('complementary', { name: 'The gap in hand' });
  await expect(hand).toContainText('0.200');

  const joints = page.getByRole('region', { name: 'Gaskets and sealant' });
  const gasket = joints.getByRole('group', { name: 'Gasket', exact: true });
  await expect(gasket).toContainText('how thick bolted up is not known');
  await gasket.getByRole('button', { name: /Another, or how thick/ }).click();
  await gasket.getByLabel('How thick it is bolted up').fill('0.30 mm');
  await gasket.getByLabel('How thick it is bolted up').press('Enter');
  await expect(gasket).toContainText('0.300 mm bolted up');
  // measured while it is in: what was read stands
  await expect(hand).toContainText('0.200');
  await expect(hand).not.toContainText('Forecast');
  // a thinner one, 0.22 bolted up: 0.08 less under the cover, 0.20 − 0.08 = 0.12
  await gasket.getByRole('button', { name: /Another, or how thick/ }).click();
  await gasket.getByRole('button', { name: 'new gasket' }).click();
  await gasket.getByLabel('How thick it is bolted up').fill('0.22 mm');
  await gasket.getByLabel('How thick it is bolted up').press('Enter');
  await expect(hand).toContainText('Forecast, not read');
  await expect(hand).toContainText('(0.120');
  // and sealant, 0.03: 0.15
  const sealant = joints.getByRole('group', { name: /Sealant/ });
  await sealant.getByRole('button', { name: /Say how much/ }).click();
  await sealant.getByLabel('All its films together').fill('0.03 mm');
  await sealant.getByLabel('All its films together').press('Enter');
  await expect(sealant).toContainText('0.030 mm');
  await expect(hand).toContainText('(0.150');

  // in the Drawer two gaskets of 0.40 free, 0.31 bolted up
  await page.goto(`${empty.url}/drawer`);
  await page.getByRole('button', { name: /^0.40 mm/ }).click();
  await page.getByLabel('Bolted up, of a gasket').fill('0.31');
  await page.getByLabel('Of', { exact: true }).fill('paper');
  await page.getByText('Keep', { exact: true }).click();
  await expect(page.getByLabel('Bolted up, of a gasket')).toBeHidden();
  await page.goBack();
  await page.getByRole('button', { name: /Change the parts/ }).click();
  const parts = page.getByRole('region', { name: 'Parts of the shaft' });
  await parts.getByRole('button', { name: 'Gasket' }).click();
  await parts.getByRole('button', { name: 'Choose it by thickness' }).click();
  await expect(parts.getByText('Gasket is chosen by its thickness')).toBeVisible();
  await parts.getByRole('button', { name: 'Done' }).click();
  const other = page.getByRole('region', { name: 'Other places' });
  // what was said of it before it was chosen is what is in
  await expect(other).toContainText('Gasket0.220 mm');
  await expect(hand).toContainText('(0.150');
});
