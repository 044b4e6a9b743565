-- What is asked about deliveries, until a delivery settles it.
create table questions (
  id int generated always as identity primary key,
  project_id int not null references projects on delete cascade,
  -- The delivery that it was asked about, and the one that settled it.
  delivery int not null,
  settled_in int,
  design_id int not null references designs on delete cascade,
  -- The screen and the layer by lineage; of a point, or of the screen as a whole, both are the screen.
  screen int not null,
  lineage int not null,
  x double precision,
  y double precision,
  kind text not null,
  state text not null default '',
  words text not null default '',
  who text not null,
  actor text not null,
  asked_at timestamptz not null default now(),
  answer text not null default '',
  answered_by text not null default '',
  answered_at timestamptz,
  withdrawn_at timestamptz
);
create index on questions (project_id) where settled_in is null and withdrawn_at is null;
create index on questions (design_id, screen);

-- Who saw a screen of a delivery, and who agreed to it.
create table verdicts (
  project_id int not null references projects on delete cascade,
  delivery int not null,
  design_id int not null references designs on delete cascade,
  screen int not null,
  actor text not null,
  who text not null,
  agreed boolean not null,
  at timestamptz not null default now(),
  primary key (project_id, delivery, design_id, screen, actor)
);
