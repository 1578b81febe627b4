-- Named plans of a farm, for any animal of their species. A plan taken away stays, marked, so that nothing is lost.
create table cut_plan (
  id uuid primary key,
  species text not null,
  body jsonb not null,
  at timestamptz not null,
  withdrawn boolean not null default false
);

alter table paper drop constraint paper_kind_check;
alter table paper add constraint paper_kind_check check (kind in ('price-list', 'cut-sheet', 'block-card', 'letter'));
