-- Records bear who, where and at which revision of their lot; facts are records of their own; groups are real; prices are in
-- thousandths. Rows written before are brought up between this file and 006 (core/records/upgrades.ts).
alter table farm
  add column mince_milli bigint check (mince_milli between 10 and 1000000000),
  add column mince_per text check (mince_per in ('kg', 'lb')),
  add column hour bigint check (hour between 0 and 1000000000);

alter table lot
  add column rev bigint not null default 0 check (rev >= 0),
  add column device uuid not null default '00000000-0000-0000-0000-000000000000',
  add column person uuid not null default '00000000-0000-0000-0000-000000000000';

alter table lot_group
  drop column label,
  add column parent uuid references lot_group (id),
  add column rev bigint not null default 0 check (rev >= 0),
  add column at timestamptz,
  add column device uuid not null default '00000000-0000-0000-0000-000000000000',
  add column person uuid not null default '00000000-0000-0000-0000-000000000000',
  add check (parent is distinct from id);

update lot_group g set at = l.created_at from lot l where l.id = g.lot;
alter table lot_group alter column at set not null;

alter table weighing add column rev bigint check (rev > 0), add column device uuid, add column person uuid;
alter table pack add column rev bigint check (rev > 0), add column device uuid, add column person uuid;
alter table command
  add column rev bigint check (rev > 0), add column device uuid, add column person uuid;

-- What was seen, paid, billed, ticked, attached or withdrawn: one chain of corrections for all kinds.
create table fact (
  id uuid primary key,
  lot_group uuid not null references lot_group (id),
  rev bigint not null check (rev > 0),
  at timestamptz not null,
  device uuid not null,
  person uuid not null,
  corrects uuid unique references fact (id),
  stands boolean not null check (stands or corrects is not null),
  kind text not null check (kind in ('observation', 'cost', 'fee', 'tick', 'attachment', 'withdrawal')),
  fact jsonb not null check (fact->>'kind' = kind),
  check (kind not in ('cost', 'fee') or (fact->>'amount')::numeric between 0 and 1000000000),
  check (kind <> 'attachment' or fact->>'hash' ~ '^[0-9a-f]{64}$'),
  unique (lot_group, rev)
);

-- Which kinds of paper there are is said by the program's registry.
alter table paper drop constraint paper_kind_check;
alter table paper add constraint paper_kind_check check (kind ~ '^[a-z]+(-[a-z]+)*$');
