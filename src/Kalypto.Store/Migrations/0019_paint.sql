-- The one colour of all that is seen of a layer, and whether nothing shows through.
alter table looks add column colour text;
alter table looks add column is_full boolean not null default false;
-- What quick files of it weighed when it was looked at.
alter table looks add column weights double precision[];
