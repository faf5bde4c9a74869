import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { createApp, holdWorkshop } from '@elder-cog/server';
import type { Workshop } from '../tools/browser.ts';
import { boxClosed, DEMO, expect, jobPath, test } from './workshop.ts';

const entry = (page: Page) => page.locator('#entry');
const SNOW = DEMO.jobs[0]?.job.id ?? '';
const PAGE = join(import.meta.dirname, '..', 'web', 'dist');
const count = ({ db }: Workshop, table: 'reading' | 'build' | 'withdrawal'): number =>
  db.prepare(`SELECT count(*) FROM ${table}`).pluck().get() as number;

/** Keeps a reading on the sheet that is open. */
async function keep(page: Page, text: string, said: string): Promise<void> {
  await entry(page).fill(text);
  await page.keyboard.press('Enter');
  await expect(page.getByText(`Kept: ${said} thou.`)).toBeVisible();
}

test.describe('undo', () => {
  test('is still this browser’s own after a reload, and goes back again and again', async ({ page, demo }) => {
    await page.goto(demo.url + jobPath('section'));
    await keep(page, '86>98', '12.0');
    await keep(page, '85>98', '13.0');
    await page.reload();
    await expect(entry(page)).toBeFocused();
    await page.getByRole('button', { name: 'Undo the last thing' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Undone: the reading.' })).toContainText('85>98');
    await page.getByRole('button', { name: 'Undo the last thing' }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Undone: the reading.' })).toContainText('86>98');
    expect(count(demo, 'withdrawal') - (DEMO.jobs[0]?.withdrawals.length ?? 0)).toBe(2);
    await page.getByRole('button', { name: 'Undo the last thing' }).click();
    await expect(page.getByText('There is nothing of yours left to undo.')).toBeVisible();
  });
  test('says what and where before it takes back what is out of sight, and takes nothing back unsaid', async ({ page, demo }) => {
    await page.goto(demo.url + jobPath('section'));
    await keep(page, '86>98', '12.0');
    await page.goto(demo.url + jobPath('section', 1));
    await page.locator('#view').focus();
    await page.keyboard.press('Control+z');
    const dialog = page.getByRole('dialog', { name: 'Undo this?' });
    await expect(dialog).toContainText('Input shaft float: 86>98');
    await expect(dialog).toContainText('Snow tractor');
    await dialog.getByRole('button', { name: 'Leave it' }).click();
    expect(count(demo, 'withdrawal')).toBe(DEMO.jobs[0]?.withdrawals.length ?? 0);
    await boxClosed(page);
    await page.goto(demo.url);
    await page.getByRole('button', { name: 'Undo the last thing' }).click();
    await page.getByRole('dialog', { name: 'Undo this?' }).getByRole('button', { name: 'Undo it' }).click();
    await expect(page.getByText(/^Undone: the reading/)).toBeVisible();
  });
});

test.describe('two windows on one machine', () => {
  test('each is told what the other did, at once, and nothing is asked for every so often', async ({ context, demo }) => {
    const [one, two] = [await context.newPage(), await context.newPage()];
    await one.goto(demo.url + jobPath('section'));
    await two.goto(demo.url + jobPath('section'));
    await expect(entry(two)).toBeVisible();
    const asked: string[] = [];
    two.on('request', (request) => asked.push(new URL(request.url()).pathname));
    await keep(one, '86>98', '12.0');
    await expect(two.getByRole('status').filter({ hasText: 'Input shaft float: 86>98' })).toBeVisible();
    expect(asked.filter((path) => path === `/api/jobs/${SNOW}`)).toEqual([]);
    expect(asked.filter((path) => path === `/api/jobs/${SNOW}/changes`).length).toBeGreaterThan(0);
    await two.getByRole('button', { name: 'I have read it' }).click();
    await expect(two.getByText('From another tablet or window')).toHaveCount(0);
  });

  for (const choice of ['Keep mine', 'Leave what is there'] as const)
    test(`a change that met another: both versions are seen, and the one that is chosen stands: ${choice}`, async ({ context, demo }) => {
      const [one, two] = [await context.newPage(), await context.newPage()];
      await two.goto(`${demo.url}/`);
      await expect(two.getByRole('button', { name: 'Put away' })).toBeVisible();
      // the other's change is not heard of here before this one is made
      await two.route('**/api/jobs', (route) => route.abort());
      await one.goto(`${demo.url}/`);
      const { revision, ...job } = demo.db.prepare('SELECT revision, year, note FROM job').get() as { revision: number; year: string; note: string };
      await one.evaluate(
        async ([id, wrote]) => {
          await fetch('/api/commands', {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({
              commandId: crypto.randomUUID(),
              clientId: crypto.randomUUID(),
              who: 'J. T.',
              at: new Date().toISOString(),
              change: { kind: 'job.change', id, ...wrote, archivedAt: null },
            }),
          });
        },
        [SNOW, { ...job, revision, machine: `Renamed before ${choice}` }] as const,
      );
      await two.getByRole('button', { name: 'Put away' }).click();
      const dialog = two.getByRole('dialog', { name: 'Somebody changed this since you opened it' });
      await expect(dialog).toContainText('J. T.');
      await expect(dialog.getByRole('row', { name: /machine/ })).toContainText(`Renamed before ${choice}`);
      await expect(dialog.getByRole('row', { name: /put away/ })).toBeVisible();
      // put off, it waits in the title block
      await two.keyboard.press('Escape');
      await expect(two.getByRole('status').filter({ hasText: '1 to choose' })).toBeVisible();
      await two.getByRole('button', { name: 'Look at both and choose' }).click();
      await dialog.getByRole('button', { name: choice }).click();
      await expect(dialog).toHaveCount(0);
      const archived = (): boolean => demo.db.prepare('SELECT archived_at FROM job').pluck().get() !== null;
      await expect.poll(archived).toBe(choice === 'Keep mine');
    });

  test('a pack is fitted once: the second window is shown what the first fitted', async ({ context, demo }) => {
    const [one, two] = [await context.newPage(), await context.newPage()];
    for (const page of [one, two]) {
      await page.goto(demo.url + jobPath('section'));
      await expect(page.getByRole('button', { name: 'Fit this pack' }).first()).toBeVisible();
    }
    // the second is not told in time
    await two.route('**/changes*', (route) => route.abort());
    const before = count(demo, 'build');
    await one.getByRole('button', { name: 'Fit this pack' }).first().click();
    await expect.poll(() => count(demo, 'build')).toBe(before + 1);
    await two.getByRole('button', { name: 'Fit this pack' }).first().click();
    const dialog = two.getByRole('dialog', { name: 'Another build was made since' });
    await expect(dialog.getByRole('row', { name: /fitted/ })).toBeVisible();
    expect(count(demo, 'build')).toBe(before + 1);
    await two.unroute('**/changes*');
    await dialog.getByRole('button', { name: 'Leave what is there' }).click();
    await expect(dialog).toHaveCount(0);
    expect(count(demo, 'build')).toBe(before + 1);
  });

  test('a reading from a window that has not heard of the new build asks which build it was read on', async ({ context, demo }) => {
    const [one, two] = [await context.newPage(), await context.newPage()];
    for (const page of [one, two]) {
      await page.goto(demo.url + jobPath('section'));
      await expect(page.getByRole('button', { name: 'Fit this pack' }).first()).toBeVisible();
    }
    await two.route('**/changes*', (route) => route.abort());
    const old = demo.db.prepare('SELECT id FROM build ORDER BY seq DESC LIMIT 1').pluck().get() as string;
    const before = count(demo, 'build');
    await one.getByRole('button', { name: 'Fit this pack' }).first().click();
    await expect.poll(() => count(demo, 'build')).toBe(before + 1);
    await entry(two).fill('86>98');
    await two.keyboard.press('Enter');
    const dialog = two.getByRole('dialog', { name: 'Another build was made since' });
    await expect(dialog.getByRole('row', { name: /read/ })).toContainText('86>98');
    await two.unroute('**/changes*');
    await dialog.getByRole('button', { name: 'It was read on the new one' }).click();
    const readOn = (): unknown => demo.db.prepare("SELECT build_id FROM reading WHERE json_extract(raw, '$.text') = '86>98'").pluck().get();
    await expect.poll(readOn).toBeTruthy();
    expect(readOn()).not.toBe(old);
  });
});

test.describe('an entry that is not taken', () => {
  const refuse = (page: Page, status: number, code: string, message: string) =>
    page.route('**/api/commands', (route) =>
      route.fulfill({ status, contentType: 'application/json', body: JSON.stringify({ error: { code, message } }) }),
    );

  for (const [status, code, message] of [
    [507, 'diskFull', 'The disk is full: nothing was kept.'],
    [403, 'elsewhere', 'That came from another page.'],
    [429, 'tooManyTries', 'Too many tries.'],
  ] as const)
    test(`for want of a disk, a door or patience (${status}) stays waiting, through a reload, and is kept once when it can be`, async ({
      page,
      demo,
    }) => {
      await page.goto(demo.url + jobPath('section'));
      await refuse(page, status, code, message);
      await entry(page).fill('86>98');
      await page.keyboard.press('Enter');
      await expect(page.getByRole('alert').filter({ hasText: message })).toBeVisible();
      await page.reload();
      await expect(page.getByRole('status').filter({ hasText: 'waiting 1' })).toBeVisible();
      await page.unroute('**/api/commands');
      await expect.poll(() => demo.db.prepare("SELECT count(*) FROM reading WHERE json_extract(raw, '$.text') = '86>98'").pluck().get()).toBe(1);
      await expect(page.getByRole('status').filter({ hasText: /^saved$/ })).toBeVisible();
    });

  test('because the server breaks over it three times is put by, in sight through a reload, while the others go on; and can be sent again', async ({
    page,
    demo,
  }) => {
    await page.goto(demo.url + jobPath('section'));
    await page.route('**/api/commands', async (route) => {
      if (route.request().postData()?.includes('86>98')) return route.fulfill({ status: 500, body: 'broken' });
      return route.continue();
    });
    await entry(page).fill('86>98');
    await page.keyboard.press('Enter');
    const parked = page.getByRole('alert').filter({ hasText: 'Not kept: 86>98' });
    await expect(parked).toBeVisible();
    await keep(page, '85>98', '13.0');
    await page.reload();
    await expect(parked).toBeVisible();
    await page.unroute('**/api/commands');
    await parked.getByRole('button', { name: 'Send it again' }).click();
    await expect.poll(() => demo.db.prepare("SELECT count(*) FROM reading WHERE json_extract(raw, '$.text') = '86>98'").pluck().get()).toBe(1);
    await expect(parked).toHaveCount(0);
  });
});

test('a damaged machine stands beside sound ones, says what is wrong, and its bad entry is taken back', async ({ page, demo }) => {
  const file = JSON.parse(readFileSync(new URL('../demo/workshop.json', import.meta.url), 'utf8')) as {
    jobs: { job: { id: string; machine: string }; readings: { id: string; raw: { text: string; understood: object }; keptAs: object }[] }[];
  };
  // an older file, with a float of a third of a metre in it, beside the sound one
  const text = JSON.stringify(file).replaceAll(SNOW.slice(0, 8), 'dada0000');
  const bad = JSON.parse(text.replace(/"([0-9a-f]{4})([0-9a-f]{4}-)/g, '"$1$2')) as typeof file;
  const [job] = bad.jobs;
  if (job) {
    job.job.machine = 'Hill tractor';
    const last = job.readings.at(-1);
    if (last) Object.assign(last.raw, { text: '12 in', understood: { how: 'sizes', values: [304_800_000], unit: 'in' } });
  }
  const brought = await page.request.post(`${demo.url}/api/files?copy=yes`, {
    headers: { 'content-type': 'application/octet-stream' },
    data: Buffer.from(JSON.stringify(bad)),
  });
  expect(brought.ok()).toBe(true);
  await page.goto(demo.url);
  const shelf = page.getByRole('region', { name: 'Machines' });
  await expect(shelf.getByRole('link', { name: /Snow tractor/ }).first()).toBeVisible();
  const damaged = shelf.getByRole('listitem').filter({ hasText: 'Hill tractor' });
  await expect(damaged).toContainText('One of its entries is damaged, and left out.');
  await expect(shelf.getByRole('listitem').filter({ hasText: 'Snow tractor' })).not.toContainText('damaged');
  await damaged.getByRole('link').first().click();
  const notice = page.getByRole('alert').filter({ hasText: 'damaged' });
  await expect(notice).toContainText('12 in: found 304.8 mm');
  await expect(
    page
      .getByRole('heading', { name: /next/i })
      .or(page.getByText(/Change the pack|Read the/))
      .first(),
  ).toBeVisible();
  await notice.getByRole('button', { name: 'Take it back' }).click();
  await expect(notice).toHaveCount(0);
});

test('the database is taken away between two starts: nothing is begun, and a button brings it back from the backup', async ({ page, demo }) => {
  await demo.workshop.backUp(true);
  const { folder } = demo;
  demo.workshop.close();
  rmSync(join(folder, 'workshop.sqlite'));
  const workshop = holdWorkshop(folder);
  const app = createApp({ workshop, page: PAGE });
  const url = await app.listen({ host: '127.0.0.1', port: 0 });
  await page.goto(url);
  await expect(page.getByRole('heading', { name: 'The workshop was not opened' })).toBeVisible();
  await expect(page.getByText(/workshop\.sqlite, is not in its folder, and there was one.*Nothing was touched/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Begin a new workshop…' })).toBeVisible();
  await page.getByRole('button', { name: 'Bring back the last backup' }).click();
  await expect(page.getByRole('link', { name: /Snow tractor/ }).first()).toBeVisible();
  await page.goto(url + jobPath('section'));
  await keep(page, '86>98', '12.0');
  await app.close();
  workshop.close();
});

test('keeping the Loose sheet to a job is one signed command, and one undo; nothing on the way is asked for in vain', async ({ page, empty }) => {
  const refused: string[] = [];
  page.on('response', (response) => {
    if (response.status() >= 400) refused.push(`${response.status()} ${new URL(response.url()).pathname}`);
  });
  await page.addInitScript(() => {
    if (localStorage.getItem('elder-cog-settings') === null)
      localStorage.setItem('elder-cog-settings', JSON.stringify({ state: { who: 'M. K.' }, version: 0 }));
  });
  await page.goto(`${empty.url}/new`);
  await expect(page.getByLabel('Machine')).toBeVisible();
  await page.goto(empty.url);
  await page.getByLabel('Limits').fill('5-8');
  await page.getByLabel('Pack in now').fill('20+8');
  await page.getByLabel('Reading').fill('24');
  await page.getByRole('button', { name: 'Keep to a job…' }).click();
  await page.getByLabel('Name the machine').fill('Hill tractor');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('link', { name: /Hill tractor, back to the Shelf/ })).toBeVisible();
  const entries = empty.db.prepare('SELECT kind, who FROM journal').all();
  expect(entries).toEqual([{ kind: 'job.begin', who: 'M. K.' }]);
  expect(empty.db.prepare('SELECT DISTINCT who FROM reading UNION SELECT who FROM build').pluck().all()).toEqual(['M. K.']);
  await page.getByRole('button', { name: 'Undo the last thing' }).click();
  await expect(page.getByText(/Undone: the new machine/)).toBeVisible();
  await page.goto(empty.url);
  await expect(page.getByRole('heading', { name: 'The shelf is empty' })).toBeVisible();
  // the machine that was just taken back is no longer there to be asked for
  expect(refused.filter((each) => !each.startsWith('404 /api/jobs/'))).toEqual([]);
});
