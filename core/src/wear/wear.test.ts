import { describe, expect, it } from '@jest/globals';
import { inch, mm } from '../quantity/index.ts';
import { boreSurvey, boreSurveySum, journalSurvey, journalSurveySum, runningClearance, runningClearanceSum } from './index.ts';

const bush = [
  { at: 'front', readings: [inch(0.8795), inch(0.8781)] },
  { at: 'middle', readings: [inch(0.8789), inch(0.8779)] },
  { at: 'rear', readings: [inch(0.8783), inch(0.8777)] },
];
const shaft = [
  { at: 'front', readings: [inch(0.8742), inch(0.8746)] },
  { at: 'rear', readings: [inch(0.8747), inch(0.8748)] },
];

// worked by hand from the definitions
describe('a bore', () => {
  const survey = boreSurvey(bush, { new: inch(0.877), u: 2_540 });
  it('worn oval at the front: 1.4 thou of ovality, 0.8 of taper towards the rear, 2.5 of wear', () => {
    expect(survey).toMatchObject({
      ovality: inch(0.0014),
      taper: inch(-0.0008),
      smallest: inch(0.8777),
      largest: inch(0.8795),
      wear: inch(0.0025),
      u: 2_540,
    });
    expect(survey.mean).toBe(Math.round(inch(0.8795 + 0.8781 + 0.8789 + 0.8779 + 0.8783 + 0.8777) / 6));
  });
  it('shows its sum', () => expect(boreSurveySum(bush, { new: inch(0.877) }).at(-1)).toMatchObject({ label: 'wear', value: inch(0.0025) }));
});

describe('a journal', () => {
  const survey = journalSurvey(shaft, { new: inch(0.875) });
  it('wears small: what is gone from new at its smallest', () =>
    expect(survey).toMatchObject({ wear: inch(0.0008), smallest: inch(0.8742), ovality: inch(0.0004), taper: inch(0.00035) }));
  it('of no known new size has no wear to state', () => expect(journalSurvey(shaft)).not.toHaveProperty('wear'));
  it('needs a reading, and a reading more than nothing', () => {
    expect(() => journalSurvey([{ readings: [] }])).toThrow('Nothing has been measured');
    expect(() => journalSurvey([{ readings: [mm(-1)] }])).toThrow('more than nothing');
    expect(journalSurveySum(shaft).map((l) => l.label)).toEqual(['mean', 'smallest', 'largest', 'ovality', 'taper']);
  });
});

describe('running clearance', () => {
  const clearance = runningClearance(boreSurvey(bush, { u: 3_000 }), journalSurvey(shaft, { u: 4_000 }));
  it('is least from the smallest bore and the largest journal, greatest the other way about', () =>
    expect(clearance).toMatchObject({ least: inch(0.0029), greatest: inch(0.0053), u: 5_000 }));
  it('per thousand is by the mean bore, and interference is negative', () => {
    expect(clearance.perMille).toBeCloseTo((1000 * clearance.mean) / boreSurvey(bush).mean, 9);
    expect(runningClearance(boreSurvey([{ readings: [mm(24.99)] }]), journalSurvey([{ readings: [mm(25)] }])).mean).toBe(mm(-0.01));
  });
  it('shows its sum', () =>
    expect(
      runningClearanceSum(boreSurvey(bush), journalSurvey(shaft))
        .map((l) => l.value)
        .slice(0, 3),
    ).toEqual([clearance.least, clearance.mean, clearance.greatest]));
});
