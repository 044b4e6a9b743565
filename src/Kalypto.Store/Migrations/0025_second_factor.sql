-- A second factor of an account: the key of its authenticator, encrypted, and hashes of codes that work once without it.
alter table people add column authenticator text not null default '', add column second_factor boolean not null default false,
  add column recovery text[] not null default '{}', add column used_code text;

-- Whether a project asks everybody in it for one.
alter table projects add column second_factor boolean not null default false;
