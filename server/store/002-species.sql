-- Every species, batches of birds, and a farm's own parts and ways to cut: append-only versions of each species' additions.
alter table lot_group drop constraint lot_group_animals_check;
alter table lot_group add constraint lot_group_animals_check check (animals between 1 and 2000);

create table own_addition (
  species text not null,
  version integer not null check (version > 0),
  body jsonb not null,
  at timestamptz not null,
  primary key (species, version)
);
create trigger own_addition_kept before update or delete on own_addition for each row execute function refuse_change();
