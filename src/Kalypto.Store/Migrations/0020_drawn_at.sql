-- A file may say itself how many of its units are a px.
alter table designs drop constraint designs_drawn_at_check;
alter table designs add constraint designs_drawn_at_check check (drawn_at >= 1 and drawn_at < 'infinity');
