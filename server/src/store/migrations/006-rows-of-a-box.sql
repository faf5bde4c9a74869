-- What is measured belongs to a shaft, or to a box and to no shaft in it.

CREATE TABLE station_now (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, shaft_id TEXT REFERENCES shaft, assembly_id TEXT REFERENCES assembly,
  subject TEXT NOT NULL, quantity TEXT NOT NULL, more_is TEXT NOT NULL,
  role TEXT NOT NULL, name TEXT NOT NULL, position INTEGER NOT NULL, contact_role TEXT, bore_id TEXT, journal_id TEXT,
  new_nm INTEGER, rule TEXT NOT NULL, aim TEXT NOT NULL, method TEXT, instrument TEXT, gone INTEGER NOT NULL,
  CHECK ((shaft_id IS NULL) <> (assembly_id IS NULL))
) STRICT;
INSERT INTO station_now (rowid, id, revision, shaft_id, subject, quantity, more_is, role, name, position, contact_role, bore_id, journal_id,
  new_nm, rule, aim, method, instrument, gone)
  SELECT rowid, id, revision, shaft_id, subject, quantity, more_is, role, name, position, contact_role, bore_id, journal_id,
  new_nm, rule, aim, method, instrument, gone FROM station;
DROP TABLE station;
ALTER TABLE station_now RENAME TO station;
CREATE INDEX station_shaft ON station (shaft_id);
CREATE INDEX station_assembly ON station (assembly_id);
