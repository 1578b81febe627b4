-- The first schema. Weights, packs and decisions are append-only: a trigger refuses any change to them.
create table farm (
  id integer primary key check (id = 1),
  name text not null check (length(name) between 1 and 80),
  currency text not null check (currency ~ '^[A-Z]{3}$'),
  mass_unit text not null check (mass_unit in ('kg', 'lb')),
  name_set text not null check (name_set in ('american', 'commonwealth')),
  zone text not null,
  mince_per_kg numeric not null check (mince_per_kg > 0)
);

create table anatomy (
  hash text primary key check (hash ~ '^[0-9a-f]{64}$'),
  species text not null,
  body jsonb not null
);

create table lot (
  id uuid primary key,
  tag text not null check (length(tag) between 1 and 80),
  species text not null,
  anatomy text not null references anatomy (hash),
  created_at timestamptz not null
);

-- A lot is one group until it is split; weights, decisions and packs hang on a group.
create table lot_group (
  id uuid primary key,
  lot uuid not null references lot (id),
  label text not null default '',
  animals integer not null check (animals between 1 and 200)
);
create index on lot_group (lot);

create table weighing (
  id uuid primary key,
  lot_group uuid not null references lot_group (id),
  stage text not null check (stage in ('live', 'shrunk', 'hot', 'hanging')),
  basis text check (basis in ('hot', 'hot×0.98', 'hot×0.975', 'cold', 'aged')),
  source text not null check (source in ('scale', 'plant', 'tape', 'guess')),
  shown_value numeric not null check (shown_value > 0),
  shown_unit text not null check (shown_unit in ('kg', 'lb')),
  grams bigint not null check (grams > 0),
  corrects uuid unique references weighing (id),
  stands boolean not null check (stands or corrects is not null),
  at timestamptz not null,
  ordinal bigint generated always as identity,
  check ((stage = 'hanging') = (basis is not null))
);
create index on weighing (lot_group);

create table pack (
  id uuid primary key,
  lot_group uuid not null references lot_group (id),
  cut text not null,
  shown_value numeric not null check (shown_value > 0),
  shown_unit text not null check (shown_unit in ('kg', 'lb')),
  grams bigint not null check (grams > 0),
  packs integer not null check (packs >= 0),
  corrects uuid unique references pack (id),
  stands boolean not null check (stands or corrects is not null),
  at timestamptz not null,
  ordinal bigint generated always as identity
);
create index on pack (lot_group);

create table command (
  seq bigint generated always as identity primary key,
  id uuid not null unique,
  lot_group uuid not null references lot_group (id),
  batch uuid not null,
  undoes uuid,
  redoes uuid,
  decision jsonb not null,
  at timestamptz not null,
  check (undoes is null or redoes is null)
);
create index on command (lot_group, seq);
create index on command (batch);

create table paper (
  id uuid primary key,
  lot uuid not null references lot (id),
  kind text not null check (kind in ('price-list', 'cut-sheet')),
  data jsonb not null,
  issued_at timestamptz not null
);

create function refuse_change() returns trigger language plpgsql as $$
begin
  raise exception 'rows of % are never changed: append a correction', tg_table_name;
end $$;
create trigger weighing_kept before update or delete on weighing for each row execute function refuse_change();
create trigger pack_kept before update or delete on pack for each row execute function refuse_change();
create trigger command_kept before update or delete on command for each row execute function refuse_change();
create trigger paper_kept before update or delete on paper for each row execute function refuse_change();
create trigger anatomy_kept before update or delete on anatomy for each row execute function refuse_change();
