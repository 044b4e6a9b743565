-- Those who have an account. A keeper looks after the server itself.
create table people (
  id int generated always as identity primary key,
  name text not null,
  email text not null,
  -- The address as it is looked for: the same for all ways to write it.
  email_key text not null unique,
  password text not null,
  stamp text not null default '',
  failed int not null default 0,
  locked_until timestamptz,
  keeper boolean not null default false,
  shut_at timestamptz,
  made_at timestamptz not null default now()
);

-- What a project lets each of them do: guest, developer, designer, owner.
create table members (
  project_id int not null references projects on delete cascade,
  person_id int not null references people on delete cascade,
  role text not null,
  primary key (project_id, person_id)
);
create index on members (person_id);

-- Links to one project, or to one delivery of it. Of the secret only its hash is kept.
create table links (
  id int generated always as identity primary key,
  hash bytea not null unique,
  project_id int not null references projects on delete cascade,
  -- The number of the delivery that it is for; null for whichever is the newest.
  delivery int,
  role text not null,
  label text not null,
  password text not null default '',
  made_by text not null,
  made_at timestamptz not null default now(),
  expires_at timestamptz,
  revoked_at timestamptz,
  used_at timestamptz
);
create index on links (project_id);

-- A browser that came in: by signing in, by links, or both. Of the secret in its cookie only the hash is kept.
create table sessions (
  id int generated always as identity primary key,
  hash bytea not null unique,
  person_id int references people on delete cascade,
  browser text not null,
  made_at timestamptz not null default now(),
  used_at timestamptz not null default now()
);
create index on sessions (person_id);
create table session_links (
  session_id int not null references sessions on delete cascade,
  link_id int not null references links on delete cascade,
  primary key (session_id, link_id)
);

-- Invitations: to make the first account, to join a project, or to set a new password.
create table invitations (
  id int generated always as identity primary key,
  hash bytea not null unique,
  kind text not null,
  email text not null default '',
  project_id int references projects on delete cascade,
  role text not null default '',
  person_id int references people on delete cascade,
  made_by text not null default '',
  made_at timestamptz not null default now(),
  expires_at timestamptz not null,
  used_at timestamptz
);
create index on invitations (project_id);

-- Steps that stand in the history and are not taken back by undo, such as what changes rights.
alter table edits add column lasting boolean not null default false;
