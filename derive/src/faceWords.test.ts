import { describe, expect, it } from '@jest/globals';
import { TEMPLATES, type TemplateName } from '@elder-cog/core';
import { facesNamed } from './index.ts';
import { Story } from './testing.ts';

describe('what a face is called', () => {
  it.each(Object.keys(TEMPLATES) as TemplateName[])('is told apart from every other on a shaft of %s', (template) => {
    const place = TEMPLATES[template].places[0]?.place ?? 'inLine';
    const named = facesNamed(new Story({ template, place }).facts.places, ['front', 'rear']);
    expect(new Set(named.map(({ words }) => words)).size).toBe(named.length);
    for (const { words } of named) expect(words).not.toMatch(/undefined|\./);
  });
  it('is by what it is, and else by the end it looks to', () => {
    const named = facesNamed(new Story({}).facts.places, ['front', 'rear']).map(({ words }) => words);
    expect(named).toEqual(
      expect.arrayContaining(['Casing, seat', 'Casing, face', 'Shaft, shoulder, front', 'Cover, spigot', 'Pack under the cover, rear side']),
    );
  });
});
