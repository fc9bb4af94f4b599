CREATE TABLE machines (
    id uuid PRIMARY KEY,
    name text NOT NULL,
    profile jsonb NOT NULL,
    created_at timestamptz NOT NULL
);

CREATE TABLE cooks (
    id uuid PRIMARY KEY,
    name text NOT NULL,
    cut text NOT NULL,
    request jsonb NOT NULL,
    plan jsonb NOT NULL,
    model_version text NOT NULL,
    eat_at timestamptz,
    created_at timestamptz NOT NULL,
    started_at timestamptz,
    finished_at timestamptz,
    deleted_at timestamptz,
    note text NOT NULL DEFAULT ''
);

-- The logbook and the fryer ask for cooks by state, newest first.
CREATE INDEX cooks_recent ON cooks (created_at DESC) WHERE deleted_at IS NULL;

-- What happened is only ever added to. The id is made by whoever reports it, so that a report
-- repeated after a lost connection is the same report.
CREATE TABLE events (
    id uuid PRIMARY KEY,
    cook_id uuid NOT NULL REFERENCES cooks (id) ON DELETE CASCADE,
    at timestamptz NOT NULL,
    happening jsonb NOT NULL
);

CREATE INDEX events_of_cook ON events (cook_id, at);
