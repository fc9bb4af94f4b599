-- A dish of a supper is followed at the fryer by a cook of its own.
ALTER TABLE cooks
    ADD COLUMN supper_id uuid REFERENCES suppers (id) ON DELETE SET NULL,
    ADD COLUMN dish      text;
CREATE UNIQUE INDEX cooks_of_dish ON cooks (supper_id, dish)
    WHERE deleted_at IS NULL AND supper_id IS NOT NULL;

-- What had begun before something was told of a supper: to take that back is to stand there again.
ALTER TABLE supper_events ADD COLUMN before jsonb;
