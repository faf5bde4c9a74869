import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { SPEC_PAGE } from '../core/src/quantity/specPage.fixture.ts';
import { expect, jobPath, test } from './workshop.ts';

const rows = (page: Page) => page.getByRole('table', { name: 'Limits' }).getByRole('row');

test('a manual’s page of forty lines in mixed units is read line by line, kept with its page, and none of it wrong', async ({ page, empty }) => {
  await page.goto(`${empty.url}/new`);
  await page.getByLabel('Machine').fill('Peat cutter');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.getByLabel('Limits', { exact: true }).waitFor();
  await page.getByRole('link', { name: 'Wear book' }).first().click();
  await page.getByRole('link', { name: 'Limits' }).click();
  await page.getByLabel('Lines of the page').fill(SPEC_PAGE.map(([line]) => line).join('\n'));
  const understood = SPEC_PAGE.filter(([, , meant]) => typeof meant !== 'string').length;
  expect(understood).toBeGreaterThanOrEqual(38);
  await expect(page.getByText(`${understood} of 40 lines understood`)).toBeVisible();
  await page.locator('#pasted-page').fill('p. 54');
  await page.getByRole('button', { name: 'Keep 40 lines' }).click();
  await expect(page.getByText(new RegExp(`^${understood} of 40 lines understood · 1 to ask · 1 not understood`))).toBeVisible();
  const kept = empty.db
    .prepare<[], { text: string; name: string; quantity: string | null; page: string }>(
      'SELECT text, name, quantity, page_or_whom AS page FROM spec ORDER BY position',
    )
    .all();
  expect(kept.map((row) => row.text)).toEqual(SPEC_PAGE.map(([line]) => line.trim()));
  for (const [i, [, name, meant]] of SPEC_PAGE.entries()) {
    expect([kept[i]?.quantity ?? 'none', kept[i]?.page]).toEqual([typeof meant === 'string' ? 'none' : meant[0], 'p. 54']);
    if (typeof meant !== 'string') expect(kept[i]?.name).toBe(name);
  }
  await expect(rows(page).filter({ hasText: 'Cover bolts' })).toContainText('31.2');
  await expect(rows(page).filter({ hasText: 'Crown wheel backlash' }).first()).toContainText('0.150–0.200');
  await expect(rows(page).filter({ hasText: 'see table 4' })).toContainText('Not understood');
});

test('a line with no unit is asked about with two buttons, and one not understood is typed again', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('limits'));
  const ask = rows(page).filter({ hasText: 'Which do they mean?' });
  await expect(ask).toContainText('The lines round it are in thou or inches.');
  await ask.getByRole('button', { name: /2–5 thou/ }).click();
  await expect(ask).toHaveCount(0);
  await expect(rows(page).filter({ hasText: 'Output gear end play' })).toContainText('0.051–0.127');
  const strip = page.getByLabel('A limit: its name and figure');
  await strip.fill('Pinion depth see table 4');
  await page.keyboard.press('Enter');
  await expect(page.locator('#limit-line-says').getByRole('alert')).toBeVisible();
  await strip.fill('Fork to groove 0.3-0.5 mm');
  await expect(page.locator('#limit-line-says')).toContainText('11.9–19.6 thou');
  await page.keyboard.press('Enter');
  await expect(rows(page).filter({ hasText: 'Fork to groove' })).toContainText('0.300–0.500');
});

test('two sources that disagree stand side by side, one in use, and the choice moves the verdict', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('limits', 1));
  await expect(page.getByText('Two sources disagree')).toBeVisible();
  const letter = rows(page).filter({ hasText: 'service letter 12, 1961' });
  await letter.getByRole('button', { name: 'use this' }).click();
  await expect(letter.getByRole('img', { name: 'In use' })).toBeVisible();
  await page.goto(demo.url + jobPath('section', 1));
  // read 10¼: right by 8–12, loose by 7–10
  await expect(page.getByText('7–10').first()).toBeVisible();
  await expect(page.getByRole('complementary', { name: 'The gap in hand' })).toContainText('Loose');
});

test('what is told is unconfirmed, until somebody else says the same or print does', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('limits'));
  const strip = page.getByLabel('A limit: its name and figure');
  const tell = async (line: string, whom: string, when: string): Promise<void> => {
    await strip.fill(line);
    await page.locator('#added-source').selectOption('told');
    await page.locator('#added-page').fill(whom);
    await page.locator('#added-when').fill(when);
    await strip.focus();
    await page.keyboard.press('Enter');
    await expect(strip).toHaveValue('');
  };
  await tell('Output shaft float preload 1-3 thou', 'a neighbour', 'in spring');
  const mine = rows(page).filter({ hasText: 'Told by a neighbour, in spring' });
  await expect(mine).toContainText('and in print');
  await tell('Second gear float 6-9 thou', 'a neighbour', '1999');
  await expect(rows(page).filter({ hasText: 'Told by a neighbour, 1999' })).toContainText('unconfirmed');
  await tell('Second gear float 6-9 thou', 'a machinist', '2004');
  await expect(rows(page).filter({ hasText: 'Told by a neighbour, 1999' })).toContainText('two say so');
});

test('a torque twelve times what is written is asked about; a line is left out and put back', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('limits'));
  const strip = page.getByLabel('A limit: its name and figure');
  await strip.fill('Cover bolts 240 lb in');
  await page.keyboard.press('Enter');
  await expect(rows(page).filter({ hasText: 'Cover bolts' })).toHaveCount(2);
  await strip.fill('Cover bolts 240 lb ft');
  await page.keyboard.press('Enter');
  const asked = page.getByRole('alert').filter({ hasText: 'was meant' });
  await expect(asked).toContainText('lbf·in taken for lbf·ft');
  await asked.getByRole('button', { name: '20.0 lbf·ft' }).click();
  await expect(strip).toHaveValue('Cover bolts 20.0 lbf·ft');
  const drag = rows(page).filter({ hasText: 'Input shaft drag' });
  await drag.getByRole('button', { name: /What to do with/ }).click();
  await page.getByRole('menuitem', { name: 'leave it out' }).click();
  await expect(drag).toContainText('left out');
  await drag.getByRole('button', { name: 'put back' }).click();
  await expect(drag).not.toContainText('left out');
});

test('as a spreadsheet out, and in again; a spreadsheet with the wrong columns is refused with a sentence', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('limits'));
  const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: /as a spreadsheet/ }).click()]);
  const csv = readFileSync(await file.path(), 'utf8');
  expect(csv.split('\n')[0]).toBe('\uFEFFname,written,quantity,min,max,unit,source,page_or_whom,said,station,in_use');
  expect(csv).toContain('Cover bolts,18-22 lb ft,torque,18,22,lbf·ft,manual,p. 31');
  await page.getByRole('button', { name: /or paste a page/ }).click();
  const input = page.getByLabel('A file of limits');
  await input.setInputFiles({ name: 'wrong.csv', mimeType: 'text/csv', buffer: Buffer.from('colour,taste\nred,sour\n') });
  await expect(page.getByRole('region', { name: 'Paste a page' }).getByRole('alert')).toContainText('headed name and written; found colour, taste');
  await input.setInputFiles({
    name: 'limits.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('name,written,source,page\nHub float,2-4 thou,manual,p. 7\nHub nut,80 lb ft,manual,p. 7\n'),
  });
  await expect(page.getByText('2 of 2 lines understood')).toBeVisible();
  await expect(page.locator('#pasted-page')).toHaveValue('p. 7');
  await page.getByRole('button', { name: 'Keep 2 lines' }).click();
  await expect(rows(page).filter({ hasText: 'Hub nut' })).toContainText('108');
});

test('a thousand flips of thou and mm leave every stored row byte-equal', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('limits'));
  await expect(rows(page).first()).toBeVisible();
  const all = (): string =>
    JSON.stringify(
      ['job', 'spec', 'limits', 'reading', 'build', 'build_leaf', 'station', 'feature', 'lot', 'journal'].map((table) =>
        demo.db.prepare(`SELECT * FROM ${table}`).all(),
      ),
    );
  const before = all();
  const requests: string[] = [];
  page.on('request', (request) => {
    if (request.method() !== 'GET') requests.push(request.url());
  });
  await page.getByRole('button', { name: /Shown in/ }).evaluate((button: HTMLButtonElement) => {
    for (let i = 0; i < 1_000; i++) button.click();
  });
  await page.goto(demo.url + jobPath('section'));
  await page.locator('#view').focus();
  for (let i = 0; i < 20; i++) await page.keyboard.press('u');
  expect(requests).toEqual([]);
  expect(all()).toBe(before);
});
