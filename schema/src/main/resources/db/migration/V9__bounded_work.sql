-- What an inspection did not look at, because it would have taken too long.
alter table submission_report add column left_out jsonb not null default '[]';

-- A picture shows the marks of one report.
alter table submission_picture add column terms_revision integer not null default 0;
update submission_picture p set terms_revision = r.terms_revision
  from submission_report r where r.submission_id = p.submission_id;

-- A request is known by its own key to whoever made it; others may use the same.
alter table submission drop constraint submission_client_key_key;
alter table submission add unique (student_id, client_key);
alter table upload drop constraint upload_client_key_key;
alter table upload add unique (student_id, client_key);
alter table practice drop constraint practice_client_key_key;
alter table practice add unique (account_id, client_key);
alter table bundle drop constraint bundle_client_key_key;
alter table bundle add unique (instructor_id, client_key);

-- One run at a time inspects anew what was handed in to an exercise: a lease, renewed as it goes on.
create table recheck_run (
  exercise_id uuid primary key references exercise on delete cascade,
  run uuid not null,
  until timestamptz not null
);

-- By which version of the engine a step was made; and what a snapshot could not replay, if so.
alter table step add column engine integer not null default 1;
alter table snapshot add column remark text;

-- A practice file is read by a job: until then the piece has its bytes and no mesh.
alter table practice alter column starter drop not null;
alter table practice alter column picture drop not null;
alter table practice add column stage text not null default 'ready'
  check (stage in ('reading', 'ready', 'failed'));
alter table practice add column up text;
alter table practice add column bytes bytea;
alter table practice alter column bytes set storage external;
alter table practice add column problem jsonb;
alter table practice add check (stage <> 'ready' or starter is not null and picture is not null);
alter table practice add check ((stage = 'failed') = (problem is not null));

-- By which request a draft was written last: asked again, it gets the same answer.
alter table answer add column client_key uuid;

-- Devices from which somebody has signed in: what others guess elsewhere does not keep them out.
create table device (
  account_id uuid not null references account on delete cascade,
  token_hash bytea not null,
  seen_at timestamptz not null,
  primary key (account_id, token_hash)
);

-- Sessions are kept by the id of whose they are from now on, so that they can be ended: all begin anew.
delete from spring_session;
