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

test('a pinion’s depth that is out is what comes next: the shim for it is said, tried, fitted and read', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Osier cutter', shaft: 'Pinion', is: /on a crush sleeve/ });
  await setUp(page, '.002-.005', null, '.005×4 .010×2 .020×2');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'hand tight' }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
  await page.locator('#entry').fill('86>99');
  await page.locator('#entry').press('Enter');
  const places = page.getByRole('region', { name: 'Other places' });
  await places.getByRole('button', { name: 'Say what is in…' }).click();
  await page.getByLabel('Fit another pack').fill('.012 + .020');
  await page.getByLabel('Fit another pack').press('Enter');
  await expect(places).toContainText('.012 + .020');
  const depth = page.getByRole('group', { name: 'Pinion depth' });
  await depth.getByRole('button', { name: /Limits/ }).click();
  await depth.getByLabel('Limits', { exact: true }).fill('2.452 within 2.450 to 2.454 in');
  await depth.getByLabel('Limits', { exact: true }).press('Enter');
  await depth.getByLabel(/^Reading/).fill('2.458');
  await depth.getByLabel(/^Reading/).press('Enter');
  // by hand: 6 too deep, and a thicker shim takes off as much: 32 + 6 = 38, 36 to 40
  await expect(depth).toContainText('Too deep');
  await expect(depth.getByRole('region', { name: 'Packs' })).toContainText('36.0 to 40.0');
  await expect(depth.getByRole('button', { name: 'Fit this pack' })).toBeVisible();
  await page.getByRole('link', { name: 'Bench' }).first().click();
  await expect(page.getByRole('heading', { name: 'Change the shim behind the head cone: 38 thou wanted.' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'Last readings' })).toContainText('2.4580');
  await page.getByRole('link', { name: 'Section' }).first().click();
  await places.getByRole('button', { name: 'Another there…' }).click();
  await page.getByLabel('Fit another pack').fill('20+10+5+3');
  await expect(depth).toContainText('tried, it would come to2.4520');
  await page.getByLabel('Fit another pack').press('Enter');
  await expect(depth).toContainText('(2.4520)');
  await expect(depth.getByRole('region', { name: 'Packs' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Bench' }).first().click();
  // the float is stale as well, for the nut was off; where the pinion stands is read first
  await expect(page.getByRole('heading', { name: 'Read the pinion depth again.' })).toBeVisible();
  await page.getByLabel(/^Reading; proud/).fill('2.452');
  await page.getByLabel(/^Reading; proud/).press('Enter');
  await expect(page.getByRole('heading', { name: 'Read the pinion bearing float again.' })).toBeVisible();
  // and a float that no pack sets has its ladder
  await page.getByRole('link', { name: 'Dry builds' }).first().click();
  await expect(page.getByRole('listitem').filter({ hasText: '2hand tight' })).toContainText('undone with its nut');
});
