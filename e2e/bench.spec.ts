import { expect, jobPath, test } from './workshop.ts';

test('the Bench says what is next, and what is done there stands everywhere', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('bench'));
  await expect(page.getByRole('heading', { name: 'Change the pack: 9.5 thou wanted.' })).toBeVisible();
  await expect(page.getByRole('region', { name: 'In now' })).toContainText('15.0 thou');
  await page.getByRole('region', { name: 'Packs' }).getByRole('button', { name: 'Fit this pack' }).click();
  await expect(page.getByRole('heading', { name: 'Read the input shaft float again.' })).toBeVisible();
  await expect(page.getByText('Nothing has been read since.')).toBeVisible();
  await page.locator('#entry').fill('93>99½');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Last readings' }).getByRole('listitem').first()).toContainText('6.5');
  await page.getByRole('link', { name: 'Dry builds' }).click();
  await expect(page.getByRole('listitem').filter({ hasText: '0.25' }).first()).toContainText('6.5');
});

test('the Bench lists the worst first, each with the way to it', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('bench'));
  const rows = page.getByRole('region', { name: 'Gaps and clearances' }).getByRole('listitem');
  await expect(rows.nth(0)).toContainText('Input shaft float');
  await expect(rows.nth(1)).toContainText('Idler bush on pin, front');
  await expect(rows.filter({ hasText: /Idler.*float/ })).toHaveCount(0);
  await rows.nth(1).getByRole('link').click();
  await expect(page).toHaveURL(/\/wear\?shaft=/);
  await expect(page.getByRole('complementary', { name: 'Part' })).toContainText('5.4');
});

test('checks are ticked, go stale with the build, and can be said no', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section', 1));
  const home = page.getByRole('checkbox', { name: /Home after fitting/ });
  await home.click();
  await expect(home).toBeChecked();
  await home.click();
  await expect(home).toContainText('looked: no');
  await home.click();
  await expect(home).toBeChecked();
  await page.getByRole('button', { name: 'Another pack…' }).click();
  await page.getByLabel('Fit another pack').fill('3.90 mm');
  await page.keyboard.press('Enter');
  await expect(home).not.toBeChecked();
  await expect(home).toContainText('stale: the build has changed');
});

test('a pack of any thickness is fitted without the drawer, and forecast by its place', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await page.getByRole('button', { name: 'Another pack…' }).click();
  const other = page.getByLabel('Fit another pack');
  await other.fill('-2');
  await page.keyboard.press('Enter');
  await expect(page.locator('#field-fit-another-pack-says').getByRole('alert')).toContainText('less than nothing');
  await other.fill('10½');
  await page.keyboard.press('Enter');
  // 12 read with 15 in, thicker opens: 10½ gives 7½
  await expect(page.getByRole('complementary', { name: 'The gap in hand' }).getByText('7.5').first()).toBeVisible();
  await expect(page.getByText('Forecast, not read')).toBeVisible();
});

test('another pack is chosen before it is fitted', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  const packs = page.getByRole('region', { name: 'Packs' });
  await packs.getByRole('button', { name: /0\.20 mm \+ 2/ }).click();
  await expect(page.getByRole('button', { name: 'Fit this pack' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('complementary', { name: 'The gap in hand' }).getByText('6.9').first()).toBeVisible();
  expect(
    demo.db
      .prepare(
        "SELECT group_concat(written, '+') AS pack FROM build_leaf WHERE build_fit_id = (SELECT id FROM build_fit ORDER BY rowid DESC LIMIT 1)",
      )
      .get(),
  ).toEqual({ pack: '0.20+2' });
});

test('everything on the main path is at least 56 px high, at the bench and on a phone', async ({ page, demo }) => {
  for (const viewport of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(viewport);
    await page.goto(demo.url + jobPath('section'), { waitUntil: 'networkidle' });
    for (const control of [
      page.locator('#entry'),
      page.getByRole('button', { name: 'Keep', exact: true }).first(),
      page.getByRole('button', { name: 'Fit this pack' }),
    ]) {
      expect((await control.boundingBox())?.height ?? 0).toBeGreaterThanOrEqual(56);
    }
  }
});

test('the keypad comes up with the strip on a phone, and every figure, sign and word is on it, none under 48 px', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(demo.url + jobPath('section'), { waitUntil: 'networkidle' });
  await expect(page.getByRole('group', { name: 'Keypad' })).toHaveCount(0);
  await page.locator('#entry').click();
  const keys = page.getByRole('group', { name: 'Keypad' }).getByRole('button');
  await expect(keys).toHaveCount(30);
  for (const key of await keys.all()) expect((await key.boundingBox())?.height ?? 0).toBeGreaterThanOrEqual(48);
  const press = (name: string): Promise<void> => page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name, exact: true }).click();
  for (const key of ['goes', '9', 'stops', '1', '0']) await press(key);
  await expect(page.locator('#entry')).toHaveValue('goes 9 stops 10');
  await press('Rub out');
  await press('Rub out');
  await press('Rub out');
  await expect(page.locator('#entry')).toHaveValue('goes 9');
  await expect(page.locator('#entry')).toBeFocused();
});
