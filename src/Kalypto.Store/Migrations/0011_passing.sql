-- A failure that is no property of the drawing, such as that of a worker that was killed, holds until then; it is tried again after.
alter table drawings add column passes_at timestamptz;
alter table looks add column passes_at timestamptz;
-- Until now nobody told them apart: what was said to have crashed or to take too long is tried again.
delete from drawings where failure like 'It crashed the renderer%' or failure like 'It takes longer than%' or failure like 'It stopped Kalypto%';
delete from looks where failure like 'It crashed the renderer%' or failure like 'It takes longer than%' or failure like 'It stopped Kalypto%';
