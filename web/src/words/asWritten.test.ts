import { afterEach, describe, expect, it } from '@jest/globals';
import { inAmerican, leaveAsWritten } from './asWritten.ts';

afterEach(() => leaveAsWritten([]));

describe('names in the other words of the trade', () => {
  it('of boxes and shafts stay as they were written, in a sentence and in small letters too', () => {
    leaveAsWritten(['Bush casing', 'Layshaft pin', 'Gearbox']);
    expect(inAmerican('Read the layshaft pin float, in the bush casing.')).toBe('Read the layshaft pin end play, in the bush casing.');
    expect(inAmerican('A bush in a casing')).toBe('A bushing in a case');
  });
  it('of one that holds another stay whole', () => {
    leaveAsWritten(['Layshaft', 'Layshaft bush']);
    expect(inAmerican('Layshaft bush float')).toBe('Layshaft bush end play');
  });
  it('of parts and rows stay where they stand by themselves, and a word alone is the trade’s', () => {
    leaveAsWritten([], ['Idler bush, front', 'Float']);
    expect(inAmerican('Idler bush, front')).toBe('Idler bush, front');
    expect(inAmerican('Idler bush, front: read it')).toBe('Idler bushing, front: read it');
    expect(inAmerican('Float')).toBe('End play');
  });
  it('may have any sign in them', () => {
    leaveAsWritten(['Float (left) +']);
    expect(inAmerican('the Float (left) + float')).toBe('the Float (left) + end play');
  });
});
