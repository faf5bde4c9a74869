-- What an entry was understood as stands beside what was typed; old readings are given the word of the reader of their day by the step that
-- follows this one. A limit may be a single figure with no tolerance. What a bare number is in this workshop is said once.

DROP TRIGGER reading_kept;

CREATE TABLE limits_new (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, station_id TEXT NOT NULL REFERENCES station, min_nm INTEGER, max_nm INTEGER, nominal_nm INTEGER,
  written TEXT NOT NULL, unit TEXT NOT NULL, source TEXT NOT NULL, page_or_whom TEXT NOT NULL, said_at TEXT NOT NULL DEFAULT '',
  working TEXT NOT NULL DEFAULT '', spec_id TEXT REFERENCES spec, in_use INTEGER NOT NULL, gone INTEGER NOT NULL DEFAULT 0,
  CHECK (min_nm IS NOT NULL OR max_nm IS NOT NULL OR nominal_nm IS NOT NULL), CHECK (min_nm IS NULL OR max_nm IS NULL OR min_nm <= max_nm)
) STRICT;
INSERT INTO limits_new (rowid, id, revision, station_id, min_nm, max_nm, written, unit, source, page_or_whom, said_at, working, spec_id, in_use, gone)
  SELECT rowid, id, revision, station_id, min_nm, max_nm, written, unit, source, page_or_whom, said_at, working, spec_id, in_use, gone FROM limits;
DROP TABLE limits;
ALTER TABLE limits_new RENAME TO limits;
CREATE INDEX limits_station ON limits (station_id);
CREATE INDEX limits_spec ON limits (spec_id);
ALTER TABLE workshop ADD COLUMN bare TEXT NOT NULL DEFAULT 'thou' CHECK (bare IN ('thou', 'mm'));
