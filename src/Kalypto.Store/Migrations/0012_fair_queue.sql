-- The draft that a job is of, so that drafts of which nothing is being drawn go first among what is equally urgent.
alter table drawing_jobs add column draft int generated always as ((job->>'Draft')::int) stored;
create index on drawing_jobs (draft) where leased_until is not null;
