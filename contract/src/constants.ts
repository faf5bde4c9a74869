/** The version of the facts, as they stand in a file and cross the wire. */
export const FILE_VERSION = 7;

/** The state of a place whose pack is in, and nobody has measured it. */
export const NOT_MEASURED = 'not measured';

/** Counted up whenever the shape of a reply changes: a test holds the two together. */
export const WIRE = 6;
/** What every reply says of its shape: a page that was built for another is to be loaded again. */
export const SHAPES = `${FILE_VERSION}.${WIRE}`;
export const SHAPES_HEADER = 'x-elder-cog-shapes';

/** The biggest file that is sent away or brought in, with its photos. A backup has no limit. */
export const FILE_LIMIT_MB = 256;

/** Rows of a page that go in one command, each with a limit and readings at three places: all of them or none. */
export const ROWS_AT_ONCE = 500;
