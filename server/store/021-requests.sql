-- What a request of several writes came to: sent again it is answered as it was then, and keeps nothing twice.
create table request (
  id uuid primary key,
  digest text not null check (digest ~ '^[0-9a-f]{64}$'),
  lots jsonb not null,
  at timestamptz not null
);
create trigger request_kept before update or delete on request for each row execute function refuse_change();
create trigger request_whole before truncate on request for each statement execute function refuse_change();
