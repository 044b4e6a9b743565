-- A number that every change raises: what is kept of a project in memory holds as long as it stays the same.
alter table projects add column revision bigint not null default 1;
alter table projects add column description text not null default '';
alter table projects add column archived_at timestamptz;
alter table projects add column deleted_at timestamptz;
alter table projects add column touched_at timestamptz not null default now();
alter table projects add column touched_by text not null default '';
update projects p set touched_at = coalesce((select max(made_at) from edits where project_id = p.id), p.created_at);
create index on projects (touched_at desc);

-- What the first page shows of a project, as JSON, and the revision that it was counted at.
alter table projects add column counts jsonb;
alter table projects add column counted_at bigint not null default 0;

-- What the project says of checks, as JSON; empty for what comes with Kalypto.
alter table projects add column checks text not null default '';

-- The revision of the project at which a design was last changed, its place in the order, and when it was removed.
alter table designs add column revision bigint not null default 1;
alter table designs add column position int not null default 0;
alter table designs add column removed_at timestamptz;
update designs set position = id;

-- Where the layers of a draft lie: left, top, width and height of each by ordinal, in drawing units; NaN for one without a shape.
alter table drafts add column shapes double precision[];
update drafts d set shapes = (
  select array_agg(coalesce(l.shape[i], 'NaN') order by l.ordinal, i) from layers l cross join generate_series(1, 4) as i where l.draft_id = d.id);
update drafts set shapes = '{}' where shapes is null;
alter table drafts alter column shapes set not null;
drop table screens;
drop table layers;

-- Whose step it is, so that everybody takes back their own; who took it back, and whether they can do it again.
alter table edits add column actor text not null default '';
alter table edits add column undone_at timestamptz;
alter table edits add column undone_by text not null default '';
alter table edits add column undone_actor text not null default '';
alter table edits add column redoable boolean not null default false;
create index on edits (project_id, actor, id) where not undone;

-- A running build belongs to a process that says again and again that it is alive.
alter table builds add column owner text not null default '';
alter table builds add column leased_until timestamptz not null default '-infinity';
alter table builds add column cancel_asked boolean not null default false;
create index on builds (leased_until) where state = 'running';

-- A job is taken only by the engine that it was planned for, and held as long as its taker lives.
alter table drawing_jobs add column engine text not null default '';
alter table drawing_jobs add column taken_by text not null default '';
create index on drawing_jobs (taken_by) where leased_until is not null;

-- What nobody refers to or uses any more is found by these.
alter table blobs add column length bigint not null generated always as (octet_length(bytes)) stored;
alter table blobs add column kept_at timestamptz not null default now();
alter table blobs alter column bytes set storage external;
alter table drawings add column used_at timestamptz not null default now();
alter table looks add column used_at timestamptz not null default now();
create index on drafts (file_sha256);
create index on drawings (sha256);
create index on builds (zip_sha256);
create index on build_files (sha256);
create index on drawings (used_at);
create index on looks (used_at);
