-- Which kinds of record there are is said by the program (core/records/kinds): the database asks only that each has a name, and
-- keeps the form it was written in, so that what was written in an earlier one is brought up when it is read.
alter table fact drop constraint fact_kind_check;
alter table fact add constraint fact_kind_check check (kind ~ '^[a-z]+(-[a-z]+)*$'),
  add column form smallint not null default 1 check (form > 0);
alter table command add column form smallint not null default 1 check (form > 0);
alter table sheet drop constraint sheet_format;
alter table sheet add constraint sheet_format check (body->>'format' ~ '^ekko-[a-z]+(-[a-z]+)*$');
alter table pack_event drop constraint pack_event_what_check;
alter table pack_event add constraint pack_event_what_check check (what ~ '^[a-z]+(-[a-z]+)*$');
