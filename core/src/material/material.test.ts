import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { mm } from '../quantity/index.ts';
import { grownBy, MATERIALS } from './index.ts';

describe('materials', () => {
  // checks/expansion.csv: typical values from memory of handbook ranges
  it('are those of the check list, name by name', () => {
    const rows = readFileSync(new URL('../../checks/expansion.csv', import.meta.url), 'utf8')
      .split(/\r?\n/)
      .filter((line) => line !== '' && !line.startsWith('#') && !line.startsWith('material,'))
      .map((line) => {
        const [, name = '', rest = ''] = /^("[^"]*"|[^,]*),(.*)$/.exec(line) ?? [];
        return [name.replace(/"/g, ''), ...rest.split(',').slice(0, 4).map(Number)];
      });
    expect(rows).toHaveLength(15);
    expect(MATERIALS.map((m) => [m.name, m.expansion, m.modulus, m.poisson, m.strength])).toEqual(rows);
  });
  it('grow by α × length × rise, and shrink by it', () => {
    expect(grownBy(mm(150), { rise: 60, expansion: 11.5 })).toBe(mm(0.1035));
    expect(grownBy(mm(100), { rise: -40, expansion: 23 })).toBe(mm(-0.092));
    expect(() => grownBy(mm(100), { rise: 10, expansion: 0 })).toThrow('more than nothing');
  });
});
