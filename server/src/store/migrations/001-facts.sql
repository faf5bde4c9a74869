-- Facts as they were seen, measured, fitted and decided. Lengths are whole nanometres. Times are ISO 8601 UTC.
-- Descriptions carry a revision; observations (build, build_fit, reading, withdrawal) are insert only, held so by triggers.

CREATE TABLE job (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, machine TEXT NOT NULL, year TEXT NOT NULL, note TEXT NOT NULL,
  created_at TEXT NOT NULL, archived_at TEXT
) STRICT;

CREATE TABLE assembly (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, job_id TEXT NOT NULL REFERENCES job, name TEXT NOT NULL, kind TEXT NOT NULL,
  position INTEGER NOT NULL, mirror_of TEXT REFERENCES assembly
) STRICT;
CREATE INDEX assembly_job ON assembly (job_id);

CREATE TABLE shaft (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, assembly_id TEXT NOT NULL REFERENCES assembly, name TEXT NOT NULL,
  template TEXT NOT NULL, place TEXT NOT NULL, gasket INTEGER NOT NULL, position INTEGER NOT NULL
) STRICT;
CREATE INDEX shaft_assembly ON shaft (assembly_id);

CREATE TABLE part (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, shaft_id TEXT NOT NULL REFERENCES shaft, role TEXT NOT NULL, name TEXT NOT NULL,
  kind TEXT NOT NULL, material TEXT NOT NULL, turned INTEGER NOT NULL, faces TEXT NOT NULL,
  UNIQUE (shaft_id, role)
) STRICT;

CREATE TABLE feature (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, shaft_id TEXT NOT NULL REFERENCES shaft, part_role TEXT, role TEXT NOT NULL, name TEXT NOT NULL,
  from_face TEXT NOT NULL, to_face TEXT NOT NULL, size_nm INTEGER,
  UNIQUE (shaft_id, role)
) STRICT;

CREATE TABLE contact (
  id TEXT PRIMARY KEY, shaft_id TEXT NOT NULL REFERENCES shaft, role TEXT NOT NULL, face_a TEXT NOT NULL, face_b TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('seated', 'rolling', 'clamped', 'open')), name TEXT NOT NULL,
  UNIQUE (shaft_id, role)
) STRICT;

CREATE TABLE slot (
  id TEXT PRIMARY KEY, shaft_id TEXT NOT NULL REFERENCES shaft, role TEXT NOT NULL, name TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('adjuster', 'gasket', 'bearing', 'fastening', 'part')), part_role TEXT, place TEXT,
  UNIQUE (shaft_id, role)
) STRICT;

CREATE TABLE station (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, shaft_id TEXT NOT NULL REFERENCES shaft,
  subject TEXT NOT NULL CHECK (subject IN ('gap', 'bore', 'journal', 'pair', 'check')), quantity TEXT NOT NULL, more_is TEXT NOT NULL,
  role TEXT NOT NULL, name TEXT NOT NULL, position INTEGER NOT NULL, contact_role TEXT, bore_id TEXT, journal_id TEXT,
  new_nm INTEGER, rule TEXT NOT NULL, aim TEXT NOT NULL, method TEXT, instrument TEXT
) STRICT;
CREATE INDEX station_shaft ON station (shaft_id);

CREATE TABLE limits (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, station_id TEXT NOT NULL REFERENCES station, min_nm INTEGER, max_nm INTEGER,
  written TEXT NOT NULL, unit TEXT NOT NULL, source TEXT NOT NULL, page_or_whom TEXT NOT NULL, in_use INTEGER NOT NULL,
  CHECK (min_nm IS NOT NULL OR max_nm IS NOT NULL), CHECK (min_nm IS NULL OR max_nm IS NULL OR min_nm <= max_nm)
) STRICT;
CREATE INDEX limits_station ON limits (station_id);

CREATE TABLE build (
  id TEXT PRIMARY KEY, assembly_id TEXT NOT NULL REFERENCES assembly, parent_id TEXT REFERENCES build, stage TEXT NOT NULL,
  at TEXT NOT NULL, who TEXT NOT NULL, label TEXT NOT NULL, feel TEXT NOT NULL, note TEXT NOT NULL
) STRICT;
CREATE INDEX build_assembly ON build (assembly_id);

CREATE TABLE lot (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, thickness_nm INTEGER NOT NULL CHECK (thickness_nm > 0), written TEXT NOT NULL, unit TEXT NOT NULL,
  owned INTEGER NOT NULL CHECK (owned >= 0), material TEXT NOT NULL, kept_in TEXT NOT NULL, note TEXT NOT NULL
) STRICT;

CREATE TABLE build_fit (
  id TEXT PRIMARY KEY, build_id TEXT NOT NULL REFERENCES build, slot_id TEXT NOT NULL REFERENCES slot, state TEXT,
  UNIQUE (build_id, slot_id)
) STRICT;

CREATE TABLE build_leaf (
  build_fit_id TEXT NOT NULL REFERENCES build_fit, position INTEGER NOT NULL, lot_id TEXT REFERENCES lot, thickness_nm INTEGER NOT NULL CHECK (thickness_nm > 0),
  written TEXT NOT NULL, unit TEXT NOT NULL, count INTEGER NOT NULL CHECK (count > 0),
  PRIMARY KEY (build_fit_id, position)
) STRICT;

CREATE TABLE reading (
  id TEXT PRIMARY KEY, station_id TEXT NOT NULL REFERENCES station, build_id TEXT REFERENCES build, method TEXT NOT NULL, raw TEXT NOT NULL,
  who TEXT NOT NULL, taken_at TEXT NOT NULL, supersedes TEXT REFERENCES reading, kept_as TEXT NOT NULL
) STRICT;
CREATE INDEX reading_station ON reading (station_id);

CREATE TABLE withdrawal (
  id TEXT PRIMARY KEY, of_kind TEXT NOT NULL CHECK (of_kind IN ('reading', 'build', 'withdrawal')), of_id TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL, why TEXT NOT NULL
) STRICT;
CREATE INDEX withdrawal_of ON withdrawal (of_id);

CREATE TABLE journal (
  seq INTEGER PRIMARY KEY, command_id TEXT NOT NULL UNIQUE, client_id TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL, kind TEXT NOT NULL,
  what TEXT NOT NULL, effects TEXT NOT NULL, undoes INTEGER REFERENCES journal, undid TEXT
) STRICT;
CREATE INDEX journal_client ON journal (client_id, seq);

CREATE TRIGGER reading_kept BEFORE UPDATE ON reading BEGIN SELECT RAISE(ABORT, 'a reading is never changed: withdraw it'); END;
CREATE TRIGGER reading_stays BEFORE DELETE ON reading BEGIN SELECT RAISE(ABORT, 'a reading is never deleted: withdraw it'); END;
CREATE TRIGGER build_kept BEFORE UPDATE ON build BEGIN SELECT RAISE(ABORT, 'a build is never changed: withdraw it'); END;
CREATE TRIGGER build_stays BEFORE DELETE ON build BEGIN SELECT RAISE(ABORT, 'a build is never deleted: withdraw it'); END;
CREATE TRIGGER build_fit_kept BEFORE UPDATE ON build_fit BEGIN SELECT RAISE(ABORT, 'a build is never changed: withdraw it'); END;
CREATE TRIGGER build_fit_stays BEFORE DELETE ON build_fit BEGIN SELECT RAISE(ABORT, 'a build is never deleted: withdraw it'); END;
CREATE TRIGGER withdrawal_kept BEFORE UPDATE ON withdrawal BEGIN SELECT RAISE(ABORT, 'a withdrawal is never changed'); END;
CREATE TRIGGER withdrawal_stays BEFORE DELETE ON withdrawal BEGIN SELECT RAISE(ABORT, 'a withdrawal is never deleted'); END;
