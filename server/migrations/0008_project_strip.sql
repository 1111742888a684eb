-- Which numbers the running strip of a project holds; null holds those that every project begins with.
alter table projects add column strip text[];
