-- How the team orders a drawing: its screens and the layers put together; empty as the file has it.
alter table designs add column arrangement text not null default '';

-- A refused suggestion, and a repeat that shares nothing with its other places.
alter table marks add column dismissed boolean not null default false;
alter table marks add column apart boolean not null default false;

-- Who made a change, as they call themselves.
alter table edits add column who text not null default '';
