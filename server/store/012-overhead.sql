-- What the farm pays for land and equipment over a time, to be shared over its lots, is a sheet too.
alter table sheet drop constraint sheet_body_check;
alter table sheet add constraint sheet_format check (body->>'format' in ('ekko-fees', 'ekko-prices', 'ekko-overhead'));
