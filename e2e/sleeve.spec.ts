import type { Page } from '@playwright/test';
import { expect, newShaft, read, setUp, test } from './workshop.ts';

const sleeve = (page: Page) => page.getByRole('region', { name: 'Crush sleeve' });

test('a pinion on a crush sleeve, from an empty workshop: no pack is asked for, it is drawn up till it is right, and never back', async ({
  page,
  empty,
}) => {
  // which of the two pinions it is, is asked
  await page.goto(`${empty.url}/new`);
  await page.getByLabel('Shaft', { exact: true }).fill('Pinion shaft');
  await page.getByRole('button', { name: 'up, by a nut' }).click();
  await expect(page.getByRole('radio', { name: 'Bevel pinion drawn up by a nut' })).toBeChecked();
  await page.getByRole('button', { name: 'crushes a sleeve, once' }).click();
  await expect(page.getByRole('radio', { name: 'Bevel pinion on a crush sleeve' })).toBeChecked();
  await page.getByRole('radio', { name: 'behind the head cup' }).check();
  await page.getByLabel('Machine', { exact: true }).fill('Reed cutter');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL('**/section**');

  await setUp(page, '3-6 thou', null, '10×4, 20×2');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'hand tight' }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
  await read(page, '85>97');
  // by hand: 12 read, 3 to 6 wanted: 6 to 9 shorter
  await expect(sleeve(page)).toContainText('as it was found');
  await expect(sleeve(page)).toContainText('6.0 to 9.0');
  await expect(sleeve(page).getByRole('note')).toContainText('does not come back');
  // what the depth shim is, said now, was in when it was read: the reading stands
  const places = page.getByRole('region', { name: 'Other places' });
  await places.getByRole('button', { name: 'Say what is in…' }).click();
  await page.getByLabel('Fit another pack').fill('20+10');
  await page.getByLabel('Fit another pack').press('Enter');
  await expect(places).toContainText('20 + 10');
  await expect(sleeve(page)).toContainText('6.0 to 9.0');

  // drawn up, read; and again
  await sleeve(page).getByRole('button', { name: 'The nut is drawn up further' }).click();
  await expect(page.getByRole('complementary').getByText('Stale', { exact: true })).toBeVisible();
  await expect(sleeve(page)).toContainText('sleeve crushed further, build 2');
  await expect(sleeve(page)).toContainText('Read it again first: sleeve crushed further.');
  await read(page, '85>93');
  // 8 read: 2 to 5 more
  await expect(sleeve(page)).toContainText('2.0 to 5.0');
  await sleeve(page).getByRole('button', { name: 'The nut is drawn up further' }).click();
  await expect(sleeve(page)).toContainText('build 3');
  await read(page, '85>87½');
  // 2½ read: out or in, the dial cannot tell, and the nut is left alone till it can
  await expect(sleeve(page)).toContainText('Nobody can be sure yet');
  await page.getByRole('button', { name: 'That was wrong' }).first().click();
  await read(page, '85>89½');
  await expect(sleeve(page)).toContainText('Right as it is: leave the nut where it stands.');

  // a thinner depth shim: the nut was off for it, and the float is read again
  await places.getByRole('button', { name: 'Another there…' }).click();
  await page.getByLabel('Fit another pack').fill('20');
  await page.getByLabel('Fit another pack').press('Enter');
  await expect(sleeve(page)).toContainText('sleeve undone with its nut, build 4');
  await expect(page.getByRole('complementary').getByText('Stale', { exact: true })).toBeVisible();
  // crushed too far: a new one, which undo takes out again
  await read(page, '85>86');
  await expect(sleeve(page).getByRole('alert')).toContainText('Crushed 2.0 thou too far: a new sleeve.');
  await page.getByRole('link', { name: 'Bench' }).first().click();
  await expect(page.getByRole('heading', { name: 'Put in a new crush sleeve.' })).toBeVisible();
  await page.getByRole('link', { name: 'Section' }).first().click();
  await sleeve(page).getByRole('button', { name: 'A new sleeve is in' }).click();
  await expect(sleeve(page)).toContainText('new sleeve, build 5');
  await page.getByRole('button', { name: 'Undo the last thing' }).click();
  await expect(sleeve(page)).toContainText('sleeve undone with its nut, build 4');
  await page.reload();
  await expect(sleeve(page).getByRole('alert')).toContainText('too far');
  // the Record says what was done
  await page.getByRole('link', { name: 'Record' }).first().click();
  await expect(page.getByText(/sleeve crushed further/).first()).toBeVisible();
});

test('in millimetres: preload by the sleeve, and a dial that sees none leaves it to the drag', async ({ page, empty }) => {
  await page.goto(`${empty.url}/workshop`);
  await page
    .getByRole('button', { name: /millimetres/ })
    .first()
    .click();
  await newShaft(page, empty.url, { machine: 'Bog crawler', shaft: 'Pinion shaft', is: /on a crush sleeve/ });
  await setUp(page, 'preload 0.02-0.06', null, '0.50×2');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'hand tight' }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
  await read(page, '0>20');
  await page.getByRole('button', { name: 'Shown in thou first; change' }).click();
  // by hand: 0.20 float to 0.02 preload is 0.22, to 0.06 preload 0.26
  await expect(sleeve(page)).toContainText('0.220 to 0.260');
  await expect(sleeve(page)).toContainText('0.240');
  await sleeve(page).getByRole('button', { name: 'The nut is drawn up further' }).click();
  await read(page, '0>0');
  await expect(sleeve(page).getByRole('alert')).toContainText('The drag does');
  await page.getByRole('link', { name: 'Bench' }).first().click();
  await expect(page.getByText('The drag does', { exact: false }).first()).toBeVisible();
});

test('a sleeve put in by hand, where a distance piece was', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Stone rake', shaft: 'Pinion shaft', is: /Bevel pinion drawn up by a nut/ });
  await page.getByRole('button', { name: /Change the parts/ }).click();
  const parts = page.getByRole('region', { name: 'Parts of the shaft' });
  await parts.getByRole('button', { name: 'Distance piece', exact: true }).click();
  await page.keyboard.press('Delete');
  await expect(parts.getByText('Distance piece taken out.')).toBeVisible();
  await parts.getByRole('button', { name: 'Cone, head bearing', exact: true }).click();
  await page.keyboard.press('i');
  await page.getByLabel('Put in').selectOption({ label: 'Crush sleeve' });
  await page.getByRole('button', { name: /^Put it in/ }).click();
  await expect(parts.getByText('Put in: crush sleeve.')).toBeVisible();
  await parts.getByRole('button', { name: 'Done' }).click();
  // the shims between the cones still set it as well
  await setUp(page, '3-6 thou', '10', '10×4');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'hand tight' }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
  await read(page, '85>97');
  await expect(sleeve(page)).toContainText('6.0 to 9.0');
  await expect(page.getByRole('region', { name: 'Packs' })).toContainText('1.0 to 4.0');
});
