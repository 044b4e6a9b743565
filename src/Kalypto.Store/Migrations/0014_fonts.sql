-- The fonts that a project has of its own, as JSON; one that was taken out can be put back as long as the project is there.
alter table projects add fonts text not null default '';
create table project_fonts (
  project_id int not null references projects (id) on delete cascade,
  sha256 char(64) not null references blobs (sha256),
  primary key (project_id, sha256));
create index on project_fonts (sha256);

-- By which of them the layers of a draft were measured.
alter table drafts add measured_with text not null default '';
