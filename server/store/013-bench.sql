-- What is signed, goes wrong and happens at the bench is a fact; schools, equipment and practice are sheets.
alter table fact drop constraint fact_kind_check;
alter table fact add constraint fact_kind_check
  check (kind in ('observation', 'cost', 'fee', 'medicine', 'animal', 'tick', 'attachment', 'withdrawal',
                  'check', 'fault', 'work', 'closing'));
alter table sheet drop constraint sheet_format;
alter table sheet add constraint sheet_format check (body->>'format' in
  ('ekko-fees', 'ekko-prices', 'ekko-overhead', 'ekko-school', 'ekko-equipment', 'ekko-practice'));
