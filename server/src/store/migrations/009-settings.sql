-- What several stations are judged by together; a gasket as thick as it is bolted up; sealant in a joint.

CREATE TABLE setting (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, assembly_id TEXT NOT NULL REFERENCES assembly, name TEXT NOT NULL, gone INTEGER NOT NULL
) STRICT;
CREATE INDEX setting_of_assembly ON setting (assembly_id);
CREATE TABLE criterion (
  setting_id TEXT NOT NULL REFERENCES setting, position INTEGER NOT NULL, station_id TEXT NOT NULL REFERENCES station, group_no INTEGER NOT NULL,
  PRIMARY KEY (setting_id, position)
) STRICT;
CREATE INDEX criterion_of_station ON criterion (station_id);

ALTER TABLE lot ADD COLUMN crushed_nm INTEGER;
ALTER TABLE build_fit ADD COLUMN crushed_said INTEGER NOT NULL DEFAULT 0;
ALTER TABLE build_fit ADD COLUMN crushed_nm INTEGER;
ALTER TABLE build_fit ADD COLUMN film_said INTEGER NOT NULL DEFAULT 0;
ALTER TABLE build_fit ADD COLUMN film_nm INTEGER;
