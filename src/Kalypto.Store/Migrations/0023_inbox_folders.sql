-- Folders of the inbox, each bound to one project by its number: a project that is called the same gets nothing.
create table inbox_folders (
  -- The whole path.
  folder text primary key,
  project_id int not null references projects on delete cascade,
  made_at timestamptz not null default now()
);
create index on inbox_folders (project_id);
