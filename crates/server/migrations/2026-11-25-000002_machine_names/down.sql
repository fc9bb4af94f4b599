DROP INDEX machines_name;
