import { describe, expect, it } from '@jest/globals';
import { mm, nanometres } from '../quantity/index.ts';
import { pitchInName, threadsPerInch, understandPitch } from './index.ts';

const TPI = (threads: number): unknown => nanometres(25_400_000 / threads);

describe('the pitch of a thread as it is told', () => {
  it.each(['14 tpi', '14', '14 t.p.i.', '14 threads', '14 threads per inch', '14 threads an inch', '14 to the inch'])(
    '%s is 14 threads an inch',
    (text) => {
      for (const bare of ['thou', 'mm'] as const)
        expect(understandPitch(text, bare)).toMatchObject({ kind: 'understood', value: TPI(14), said: '14 threads an inch · 1.814 mm' });
    },
  );
  it.each([
    ['11½', 11.5],
    ['11.5', 11.5],
    ['27', 27],
    ['80', 80],
    ['1/16', 16],
    ['1/14 in', 14],
  ])('%s too', (text, threads) => expect(understandPitch(text, 'thou')).toMatchObject({ kind: 'understood', value: TPI(threads) }));
  it.each([
    ['1.25', mm(1.25)],
    ['1.5 mm', mm(1.5)],
    ['2', mm(2)],
    ['3', mm(3)],
    ['0.81', mm(0.81)],
    ['1,75', mm(1.75)],
    ['62.5 thou', mm(1.5875)],
    ['.0625', mm(1.5875)],
  ])('%s is from crest to crest', (text, pitch) => expect(understandPitch(text, 'mm')).toMatchObject({ kind: 'understood', value: pitch }));
  it('of 4 to 7 is asked about: a coarse one either way', () => {
    expect(understandPitch('6', 'thou')).toMatchObject({ kind: 'ask', meanings: [{ value: TPI(6) }, { value: mm(6) }] });
    expect(understandPitch('6', 'mm')).toMatchObject({ kind: 'ask', meanings: [{ value: mm(6) }, { value: TPI(6) }] });
  });
  it('is never ten millimetres, nor three thou, unasked', () => {
    expect(understandPitch('14 mm', 'mm').kind).toBe('ask');
    expect(understandPitch('3 thou', 'thou').kind).toBe('ask');
    expect(understandPitch('500', 'thou')).toMatchObject({ kind: 'refused', code: 'notAPitch' });
    expect(understandPitch('coarse', 'thou').kind).toBe('refused');
  });
  it('may stand in the name of a thread that is in no list', () => {
    for (const name of ['1 1/16 x 16', '1 1/16 × 16', '1 1/16" x 16', '1 1/16 16 tpi', 'Adjuster 16 tpi']) expect(pitchInName(name)).toBe(TPI(16));
    for (const name of ['Pin 3', '3/8 x 2', 'M10 x 1.25', '3/8', '25 x 40', 'Ring nut', '']) expect(pitchInName(name)).toBeNull();
  });
  it('is told as it was meant', () => {
    expect(threadsPerInch(nanometres(25_400_000 / 14))).toBe(14);
    expect(threadsPerInch(mm(1.27))).toBe(20);
    expect(threadsPerInch(nanometres(25_400_000 / 11.5))).toBe(11.5);
    for (const metric of [1, 1.25, 1.5, 0.81]) expect(threadsPerInch(mm(metric))).toBeNull();
  });
});
