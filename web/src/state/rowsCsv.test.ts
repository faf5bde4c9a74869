import { describe, expect, it } from '@jest/globals';
import { change, ROWS_AT_ONCE, type JobFacts } from '@elder-cog/contract';
import { FEATURE_KINDS, FEATURES, inch, mm } from '@elder-cog/core';
import { derive } from '@elder-cog/derive';
import { Story } from '../../../derive/src/testing.ts';
import { bookOf, placeIn, type Book } from './job.ts';
import { readRows, rowsToCsv, takeRows, type RowRead } from './rowsCsv.ts';

/** The Wear book of a job's first shaft, as the page opens it. */
const bookIn = (facts: JobFacts): Book => {
  const state = derive(facts);
  const book = bookOf({ state, ...placeIn(state, new URLSearchParams()) });
  if (!book) throw new Error('no box');
  return book;
};

const HEADING = 'part,kind,unit,new,limit,readings_1,readings_2,readings_3';
const read = (...lines: string[]): readonly RowRead[] => {
  const rows = readRows([HEADING, ...lines].join('\n'));
  if (typeof rows === 'string') throw new Error(rows);
  return rows;
};
const one = (line: string): RowRead => read(line)[0] as RowRead;

describe('rows from a spreadsheet', () => {
  it('are read line by line, each in the unit it says', () =>
    expect(one('Idler pin,journal,mm,20,min 19.96,19.975 19.98,19.97,19.96')).toMatchObject({
      line: 2,
      part: 'Idler pin',
      kind: 'journal',
      unit: 'mm',
      newSize: '20',
      limit: 'min 19.96',
      readings: ['19.975 19.98', '19.97', '19.96'],
      refusal: null,
    }));
  it.each([
    ['tabs', HEADING.replaceAll(',', '\t'), 'Pin\tjournal\tin\t.5\t\t.499\t\t'],
    ['semicolons', HEADING.replaceAll(',', ';'), 'Pin;journal;in;.5;;.499;;'],
    ['a byte-order mark and lines ended as on another system', `\uFEFF${HEADING}\r`, 'Pin,journal,in,.5,,.499,,\r'],
    ['the names a person gives the columns', 'Name,Type,Units,Nominal,Wear limit,Front,Middle,Rear', 'Pin,journal,in,.5,,.499,,'],
  ])('may be set apart by %s', (_, heading, line) =>
    expect(readRows(`${heading}\n${line}\n`)).toMatchObject([{ part: 'Pin', kind: 'journal', readings: ['.499', '', ''], refusal: null }]),
  );
  it('may name a kind as the book does, or by what is measured', () =>
    expect(FEATURE_KINDS.flatMap((kind) => [FEATURES[kind].name, FEATURES[kind].measures].map((word) => one(`Part,"${word}",mm,,,,,`).kind))).toEqual(
      FEATURE_KINDS.flatMap((kind) => [kind, kind === 'pin' ? 'roller' : kind]),
    ));
  it.each([
    ['no name', ',journal,mm,20,,,,', /no name/],
    ['a kind there is none of', 'Pin,sprocket,mm,20,,,,', /“sprocket” is not a kind/],
    ['a unit there is none of', 'Pin,journal,furlong,20,,,,', /“furlong”: in or mm/],
    ['a size that is none', 'Pin,journal,mm,twenty,,,,', /twenty/],
    ['a reading that is none', 'Pin,journal,mm,20,,19.9x,,', /19\.9 x/],
  ])('with %s is not taken, and says why', (_, line, why) => expect(one(line).refusal).toMatch(why));
  it.each([
    ['other columns altogether', 'colour,weight\nred,4', /no column part and no kind.*Found: colour, weight/],
    ['no heading', 'Pin,journal,mm,20', /There is no column/],
    ['more than two thousand lines', [HEADING, ...Array.from({ length: 2001 }, () => 'Pin,journal,mm,20,,,,')].join('\n'), /2001 lines/],
  ])('of %s is refused whole', (_, text, why) => expect(readRows(text)).toMatch(why));
});

describe('taking them', () => {
  const story = new Story();
  const book = bookIn(story.facts);
  it('leaves out what was not understood, in commands the contract takes', () => {
    const changes = takeRows(read('Pin,journal,mm,20,min 19.96,19.975 19.98,19.97,', 'Bad,sprocket,mm,,,,,', 'Bush,bore,in,.5,,.5012,,'), book);
    expect(changes).toHaveLength(1);
    for (const each of changes) expect(change.safeParse(each).error).toBeUndefined();
    expect(changes[0]).toMatchObject({
      kind: 'rows.add',
      stations: [
        { name: 'Pin', subject: 'journal', newSize: mm(20) },
        { name: 'Bush', subject: 'bore', newSize: inch(0.5) },
      ],
      limits: [{ min: mm(19.96), written: 'min 19.96', unit: 'mm' }],
      readings: [{ raw: { at: 'front', text: '19.975 19.98' } }, { raw: { at: 'middle' } }, { raw: { at: 'front', text: '.5012' } }],
    });
  });
  it.each([1, ROWS_AT_ONCE, ROWS_AT_ONCE + 1, 1_200])('takes %i rows, each read at three places, in commands no bigger than may be sent', (n) => {
    const changes = takeRows(read(...Array.from({ length: n }, (_, i) => `Pin ${i},journal,mm,20,min 19.96,19.975 19.98,19.97 19.98,19.98`)), book);
    expect(changes).toHaveLength(Math.ceil(n / ROWS_AT_ONCE));
    for (const each of changes) expect(change.safeParse(each).error).toBeUndefined();
  });
});

describe('rows for a spreadsheet', () => {
  it('are read back as they were, and begin no cell that a spreadsheet would reckon', () => {
    const story = new Story();
    const lines = [
      'Idler pin,journal,mm,20,min 19.96,19.975 19.98,19.97 19.98,19.96',
      '"=1+1, front",bore,in,.5,max .503,.5012 .5010,,',
      'Detent spring,free length,in,1.5,,1.482,,',
    ];
    const taken = change.parse(takeRows(read(...lines), bookIn(story.facts))[0]);
    if (taken.kind !== 'rows.add') throw new Error('no rows');
    story.facts.stations.push(...taken.stations.map((s) => ({ ...s, revision: 1 })));
    story.facts.limits.push(...taken.limits.map((l) => ({ ...l, revision: 1 })));
    story.facts.readings.push(...taken.readings);
    const features = bookIn(story.facts).features.filter((f) => taken.stations.some((s) => s.id === f.station.id));
    const csv = rowsToCsv(features);
    expect(csv).not.toMatch(/(?:^|,)"?=/m);
    const again = readRows(csv) as readonly RowRead[];
    expect(again.map((r) => [r.kind, r.unit, r.refusal])).toEqual([
      ['journal', 'mm', null],
      ['bore', 'in', null],
      ['freeLength', 'in', null],
    ]);
    const [back] = takeRows(again, bookIn(new Story().facts));
    if (back?.kind !== 'rows.add') throw new Error('no rows');
    expect(back.stations.map((s) => s.newSize)).toEqual(taken.stations.map((s) => s.newSize));
    expect(back.readings.map((r) => r.raw.at)).toEqual(taken.readings.map((r) => r.raw.at));
  });
});
