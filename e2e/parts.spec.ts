import type { Page } from '@playwright/test';
import { expect, newShaft, setUp, test } from './workshop.ts';

const aside = (page: Page) => page.getByRole('complementary', { name: 'The gap in hand' });
const parts = (page: Page) => page.getByRole('region', { name: 'Parts of the shaft' });
const packs = (page: Page) => page.getByRole('region', { name: 'Packs' });
const inHand = (page: Page) => parts(page).locator('[aria-pressed="true"]');

/** Tab until what has the focus is what is wanted. */
async function tabTo(page: Page, wanted: string): Promise<void> {
  for (let i = 0; i < 80; i++) {
    await page.keyboard.press('Tab');
    const is = await page.evaluate((css) => document.activeElement?.matches(css) ?? false, wanted);
    if (is) return;
  }
  throw new Error(`never came to ${wanted}`);
}

test('a shaft of my own, put together by keyboard alone', async ({ page, empty }) => {
  await page.goto(`${empty.url}/new`);
  await expect(page.getByLabel('Machine', { exact: true })).toBeFocused();
  await page.keyboard.type('Hay tedder');
  for (const text of [null, null, 'Cross shaft']) {
    await page.keyboard.press('Enter');
    if (text) await page.keyboard.type(text);
  }
  await page.keyboard.press('Enter');
  // the arrangements are radios: the arrows go round them, and upwards from the first to the last
  await page.keyboard.press('ArrowUp');
  await expect(page.getByRole('radio', { name: /My own/ })).toBeChecked();
  await tabTo(page, 'button[type="submit"]');
  await page.keyboard.press('Enter');
  await page.waitForURL('**/section**');

  await page.getByRole('button', { name: 'Change the parts' }).waitFor();
  await tabTo(page, 'button[data-open="parts"]');
  await page.keyboard.press('Enter');
  await expect(inHand(page)).toBeFocused();
  await expect(inHand(page)).toHaveText('Casing');

  // between the casing and the shaft a thrust washer, and after it a bush
  await page.keyboard.press('i');
  await expect(page.getByLabel('Put in')).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(page.getByLabel('Between')).toContainText('Casing and Shaft');
  await page.keyboard.press('Enter');
  await expect(inHand(page)).toHaveText('Thrust washer');
  await expect(inHand(page)).toBeFocused();
  await page.keyboard.press('i');
  await page.keyboard.type('Bush');
  await page.keyboard.press('Enter');
  await expect(inHand(page)).toHaveText('Bush');
  // the washer and the bush change places, and back again
  await page.keyboard.press('Alt+ArrowUp');
  await expect(parts(page).getByText('Bush moved.')).toBeVisible();
  await expect(parts(page).locator('[data-part]')).toHaveText(['Casing', 'Bush', 'Thrust washer', 'Shaft']);
  await page.keyboard.press('Alt+ArrowDown');
  await expect(parts(page).locator('[data-part]')).toHaveText(['Casing', 'Thrust washer', 'Bush', 'Shaft']);
  // a gear on the bush: the shaft has a second float now, bush less gear
  await tabTo(page, 'button[data-act="run-on"]');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: /Gear on its bush/ })).toBeVisible();
  // shims in the gap at the far end: it is set by them
  await expect(inHand(page)).toHaveText('Gear');
  await page.keyboard.press('ArrowDown');
  await expect(inHand(page)).toHaveText('Shaft');
  await page.keyboard.press('i');
  await page.keyboard.type('Shims');
  await page.keyboard.press('Enter');
  await expect(parts(page).getByText('Put in: shims.')).toBeVisible();
  // what holds the rest cannot be taken out; a washer put in by mistake can, and undo brings it back
  await page.keyboard.press('Home');
  for (let i = 0; i < 6; i++) await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Delete');
  await expect(parts(page).getByRole('alert')).toHaveText('Casing holds the rest: it stays.');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('Delete');
  await expect(parts(page).getByText('Thrust washer taken out.')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(parts(page).locator('[data-part]')).toHaveText(['Casing', 'Thrust washer', 'Bush', 'Gear', 'Shaft', /Shims/]);
});

test('two bearings turned: cover or nut is asked, the sign of the pack is the other way, and undo brings all back', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Hill roller', shaft: 'Input shaft', is: 'behind a cone' });
  await setUp(page, '0.04-0.09 mm', '0.60 mm', '0.50×2 0.10×4 0.05×3 0.20×2 mm');
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  for (const name of ['torqued', 'square']) await page.getByRole('button', { name, exact: true }).click();
  await page.locator('#entry').fill('0.21 mm');
  await page.locator('#entry').press('Enter');
  await page.getByRole('button', { name: /Shown in thou first/ }).click();
  // behind a cone of a pair that a cover closes: 0.60 − (0.065 − 0.21) = 0.745, thicker closes
  await expect(packs(page).getByText('thicker = less float')).toBeVisible();
  await expect(packs(page).getByText('0.720 to 0.770')).toBeVisible();

  await page.getByRole('button', { name: 'Change the parts' }).click();
  // a part is taken in hand on the drawing itself, or in the list
  const shaft = await parts(page).getByRole('button', { name: 'Shaft', exact: true }).getAttribute('data-part');
  await page.locator(`[data-of="${shaft}"]`).first().click();
  await expect(inHand(page)).toHaveText('Shaft');
  await parts(page).getByRole('button', { name: 'Cone, input end' }).click();
  await parts(page).getByRole('button', { name: 'Turn both bearings…' }).click();
  const question = parts(page).getByRole('group', { name: 'Cover or nut?' });
  await question.getByRole('button', { name: 'pushed in by a cover' }).click();
  await question.getByRole('button', { name: 'Turn both bearings' }).click();
  await expect(parts(page).getByRole('alert')).toContainText('Nothing holds that cup');
  await question.getByRole('button', { name: 'drawn up by a nut' }).click();
  await question.getByRole('button', { name: 'between the cones' }).click();
  await question.getByRole('button', { name: 'Turn both bearings' }).click();
  await expect(parts(page).getByText('Both bearings turned, and drawn up by a nut.')).toBeVisible();
  await expect(parts(page).getByRole('button', { name: 'Distance piece' })).toBeVisible();
  await parts(page).getByRole('button', { name: 'Done' }).click();
  // the reading and the pack are as they were; between the cones it is 0.60 + (0.065 − 0.21) = 0.455
  await expect(aside(page).getByText('0.210', { exact: false }).first()).toBeVisible();
  await expect(packs(page).getByText('thicker = more float')).toBeVisible();
  await expect(packs(page).getByText('0.430 to 0.480')).toBeVisible();

  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(packs(page).getByText('thicker = less float')).toBeVisible();
  await expect(packs(page).getByText('0.720 to 0.770')).toBeVisible();
  // and after a reload it is so still
  await page.reload();
  await expect(packs(page).getByText('0.720 to 0.770')).toBeVisible();
});
