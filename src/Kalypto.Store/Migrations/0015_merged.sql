-- The share of pixels that the merged picture of a layered picture shows otherwise than its layers do; null where there is none.
alter table drafts add merged double precision;
