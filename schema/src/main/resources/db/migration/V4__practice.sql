-- A mesh that someone cuts freely: a form off the shelf, or a file of their own.
create table practice (
  id uuid primary key,
  account_id uuid not null references account,
  client_key uuid not null unique,
  title text not null check (length(title) between 1 and 200),
  unit text not null,
  starter bytea not null references mesh_content,
  scale double precision not null check (scale > 0),
  profile text not null,
  picture bytea not null,
  begun_at timestamptz not null,
  -- Put away: out of sight, and there to be brought back.
  put_away_at timestamptz
);
create index practice_account on practice (account_id, begun_at);

alter table workpiece alter column exercise_id drop not null;
alter table workpiece add practice_id uuid unique references practice;
alter table workpiece add check ((exercise_id is null) <> (practice_id is null));
