import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from '@jest/globals';
import * as core from './index.ts';

/** Every `@example call // result` in a docstring, run: what it says a function gives is what it gives. */
interface Example {
  readonly file: string;
  readonly call: string;
  readonly result: string;
}

const SRC = new URL('.', import.meta.url).pathname;
const files = readdirSync(SRC, { recursive: true, encoding: 'utf8' }).filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'));
const examples: Example[] = files.flatMap((file) =>
  [...readFileSync(join(SRC, file), 'utf8').matchAll(/@example (.+?) \/\/ (.+?)(?: \*\/)?$/gm)].map(([, call = '', result = '']) => ({
    file,
    call,
    result,
  })),
);

const DIAL = core.INSTRUMENTS.dialThou;
const graph = core.templateGraph(core.shaftTemplate('taperPair', 'underCover'));

/** Evaluates an example with the core's names in reach. Docstrings only: nothing from outside comes in here. */
function run(call: string): unknown {
  const names = { ...core, dial: DIAL, graph };
  const plain = call.replace(/ as Length/g, '');
  return (new Function(...Object.keys(names), `return (${plain});`) as (...args: unknown[]) => unknown)(...Object.values(names));
}

/** What a result is written as: a number, words in quotes, a length, or an object in part. */
function expected(result: string): unknown {
  const length = /^(−?-?[\d.]+) (thou|mm|in)\b/.exec(result);
  if (length) return core.toLength(Number((length[1] ?? '').replace('−', '-')), length[2] as core.LengthUnit);
  if (/^-?[\d.]+…?$/.test(result)) return Number(result.replace('…', ''));
  if (/^'.*'$/.test(result)) return result.slice(1, -1);
  return undefined;
}

describe('the examples in the docstrings', () => {
  it('are there for the functions of the core', () => expect(examples.length).toBeGreaterThan(25));
  it.each(examples.filter((e) => expected(e.result) !== undefined))('$call is $result', ({ call, result }) => {
    const got = run(call);
    const want = expected(result);
    if (typeof got === 'number' && typeof want === 'number')
      expect(Math.abs(got - want)).toBeLessThan(result.includes('…') || !Number.isInteger(want) ? 1e-4 : 0.5);
    else expect(got).toEqual(want);
  });
  it.each(examples.filter((e) => expected(e.result) === undefined))('$call runs', ({ call }) => expect(run(call)).toBeDefined());
  it('stand with every public function that has a formula', () => {
    const without = files
      .filter(
        (file) =>
          /^(reading|stack|shim|wear)\//.test(file) &&
          !/index|templates|senses|graph|student|flow|joining|fixture|instruments|looks|decisions|reading\.ts|reachable|solver\//.test(file),
      )
      .filter((file) => !readFileSync(join(SRC, file), 'utf8').includes('@example'));
    expect(without).toEqual([]);
  });
});
