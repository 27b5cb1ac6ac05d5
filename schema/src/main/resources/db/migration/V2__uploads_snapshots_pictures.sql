-- A file on its way to becoming a submission: its bytes until it is one, and how far it is.
create table upload (
  id uuid primary key,
  exercise_id uuid not null references exercise,
  student_id uuid not null references account,
  client_key uuid not null unique,
  file_name text not null,
  size bigint not null,
  bytes bytea,
  stage text not null
    check (stage in ('waiting', 'reading', 'inspecting', 'drawing', 'done', 'failed', 'cancelled')),
  share double precision not null default 0 check (share between 0 and 1),
  tries integer not null default 0,
  submission_id uuid references submission,
  problem jsonb,
  received_at timestamptz not null,
  check ((stage = 'done') = (submission_id is not null)),
  check ((stage = 'failed') = (problem is not null))
);
-- Mesh files of text are compressed by nobody twice, and large ones not at all.
alter table upload alter column bytes set storage external;
create index upload_student on upload (student_id, received_at);

-- The mesh after every so many steps, so that opening a workpiece replays few.
create table snapshot (
  step_id bigint primary key references step,
  mesh bytea not null references mesh_content
);

-- Pictures of what was handed in, drawn once.
create table submission_picture (
  submission_id uuid not null references submission,
  size text not null check (size in ('row', 'sheet')),
  png bytea not null,
  primary key (submission_id, size)
);

-- Long work, by the scheduler's own layout.
create table scheduled_tasks (
  task_name text not null,
  task_instance text not null,
  task_data bytea,
  execution_time timestamptz not null,
  picked boolean not null,
  picked_by text,
  last_success timestamptz,
  last_failure timestamptz,
  consecutive_failures integer,
  last_heartbeat timestamptz,
  version bigint not null,
  priority smallint,
  primary key (task_name, task_instance)
);
create index scheduled_tasks_due on scheduled_tasks (execution_time);
create index scheduled_tasks_heartbeat on scheduled_tasks (last_heartbeat);
