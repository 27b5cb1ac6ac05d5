-- What counts in an exercise beyond the name of a built-in profile, and what is asked of the shape.
alter table exercise add column own_profile jsonb;
alter table exercise add column wanted jsonb not null default '{}';
alter table exercise add column terms_revision integer not null default 0;

-- By which of them a report was made: an older one is made anew.
alter table submission_report add column terms_revision integer not null default 0;
