-- A mesh that nobody needs any more goes a day after it was last kept; who needs it is asked of the
-- modules, by these.
alter table mesh_content add column kept_at timestamptz not null default now();
create index exercise_starter on exercise (starter);
create index practice_starter on practice (starter);
create index submission_mesh on submission (mesh);
create index snapshot_mesh on snapshot (mesh);
