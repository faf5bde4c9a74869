import { mm, simulateStack, type StackLink } from '@elder-cog/core';
import { report, time } from './report.ts';

const SAMPLES = 1_000_000;
const LINKS = 12;

/** The least that drawing so many chains can take: a generator of the same family, a multiplication and a sum into one typed array. */
function bareLoop(): number {
  const gap = new Float64Array(SAMPLES);
  let x = 123_456_789;
  for (let link = 0; link < LINKS; link++)
    for (let i = 0; i < SAMPLES; i++) {
      x ^= x << 13;
      x ^= x >>> 17;
      x ^= x << 5;
      gap[i] = (gap[i] ?? 0) + x * 1e-6;
    }
  let sum = 0;
  for (const each of gap) sum += each;
  return sum;
}

/** A million samples of a chain of twelve links, against a bare loop of as many draws. */
export function benchStack(): void {
  console.log('\nA stack of 12 links drawn a million times');
  const links = Array.from({ length: LINKS }, (_, i): StackLink => ({ length: mm(20 + i), u: 2000 + 100 * i, sense: i % 2 === 0 ? 1 : -1 }));
  const limits = { min: mm(-100), max: mm(100) };
  const rounds = Array.from({ length: 12 }, (_, seed) => seed);
  rounds.slice(0, 2).forEach((seed) => {
    simulateStack({ links, limits, samples: SAMPLES, seed });
    bareLoop();
  });
  const bare = report(
    'bare typed-array loop',
    rounds.map(() => time(() => void bareLoop())),
  );
  const drawn = report(
    'simulateStack',
    rounds.map((seed) => time(() => void simulateStack({ links, limits, samples: SAMPLES, seed }))),
  );
  console.log(`ratio at the middle, simulateStack ÷ bare: ${(drawn.p50 / bare.p50).toFixed(2)} (at most 2)`);
}
