create table blobs (
  sha256 char(64) primary key,
  bytes bytea not null
);

create table projects (
  id int generated always as identity primary key,
  name text not null,
  platforms text[] not null,
  created_at timestamptz not null default now()
);

create table designs (
  id int generated always as identity primary key,
  project_id int not null references projects on delete cascade,
  name text not null,
  drawn_at double precision not null check (drawn_at in (1, 2, 3))
);
create index on designs (project_id);

-- Each time a file is brought in for a design; kept for ever.
create table drafts (
  id int generated always as identity primary key,
  design_id int not null references designs on delete cascade,
  number int not null,
  file_name text not null,
  file_sha256 char(64) not null references blobs,
  brought_in_at timestamptz not null default now(),
  unique (design_id, number)
);

create table layers (
  draft_id int not null references drafts on delete cascade,
  ordinal int not null,
  name text not null,
  content text not null,
  -- left, top, width, height in drawing units; null for a layer without a shape
  shape double precision[],
  primary key (draft_id, ordinal)
);

create table screens (
  draft_id int not null references drafts on delete cascade,
  position int not null,
  name text not null,
  root_ordinal int not null,
  box double precision[] not null,
  primary key (draft_id, position)
);

-- What the team said of a layer: decision, name, tags.
create table marks (
  draft_id int not null references drafts on delete cascade,
  ordinal int not null,
  decision text not null,
  ship_name text,
  tags text not null,
  primary key (draft_id, ordinal)
);

-- Every change, so that it can be undone: a list of fields with their value before and after.
create table edits (
  id bigint generated always as identity primary key,
  project_id int not null references projects on delete cascade,
  label text not null,
  changes jsonb not null,
  undone boolean not null default false,
  made_at timestamptz not null default now()
);
create index on edits (project_id, id);

-- What was seen when a layer was drawn alone, by the key of its isolated drawing and engine.
create table looks (
  key char(64) primary key,
  ink double precision[],
  failure text
);

-- Finished pictures, by the key of all that goes into them.
create table drawings (
  key char(64) primary key,
  sha256 char(64) references blobs,
  weight bigint,
  failure text
);

-- Drawing still to be done. A taken job has a lease; when it runs out somebody else may take it.
create table drawing_jobs (
  key char(64) primary key,
  priority int not null,
  job jsonb not null,
  attempts int not null default 0,
  leased_until timestamptz,
  queued_at timestamptz not null default now()
);
create index on drawing_jobs (priority, queued_at);

create table builds (
  id int generated always as identity primary key,
  project_id int not null references projects on delete cascade,
  state text not null,
  total int not null,
  done int not null default 0,
  message text,
  files int,
  weight bigint,
  zip_sha256 char(64) references blobs,
  drawn int not null default 0,
  started_at timestamptz not null default now(),
  ended_at timestamptz
);
create index on builds (project_id, id);
