-- Who has not chosen a password yet has none; who may make classes; where mail goes, and by what clock
-- somebody lives; when they were here last. An erased account stays as a stub without a name.
alter table account
  alter column password_hash drop not null,
  add column address text check (length(address) between 3 and 254),
  add column zone text,
  add column may_teach boolean not null default false,
  add column seen_at timestamptz,
  add column erased_at timestamptz;
update account set may_teach = true
  where id in (select account_id from membership where role = 'instructor');

-- The code with which a server without instructors makes its first one; the last that was told counts.
create table set_up_code (
  is_the_one boolean primary key default true check (is_the_one),
  code_hash bytea not null,
  until timestamptz not null
);

-- A sign-in slip: its one-time code, as a hash. A newer one ends those before.
create table ticket (
  id uuid primary key,
  account_id uuid not null references account,
  code_hash bytea not null unique,
  made_at timestamptz not null,
  until timestamptz not null,
  used_at timestamptz
);
create unique index ticket_open on ticket (account_id) where used_at is null;

alter table course
  add column zone text not null default 'UTC',
  add column unit text not null default 'mm',
  add column up text not null default 'Z',
  add column first_day date,
  add column last_day date,
  add column made_at timestamptz not null default now(),
  add column put_away_at timestamptz,
  add column join_code text unique,
  add column join_until date,
  add column join_most integer check (join_most > 0);

create table study_group (
  id uuid primary key,
  course_id uuid not null references course,
  name text not null check (length(name) between 1 and 60),
  unique (course_id, name)
);

alter table membership drop constraint membership_role_check;
alter table membership
  add check (role in ('instructor', 'assistant', 'student')),
  add column came_by text not null default 'one-by-one'
    check (came_by in ('join-code', 'roster', 'one-by-one', 'founder')),
  add column came_at timestamptz not null default now(),
  add column is_new boolean not null default false,
  add column group_id uuid references study_group on delete set null,
  add column put_away_at timestamptz;

-- Until somebody who reviews has opened it, a hand-in can be taken back.
alter table submission add column opened_at timestamptz;
update submission set opened_at = answered_at;

-- What was done to whom, for the instructors: ids, numbers and words of lists, nothing that was typed.
create table audit (
  id bigint generated always as identity primary key,
  course_id uuid references course,
  at timestamptz not null,
  who uuid not null,
  deed text not null,
  whom uuid,
  thing uuid,
  number integer
);
create index audit_course on audit (course_id, id);
