import { describe, expect, it } from '@jest/globals';
import { INSTRUMENTS, thou } from '@elder-cog/core';
import { asLearned, repeatabilities, repeatedIn } from './index.ts';
import { Story } from './testing.ts';

/** A gap read four times on each of some builds, a thou either way. */
function scattered(builds: number): Story {
  const story = new Story();
  for (let i = 0; i < builds; i++) {
    story.build([20 + i]);
    for (const text of ['0>12', '0>13', '0>14', '0>13']) story.read(text);
  }
  return story;
}

describe('how well an instrument repeats', () => {
  it('is found from everything that was read with it more than once, over every machine', () => {
    const [learned, ...others] = repeatabilities([repeatedIn(scattered(2).facts), repeatedIn(scattered(3).facts)]);
    expect(others).toEqual([]);
    // by hand: a mean of 13 and squares of 2 in each of five fours, 10 / 15, less 1/12 for its divisions
    expect(learned).toMatchObject({ name: 'Dial, 1 thou', method: 'dial', dof: 15, readings: 20 });
    expect((learned?.s ?? 0) / thou(1)).toBeCloseTo(Math.sqrt(10 / 15 - 1 / 12), 6);
  });
  it('is not said before it was read often enough, nor of what was taken back', () => {
    expect(repeatabilities([repeatedIn(scattered(3).facts)])).toEqual([]);
    const story = scattered(4);
    expect(repeatabilities([repeatedIn(story.facts)])).toHaveLength(1);
    for (const { id } of story.facts.readings.slice(0, 4)) story.withdraw('reading', id);
    expect(repeatabilities([repeatedIn(story.facts)])).toEqual([]);
  });
  it('is by the method: feelers and the dial each have their own, and so has a size', () => {
    const story = scattered(4);
    const bush = story.measure(/./, ['1.500 in', '1.502 in', '1.501 in'], INSTRUMENTS.caliperInch);
    expect(repeatedIn(story.facts).map(({ name, method, groups }) => [name, method, groups.length])).toEqual([
      ['Dial, 1 thou', 'dial', 4],
      ['Caliper, inch', 'size', 1],
    ]);
    // measured afresh, it is another thing
    story.read('1.498 in', { method: 'size', instrument: INSTRUMENTS.caliperInch, newSet: 'faced' }, bush);
    expect(repeatedIn(story.facts).at(-1)?.groups).toEqual([[thou(1500), thou(1502), thou(1501)]]);
  });
  it('takes the place of what is usual for its kind, and a reading keeps what it was kept with', () => {
    const learned = repeatabilities([repeatedIn(scattered(5).facts)]);
    const mine = asLearned(INSTRUMENTS.dialThou, 'dial', learned);
    expect(mine).toMatchObject({ name: 'Dial, 1 thou', learned: 20, priorDof: 15 });
    expect(mine.priorS).toBeGreaterThan(INSTRUMENTS.dialThou.priorS);
    expect(asLearned(INSTRUMENTS.dialThou, 'spacer', learned)).toBe(INSTRUMENTS.dialThou);
    expect(asLearned({ ...INSTRUMENTS.dialThou, name: 'dial, 1 THOU ' }, 'dial', learned).learned).toBe(20);
  });
});
