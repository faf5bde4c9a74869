import type { Page } from '@playwright/test';
import { expect, newShaft, test } from './workshop.ts';

const region = (page: Page, name: string) => page.getByRole('region', { name, exact: true });
const nut = (page: Page) => region(page, 'The nut');

/** A pinion on a crush sleeve, with a drag beside its float. */
async function pinion(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/new`);
  await page.getByLabel('Shaft', { exact: true }).fill('Pinion shaft');
  await page.getByRole('button', { name: 'up, by a nut' }).click();
  await page.getByRole('button', { name: 'crushes a sleeve, once' }).click();
  await page.getByRole('radio', { name: 'behind the head cup' }).check();
  await page.getByLabel('Machine', { exact: true }).fill('Reed cutter');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL('**/section**');
  await page.getByRole('link', { name: /Make & fit/ }).click();
  await page.getByRole('link', { name: 'Drag', exact: true }).click();
  await page.getByRole('button', { name: 'Read its drag' }).click();
  await expect(page.locator('#entry')).toBeVisible();
}

async function limits(page: Page, text: string): Promise<void> {
  await page.getByRole('button', { name: 'Limits ▸' }).click();
  await page.getByLabel('Limits', { exact: true }).fill(text);
  await page.getByLabel('Limits', { exact: true }).press('Enter');
}

async function readDrag(page: Page, text: string): Promise<void> {
  await page.locator('#entry').fill(text);
  await page.locator('#entry').press('Enter');
}

async function turn(page: Page, by: string): Promise<void> {
  await page.getByLabel('Turned on by').fill(by);
  await page.getByLabel('Turned on by').press('Enter');
}

test('a pinion’s preload by crush sleeve in five logged steps: forecast, stop, and past it a new sleeve', async ({ page, empty }) => {
  await pinion(page, empty.url);
  await expect(region(page, 'Pinion shaft drag')).toContainText('Not measured');
  await limits(page, '18-24 lb in, new bearings');
  await expect(region(page, 'Pinion shaft drag')).toContainText('18.0–24.0');
  await expect(region(page, 'Pinion shaft drag')).toContainText('new bearings');
  await readDrag(page, '0.9 lb in');
  // the first turn is a quarter of a flat, of which nobody knows what it does
  await expect(nut(page)).toContainText('15°');
  await expect(nut(page)).toContainText('a quarter of a flat');
  await turn(page, '30');
  await expect(nut(page)).toContainText('Step 1: turned, not yet read');
  // a nut that was turned makes the drag stale until it is read
  await expect(region(page, 'Pinion shaft drag')).toContainText('Stale');
  await readDrag(page, '4.0');
  const log = page.getByRole('table', { name: 'The log of the nut' });
  await turn(page, '20');
  await expect(nut(page)).toContainText('Expect');
  await readDrag(page, '7.5');
  // a fraction of nothing is asked about, and no turn is kept till it is said
  await turn(page, '1/4');
  await expect(page.getByRole('alert')).toContainText('1/4 of a flat, or of a whole turn?');
  await page.keyboard.press('1');
  await expect(nut(page)).toContainText('Turned 15°');
  await readDrag(page, '11.5');
  await turn(page, '10');
  await readDrag(page, '14.5');
  await expect(log.getByRole('row')).toHaveCount(6);
  await expect(log).toContainText('75°');
  await expect(region(page, 'Pinion shaft drag')).toContainText('Loose');
  // the next turn, with what it is to come to and its chance, and never a sure
  await expect(nut(page)).toContainText('Step 5: to turn');
  await expect(nut(page)).toContainText(/chance of passing the most (under )?\d+ in/);
  await expect(nut(page)).toContainText('cannot be backed off');
  await turn(page, '12');
  await readDrag(page, '20.4');
  await expect(region(page, 'Pinion shaft drag')).toContainText('Right');
  await expect(nut(page)).toContainText('Stop here');
  await expect(log.getByRole('row')).toHaveCount(7);
  // one turn too many: past the most, and a new sleeve begins the log anew
  await turn(page, '20');
  await readDrag(page, '26');
  await expect(nut(page)).toContainText('Past it');
  // it may be taken as it is, never without why; and is then said to be
  const drag = region(page, 'Pinion shaft drag');
  await drag.getByRole('button', { name: 'Accept it as it is…' }).click();
  await page.getByLabel('Why it will do').fill('runs cool');
  await page.getByLabel('Why it will do').press('Enter');
  await expect(drag).toContainText('Accepted outside its limits');
  await expect(drag).toContainText('runs cool');
  await page.getByRole('button', { name: 'Undo the last thing' }).click();
  await expect(drag.getByRole('button', { name: 'Accept it as it is…' })).toBeVisible();
  await nut(page).getByRole('button', { name: 'A new sleeve is in' }).click();
  await expect(log.getByRole('row')).toHaveCount(2);
  // what the one before came to: 107° in all, and from 20.4 to 26 in the last twenty degrees
  await expect(page.getByRole('list', { name: 'Logs before this one' })).toContainText(
    'A sleeve before: 107° to 26.0 lbf·in, at the last 2.8 lbf·in in ten degrees',
  );
  await page.reload();
  await expect(page.getByRole('table', { name: 'The log of the nut' }).getByRole('row')).toHaveCount(2);
});

/** A drag beside the first float of a new shaft. */
async function dragOf(page: Page, by?: string): Promise<void> {
  await page.getByRole('link', { name: /Make & fit/ }).click();
  await page.getByRole('link', { name: 'Drag', exact: true }).click();
  if (by !== undefined) await page.getByRole('button', { name: by }).click();
  await page.getByRole('button', { name: 'Read its drag' }).click();
  await expect(page.locator('#entry')).toBeVisible();
}

test('an intermediate gear by spring balance, in millimetres: grams come first, with no radius', async ({ page, empty }) => {
  await page.request.post(`${empty.url}/api/workshop/bare`, { data: { bare: 'mm' } });
  await newShaft(page, empty.url, { machine: 'Fen crawler', shaft: 'Intermediate gear' });
  await dragOf(page, 'each by itself');
  const panel = region(page, 'Intermediate gear drag');
  // a pull in limits has no torque without a radius either
  await page.getByRole('button', { name: 'Limits ▸' }).click();
  await page.getByLabel('Limits', { exact: true }).fill('5-7 kg');
  await page.getByLabel('Limits', { exact: true }).press('Enter');
  await expect(page.getByRole('alert')).toContainText('A mass has no torque without a radius');
  await page.getByLabel('Limits', { exact: true }).fill('0.75-1.05 N·m, used bearings');
  await page.getByLabel('Limits', { exact: true }).press('Enter');
  await expect(panel).toContainText('used bearings');
  // grams, and no radius: asked, and nothing kept
  await readDrag(page, '4600 g');
  await expect(page.getByText('A mass has no radius. Where does the cord pull?')).toBeVisible();
  await expect(panel).toContainText('Not measured');
  const where = page.getByRole('group', { name: 'Where the cord pulls' });
  await where.getByRole('button', { name: 'on a drum, across' }).click();
  await where.getByLabel('How far across the drum').fill('34');
  await where.getByLabel('How thick the cord is').fill('2 mm');
  // 4.6 kgf · 9.80665 · 0.018 = 0.812 N·m
  await expect(where).toContainText('0.81 N·m');
  await where.getByRole('button', { name: 'There' }).click();
  await page.locator('#entry').press('Enter');
  await expect(panel).toContainText('0.81 N·m');
  await expect(panel).toContainText('Right');
  await page.getByRole('button', { name: 'Show the sum ▸' }).click();
  await expect(panel).toContainText('18.0 mm');
  // said back with every one after, and not asked again
  await expect(page.getByText('a pull is on a radius of 18.000 mm, as before')).toBeVisible();
  await readDrag(page, '5 kg');
  await expect(panel).toContainText('0.85 N·m');
  // a torque in kgf·m taken for a pull: 92 g is 0.902 N·m at a metre, and 0.016 at 18 mm
  await page.locator('#entry').fill('92 g');
  await page.locator('#entry').press('Enter');
  await expect(page.getByRole('alert').first()).toContainText('kgf·m');
  await page.keyboard.press('1');
  await expect(panel).toContainText('0.87 N·m');
  // what starts it is kept, and not counted
  await page.getByRole('button', { name: 'just started' }).click();
  await readDrag(page, '9 kg');
  await expect(panel.getByRole('alert')).toContainText('is kept, and not counted');
  await expect(panel).toContainText('0.87 N·m');
  // taken back, the day after or now
  await panel.getByRole('button', { name: 'each reading ▸' }).click();
  await panel.getByRole('button', { name: 'Take back 9 kg' }).click();
  await panel.getByRole('button', { name: 'Take it back' }).click();
  await expect(panel.getByRole('alert')).toHaveCount(0);
  await page.reload();
  await expect(panel).toContainText('0.87 N·m');
});

test('a hub by float or drag, whichever is there', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Mill cart', shaft: 'Front hub', is: /^Wheel hub/ });
  await dragOf(page);
  await expect(region(page, 'Front hub drag')).toContainText('Front hub, set');
  await limits(page, '6-9 lb in, seal out');
  // how fine it is read with is said once
  await page.getByRole('button', { name: 'what it is read with ▸' }).click();
  await page.getByRole('button', { name: 'wrench that clicks' }).click();
  await expect(page.getByRole('alert')).toContainText('A wrench that clicks cannot read a drag');
  await page.getByRole('button', { name: 'wrench with a pointer' }).click();
  await page.getByLabel('Least division').fill('fine');
  await page.getByLabel('The seal alone').fill('3 lb in');
  await expect(page.getByText('3 lbf·in · 0.339 N·m')).toBeVisible();
  await page.getByRole('button', { name: 'Read with this' }).click();
  await expect(page.getByText('A figure, like 0.2 or 1/4.')).toBeVisible();
  await page.getByLabel('Least division').fill('1/4');
  await page.getByRole('button', { name: 'Read with this' }).click();
  await expect(page.getByRole('button', { name: /wrench with a pointer, 0.25 lbf·in apart/ })).toBeVisible();
  await readDrag(page, '7.5 7.5 7.25 lb in');
  await expect(region(page, 'Front hub drag')).toContainText('Front hub, set: right, judged by this');
  // what the hand says of it means something at once
  await region(page, 'How it feels').getByRole('button', { name: 'a little drag' }).click();
  await expect(page.getByRole('table', { name: 'What your words have meant' })).toContainText('7.4 lbf·in');
  // right by its drag, the Bench asks nothing of its float or its pack, and has room for what is said beside the strip
  await page.getByRole('link', { name: 'Bench' }).first().click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('It is right');
  await expect(page.getByText(/What is in now/)).toHaveCount(0);
  await expect(page.locator('#entry')).toBeVisible();
  expect((await page.locator('#drag-says').boundingBox())?.width ?? 0).toBeGreaterThan(200);
  await expect(page.getByText(/build 0, .*read/)).not.toContainText('not read');
  await page.getByRole('link', { name: 'Dry builds' }).first().click();
  await expect(page.getByText('Nothing: it is right by its drag.')).toBeVisible();
  await page.goBack();
  // on the sheet that is filled in by pencil it has its blanks
  await page.goto(page.url().replace('/bench', '/sheet'));
  await expect(page.getByRole('row', { name: /Front hub drag/ })).toContainText('6-9 lb in, seal out');
  await page.goBack();
  await page.goBack();
  // with a crown wheel in: 7.42 and 15 · 9/41 are 10.7, and the wheel's own of 12 together is 4.6 · 41/9
  await page.getByRole('button', { name: 'With the crown wheel in ▸' }).click();
  const wheel = region(page, 'With the wheel in');
  await wheel.getByLabel('Teeth, pinion and wheel').fill('9 × 41');
  // a light one is a drag as well: 7.42 and 3 · 9/41
  await wheel.getByLabel('The wheel alone, at the wheel').fill('3 lb in');
  await expect(wheel).toContainText('Both together 8.1 lbf·in');
  // whichever is said first, the pinion has fewer
  await wheel.getByLabel('Teeth, pinion and wheel').fill('41 9');
  await expect(wheel).toContainText('4.56 to 1');
  await expect(wheel).toContainText('Both together 8.1 lbf·in');
  await wheel.getByLabel('The wheel alone, at the wheel').fill('15 lb in');
  await expect(wheel).toContainText('Both together 10.7 lbf·in');
  await wheel.getByLabel('Or both, at the pinion').fill('12');
  await expect(wheel).toContainText('20.9 lbf·in at the wheel');
  await wheel.getByLabel('Or both, at the pinion').fill('5');
  await expect(wheel).toContainText('cannot take less than the pinion alone');
  // on the Section the float need not be read, and the drag stands in the list beneath it
  await page.getByRole('link', { name: 'Section' }).first().click();
  const drags = page.getByRole('list', { name: 'Drags' });
  await expect(drags).toContainText('Front hub drag');
  await expect(drags).toContainText('7.4');
  await expect(page.getByText('this need not be read for it')).toBeVisible();
  // with the seal in, what it takes by itself is taken off: 10.5 less 3, and judged as with the seal out
  await drags.getByRole('link').click();
  await page.getByRole('button', { name: 'seal in', exact: true }).click();
  await page.locator('#entry').fill('10.5 10.5 lb in');
  await expect(page.getByText('less 3.0 lbf·in for the seal')).toBeVisible();
  await page.locator('#entry').press('Enter');
  await expect(page.getByText('Kept: 7.5 lbf·in.')).toBeVisible();
  await expect(region(page, 'Front hub drag')).toContainText('Right');
  // nobody says what the seal takes: the limits are not for what is read, which is said, and not judged
  await page
    .getByRole('button', { name: /^wrench with a pointer/ })
    .first()
    .click();
  await page.getByLabel('The seal alone').fill('');
  await page.getByRole('button', { name: 'Read with this' }).click();
  await readDrag(page, '12 lb in');
  await expect(region(page, 'Front hub drag')).toContainText('limits there are, for seal out: not for what was read');
});

test('how much a drag rises as its nut is tightened, under a ceiling that must not be passed', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Hop cart', shaft: 'Rear hub', is: /^Wheel hub/ });
  await dragOf(page, 'each by itself');
  await limits(page, 'max 14 lb in');
  await page.getByRole('button', { name: 'what it is read with ▸' }).click();
  await page.getByRole('button', { name: 'wrench with a pointer' }).click();
  await page.getByLabel('Least division').fill('0.25');
  await page.getByRole('button', { name: 'Read with this' }).click();
  await page.getByRole('button', { name: 'Another drag ▸' }).click();
  await page.getByRole('button', { name: 'how much the rear hub drag rises' }).click();
  await page.getByRole('button', { name: 'Read its drag' }).click();
  const rise = region(page, 'Rear hub drag, rise');
  await expect(rise).toContainText('Not measured');
  await page.getByRole('button', { name: 'Limits ▸' }).click();
  await page.getByLabel('Limits', { exact: true }).fill('2-5 lb in');
  await page.getByLabel('Limits', { exact: true }).press('Enter');
  await expect(rise).toContainText('2.0–5.0');
  const pick = (name: string) => page.locator('main').getByRole('button', { name: new RegExp(`${name}$`) });
  // read before, tightened by its nut, and read again: 6 and then 9.5 is a rise of 3.5
  await pick('Rear hub drag').click();
  await page.getByRole('button', { name: 'before it is tightened' }).click();
  await readDrag(page, '6 6 6 lb in');
  await expect(page.getByText('Kept: 6 lbf·in.')).toBeVisible();
  await page.getByRole('button', { name: 'Drawn up turn by turn ▸' }).click();
  await turn(page, '20');
  await readDrag(page, '9.5 9.5 9.5');
  await expect(page.getByText('Kept: 9.5 lbf·in.')).toBeVisible();
  await pick('Rear hub drag, rise').click();
  await expect(rise).toContainText('3.5 lbf·in');
  await expect(rise).toContainText('Rear hub drag, rise, under its ceiling: right');
  // over the ceiling: whatever it rises by, it is not right
  await pick('Rear hub drag').click();
  await readDrag(page, '16 16 16');
  await expect(region(page, 'Rear hub drag')).toContainText('each reading');
  await turn(page, '5');
  await readDrag(page, '15.5 15.5 15.5');
  await expect(region(page, 'Rear hub drag')).toContainText('Tight');
  await pick('Rear hub drag, rise').click();
  await expect(rise).not.toContainText('under its ceiling: right');
});

test('turn, read, turn, read faster than the server answers: each Enter is kept, in its order', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Chaff cart', shaft: 'Rear hub', is: /^Wheel hub/ });
  await dragOf(page, 'each by itself');
  await readDrag(page, '6 6 6 lb in');
  await page.getByRole('button', { name: 'Drawn up turn by turn ▸' }).click();
  await page.route('**/api/commands', async (route) => {
    await new Promise((answer) => setTimeout(answer, 1200));
    await route.continue();
  });
  const log = page.getByRole('table', { name: 'The log of the nut' });
  await turn(page, '20');
  await readDrag(page, '9');
  await readDrag(page, '16');
  await expect(page.getByText('Kept: 16 lbf·in.')).toBeVisible();
  await expect(page.locator('#entry')).toHaveValue('');
  await readDrag(page, '15');
  await turn(page, '5');
  await readDrag(page, '15.5');
  await expect(region(page, 'Rear hub drag')).toContainText('15.5 lbf·in');
  await expect(log.getByRole('row')).toHaveCount(4);
  await region(page, 'Rear hub drag').getByRole('button', { name: 'each reading ▸' }).click();
  await expect(page.getByRole('button', { name: /^Take back / })).toHaveCount(1);
  // each turn is a rung of the ladder by its name
  await page.getByRole('link', { name: 'Dry builds' }).first().click();
  await expect(page.getByRole('listitem').filter({ hasText: '· 5° on' }).first()).toBeVisible();
});

test('on a phone a drag, its limits and a turn are typed on keys of their own', async ({ page, empty }) => {
  await newShaft(page, empty.url, { machine: 'Chaff cart', shaft: 'Rear hub', is: /^Wheel hub/ });
  await dragOf(page, 'each by itself');
  await page.setViewportSize({ width: 390, height: 844 });
  const press = async (...names: string[]): Promise<void> => {
    for (const name of names) await page.getByRole('group', { name: 'Keypad' }).getByRole('button', { name, exact: true }).click();
  };
  await page.getByRole('button', { name: 'Limits ▸' }).click();
  await page.getByLabel('Limits', { exact: true }).click();
  await press('5', 'minus', '8', 'lb', 'in', 'used');
  await expect(page.getByLabel('Limits', { exact: true })).toHaveValue('5-8 lb in used ');
  await press('Keep');
  await expect(region(page, 'Rear hub drag')).toContainText('used bearings');
  await page.locator('#entry').click();
  await press('3', 'lb', '4', 'oz', 'at', '2', 'in');
  await expect(page.locator('#entry')).toHaveValue('3 lb4 oz at 2 in');
  await press('Keep');
  // 3.25 lb at 2 in
  await expect(page.getByText('Kept: 6.5 lbf·in, on a radius of 2.0000 in.')).toBeVisible();
  await page.locator('#entry').click();
  await press('1', '2', 'lb', 'in', 'Rub out', 'Rub out');
  await expect(page.locator('#entry')).toHaveValue('12');
  await page.locator('#entry').fill('');
  await page.getByRole('button', { name: 'Drawn up turn by turn ▸' }).click();
  await page.getByLabel('Turned on by').click();
  await press('half', 'a', 'flat', 'back', 'Keep');
  await expect(region(page, 'The nut')).toContainText('turned, not yet read');
  await expect(page.getByRole('table', { name: 'The log of the nut' })).toContainText('30°');
});
