import { expect, newShaft, setUp, test } from './workshop.ts';

test('a shaft between two packs is moved across: what one loses the other gains, no leaf goes to both, and the gap is as it was', async ({
  page,
  empty,
}) => {
  await newShaft(page, empty.url, { machine: 'Hill roller', shaft: 'Carrier', is: 'behind a cup' });
  await setUp(page, '2-4', '20', '20 10×2 6 4');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  // shims behind the other cup too
  await page.getByRole('button', { name: 'Change the parts' }).click();
  const parts = page.getByRole('region', { name: 'Parts of the shaft' });
  await parts.getByRole('button', { name: 'Cover', exact: true }).click();
  await parts.getByLabel('Put in').selectOption('Shims');
  await parts.getByLabel('Between', { exact: true }).selectOption('Cup, output end and Cover, in the gap');
  await parts.getByRole('button', { name: 'Put it in' }).click();
  await expect(parts.getByText('Put in: shims.')).toBeVisible();
  await parts.getByRole('button', { name: 'Done' }).click();
  // nobody has said what is in there: nothing is moved across yet
  await expect(page.getByRole('region', { name: 'Move it across' })).toBeHidden();
  const others = page.getByRole('region', { name: 'Other places' });
  await others.getByRole('button', { name: /Say what is in/ }).click();
  await page.getByLabel('Fit another pack').fill('20');
  await page.getByRole('button', { name: 'Fit it' }).click();
  for (const name of ['torqued', 'square']) await page.getByRole('button', { name, exact: true }).click();
  await page.locator('#entry').fill('3');
  await page.locator('#entry').press('Enter');
  const across = page.getByRole('region', { name: 'Move it across' });
  await across.getByRole('button', { name: /Move it across/ }).click();
  await across.getByLabel('By').fill('4');
  await across.getByRole('button', { name: 'towards the input end' }).click();
  // 20 and 20: 4 to the input end is 16 there and 24 at the other
  const best = across.getByRole('listitem').first();
  await expect(best).toContainText('just so');
  await expect(best).toContainText('16.0');
  await expect(best).toContainText('24.0');
  await best.getByRole('button', { name: 'Fit both' }).click();
  const gap = page.getByRole('complementary', { name: 'The gap in hand' });
  await expect(gap.getByText('Forecast, not read')).toBeVisible();
  await expect(gap.getByText('3.0', { exact: false }).first()).toBeVisible();
  // farther than one pack has to give
  await across.getByLabel('By').fill('17');
  await expect(across.getByRole('alert')).toContainText('One side is part of both');
});
