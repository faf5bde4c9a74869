-- What was observed stands in the order in which the server took it, not by the clock of the tablet that wrote it down. A description that
-- is taken back after something that was taken back before it still names it is marked gone, and left where it is. A workshop has an id,
-- so that a database and the photos and backups beside it can be told to be of one workshop.

PRAGMA application_id = 1162626115;

CREATE TABLE workshop (id TEXT PRIMARY KEY) STRICT;
INSERT INTO workshop VALUES (lower(hex(randomblob(16))));

ALTER TABLE job ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;
ALTER TABLE assembly ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;
ALTER TABLE shaft ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;
ALTER TABLE part ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;
ALTER TABLE feature ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;
ALTER TABLE contact ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;
ALTER TABLE slot ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;
ALTER TABLE limits ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;
ALTER TABLE spec ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;
ALTER TABLE open_item ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;
ALTER TABLE lot ADD COLUMN gone INTEGER NOT NULL DEFAULT 0;

DROP TRIGGER build_kept;
DROP TRIGGER reading_kept;
DROP TRIGGER withdrawal_kept;
DROP TRIGGER strip_kept;
DROP TRIGGER inspection_kept;
DROP TRIGGER acceptance_kept;
DROP TRIGGER photo_kept;

ALTER TABLE build ADD COLUMN seq INTEGER NOT NULL DEFAULT 0;
ALTER TABLE reading ADD COLUMN seq INTEGER NOT NULL DEFAULT 0;
ALTER TABLE withdrawal ADD COLUMN seq INTEGER NOT NULL DEFAULT 0;
ALTER TABLE strip_entry ADD COLUMN seq INTEGER NOT NULL DEFAULT 0;
ALTER TABLE inspection ADD COLUMN seq INTEGER NOT NULL DEFAULT 0;
ALTER TABLE acceptance ADD COLUMN seq INTEGER NOT NULL DEFAULT 0;
ALTER TABLE photo ADD COLUMN seq INTEGER NOT NULL DEFAULT 0;

UPDATE build SET seq = o.n FROM (SELECT id, row_number() OVER (ORDER BY at, rowid) AS n FROM build) o WHERE o.id = build.id;
UPDATE reading SET seq = o.n FROM (SELECT id, row_number() OVER (ORDER BY taken_at, rowid) AS n FROM reading) o WHERE o.id = reading.id;
UPDATE withdrawal SET seq = o.n FROM (SELECT id, row_number() OVER (ORDER BY at, rowid) AS n FROM withdrawal) o WHERE o.id = withdrawal.id;
UPDATE strip_entry SET seq = o.n FROM (SELECT id, row_number() OVER (ORDER BY rowid) AS n FROM strip_entry) o WHERE o.id = strip_entry.id;
UPDATE inspection SET seq = o.n FROM (SELECT id, row_number() OVER (ORDER BY at, rowid) AS n FROM inspection) o WHERE o.id = inspection.id;
UPDATE acceptance SET seq = o.n FROM (SELECT id, row_number() OVER (ORDER BY at, rowid) AS n FROM acceptance) o WHERE o.id = acceptance.id;
UPDATE photo SET seq = o.n FROM (SELECT id, row_number() OVER (ORDER BY at, rowid) AS n FROM photo) o WHERE o.id = photo.id;

CREATE UNIQUE INDEX build_seq ON build (seq);
CREATE UNIQUE INDEX reading_seq ON reading (seq);
CREATE UNIQUE INDEX withdrawal_seq ON withdrawal (seq);
CREATE UNIQUE INDEX strip_seq ON strip_entry (seq);
CREATE UNIQUE INDEX inspection_seq ON inspection (seq);
CREATE UNIQUE INDEX acceptance_seq ON acceptance (seq);
CREATE UNIQUE INDEX photo_seq ON photo (seq);

CREATE TRIGGER build_kept BEFORE UPDATE ON build BEGIN SELECT RAISE(ABORT, 'a build is never changed: withdraw it'); END;
CREATE TRIGGER reading_kept BEFORE UPDATE ON reading BEGIN SELECT RAISE(ABORT, 'a reading is never changed: withdraw it'); END;
CREATE TRIGGER withdrawal_kept BEFORE UPDATE ON withdrawal BEGIN SELECT RAISE(ABORT, 'a withdrawal is never changed'); END;
CREATE TRIGGER strip_kept BEFORE UPDATE ON strip_entry BEGIN SELECT RAISE(ABORT, 'the strip log is never changed: write it again'); END;
CREATE TRIGGER inspection_kept BEFORE UPDATE ON inspection BEGIN SELECT RAISE(ABORT, 'an inspection is never changed'); END;
CREATE TRIGGER acceptance_kept BEFORE UPDATE ON acceptance BEGIN SELECT RAISE(ABORT, 'an acceptance is never changed'); END;
CREATE TRIGGER photo_kept BEFORE UPDATE ON photo BEGIN SELECT RAISE(ABORT, 'a photo is never changed'); END;

-- what names a row is asked for whenever something is taken back
CREATE INDEX reading_build ON reading (build_id);
CREATE INDEX reading_supersedes ON reading (supersedes);
CREATE INDEX build_parent ON build (parent_id);
CREATE INDEX build_fit_slot ON build_fit (slot_id);
CREATE INDEX build_leaf_lot ON build_leaf (lot_id);
CREATE INDEX limits_spec ON limits (spec_id);
CREATE INDEX spec_station ON spec (station_id);
CREATE INDEX strip_shaft ON strip_entry (shaft_id);
CREATE INDEX strip_supersedes ON strip_entry (supersedes);
CREATE INDEX inspection_station ON inspection (station_id);
CREATE INDEX photo_of ON photo (of_id);
CREATE INDEX station_bore ON station (bore_id);
CREATE INDEX station_journal ON station (journal_id);
