-- What a closed cook says of its machine and of its cut, once it was computed; and since when the kitchen does not
-- want it to count.
ALTER TABLE cooks ADD COLUMN lesson jsonb, ADD COLUMN left_out_at timestamptz;
