import { expect, firstReading, test } from './workshop.ts';
import type { Page } from '@playwright/test';

/** Nothing is a must: no limits, no leaves, no pack, no shaft. And what was half typed, or wrong yesterday, is not lost or stuck. */

const entry = (page: Page) => page.locator('#entry');
const aside = (page: Page) => page.getByRole('complementary', { name: 'The gap in hand' });

async function newMachine(page: Page, url: string, { drawnBy = 'in, by a cover' } = {}): Promise<void> {
  await page.goto(`${url}/new`);
  await page.getByLabel('Machine', { exact: true }).fill('Peat cutter');
  await page.getByRole('button', { name: drawnBy }).click();
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL('**/section**');
}

/** What the first reading of a gap rests on. */
async function rested(page: Page): Promise<void> {
  for (const name of ['torqued', 'square']) await page.getByRole('button', { name, exact: true }).click();
}

test('no limits, no leaves and a pack nobody measured: read, judged when limits come, and a pack chosen', async ({ page, empty }) => {
  await newMachine(page, empty.url);
  await page.getByRole('button', { name: 'None known' }).click();
  // it may have been counted, all the same
  await page.getByLabel('leaves, if counted').fill('x');
  await expect(page.getByRole('alert')).toHaveText('How many is a whole number.');
  await expect(page.getByRole('button', { name: 'Not known' })).toBeDisabled();
  await page.getByLabel('leaves, if counted').fill('3');
  await page.getByRole('button', { name: 'Not known' }).click();
  await page.getByRole('button', { name: 'None yet' }).click();
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await rested(page);
  await entry(page).fill('88>12');
  await entry(page).press('Enter');
  await expect(page.getByText('Kept: 24.0 thou.')).toBeVisible();
  await expect(page.getByText('3 leaves. Nobody has measured them.')).toBeVisible();
  // the same questions are not asked at the next visit
  await page.reload();
  await expect(entry(page)).toBeVisible();
  await expect(page.getByText('Which leaves are on hand?')).toHaveCount(0);
  await aside(page)
    .getByRole('button', { name: /Limits/ })
    .click();
  await page.locator('#limits').fill('5-8 thou');
  await page.locator('#limits').press('Enter');
  await expect(aside(page).getByText('Loose · sure')).toBeVisible();
  // 24 read and 6½ wanted, thicker gives more: take out 17½, 19 to 16
  const packs = page.getByRole('region', { name: 'Packs' });
  await expect(packs.getByText('take out, whatever is in')).toBeVisible();
  await expect(packs.getByText('17.5', { exact: true })).toBeVisible();
  await expect(packs.getByText('16.0 to 19.0')).toBeVisible();
  await page.getByRole('button', { name: 'Another pack…' }).click();
  await page.getByLabel('Fit another pack').fill('6½ thou');
  await page.getByRole('button', { name: 'Fit it' }).click();
  await expect(aside(page).getByText('Loose · sure')).toHaveCount(0);
  await entry(page).fill('6½');
  await entry(page).press('Enter');
  await expect(aside(page).getByText(/^Right · /)).toBeVisible();
});

test('one figure alone is kept as it is, shown, and nothing is judged by it until a tolerance is given', async ({ page, empty }) => {
  await newMachine(page, empty.url);
  await page.getByLabel('Limits', { exact: true }).fill('6 thou');
  await page.keyboard.press('Enter');
  await page
    .getByRole('alert')
    .getByRole('button', { name: /one figure alone/ })
    .click();
  await page.getByRole('button', { name: 'None', exact: true }).click();
  await page.getByRole('button', { name: 'None yet' }).click();
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await rested(page);
  await entry(page).fill('9');
  await entry(page).press('Enter');
  await expect(page.getByText('Kept: 9.0 thou.')).toBeVisible();
  await expect(aside(page).getByText(/6\.0 thou alone/)).toBeVisible();
  await expect(aside(page).getByText(/3\.0 thou over it/)).toBeVisible();
});

test('a box with no shaft: its strip log and open items work', async ({ page, empty }) => {
  await page.goto(`${empty.url}/new`);
  await page.getByLabel('Machine', { exact: true }).fill('Peat cutter');
  await page.getByRole('button', { name: 'Only the box, for now' }).click();
  await page.waitForURL('**/strip**');
  await entry(page).fill('washers, 4');
  await entry(page).press('Enter');
  await expect(page.getByText('Washers').first()).toBeVisible();
  // its Wear book too: a pin measured, judged by a limit, and there again after a reload
  await page.getByRole('link', { name: 'By part' }).click();
  await page.getByRole('button', { name: 'journal', exact: true }).click();
  await page.getByLabel('Which').fill('idler pin');
  await page.getByRole('button', { name: 'mm', exact: true }).first().click();
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('row', { name: /Idler pin/ })).toBeVisible();
  await entry(page).fill('19.98 19.97');
  await entry(page).press('Enter');
  await expect(page.getByRole('row', { name: /Idler pin/ })).toContainText('19.97');
  await page.reload();
  await expect(page.getByRole('row', { name: /Idler pin/ })).toContainText('19.97');
  await page.getByRole('link', { name: 'As it came apart' }).click();
  await expect(page.getByText('Washers').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await page.locator('body').click();
  await page.getByRole('button', { name: /^Leave something open/ }).click();
  await expect(page.getByRole('dialog').getByRole('heading').first()).toBeVisible();
});

test('what is drawn up by a nut is not reckoned with a cover’s sign: it is asked, and the shaft is another', async ({ page, empty }) => {
  await page.goto(`${empty.url}/new`);
  await page.getByLabel('Machine', { exact: true }).fill('Mail van');
  await page.getByLabel('Box', { exact: true }).fill('Wheel hub');
  const put = page.getByRole('button', { name: 'Put it on the shelf' });
  await expect(put).toBeDisabled();
  await page.getByRole('button', { name: 'up, by a nut' }).click();
  await expect(page.getByRole('radio', { name: /Wheel hub drawn up by a nut/ })).toBeChecked();
  await expect(put).toBeEnabled();
  // half done, left and come back to
  await page.goto(`${empty.url}/`);
  await page.goto(`${empty.url}/new`);
  await expect(page.getByLabel('Machine', { exact: true })).toHaveValue('Mail van');
  await expect(page.getByLabel('Box', { exact: true })).toHaveValue('Wheel hub');
});

test('a wrong reading of yesterday is taken back from the Record with a reason, and the verdict follows', async ({ page, empty }) => {
  await firstReading(page, empty.url, { bare: 'thou', limits: '5-8 thou', pack: '20 thou' });
  for (const text of ['6', '6', '15']) {
    await entry(page).fill(text);
    await entry(page).press('Enter');
    await expect(entry(page)).toHaveValue('');
  }
  await expect(aside(page).getByText(/^Right/)).toHaveCount(0);
  await page.clock.install({ time: Date.now() + 86_400_000 });
  await page.getByRole('link', { name: 'Record' }).first().click();
  await page.getByRole('button', { name: /^Take back .*: 15/ }).click();
  await page.getByPlaceholder('why, or nothing').fill('the stand was knocked');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.getByText(/Taken back .*the stand was knocked/)).toBeVisible();
  await page.getByRole('link', { name: 'Section' }).first().click();
  await expect(aside(page).getByText(/^Right/)).toBeVisible();
});

test('what is half typed is there after leaving the view, and after a reload', async ({ page, empty }) => {
  await newMachine(page, empty.url);
  await page.getByRole('button', { name: 'None known' }).click();
  await page.getByRole('button', { name: 'None', exact: true }).click();
  await page.getByRole('button', { name: 'None yet' }).click();
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await entry(page).fill('88>1');
  await page.getByRole('link', { name: 'Wear book' }).first().click();
  await page.getByRole('link', { name: 'Section' }).first().click();
  await expect(entry(page)).toHaveValue('88>1');
  await page.reload();
  await expect(entry(page)).toHaveValue('88>1');
  await page.goto(empty.url);
  await page.getByLabel('Limits', { exact: true }).fill('.005-.0');
  await page.reload();
  await expect(page.getByLabel('Limits', { exact: true })).toHaveValue('.005-.0');
});

test('a shaft is named again, and taken away while nothing is in its record', async ({ page, empty }) => {
  await newMachine(page, empty.url);
  await page.getByRole('button', { name: 'Input shaft ▾' }).click();
  await page.getByRole('menuitem', { name: 'Boxes and shafts…' }).click();
  await page.getByLabel('Name of the shaft, now Input shaft').fill('Layshaft');
  await page.getByRole('button', { name: 'Name it so' }).last().click();
  await expect(page.getByLabel('Name of the shaft, now Layshaft')).toBeVisible();
  await page.getByRole('button', { name: 'Take the shaft away' }).click();
  await expect(page.getByLabel('Name of the shaft, now Layshaft')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo the last thing' }).click();
  await expect(page.getByText('Taken away: Layshaft')).toBeVisible();
  await page.getByRole('button', { name: 'Undo it' }).click();
  await expect(page.getByLabel('Name of the shaft, now Layshaft')).toBeVisible();
});

for (const [width, height] of [
  [390, 844],
  [820, 1180],
] as const)
  test(`everything on the main path is typed on the page’s own keys at ${width}`, async ({ page, empty }) => {
    await page.setViewportSize({ width, height });
    await newMachine(page, empty.url);
    const keys = page.getByRole('group', { name: 'Keypad' });
    const type = async (...names: string[]): Promise<void> => {
      for (const name of names) await keys.getByRole('button', { name, exact: true }).click();
    };
    await page.getByLabel('Limits', { exact: true }).click();
    await type('5', 'minus', '8', 'thou', 'Keep');
    await page.getByLabel('Pack in now').click();
    await type('2', '0', '+', '8', 'Keep');
    await page.getByLabel('Leaves on hand').click();
    await type('6', 'space', '4', '×', '2', 'space', '1', '2', 'thou', 'Keep');
    await page.getByRole('button', { name: /^Dial, pushed/ }).click();
    await rested(page);
    await entry(page).click();
    await type('8', '8', '>', '1', '2', 'Keep');
    await expect(aside(page).getByText('Loose · sure')).toBeVisible();
    await page.getByRole('button', { name: 'Fit this pack' }).click();
    await entry(page).click();
    await type('7', '0', '<', '6', '4', 'Rub out', '3', '½', 'Keep');
    await expect(aside(page).getByText(/^Right · /)).toBeVisible();
  });

test('a name that a person gave is never put into other words', async ({ page, empty }) => {
  await page.goto(`${empty.url}/new`);
  await page.getByLabel('Machine', { exact: true }).fill('Bush float tractor');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL('**/section**');
  await page.getByRole('heading', { level: 2 }).first().click();
  await page.keyboard.press('w');
  await expect(page.getByText('Input shaft end play').first()).toBeVisible();
  await expect(page.getByRole('link', { name: 'Bush float tractor, back to the Shelf' })).toBeVisible();
  await page.goto(empty.url);
  await expect(page.getByText('Bush float tractor').first()).toBeVisible();
  await expect(page.getByText(/Bushing end play/)).toHaveCount(0);
});

test('a box and a shaft keep the names a person gave them, in sentences too', async ({ page, empty }) => {
  await page.goto(`${empty.url}/new`);
  await page.getByLabel('Machine', { exact: true }).fill('Peat cutter');
  await page.getByLabel('Box', { exact: true }).fill('Bush casing');
  await page.getByLabel('Shaft', { exact: true }).fill('Layshaft pin');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL('**/section**');
  await page.getByRole('heading', { level: 2 }).first().click();
  await page.keyboard.press('w');
  await expect(page.getByText('Layshaft pin end play').first()).toBeVisible();
  await expect(page.getByRole('link', { name: 'Bush casing' })).toBeVisible();
  await page.goto(empty.url);
  await expect(page.getByText('Peat cutter').first()).toBeVisible();
  // the program's own words for an arrangement are of the vocabulary
  await expect(page.getByText(/[Bb]ushing|[Cc]ountershaft/).and(page.locator(':not(option)'))).toHaveCount(0);
  await expect(page.getByRole('option', { name: 'Gear on a bushing between washers' })).toHaveCount(1);
});

test('Back closes the Reckoner, and leaves the page behind it', async ({ page, empty }) => {
  await page.goto(`${empty.url}/drawer`);
  await page.goto(`${empty.url}/workshop`);
  await expect(page.getByRole('heading', { name: 'Backups' })).toBeVisible();
  await page.keyboard.press('/');
  await page.getByLabel('What to reckon').fill('3 thou + 0.2 mm');
  await expect(page.getByText('10.9', { exact: true })).toBeVisible();
  await page.goBack();
  await expect(page.getByLabel('What to reckon')).toHaveCount(0);
  await expect(page).toHaveURL(/workshop/);
  // closed by its own key, the step it stood on is gone too
  await page.keyboard.press('/');
  await expect(page.getByLabel('What to reckon')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('What to reckon')).toHaveCount(0);
  await page.goBack();
  await expect(page).toHaveURL(/drawer/);
});

test('the float that was written down before anything is the first reading, once a pack is said on the Section', async ({ page, empty }) => {
  await newMachine(page, empty.url);
  const section = page.url();
  await page.goto(section.replace('/section', '/strip'));
  await entry(page).fill('Float, before anything, 21');
  await entry(page).press('Enter');
  await expect(page.getByRole('row', { name: /Float/ })).toBeVisible();
  await page.goto(section);
  await page.getByLabel('Limits', { exact: true }).fill('5-8 thou');
  await page.keyboard.press('Enter');
  await page.getByLabel('Pack in now').fill('20+8');
  await page.keyboard.press('Enter');
  await expect(aside(page).getByText('21.0').first()).toBeVisible();
  await expect(aside(page).getByText(/^Loose/)).toBeVisible();
});
