-- How many pixels a job draws. Of what is equally urgent the largest goes first, so that all processors end together.
alter table drawing_jobs add column pixels bigint not null default 0;
create index on drawing_jobs (priority, pixels desc, queued_at);
drop index drawing_jobs_priority_queued_at_idx;
