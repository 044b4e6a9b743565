-- How often somebody tried to come in: by account or link, and from where. Counted before a password is looked at.
create table sign_in_tries (
  -- A hash of the address of the account, or of the number of the link; also of accounts that are not there.
  subject bytea not null,
  -- A network, a known device, or * for all networks together.
  origin text not null,
  tries int not null,
  since timestamptz not null,
  primary key (subject, origin)
);

-- Browsers that somebody signed in with before. Of the secret in the cookie only the hash is kept.
create table known_devices (
  person_id int not null references people on delete cascade,
  hash bytea not null,
  used_at timestamptz not null default now(),
  primary key (person_id, hash)
);

alter table people drop column failed, drop column locked_until;

-- Who made an invitation, so that it ends with their rights, and the code that proves whose address it is.
alter table invitations add column maker_id int references people on delete cascade;
alter table invitations add column code bytea;
alter table invitations add column code_tries int not null default 0;
-- Those of before prove no address.
delete from invitations where used_at is null and kind in ('Member', 'Account');
