-- What was torqued and how far; what was taken off a part; how a build felt; what is in for the time being; what is done; instruments.

CREATE TABLE tightening (
  build_fit_id TEXT NOT NULL REFERENCES build_fit, position INTEGER NOT NULL, bolts TEXT NOT NULL, torque_si REAL, written TEXT NOT NULL,
  degrees REAL, is_slave INTEGER NOT NULL, PRIMARY KEY (build_fit_id, position)
) STRICT;
ALTER TABLE build_fit ADD COLUMN another INTEGER NOT NULL DEFAULT 0;

CREATE TABLE feel (
  id TEXT PRIMARY KEY, build_id TEXT NOT NULL REFERENCES build, word TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX feel_of_build ON feel (build_id);

CREATE TABLE temporary_thing (
  id TEXT PRIMARY KEY, assembly_id TEXT NOT NULL REFERENCES assembly, build_id TEXT REFERENCES build, what TEXT NOT NULL, count INTEGER NOT NULL,
  out_of TEXT REFERENCES temporary_thing, who TEXT NOT NULL, at TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX temporary_of_assembly ON temporary_thing (assembly_id);
CREATE INDEX temporary_out_of ON temporary_thing (out_of);
CREATE INDEX temporary_of_build ON temporary_thing (build_id);

CREATE TABLE removal (
  id TEXT PRIMARY KEY, station_id TEXT NOT NULL REFERENCES station, amount_nm INTEGER, written TEXT NOT NULL, process TEXT NOT NULL,
  after_reading TEXT REFERENCES reading, build_id TEXT REFERENCES build, who TEXT NOT NULL, at TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX removal_of_station ON removal (station_id);
CREATE INDEX removal_of_build ON removal (build_id);
CREATE INDEX removal_after ON removal (after_reading);

CREATE TABLE closing (
  id TEXT PRIMARY KEY, station_id TEXT NOT NULL REFERENCES station, reading_id TEXT REFERENCES reading, who TEXT NOT NULL, at TEXT NOT NULL,
  seq INTEGER NOT NULL
) STRICT;
CREATE INDEX closing_of_station ON closing (station_id);
CREATE INDEX closing_of_reading ON closing (reading_id);

CREATE TABLE instrument (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, gone INTEGER NOT NULL, instrument TEXT NOT NULL, kept_in TEXT NOT NULL, note TEXT NOT NULL
) STRICT;
CREATE TABLE instrument_check (
  instrument_id TEXT NOT NULL REFERENCES instrument, position INTEGER NOT NULL, at TEXT NOT NULL, who TEXT NOT NULL, against TEXT NOT NULL,
  off_nm INTEGER NOT NULL, written TEXT NOT NULL, PRIMARY KEY (instrument_id, position)
) STRICT;

CREATE TRIGGER tightening_kept BEFORE UPDATE ON tightening BEGIN SELECT RAISE(ABORT, 'a build is never changed: withdraw it'); END;
CREATE TRIGGER tightening_stays BEFORE DELETE ON tightening BEGIN SELECT RAISE(ABORT, 'a build is never deleted: withdraw it'); END;
CREATE TRIGGER feel_kept BEFORE UPDATE ON feel BEGIN SELECT RAISE(ABORT, 'how a build felt is never changed: withdraw it'); END;
CREATE TRIGGER feel_stays BEFORE DELETE ON feel BEGIN SELECT RAISE(ABORT, 'how a build felt is never deleted: withdraw it'); END;
CREATE TRIGGER temporary_thing_kept BEFORE UPDATE ON temporary_thing BEGIN SELECT RAISE(ABORT, 'a count is never changed: withdraw it'); END;
CREATE TRIGGER temporary_thing_stays BEFORE DELETE ON temporary_thing BEGIN SELECT RAISE(ABORT, 'a count is never deleted: withdraw it'); END;
CREATE TRIGGER removal_kept BEFORE UPDATE ON removal BEGIN SELECT RAISE(ABORT, 'what was taken off is never changed: withdraw it'); END;
CREATE TRIGGER removal_stays BEFORE DELETE ON removal BEGIN SELECT RAISE(ABORT, 'what was taken off is never deleted: withdraw it'); END;
CREATE TRIGGER closing_kept BEFORE UPDATE ON closing BEGIN SELECT RAISE(ABORT, 'a closing is never changed: withdraw it'); END;
CREATE TRIGGER closing_stays BEFORE DELETE ON closing BEGIN SELECT RAISE(ABORT, 'a closing is never deleted: withdraw it'); END;
