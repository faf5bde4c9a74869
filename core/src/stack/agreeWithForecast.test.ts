import { describe, expect, it } from '@jest/globals';
import { mm, nanometres, thou, ZERO } from '../quantity/index.ts';
import { estimate } from '../reading/index.ts';
import { agreeWithForecast } from './index.ts';

describe('a forecast and what one side alone told', () => {
  const atMost = { kind: 'atMost', value: ZERO } as const;
  it('two standard doubts over a bound it comes to 0.37 under it (reckoning.md: +2 ± 1 with at most 0)', () => {
    const agreed = agreeWithForecast(estimate(mm(2), 1e6), atMost);
    expect(agreed.agree && agreed.reading.value / 1e6).toBeCloseTo(-0.373, 3);
  });
  it('half of a normal is √(2/π) from its middle, with √(1 − 2/π) left of its doubt (textbook: the half-normal distribution)', () => {
    const agreed = agreeWithForecast(estimate(ZERO, 10_000), atMost);
    expect(agreed).toMatchObject({ agree: true, reading: { value: nanometres(-10_000 * Math.sqrt(2 / Math.PI)) } });
    expect(agreed.agree && agreed.reading.u).toBeCloseTo(10_000 * Math.sqrt(1 - 2 / Math.PI), 0);
  });
  it('well inside, the forecast stands as it was: a pack changed past nought, and the dial shows none', () => {
    const agreed = agreeWithForecast(estimate(thou(-3), 5_000, 7), atMost);
    expect(agreed).toMatchObject({ agree: true, reading: { value: thou(-3), dof: 7 } });
    expect(agreed.agree && agreed.reading.u).toBeCloseTo(5_000, 0);
  });
  it('over two doubts beyond it they do not agree, and what is at least is the same seen from the other side', () => {
    expect(agreeWithForecast(estimate(thou(3), 30_000), atMost)).toEqual({ agree: false });
    expect(agreeWithForecast(estimate(thou(1), 30_000), atMost).agree).toBe(true);
    const [below, above] = [
      agreeWithForecast(estimate(mm(0.02), 15_000), atMost),
      agreeWithForecast(estimate(mm(-0.02), 15_000), { kind: 'atLeast', value: ZERO }),
    ];
    expect(below.agree && above.agree && below.reading.value).toBe(above.agree ? -above.reading.value : null);
  });
});
