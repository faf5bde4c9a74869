import { describe, expect, it } from '@jest/globals';
import { inch, mm, thou } from '../quantity/index.ts';
import type { Sum } from '../sum.ts';
import {
  boreSurvey,
  clearanceAdviceSum,
  featureSurvey,
  featureSurveySum,
  journalSurvey,
  proposedDecision,
  runningClearanceSum,
  thrustSurvey,
  thrustSurveySum,
} from './index.ts';
import { refusalOf } from '../testing.ts';

const labels = (sum: Sum): string[] => sum.map((l) => l.label);
describe('what is measured at places', () => {
  it('leaves out a place with nothing read at it', () =>
    expect(journalSurvey([{ readings: [mm(20), mm(19.9)] }, { readings: [] }, { readings: [mm(19.8)] }])).toMatchObject({
      mean: mm(19.9),
      ovality: mm(0.1),
      // (19.8) − (20 + 19.9)/2
      taper: mm(-0.15),
    }));
  it('is refused where one alone is nothing or less, unless nothing is what may be left', () => {
    expect(refusalOf(() => journalSurvey([{ readings: [mm(20), mm(0)] }]))).toBe('notASize');
    expect(refusalOf(() => boreSurvey([{ readings: [mm(20), mm(-1)] }]))).toBe('notASize');
    expect(featureSurvey('gapLeft', [{ readings: [mm(0)] }]).smallest).toBe(0);
    expect(refusalOf(() => featureSurvey('gapLeft', [{ readings: [mm(-0.1)] }]))).toBe('notASize');
  });
  it('wears large or small as its kind has it, and its sum says which', () => {
    const read = [{ readings: [thou(12), thou(9)] }];
    expect(featureSurvey('float', read, { new: thou(6) }).wear).toBe(thou(6));
    expect(featureSurvey('thickness', read, { new: thou(12) }).wear).toBe(thou(3));
    expect(featureSurveySum('float', read, { new: thou(6) }).at(-1)).toMatchObject({ label: 'wear', expression: 'largest − new', value: thou(6) });
    expect(featureSurveySum('thickness', read, { new: thou(12) }).at(-1)).toMatchObject({ expression: 'new − smallest', value: thou(3) });
  });
  it('has ovality and taper where it is round and long, a range and none where it is not, and wear where new is known', () => {
    const read = [{ readings: [thou(12), thou(9)] }];
    expect(labels(featureSurveySum('journal', read))).toStrictEqual(['mean', 'smallest', 'largest', 'ovality', 'taper']);
    expect(labels(featureSurveySum('float', read))).toStrictEqual(['mean', 'smallest', 'largest', 'range']);
    expect(labels(featureSurveySum('float', read, { new: thou(6) }))).toStrictEqual(['mean', 'smallest', 'largest', 'range', 'wear']);
  });
});

describe('a thrust washer', () => {
  const points = [mm(3.1), mm(3.06), mm(3.08)];
  it('shows wear and groove only where they are known', () => {
    expect(labels(thrustSurveySum({ points }))).toStrictEqual(['mean', 'thinnest', 'taper']);
    expect(labels(thrustSurveySum({ points, new: mm(3.2), grooves: [mm(0.4), mm(0.3)] }))).toStrictEqual([
      'mean',
      'thinnest',
      'taper',
      'wear',
      'groove left',
    ]);
    expect(thrustSurvey({ points, new: mm(3.2), grooves: [mm(0.4), mm(0.3)] })).toMatchObject({
      wear: mm(0.14),
      grooveLeft: mm(0.3),
      taper: mm(0.04),
    });
  });
  it('is refused where one point alone is nothing; a groove worn away to nothing is not', () => {
    expect(refusalOf(() => thrustSurvey({ points: [mm(3), mm(0)] }))).toBe('notASize');
    expect(thrustSurvey({ points, grooves: [mm(0)] }).grooveLeft).toBe(0);
    expect(refusalOf(() => thrustSurvey({ points, grooves: [mm(0.2), mm(-0.1)] }))).toBe('notASize');
  });
});

describe('the other sums', () => {
  it('of a clearance end in thousandths of the bore', () =>
    expect(runningClearanceSum(boreSurvey([{ readings: [mm(25.05)] }]), journalSurvey([{ readings: [mm(25)] }])).at(-1)).toEqual({
      label: 'per thousand of the bore',
      expression: '1000 × mean ÷ bore',
      value: (1000 * mm(0.05)) / mm(25.05),
      unit: '‰',
    }));
  it('of advice go by the rule that was chosen', () => {
    const question = { diameter: inch(1), revsPerMinute: 600, material: 'bronze' } as const;
    expect(labels(clearanceAdviceSum({ ...question, rule: 'thouAnInch' }))).toStrictEqual(['bore', 'least', 'greatest', 'let it go to']);
    expect(clearanceAdviceSum({ ...question, rule: 'thouAnInch' })[1]).toMatchObject({ expression: 'a thou an inch of bore', value: thou(1) });
    expect(labels(clearanceAdviceSum(question))).toStrictEqual([
      'bore',
      'speed at the bore, m/s',
      'of the bore',
      'least',
      'greatest',
      'let it go to',
    ]);
  });
  it('nothing found, or nothing wrong with it, proposes nothing but reuse', () => {
    expect(proposedDecision('gear', [])).toBe('reuse');
    expect(proposedDecision('gear', [{ look: 'chipped tooth', severity: 'none' }])).toBe('reuse');
    expect(proposedDecision('gear', [{ look: 'something nobody listed', severity: 'bad' }])).toBe('reuse');
  });
});
