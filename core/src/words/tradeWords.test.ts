import { describe, expect, it } from '@jest/globals';
import { counted, inDialect, plainWords } from '../index.ts';

describe('the words of the trade', () => {
  it.each([
    ['End float of the layshaft', 'End play of the countershaft'],
    ['CROWN WHEEL', 'RING GEAR'],
    ['two bushes and a bush', 'two bushings and a bushing'],
    ['Zero float, or any preload', 'Zero end play, or any preload'],
    ['ambush the floating casings', 'ambush the floating cases'],
    ['thou and mm', 'thou and mm'],
  ])('%s is said %s', (british, american) => {
    expect(inDialect(british, 'american')).toBe(american);
    expect(inDialect(british, 'british')).toBe(british);
  });
  it.each([
    ['Idler gear end play', 'Idler gear float'],
    ['Ring gear backlash', 'Crown wheel lash'],
    ['BLOCKER RING', 'synchro ring'],
    ['Countershaft, end-play', 'layshaft end float'],
  ])('a search finds %s under %s', (one, other) => expect(plainWords(one)).toBe(plainWords(other)));
});

it.each([
  [0, '0 backups were'],
  [1, 'A backup was'],
  [2, '2 backups were'],
])('%d of them: %s', (n, said) => expect(counted(n, 'A backup was', 'backups were')).toBe(said));
