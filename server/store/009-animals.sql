-- Animals of a lot of several, told apart by their tags.
alter table fact drop constraint fact_kind_check;
alter table fact add constraint fact_kind_check
  check (kind in ('observation', 'cost', 'fee', 'medicine', 'animal', 'tick', 'attachment', 'withdrawal'));
