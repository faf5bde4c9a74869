/**
 * Pictures of the running program from the demo data, for looking at: `npm run shots [view …] [--sheet]`. Without `--sheet`,
 * one PNG a view at 1280×800; with it, one sheet a view with the dark theme, 820×1180 and 390×844 side by side.
 * `npm run shots -- --keep` refreshes docs/screenshots/.
 */
import { mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { chromium, type Page } from '@playwright/test';
import { workshopFile } from '@elder-cog/contract';
import { chromiumPath, LAUNCH, openWorkshop } from './browser.ts';

const root = join(import.meta.dirname, '..');
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { sheet: { type: 'boolean', default: false }, keep: { type: 'boolean', default: false }, empty: { type: 'boolean', default: false } },
});
const demo = workshopFile.parse(JSON.parse(readFileSync(join(root, 'demo', 'workshop.json'), 'utf8')));
const [facts] = demo.jobs;
const [input, idler] = facts?.shafts ?? [];
const at = (view: string, shaft: string | undefined): string => `/jobs/${facts?.job.id ?? ''}/${view}?shaft=${shaft ?? ''}`;

const others = workshopFile.parse(JSON.parse(readFileSync(join(root, 'demo', 'others.json'), 'utf8')));
const [van] = others.jobs;
const [layshaft, hub] = van?.shafts ?? [];
const pinion = van?.shafts.find(({ name }) => name === 'Pinion');
const ofVan = (shaft: string | undefined, view = 'section'): string => `/jobs/${van?.job.id ?? ''}/${view}?shaft=${shaft ?? ''}`;

const VIEWS: Readonly<Record<string, { readonly path: string; readonly before?: (page: Page) => Promise<void> }>> = {
  shelf: { path: '/' },
  loose: {
    path: '/',
    before: async (page) => {
      await page.getByRole('radio', { name: 'under the cover' }).click();
      await page.getByLabel('Limits').fill('5-8 thou');
      await page.getByLabel('Pack in now').fill('20+12');
      await page.getByLabel('Reading').fill('88>12');
      await page.getByTestId('loose-make').waitFor();
    },
  },
  new: { path: '/new' },
  bench: { path: at('bench', input?.id) },
  section: {
    path: at('section', input?.id),
    before: async (page) => {
      await page.locator('#entry').fill('88>0');
    },
  },
  builds: { path: at('builds', input?.id) },
  wear: { path: at('wear', idler?.id) },
  limits: { path: at('limits', input?.id) },
  strip: { path: at('strip', input?.id) },
  sheet: { path: at('sheet', idler?.id) },
  labels: { path: at('labels', input?.id) },
  ask: { path: `/jobs/${facts?.job.id ?? ''}/ask/${facts?.stations.find((s) => s.subject === 'pair')?.id ?? ''}` },
  idler: { path: at('section', idler?.id) },
  output: { path: at('section', facts?.shafts[3]?.id) },
  gear: { path: at('section', facts?.shafts[2]?.id) },
  hub: { path: ofVan(hub?.id) },
  layshaft: {
    path: ofVan(layshaft?.id),
    before: async (page) => {
      await page.getByRole('checkbox', { name: 'bush, rib to rear end' }).check();
      await page.getByRole('heading', { name: 'Best, with lapping' }).waitFor();
      await page.evaluate(() => {
        window.scrollTo(0, 0);
        for (const each of document.querySelectorAll('main, aside')) each.scrollTo(0, 0);
      });
    },
  },
  reckoner: {
    path: at('section', input?.id),
    before: async (page) => {
      await page.locator('#entry').fill('');
      await page.keyboard.press('/');
      await page.getByLabel('What to reckon').fill('23½ thou');
    },
  },
  torque: {
    path: '/',
    before: async (page) => {
      await page.locator('body').press('/');
      await page.getByLabel('What to reckon').fill('31 N·m');
    },
  },
  make: { path: at('make', input?.id) },
  fit: {
    path: at('fit', input?.id),
    before: async (page) => {
      await page.getByRole('img', { name: /The room to drop in with/ }).waitFor();
    },
  },
  drag: { path: ofVan(pinion?.id, 'drag') },
  fasteners: { path: ofVan(pinion?.id, 'fasteners') },
  bearings: { path: ofVan(pinion?.id, 'bearings') },
  rollers: { path: `${ofVan(layshaft?.id, 'bearings')}&of=${van?.rollers[0]?.id ?? ''}` },
  record: {
    path: at('section', input?.id),
    before: async (page) => {
      await page.locator('#entry').fill('86>98');
      await page.keyboard.press('Enter');
      await page.getByRole('button', { name: 'That was wrong' }).click();
      await page.locator('#entry').fill('87>99');
      await page.keyboard.press('Enter');
      await page.getByText('Kept: 12.0 thou.').waitFor();
      await page.goto(page.url().replace('/section', '/record'));
      await page.getByText('Brought in from a file').waitFor();
    },
  },
  workshop: {
    path: '/workshop',
    before: async (page) => {
      await page.getByRole('button', { name: 'Back up now' }).click();
      await page.getByText('Backed up:').waitFor();
      await page
        .locator('dd')
        .first()
        .evaluate((folder) => (folder.textContent = 'data/demo'));
    },
  },
  instrument: {
    path: at('section', input?.id),
    before: async (page) => {
      await page.getByRole('button', { name: /^Dial, 1 thou, 0–100/ }).click();
      await page.getByRole('button', { name: 'how it is set up' }).click();
      await page.getByLabel('Stem off the movement').fill('20');
      await page.getByRole('button', { name: /More that it rests on/ }).click();
    },
  },
  paste: {
    path: at('limits', input?.id),
    before: async (page) => {
      await page.getByRole('button', { name: /or paste a page/ }).click();
      await page
        .getByLabel('Lines of the page')
        .fill(
          'REAR HUB\nHub bearing float .... 2-4 thou\nHub nut 80-95 lb ft (108-129 N·m)\nHub oil 1½ pints\nFlange run-out 0.05 mm max\nSpacer see note\nStub axle 1.2490-1.2495 in',
        );
    },
  },
  slip: {
    path: at('section', input?.id),
    before: async (page) => {
      await page.locator('#entry').fill('98>86');
      await page.keyboard.press('Enter');
    },
  },
  distance: {
    path: at('section', input?.id),
    before: async (page) => {
      await page.locator('#view').focus();
      await page.keyboard.press('f');
      await page.getByTestId('far-number').waitFor();
    },
  },
  drawer: { path: '/drawer' },
};

const executablePath = chromiumPath();
if (!executablePath) throw new Error('Chromium is not installed.');
const browser = await chromium.launch({ ...LAUNCH, args: [...LAUNCH.args], executablePath });
const workshop = await openWorkshop(values.empty ? undefined : readFileSync(join(root, 'demo', 'workshop.eldercog.zip')));
const folder = values.keep ? join(root, 'docs', 'screenshots') : join(root, 'shots');
mkdirSync(folder, { recursive: true });

async function shot(name: string, width: number, height: number, dark: boolean): Promise<Buffer> {
  const page = await browser.newPage({ viewport: { width, height }, colorScheme: dark ? 'dark' : 'light', reducedMotion: 'reduce' });
  const view = VIEWS[name];
  if (!view) throw new Error(`There is no view called ${name}: ${Object.keys(VIEWS).join(', ')}`);
  await page.goto(workshop.url + view.path, { waitUntil: 'networkidle' });
  await page.getByText('Opening…').waitFor({ state: 'detached' });
  await view.before?.(page);
  await page.waitForTimeout(300);
  const picture = await page.screenshot();
  await page.close();
  return picture;
}

for (const name of positionals.length > 0 ? positionals : Object.keys(VIEWS)) {
  const path = join(folder, `${name}${values.sheet ? '-sheet' : ''}.png`);
  if (!values.sheet) {
    const page = await shot(name, 1280, 800, false);
    await import('node:fs/promises').then((fs) => fs.writeFile(path, page));
  } else {
    const pictures = [await shot(name, 1280, 800, true), await shot(name, 820, 1180, false), await shot(name, 390, 844, true)].map((p) =>
      p.toString('base64'),
    );
    const sheet = await browser.newPage({ viewport: { width: 2530, height: 1200 } });
    await sheet.setContent(
      `<body style="margin:10px;display:flex;gap:10px;align-items:flex-start;background:#888">${pictures.map((p) => `<img src="data:image/png;base64,${p}">`).join('')}</body>`,
    );
    await sheet.screenshot({ path });
    await sheet.close();
  }
  console.log(path.replace(`${root}/`, ''));
}
await browser.close();
await workshop.stop();
