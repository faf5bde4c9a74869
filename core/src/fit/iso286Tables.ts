/**
 * Tolerance grades and fundamental deviations, micrometres, 3 to 250 mm.
 * Source: ISO 286-1 and ISO 286-2, from memory of the tables; checked in the tests against checks/iso286.csv and, by a second route,
 * against the formulae of ISO 286-1.
 */

/** Upper ends of the main steps of nominal size, mm: "over … up to and including". */
export const MAIN_STEPS: readonly number[] = [3, 6, 10, 18, 30, 50, 80, 120, 180, 250];

/** The finer steps that r, s and u go by, mm. */
export const FINE_STEPS: readonly number[] = [3, 6, 10, 14, 18, 24, 30, 40, 50, 65, 80, 100, 120, 140, 160, 180, 200, 225, 250];

/** Width of the tolerance zone by grade, IT4 to IT11, for each main step. IT4 only serves the rule for holes of IT5. */
export const GRADES: Readonly<Record<number, readonly number[]>> = {
  4: [3, 4, 4, 5, 6, 7, 8, 10, 12, 14],
  5: [4, 5, 6, 8, 9, 11, 13, 15, 18, 20],
  6: [6, 8, 9, 11, 13, 16, 19, 22, 25, 29],
  7: [10, 12, 15, 18, 21, 25, 30, 35, 40, 46],
  8: [14, 18, 22, 27, 33, 39, 46, 54, 63, 72],
  9: [25, 30, 36, 43, 52, 62, 74, 87, 100, 115],
  10: [40, 48, 58, 70, 84, 100, 120, 140, 160, 185],
  11: [60, 75, 90, 110, 130, 160, 190, 220, 250, 290],
};

/** How far below nominal the upper limit of a clearance shaft lies, for each main step; a hole of the same letter is its mirror. */
export const BELOW: Readonly<Record<string, readonly number[]>> = {
  d: [20, 30, 40, 50, 65, 80, 100, 120, 145, 170],
  e: [14, 20, 25, 32, 40, 50, 60, 72, 85, 100],
  f: [6, 10, 13, 16, 20, 25, 30, 36, 43, 50],
  g: [2, 4, 5, 6, 7, 9, 10, 12, 14, 15],
  h: [0, 0, 0, 0, 0, 0, 0, 0, 0, 0],
};

/** How far above nominal the lower limit of a shaft lies, for each main step. k is nought above IT7. */
export const ABOVE: Readonly<Record<string, readonly number[]>> = {
  k: [0, 1, 1, 1, 2, 2, 2, 3, 3, 4],
  m: [2, 4, 6, 7, 8, 9, 11, 13, 15, 17],
  n: [4, 8, 10, 12, 15, 17, 20, 23, 27, 31],
  p: [6, 12, 15, 18, 22, 26, 32, 37, 43, 50],
};

/** The same, for each fine step. */
export const ABOVE_FINE: Readonly<Record<string, readonly number[]>> = {
  r: [10, 15, 19, 23, 23, 28, 28, 34, 34, 41, 43, 51, 54, 63, 65, 68, 77, 80, 84],
  s: [14, 19, 23, 28, 28, 35, 35, 43, 43, 53, 59, 71, 79, 92, 100, 108, 122, 130, 140],
  u: [18, 23, 28, 33, 33, 41, 48, 60, 70, 87, 102, 124, 144, 170, 190, 210, 236, 258, 284],
};

/** Lower limit of a shaft j, below nominal, by grade: irregular, by table only. */
export const J_SHAFT: Readonly<Record<number, readonly number[]>> = {
  5: [2, 2, 2, 3, 4, 5, 7, 9, 11, 13],
  6: [2, 2, 2, 3, 4, 5, 7, 9, 11, 13],
  7: [4, 4, 5, 6, 8, 10, 12, 15, 18, 21],
};

/** Upper limit of a hole J, above nominal, by grade: irregular, by table only. */
export const J_HOLE: Readonly<Record<number, readonly number[]>> = {
  6: [2, 5, 5, 6, 8, 10, 13, 16, 18, 22],
  7: [4, 6, 8, 10, 12, 14, 18, 22, 26, 30],
  8: [6, 10, 12, 15, 20, 24, 28, 34, 41, 47],
};
