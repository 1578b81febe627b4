-- What is lost of a batch, samples that are weighed, loads that are scalded, downgrades, birds through a station, stations that stand still.
alter table fact drop constraint fact_kind_check;
alter table fact add constraint fact_kind_check
  check (kind in ('observation', 'cost', 'fee', 'medicine', 'animal', 'tick', 'attachment', 'withdrawal',
                  'check', 'fault', 'work', 'closing', 'void', 'temperature', 'acceptance', 'icing',
                  'loss', 'sample', 'scald', 'downgrade', 'passed', 'stopped'));
