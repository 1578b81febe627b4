-- Numbers are given out from a row, in the transaction that keeps what bears them: none twice, and no gap after a refusal.
create table counter (
  name text primary key check (name ~ '^[a-z]+(-[a-z]+)*$'),
  next bigint not null check (next > 0)
);
insert into counter (name, next) select 'pack', coalesce(max(number), 0) + 1 from unit;
