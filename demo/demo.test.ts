import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { workshopFile } from '@elder-cog/contract';
import { derive } from '@elder-cog/derive';
import { stateText } from './stateText.ts';

const file = workshopFile.parse(JSON.parse(readFileSync(new URL('./workshop.json', import.meta.url), 'utf8')));
const golden = readFileSync(new URL('./golden.json', import.meta.url), 'utf8');

describe('the made-up workshop', () => {
  const [facts] = file.jobs;
  if (!facts) throw new Error('no job');
  it('is an ordinary workshop file: a snow tractor of 1957 and about forty leaves in both systems', () => {
    expect(facts.job).toMatchObject({ machine: 'Snow tractor', year: '1957' });
    const owned = file.lots.reduce((sum, lot) => sum + lot.owned, 0);
    expect(Math.abs(owned - 40)).toBeLessThanOrEqual(3);
    expect(new Set(file.lots.map((lot) => lot.unit))).toEqual(new Set(['thou', 'mm']));
  });
  it('tells of builds that went wrong and then right', () => {
    const marks = derive(facts).shafts.map((shaft) => shaft.gaps[0]?.ladder.map((row) => row.mark));
    expect(marks).toEqual([['stale', 'stale', 'in', 'loose'], ['loose', 'tight', 'in'], ['in'], []]);
  });
  it('derives to its golden state, byte for byte', () => {
    expect(stateText(derive(facts))).toBe(golden.trimEnd());
  });
});
