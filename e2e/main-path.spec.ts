import { expect, Hands, jobPath, test } from './workshop.ts';
import type { Page } from '@playwright/test';

const focused = (page: Page, id: string): Promise<void> => expect(page.locator(`#${id}`)).toBeFocused();
const aside = (page: Page) => page.getByRole('complementary', { name: 'The gap in hand' });

for (const filled of [false, true]) {
  test(`from ${filled ? 'the demo' : 'an empty database'}, by keyboard only, to a verdict that is in; all there after a reload`, async ({
    page,
    empty,
    demo,
  }) => {
    const { url } = filled ? demo : empty;
    await page.goto(`${url}/`);
    if (!filled) await expect(page.getByText('The shelf is empty')).toBeVisible();
    await page.goto(`${url}/new`);
    await focused(page, 'machine');
    await page.keyboard.type('Peat cutter');
    const hands = new Hands(page);

    await hands.key('Enter'); // the machine named
    await focused(page, 'year');
    await hands.key('Enter');
    await focused(page, 'box');
    await hands.enter('Gearbox');
    await focused(page, 'shaft');
    await hands.enter('Input shaft');
    await expect(page.getByRole('radio', { name: /Two taper bearings/ })).toBeFocused();
    await hands.key('Enter');
    await expect(page.getByRole('radio', { name: 'under the cover' })).toBeFocused();
    await hands.key('Enter');
    await hands.key('Enter'); // no gasket
    await expect(page.getByRole('button', { name: 'Put it on the shelf' })).toBeFocused();
    await hands.key('Enter');

    await focused(page, 'limits');
    await expect(page.locator('[data-section]')).toHaveAttribute('data-section', /NOT TO SCALE/);
    await hands.enter('5-8 thou');
    await focused(page, 'pack');
    await hands.enter('20+8');
    if (!filled) {
      await focused(page, 'leaves');
      await hands.enter('6×1 4×2 12×1 thou, 0.20×2 mm');
    }
    await expect(page.getByRole('button', { name: /^Dial, pushed/ })).toBeFocused();
    await hands.key('Enter');
    await expect(page.getByRole('button', { name: 'torqued' })).toBeFocused();
    await hands.key('Enter');
    await expect(page.getByRole('button', { name: 'square', exact: true })).toBeFocused();
    await hands.key('Enter');
    await focused(page, 'entry');

    await hands.enter('88>12');
    await expect(aside(page).getByText('24.0').first()).toBeVisible();
    await expect(aside(page).getByText('Loose · sure')).toBeVisible();
    const packs = page.getByRole('region', { name: 'Packs' });
    await expect(packs.getByText('9.0 to 12.0')).toBeVisible();
    await expect(packs.getByText('thicker = more float')).toBeVisible();
    await expect(page.getByRole('heading', { name: 'The sum' })).toBeVisible();
    await expect(aside(page).getByRole('row', { name: /new pack/ })).toContainText('10.5');
    await expect(page.getByRole('button', { name: 'Fit this pack' })).toBeFocused();
    await hands.key('Enter');

    await focused(page, 'entry');
    await expect(aside(page).getByText('Forecast, not read')).toBeVisible();
    await hands.enter('6');
    await expect(aside(page).getByText(/^Right · /)).toBeVisible();
    expect(hands.actions).toBeLessThanOrEqual(25);

    await page.reload();
    await expect(aside(page).getByText(/^Right · /)).toBeVisible();
    await expect(aside(page).getByText('6.0').first()).toBeVisible();
    await page.goto(page.url().replace('/section', '/builds'));
    await expect(page.getByRole('listitem').filter({ hasText: 'as found' })).toBeVisible();
    await page.goto(`${url}/drawer`);
    await expect(page.getByRole('button', { name: /^\S+ (thou|mm): \d+ on hand, [12] fitted/ }).first()).toBeVisible();
  });
}

test('reading → pack → next reading is three Enters, with no dialog, on the demo', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await focused(page, 'entry');
  let enters = 0;
  const enter = async (): Promise<void> => {
    await page.keyboard.press('Enter');
    enters += 1;
    await expect(page.getByRole('dialog')).toHaveCount(0);
  };
  await page.keyboard.type('88>0');
  await enter();
  await expect(page.getByRole('button', { name: 'Fit this pack' })).toBeFocused();
  await enter();
  await focused(page, 'entry');
  await expect(aside(page).getByText('Forecast, not read')).toBeVisible();
  await page.keyboard.type('6½');
  await enter();
  await expect(aside(page).getByText(/^Right · /)).toBeVisible();
  expect(enters).toBe(3);
});

test('the loose sheet answers with nothing set up, and is kept to a job', async ({ page, demo }) => {
  await page.goto(`${demo.url}/`);
  await page.getByRole('radio', { name: 'under the cover' }).click();
  await page.getByLabel('Limits', { exact: true }).fill('5-8 thou');
  await page.getByLabel('Pack in now').fill('20+8');
  await page.getByLabel('Reading', { exact: true }).fill('88>12');
  const answer = page.getByTestId('loose-answer');
  await expect(answer.getByText('10.5').first()).toBeVisible();
  await expect(answer.getByText('9.0 to 12.0')).toBeVisible();
  await expect(page.getByTestId('loose-make')).toContainText('make 10.5');
  await page.getByRole('radio', { name: 'behind the cup' }).click();
  await expect(answer.getByText('45.5').first()).toBeVisible();
  await page.getByRole('radio', { name: 'under the cover' }).click();
  await page.getByRole('button', { name: 'Keep to a job…' }).click();
  await page.keyboard.type('Hop press');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/section/);
  await expect(page.getByRole('link', { name: /Hop press/ })).toBeVisible();
  await expect(aside(page).getByText('Loose · sure')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Packs' }).getByText('9.0 to 12.0')).toBeVisible();
});

for (const touch of [false, true]) {
  test.describe(touch ? 'by finger alone' : 'by mouse alone', () => {
    test.use(touch ? { hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } } : {});
    test('the same path, from an empty database to a verdict', async ({ page, empty }) => {
      const press = async (name: string | RegExp): Promise<void> => {
        const button = page.getByRole('button', { name }).first();
        await (touch ? button.tap() : button.click());
      };
      await page.goto(`${empty.url}/`);
      const start = page.getByRole('link', { name: 'New machine' });
      await (touch ? start.tap() : start.click());
      await page.waitForURL('**/new');
      await page.getByLabel('Machine', { exact: true }).fill('Peat cutter');
      await press('Put it on the shelf');
      await page.getByLabel('Limits', { exact: true }).fill('5-8 thou');
      await press('Keep limits');
      await page.getByLabel('Pack in now').fill('20+8');
      await press('Keep');
      await page.getByLabel('Leaves on hand').fill('6 4×2 12 thou');
      await press('Keep');
      await press(/^Dial, pushed/);
      await press('torqued');
      await press('square');
      if (touch) {
        await page.locator('#entry').tap();
        for (const key of ['8', '8', '>', '1', '2'])
          await page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name: key, exact: true }).tap();
        await page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name: 'Keep' }).tap();
      } else {
        await page.locator('#entry').fill('88>12');
        await page.getByRole('button', { name: 'Keep', exact: false }).first().click();
      }
      await expect(aside(page).getByText('Loose · sure')).toBeVisible();
      await press('Fit this pack');
      await expect(aside(page).getByText('Forecast, not read')).toBeVisible();
      if (touch) {
        await page.locator('#entry').tap();
        await page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name: '6', exact: true }).tap();
        await page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name: 'Keep' }).tap();
      } else {
        await page.locator('#entry').fill('6');
        await page.getByRole('button', { name: 'Keep', exact: false }).first().click();
      }
      await expect(aside(page).getByText(/^Right · /)).toBeVisible();
    });
  });
}
