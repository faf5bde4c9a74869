import type { Page } from '@playwright/test';
import { expect, firstReading, newShaft, read, setUp, test } from './workshop.ts';

const region = (page: Page, name: string) => page.getByRole('region', { name, exact: true });

async function fasteners(page: Page, joint: RegExp): Promise<void> {
  await page.getByRole('link', { name: /Make & fit/ }).click();
  await page.getByRole('link', { name: 'Fasteners', exact: true }).click();
  await page.getByRole('button', { name: joint }).click();
}

async function fill(page: Page, label: string, text: string): Promise<void> {
  const field = page.getByLabel(label, { exact: true });
  await field.fill(text);
  await field.press('Enter');
}

test('a cover is torqued in order on its map, a reading part-way through does not count, and its build is then torqued', async ({ page, empty }) => {
  await firstReading(page, empty.url, { bare: 'thou', limits: '5-8 thou', pack: '20' });
  await read(page, '88>12');
  await fasteners(page, /^(Cover|Bolts)/);
  await fill(page, 'How many', '4');
  await fill(page, 'Thread', '5/16');
  await expect(region(page, 'What it is')).toContainText('Which? 5/16 BSW, 5/16 BSF');
  await fill(page, 'Thread', '5/16 bsf');
  await expect(region(page, 'What it is')).toContainText('1/4 W');
  await expect(region(page, 'What it is')).toContainText('6.800 mm');
  await page.getByRole('button', { name: 'Limits ▸' }).click();
  await fill(page, 'As the manual prints it', '15-18 lb ft');
  await expect(region(page, 'Torque')).toContainText('15.0–18.0');
  await page.getByRole('textbox', { name: 'Rounds' }).fill('hand 8 20');
  await page.getByRole('textbox', { name: 'Rounds' }).press('Enter');
  await expect(region(page, 'Torque')).toContainText('Its last round pulls to 20.0 lbf·ft, and that is not within them');
  await page.getByRole('textbox', { name: 'Rounds' }).fill('hand, 8, 16 lb ft');
  await page.getByRole('textbox', { name: 'Rounds' }).press('Enter');
  const rounds = page.getByRole('table', { name: 'Rounds' });
  await expect(rounds.getByRole('row')).toHaveCount(5);
  await expect(rounds).toContainText('once round again');
  // the wrench with its extension: 8 · 14 ÷ 17
  // nothing is pressed to keep it: it asks while it is typed
  await page.getByLabel('Square to hand').fill('14');
  await region(page, 'Wrench and extension')
    .getByRole('button', { name: /14\.0000 in/ })
    .click();
  await page.getByLabel('Nut set aside by').fill('3 in');
  await page.getByLabel('It reads').fill('2-25 lb ft by 1');
  const next = (n: number) => page.getByRole('button', { name: `${n} is done` });
  // one after another with one key
  await next(1).focus();
  for (const n of [1, 2, 3, 4]) {
    await expect(next(n)).toBeFocused();
    await page.keyboard.press('Enter');
  }
  await expect(region(page, 'Wrench and extension')).toContainText('7.0 lbf·ft');
  await expect(region(page, 'Wrench and extension')).toContainText('it can be believed');
  for (const n of [1, 2]) await next(n).click();
  await expect(page.getByText('Part-way through a round: what is read now does not count.')).toBeVisible();
  // read meanwhile: kept, and not counted
  await page.getByRole('link', { name: 'Section' }).first().click();
  await read(page, '88>8');
  await expect(page.getByText(/read part-way through a round of pulling them/).first()).toBeVisible();
  await page.getByRole('link', { name: /Make & fit/ }).click();
  await page.getByRole('link', { name: 'Fasteners', exact: true }).click();
  for (const n of [3, 4]) await next(n).click();
  // the stage is the build's: 8 of 16
  await expect(page.getByRole('banner')).toContainText('8 of 16');
  for (const n of [1, 2, 3, 4]) await next(n).click();
  await expect(page.getByText('once round again, to 16 lb ft')).toBeVisible();
  // tapped faster than the server answers: each has its turn
  await page.route('**/api/commands', async (route) => {
    await new Promise((answer) => setTimeout(answer, 600));
    await route.continue();
  });
  for (const n of [1, 3, 2, 4]) await rounds.getByRole('checkbox', { name: `once round again, ${n}` }).click();
  await expect(page.getByText(/All of it is torqued/)).toBeVisible();
  await page.unroute('**/api/commands');
  await expect(page.getByRole('banner')).toContainText('torqued');
  await page.reload();
  await expect(page.getByText(/All of it is torqued/)).toBeVisible();
  // the road says where it is, and so does a printed sheet, which has the rounds and none of the fields
  await expect(page.getByRole('link', { name: /Make & fit/ }).first()).toHaveAttribute('aria-current', 'page');
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText(/ · Fasteners · /)).toBeVisible();
  await expect(rounds).toBeVisible();
  await expect(region(page, 'Wrench and extension')).toBeHidden();
  await page.emulateMedia({ media: 'screen' });
  // undone, it is no longer
  await page.getByRole('button', { name: 'Undo the last thing' }).click();
  await expect(next(4)).toBeVisible();
});

test('a lock slot is found inside its window, or a washer of another thickness is wanted', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Mill cart', shaft: 'Output shaft' });
  await page.getByRole('link', { name: /Make & fit/ }).click();
  await page.getByRole('link', { name: 'Fasteners', exact: true }).click();
  await page.getByLabel('Or another').fill('Output nut');
  await page.getByRole('button', { name: 'Put it on a map' }).click();
  await page.getByRole('button', { name: 'Limits ▸' }).click();
  await fill(page, 'As the manual prints it', '62-84 lb ft');
  await fill(page, 'Pitch', '1/16 in');
  await page.getByRole('button', { name: 'split pin' }).click();
  const slot = region(page, 'Lock slot');
  await slot.getByLabel('Next slot is').fill('17');
  await slot.getByLabel('Pulled now to').fill('67 lb ft');
  await slot.getByLabel('What a degree adds').fill('59 to 67 took 10°');
  // 67 + 17 · 0.8
  await expect(slot).toContainText('80.6 lbf·ft');
  await expect(slot).toContainText('17° onward');
  await expect(slot).toContainText('A slot comes every 60°');
  // pulled to 80 already: 17° more would be 93.6
  await slot.getByLabel('Pulled now to').fill('80 lb ft');
  // 62.5 · 17/360 and 62.5 · 43/360
  await expect(slot).toContainText('3.0 thou');
  await expect(slot).toContainText('7.5 thou');
  await expect(slot).toContainText('Never by a whole slot');
  // one that sets a float goes back
  await page.getByRole('button', { name: 'sets a float' }).click();
  await expect(slot).toContainText('43° back');
  await expect(slot).toContainText('7.5 thou');
  // or said as it lies, back: the same slot
  await slot.getByLabel('Next slot is').fill('43 back');
  await expect(slot).toContainText('43° back, 0.72 of a flat');
  // a fraction of nothing is asked about, with its meanings: a sixth of a flat is 10°
  await slot.getByLabel('Next slot is').fill('1/6 back');
  await slot
    .getByRole('alert')
    .getByRole('button', { name: /10° back/ })
    .click();
  await expect(slot).toContainText('1.7 thou');
  await slot.getByLabel('Next slot is').fill('43 back');
  await expect(slot).toContainText('7.5 thou');
});

test('a thread is named from what is measured of it, with what else goes near its hole', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Mill cart', shaft: 'Output shaft' });
  await page.getByRole('link', { name: /Make & fit/ }).click();
  await page.getByRole('link', { name: 'Fasteners', exact: true }).click();
  await page.getByLabel('Or another').fill('Cap bolts');
  await page.getByRole('button', { name: 'Put it on a map' }).click();
  await page.getByRole('button', { name: 'Which thread is it? ▸' }).click();
  await page.getByLabel('Over the crests').fill('.309');
  await page.getByLabel('Threads an inch, or pitch').fill('22');
  await expect(page.getByRole('list', { name: 'It may be' })).toContainText('5/16 BSF');
  await expect(page.getByRole('list', { name: 'It may be' })).toContainText('3.5 thou under');
  await expect(page.getByRole('list', { name: 'Near misses' })).toContainText('5/16-24 UNF');
  await page.getByRole('button', { name: 'It is this' }).first().click();
  await expect(page.getByRole('button', { name: 'What it is ▸' })).toHaveAttribute('aria-expanded', 'true');
  await expect(page.getByLabel('Thread', { exact: true })).toHaveValue('5/16 BSF');
  // a torque where no manual says one: a starting point, and marked so
  await page.getByRole('button', { name: 'Limits ▸' }).click();
  await expect(page.getByText('A starting point, reckoned')).toBeVisible();
  await page.getByRole('button', { name: /begin from/ }).click();
  await expect(region(page, 'Torque')).toContainText('reckoned');
  // it holds for the dressing it is for: 0.20 over 0.16 is a quarter harder
  await expect(region(page, 'Torque')).toContainText('It is given for dry threads: say how these are dressed');
  await page.getByRole('group', { name: 'Dressing' }).getByRole('button', { name: 'oiled', exact: true }).click();
  await expect(region(page, 'Torque')).toContainText('stretched about 25 % harder, reckoned');
  await page.getByRole('button', { name: 'Limits ▸' }).click();
  await page.getByLabel('As the manual prints it').fill('15-17 lb ft');
  await expect(page.getByText('15.0 to 17.0 lbf·ft · 20.3 to 23.0 N·m, oiled')).toBeVisible();
  await page.getByLabel('As the manual prints it').press('Enter');
  await expect(region(page, 'Torque')).toContainText('oiled, as it is given for');
  await page.getByRole('group', { name: 'Dressing' }).getByRole('button', { name: 'anti-seize' }).click();
  await expect(region(page, 'Torque')).toContainText('given for oiled threads, and these have anti-seize');
  // the Record says it as it is at the bench, and never in nanometres
  await page.getByRole('link', { name: 'Record' }).first().click();
  await expect(page.getByText('was oiled; now anti-seize')).toBeVisible();
  await expect(page.getByText('was no thread; now 5/16 BSF')).toBeVisible();
  await page.goBack();
  // an angle that is none is said, and nothing is set by it
  const arm = region(page, 'Wrench and extension');
  await arm.getByLabel('At an angle').fill('steep');
  await expect(arm).toContainText('no figure');
});

test('a nut that sets a float is turned by what its thread says; the float is a forecast till it is read', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Mill cart', shaft: 'Front hub', is: /^Wheel hub/ });
  await setUp(page, '1-3 thou', '20', null);
  await page.getByRole('button', { name: 'None yet' }).click();
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'torqued' }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
  await read(page, '0>9');
  await fasteners(page, /nut/i);
  // of a thread in no list its name may say the pitch; a whole figure is threads an inch, and never so many thou
  await fill(page, 'Thread', '1 1/16 x 16');
  await expect(page.getByLabel('Pitch', { exact: true })).toHaveValue('16 tpi');
  await fill(page, 'Pitch', '14');
  await expect(page.getByLabel('Pitch', { exact: true })).toHaveValue('14 tpi');
  await expect(region(page, 'What it is')).toContainText('14 threads an inch · 1.814 mm');
  await fill(page, 'Pitch', '1/16 in');
  await expect(page.getByLabel('Pitch', { exact: true })).toHaveValue('16 tpi');
  await page.getByRole('button', { name: 'sets a float' }).click();
  const turn = region(page, 'How far to turn it');
  await expect(turn.getByLabel('Float now')).toHaveValue('9.0 thou');
  // 9 to 2 thou is 7 of 62.5 a turn: 40.3°; to 3 and 1, 34.6 and 46.1
  await expect(turn).toContainText('40° on');
  await expect(turn).toContainText('34.6° on to 46.1° on');
  await turn.getByRole('button', { name: 'Turned it' }).click();
  // 40° of it: 6.94, and 2.1 is left
  await expect(turn.getByLabel('Float now')).toHaveValue('2.1 thou');
  await expect(turn).toContainText('It lies inside what is wanted');
  await page.getByRole('link', { name: 'Section' }).first().click();
  await expect(page.getByText(/forecast/i).first()).toBeVisible();
});

test('torques of a manual go to their joint and their drag; two of one name that differ are a conflict', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Mill cart', shaft: 'Output shaft' });
  await page.getByRole('link', { name: 'Wear book' }).first().click();
  await page.getByRole('link', { name: 'Limits', exact: true }).click();
  await page.locator('#pasted-page').fill('p. 31');
  await page.locator('#page-lines').fill('Cover bolts: 15-18 lb ft\nDrain plug: 30 lb ft\nCover bolts: 21 lb ft');
  await page.getByRole('button', { name: /^Keep/ }).click();
  await expect(page.getByText('1 conflict')).toBeVisible();
  await page.getByRole('button', { name: 'What to do with Cover bolts' }).first().click();
  await page.getByRole('menuitem', { name: 'torque of a joint of its own' }).click();
  await expect(page.getByRole('button', { name: 'What to do with Cover bolts' })).toHaveCount(1);
  await page.getByRole('button', { name: 'What to do with Cover bolts' }).click();
  await page.getByRole('menuitem', { name: 'limit of Cover bolts' }).click();
  await expect(page.getByText('Two sources disagree')).toBeVisible();
  await page.getByRole('link', { name: /Make & fit/ }).click();
  await page.getByRole('link', { name: 'Fasteners', exact: true }).click();
  await expect(region(page, 'Torque')).toContainText('15.0–18.0');
  await expect(region(page, 'Torque')).toContainText('Another source disagrees');
});
