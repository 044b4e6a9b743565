-- How many screens a build still waits for to be compared with the browser.
alter table builds add column proofs_left integer not null default 0;

-- Files that would move to other folders of a place that follows, and the moves that somebody agreed to: JSON, empty for none.
alter table places add column moves text not null default '', add column agreed text not null default '';
