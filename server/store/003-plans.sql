-- Named plans of a farm, for any animal of their species. A plan taken away stays, marked, so that nothing is lost.
create table cut_plan (
  id uuid primary key,
  species text not null,
  body jsonb not null,
  at timestamptz not null,
  withdrawn boolean not null default false
);
