/** Whether a row is marked gone: a column of every description, and among the facts a field of those alone that are. */
interface Marked {
  readonly gone: number;
}

export const fromMarked = <Row extends Marked>({ gone, ...row }: Row): Omit<Row, 'gone'> & { gone?: true } =>
  gone === 1 ? { ...row, gone: true } : row;

export const marked = <Row extends { readonly gone?: boolean | undefined }>(row: Row): Omit<Row, 'gone'> & Marked => ({
  ...row,
  gone: row.gone === true ? 1 : 0,
});
