import type { Page } from '@playwright/test';
import { expect, newShaft, test } from './workshop.ts';

const region = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

async function fill(page: Page, label: string, text: string, of?: string): Promise<void> {
  const field = (of === undefined ? page : region(page, of)).getByLabel(label, { exact: true });
  await field.fill(text);
  await field.press('Enter');
}

async function begin(page: Page, url: string, kind: RegExp, name: string): Promise<void> {
  await newShaft(page, url, { machine: 'Ridge tractor', shaft: 'Input shaft' });
  await page.getByRole('link', { name: /Make & fit/ }).click();
  await page.getByRole('link', { name: 'Fit', exact: true }).click();
  await page.getByRole('button', { name: kind }).click();
  await page.getByLabel('Name, if it has one').fill(name);
  await page.getByRole('button', { name: 'Begin it' }).click();
  await expect(region(page, 'What is outside')).toBeVisible();
}

test('a bush is renewed: from the measured bore to its ream size, in millimetres and in thou', async ({ page, empty }) => {
  await begin(page, empty.url, /^Bush into/, 'Drop gear bush');
  await region(page, 'What is outside').getByLabel('Of').selectOption('grey cast iron');
  await fill(page, 'Its bore', '28.535 mm', 'What is outside');
  await fill(page, 'Metal round it, across', '60 mm', 'What is outside');
  await fill(page, 'Its outside', '28.575 mm', 'What goes in');
  await fill(page, 'Its bore, if it has one', '25.2 mm', 'What goes in');
  await fill(page, 'Length that is held', '30 mm');
  const tight = region(page, 'How tight');
  await expect(tight).toContainText('Goes in tight by');
  // 28.575 − 28.535
  await expect(tight).toContainText('0.040 mm');
  await expect(tight).toContainText('Reckoned');
  await fill(page, 'Journal in it, largest', '25.37 mm');
  await fill(page, 'Clearance it is to have', '0.04-0.06 mm');
  // 25.37 + 0.04 to 25.37 + 0.06: 25.41 to 25.43
  const ream = region(page, 'Ream to');
  await expect(ream).toContainText('25.410 mm to 25.430 mm');
  await page.getByRole('button', { name: /Shown in thou first/ }).click();
  await expect(ream).toContainText('1.0004 in to 1.0012 in');
  // it closes as it goes in: 25.2 less some 0.03
  await expect(ream).toContainText(/its bore once it is in25\.16\d mm/);
  await expect(ream).toContainText('No loose abrasive');
  // what is outside is iron now, and bears more than the gear that it was taken for
  await expect(region(page, 'Cautions')).not.toContainText('case-hardened');
  await page.reload();
  await expect(ream).toContainText('25.410 mm to 25.430 mm');
});

test('a cup goes into an aluminium case: how warm, for how many seconds, what to look out for, and that it is home', async ({ page, empty }) => {
  await begin(page, empty.url, /^Cup or bearing/, 'Front cup');
  await fill(page, 'Its bore', '62 mm', 'What is outside');
  await fill(page, 'Metal round it, across', '92 mm', 'What is outside');
  await fill(page, 'Its outside', '62.045 mm', 'What goes in');
  await fill(page, 'Its bore, if it has one', '52 mm', 'What goes in');
  await fill(page, 'Length that is held', '18 mm');
  await fill(page, 'Room to drop in with', '0.02 mm');
  const heat = region(page, 'Heat');
  // 20 + 0.065 ÷ (62 · 21.5e-6) = 68.8
  await expect(heat).toContainText('69 °C');
  await expect(heat).toContainText('never over120 °C');
  await expect(heat.getByRole('img', { name: /The room to drop in with, over the seconds/ })).toBeVisible();
  await expect(heat).toContainText(/entering, once it is in the bore(under a second|\d s)/);
  await expect(heat).toContainText(/carrying it, in air\d+ min/);
  await expect(region(page, 'Cautions')).toContainText('Hot gloves');

  // a temperature that is too much says so where it is typed, and stays
  await fill(page, 'Heat what is outside to', '130');
  await expect(page.getByText('Over 120 °C for an aluminium case').first()).toBeVisible();
  await fill(page, 'Heat what is outside to', '75');
  await expect(page.getByText('Over 120 °C for an aluminium case')).toHaveCount(0);
  // when it works, it lets go: 20 + 0.045 ÷ (62 · 9.6e-6) = 95.6
  await fill(page, 'When it works, °C', '110');
  await expect(region(page, 'How tight')).toContainText('lets go above96 °C');
  await expect(region(page, 'How tight')).toContainText(/when it worksloose by/);
  // what goes inside is not to be the hot one
  await fill(page, 'Chill what goes in to', '90');
  await expect(region(page, 'Cautions')).toContainText('It is the part that goes inside that is hot');
  await fill(page, 'Chill what goes in to', '');
  await expect(region(page, 'Cautions')).not.toContainText('goes inside that is hot');

  const went = region(page, 'How it went');
  await went.getByLabel('At, °C').fill('72');
  await went.getByRole('button', { name: 'Keep it' }).click();
  await expect(went).toContainText('Is a feeler refused all round under the face?');
  await went.getByRole('button', { name: 'Refused: it is home' }).click();
  await expect(went).toContainText('It dropped in at 72 °C, and is home');

  // the next time it begins where it really dropped in
  await expect(heat).toContainText('It dropped in at 72 °C before: begin there.');
  await page.getByRole('button', { name: 'Another fit' }).click();
  await page.getByLabel('Name, if it has one').fill('Rear cup');
  await page.getByRole('button', { name: 'Begin it' }).click();
  await fill(page, 'Its bore', '62 mm', 'What is outside');
  await fill(page, 'Its outside', '62.03 mm', 'What goes in');
  await expect(heat).toContainText('Front cup dropped in at 72 °C before');
});

test('an ISO fit stands beside what was measured, in micrometres and thou; one that is not known is refused by name', async ({ page, empty }) => {
  await begin(page, empty.url, /^Bearing or gear/, 'Bearing on the input shaft');
  await fill(page, 'Its bore', '30 mm', 'What is outside');
  await fill(page, 'Its outside', '30.012 mm', 'What goes in');
  await page.getByRole('button', { name: 'Beside an ISO fit' }).click();
  // 30 H7 +21/0, k6 +15/+2 (ISO 286, from memory of its table)
  await page.getByLabel('Fit of 30.0 mm').fill('H7/k6');
  await expect(page.getByRole('img', { name: 'Hole H7, shaft k6: from 15 µm tight to 19 µm loose' })).toBeVisible();
  await page.getByLabel('Fit of 30.0 mm').fill('H7/z6');
  await expect(region(page, 'ISO fit').getByRole('alert')).toBeVisible();
});

test('fields filled faster than the server answers are all kept, and nobody is in his own way', async ({ page, empty }) => {
  await begin(page, empty.url, /^Cup or bearing/, 'Front cup');
  await page.route('**/api/commands', async (route) => {
    await new Promise((wait) => setTimeout(wait, 300));
    await route.continue();
  });
  await fill(page, 'Its bore', '62 mm', 'What is outside');
  await fill(page, 'Metal round it, across', '92 mm', 'What is outside');
  await fill(page, 'Its outside', '62.045 mm', 'What goes in');
  await fill(page, 'Its bore, if it has one', '52 mm', 'What goes in');
  await fill(page, 'Length that is held', '18 mm');
  await expect(region(page, 'Heat')).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.reload();
  await expect(region(page, 'What goes in').getByLabel('Its bore, if it has one', { exact: true })).toHaveValue('52.000 mm');
  await expect(region(page, 'What is outside').getByLabel('Metal round it, across', { exact: true })).toHaveValue('92.000 mm');
});
