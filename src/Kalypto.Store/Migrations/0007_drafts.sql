-- A layer stays the same one through all drafts by its lineage. That of a layer of a first draft is its ordinal; combinations
-- and frames, which are not in the file, count from 1073741824.
alter table drafts add column lineages int[] not null default '{}';
-- How the layers were paired with those of the draft before, as JSON, and which draft that was.
alter table drafts add column pairs text not null default '';
alter table drafts add column asked int not null generated always as (
  case when pairs = '' then 0 else jsonb_array_length(jsonb_path_query_array(pairs::jsonb, '$[*] ? (@.Grade == "Unsure")')) end) stored;
alter table drafts add column follows int references drafts on delete set null;
alter table drafts add column brought_in_by text not null default '';
create index on drafts (follows);

-- The draft that holds, and how many lineages were given in the design so far.
alter table designs add column draft_id int references drafts;
alter table designs add column lineages int not null default 0;
update designs d set draft_id = f.id, lineages = coalesce(array_length(f.shapes, 1), 0) / 4
  from (select distinct on (design_id) * from drafts order by design_id, number desc) f where f.design_id = d.id;
create index on designs (draft_id);

create function layers_of(draft int) returns int language sql stable as
  'select coalesce(array_length(shapes, 1), 0) / 4 from drafts where id = draft';
create function as_lineage(ordinal int, layers int) returns int language sql immutable as
  'select case when ordinal < layers then ordinal else 1073741824 + ordinal - layers end';
create function with_lineages(arrangement text, layers int) returns text language sql immutable as $$
  select case when coalesce(arrangement, '') = '' then arrangement else jsonb_set(arrangement::jsonb, '{Screens}', coalesce((
    select jsonb_agg(jsonb_set(s, '{Root}', to_jsonb(as_lineage((s->>'Root')::int, layers))) order by i)
    from jsonb_array_elements(arrangement::jsonb->'Screens') with ordinality as e (s, i)), '[]'))::text end
$$;

-- What was said of layers belongs to their lineage.
alter table marks rename to marks_of_drafts;
create table marks (
  design_id int not null references designs on delete cascade,
  lineage int not null,
  decision text not null,
  ship_name text,
  tags text not null,
  dismissed boolean not null default false,
  apart boolean not null default false,
  primary key (design_id, lineage)
);
insert into marks select f.design_id, as_lineage(m.ordinal, layers_of(f.id)), m.decision, m.ship_name, m.tags, m.dismissed, m.apart
  from marks_of_drafts m join drafts f on f.id = m.draft_id;
drop table marks_of_drafts;

-- So do the steps of the history: "Of" is the design (or project, or draft), "Layer" its lineage, -1 for the whole.
update edits e set changes = coalesce((
  select jsonb_agg(jsonb_build_object(
    'Of', case when (c->>'Ordinal')::int >= 0 then (select design_id from drafts where id = (c->>'Draft')::int) else (c->>'Draft')::int end,
    'Layer', case when (c->>'Ordinal')::int >= 0 then as_lineage((c->>'Ordinal')::int, layers_of((c->>'Draft')::int)) else -1 end,
    'Field', c->>'Field',
    'Before', case when c->>'Field' = 'arrangement' then with_lineages(c->>'Before', (select lineages from designs where id = (c->>'Draft')::int)) else c->>'Before' end,
    'After', case when c->>'Field' = 'arrangement' then with_lineages(c->>'After', (select lineages from designs where id = (c->>'Draft')::int)) else c->>'After' end) order by i)
  from jsonb_array_elements(e.changes) with ordinality as all_changes (c, i)
  where (c->>'Ordinal')::int < 0 or exists (select from drafts where id = (c->>'Draft')::int)), '[]');
update designs set arrangement = with_lineages(arrangement, lineages) where arrangement <> '';

drop function with_lineages(text, int);
drop function as_lineage(int, int);
drop function layers_of(int);
