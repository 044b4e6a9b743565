-- What the project says of how its pictures are made, as JSON; empty for what comes with Kalypto.
alter table projects add column recipes text not null default '';

-- What people should know of a drawn file, such as the quality that was found.
alter table drawings add column note text;

-- What of the pack a build is of, in words; and what was asked, so that it can go on after a stop.
alter table builds add column part text not null default '';
alter table builds add column asked jsonb not null default '{}'::jsonb;

-- The files of a build. Its zip is put together when somebody fetches it, so that no build has to fit into memory.
create table build_files (
  build_id int not null references builds on delete cascade,
  path text not null,
  sha256 char(64) not null references blobs,
  weight bigint not null,
  primary key (build_id, path)
);
