-- Answers that go onto paper together: all of an exercise, or a student's term. Made as a job; the file lies
-- among the files in parts, by the same id, and goes after a day.
create table print (
  id uuid primary key,
  account_id uuid not null references account,
  assignment_id uuid references assignment on delete cascade,
  course_id uuid references course,
  student_id uuid references account,
  form text not null check (form in ('pdf', 'zip')),
  sheet text not null check (sheet in ('a4', 'letter')),
  state text not null default 'waiting' check (state in ('waiting', 'made', 'failed')),
  done integer not null default 0,
  total integer not null,
  asked_at timestamptz not null,
  check ((assignment_id is null) = (student_id is not null)),
  check ((course_id is null) = (student_id is null))
);
create index print_asked on print (asked_at);

-- What the answer that is out gave: lists over a term read it here.
alter table submission add column credits double precision;
update submission s set credits = (
  select (y.content -> 'credits' ->> 'total')::double precision
    from saying y where y.submission_id = s.id order by y.number desc limit 1)
  where s.answered_at is not null;

-- How many hard edges the mesh has, and how many of them a support strip holds; null in reports of before.
alter table submission_report
  add column hard_edges integer,
  add column held_edges integer;

-- What became of findings that a kept phrase spoke of, in the attempt after the answer. Names no person; it
-- stays when the hand-in is erased.
create table note_outcome (
  submission_id uuid not null,
  note_id uuid not null,
  course_id uuid not null references course,
  phrase_id uuid not null,
  is_cured boolean not null,
  primary key (submission_id, note_id)
);
create index note_outcome_course on note_outcome (course_id, phrase_id);
