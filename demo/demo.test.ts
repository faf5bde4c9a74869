import { readFileSync } from 'node:fs';
import { describe, expect, it } from '@jest/globals';
import { workshopFile } from '@elder-cog/contract';
import { fileProblems } from '@elder-cog/contract';
import { solveShaft, thou } from '@elder-cog/core';
import { derive, fitsOf, moversOf, solveQuestion } from '@elder-cog/derive';
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

describe('the other machines of the made-up workshop', () => {
  const others = workshopFile.parse(JSON.parse(readFileSync(new URL('./others.json', import.meta.url), 'utf8')));
  const [van, crawler] = others.jobs;
  if (!van || !crawler) throw new Error('no machines');
  it('are a mail van of 1934 and an orchard crawler of 1951, sound to the last row', () => {
    expect(others.jobs.map(({ job }) => `${job.machine} ${job.year}`)).toEqual(['Mail van 1934', 'Orchard crawler 1951']);
    expect(fileProblems(others)).toEqual([]);
    expect(others.jobs.flatMap((facts) => derive(facts).damage)).toEqual([]);
  });
  const [layshaft, hub] = derive(van).shafts;
  if (!layshaft || !hub) throw new Error('no shafts');
  it('a hub drawn up by a nut goes the other way from a cover: thicker between its cones gives more', () => {
    expect(hub.gaps[0]).toMatchObject({ mark: 'in', pack: { sense: 1, proved: { sense: 1 } } });
    expect(hub.gaps[0]?.ladder.map((row) => row.mark)).toEqual(['loose', 'in']);
  });
  it('a layshaft whose four floats share parts is set all at once', () => {
    expect(layshaft.gaps.map((g) => [g.letter, g.mark])).toEqual([
      ['A', 'loose'],
      ['B', 'in'],
      ['C', 'loose'],
      ['D', 'loose'],
    ]);
    const movers = moversOf(van, layshaft);
    const rear = movers.find((m) => m.name === 'bush, rib to rear end');
    expect(rear?.by).toEqual([0, 0, -1, 1]);
    const asked = (laps: ReadonlyMap<string, number>) => solveQuestion(van, layshaft, { lots: others.lots, fitted: [], laps: laps as never });
    const plain = asked(new Map());
    // C is loose and no washer touches it
    expect(plain && solveShaft(plain.question).solutions).toEqual([]);
    const lapped = asked(new Map([[rear?.id ?? '', thou(6)]]));
    const [best] = lapped ? solveShaft(lapped.question).solutions : [];
    expect(best?.margin).toBeGreaterThanOrEqual(0);
    expect(best && Object.keys(best.laps)).toEqual([rear?.id]);
    // by hand: A 13½ with 59 in; P 57 gives 11½, 55 gives 9½; C 9 less the lap; D 7 − ΔP + lap − (Q − 98)
    const fits = best && lapped ? fitsOf(best, lapped) : [];
    const thick = (slot: string): number => (fits.find((f) => f.slotId === slot)?.leaves ?? []).reduce((sum, l) => sum + l.thickness, 0) / 25_400;
    const [p, q] = layshaft.slots.filter((s) => s.slot.kind === 'adjuster').map((s) => thick(s.slot.id));
    const lap = Object.values(best?.laps ?? {})[0] ?? 0;
    expect(Object.values(best?.gaps ?? {}).map((gap) => Math.round(gap / 254) / 100)).toEqual(
      [13.5 + ((p ?? 0) - 59), 5, 9 - lap / 25_400, 7 - ((p ?? 0) - 59) + lap / 25_400 - ((q ?? 0) - 98)].map((n) => Math.round(n * 100) / 100),
    );
  });
});
