import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { readPage } from './page.ts';

const JOB = '5e1ec7ed-0000-4000-8000-000000000001';
let folder: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'elder-cog-page-'));
  writeFileSync(join(folder, 'index.html'), '<html><head><script src="/assets/page.js"></script></head><body></body></html>');
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const named = (html: string | undefined): string[] => [...(html ?? '').matchAll(/href="([^"]*)"/g)].map(([, href = '']) => href);

describe('the page for an address', () => {
  beforeEach(() =>
    writeFileSync(
      join(folder, 'ahead.json'),
      JSON.stringify({ '': ['assets/page.js', 'assets/shelf.js'], 'job/': ['assets/bench.js'], 'job/section': ['assets/section.js'] }),
    ),
  );
  it('names the scripts of its view, those it has itself left out, and what the view will ask for', () => {
    const page = readPage(folder);
    expect(named(page?.('/', 'thou'))).toEqual(['/assets/shelf.js', '/api/jobs']);
    expect(named(page?.(`/jobs/${JOB}/section`, 'thou'))).toEqual(['/assets/section.js', `/api/jobs/${JOB}`, '/api/drawer']);
    expect(named(page?.(`/jobs/${JOB}`, 'thou'))).toEqual(['/assets/bench.js', `/api/jobs/${JOB}`, '/api/drawer']);
  });
  it('is the bare page where nothing is known of the address, whatever stands in it', () => {
    const page = readPage(folder);
    for (const path of ['/nowhere', '/jobs/"><script>', '/jobs/x/section', '/__proto__', `/jobs/${JOB.toUpperCase()}/section`])
      expect([path, named(page?.(path, 'thou'))]).toEqual([path, []]);
    expect(named(page?.(`/jobs/${JOB}/"><script>`, 'thou'))).toEqual(['/assets/bench.js', `/api/jobs/${JOB}`, '/api/drawer']);
  });
});

it('is there without the list, and there is none without the page', () => {
  expect(named(readPage(folder)?.('/', 'thou'))).toEqual(['/api/jobs']);
  rmSync(join(folder, 'index.html'));
  expect(readPage(folder)).toBeNull();
});

it('says what a bare number is in this workshop', () => {
  const page = readPage(folder);
  expect(page?.('/', 'mm')).toContain('<html data-bare="mm"');
});
