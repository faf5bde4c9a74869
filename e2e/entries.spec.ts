import { expect, jobPath, test } from './workshop.ts';
import type { Page } from '@playwright/test';

const entry = (page: Page) => page.locator('#entry');

/** A shaft set up as far as its first reading, through the interface. */
async function newShaft(page: Page, url: string, { pack = '10', leaves = '2×1 thou', limits = '5-8 thou' } = {}): Promise<void> {
  await page.goto(`${url}/new`);
  await page.getByLabel('Machine').fill('Peat cutter');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.getByLabel('Limits', { exact: true }).fill(limits);
  await page.keyboard.press('Enter');
  await page.getByLabel('Pack in now').fill(pack);
  await page.keyboard.press('Enter');
  await page.getByLabel('Leaves on hand').fill(leaves);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'torqued' }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
}

test('with no pack on hand that lands, the answer is the shim to lap, as a window; and it can be fitted as made', async ({ page, empty }) => {
  await newShaft(page, empty.url, { pack: '32', limits: '5-8 thou' });
  await entry(page).fill('13');
  await page.keyboard.press('Enter');
  const make = page.getByTestId('make');
  await expect(make).toContainText('No pack on hand lands');
  await expect(make).toContainText('0.0255 in');
  await expect(make).toContainText('from 0.0310 in stock, to be bought, take off 5½ thou');
  await expect(page.getByRole('region', { name: 'Packs' })).toContainText('24.0 to 27.0');
  await page.getByRole('button', { name: /Fit one made 25½/ }).click();
  await expect(page.getByText('Forecast, not read')).toBeVisible();
  await expect(page.getByRole('img', { name: /Pack 25½/ }).first()).toBeVisible();
});

test('no movement is zero or any preload: one sentence, and no pack is reckoned from it', async ({ page, empty }) => {
  await newShaft(page, empty.url);
  await entry(page).fill('40>40');
  await expect(page.getByText('No movement: zero float, or any preload.')).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Packs' }).getByRole('alert')).toContainText('Put in a known pack that gives float');
  await expect(page.getByRole('button', { name: 'Fit this pack' })).toHaveCount(0);
});

for (const [what, text, sentence] of [
  ['nonsense', 'banana', 'is not a reading'],
  ['two units in one entry', '2 mm 3 thou', 'Two units in one entry'],
  ['feelers crossed', 'goes 10 stops 9', 'cannot go where'],
  ['a hand off the dial', '188>12', 'is not on this dial'],
  ['a fraction over nothing', '1/0', 'over nothing'],
] as const) {
  test(`a reading of ${what} gets one sentence at the field, and stays to be mended`, async ({ page, demo }) => {
    await page.goto(demo.url + jobPath('section'));
    await entry(page).fill(text);
    await page.keyboard.press('Enter');
    await expect(page.locator('#entry-says').getByRole('alert')).toContainText(sentence);
    await expect(page.locator('#entry-says').getByRole('alert')).toHaveCount(1);
    await expect(entry(page)).toHaveValue(text);
    await expect(entry(page)).toHaveAttribute('aria-invalid', 'true');
    await entry(page).fill('12');
    await expect(page.locator('#entry-says').getByRole('alert')).toHaveCount(0);
  });
}

test('reversed limits, a negative pack and bad leaves each get their sentence', async ({ page, empty }) => {
  await page.goto(`${empty.url}/new`);
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('alert')).toContainText('Give the machine a name');
  await page.getByLabel('Machine').fill('Peat cutter');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  const says = async (field: string, text: string, sentence: string): Promise<void> => {
    await page.locator(`#${field}`).fill(text);
    await page.keyboard.press('Enter');
    await expect(page.locator(`#${field}-says`).getByRole('alert')).toContainText(sentence);
    await expect(page.locator(`#${field}`)).toHaveValue(text);
  };
  await says('limits', '8-5 thou', 'wrong way round');
  await says('limits', '5 thou to 0.2 mm', 'Two units');
  await page.locator('#limits').fill('5-8 thou');
  await page.keyboard.press('Enter');
  await says('pack', '-3', 'cannot be less than nothing');
  await page.locator('#pack').fill('none');
  await page.keyboard.press('Enter');
  await says('leaves', '4×0', 'whole number');
});

test('a slip is asked about with its likely meaning as a button; the entry is never changed by itself', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await entry(page).fill('12 mm');
  await page.keyboard.press('Enter');
  const query = page.locator('#entry-says').getByRole('alert');
  await expect(query).toContainText('That is 12.000 mm, and 0.076 to 1.219 mm was expected.');
  await expect(entry(page)).toHaveValue('12 mm');
  await query.getByRole('button', { name: '0.305 mm' }).first().click();
  await expect(page.getByText('Kept: 0.305 mm.')).toBeVisible();
});

test('what was wrong is taken back for ten seconds, and undo takes back a fit', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await expect(page.getByText('Seen 12 12 12')).toBeVisible();
  await entry(page).fill('12½');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Seen 12 12 12 12.5')).toBeVisible();
  await page.getByRole('button', { name: 'That was wrong' }).click();
  await expect(page.getByText('Seen 12 12 12 ·')).toBeVisible();
  await page.getByRole('button', { name: 'Fit this pack' }).click();
  await expect(page.getByText('Forecast, not read')).toBeVisible();
  await page.getByRole('button', { name: 'Undo the last thing' }).click();
  await expect(page.getByText('Undone: the build.')).toBeVisible();
  await expect(page.getByText('Loose · sure')).toBeVisible();
});

test('changing bolts on a build that was read makes a forecast of the reading, by what its builds taught of torque', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await page.getByRole('button', { name: /Cover bolts: torqued/ }).click();
  await page.getByRole('button', { name: 'hand tight' }).click();
  await expect(page.getByRole('complementary', { name: 'The gap in hand' }).getByText('that it opens, bolts hand tight')).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'The gap in hand' }).getByText('Forecast, not read', { exact: true })).toBeVisible();
});

test('a bush and its journal, measured in inches, have a clearance and a verdict', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('wear', 0));
  await page.getByLabel('Which').fill('Front');
  await page.keyboard.press('Enter');
  for (const reading of ['.5012 .5010', '.5011 .5010', '.5010 .5010']) {
    await entry(page).fill(reading);
    await page.keyboard.press('Enter');
    await expect(entry(page)).toHaveValue('');
  }
  await expect(page.getByRole('heading', { name: 'Front journal: at the front' })).toBeVisible();
  await entry(page).fill('.4990 .4991');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'Part' }).getByText('2.2').first()).toBeVisible();
  await page.locator('#limits').fill('0.5-2 thou');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'Part' }).getByText('Loose', { exact: false }).first()).toBeVisible();
});

test('the drawer is filled in one line, and says what its leaves can make', async ({ page, empty }) => {
  await page.goto(`${empty.url}/drawer`);
  await page.getByLabel('Leaves on hand').fill('3×3 5×3 thou, 0.10×2');
  await page.keyboard.press('Enter');
  // two decimals and no unit: a tenth of a millimetre, or of an inch
  await expect(page.getByRole('alert').getByRole('button')).toHaveCount(2);
  await page.keyboard.press('1');
  await expect(page.getByRole('button', { name: /^3 thou: 3 on hand/ })).toBeVisible();
  await expect(page.getByRole('button', { name: /^0\.10 mm: 2 on hand/ })).toBeVisible();
  await expect(page.getByRole('listitem', { name: /^8 thou: / })).toHaveAccessibleName(/5\.0 \+ 3\.0/);
  await expect(page.getByText(/leaf would fill/)).toBeVisible();
});

test('limits and packs are read by how they are written: inches with a point, a button for each meaning, no verdict of one figure', async ({
  page,
  empty,
}) => {
  await page.goto(`${empty.url}/new`);
  await page.getByLabel('Machine').fill('Peat cutter');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  const limits = page.getByLabel('Limits', { exact: true });
  await limits.fill('.005-.008');
  await expect(page.locator('#limits-says')).toContainText('5–8 thou · 0.127–0.203 mm');
  await limits.fill('max .003');
  await expect(page.locator('#limits-says')).toContainText('max 3 thou');
  await limits.fill('0.05-0.10');
  await page.keyboard.press('Enter');
  const asked = page.getByRole('alert');
  await expect(asked.getByRole('button')).toHaveText([/0\.050–0\.100 mm/, /50–100 thou/]);
  // a second Enter chooses nothing, and Escape goes back to the entry
  await page.keyboard.press('Enter');
  await expect(asked).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(limits).toBeFocused();
  await expect(limits).toHaveValue('0.05-0.10');
  await limits.fill('6');
  await page.keyboard.press('Enter');
  await expect(asked).toContainText('no verdict');
  await expect(asked.getByRole('button')).toHaveText([/5–7 thou/, /max 6 thou/, /one figure alone/]);
  await page.keyboard.press('1');
  const pack = page.getByLabel('Pack in now');
  await pack.fill('.027');
  await expect(page.locator('#pack-says')).toContainText('0.686 mm');
  await pack.fill('.020 + .005');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('img', { name: /Pack \.020 \+ \.005/ }).first()).toBeVisible();
});
