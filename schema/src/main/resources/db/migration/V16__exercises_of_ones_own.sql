-- An exercise begins as a draft: without a starter, and without a version that holds. Its draft is what
-- its instructor writes on; made ready, it becomes the next version.
alter table exercise
  alter column starter drop not null,
  alter column scale drop not null,
  alter column version drop not null,
  alter column version drop default,
  add check ((starter is null) = (scale is null)),
  add check (version is null or starter is not null),
  -- Where the starter came from, in words: a form's name, a file's.
  add column starter_from text,
  add column made_at timestamptz not null default now(),
  add column put_away_at timestamptz;
create table exercise_draft (
  exercise_id uuid primary key references exercise,
  revision bigint not null,
  format integer not null default 1,
  content jsonb not null,
  kept_at timestamptz not null
);

-- An instructor tries an exercise as a student would: it is begun anew each time, and leaves no trace.
alter table workpiece
  drop constraint workpiece_owner_type_check,
  add constraint workpiece_owner_type_check
    check (owner_type in ('assignment', 'practice', 'rehearsal')),
  add column rehearsal_of uuid references exercise
    generated always as (case when owner_type = 'rehearsal' then owner_id end) stored;

-- How much of the check students are told before their first answer.
-- A version with another brief alone counts as the one before it: nothing is inspected anew.
alter table exercise_version
  add column terms integer,
  -- By what a hand-in gets credits; null: by nothing.
  add column rule jsonb,
  add column tells text not null default 'all' check (tells in ('all', 'counts', 'nothing'));
update exercise_version set terms = number;
alter table exercise_version alter column terms set not null;

-- Opening and due are times on the wall of the class; the instants beside them are made of them by its
-- zone.
alter table assignment
  add column heading text check (length(heading) between 1 and 80),
  add column opens timestamp,
  add column opens_at timestamptz,
  add column due timestamp,
  add column late text not null default 'taken' check (late in ('taken', 'refused')),
  add column attempts integer check (attempts between 1 and 99),
  add column hand_in text not null default 'both' check (hand_in in ('bench', 'file', 'both')),
  add column overruled text check (overruled in ('open', 'closed')),
  add column set_at timestamptz not null default now(),
  add check ((opens is null) = (opens_at is null));
update assignment a set due = a.due_at at time zone c.zone from course c where c.id = a.course_id;
alter table assignment add check ((due is null) = (due_at is null));
-- Rows change places with each other at the end of a transaction.
alter table assignment drop constraint assignment_course_id_place_key;
alter table assignment add unique (course_id, place) deferrable initially deferred;
create index assignment_due on assignment (due_at);
create index assignment_opens on assignment (opens_at);

-- More time, more attempts, or nothing asked at all: of a student, or of a group.
create table allowance (
  id uuid primary key,
  assignment_id uuid not null references assignment,
  account_id uuid references account,
  group_id uuid references study_group on delete cascade,
  due timestamp,
  due_at timestamptz,
  attempts integer check (attempts between 1 and 99),
  excused boolean not null default false,
  check ((account_id is null) <> (group_id is null)),
  check ((due is null) = (due_at is null)),
  unique nulls not distinct (assignment_id, account_id, group_id)
);
create index allowance_account on allowance (account_id);

-- What an answer that went out gave, criterion by criterion; another rule leaves it as it is.
alter table answer add column credits jsonb;

-- When its student first read an answer; those of before are no news.
alter table answer add column read_at timestamptz;
update answer set read_at = returned_at;

-- Whether an answer that is out says that no more is asked.
alter table submission add column is_accepted boolean not null default false;
update submission s set is_accepted = true
  from answer a
  where a.submission_id = s.id and a.returned_at is not null and a.verdict = 'accepted';
