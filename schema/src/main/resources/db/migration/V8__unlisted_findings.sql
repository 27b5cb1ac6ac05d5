-- What a report counts beside the findings that it lists: too many of one kind to read.
alter table submission_report add column unlisted jsonb not null default '[]';
