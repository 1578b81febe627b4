-- Which history of the records this database is: the same id lies beside it, and a database that came some other way is told by it.
create table history (
  one boolean primary key default true check (one),
  id uuid not null
);
