-- Files as they were sent, in parts of a megabyte, until they are read: no server and no database ever
-- has a whole one in memory. A file is named by what it is of: an upload, a practice piece, or what
-- lies in a bundle, which becomes an upload under the same name.
create table sent_part (
  file uuid not null,
  number integer not null,
  bytes bytea not null,
  primary key (file, number)
);
alter table sent_part alter column bytes set storage external;

alter table bundled add column file uuid;
update bundled set file = coalesce(upload_id, gen_random_uuid());
alter table bundled alter column file set not null;
alter table bundled add unique (file);

insert into sent_part (file, number, bytes)
  select f.file, n, substring(f.bytes from n * 1048576 + 1 for 1048576)
  from (
    select id as file, bytes from upload
    union all select id, bytes from practice
    union all select file, bytes from bundled where upload_id is null
  ) f, generate_series(0, (octet_length(f.bytes) - 1) / 1048576) n
  where octet_length(f.bytes) > 0;

alter table upload drop column bytes;
alter table practice drop column bytes;
alter table bundled drop column bytes;
