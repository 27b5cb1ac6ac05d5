-- Steps recorded on a bench, with what is said of them, played forth and back.
create table demonstration (
  id uuid primary key,
  -- Whose it is; nobody's: it came with the application.
  account_id uuid references account,
  -- A repeated request is known by it.
  client_key uuid not null unique,
  title text not null check (length(title) between 1 and 80),
  about text not null,
  unit text not null,
  profile text not null,
  starter bytea not null references mesh_content,
  scale double precision not null check (scale > 0),
  format integer not null default 1,
  content jsonb not null,
  revision bigint not null default 0,
  made_at timestamptz not null,
  edited_at timestamptz not null,
  put_away_at timestamptz
);
create index demonstration_account on demonstration (account_id, made_at);

-- The meshes of its states.
create table demonstration_mesh (
  demonstration_id uuid not null references demonstration on delete cascade,
  mesh bytea not null references mesh_content,
  primary key (demonstration_id, mesh)
);
create index demonstration_mesh_mesh on demonstration_mesh (mesh);

-- Classes that see it.
create table demonstration_class (
  demonstration_id uuid not null references demonstration on delete cascade,
  course_id uuid not null references course,
  set_by uuid not null references account,
  set_at timestamptz not null,
  primary key (demonstration_id, course_id)
);
create index demonstration_class_course on demonstration_class (course_id);

-- Exercises beside whose brief it stands.
create table demonstration_exercise (
  demonstration_id uuid not null references demonstration on delete cascade,
  exercise_id uuid not null references exercise,
  primary key (demonstration_id, exercise_id)
);
create index demonstration_exercise_exercise on demonstration_exercise (exercise_id);

-- Practice pieces that were begun with one of its states.
create table demonstration_try (
  practice_id uuid primary key references practice on delete cascade,
  demonstration_id uuid not null references demonstration on delete cascade,
  account_id uuid not null references account,
  -- The frame that it was begun at.
  frame integer not null check (frame >= 0),
  begun_at timestamptz not null
);
create index demonstration_try_account on demonstration_try (account_id, demonstration_id);
