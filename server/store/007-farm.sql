-- Where the farm is and how it is reached, what mince of a species costs, and the pack it is filled in.
alter table farm add column address text, add column telephone text, add column minces jsonb,
  add column pack_value numeric check (pack_value > 0), add column pack_unit text check (pack_unit in ('kg', 'lb')),
  add check ((pack_value is null) = (pack_unit is null));
