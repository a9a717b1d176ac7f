-- Work on a component was done at two counts: the component's own hours, and the running hours of the machine it was on then.
-- Kept by the book, as the component's are; null where the task is the machine's own, or the machine's hours are not known.
alter table service_record add column machine_hours int check (machine_hours between 0 and 10000000);
