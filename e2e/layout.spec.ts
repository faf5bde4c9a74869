import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { DEMO, expect, jobPath, OTHERS, test } from './workshop.ts';

const VIEWS: readonly (readonly [string, string])[] = [
  ['Shelf', '/'],
  ['New machine', '/new'],
  ['Bench', jobPath('bench')],
  ['Section', jobPath('section')],
  ['Section, not set up', jobPath('section', 3)],
  ['Section of a gear', jobPath('section', 2)],
  ['Dry builds', jobPath('builds')],
  ['Wear book', jobPath('wear', 1)],
  ['Limits', jobPath('limits')],
  ['As it came apart', jobPath('strip')],
  ['Make', jobPath('make')],
  ['Fit', jobPath('fit')],
  ['Measuring sheet', jobPath('sheet', 1)],
  ['Bag labels', jobPath('labels')],
  ['Ask sheet', jobPath(`ask/${DEMO.jobs[0]?.stations.find((s) => s.subject === 'pair')?.id ?? ''}`, 1)],
  ['Record', jobPath('record')],
  ['Drawer', '/drawer'],
  ['Workshop', '/workshop'],
];

const [van] = OTHERS.jobs;
const vanPath = (view: string, shaft: string): string =>
  `/jobs/${van?.job.id ?? ''}/${view}?shaft=${van?.shafts.find(({ name }) => name === shaft)?.id ?? ''}`;
/** What is felt and fastened, on a machine where it is. */
const FELT: readonly (readonly [string, string])[] = [
  ['Drag', vanPath('drag', 'Pinion')],
  ['Drag, not begun', vanPath('drag', 'Hub')],
  ['Fasteners', vanPath('fasteners', 'Pinion')],
  ['Fasteners, not begun', vanPath('fasteners', 'Hub')],
  ['Bearings', vanPath('bearings', 'Pinion')],
  ['Loose rollers', `${vanPath('bearings', 'Layshaft')}&of=${van?.rollers[0]?.id ?? ''}`],
  ['Dry builds with a drag', vanPath('builds', 'Pinion')],
];

/** What is wrong with how a page lies: sideways scroll, clipped text, broken words, controls or text too small. */
async function faults(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = [];
    const root = document.documentElement;
    if (root.scrollWidth > window.innerWidth + 1) found.push(`scrolls sideways by ${root.scrollWidth - window.innerWidth} px`);
    const name = (e: Element): string => `${e.tagName.toLowerCase()} “${(e.getAttribute('aria-label') ?? e.textContent ?? '').trim().slice(0, 40)}”`;
    const seen = (e: Element): boolean => {
      const { width, height } = e.getBoundingClientRect();
      return width > 2 && height > 2 && getComputedStyle(e).visibility !== 'hidden' && !e.closest('.sr-only');
    };
    for (const e of document.querySelectorAll('button, a[href], input, select, textarea, [role=checkbox]')) {
      if (!seen(e)) continue;
      const inLabel = e.closest('label')?.getBoundingClientRect();
      const { height, width } = inLabel ?? e.getBoundingClientRect();
      if (height < 47.5 && !(e instanceof HTMLAnchorElement && getComputedStyle(e, '::after').position === 'absolute'))
        found.push(`${name(e)} is ${Math.round(width)}×${Math.round(height)}`);
    }
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const parent = node.parentElement;
      if (!parent || !node.textContent?.trim() || !seen(parent)) continue;
      const style = getComputedStyle(parent);
      const svg = parent.closest('svg');
      const scale = svg instanceof SVGSVGElement ? (svg.getScreenCTM()?.a ?? 1) : 1;
      if (parseFloat(style.fontSize) * scale < 13.9)
        found.push(`text “${node.textContent.trim().slice(0, 30)}” is ${(parseFloat(style.fontSize) * scale).toFixed(1)} px`);
      if (svg) continue;
      const clipped =
        style.overflow !== 'visible' &&
        style.textOverflow !== 'ellipsis' &&
        (parent.scrollWidth > parent.clientWidth + 1 || parent.scrollHeight > parent.clientHeight + 2);
      if (clipped) found.push(`clipped: ${name(parent)}`);
      // a word cut off with three dots is cut off all the same
      const cut = parent.closest('.truncate');
      if (cut && cut.scrollWidth > cut.clientWidth + 1) found.push(`cut off: ${name(cut)}`);
      const range = document.createRange();
      range.selectNodeContents(node);
      const box = range.getBoundingClientRect();
      const scrolls = parent.closest('.overflow-x-auto');
      for (const { index, 0: word } of node.textContent.matchAll(/[\p{L}\d]+/gu)) {
        range.setStart(node, index);
        range.setEnd(node, index + word.length);
        const lines = new Set([...range.getClientRects()].map((line) => Math.round(line.top / 4)));
        if (lines.size > 1) found.push(`“${word}” is broken: ${name(parent)}`);
      }
      if (!scrolls && style.textOverflow !== 'ellipsis' && (box.right > window.innerWidth + 1 || box.left < -1))
        found.push(`off the page: ${name(parent)}`);
    }
    return [...new Set(found)];
  });
}

const SCREENS = [
  [1280, 800],
  [820, 1180],
  [390, 844],
] as const;

/** No fault in how it lies, and none that a reader of the screen would stumble over, in both themes. */
async function liesWell(page: Page, address: string): Promise<void> {
  await page.goto(address, { waitUntil: 'networkidle' });
  await expect(page.locator('#view')).not.toHaveText(/Opening/);
  for (const colorScheme of ['light', 'dark'] as const) {
    await page.emulateMedia({ colorScheme });
    // the two themes differ in their colours alone
    if (colorScheme === 'light') expect(await faults(page)).toEqual([]);
    // the page has no frames: the plain run is three times as quick as the one that looks for them
    const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
    const { violations } = await (colorScheme === 'light' ? axe : axe.withRules('color-contrast')).analyze();
    expect(
      violations
        .filter((v) => v.impact === 'serious' || v.impact === 'critical')
        .map((v) => `${colorScheme}, ${v.id}: ${v.nodes.map((n) => n.html.slice(0, 120)).join(' | ')}`),
    ).toEqual([]);
  }
}

for (const [width, height] of SCREENS) {
  for (const [name, path] of VIEWS)
    test(`${name} lies well at ${width}×${height}, light and dark`, async ({ page, demo }) => {
      await page.setViewportSize({ width, height });
      await liesWell(page, demo.url + path);
    });
  for (const [name, path] of FELT)
    test(`${name} lies well at ${width}×${height}, light and dark`, async ({ page, others }) => {
      await page.setViewportSize({ width, height });
      await liesWell(page, others.url + path);
    });
}

/** With something open over or under it: a panel, what was wrong, what is asked, the keys at the foot. */
const OPEN: readonly (readonly [name: string, path: string, open: (page: Page) => Promise<unknown>])[] = [
  [
    'the Section with a slip asked about',
    jobPath('section'),
    async (page) => {
      await page.locator('#entry').fill('120');
      await page.keyboard.press('Enter');
      await page.locator('#entry-says').getByRole('alert').waitFor();
    },
  ],
  [
    'the Section with an entry refused, and how it is read open',
    jobPath('section'),
    async (page) => {
      await page.locator('#entry').fill('banana');
      await page.keyboard.press('Enter');
      await page.locator('#entry-says').getByRole('alert').waitFor();
      await page.getByRole('button', { name: /^Dial, 1 thou/ }).click();
    },
  ],
  [
    'the Section with what is judged together, and sealant, being said',
    jobPath('section'),
    async (page) => {
      await page.getByRole('button', { name: /Judge several together/ }).click();
      await page.getByRole('button', { name: /Or another way it is right/ }).click();
      await page.getByRole('button', { name: 'Judge them together' }).click();
      await page.getByRole('button', { name: /Say how much/ }).click();
    },
  ],
  [
    'the Wear book with its limits open',
    jobPath('wear', 1),
    async (page) => {
      await page
        .getByRole('button', { name: /^Limits/ })
        .first()
        .click();
      await page.getByRole('button', { name: 'Reckon one…' }).click();
    },
  ],
  [
    'the strip log with a line asked about',
    jobPath('strip'),
    async (page) => {
      await page.locator('#entry').fill('Washer, 5');
      await page.keyboard.press('Enter');
      await page.getByRole('form', { name: 'Next off' }).getByRole('alert').waitFor();
    },
  ],
  [
    'the Loose sheet with an answer and its sum',
    '/',
    async (page) => {
      await page.getByLabel('Limits', { exact: true }).fill('5-8 thou');
      await page.getByLabel('Pack in now').fill('20+8');
      await page.getByLabel('Reading', { exact: true }).fill('88>12');
      await page.getByTestId('loose-answer').waitFor();
    },
  ],
  [
    'the Reckoner with a sum in it',
    '/drawer',
    async (page) => {
      await page.keyboard.press('/');
      await page.getByLabel('What to reckon').fill('3 thou + 0.2 mm');
      await page.getByRole('region', { name: 'The working' }).waitFor();
    },
  ],
];

for (const [name, path, open] of OPEN) {
  for (const [width, height] of [
    [1280, 800],
    [820, 1180],
    [390, 844],
  ] as const) {
    test(`${name} lies well at ${width}×${height}`, async ({ page, demo }) => {
      await page.setViewportSize({ width, height });
      await page.goto(demo.url + path, { waitUntil: 'networkidle' });
      await expect(page.locator('#view')).not.toHaveText(/Opening/);
      await open(page);
      expect(await faults(page)).toEqual([]);
    });
  }
}

test('every drawing has a twin in words, reached by Tab', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'), { waitUntil: 'networkidle' });
  const twin = page.locator('[data-section] p');
  await expect(twin).toHaveAttribute('tabindex', '0');
  await expect(twin).toContainText('From the input end: Casing');
  await expect(twin).toContainText('12.0 thou');
  for (const svg of await page.locator('svg[role=img]').all()) await expect(svg).toHaveAttribute('aria-label', /\S{3}/);
});

test('the sheet prints on one A4', async ({ page, demo }) => {
  await page.goto(demo.url + jobPath('section'), { waitUntil: 'networkidle' });
  await page.emulateMedia({ media: 'print' });
  const pdf = await page.pdf({ format: 'A4', preferCSSPageSize: true });
  const pages = pdf.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g) ?? [];
  expect(pages).toHaveLength(1);
});

test('flipping thou and mm changes what is shown first, and nothing that is kept', async ({ page, demo }) => {
  const rows = (): string =>
    JSON.stringify(demo.db.prepare('SELECT * FROM reading').all()) + JSON.stringify(demo.db.prepare('SELECT * FROM limits').all());
  const before = rows();
  await page.goto(demo.url + jobPath('section'), { waitUntil: 'networkidle' });
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  for (let i = 0; i < 3; i++) await page.keyboard.press('u');
  await expect(page.getByRole('complementary', { name: 'The gap in hand' }).getByText('0.305').first()).toBeVisible();
  expect(rows()).toBe(before);
});
