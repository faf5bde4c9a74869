import { describe, expect, it } from '@jest/globals';
import { mm } from '../quantity/index.ts';
import { FEATURE_KINDS, FEATURES, featureSurvey, featureSurveySum, isFeatureKind, LOOKS, PART_TYPES, proposedDecision } from './index.ts';

describe('looking a part over', () => {
  // the usual verdicts: common practice, no source
  it('proposes the most that any finding asks for, and reuse where nothing was found', () => {
    expect(proposedDecision('gear', [])).toBe('reuse');
    expect(proposedDecision('gear', [{ look: 'chipped tooth', severity: 'none' }])).toBe('reuse');
    expect(proposedDecision('gear', [{ look: 'chipped tooth', severity: 'slight' }])).toBe('dress');
    expect(
      proposedDecision('gear', [
        { look: 'chipped tooth', severity: 'slight' },
        { look: 'crack at a root', severity: 'slight' },
      ]),
    ).toBe('scrap');
    expect(proposedDecision('gear', [{ look: 'something else', severity: 'bad' }])).toBe('reuse');
  });
  it('has a list for every type of part, each thing once', () => {
    for (const type of PART_TYPES) {
      const looks = LOOKS[type].looks.map((l) => l.look);
      expect(looks.length).toBeGreaterThan(3);
      expect(new Set(looks).size).toBe(looks.length);
    }
  });
});

describe('anything measured on a part', () => {
  it('is judged by its largest where wear opens it, by its smallest where wear takes it away', () => {
    const readings = [{ readings: [mm(10.02), mm(9.98)] }];
    for (const kind of FEATURE_KINDS) {
      const { wear } = featureSurvey(kind, readings, { new: mm(10) });
      expect([kind, wear]).toEqual([kind, mm(0.02)]);
      expect(featureSurveySum(kind, readings, { new: mm(10) }).at(-1)?.expression).toBe(
        FEATURES[kind].judgedBy === 'largest' ? 'largest − new' : 'new − smallest',
      );
      expect(isFeatureKind(kind)).toBe(true);
    }
  });
  it('may be nothing where it is a float or a gap, and not where it is a size', () => {
    expect(featureSurvey('float', [{ readings: [mm(0)] }]).largest).toBe(mm(0));
    expect(() => featureSurvey('bore', [{ readings: [mm(0)] }])).toThrow('more than nothing');
    expect(() => featureSurvey('float', [{ readings: [mm(-0.1)] }])).toThrow('more than nothing');
  });
});
