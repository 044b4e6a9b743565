-- The library: every layer that was ever shipped, as it was in the newest delivery that had it.
create table shipped (
  design_id int not null references designs on delete cascade,
  lineage int not null,
  project_id int not null references projects on delete cascade,
  -- The beginning of the identities of its files.
  owner text not null,
  -- The fingerprint of its isolated drawing: equal for the same picture, wherever it stands.
  drawing char(64) not null,
  name text not null,
  layer text not null,
  screen text not null,
  kind text not null,
  tags text not null,
  -- The crop, in pt.
  width double precision not null,
  height double precision not null,
  platforms text[] not null,
  since int not null references builds on delete cascade,
  newest int not null references builds on delete cascade,
  primary key (design_id, lineage)
);
create index on shipped (project_id);
create index on shipped (drawing);

-- How a drawing looks: a small picture, its hash and its main colours with their shares. No picture where it cannot be drawn.
create table shipped_looks (
  drawing char(64) primary key,
  picture char(64) references blobs,
  hash text,
  colours text[] not null default '{}',
  shares double precision[] not null default '{}'
);
create index on shipped_looks (picture);

-- Deliveries whose layers are not in the library yet.
alter table builds add column shelved boolean not null default false;
create index on builds (id) where number is not null and not shelved;

-- The files of one layer over all deliveries.
alter table build_files add column owner text generated always as (split_part(identity, ' ', 1)) stored;
create index on build_files (owner, platform, build_id) where owner like '%:%';

-- Drafts that were taken from the library: of which layer, out of which delivery, and the drawing that it was.
create table taken (
  draft_id int primary key references drafts on delete cascade,
  design_id int not null references designs on delete cascade,
  lineage int not null,
  build_id int not null references builds on delete cascade,
  drawing char(64) not null
);
create index on taken (design_id, lineage);

-- Credit lines that a design brought along: copyright, author, contact. Null for those of its project.
alter table designs add column credit text[];
