-- What a cook wrote down to use again: ways of getting a cut ready, and blends.
CREATE TABLE cards (
    id         uuid PRIMARY KEY,
    kind       text NOT NULL CHECK (kind IN ('method', 'blend')),
    name       text NOT NULL,
    document   jsonb NOT NULL,
    created_at timestamptz NOT NULL
);
-- A name is chosen from a list, so it stands once: for methods once a cut.
CREATE UNIQUE INDEX cards_name
    ON cards (kind, coalesce(document ->> 'cut', ''), lower(name));
