import { describe, expect, it } from '@jest/globals';
import { INSTRUMENTS, mm, thou } from '@elder-cog/core';
import { derive, hotGrowth, hotQuestion, type HotQuestion, type HotState } from './index.ts';
import { Story } from './testing.ts';

const ALUMINIUM = 23;
const STEEL = 11.5;

function questionOf(
  template: 'taperPair' | 'hubByNut' | 'gearOnBush',
  place: 'underCover' | 'betweenCones' | 'thrustWasher',
  sizes: readonly (readonly [RegExp, string])[] = [],
) {
  const story = new Story({ template, place });
  story.build([20]);
  for (const [name, text] of sizes) story.measure(name, [text], INSTRUMENTS.micMm);
  const [shaft] = derive(story.facts).shafts;
  const [gap] = shaft?.gaps ?? [];
  const question = shaft && gap ? hotQuestion(story.facts, shaft, gap) : null;
  if (!question) throw new Error('nothing to warm');
  return { story, question };
}

const warm = (question: HotQuestion, more: Partial<HotState> = {}): HotState => ({
  rise: { case: 60, shaft: 60 },
  expansion: Object.fromEntries(question.groups.map((g) => [g.id, g.material === 'iron' ? ALUMINIUM : g.material === 'bronze' ? 18 : STEEL])),
  span: null,
  grip: null,
  ...more,
});

const nearly = (nm: number | null): number => Math.round((nm ?? NaN) / 10) / 100_000;

describe('a gap when it is hot', () => {
  it('of which nothing is measured: by the span, face to face opened and back to back closed', () => {
    const faces = questionOf('taperPair', 'underCover').question;
    expect(hotGrowth(faces, warm(faces))).toBeNull();
    // the check values: 150 mm, 23 against 11.5, 60 K; and 60 mm back to back
    expect(hotGrowth(faces, warm(faces, { span: mm(150) }))).toBe(mm(0.1035));
    const backs = questionOf('hubByNut', 'betweenCones').question;
    expect(hotGrowth(backs, warm(backs, { span: mm(60) }))).toBe(mm(-0.0414));
  });

  it('of which every size is known: by each of them', () => {
    const { question } = questionOf('taperPair', 'underCover', [
      [/^case/, '181.00 mm'],
      [/^shaft/, '133.00 mm'],
      [/^cover/, '9.00 mm'],
      [/input end, T/, '19.50 mm'],
      [/output end, T/, '19.50 mm'],
    ]);
    expect(question.missing).toEqual([]);
    expect(question.cups).toBe(2);
    // by hand, µm: (181 − 9)·23·0.06 = 237.36; (133 + 39)·11.5·0.06 = 118.68; pack 0.508·23·0.06 = 0.70
    expect(nearly(hotGrowth(question, warm(question)))).toBeCloseTo(0.23736 - 0.11868 + 0.0007, 4);
    // a shaft warmer than its case: 80 K against 40
    expect(nearly(hotGrowth(question, warm(question, { rise: { case: 40, shaft: 80 } })))).toBeCloseTo(172 * 23 * 4e-5 - 172 * 11.5 * 8e-5, 2);
  });

  it('says what is of the case and what of the shaft, by material', () => {
    const { question } = questionOf('taperPair', 'underCover');
    expect(Object.fromEntries(question.groups.map(({ id, parts }) => [id, parts]))).toEqual({
      'case iron': ['Casing', 'Cover'],
      'shaft steel': ['Cone, input end', 'Shaft', 'Cone, output end'],
    });
    expect(question.missing).toHaveLength(5);
  });

  it('of a gear on its bush: bronze outgrows the steel gear, and the float opens', () => {
    const { question } = questionOf('gearOnBush', 'thrustWasher');
    expect(question.cups).toBe(0);
    expect(hotGrowth(question, warm(question, { span: mm(58) }))).toBeGreaterThan(0);
  });

  it('cups that are let go of open it, both of them', () => {
    const { question } = questionOf('taperPair', 'underCover');
    const grip = { interference: mm(0.03), outside: mm(62), raceway: mm(52), angle: 14 };
    const by = (hotGrowth(question, warm(question, { span: mm(150), grip })) ?? 0) - mm(0.1035);
    // ½·0.030·52/62·cot 14° = 0.0505 each
    expect(by / mm(1)).toBeCloseTo(2 * 0.0505, 3);
  });
});

describe('limits that hold hot', () => {
  it('are held against what is read now, moved by what is still to come; and the pack is for that', () => {
    const story = new Story({ limits: '5-8 thou' });
    story.build([28]);
    story.read('24');
    const now = () => derive(story.facts).shafts[0]?.gaps[0];
    expect(now()?.pack?.window).toMatchObject({ min: thou(9), max: thou(12), ideal: thou(10.5) });
    // it opens 4 hot: cold it must read 1 to 4, so the pack under the cover comes down 4 more
    story.station.aim = { at: 'middle', closesBy: thou(-4) };
    expect(now()?.limits).toMatchObject({ limits: { min: thou(1), max: thou(4) }, closesBy: thou(-4) });
    expect(now()?.pack?.window).toMatchObject({ min: thou(5), max: thou(8), ideal: thou(6.5) });
    story.build([6]);
    story.read('2');
    expect([now()?.verdict?.place, now()?.mark]).toEqual(['in', 'in']);
    story.station.aim = { at: 'value', value: thou(6), closesBy: thou(-4) };
    expect(now()?.pack?.window?.ideal).toBe(thou(6));
  });

  it('a lone maximum is from nothing up to it, hot', () => {
    const story = new Story({ limits: 'max 9 thou' });
    story.build([28]);
    story.read('10');
    story.station.aim = { at: 'middle', closesBy: thou(4) };
    expect(derive(story.facts).shafts[0]?.gaps[0]?.limits?.limits).toEqual({ min: thou(4), max: thou(13) });
  });
});
