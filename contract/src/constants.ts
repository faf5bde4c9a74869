/** The version of the facts, as they stand in a file and cross the wire. */
export const FILE_VERSION = 11;

/** The state of a place whose pack is in, and nobody has measured it. */
export const NOT_MEASURED = 'not measured';
const COUNTED = /^not measured, (\d{1,2}) of them$/;

/** What is said of a pack nobody has measured: so many leaves, where they were counted. */
export const notMeasured = (count: number | null): string => (count === null ? NOT_MEASURED : `${NOT_MEASURED}, ${count} of them`);
export const isNotMeasured = (state: string | null): boolean => state === NOT_MEASURED || countedIn(state) !== null;
/** How many leaves of a pack nobody has measured were counted; null where none were. */
export const countedIn = (state: string | null): number | null => {
  const [, count] = COUNTED.exec(state ?? '') ?? [];
  return count === undefined ? null : Number(count);
};

/** Counted up whenever the shape of a reply changes: a test holds the two together. */
export const WIRE = 11;
/** What every reply says of its shape: a page that was built for another is to be loaded again. */
export const SHAPES = `${FILE_VERSION}.${WIRE}`;
export const SHAPES_HEADER = 'x-elder-cog-shapes';

/** Tables of what is observed: put down once, withdrawn, and never changed. */
export const OBSERVATIONS = [
  'reading',
  'build',
  'withdrawal',
  'strip',
  'inspection',
  'acceptance',
  'photo',
  'feel',
  'temporary',
  'closing',
  'removal',
  'pass',
  'heating',
  'pull',
  'rollerCount',
] as const;

/** The biggest file that is sent away or brought in, with its photos. A backup has no limit. */
export const FILE_LIMIT_MB = 256;

/** Rows of a page that go in one command, each with a limit and readings at three places: all of them or none. */
export const ROWS_AT_ONCE = 500;
