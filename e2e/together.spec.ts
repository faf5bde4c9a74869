import { expect, firstReading, test } from './workshop.ts';

test('a float, 9 within 2 to 14, judged with what has no number, or by it alone: the one it is judged by is said, and two that differ are asked about', async ({
  page,
  empty,
}) => {
  await firstReading(page, empty.url, { bare: 'thou', limits: '9 within 2 to 14', pack: '20' });
  const hand = page.getByRole('complementary', { name: 'The gap in hand' });
  await expect(hand.getByText('9 within 2–14')).toBeVisible();
  await page.locator('#entry').fill('0>20');
  await page.locator('#entry').press('Enter');
  // 20 read, 20 in: 9 wants 9, and 2 to 14 wants 2 to 14
  const shelf = page.getByRole('region', { name: 'Pack' });
  await expect(shelf).toContainText('9.0');
  await expect(shelf).toContainText('2.0 to 14.0');

  const together = page.getByRole('region', { name: 'Judged together' });
  await together.getByRole('button', { name: /Judge several together/ }).click();
  const form = together.getByRole('form', { name: 'What is judged together' });
  await form.getByRole('button', { name: 'Judge them together' }).click();
  await expect(form.getByText('Choose two at least')).toBeVisible();
  await form.getByLabel('What is right when they are').fill('Input shaft, set');
  const first = form.getByRole('group', { name: 'Right when all of these are' });
  await first.getByLabel('Input shaft float').check();
  await form.getByRole('button', { name: /Or another way/ }).click();
  const other = form.getByRole('group', { name: 'or when all of these are' });
  await expect(other.getByLabel('Input shaft float')).toBeDisabled();
  await other.getByLabel('Turns free by hand').check();
  await form.getByRole('button', { name: 'Judge them together' }).click();

  // by the float alone it is loose; looked at and free as well, the two differ, and nobody averages them
  const setting = together.getByRole('group', { name: 'Input shaft, set' });
  await expect(setting).toContainText('Loose');
  await expect(setting).toContainText('judged by input shaft float');
  await page.getByRole('checkbox', { name: /Turns free by hand/ }).click();
  await expect(setting).toContainText('Turns free by hand is in, and input shaft float is out');
  await expect(hand).toContainText('Input shaft, set: cannot tell');

  // read again, and in: both say the same
  await page.locator('#entry').fill('0>10');
  await page.locator('#entry').press('Enter');
  await hand.getByRole('button', { name: 'That was wrong' }).first().click();
  await page.locator('#entry').fill('0>10');
  await page.locator('#entry').press('Enter');
  await page.reload();
  await expect(setting).toBeVisible();
  await setting.getByRole('button', { name: 'Judge them apart' }).click();
  await expect(setting).toBeHidden();
  await page.keyboard.press('Control+z');
  await expect(setting).toBeVisible();
});
