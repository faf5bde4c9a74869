/**
 * Imperial standard wire gauge, numbers 0 to 36, in inches (exact by definition).
 * Source: BS 3737, from memory of the table; checked in the tests against checks/sheet-gauges.csv.
 */
export const SWG_INCHES: readonly number[] = [
  0.324, 0.3, 0.276, 0.252, 0.232, 0.212, 0.192, 0.176, 0.16, 0.144, 0.128, 0.116, 0.104, 0.092, 0.08, 0.072, 0.064, 0.056, 0.048, 0.04, 0.036, 0.032,
  0.028, 0.024, 0.022, 0.02, 0.018, 0.0164, 0.0148, 0.0136, 0.0124, 0.0116, 0.0108, 0.01, 0.0092, 0.0084, 0.0076,
];
