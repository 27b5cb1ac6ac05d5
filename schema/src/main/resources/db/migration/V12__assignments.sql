-- An exercise is its instructor's, and is set in classes by assignments. What was an exercise of a
-- class becomes an exercise and one assignment of the same id.
alter table exercise add column owner_id uuid references account;
update exercise e set owner_id = coalesce(
  (select account_id from membership m
    where m.course_id = e.course_id and m.role = 'instructor' order by account_id limit 1),
  (select id from account order by id limit 1));
alter table exercise alter column owner_id set not null;
create index exercise_owner on exercise (owner_id);

-- What is asked and what counts: in numbered versions, none of which is ever overwritten.
create table exercise_version (
  exercise_id uuid not null references exercise,
  number integer not null check (number >= 0),
  brief text not null,
  profile text not null,
  own_profile jsonb,
  wanted jsonb not null default '{}',
  made_at timestamptz not null,
  primary key (exercise_id, number)
);
insert into exercise_version (exercise_id, number, brief, profile, own_profile, wanted, made_at)
  select id, terms_revision, brief, profile, own_profile, wanted, now() from exercise;
alter table exercise rename column terms_revision to version;
-- At the end of the transaction: a version is of an exercise, and an exercise has a version.
alter table exercise add foreign key (id, version) references exercise_version (exercise_id, number)
  deferrable initially deferred;
alter table exercise
  drop column brief, drop column profile, drop column own_profile, drop column wanted;

create table assignment (
  id uuid primary key,
  exercise_id uuid not null references exercise,
  course_id uuid not null references course,
  place integer not null,
  due_at timestamptz,
  unique (course_id, place)
);
create index assignment_exercise on assignment (exercise_id);
insert into assignment (id, exercise_id, course_id, place, due_at)
  select id, id, course_id, place, due_at from exercise;
alter table exercise drop column course_id, drop column place, drop column due_at;

-- What a workpiece is cut for: its owner, of whichever type. Each type's reference is kept by the
-- database, by a column that it makes itself.
alter table workpiece add column owner_type text, add column owner_id uuid;
update workpiece set
  owner_type = case when practice_id is null then 'assignment' else 'practice' end,
  owner_id = coalesce(exercise_id, practice_id);
alter table workpiece drop column exercise_id, drop column practice_id;
alter table workpiece rename column student_id to account_id;
alter table workpiece
  alter column owner_type set not null,
  alter column owner_id set not null,
  add check (owner_type in ('assignment', 'practice')),
  add unique (owner_type, owner_id, account_id),
  add column assignment_id uuid references assignment
    generated always as (case when owner_type = 'assignment' then owner_id end) stored,
  add column practice_id uuid references practice
    generated always as (case when owner_type = 'practice' then owner_id end) stored;

-- What students do hangs on the assignment: where an exercise is set again, all begins anew.
alter table submission drop constraint submission_exercise_id_fkey;
alter table submission rename column exercise_id to assignment_id;
alter table submission add foreign key (assignment_id) references assignment;
alter table upload drop constraint upload_exercise_id_fkey;
alter table upload rename column exercise_id to assignment_id;
alter table upload add foreign key (assignment_id) references assignment;
alter table bundle drop constraint bundle_exercise_id_fkey;
alter table bundle rename column exercise_id to assignment_id;
alter table bundle add foreign key (assignment_id) references assignment;

-- A report is of a hand-in by a version of its exercise. The newest holds; the one that an answer
-- quotes which is out stays beside it, with its pictures.
alter table report_kind drop constraint report_kind_submission_id_fkey;
alter table report_kind drop constraint report_kind_pkey;
alter table submission_report drop constraint submission_report_pkey;
alter table submission_report rename column terms_revision to version;
alter table submission_report add primary key (submission_id, version);

alter table report_kind add column version integer;
update report_kind k set version = r.version
  from submission_report r where r.submission_id = k.submission_id;
alter table report_kind alter column version set not null;
alter table report_kind add primary key (submission_id, version, kind, severity);
alter table report_kind add foreign key (submission_id, version)
  references submission_report (submission_id, version) on delete cascade;

alter table submission_picture rename column terms_revision to version;
alter table submission_picture drop constraint submission_picture_pkey;
alter table submission_picture add primary key (submission_id, size, version);

-- When an answer went out, and which report it quotes.
alter table submission
  add column report_version integer,
  add column answered_at timestamptz,
  add column quoted_version integer;
update submission s set report_version = r.version, answered_at = a.returned_at,
    quoted_version = case when a.returned_at is not null then r.version end
  from submission_report r left join answer a on a.submission_id = r.submission_id
  where r.submission_id = s.id;
alter table submission
  alter column report_version set not null,
  add check ((answered_at is null) = (quoted_version is null)),
  add foreign key (id, report_version)
    references submission_report (submission_id, version) deferrable initially deferred,
  add foreign key (id, quoted_version)
    references submission_report (submission_id, version) deferrable initially deferred;
create index submission_waiting on submission (assignment_id) where answered_at is null;

-- Which report the notes of an answer name findings of.
alter table answer add column report_version integer;
update answer a set report_version = r.version
  from submission_report r where r.submission_id = a.submission_id;
alter table answer alter column report_version set not null;

-- What is kept as JSON has a form of its own, apart from what is told: by which one it was written.
alter table step add column format integer not null default 1;
alter table submission_report add column format integer not null default 1;
alter table note add column format integer not null default 1;

-- By which version of the engine the steps up to a snapshot were last seen to lead to it, or not.
alter table snapshot add column engine integer not null default 1;

-- News from one module to another, until it was taken up (Spring Modulith's own table).
create table event_publication (
  id uuid primary key,
  listener_id text not null,
  event_type text not null,
  serialized_event text not null,
  publication_date timestamptz not null,
  completion_date timestamptz,
  status text,
  completion_attempts integer,
  last_resubmission_date timestamptz
);
create index event_publication_hash on event_publication using hash (serialized_event);
create index event_publication_completed on event_publication (completion_date);
