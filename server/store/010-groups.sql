-- Groups have names, may be one side of each of their animals, and are put together again.
alter table lot_group add column name text not null default '' check (length(name) <= 40),
  add column half boolean not null default false;

create table lot_group_join (
  lot_group uuid not null references lot_group (id),
  joins uuid primary key references lot_group (id),
  check (lot_group <> joins)
);
create trigger lot_group_join_kept before update or delete on lot_group_join for each row execute function refuse_change();
create trigger lot_group_join_whole before truncate on lot_group_join for each statement execute function refuse_change();
