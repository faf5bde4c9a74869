-- What came apart, how it looked, what was decided, accepted and left open, and photos of it. Stations of any kind; withdrawals of any
-- observation. The two tables rebuilt here had their kinds held by a CHECK: the contract holds them now.

CREATE TABLE station_now (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, shaft_id TEXT NOT NULL REFERENCES shaft,
  subject TEXT NOT NULL, quantity TEXT NOT NULL, more_is TEXT NOT NULL,
  role TEXT NOT NULL, name TEXT NOT NULL, position INTEGER NOT NULL, contact_role TEXT, bore_id TEXT, journal_id TEXT,
  new_nm INTEGER, rule TEXT NOT NULL, aim TEXT NOT NULL, method TEXT, instrument TEXT, gone INTEGER NOT NULL
) STRICT;
INSERT INTO station_now SELECT id, revision, shaft_id, subject, quantity, more_is, role, name, position, contact_role, bore_id, journal_id,
  new_nm, rule, aim, method, instrument, 0 FROM station ORDER BY rowid;
DROP TABLE station;
ALTER TABLE station_now RENAME TO station;
CREATE INDEX station_shaft ON station (shaft_id);

CREATE TABLE withdrawal_now (
  id TEXT PRIMARY KEY, of_kind TEXT NOT NULL, of_id TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL, why TEXT NOT NULL
) STRICT;
INSERT INTO withdrawal_now SELECT id, of_kind, of_id, who, at, why FROM withdrawal ORDER BY rowid;
DROP TABLE withdrawal;
ALTER TABLE withdrawal_now RENAME TO withdrawal;
CREATE INDEX withdrawal_of ON withdrawal (of_id);
CREATE TRIGGER withdrawal_kept BEFORE UPDATE ON withdrawal BEGIN SELECT RAISE(ABORT, 'a withdrawal is never changed'); END;
CREATE TRIGGER withdrawal_stays BEFORE DELETE ON withdrawal BEGIN SELECT RAISE(ABORT, 'a withdrawal is never deleted'); END;

ALTER TABLE assembly ADD COLUMN came_apart INTEGER NOT NULL DEFAULT 0;

CREATE TABLE strip_entry (
  id TEXT PRIMARY KEY, assembly_id TEXT NOT NULL REFERENCES assembly, shaft_id TEXT REFERENCES shaft, supersedes TEXT REFERENCES strip_entry,
  kind TEXT NOT NULL, text TEXT NOT NULL, part TEXT NOT NULL, way_round TEXT NOT NULL, side TEXT NOT NULL, size_nm INTEGER, written TEXT NOT NULL,
  unit TEXT NOT NULL, leaves TEXT NOT NULL, bolts TEXT, count TEXT, inventory INTEGER NOT NULL, note TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL
) STRICT;
CREATE INDEX strip_assembly ON strip_entry (assembly_id);

CREATE TABLE inspection (
  id TEXT PRIMARY KEY, job_id TEXT NOT NULL REFERENCES job, station_id TEXT REFERENCES station, part TEXT NOT NULL, part_type TEXT NOT NULL,
  cleaned INTEGER NOT NULL, findings TEXT NOT NULL, proposed TEXT, decision TEXT NOT NULL, reason TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL
) STRICT;
CREATE INDEX inspection_job ON inspection (job_id);

CREATE TABLE acceptance (
  id TEXT PRIMARY KEY, station_id TEXT NOT NULL REFERENCES station, kind TEXT NOT NULL, value_nm INTEGER, reason TEXT NOT NULL CHECK (reason <> ''),
  who TEXT NOT NULL, at TEXT NOT NULL
) STRICT;
CREATE INDEX acceptance_station ON acceptance (station_id);

CREATE TABLE photo (
  id TEXT PRIMARY KEY, job_id TEXT NOT NULL REFERENCES job, of_kind TEXT NOT NULL, of_id TEXT NOT NULL, sha256 TEXT NOT NULL, media_type TEXT NOT NULL,
  bytes INTEGER NOT NULL, width INTEGER NOT NULL, height INTEGER NOT NULL, caption TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL
) STRICT;
CREATE INDEX photo_job ON photo (job_id);
CREATE INDEX photo_sha ON photo (sha256);

CREATE TABLE look_alike (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, job_id TEXT NOT NULL REFERENCES job, form TEXT NOT NULL, a TEXT NOT NULL, b TEXT NOT NULL,
  tell TEXT NOT NULL, gone INTEGER NOT NULL
) STRICT;
CREATE INDEX look_alike_job ON look_alike (job_id);

CREATE TABLE matched_set (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, job_id TEXT NOT NULL REFERENCES job, name TEXT NOT NULL, members TEXT NOT NULL, gone INTEGER NOT NULL
) STRICT;
CREATE INDEX matched_set_job ON matched_set (job_id);

CREATE TABLE open_item (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, job_id TEXT NOT NULL REFERENCES job, text TEXT NOT NULL, place TEXT NOT NULL, state TEXT NOT NULL,
  reason TEXT NOT NULL, who TEXT NOT NULL, raised_at TEXT NOT NULL, ended_at TEXT
) STRICT;
CREATE INDEX open_item_job ON open_item (job_id);

CREATE TRIGGER strip_kept BEFORE UPDATE ON strip_entry BEGIN SELECT RAISE(ABORT, 'the strip log is never changed: write it again'); END;
CREATE TRIGGER strip_stays BEFORE DELETE ON strip_entry BEGIN SELECT RAISE(ABORT, 'the strip log is never deleted: withdraw it'); END;
CREATE TRIGGER inspection_kept BEFORE UPDATE ON inspection BEGIN SELECT RAISE(ABORT, 'an inspection is never changed'); END;
CREATE TRIGGER inspection_stays BEFORE DELETE ON inspection BEGIN SELECT RAISE(ABORT, 'an inspection is never deleted: withdraw it'); END;
CREATE TRIGGER acceptance_kept BEFORE UPDATE ON acceptance BEGIN SELECT RAISE(ABORT, 'an acceptance is never changed'); END;
CREATE TRIGGER acceptance_stays BEFORE DELETE ON acceptance BEGIN SELECT RAISE(ABORT, 'an acceptance is never deleted: withdraw it'); END;
CREATE TRIGGER photo_kept BEFORE UPDATE ON photo BEGIN SELECT RAISE(ABORT, 'a photo is never changed'); END;
CREATE TRIGGER photo_stays BEFORE DELETE ON photo BEGIN SELECT RAISE(ABORT, 'a photo is never deleted: withdraw it'); END;
