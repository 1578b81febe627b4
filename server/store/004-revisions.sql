-- What is changed in place says how often; order is by number, never by clock; a paper says what of the animal it is for.
alter table farm add column revision integer not null default 1 check (revision > 0);
alter table cut_plan add column revision integer not null default 1 check (revision > 0);

alter table lot add column number bigint;
update lot set number = n from (select id, row_number() over (order by created_at, id) as n from lot) o where o.id = lot.id;
alter table lot alter column number set not null, alter column number add generated always as identity, add unique (number);
select setval(pg_get_serial_sequence('lot', 'number'), coalesce((select max(number) from lot), 0) + 1, false);

alter table cut_plan add column number bigint;
update cut_plan set number = n from (select id, row_number() over (order by at, id) as n from cut_plan) o where o.id = cut_plan.id;
alter table cut_plan alter column number set not null, alter column number add generated always as identity, add unique (number);
select setval(pg_get_serial_sequence('cut_plan', 'number'), coalesce((select max(number) from cut_plan), 0) + 1, false);

alter table paper disable trigger paper_kept;
alter table paper add column share integer not null default 1 check (share in (1, 2, 4));
alter table paper add column number bigint;
update paper set
  number = n,
  share = case when kind <> 'letter' then 1 when data->>'share' = 'half' then 2 when data->>'share' = 'quarter' then 4 else 1 end
  from (select id, row_number() over (order by issued_at, id) as n from paper) o where o.id = paper.id;
alter table paper alter column number set not null, alter column number add generated always as identity, add unique (number);
select setval(pg_get_serial_sequence('paper', 'number'), coalesce((select max(number) from paper), 0) + 1, false);
alter table paper enable trigger paper_kept;
