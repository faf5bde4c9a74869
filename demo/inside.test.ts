import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';

const ROOT = join(import.meta.dirname, '..');

describe('the house from inside', () => {
  const page = readFileSync(join(ROOT, 'docs/inside.md'), 'utf8');
  const paths = [...page.matchAll(/`([.\w-]+\/[\w./-]+|[\w-]+\.[\w.]+|[a-z]+)`/g)].map(([, path = '']) => path);
  // a name alone is a file of the folder named before it in the sentence, or a word of the program
  const named = paths.filter((path) => path.includes('/'));
  const alone = paths.filter((path) => /^\w+\.ts$/.test(path));
  it('names some forty places', () => expect(named.length).toBeGreaterThan(35));
  it.each(named)('%s is there', (path) => expect(existsSync(join(ROOT, path))).toBe(true));
  it.each(alone)('%s is there, of what is derived of a gap', (path) => expect(existsSync(join(ROOT, 'derive/src/gap', path))).toBe(true));
});
