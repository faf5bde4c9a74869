import { describe, expect, it } from '@jest/globals';
import { noAim, understand, withTolerance } from './index.ts';

const limits = (text: string) => noAim(understand(text, { field: 'limits', bare: 'thou' }));

describe('limits of something that nothing is chosen for', () => {
  it('are refused with something to come to, and not judged as if it had not been said', () => {
    expect(limits('9 within 2 to 14')).toMatchObject({ kind: 'refused', code: 'noAimHere' });
    expect(limits('0.06 within 0.04-0.10')).toMatchObject({ kind: 'refused', code: 'noAimHere' });
  });
  it('stand as they are without', () => {
    expect(limits('2 to 14 thou')).toMatchObject({ kind: 'understood' });
    expect(limits('5/8')).toMatchObject({ kind: 'ask' });
    expect(limits('banana')).toMatchObject({ kind: 'refused', code: 'notLimits' });
    expect(noAim(withTolerance(understand('9 thou', { field: 'limits', bare: 'thou' }))).kind).toBe('ask');
  });
});
