-- What a processor bills from a day on. A sheet that is put away stays, marked, so that nothing is lost.
create table fee_sheet (
  number bigint generated always as identity,
  id uuid primary key,
  body jsonb not null check (body->>'format' = 'ekko-fees'),
  at timestamptz not null,
  withdrawn boolean not null default false,
  revision bigint not null check (revision > 0)
);
