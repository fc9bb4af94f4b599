-- A supper as it was asked for, and as it was scheduled last: what has begun stays where it is.
CREATE TABLE suppers (
    id         uuid PRIMARY KEY,
    name       text NOT NULL,
    document   jsonb NOT NULL,
    scheduled  jsonb NOT NULL,
    created_at timestamptz NOT NULL
);
CREATE INDEX suppers_created ON suppers (created_at DESC);
