-- Folders on the server's machine that deliveries are put into.
create table places (
  id int generated always as identity primary key,
  project_id int not null references projects on delete cascade,
  folder text not null,
  -- The platform whose files alone go there; empty for the whole pack.
  platform text not null default '',
  -- The number of the delivery that lies there; 0 for none.
  delivery int not null default 0,
  -- Whether each change is delivered there by itself, what was looked at last, and what it waits for.
  follows boolean not null default false,
  followed bigint not null default 0,
  pack text not null default '',
  waits_for text not null default '',
  made_at timestamptz not null default now()
);
create unique index on places (folder);
create index on places (project_id);

-- What came of the files of the inbox that were not brought in, so that the page of their project can say it.
create table inbox_refusals (
  project_id int not null references projects on delete cascade,
  file text not null,
  message text not null,
  at timestamptz not null default now(),
  primary key (project_id, file)
);
