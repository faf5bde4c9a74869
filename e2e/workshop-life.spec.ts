import type { Page } from '@playwright/test';
import { expect, jobPath, test } from './workshop.ts';

const entry = (page: Page) => page.locator('#entry');
const aside = (page: Page) => page.getByRole('complementary', { name: 'The gap in hand' });

/** Chooses another way of reading on the Section. */
async function readBy(page: Page, way: RegExp, unit: 'thou' | 'mm' = 'thou'): Promise<void> {
  await page
    .getByRole('button', { name: /▸$/ })
    .filter({ hasText: /Dial|Feelers|Depth/ })
    .click();
  await aside(page).getByRole('button', { name: unit, exact: true }).click();
  await aside(page).getByRole('button', { name: way }).click();
  await expect(entry(page)).toBeFocused();
}

test.describe('the five ways of reading, through the interface', () => {
  test('feelers: a bracket, and one side only is a bound that asks for the other', async ({ page, demo }) => {
    await page.goto(demo.url + jobPath('section'));
    await readBy(page, /^Feelers/);
    await entry(page).fill('goes 9');
    await expect(page.locator('#entry-says')).toContainText('at least 9.0');
    await expect(page.locator('#entry-says')).toContainText('try a thicker one until it stops');
    await entry(page).fill('goes 9 stops 10');
    await page.keyboard.press('Enter');
    await expect(page.getByText('Kept: 9.5 thou.')).toBeVisible();
  });
  test('a known spacer comes off what was read, and shows preload for what it is', async ({ page, demo }) => {
    await page.goto(demo.url + jobPath('section'));
    await readBy(page, /^Known spacer/);
    await entry(page).fill('8');
    await page.keyboard.press('Enter');
    await expect(page.locator('#entry-says').getByRole('alert')).toContainText('how thick the known spacer is');
    await page.getByLabel('Known spacer under the flange').fill('10 thou');
    await expect(page.locator('#entry-says')).toContainText('−2.0');
    await entry(page).press('Enter');
    await page
      .locator('#entry-says')
      .getByRole('button', { name: /^keep/ })
      .click({ timeout: 3_000 })
      .catch(() => undefined);
    await expect(page.getByText('Kept: −2.0 thou.')).toBeVisible();
  });
  test('two depths: case and cover, less the parallel, with the pack in now', async ({ page, demo }) => {
    await page.goto(demo.url + jobPath('section'));
    await readBy(page, /^Two depths/, 'mm');
    await entry(page).fill('19.05 - 10.00');
    await page.keyboard.press('Enter');
    await expect(page.locator('#entry-says').getByRole('alert')).toContainText('height of the cover as well');
    await page.getByLabel('Cover, flange to spigot').fill('9.23');
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: 'taken off' }).click();
    await entry(page).press('Enter');
    await expect(page.locator('#entry-says').getByRole('alert')).toContainText('how thick the gasket is');
    await page.getByLabel('Gasket, bolted up').fill('0.30');
    // 9.05 − 9.23 + 0.30 of gasket + 0.381 of pack
    await expect(page.locator('#entry-says')).toContainText('0.501');
    // lying loose under the gauge it takes off what it is crushed by: 9.05 − 9.23 − 0.08 + 0.381
    await page.getByRole('button', { name: 'lying loose' }).click();
    await page.getByLabel('Gasket, lying loose').fill('0.38');
    await expect(page.locator('#entry-says')).toContainText('0.121');
    await page.getByRole('button', { name: 'clamped under it' }).click();
    await expect(page.locator('#entry-says')).toContainText('0.201');
    // a parallel across the case alone, taken off here
    await page.getByRole('button', { name: /^Parallels: taken off/ }).click();
    await page.getByRole('button', { name: 'take off here' }).click();
    await page.getByLabel('Parallel across the case').fill('0.1 mm');
    await expect(page.getByLabel('Parallel across the cover')).toBeVisible();
  });
  test('the cover down by hand: pack in now less what is under the flange', async ({ page, demo }) => {
    await page.goto(demo.url + jobPath('section'));
    await readBy(page, /^Cover down/);
    await entry(page).fill('goes 8 stops 9');
    await page.keyboard.press('Enter');
    await expect(page.locator('#entry-says').getByRole('alert')).toContainText('how thick the gasket is');
    await page.getByLabel('Gasket, bolted up').fill('10 thou');
    // 15 of pack + 10 of gasket − 8½
    await expect(page.locator('#entry-says')).toContainText('16.5 thou');
  });
  test('the dial beside it shows what was keyed: start, finish and what it swept', async ({ page, demo }) => {
    await page.goto(demo.url + jobPath('section'));
    await entry(page).fill('88>12 +1');
    await expect(page.getByRole('img', { name: 'Dial, from 88 clockwise to 12 and 1 whole turns' })).toBeVisible();
    await entry(page).fill('88<12');
    await expect(page.getByRole('img', { name: 'Dial, from 88 anticlockwise to 12' })).toBeVisible();
    await expect(page.locator('[data-dial=sweep]')).toBeVisible();
  });
});

test('sizes make the drawing to scale; a part turned round and a bad size are said plainly', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section', 1));
  await expect(page.locator('[data-section]')).toHaveAttribute('data-section', /NOT TO SCALE/);
  await page.getByRole('button', { name: /Sizes of the parts/ }).click();
  const collar = page.getByLabel('shaft, collar to collar');
  await collar.fill('-4');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Sizes of the parts' }).getByRole('alert')).toContainText('more than nothing');
  // three decimals and no unit are inches or millimetres: asked
  await collar.fill('3.465');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('region', { name: 'Sizes of the parts' }).getByRole('alert').getByRole('button')).toHaveText([/3\.465/, /3\.465/]);
  await collar.fill('3.465 in');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-section]')).toHaveAttribute('data-section', /^SCALE [\d.]+ : [\d.]+/);
  await expect(page.getByText('1 of 4 measured')).toBeVisible();
  await page.getByRole('button', { name: 'Change the parts' }).click();
  const parts = page.getByRole('region', { name: 'Parts of the shaft' });
  await parts
    .getByRole('button', { name: /^Thrust washer/ })
    .first()
    .click();
  await parts.getByRole('button', { name: 'Turn round' }).click();
  await expect(page.locator('[data-section] p')).toContainText(/Thrust washer[^,]*(, [a-z]+ end)? \(turned round\)/);
  // what holds the rest is not turned
  await parts.getByRole('button', { name: 'Shaft', exact: true }).click();
  await expect(parts.getByRole('button', { name: 'Turn round' })).toBeDisabled();
});

test('with every size but one known, the reading finds it', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section', 0));
  await page.getByRole('button', { name: /Sizes of the parts/ }).click();
  const sizes = page.getByRole('region', { name: 'Sizes of the parts' });
  await expect(sizes).toContainText(/Not known for a sum: .*gasket, crushed/);
  await page.getByLabel('gasket, crushed').fill('0.31 mm');
  await page.keyboard.press('Enter');
  // 161.9 + 0.31 + 0.381 − 16.25 − 118.42 − 17.75 − spigot = 0.3048
  await expect(sizes).toContainText('it must be 9.866 mm');
});

test('letters go from view to view outside the fields, and a field keeps them', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await expect(entry(page)).toBeFocused();
  await page.keyboard.press('b');
  await expect(entry(page)).toHaveValue('b');
  await page.keyboard.press('Escape');
  await expect(entry(page)).toHaveValue('');
  await page.keyboard.press('Escape');
  await page.keyboard.press('b');
  await expect(page).toHaveURL(/\/builds/);
  await expect(page.getByRole('heading', { name: 'What to change' })).toBeVisible();
  await page.keyboard.press('r');
  await expect(entry(page)).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.press('g');
  await page.keyboard.press('w');
  await expect(page.getByRole('heading', { name: /^By part/ })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('undo the last thing');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.keyboard.press('g');
  await page.keyboard.press('h');
  await expect(page).toHaveURL(`${demo.url}/`);
});

test('a machine is put away and taken out again', async ({ page, demo }) => {
  await page.goto(`${demo.url}/`);
  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByText('The shelf is empty')).toBeVisible();
  await page.getByRole('button', { name: /1 put away/ }).click();
  await page.getByRole('button', { name: 'Take out again' }).click();
  await page.getByRole('button', { name: /Back to the open ones/ }).click();
  await expect(page.getByRole('link', { name: /Snow tractor/ })).toBeVisible();
});

test('another shaft is added to a box that is there, and stands in its list', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await page.getByRole('link', { name: 'Add a box or a shaft' }).click();
  await page.getByLabel('Box', { exact: true }).fill('Transfer box');
  await page.getByLabel('Shaft', { exact: true }).fill('Front output');
  await page.getByRole('radio', { name: /Plain shaft/ }).check();
  // another arrangement has its own usual place, and half done it is still that after a reload
  await expect(page.getByRole('radio', { name: 'the thrust washer' })).toBeChecked();
  await page.reload();
  await expect(page.getByRole('radio', { name: /Plain shaft/ })).toBeChecked();
  await expect(page.getByRole('radio', { name: 'the thrust washer' })).toBeChecked();
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('heading', { name: 'Limits of the front output end float' })).toBeVisible();
  await page.getByRole('button', { name: /Front output ▾/ }).click();
  await expect(page.getByRole('menuitem', { name: /^Transfer box: / })).toHaveCount(3);
  await page.getByRole('menuitem', { name: 'Transfer box: Idler shaft' }).click();
  await expect(aside(page).getByText(/^Right · /)).toBeVisible();
});

test('leaves are counted again in the drawer, never under what is fitted', async ({ page, demo }) => {
  await page.goto(`${demo.url}/drawer`);
  await page.getByRole('button', { name: /^15 thou: / }).click();
  await page.getByLabel('Owned').fill('0');
  await expect(page.getByRole('alert')).toContainText('1 of them are fitted');
  await page.getByLabel('Owned').fill('4');
  await page.getByLabel('Kept in').fill('tin 9');
  await page
    .locator('form')
    .filter({ has: page.getByLabel('Owned') })
    .getByRole('button', { name: 'Keep' })
    .click();
  await expect(page.getByRole('button', { name: /^15 thou: 3 on hand, 1 fitted/ })).toBeVisible();
});

test('limits are changed with the old kept, and the verdict follows', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await aside(page)
    .getByRole('button', { name: /Limits/ })
    .click();
  await page.locator('#limits').fill('10-14 thou');
  await expect(page.locator('#limits-says')).toContainText('0.254–0.355 mm');
  await page.keyboard.press('Enter');
  await expect(aside(page).getByText('Right · sure')).toBeVisible();
  expect(demo.db.prepare('SELECT count(*) AS n FROM limits WHERE written IN (?, ?)').get('5-8 thou', '10-14 thou')).toEqual({ n: 2 });
});

test('a change made on an old page is refused with who changed it, and nothing is lost', async ({ page, demo, context }) => {
  const other = await context.newPage();
  await page.goto(`${demo.url}/`);
  await other.goto(`${demo.url}/`);
  await expect(other.getByRole('button', { name: 'Put away' })).toBeVisible();
  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByText('The shelf is empty')).toBeVisible();
  await other.evaluate(() => window.stop());
  const stale = await other.evaluate(async () => {
    const jobs = (await (await fetch('/api/jobs')).json()) as { jobs: { job: { id: string; machine: string; year: string; note: string } }[] };
    const job = jobs.jobs[0]?.job;
    const response = await fetch('/api/commands', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({
        commandId: '00000000-0000-4000-8000-00000000aaaa',
        clientId: '00000000-0000-4000-8000-00000000bbbb',
        who: 'other',
        at: new Date().toISOString(),
        change: { kind: 'job.change', ...job, revision: 1, archivedAt: null, machine: 'Lost' },
      }),
    });
    return { status: response.status, body: (await response.json()) as { error: { code: string; message: string } } };
  });
  expect([stale.status, stale.body.error.code]).toEqual([409, 'stale']);
  expect(stale.body.error.message).toContain('Somebody changed this');
});

test('nothing at an address, and no such machine, are said plainly with the way back', async ({ page, demo }) => {
  await page.goto(`${demo.url}/nowhere`);
  await expect(page.getByRole('heading', { name: 'There is nothing at this address' })).toBeVisible();
  await page.goto(`${demo.url}/jobs/00000000-0000-4000-8000-000000000099/bench`);
  await expect(page.getByRole('heading', { name: 'That machine is not on the shelf' })).toBeVisible();
  await page.getByRole('link', { name: 'Back to the Shelf' }).click();
  await expect(page.getByRole('link', { name: /Snow tractor/ })).toBeVisible();
});

test('the light and dark sheets are chosen and remembered', async ({ page, demo }) => {
  await page.goto(`${demo.url}/`);
  await page.getByRole('button', { name: 'More' }).first().click();
  await page.getByRole('menuitem', { name: 'Dark sheet' }).click();
  await expect(page.locator('html')).toHaveClass(/dark/);
  await page.reload();
  await expect(page.locator('html')).toHaveClass(/dark/);
});

test('entries are signed with what this browser was told, from then on', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await page.getByRole('button', { name: 'More' }).first().click();
  await page.getByRole('menuitem', { name: 'Sign entries' }).click();
  await page.getByLabel('Initials or a name').fill('A. B.');
  await page.keyboard.press('Enter');
  await entry(page).fill('12');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Kept: 12.0 thou.')).toBeVisible();
  expect(demo.db.prepare('SELECT who FROM reading ORDER BY rowid DESC LIMIT 1').get()).toEqual({ who: 'A. B.' });
  await page.goto(`${demo.url}/`);
  await expect(page.getByText(/· A\. B\./)).toBeVisible();
});

test('on the ladder too, a reading goes to its pack and back in three Enters', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('builds'));
  await entry(page).fill('88>0');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Fit this pack' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(entry(page)).toBeFocused();
  await page.keyboard.type('6½');
  await page.keyboard.press('Enter');
  const rungs = page.getByRole('listitem');
  await expect(rungs.last()).toContainText('6.5');
  await expect(rungs.last()).toContainText(/right/i);
});

test('what is shown first never changes how an entry is read', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'));
  await page.getByRole('button', { name: /Shown in thou first/ }).click();
  await expect(aside(page).getByText('0.305').first()).toBeVisible();
  await entry(page).fill('12');
  await expect(page.locator('#entry-says')).toContainText('12.0 thou');
  await entry(page).fill('');
  await page.getByRole('button', { name: 'Another pack…' }).click();
  await page.getByLabel('Fit another pack').fill('10½');
  await expect(page.locator('#field-fit-another-pack-says')).toContainText('0.267 mm');
  await page.goto(`${demo.url}/`);
  await page.getByLabel('Limits', { exact: true }).fill('5-8');
  await expect(page.locator('#loose-limits-says')).toContainText('5–8 thou');
  await page.getByRole('button', { name: 'mm', exact: true }).click();
  // in a metric workshop it is hundredths or thou, and never silently one of them
  await expect(page.getByRole('alert').getByRole('button')).toHaveText([/0\.050–0\.080 mm/, /5–8 thou/]);
  await page
    .getByRole('button', { name: 'Shown in mm first' })
    .or(page.getByRole('button', { name: /Shown in/ }))
    .first()
    .click();
  await expect(page.getByRole('alert').getByRole('button')).toHaveText([/0\.050–0\.080 mm/, /5–8 thou/]);
});

test('the page names what its view is made of: nothing is fetched first to find out what else is wanted', async ({ page, demo }) => {
  for (const [address, sign] of [
    ['/', 'section[aria-label="Machines"] li'],
    [jobPath('section'), '#entry'],
    [jobPath('wear'), '[role=row], #entry, table, main h1'],
  ] as const) {
    const html = (await (await page.goto(demo.url + address))?.text()) ?? '';
    await page.locator(sign).first().waitFor();
    const fetched = await page.evaluate(() =>
      performance
        .getEntriesByType('resource')
        .flatMap(({ name }) => (/\/assets\/[^/]+\.js$/.test(name) ? [name.slice(name.indexOf('/assets/'))] : [])),
    );
    expect(fetched.length).toBeGreaterThan(4);
    // the pack search is a worker, begun when there is something to search for
    expect(fetched.filter((script) => !html.includes(script) && !script.includes('worker'))).toEqual([]);
  }
});
