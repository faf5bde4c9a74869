-- Limits say more of where they come from; a manual's page is kept line by line; the journal knows whose job each entry is, and is
-- never rewritten.

CREATE TABLE spec (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, job_id TEXT NOT NULL REFERENCES job, position INTEGER NOT NULL, text TEXT NOT NULL,
  name TEXT NOT NULL, quantity TEXT, min_nm INTEGER, max_nm INTEGER, min_si REAL, max_si REAL, unit TEXT NOT NULL, written TEXT NOT NULL,
  remark TEXT NOT NULL, source TEXT NOT NULL, page_or_whom TEXT NOT NULL, said_at TEXT NOT NULL, station_id TEXT REFERENCES station,
  left_out INTEGER NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL,
  CHECK (quantity = 'length' OR (min_nm IS NULL AND max_nm IS NULL)),
  CHECK (quantity <> 'length' OR (min_si IS NULL AND max_si IS NULL)),
  CHECK (quantity IS NOT NULL OR (min_nm IS NULL AND max_nm IS NULL AND min_si IS NULL AND max_si IS NULL)),
  CHECK (min_nm IS NULL OR max_nm IS NULL OR min_nm <= max_nm), CHECK (min_si IS NULL OR max_si IS NULL OR min_si <= max_si)
) STRICT;
CREATE INDEX spec_job ON spec (job_id);

ALTER TABLE limits ADD COLUMN said_at TEXT NOT NULL DEFAULT '';
ALTER TABLE limits ADD COLUMN working TEXT NOT NULL DEFAULT '';
ALTER TABLE limits ADD COLUMN spec_id TEXT REFERENCES spec;

ALTER TABLE journal ADD COLUMN job_id TEXT;
WITH first AS (
  SELECT seq, json_extract(effects, '$[0].table') AS tbl, json_extract(effects, '$[0].id') AS id,
    coalesce(json_extract(effects, '$[0].after'), json_extract(effects, '$[0].before')) AS row FROM journal
)
UPDATE journal SET job_id = (
  SELECT CASE first.tbl
    WHEN 'job' THEN first.id
    WHEN 'assembly' THEN json_extract(first.row, '$.jobId')
    WHEN 'shaft' THEN (SELECT job_id FROM assembly WHERE id = json_extract(first.row, '$.assemblyId'))
    WHEN 'build' THEN (SELECT job_id FROM assembly WHERE id = json_extract(first.row, '$.assemblyId'))
    WHEN 'station' THEN (SELECT a.job_id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE s.id = json_extract(first.row, '$.shaftId'))
    WHEN 'part' THEN (SELECT a.job_id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE s.id = json_extract(first.row, '$.shaftId'))
    WHEN 'feature' THEN (SELECT a.job_id FROM shaft s JOIN assembly a ON a.id = s.assembly_id WHERE s.id = json_extract(first.row, '$.shaftId'))
    WHEN 'limit' THEN (SELECT a.job_id FROM station t JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = s.assembly_id
      WHERE t.id = json_extract(first.row, '$.stationId'))
    WHEN 'reading' THEN (SELECT a.job_id FROM station t JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = s.assembly_id
      WHERE t.id = json_extract(first.row, '$.stationId'))
    WHEN 'withdrawal' THEN coalesce(
      (SELECT a.job_id FROM reading r JOIN station t ON t.id = r.station_id JOIN shaft s ON s.id = t.shaft_id JOIN assembly a ON a.id = s.assembly_id
        WHERE r.id = json_extract(first.row, '$.ofId')),
      (SELECT a.job_id FROM build b JOIN assembly a ON a.id = b.assembly_id WHERE b.id = json_extract(first.row, '$.ofId')))
  END FROM first WHERE first.seq = journal.seq
);
CREATE INDEX journal_job ON journal (job_id, seq);

CREATE TRIGGER journal_kept BEFORE UPDATE ON journal BEGIN SELECT RAISE(ABORT, 'the journal is never changed'); END;
CREATE TRIGGER journal_stays BEFORE DELETE ON journal BEGIN SELECT RAISE(ABORT, 'the journal is never deleted'); END;
