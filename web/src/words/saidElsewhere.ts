/** Pieces of other libraries that say what they are given by themselves, and not through the page's own elements. */
export const saidElsewhere = new Set<unknown>();
