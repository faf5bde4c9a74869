import { describe, expect, it } from '@jest/globals';
import { change, type Spec } from '@elder-cog/contract';
import { thou } from '@elder-cog/core';
import { derive, specSheet, type ShaftState } from '@elder-cog/derive';
import { Story } from '../../../derive/src/testing.ts';
import { addSpecs, copyTo, copyToJoint, leaveOut, retype } from './specActions.ts';
import { linesFromCsv, sheetCsv } from './specCsv.ts';

const ORIGIN = { source: 'manual', pageOrWhom: 'p. 54', saidAt: '' } as const;
const PAGE = [
  'Mainshaft end float: 5-8 thou',
  'Layshaft end float: 0.10 to 0.25 mm',
  'Drain plug: 30 lb ft',
  'Oil: 2½ imperial pints',
  '',
  'See also chapter 4',
];
const withPage = (): { story: Story; specs: Spec[] } => {
  const story = new Story();
  const { specs } = addSpecs(story.facts.job.id, PAGE, ORIGIN, 0);
  story.facts.specs.push(...(specs.map((s) => ({ ...s, revision: 1 })) as Spec[]));
  return { story, specs: story.facts.specs };
};

describe('a page of a manual', () => {
  it('becomes one row a line, empty ones left out, in a command the contract takes', () => {
    const command = addSpecs(new Story().facts.job.id, PAGE, ORIGIN, 10);
    expect(change.safeParse(command).error).toBeUndefined();
    expect(command.specs.map((s) => [s.position, s.quantity, s.unit])).toEqual([
      [10, 'length', 'thou'],
      [11, 'length', 'mm'],
      [12, 'torque', 'lbf·ft'],
      [13, 'volume', 'imp pt'],
      [14, null, ''],
    ]);
  });
  it('gives a station its limit with where it comes from; in use only where there was none', () => {
    const { story, specs } = withPage();
    const station = (derive(story.facts).shafts[0] as ShaftState).gaps[0]?.station;
    if (!station || !specs[0]) throw new Error('nothing to copy');
    const command = copyTo(specs[0], station, []);
    expect(change.safeParse(command).error).toBeUndefined();
    expect(command).toMatchObject({ limit: { min: thou(5), max: thou(8), source: 'manual', pageOrWhom: 'p. 54', inUse: true } });
    const other = command.kind === 'spec.copy' ? { ...command.limit, revision: 1 } : null;
    expect(copyTo(specs[0], station, other ? [other as never] : [])).toMatchObject({ limit: { inUse: false } });
  });
  it('gives a drag, or a joint, its torque with what it was printed for; one figure alone stays one figure', () => {
    const story = new Story();
    const { specs } = addSpecs(story.facts.job.id, ['Pinion drag, new bearings: 14-18 lbf in', 'Cover bolts: 23 lb ft'], ORIGIN, 0);
    const [drag, bolts] = specs.map((s) => ({ ...s, revision: 1 })) as [Spec, Spec];
    const copied = copyTo(drag, { ...story.station, quantity: 'torque' }, []);
    expect(change.safeParse(copied).error).toBeUndefined();
    const lbfIn = 0.1129848290276167; // NIST SP 811, appendix B.8
    expect(copied).toMatchObject({
      limit: {
        min: null,
        torque: { min: expect.closeTo(14 * lbfIn, 6), max: expect.closeTo(18 * lbfIn, 6), unit: 'lbf·in' },
        conditions: { bearings: 'new' },
      },
    });
    const [begun, torque] = copyToJoint(bolts, story.facts.assemblies[0]?.id ?? '');
    for (const each of [begun, torque]) expect(change.safeParse(each).error).toBeUndefined();
    expect(begun).toMatchObject({
      kind: 'joint.add',
      joint: { name: 'Cover bolts' },
      stations: [{ id: torque?.kind === 'spec.copy' ? torque.limit.stationId : '' }],
    });
    expect(torque).toMatchObject({ limit: { torque: { min: null, max: null, nominal: expect.closeTo(23 * 12 * lbfIn, 4) }, inUse: true } });
  });
  it('a torque is for the dressing behind its figure, and no name before it is one', () => {
    const story = new Story();
    const given = (line: string): unknown => {
      const { specs } = addSpecs(story.facts.job.id, [line], ORIGIN, 0);
      const [, copied] = copyToJoint({ ...(specs[0] as Spec), revision: 1 }, story.facts.assemblies[0]?.id ?? '');
      return copied?.kind === 'spec.copy' ? copied.limit.conditions : copied;
    };
    expect(given('Cap bolts: 34-38 lb ft, oiled')).toEqual({ dressing: 'oiled' });
    expect(given('Cap bolts: 34-38 lb ft (dry)')).toEqual({ dressing: 'dry' });
    expect(given('Dry sump bolts: 12-15 lb ft')).toBeUndefined();
  });
  it('with two lines of one name that differ has a conflict; not where they stand under two headings, or are for other bearings', () => {
    const conflicts = (lines: readonly string[]): number => {
      const story = new Story({ limits: null });
      const { specs } = addSpecs(story.facts.job.id, lines, ORIGIN, 0);
      story.facts.specs.push(...(specs.map((s) => ({ ...s, revision: 1 })) as Spec[]));
      return specSheet(story.facts).conflicts;
    };
    expect(conflicts(['Cover bolts: 23 lb ft', 'Layshaft end float: 5-8 thou', 'Cover bolts: 18 lb ft'])).toBe(1);
    expect(conflicts(['Cover bolts: 23 lb ft', 'Cover bolts: 31 N·m'])).toBe(0);
    expect(conflicts(['Front axle', 'Cover bolts: 23 lb ft', 'Rear axle', 'Cover bolts: 18 lb ft'])).toBe(0);
    expect(conflicts(['Pinion drag, new bearings: 14-18 lbf in', 'Pinion drag, used bearings: 7-9 lbf in'])).toBe(0);
  });
  it('has a line left out, or typed again, as changes the contract takes', () => {
    const [spec] = withPage().specs;
    if (!spec) throw new Error('no line');
    const again = retype(spec, ' Mainshaft end float: 6-9 thou ');
    for (const each of [leaveOut(spec, true), again]) expect(change.safeParse(each).error).toBeUndefined();
    expect(again).toMatchObject({ spec: { text: 'Mainshaft end float: 6-9 thou', min: thou(6), max: thou(9) } });
  });
});

describe('the sheet as a spreadsheet', () => {
  it('goes out with figures in the unit written, and comes in again as the same lines', () => {
    const { story } = withPage();
    story.facts.limits.length = 0;
    const csv = sheetCsv(specSheet(story.facts));
    expect(csv.startsWith('\uFEFFname,written,quantity,min,max,unit')).toBe(true);
    const back = linesFromCsv(csv);
    if (typeof back === 'string') throw new Error(back);
    expect(back).toMatchObject({ source: 'manual', page: 'p. 54' });
    const again = addSpecs(story.facts.job.id, back.lines, ORIGIN, 0).specs;
    const figures = (specs: readonly Pick<Spec, 'quantity' | 'min' | 'max'>[]) =>
      specs.filter((s) => s.quantity !== null).map((s) => [s.quantity, s.min, s.max]);
    expect(figures(again)).toEqual(figures(story.facts.specs));
  });
  it.each([
    ['colour,weight\nred,4', /headed name and written; found colour, weight/],
    ['', /found none/],
    ['\n\n', /found none/],
  ])('with other columns is one sentence: %j', (text, says) => expect(linesFromCsv(text)).toMatch(says));
  it('may be headed as a person would, and says no source where there are two', () => {
    expect(linesFromCsv('Item,Limits,Source\nPlug,30 lb ft,manual\nNut,90 lb ft,told')).toEqual({
      lines: ['Plug: 30 lb ft', 'Nut: 90 lb ft'],
      source: null,
      page: '',
    });
  });
});
