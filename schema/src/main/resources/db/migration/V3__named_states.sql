-- A name that a student gave to the state after a step, to come back to it.
create table step_name (
  step_id bigint primary key references step,
  name text not null check (length(name) between 1 and 60)
);
