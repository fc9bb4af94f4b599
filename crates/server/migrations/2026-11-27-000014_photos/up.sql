-- Photographs of cooks, made smaller and without what a phone writes into them before they are kept.
CREATE TABLE photos (
    household_id uuid NOT NULL DEFAULT current_household() REFERENCES households (id) ON DELETE CASCADE,
    id           uuid NOT NULL,
    cook_id      uuid NOT NULL,
    kind         text NOT NULL CHECK (kind IN ('image/jpeg', 'image/png', 'image/webp')),
    bytes        bytea NOT NULL CHECK (octet_length(bytes) BETWEEN 1 AND 1048576),
    created_at   timestamptz NOT NULL,
    deleted_at   timestamptz,
    PRIMARY KEY (household_id, id),
    FOREIGN KEY (household_id, cook_id) REFERENCES cooks ON DELETE CASCADE
);
CREATE INDEX photos_of_cook ON photos (household_id, cook_id, created_at);
ALTER TABLE photos ENABLE ROW LEVEL SECURITY;
CREATE POLICY own ON photos USING (household_id = current_household())
    WITH CHECK (household_id = current_household());
