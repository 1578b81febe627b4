-- What came in a box was weighed as it came: a basis of its own.
alter table weighing drop constraint weighing_basis_check;
alter table weighing add constraint weighing_basis_check
  check (basis in ('hot', 'hot×0.98', 'hot×0.975', 'cold', 'aged', 'boxed'));

-- Medicines, with the day their withdrawal ends.
alter table fact drop constraint fact_kind_check;
alter table fact add constraint fact_kind_check
  check (kind in ('observation', 'cost', 'fee', 'medicine', 'tick', 'attachment', 'withdrawal'));

-- What customers and suppliers call a cut.
alter table farm add column aliases jsonb;
