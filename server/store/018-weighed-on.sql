-- The day something was weighed, where it was not the day it was written down.
alter table weighing add column weighed_on text check (weighed_on ~ '^\d{4}-\d{2}-\d{2}$');
