-- What a project says of its tokens, as JSON: names, what is merged, what is none.
alter table projects add tokens text not null default '';
