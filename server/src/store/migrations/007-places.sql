-- A shaft is places, faces and contacts; a part is one thing with one identity, and the build says which part is in which place. What used to
-- be typed into a part is read of it. The rows are brought over by the step that follows this one, which takes the old tables away and
-- gives these their names.

CREATE TABLE shaft_now (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, assembly_id TEXT NOT NULL REFERENCES assembly, name TEXT NOT NULL, origin TEXT NOT NULL,
  end_in TEXT NOT NULL, end_out TEXT NOT NULL, position INTEGER NOT NULL, gone INTEGER NOT NULL
) STRICT;
CREATE INDEX shaft_of_assembly ON shaft_now (assembly_id);

CREATE TABLE part_now (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, assembly_id TEXT NOT NULL REFERENCES assembly, name TEXT NOT NULL, kind TEXT NOT NULL,
  material TEXT NOT NULL, number TEXT NOT NULL, condition TEXT NOT NULL, gone INTEGER NOT NULL
) STRICT;
CREATE INDEX part_of_assembly ON part_now (assembly_id);

CREATE TABLE place (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, shaft_id TEXT NOT NULL REFERENCES shaft_now, role TEXT NOT NULL, name TEXT NOT NULL,
  kind TEXT NOT NULL, position INTEGER NOT NULL, takes TEXT CHECK (takes IN ('leaves', 'part', 'gasket')), sits TEXT, part_id TEXT REFERENCES part_now,
  turned INTEGER NOT NULL, proportion_nm INTEGER, gone INTEGER NOT NULL
) STRICT;
CREATE UNIQUE INDEX place_role ON place (shaft_id, role) WHERE gone = 0;
CREATE INDEX place_of_shaft ON place (shaft_id);
CREATE INDEX place_of_part ON place (part_id);

CREATE TABLE face (
  id TEXT PRIMARY KEY, place_id TEXT NOT NULL REFERENCES place, position INTEGER NOT NULL, role TEXT NOT NULL,
  side TEXT NOT NULL CHECK (side IN ('in', 'out')), inner_nm INTEGER, outer_nm INTEGER, UNIQUE (place_id, role)
) STRICT;

CREATE TABLE feature_now (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, part_id TEXT NOT NULL REFERENCES part_now, role TEXT NOT NULL, name TEXT NOT NULL,
  kind TEXT NOT NULL CHECK (kind IN ('length', 'stand', 'play')), from_face TEXT NOT NULL REFERENCES face, to_face TEXT NOT NULL REFERENCES face,
  nominal_nm INTEGER, proportion_nm INTEGER NOT NULL, gone INTEGER NOT NULL
) STRICT;
CREATE UNIQUE INDEX feature_role ON feature_now (part_id, role) WHERE gone = 0;
CREATE INDEX feature_of_part ON feature_now (part_id);

CREATE TABLE contact_now (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, shaft_id TEXT NOT NULL REFERENCES shaft_now, role TEXT NOT NULL, name TEXT NOT NULL,
  face_a TEXT NOT NULL REFERENCES face, face_b TEXT NOT NULL REFERENCES face, kind TEXT NOT NULL CHECK (kind IN ('seated', 'rolling', 'clamped', 'open')),
  stand_id TEXT REFERENCES feature_now, fastener_id TEXT REFERENCES place, gone INTEGER NOT NULL
) STRICT;
CREATE UNIQUE INDEX contact_role ON contact_now (shaft_id, role) WHERE gone = 0;
CREATE INDEX contact_of_shaft ON contact_now (shaft_id);

CREATE TABLE station_now (
  id TEXT PRIMARY KEY, revision INTEGER NOT NULL, shaft_id TEXT REFERENCES shaft_now, assembly_id TEXT REFERENCES assembly,
  subject TEXT NOT NULL, quantity TEXT NOT NULL, more_is TEXT NOT NULL, role TEXT NOT NULL, name TEXT NOT NULL, position INTEGER NOT NULL, reads TEXT,
  bore_id TEXT, journal_id TEXT, new_nm INTEGER, rule TEXT NOT NULL, aim TEXT NOT NULL, method TEXT, instrument TEXT, gone INTEGER NOT NULL,
  CHECK ((shaft_id IS NULL) <> (assembly_id IS NULL))
) STRICT;
CREATE INDEX station_of_shaft ON station_now (shaft_id);
CREATE INDEX station_of_assembly ON station_now (assembly_id);

CREATE TABLE build_fit_now (
  id TEXT PRIMARY KEY, build_id TEXT NOT NULL REFERENCES build, place_id TEXT NOT NULL REFERENCES place, state TEXT,
  part_said INTEGER NOT NULL DEFAULT 0, part_id TEXT REFERENCES part_now, turned INTEGER,
  UNIQUE (build_id, place_id)
) STRICT;
CREATE INDEX build_fit_of_place ON build_fit_now (place_id);
