-- Everything that matters lives here; the application keeps caches only.

create table account (
  id uuid primary key,
  sign_in text not null unique check (sign_in = lower(sign_in) and length(sign_in) between 1 and 100),
  name text not null check (length(name) between 1 and 200),
  password_hash text not null
);

create table course (
  id uuid primary key,
  name text not null
);

create table membership (
  course_id uuid not null references course,
  account_id uuid not null references account,
  role text not null check (role in ('instructor', 'student')),
  primary key (course_id, account_id)
);
create index membership_account on membership (account_id);

-- Mesh bytes by their own hash, written once, compressed.
create table mesh_content (
  sha256 bytea primary key check (length(sha256) = 32),
  bytes bytea not null,
  vertices integer not null,
  edges integer not null,
  faces integer not null
);

create table exercise (
  id uuid primary key,
  course_id uuid not null references course,
  place integer not null,
  title text not null,
  summary text not null,
  brief text not null,
  unit text not null,
  starter bytea not null references mesh_content,
  scale double precision not null check (scale > 0),
  profile text not null,
  due_at timestamptz,
  unique (course_id, place)
);

create table workpiece (
  id uuid primary key,
  exercise_id uuid not null references exercise,
  student_id uuid not null references account,
  head_step bigint,
  revision bigint not null default 0,
  opened_at timestamptz not null,
  unique (exercise_id, student_id)
);

-- One confirmed change. Steps form a tree: taking a step back moves the head, it deletes nothing.
create table step (
  id bigint generated always as identity primary key,
  workpiece_id uuid not null references workpiece,
  parent_id bigint references step,
  number integer not null check (number > 0),
  change jsonb not null,
  receipt jsonb not null,
  view jsonb not null,
  after jsonb not null,
  made_at timestamptz not null
);
create index step_workpiece on step (workpiece_id, id);
create index step_parent on step (parent_id);
alter table workpiece add foreign key (head_step) references step;

-- What a client asked of a workpiece, by its own key: asked again, it gets the same state.
create table workpiece_request (
  workpiece_id uuid not null references workpiece,
  client_key uuid not null,
  revision bigint not null,
  primary key (workpiece_id, client_key)
);

create table submission (
  id uuid primary key,
  exercise_id uuid not null references exercise,
  student_id uuid not null references account,
  attempt integer not null check (attempt > 0),
  source text not null check (source in ('bench', 'file')),
  file_name text,
  step_id bigint references step,
  mesh bytea not null references mesh_content,
  client_key uuid not null unique,
  handed_in_at timestamptz not null,
  unique (exercise_id, student_id, attempt)
);

-- The inspection of one submission; kept as it was when handed in.
create table submission_report (
  submission_id uuid primary key references submission,
  figures jsonb not null,
  findings jsonb not null,
  reading jsonb not null
);

-- The instructor's answer: a draft until it is returned.
create table answer (
  submission_id uuid primary key references submission,
  word text not null default '',
  verdict text check (verdict in ('accepted', 'try-again')),
  revision bigint not null default 0,
  returned_at timestamptz,
  returned_by uuid references account,
  check ((returned_at is null) = (returned_by is null)),
  check (returned_at is null or verdict is not null)
);

create table note (
  id uuid primary key,
  submission_id uuid not null references answer (submission_id),
  number integer not null,
  text text not null,
  finding integer,
  element_kind text not null check (element_kind in ('vertex', 'edge', 'face')),
  element_id integer not null,
  place jsonb not null,
  camera jsonb,
  unique (submission_id, number) deferrable initially deferred
);

-- Sessions, so that any node knows who is signed in (Spring Session's own tables).
create table spring_session (
  primary_id char(36) not null primary key,
  session_id char(36) not null unique,
  creation_time bigint not null,
  last_access_time bigint not null,
  max_inactive_interval int not null,
  expiry_time bigint not null,
  principal_name varchar(100)
);
create index spring_session_expiry on spring_session (expiry_time);
create index spring_session_principal on spring_session (principal_name);
create table spring_session_attributes (
  session_primary_id char(36) not null references spring_session on delete cascade,
  attribute_name varchar(200) not null,
  attribute_bytes bytea not null,
  primary key (session_primary_id, attribute_name)
);
