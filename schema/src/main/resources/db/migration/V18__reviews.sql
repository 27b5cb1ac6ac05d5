-- What an answer says is written until it goes out; what went out stays as it was said. An answer goes out
-- at an instant, a while after it is given back, so that it can be called back until then.
alter table answer
  -- Of criteria by eye the word that was chosen, by the name of the criterion.
  add column seen jsonb not null default '{}',
  -- What criteria get by hand, and why: {"criterion": {"credits": 2, "reason": "..."}}.
  add column by_hand jsonb not null default '{}',
  -- Kept ready, to go out together with others.
  add column ready_at timestamptz,
  add column written_by uuid references account,
  -- How often it was said: 0 while nothing is out.
  add column said integer not null default 0,
  add column is_out boolean not null default false;
update answer set is_out = true, said = 1 where returned_at is not null;
alter table answer add check (not is_out or returned_at is not null);
-- What is on its way out.
create index answer_going on answer (returned_at) where returned_at is not null and not is_out;
create index answer_amending on answer (submission_id) where said > 0 and not is_out;

alter table note
  add column kind text not null default 'mend' check (kind in ('mend', 'ask', 'praise')),
  -- Lines drawn on the surface: a list of lists of places.
  add column strokes jsonb not null default '[]',
  add column phrase_id uuid,
  -- Whoever writes names them, so that threads stay with their notes; no one else's names matter.
  drop constraint note_pkey,
  add primary key (submission_id, id);

-- Whatever an answer said when it went out, each time; never changed.
create table saying (
  submission_id uuid not null references submission,
  number integer not null check (number > 0),
  out_at timestamptz not null,
  said_by uuid not null references account,
  report_version integer not null,
  format integer not null default 1,
  content jsonb not null,
  primary key (submission_id, number)
);
insert into saying (submission_id, number, out_at, said_by, report_version, content)
  select a.submission_id, 1, a.returned_at, a.returned_by, a.report_version,
    jsonb_build_object(
      'word', a.word,
      'verdict', a.verdict,
      'credits', a.credits,
      'waved', '[]'::jsonb,
      'notes', coalesce((
        select jsonb_agg(jsonb_build_object(
            'id', n.id, 'text', n.text, 'finding', n.finding, 'elementKind', n.element_kind,
            'elementId', n.element_id, 'place', n.place, 'camera', n.camera, 'kind', n.kind,
            'strokes', n.strokes, 'phrase', null) order by n.number)
          from note n where n.submission_id = a.submission_id), '[]'::jsonb))
  from answer a where a.returned_at is not null;
-- Credits of an answer that is out stand with what was said.
alter table answer drop column credits;

-- What its student makes of a note that is out: ticked as seen, answered once.
create table note_thread (
  submission_id uuid not null references submission,
  note_id uuid not null,
  seen_at timestamptz,
  reply text check (length(reply) between 1 and 2000),
  replied_at timestamptz,
  -- When whoever reviews read the reply.
  read_at timestamptz,
  check ((reply is null) = (replied_at is null)),
  primary key (submission_id, note_id)
);
create index note_thread_unread on note_thread (submission_id)
  where replied_at is not null and read_at is null;

-- Who has a hand-in open: whoever writes holds it for a minute at a time.
create table review_lease (
  submission_id uuid primary key references submission,
  account_id uuid not null references account,
  until timestamptz not null
);

-- Findings that don't count for a student at a place, and why: in this attempt and the next ones.
create table waving (
  id uuid primary key,
  assignment_id uuid not null references assignment,
  student_id uuid not null references account,
  kind text not null,
  -- Null: it is about the whole mesh.
  x double precision,
  y double precision,
  z double precision,
  reach double precision not null,
  reason text not null check (length(reason) between 1 and 500),
  waved_by uuid not null references account,
  waved_at timestamptz not null,
  first_attempt integer not null,
  check ((x is null) = (y is null) and (y is null) = (z is null))
);
create index waving_student on waving (assignment_id, student_id);
-- How many of a kind are waved through, of those that are counted.
alter table report_kind add column waved integer not null default 0;

-- Remarks that are kept to be used again.
create table phrase (
  id uuid primary key,
  account_id uuid not null references account,
  -- The class that it is shared in; null: only whoever keeps it uses it.
  course_id uuid references course,
  -- Of which findings it speaks; null: of any.
  kind text,
  note_kind text not null default 'mend' check (note_kind in ('mend', 'ask', 'praise')),
  text text not null check (length(text) between 1 and 2000),
  uses integer not null default 0,
  made_at timestamptz not null,
  put_away_at timestamptz
);
create index phrase_account on phrase (account_id);
create index phrase_course on phrase (course_id);
