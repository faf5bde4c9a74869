import type { Photo } from '@elder-cog/contract';
import type { Db } from './open.ts';

const COLUMNS = 'id, job_id AS jobId, of_kind AS ofKind, of_id AS ofId, sha256, media_type AS mediaType, bytes, width, height, caption, who, at';

/** What is said of photos. Their bytes are kept by `photoFiles`. */
export const photos = {
  ofJob: (db: Db, jobId: string): Photo[] => db.prepare<[string], Photo>(`SELECT ${COLUMNS} FROM photo WHERE job_id = ? ORDER BY seq`).all(jobId),
  byId: (db: Db, id: string): Photo | null => db.prepare<[string], Photo>(`SELECT ${COLUMNS} FROM photo WHERE id = ?`).get(id) ?? null,
  mediaType: (db: Db, sha256: string): string | null =>
    db.prepare<[string], string>('SELECT media_type FROM photo WHERE sha256 = ? LIMIT 1').pluck().get(sha256) ?? null,
  /** Names of the files that some photo is of. */
  names: (db: Db): Set<string> => new Set(db.prepare<[], string>('SELECT DISTINCT sha256 FROM photo').pluck().all()),
  /** Those that have not been taken back. */
  standing: (db: Db): { id: string; jobId: string; sha256: string }[] =>
    db
      .prepare<[], { id: string; jobId: string; sha256: string }>(
        "SELECT id, job_id AS jobId, sha256 FROM photo p WHERE NOT EXISTS (SELECT 1 FROM withdrawal w WHERE w.of_kind = 'photo' AND w.of_id = p.id)",
      )
      .all(),
  insert(db: Db, row: Photo): void {
    db.prepare(
      `INSERT INTO photo (id, job_id, of_kind, of_id, sha256, media_type, bytes, width, height, caption, who, at, seq)
      VALUES (@id, @jobId, @ofKind, @ofId, @sha256, @mediaType, @bytes, @width, @height, @caption, @who, @at, (SELECT coalesce(max(seq), 0) + 1 FROM photo))`,
    ).run(row);
  },
};
