-- What packs are wrapped in, counted and paid for; ice that is filled up in chests.
alter table sheet drop constraint sheet_format;
alter table sheet add constraint sheet_format check (body->>'format' in
  ('ekko-fees', 'ekko-prices', 'ekko-overhead', 'ekko-school', 'ekko-equipment', 'ekko-practice', 'ekko-labels',
   'ekko-packing'));

alter table fact drop constraint fact_kind_check;
alter table fact add constraint fact_kind_check
  check (kind in ('observation', 'cost', 'fee', 'medicine', 'animal', 'tick', 'attachment', 'withdrawal',
                  'check', 'fault', 'work', 'closing', 'void', 'temperature', 'acceptance', 'icing'));

-- How many of a kind were made since a day is asked by the day.
create index on unit (at);
