import { readFileSync } from 'node:fs';
import { test as base, expect, type Page } from '@playwright/test';
import { workshopFile, type WorkshopFile } from '@elder-cog/contract';
import { openWorkshop, type Workshop } from '../tools/browser.ts';

export const DEMO: WorkshopFile = workshopFile.parse(JSON.parse(readFileSync(new URL('../demo/workshop.json', import.meta.url), 'utf8')));

/** The mail van and the orchard crawler. */
export const OTHERS: WorkshopFile = workshopFile.parse(JSON.parse(readFileSync(new URL('../demo/others.json', import.meta.url), 'utf8')));

/** A workshop of its own for each test, on a free port: `empty`, or filled with made-up machines. Nothing may leave the machine. */
export const test = base.extend<{ empty: Workshop; demo: Workshop; others: Workshop; noOutside: undefined }>({
  empty: async ({}, use) => {
    const workshop = await openWorkshop();
    await use(workshop);
    await workshop.stop();
  },
  demo: async ({}, use) => {
    const workshop = await openWorkshop(DEMO);
    await use(workshop);
    await workshop.stop();
  },
  others: async ({}, use) => {
    const workshop = await openWorkshop(OTHERS);
    await use(workshop);
    await workshop.stop();
  },
  noOutside: [
    async ({ page }, use) => {
      const outside: string[] = [];
      page.on('request', (request) => {
        const { protocol, hostname } = new URL(request.url());
        if (/^https?:$/.test(protocol) && hostname !== '127.0.0.1') outside.push(request.url());
      });
      await use(undefined);
      expect(outside, 'requests that left the machine').toEqual([]);
    },
    { auto: true },
  ],
});

export { expect };

/** Counts actions: one field committed with Enter, or one choice made. */
export class Hands {
  actions = 0;
  private readonly page: Page;

  constructor(page: Page) {
    this.page = page;
  }

  /** Types in whatever has the focus and commits it. */
  async enter(text: string): Promise<void> {
    await this.page.keyboard.press('Control+A');
    await this.page.keyboard.type(text);
    await this.page.keyboard.press('Enter');
    this.actions += 1;
  }

  /** Commits or chooses what has the focus. */
  async key(key: string): Promise<void> {
    await this.page.keyboard.press(key);
    this.actions += 1;
  }
}

/** A box that was closed has taken its step back in the history: going anywhere meanwhile would be broken off by it. */
export async function boxClosed(page: Page): Promise<void> {
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.waitForFunction(() => !('over' in ((history.state as object | null) ?? {})));
}

export const jobPath = (view: string, shaft = 0): string => {
  const [job] = DEMO.jobs;
  return `/jobs/${job?.job.id ?? ''}/${view}?shaft=${job?.shafts[shaft]?.id ?? ''}`;
};

/** A new machine in an empty workshop, with a dial at its gap and nothing read yet. */
export async function firstReading(
  page: Page,
  url: string,
  { bare, limits, pack }: { readonly bare: 'thou' | 'mm'; readonly limits: string | null; readonly pack: string },
): Promise<void> {
  await page.goto(`${url}/workshop`);
  if (bare === 'mm')
    await page
      .getByRole('button', { name: /millimetres/ })
      .first()
      .click();
  await page.goto(`${url}/new`);
  await page.getByLabel('Machine', { exact: true }).fill('Peat cutter');
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  if (limits === null) await page.getByRole('button', { name: 'None known' }).click();
  else {
    await page.getByLabel('Limits', { exact: true }).fill(limits);
    await page.keyboard.press('Enter');
  }
  await page.getByLabel('Pack in now').fill(pack);
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'None yet' }).click();
  await page.getByRole('button', { name: /^Dial, pushed/ }).click();
  await page.getByRole('button', { name: 'torqued' }).click();
  await page.getByRole('button', { name: 'square', exact: true }).click();
}

/** A machine with one shaft, from the form for a new one; the arrangement and the place for its shim that are offered, unless they are said. */
export async function newShaft(
  page: Page,
  url: string,
  { machine, shaft, is }: { machine: string; shaft: string; is?: string | RegExp },
): Promise<void> {
  await page.goto(`${url}/new`);
  await page.getByLabel('Machine', { exact: true }).fill(machine);
  await page.getByLabel('Shaft', { exact: true }).fill(shaft);
  if (is !== undefined) await page.getByRole('radio', { name: is }).check();
  await page.getByRole('button', { name: 'Put it on the shelf' }).click();
  await page.waitForURL('**/section**');
}

/** Types a reading in the strip and keeps it, once or so often. */
export async function read(page: Page, text: string, times = 1): Promise<void> {
  for (let i = 0; i < times; i++) {
    await page.locator('#entry').fill(text);
    await page.locator('#entry').press('Enter');
    await expect(page.locator('#entry')).toHaveValue('');
  }
}

/** Limits, pack and way of reading of a gap that is new. */
export async function setUp(page: Page, limits: string, pack: string | null, leaves: string | null): Promise<void> {
  await page.locator('#limits').fill(limits);
  await page.locator('#limits').press('Enter');
  if (pack !== null) {
    await page.locator('#pack').fill(pack);
    await page.locator('#pack').press('Enter');
  }
  if (leaves !== null) {
    await page.locator('#leaves').fill(leaves);
    await page.locator('#leaves').press('Enter');
  }
}
