-- A build that ended well is a delivery: it has a number in its project, a line of what it is for, and who made it, for ever.
alter table builds add column number int;
alter table builds add column line text not null default '';
alter table builds add column made_by text not null default '';
update builds b set number = n.number from (select id, row_number() over (partition by project_id order by id) as number from builds where state = 'done') n where n.id = b.id;
create unique index on builds (project_id, number);

-- What makes a file the same one in any other delivery, and what people look for it by. Before, its path was all there was.
alter table build_files add column identity text;
update build_files set identity = 'path ' || path;
alter table build_files alter column identity set not null;
alter table build_files add column platform text not null default '';
alter table build_files add column kind text not null default '';
alter table build_files add column layer text not null default '';
alter table build_files add column screen text not null default '';
alter table build_files add column width int not null default 0;
alter table build_files add column height int not null default 0;
update build_files set platform = split_part(path, '/', 1) where path like '%/%';
create unique index on build_files (build_id, identity);
