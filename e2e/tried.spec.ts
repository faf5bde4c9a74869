import { expect, OTHERS, test } from './workshop.ts';

test('a washer tried moves every gap that shares it, before anything is fitted; put away, all is as it is', async ({ page, others }) => {
  const [van] = OTHERS.jobs;
  await page.goto(`${others.url}/jobs/${van?.job.id ?? ''}/section?shaft=${van?.shafts[0]?.id ?? ''}`);
  const gaps = page.getByRole('list', { name: 'Gaps' }).getByRole('listitem');
  await expect(gaps.nth(0)).toContainText('13.5');
  await page.getByRole('button', { name: 'Another pack…' }).click();
  await page.getByLabel('Fit another pack').fill('55');
  // P 59 to 55: behind the distance piece, A follows it and D goes the other way; B and C are not touched
  await expect(gaps.nth(0)).toContainText('(9.5)');
  await expect(gaps.nth(0)).toContainText('Right?');
  await expect(gaps.nth(1)).toContainText('5');
  await expect(gaps.nth(2)).toContainText('9');
  await expect(gaps.nth(3)).toContainText('(11)');
  await expect(gaps.nth(3)).toContainText('Loose?');
  await expect(page.getByText('Tried, not fitted')).toBeVisible();
  await expect(page.locator('[data-section] svg')).toHaveAttribute('aria-label', /cluster between plates[^.]*9\.5/i);
  const would = page.getByRole('list', { name: 'What it would come to' });
  await expect(would).toContainText('9.5');
  await expect(would).toContainText('11.0');
  // what is no pack moves nothing
  await page.getByLabel('Fit another pack').fill('5x');
  await expect(page.getByText('Tried, not fitted')).toBeHidden();
  await expect(gaps.nth(0)).toContainText('13.5');
  await page.getByLabel('Fit another pack').fill('55');
  await page.getByRole('button', { name: 'As it is', exact: true }).click();
  await expect(gaps.nth(0)).toContainText('13.5');
  await expect(gaps.nth(3)).not.toContainText('(');
  // fitted, it comes to what was tried
  await page.getByLabel('Fit another pack').fill('5');
  await page.getByLabel('Fit another pack').fill('55');
  await expect(gaps.nth(0)).toContainText('(9.5)');
  await page.getByRole('button', { name: 'Fit it' }).click();
  await expect(page.getByText('Tried, not fitted')).toBeHidden();
  await expect(gaps.nth(0)).toContainText('(9.5)');
  await expect(gaps.nth(0)).toContainText('Forecast');
  await expect(gaps.nth(3)).toContainText('(11)');
});

test('the sheet of a layshaft prints with every gap of it, and nothing to press', async ({ page, others }) => {
  const [van] = OTHERS.jobs;
  await page.goto(`${others.url}/jobs/${van?.job.id ?? ''}/section?shaft=${van?.shafts[0]?.id ?? ''}`, { waitUntil: 'networkidle' });
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('[data-section] svg')).toBeVisible();
  const gaps = page.getByRole('list', { name: 'Gaps' });
  for (const [name, value] of [
    ['Cluster between plates', '13.5'],
    ['Front gear on the bush', '5'],
    ['Rear gear on the bush', '9'],
    ['The stack, to the circlip', '7'],
  ] as const)
    await expect(gaps.getByRole('listitem').filter({ hasText: name })).toContainText(value);
  await expect(page.getByRole('region', { name: 'All gaps together' })).toBeVisible();
  for (const name of [
    'Another pack…',
    'Change the parts ▸',
    'What goes here ▸',
    'How sure is it ▸',
    'When it is hot ▸',
    'Add a depth ▸',
    'Judge several together ▸',
  ])
    await expect(page.getByRole('button', { name, exact: true }).first()).toBeHidden();
  await expect(page.getByText('tick: may be lapped')).toBeHidden();
  // the drawing with its gaps and what they come to on the first sheet, what moves what and the checks on the second
  const pdf = await page.pdf({ format: 'A4', preferCSSPageSize: true });
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g) ?? []).toHaveLength(2);
});
