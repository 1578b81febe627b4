-- What came in a box was weighed as it came: a basis of its own.
alter table weighing drop constraint weighing_basis_check;
alter table weighing add constraint weighing_basis_check
  check (basis in ('hot', 'hot×0.98', 'hot×0.975', 'cold', 'aged', 'boxed'));
