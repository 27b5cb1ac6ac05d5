-- Changes that would cure what a note is about.
alter table note add column mend jsonb;
