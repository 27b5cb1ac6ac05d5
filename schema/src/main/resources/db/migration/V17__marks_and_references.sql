-- Solutions that an exercise knows of; which of them a version has stands with the version. They stay as
-- long as the exercise: an earlier version may have been judged by them.
create table exercise_reference (
  exercise_id uuid not null references exercise,
  mesh bytea not null references mesh_content,
  primary key (exercise_id, mesh)
);

alter table exercise_version
  add column reference_meshes jsonb not null default '[]',
  -- When students see them.
  add column shows text not null default 'withAnswer'
    check (shows in ('never', 'withAnswer', 'afterDue')),
  -- Whether the bench shows the required lines.
  add column shows_lines boolean not null default true;

-- How far what is asked of the shape was met; null in reports of before.
alter table submission_report
  add column met jsonb,
  -- How many faults of the starter did not count.
  add column pardoned integer not null default 0;

-- Pictures of briefs, drawn anew from what was sent: PNG, and nothing but pixels.
create table exercise_picture (
  exercise_id uuid not null references exercise,
  -- The first digits of its SHA-256.
  name text not null check (name ~ '^[0-9a-f]{12}$'),
  png bytea not null,
  primary key (exercise_id, name)
);
alter table exercise_version
  -- The picture that lies behind the model to be traced; by its name.
  add column sheet text;
