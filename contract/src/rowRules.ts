/** What a row may name, and what else must hold of it: the words that the register of tables is written in. */

export type Path = readonly (string | number)[];

/** Something of a row that cannot be, where it stands, and what would be right. */
export interface FileProblem {
  readonly path: Path;
  readonly found: string;
  readonly wanted: string;
}

/** A row named by another. */
export interface Named {
  readonly field: Path;
  readonly to: string;
  readonly id: string;
}

/** A row named in a field; nothing where the field is empty. */
export const to = (table: string, field: string | Path, id: string | null | undefined): Named[] =>
  id === null || id === undefined ? [] : [{ field: typeof field === 'string' ? [field] : field, to: table, id }];

/** The shaft a face is of, and that shaft's job; null where there is no such face. */
export type FindFace = (id: string) => { readonly shaftId: string; readonly jobId: string } | null;

export type Check = (ok: boolean, field: Path, found: unknown, wanted: string) => void;

export interface Checking {
  readonly face: FindFace;
  readonly check: Check;
  readonly jobId: string;
}
