ALTER TABLE channels DROP COLUMN piece;
