-- Drags and torques as readings and limits; nuts that are turned; joints and every bolt that is pulled; loose rollers counted out and in.

ALTER TABLE station ADD COLUMN wrench TEXT;
ALTER TABLE station ADD COLUMN seal_si REAL;

-- a limit is of a length, or of a torque
CREATE TABLE limits_new (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, station_id TEXT NOT NULL REFERENCES station, min_nm INTEGER, max_nm INTEGER, nominal_nm INTEGER,
  min_si REAL, max_si REAL, nominal_si REAL, si_unit TEXT, conditions TEXT, written TEXT NOT NULL, unit TEXT NOT NULL, source TEXT NOT NULL,
  page_or_whom TEXT NOT NULL, said_at TEXT NOT NULL DEFAULT '', working TEXT NOT NULL DEFAULT '', spec_id TEXT REFERENCES spec, in_use INTEGER NOT NULL,
  gone INTEGER NOT NULL DEFAULT 0,
  CHECK ((min_nm IS NULL AND max_nm IS NULL AND nominal_nm IS NULL) = (si_unit IS NOT NULL)),
  CHECK ((min_si IS NULL AND max_si IS NULL AND nominal_si IS NULL) = (si_unit IS NULL)),
  CHECK (min_nm IS NULL OR max_nm IS NULL OR min_nm <= max_nm), CHECK (min_si IS NULL OR max_si IS NULL OR min_si <= max_si)
) STRICT;
INSERT INTO limits_new (rowid, id, revision, station_id, min_nm, max_nm, nominal_nm, written, unit, source, page_or_whom, said_at, working, spec_id, in_use, gone)
  SELECT rowid, id, revision, station_id, min_nm, max_nm, nominal_nm, written, unit, source, page_or_whom, said_at, working, spec_id, in_use, gone FROM limits;
DROP TABLE limits;
ALTER TABLE limits_new RENAME TO limits;
CREATE INDEX limits_station ON limits (station_id);
CREATE INDEX limits_spec ON limits (spec_id);

ALTER TABLE part ADD COLUMN is_read_again INTEGER NOT NULL DEFAULT 0;
ALTER TABLE build_fit ADD COLUMN turn REAL;
ALTER TABLE criterion ADD COLUMN is_ceiling INTEGER NOT NULL DEFAULT 0;
ALTER TABLE acceptance ADD COLUMN value_si REAL;

CREATE TABLE joint (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, gone INTEGER NOT NULL, assembly_id TEXT NOT NULL REFERENCES assembly, place_id TEXT REFERENCES place,
  strip_id TEXT REFERENCES strip_entry, name TEXT NOT NULL, shape TEXT NOT NULL, holes INTEGER NOT NULL, thread TEXT NOT NULL, major_nm INTEGER,
  pitch_nm INTEGER, hand TEXT NOT NULL, grade TEXT NOT NULL, dressing TEXT NOT NULL, lock TEXT NOT NULL, adjusts INTEGER NOT NULL, rounds TEXT NOT NULL,
  pull_order TEXT NOT NULL, note TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX joint_of_assembly ON joint (assembly_id);
CREATE INDEX joint_of_place ON joint (place_id);
CREATE INDEX joint_of_strip ON joint (strip_id);

CREATE TABLE pull (
  id TEXT PRIMARY KEY, joint_id TEXT NOT NULL REFERENCES joint, build_id TEXT REFERENCES build, round INTEGER NOT NULL, hole INTEGER NOT NULL,
  torque_si REAL, degrees REAL, written TEXT NOT NULL, after_reading TEXT REFERENCES reading, who TEXT NOT NULL, at TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX pull_of_joint ON pull (joint_id);
CREATE INDEX pull_of_build ON pull (build_id);
CREATE INDEX pull_after ON pull (after_reading);

CREATE TABLE rollers (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, gone INTEGER NOT NULL, assembly_id TEXT NOT NULL REFERENCES assembly, place_id TEXT REFERENCES place,
  name TEXT NOT NULL, track_inner_nm INTEGER, track_outer_nm INTEGER, diameter_nm INTEGER, length_nm INTEGER, track_length_nm INTEGER,
  row_count INTEGER NOT NULL, spacers INTEGER NOT NULL, note TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX rollers_of_assembly ON rollers (assembly_id);
CREATE INDEX rollers_of_place ON rollers (place_id);

CREATE TABLE roller_count (
  id TEXT PRIMARY KEY, rollers_id TEXT NOT NULL REFERENCES rollers, build_id TEXT REFERENCES build, way TEXT NOT NULL, count INTEGER NOT NULL,
  spacers INTEGER NOT NULL, snug INTEGER, note TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX count_of_rollers ON roller_count (rollers_id);
CREATE INDEX count_of_build ON roller_count (build_id);

CREATE TRIGGER pull_kept BEFORE UPDATE ON pull BEGIN SELECT RAISE(ABORT, 'a bolt that was pulled is never changed: withdraw it'); END;
CREATE TRIGGER pull_stays BEFORE DELETE ON pull BEGIN SELECT RAISE(ABORT, 'a bolt that was pulled is never deleted: withdraw it'); END;
CREATE TRIGGER roller_count_kept BEFORE UPDATE ON roller_count BEGIN SELECT RAISE(ABORT, 'a count is never changed: withdraw it'); END;
CREATE TRIGGER roller_count_stays BEFORE DELETE ON roller_count BEGIN SELECT RAISE(ABORT, 'a count is never deleted: withdraw it'); END;
