import { expect, newShaft, setUp, test } from './workshop.ts';

test('a depth between two faces: put down, limited, read over a parallel and by caliper, the two compared, and judged', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Ridge tractor', shaft: 'Input shaft' });
  await setUp(page, '0.04-0.09 mm', '0.60 mm', '0.50×2 0.10×4 mm');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: /Shown in thou first/ }).click();

  const depths = page.getByRole('region', { name: 'Depths' });
  await depths.getByRole('button', { name: /Add a depth/ }).click();
  const form = depths.getByRole('form', { name: 'A depth to be read' });
  await form.getByLabel('From').selectOption('Casing, face');
  await form.getByLabel('Down to').selectOption('Casing, seat');
  await form.getByLabel('What it is called').fill('Race below the flange');
  await form.getByRole('button', { name: 'Add it' }).click();
  const depth = depths.getByRole('group', { name: 'Race below the flange' });
  await depth.getByRole('button', { name: /Limits/ }).click();
  await depth.locator('#limits').fill('24.30-24.40 mm');
  await depth.locator('#limits').press('Enter');
  await expect(depth.locator('#limits')).toBeHidden();
  await expect(depth.getByText('24.300–24.400')).toBeVisible();
  // a depth micrometer over a parallel of 10: 34.36 less 10
  await depth.getByLabel(/^Reading/).fill('34.36 - 10');
  await depth.getByLabel(/^Reading/).press('Enter');
  await expect(depth.getByText('24.360')).toBeVisible();
  await expect(depth.getByText('Right')).toBeVisible();
  // a caliper agrees to its hundredths; a third that does not is said, and nothing is averaged away
  await depth.getByLabel('Read with').selectOption('Caliper, mm');
  await depth.getByLabel(/^Reading/).fill('24.38');
  await depth.getByLabel(/^Reading/).press('Enter');
  await expect(depth.getByText(/they agree/)).toBeVisible();
  await depth.getByRole('button', { name: 'That was wrong' }).click();
  await depth.getByLabel(/^Reading/).fill('24.60');
  await depth.getByLabel(/^Reading/).press('Enter');
  await expect(depth.getByText(/Two methods disagree/)).toBeVisible();
  await page.reload();
  await expect(depth.getByText(/Two methods disagree/)).toBeVisible();
});
