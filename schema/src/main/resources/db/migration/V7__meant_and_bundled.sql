-- A file does not say in which unit it is, nor which of its axes points upwards: where it is not as
-- large as the starter, whoever hands it in is asked.
alter table upload drop constraint upload_stage_check;
alter table upload add constraint upload_stage_check check (stage in
  ('waiting', 'reading', 'asking', 'inspecting', 'drawing', 'done', 'failed', 'cancelled'));
alter table upload add column asks boolean not null default true;
alter table upload add column question jsonb;
alter table upload add column unit text;
alter table upload add column up text;
alter table upload add check (stage <> 'asking' or question is not null);
alter table upload add check ((unit is null) = (up is null));

-- Files of a whole class, brought by an instructor: kept until it is said whose they are.
create table bundle (
  id uuid primary key,
  exercise_id uuid not null references exercise,
  instructor_id uuid not null references account,
  client_key uuid not null unique,
  received_at timestamptz not null
);
create table bundled (
  bundle_id uuid not null references bundle on delete cascade,
  number integer not null,
  path text not null,
  size bigint not null,
  bytes bytea,
  student_id uuid references account,
  doubt text,
  upload_id uuid references upload,
  primary key (bundle_id, number)
);
alter table bundled alter column bytes set storage external;
