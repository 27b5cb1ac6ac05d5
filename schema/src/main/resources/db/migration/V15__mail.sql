-- The mail address that a class's roster has of somebody: a sign-in slip is sent there and nowhere
-- else, whatever address its owner gives.
alter table membership add column address text check (length(address) between 3 and 254);
update membership m set address = a.address
  from account a where a.id = m.account_id and m.came_by in ('roster', 'one-by-one');

-- What somebody wants no mail about.
create table mail_unwanted (
  account_id uuid not null references account,
  about text not null check (about in ('answer', 'opened', 'due')),
  primary key (account_id, about)
);

-- A mail to one person, and what became of it. It is written when it goes, so that no code of a slip
-- is kept: of a slip the class, of news what is in mail_news.
create table letter (
  id uuid primary key,
  account_id uuid not null references account,
  kind text not null check (kind in ('slip', 'news')),
  course_id uuid references course,
  made_at timestamptz not null,
  state text not null check (state in ('waiting', 'going', 'taken', 'refused', 'unknown')),
  tries integer not null default 0,
  ended_at timestamptz,
  check ((kind = 'slip') = (course_id is not null))
);
create index letter_account on letter (account_id);
create index letter_course on letter (course_id);

-- What is to be told once: without a letter it waits for the next one.
create table mail_news (
  account_id uuid not null references account,
  about text not null check (about in ('answer', 'opened', 'due')),
  thing uuid not null,
  made_at timestamptz not null,
  letter_id uuid references letter,
  primary key (account_id, about, thing)
);
create index mail_news_waiting on mail_news (account_id) where letter_id is null;

-- Where the demo's mail goes instead of out.
create table outbox (
  id bigint generated always as identity primary key,
  sent_at timestamptz not null,
  address text not null,
  subject text not null,
  body text not null
);
