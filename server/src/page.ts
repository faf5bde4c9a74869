import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { z } from 'zod';

/** Which scripts each view is made of, written where the page is built. */
const scriptsOfViews = z.record(z.string(), z.array(z.string().regex(/^[\w./-]+$/)));

const JOB = /^\/jobs\/([0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12})(?:\/([a-z]*))?/;

/**
 * The built page for an address. It names what the view there is made of, and what the view will ask for, so that all of it is fetched
 * side by side and not one after the other; and what a bare number is in this workshop.
 *
 * @returns null where there is no built page
 */
export function readPage(folder: string): ((path: string, bare: 'thou' | 'mm') => string) | null {
  const file = join(folder, 'index.html');
  if (!existsSync(file)) return null;
  const page = readFileSync(file, 'utf8');
  const list = join(folder, 'ahead.json');
  const scripts = existsSync(list) ? scriptsOfViews.parse(JSON.parse(readFileSync(list, 'utf8'))) : {};
  return (path, bare) => {
    const [, jobId, view = ''] = JOB.exec(path) ?? [];
    const word = jobId === undefined ? (path.split('/')[1] ?? '') : `job/${view}`;
    const fetched = jobId === undefined ? (path === '/' ? ['/api/jobs'] : []) : [`/api/jobs/${jobId}`, '/api/drawer'];
    const named = (Object.hasOwn(scripts, word) ? (scripts[word] ?? []) : []).filter((script) => !page.includes(script));
    const tags = [
      ...named.map((script) => `<link rel="modulepreload" crossorigin href="/${script}">`),
      ...fetched.map((url) => `<link rel="preload" as="fetch" crossorigin href="${url}">`),
    ];
    return page.replace('</head>', () => `${tags.join('')}</head>`).replace('<html', `<html data-bare="${bare}"`);
  };
}
