-- What a leaf is besides how thick, and what a place takes.

ALTER TABLE lot ADD COLUMN bore_nm INTEGER;
ALTER TABLE lot ADD COLUMN outside_nm INTEGER;
ALTER TABLE lot ADD COLUMN tang TEXT;
ALTER TABLE place ADD COLUMN wants TEXT;
