import { describe, expect, it } from '@jest/globals';
import { nanometres, thou } from '../quantity/index.ts';
import { estimate } from '../reading/index.ts';
import { forecastGap } from './index.ts';

describe('a gap forecast', () => {
  const read = estimate(thou(22), 3_000, 7);
  const coefficients = { cover: 1, washer: -1, depth: 0 };
  it('moves by every slot that changed, each by its own coefficient', () =>
    // by hand: 22 + 4 − 10 + 0 = 16
    expect(
      forecastGap({ reading: read, coefficients, changes: { cover: { by: thou(4) }, washer: { by: thou(10) }, depth: { by: thou(7) } } }),
    ).toEqual({ ...read, value: thou(16) }));
  it('and by what is known to have closed it, with the doubt of each', () => {
    const said = forecastGap({
      reading: read,
      coefficients,
      changes: { washer: { by: thou(2), u: 4_000 }, depth: { by: thou(1), u: 99_000 } },
      terms: [{ value: thou(-1.5), u: 12_000 }],
    });
    // 22 − 2 − 1½; √(3² + 4² + 12²) = 13
    expect(said).toMatchObject({ kind: 'estimate', value: thou(18.5), u: 13_000 });
  });
  it('of a bound stays a bound, wider by twice the doubt of the change', () => {
    const changes = { cover: { by: thou(4), u: 3_000 } };
    expect(forecastGap({ reading: { kind: 'atLeast', value: thou(9) }, coefficients, changes })).toEqual({
      kind: 'atLeast',
      value: nanometres(thou(13) - 6_000),
    });
    expect(forecastGap({ reading: { kind: 'atMost', value: thou(9) }, coefficients, changes })).toEqual({
      kind: 'atMost',
      value: nanometres(thou(13) + 6_000),
    });
  });
  it('with nothing changed is what was read', () => expect(forecastGap({ reading: read, coefficients, changes: {} })).toEqual(read));
});
