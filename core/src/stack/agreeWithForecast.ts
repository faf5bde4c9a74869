import { lengthLine, type Sum } from '../sum.ts';
import { nanometres } from '../quantity/index.ts';
import { estimate, studentCdf, type Bound, type Estimate } from '../reading/index.ts';

export type Agreement = { readonly agree: true; readonly reading: Estimate } | { readonly agree: false };

const density = (z: number): number => Math.exp(-(z ** 2) / 2) / Math.sqrt(2 * Math.PI);

/**
 * What a forecast comes to once one side alone was read: the forecast's normal, cut off by the bound, by its mean and standard deviation.
 * From a float with a known pack, past nought, a dial then shows none: the forecast stands, and the bound agrees with it. A forecast that
 * lies over 2u beyond the bound does not agree: one of the two is wrong.
 *
 * @param forecast the gap as it was reckoned, with its doubt (nm)
 * @param bound at most, or at least, so much
 * @returns the mean and standard deviation of the truncated normal (textbook formula), or that they do not agree
 * @example agreeWithForecast(estimate(mm(-0.05), 5000), { kind: 'atMost', value: mm(0) }).agree // true
 */
export function agreeWithForecast(forecast: Estimate, bound: Bound): Agreement {
  const { value, u } = forecast;
  // at least is at most, seen from the other side
  const side = bound.kind === 'atMost' ? 1 : -1;
  const beyond = side * (value - bound.value);
  if (beyond > 2 * u) return { agree: false };
  if (u === 0) return { agree: true, reading: forecast };
  const z = -beyond / u;
  const pull = density(z) / studentCdf(z, Infinity);
  const mean = value - side * u * pull;
  const sd = u * Math.sqrt(Math.max(0, 1 - z * pull - pull ** 2));
  return { agree: true, reading: { ...forecast, ...estimate(nanometres(mean), sd, forecast.dof) } };
}

export function agreeWithForecastSum(forecast: Estimate, bound: Bound): Sum {
  const agreed = agreeWithForecast(forecast, bound);
  return [
    lengthLine('said', '', forecast.value),
    lengthLine(bound.kind === 'atMost' ? 'read, at most' : 'read, at least', '', bound.value),
    ...(agreed.agree ? [lengthLine('so', 'said, cut off at what was read', agreed.reading.value)] : []),
  ];
}
