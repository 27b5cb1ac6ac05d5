-- What lists ask of a report, so that they need not read all of it: how many there are of a kind and
-- where the first is, the first marks of a row, and what became of what the attempt before had.
create table report_kind (
  submission_id uuid not null references submission_report on delete cascade,
  kind text not null,
  severity text not null check (severity in ('must', 'should', 'remark')),
  count integer not null check (count > 0),
  x double precision,
  y double precision,
  z double precision,
  primary key (submission_id, kind, severity)
);
create index report_kind_kind on report_kind (kind);

alter table submission_report add column worst jsonb not null default '[]';
-- Null where there is no attempt before it, or where that is not known yet.
alter table submission_report add column is_compared boolean not null default false;
alter table submission_report add column before_attempt integer;
alter table submission_report add column gone integer;
alter table submission_report add column still integer;
alter table submission_report add column fresh integer;
alter table submission_report add check (
  (before_attempt is null) = (gone is null)
  and (gone is null) = (still is null)
  and (still is null) = (fresh is null)
);

insert into report_kind (submission_id, kind, severity, count, x, y, z)
select submission_id, kind, severity, sum(n),
    (array_agg(x order by at nulls last))[1],
    (array_agg(y order by at nulls last))[1],
    (array_agg(z order by at nulls last))[1]
  from (
    select r.submission_id, e.f ->> 'kind' as kind, e.f ->> 'severity' as severity, 1 as n, e.at,
        (e.f #>> '{place,x}')::double precision as x,
        (e.f #>> '{place,y}')::double precision as y,
        (e.f #>> '{place,z}')::double precision as z
      from submission_report r
      cross join lateral jsonb_array_elements(r.findings) with ordinality as e (f, at)
    union all
    select r.submission_id, u ->> 'kind', u ->> 'severity', (u ->> 'count')::integer, null,
        null, null, null
      from submission_report r
      cross join lateral jsonb_array_elements(r.unlisted) as u
  ) found
  group by submission_id, kind, severity;

update submission_report r set worst = coalesce((
  select jsonb_agg(
      jsonb_build_object('kind', kind, 'severity', severity, 'title', title) order by rank, at)
    from (
      select e.f ->> 'kind' as kind, e.f ->> 'severity' as severity, e.f ->> 'title' as title,
          case e.f ->> 'severity' when 'must' then 0 when 'should' then 1 else 2 end as rank, e.at
        from jsonb_array_elements(r.findings) with ordinality as e (f, at)
        order by rank, e.at
        limit 7
    ) first
), '[]');
