-- What happens while somebody looks on. Numbered by subject, under the lock of its row: a number that
-- is seen has all before it.
create table live_subject (
  subject text primary key,
  last bigint not null
);
create table live_event (
  subject text not null references live_subject on delete cascade,
  number bigint not null,
  kind text not null,
  content jsonb not null,
  at timestamptz not null,
  primary key (subject, number)
);
create index live_event_at on live_event (at);

-- Who is at which bench, and who looks on: leases of a minute, renewed.
create table room_place (
  workpiece_id uuid primary key references workpiece on delete cascade,
  account_id uuid not null references account,
  course_id uuid not null references course,
  assignment_id uuid not null references assignment,
  since timestamptz not null,
  until timestamptz not null,
  -- Since when help is asked for.
  asks_at timestamptz
);
create index room_place_course on room_place (course_id, until);

create table room_watch (
  id uuid primary key,
  course_id uuid not null references course,
  account_id uuid not null references account,
  -- The bench that is followed; null: the room as a whole.
  workpiece_id uuid references workpiece on delete cascade,
  until timestamptz not null
);
create index room_watch_course on room_watch (course_id, until);

-- Hints that were pinned to a bench.
create table hint (
  id uuid primary key,
  workpiece_id uuid not null references workpiece on delete cascade,
  account_id uuid not null references account,
  said_by uuid not null references account,
  text text not null check (length(text) between 1 and 600),
  place jsonb,
  revision bigint not null,
  sent_at timestamptz not null,
  seen_at timestamptz
);
create index hint_workpiece on hint (workpiece_id, sent_at);
create index hint_account on hint (account_id, sent_at);

-- A bench that is shown to a class: one of a class at a time.
create table bench_show (
  course_id uuid primary key references course,
  workpiece_id uuid not null references workpiece on delete cascade,
  account_id uuid not null references account,
  begun_at timestamptz not null,
  camera jsonb,
  lens text not null,
  caption text not null
);
create index bench_show_workpiece on bench_show (workpiece_id);
