import type { Page } from '@playwright/test';
import { expect, jobPath, test } from './workshop.ts';
import type { Workshop } from '../tools/browser.ts';

const entry = (page: Page) => page.locator('#entry');
const timesKept = ({ db }: Workshop, text: string): number =>
  db.prepare<[string], { n: number }>(`SELECT count(*) AS n FROM reading WHERE json_extract(raw, '$.text') = ?`).get(text)?.n ?? -1;

test('an entry made while the server is away stays in the strip, marked not saved, and is sent once when it answers', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await page.route('**/api/commands', (route) => route.abort());
  await entry(page).fill('86>98');
  await page.keyboard.press('Enter');
  await expect(page.locator('#entry-says')).toContainText('Not saved yet: the server is away');
  await expect(entry(page)).toHaveValue('86>98');
  await expect(page.getByRole('status').filter({ hasText: 'waiting 1' })).toBeVisible();
  expect(timesKept(demo, '86>98')).toBe(0);
  await page.unroute('**/api/commands');
  await expect(page.getByText('Kept: 12.0 thou.')).toBeVisible({ timeout: 15_000 });
  await expect(entry(page)).toHaveValue('');
  await expect(page.getByRole('status').filter({ hasText: 'saved' })).toBeVisible();
  expect(timesKept(demo, '86>98')).toBe(1);
});

test('with the reply to a write cut off after it was kept, the retry lands once', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  let cut = 0;
  await page.route('**/api/commands', async (route) => {
    const response = await route.fetch();
    expect(response.ok()).toBe(true);
    if (cut++ < 2) return route.abort();
    return route.fulfill({ response });
  });
  await entry(page).fill('86>98');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Kept: 12.0 thou.')).toBeVisible({ timeout: 15_000 });
  expect(cut).toBe(3);
  expect(timesKept(demo, '86>98')).toBe(1);
});

test('an entry still waiting when the page is closed is sent by the next page', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await page.route('**/api/commands', (route) => route.abort());
  await entry(page).fill('86>98');
  await page.keyboard.press('Enter');
  await expect(page.locator('#entry-says')).toContainText('Not saved yet');
  await page.unroute('**/api/commands');
  await page.goto(demo.url);
  await expect.poll(() => timesKept(demo, '86>98')).toBe(1);
  await page.goto(demo.url + jobPath('section'));
  await expect(page.getByText(/12 12 12/).first()).toBeVisible();
});

test('one that the server will not take after all is shown with what was in it, until it is read', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await page.route('**/api/commands', (route) => route.abort());
  await entry(page).fill('86>98');
  await page.keyboard.press('Enter');
  await expect(page.locator('#entry-says')).toContainText('Not saved yet');
  demo.db.exec("UPDATE job SET archived_at = '2026-11-01T00:00:00.000Z', revision = revision + 1");
  await page.unroute('**/api/commands');
  await page.goto(demo.url);
  const notice = page.getByRole('alert').filter({ hasText: 'Not kept: 86>98' });
  await expect(notice).toContainText('put away: take it out again');
  await notice.getByRole('button', { name: 'I have read it' }).click();
  await expect(notice).toHaveCount(0);
});

test('an open page turns to its other views with the server away, and says so where one could not be fetched', async ({ page, demo }) => {
  const fetched = page.waitForResponse(/DryBuilds/);
  await page.goto(demo.url + jobPath('section'));
  await fetched;
  await page.route('**/*', (route) => route.abort());
  await page.getByRole('link', { name: 'Dry builds' }).first().click();
  await expect(page.getByRole('heading', { name: 'What to change' })).toBeVisible();
  await page.unroute('**/*');
  await page.route('**/assets/Limits*', (route) => route.abort());
  await page.goto(demo.url + jobPath('limits'));
  await expect(page.getByRole('heading', { name: 'The server is away' })).toBeVisible();
  await page.unroute('**/assets/Limits*');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('navigation', { name: 'Leaves of the Wear book' })).toBeVisible();
});

test('an entry typed and entered while the last is still being kept waits its turn; the same Enter twice is one entry', async ({ page, demo }) => {
  const read = () => demo.db.prepare("SELECT json_extract(raw, '$.text') FROM reading ORDER BY rowid DESC LIMIT 2").pluck().all();
  await page.route('**/api/commands', async (route) => {
    await new Promise((resolve) => setTimeout(resolve, 1_000));
    await route.continue();
  });
  await page.goto(demo.url + jobPath('section'));
  const before = demo.db.prepare('SELECT count(*) FROM reading').pluck().get() as number;
  await page.locator('#entry').fill('12');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await page.locator('#entry').fill('11');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Kept: 11.0 thou.')).toBeVisible();
  await expect(page.locator('#entry')).toHaveValue('');
  expect(demo.db.prepare('SELECT count(*) FROM reading').pluck().get()).toBe(before + 2);
  expect(read()).toEqual(['11', '12']);
});
