-- What a delivery to a place is about to do, kept here and not in the place, where others can write.
alter table places add column journal text;
