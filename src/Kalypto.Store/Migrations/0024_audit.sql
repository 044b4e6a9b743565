-- Who came in, who did not, and what was done about rights, links, deliveries and places. Rows are only added; old ones go as a whole.
create table audit (
  id bigint generated always as identity primary key,
  at timestamptz not null default now(),
  event text not null,
  -- Who did it, as they were called then, and by which account.
  who text not null,
  person_id int,
  -- The project that it is about; null for the server. The row outlives it.
  project_id int,
  -- The network that it came from; empty for Kalypto itself.
  network text not null,
  about text not null
);
create index on audit (project_id, id desc);
create index on audit (at);

create function audit_only_added() returns trigger language plpgsql as $$
begin
  if tg_op = 'DELETE' and old.at < now() - interval '30 days' then
    return old;
  end if;
  raise exception 'rows of the audit log are only added';
end
$$;
create trigger audit_only_added before update or delete on audit for each row execute function audit_only_added();
create trigger audit_only_added_whole before truncate on audit for each statement execute function audit_only_added();
