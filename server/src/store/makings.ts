import type { Making } from '@elder-cog/contract';
import { fromMarked, marked } from './gone.ts';
import type { Db } from './open.ts';

type Window = NonNullable<Making['window']>;
type Blank = NonNullable<Making['blank']>;
type Row = Omit<Making, 'gone' | 'form' | 'beside' | 'window' | 'blank'> & {
  readonly gone: number;
  readonly form: string | null;
  readonly beside: string;
  readonly min: Window['min'] | null;
  readonly max: Window['max'] | null;
  readonly ideal: Window['ideal'] | null;
  readonly windowFrom: string | null;
  readonly blankSize: Blank['size'] | null;
  readonly blankWritten: string | null;
  readonly blankUnit: Blank['unit'] | null;
};

const COLUMNS =
  'id, revision, gone, job_id AS jobId, name, form, place_id AS placeId, gap_id AS gapId, size_id AS sizeId, min_nm AS min, max_nm AS max, ideal_nm AS ideal, window_from AS windowFrom, beside, material, blank_nm AS blankSize, blank_written AS blankWritten, blank_unit AS blankUnit, process, state, lot_id AS lotId, note, who, at';

function fromRow({ form, beside, min, max, ideal, windowFrom, blankSize, blankWritten, blankUnit, ...row }: Row): Making {
  return {
    ...fromMarked(row),
    form: form === null ? null : (JSON.parse(form) as Making['form']),
    beside: JSON.parse(beside) as Making['beside'],
    window: min === null || max === null || ideal === null ? null : { min, max, ideal, from: windowFrom },
    blank: blankSize === null || blankWritten === null || blankUnit === null ? null : { size: blankSize, written: blankWritten, unit: blankUnit },
  };
}

const toRow = ({ form, beside, window, blank, ...row }: Making): object => ({
  ...marked(row),
  form: form === null ? null : JSON.stringify(form),
  beside: JSON.stringify(beside),
  min: window?.min ?? null,
  max: window?.max ?? null,
  ideal: window?.ideal ?? null,
  windowFrom: window?.from ?? null,
  blankSize: blank?.size ?? null,
  blankWritten: blank?.written ?? null,
  blankUnit: blank?.unit ?? null,
});

export const makings = {
  ofJob: (db: Db, jobId: string): Making[] =>
    db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM making WHERE job_id = ? ORDER BY seq`).all(jobId).map(fromRow),
  byId(db: Db, id: string): Making | null {
    const row = db.prepare<[string], Row>(`SELECT ${COLUMNS} FROM making WHERE id = ?`).get(id);
    return row ? fromRow(row) : null;
  },
  insert(db: Db, row: Making): void {
    db.prepare(
      'INSERT INTO making (id, revision, gone, job_id, name, form, place_id, gap_id, size_id, min_nm, max_nm, ideal_nm, window_from, beside, material, blank_nm, blank_written, blank_unit, process, state, lot_id, note, who, at, seq) VALUES (@id, @revision, @gone, @jobId, @name, @form, @placeId, @gapId, @sizeId, @min, @max, @ideal, @windowFrom, @beside, @material, @blankSize, @blankWritten, @blankUnit, @process, @state, @lotId, @note, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM making))',
    ).run(toRow(row));
  },
  update(db: Db, row: Making): void {
    db.prepare(
      'UPDATE making SET revision = @revision, gone = @gone, name = @name, form = @form, place_id = @placeId, gap_id = @gapId, size_id = @sizeId, min_nm = @min, max_nm = @max, ideal_nm = @ideal, window_from = @windowFrom, beside = @beside, material = @material, blank_nm = @blankSize, blank_written = @blankWritten, blank_unit = @blankUnit, process = @process, state = @state, lot_id = @lotId, note = @note, who = @who, at = @at WHERE id = @id',
    ).run(toRow(row));
  },
  remove(db: Db, id: string): void {
    db.prepare('DELETE FROM making WHERE id = ?').run(id);
  },
};
