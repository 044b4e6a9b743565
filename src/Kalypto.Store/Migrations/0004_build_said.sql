-- What was said of the project when a build began, as JSON, so that it goes on with just that after a stop; null once it ended.
alter table builds add column said text;

-- Builds of before that know no such thing cannot go on.
update builds set state = 'cancelled', message = 'It was interrupted. Build again.' where state = 'running';
