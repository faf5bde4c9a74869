/**
 * Student's t for a 95.45 % two-sided interval: what U = k·u uses (JCGM 100, table G.2, from memory; checked in the
 * tests against a statistics library). Between rows it is interpolated in 1/dof, which is nearly straight.
 */
const K_9545: readonly (readonly [number, number])[] = [
  [1, 13.97],
  [2, 4.53],
  [3, 3.31],
  [4, 2.87],
  [5, 2.65],
  [6, 2.52],
  [7, 2.43],
  [8, 2.37],
  [9, 2.32],
  [10, 2.28],
  [15, 2.18],
  [20, 2.13],
  [50, 2.05],
  [Infinity, 2],
];

/**
 * Coverage factor k for 95.45 %.
 *
 * @param dof degrees of freedom; 2 is returned where none is known, and that of 1 for less
 * @example coverageFactor(5) // 2.65
 */
export function coverageFactor(dof = Infinity): number {
  if (dof <= 1) return 13.97;
  const above = K_9545.findIndex(([rows]) => dof <= rows);
  const [[lowDof, lowK], [highDof, highK]] = K_9545.slice(above - 1, above + 1) as [[number, number], [number, number]];
  const share = (1 / lowDof - 1 / dof) / (1 / lowDof - 1 / highDof);
  return lowK + share * (highK - lowK);
}

const LANCZOS = [76.18009172947146, -86.50532032941677, 24.01409824083091, -1.231739572450155, 0.1208650973866179e-2, -0.5395239384953e-5] as const;

function logGamma(x: number): number {
  const t = x + 5.5;
  const series = LANCZOS.reduce((sum, c, i) => sum + c / (x + 1 + i), 1.000000000190015);
  return (x + 0.5) * Math.log(t) - t + Math.log((2.5066282746310005 * series) / x);
}

/** Continued fraction of the incomplete beta function (modified Lentz). */
function betaFraction(a: number, b: number, x: number): number {
  const tiny = 1e-300;
  let c = 1;
  let d = 1 / (1 - ((a + b) * x) / (a + 1) || tiny);
  let h = d;
  for (let m = 1; m <= 300; m++) {
    for (const term of [(m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m)), (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1))]) {
      d = 1 / (1 + term * d || tiny);
      c = 1 + term / c || tiny;
      h *= d * c;
    }
    if (Math.abs(d * c - 1) < 1e-14) break;
  }
  return h;
}

function regularisedBeta(a: number, b: number, x: number): number {
  if (x >= 1) return 1;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  return x < (a + 1) / (a + b + 2) ? (front * betaFraction(a, b, x)) / a : 1 - (front * betaFraction(b, a, 1 - x)) / b;
}

/** Abramowitz and Stegun 7.1.26, from memory: within 1.5e-7. */
function normalCdf(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const series = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429))));
  const tail = (series * Math.exp(-x * x)) / 2;
  return z > 0 ? 1 - tail : tail;
}

/**
 * Chance that a Student variable of `dof` degrees of freedom lies below t (normal above 10 000). By the incomplete
 * beta function; checked against a statistics library.
 *
 * @example studentCdf(0, 5) // 0.5
 */
export function studentCdf(t: number, dof: number): number {
  if (dof > 10_000) return normalCdf(t);
  const nu = dof;
  const tail = regularisedBeta(nu / 2, 0.5, nu / (nu + t * t)) / 2;
  return t > 0 ? 1 - tail : tail;
}
