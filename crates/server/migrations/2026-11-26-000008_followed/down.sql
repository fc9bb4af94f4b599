ALTER TABLE supper_events DROP COLUMN before;
DROP INDEX cooks_of_dish;
ALTER TABLE cooks DROP COLUMN dish, DROP COLUMN supper_id;
