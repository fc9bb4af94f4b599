ALTER TABLE cooks DROP COLUMN lesson, DROP COLUMN left_out_at;
