-- Sheets that hold from a day on: what a processor bills, what cuts go for at a place. One that is put away stays, marked, so
-- that nothing is lost; what holds later is a sheet of its own, and what held before can always be looked up.
create table sheet (
  number bigint generated always as identity,
  id uuid primary key,
  body jsonb not null check (body->>'format' in ('ekko-fees', 'ekko-prices')),
  at timestamptz not null,
  withdrawn boolean not null default false,
  revision bigint not null check (revision > 0)
);
