-- Stock; what is made, and what is taken off it pass by pass; what goes into what, and how it went.

CREATE TABLE stock (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, gone INTEGER NOT NULL, form TEXT NOT NULL, material TEXT NOT NULL, thickness_nm INTEGER,
  width_nm INTEGER, outside_nm INTEGER, bore_nm INTEGER, length_nm INTEGER, written TEXT NOT NULL, unit TEXT NOT NULL, owned INTEGER NOT NULL,
  can_buy INTEGER NOT NULL, kept_in TEXT NOT NULL, note TEXT NOT NULL
) STRICT;

CREATE TABLE making (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, gone INTEGER NOT NULL, job_id TEXT NOT NULL REFERENCES job, name TEXT NOT NULL, form TEXT,
  place_id TEXT REFERENCES place, gap_id TEXT REFERENCES station, size_id TEXT REFERENCES station, min_nm INTEGER, max_nm INTEGER, ideal_nm INTEGER,
  window_from TEXT REFERENCES reading, beside TEXT NOT NULL, material TEXT NOT NULL, blank_nm INTEGER, blank_written TEXT, blank_unit TEXT, process TEXT NOT NULL,
  state TEXT NOT NULL, lot_id TEXT REFERENCES lot, note TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX making_of_job ON making (job_id);
CREATE INDEX making_of_place ON making (place_id);
CREATE INDEX making_of_gap ON making (gap_id);
CREATE INDEX making_of_size ON making (size_id);
CREATE INDEX making_from ON making (window_from);
CREATE INDEX making_of_lot ON making (lot_id);

CREATE TABLE making_pass (
  id TEXT PRIMARY KEY, making_id TEXT NOT NULL REFERENCES making, effort REAL NOT NULL, readings TEXT NOT NULL, written TEXT NOT NULL,
  instrument TEXT, who TEXT NOT NULL, at TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX pass_of_making ON making_pass (making_id);

CREATE TABLE fitting (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, gone INTEGER NOT NULL, job_id TEXT NOT NULL REFERENCES job, name TEXT NOT NULL,
  outer_part TEXT NOT NULL, inner_part TEXT NOT NULL, length_nm INTEGER, journal_nm INTEGER, clearance TEXT, ease_nm INTEGER, ambient REAL NOT NULL,
  humidity REAL, heating TEXT, working REAL, note TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX fitting_of_job ON fitting (job_id);

CREATE TABLE heating (
  id TEXT PRIMARY KEY, fitting_id TEXT NOT NULL REFERENCES fitting, outer_c REAL, inner_c REAL, went TEXT NOT NULL, is_home INTEGER,
  note TEXT NOT NULL, who TEXT NOT NULL, at TEXT NOT NULL, seq INTEGER NOT NULL
) STRICT;
CREATE INDEX heating_of_fitting ON heating (fitting_id);

CREATE TRIGGER making_pass_kept BEFORE UPDATE ON making_pass BEGIN SELECT RAISE(ABORT, 'a pass is never changed: withdraw it'); END;
CREATE TRIGGER making_pass_stays BEFORE DELETE ON making_pass BEGIN SELECT RAISE(ABORT, 'a pass is never deleted: withdraw it'); END;
CREATE TRIGGER heating_kept BEFORE UPDATE ON heating BEGIN SELECT RAISE(ABORT, 'a go at a fit is never changed: withdraw it'); END;
CREATE TRIGGER heating_stays BEFORE DELETE ON heating BEGIN SELECT RAISE(ABORT, 'a go at a fit is never deleted: withdraw it'); END;
