-- Packs are things: each has a number over the whole farm, and events of its own. `unit` is worked out from weighings,
-- facts and events, so that packs are found without reading a lot; the records themselves stay append-only.
alter table pack
  add column number bigint check (number > 0),
  add column pieces integer check (pieces between 1 and 500),
  add column wrap text,
  add column place text check (length(place) between 1 and 60),
  add column said text check (length(said) between 1 and 60),
  add column out_of bigint[] not null default '{}';

alter table pack disable trigger pack_kept;
with numbered as (
  select p.id, sum(p.packs) over (order by p.at, l.number, p.rev) - p.packs + 1 as first
  from pack p join lot_group g on g.id = p.lot_group join lot l on l.id = g.lot
  where p.stands
)
update pack p set number = n.first from numbered n where n.id = p.id and p.packs > 0;
alter table pack enable trigger pack_kept;
alter table pack add constraint pack_numbered check ((packs > 0 and stands) = (number is not null));

create table unit (
  number bigint primary key,
  weigh_in uuid not null references pack (id),
  lot uuid not null references lot (id),
  cut text not null,
  grams bigint not null check (grams > 0),
  state text not null check (state in ('here', 'corrected', 'void', 'opened')),
  place text,
  at timestamptz not null
);
create index on unit (lot, number);
create index on unit (weigh_in);
create index on unit (place, number) where state = 'here';

insert into unit (number, weigh_in, lot, cut, grams, state, at)
  select p.number + i, p.id, g.lot, p.cut,
    p.grams / p.packs + case when i < p.grams % p.packs then 1 else 0 end,
    case when exists (select 1 from pack later where later.corrects = p.id) then 'corrected' else 'here' end, p.at
  from pack p join lot_group g on g.id = p.lot_group, generate_series(0, p.packs - 1) as i
  where p.number is not null;

create table pack_event (
  id uuid primary key,
  number bigint not null references unit (number),
  what text not null check (what in ('put', 'label')),
  place text check (length(place) between 1 and 60),
  at timestamptz not null,
  device uuid not null,
  person uuid not null,
  ordinal bigint generated always as identity,
  check ((what = 'put') = (place is not null))
);
create index on pack_event (number, ordinal);
create trigger pack_event_kept before update or delete on pack_event for each row execute function refuse_change();
create trigger pack_event_whole before truncate on pack_event for each statement execute function refuse_change();

alter table sheet drop constraint sheet_format;
alter table sheet add constraint sheet_format check (body->>'format' in
  ('ekko-fees', 'ekko-prices', 'ekko-overhead', 'ekko-school', 'ekko-equipment', 'ekko-practice', 'ekko-labels'));

alter table fact drop constraint fact_kind_check;
alter table fact add constraint fact_kind_check
  check (kind in ('observation', 'cost', 'fee', 'medicine', 'animal', 'tick', 'attachment', 'withdrawal',
                  'check', 'fault', 'work', 'closing', 'void', 'temperature', 'acceptance'));
