-- Thermometers that stay in, each with an address of its own, and what their channels are stuck in.
CREATE TABLE thermometers (
    id         uuid PRIMARY KEY,
    name       text NOT NULL,
    token      text NOT NULL UNIQUE,
    created_at timestamptz NOT NULL
);

CREATE TABLE channels (
    thermometer_id uuid NOT NULL REFERENCES thermometers ON DELETE CASCADE,
    channel        integer NOT NULL,
    kind           text NOT NULL,
    cook_id        uuid REFERENCES cooks ON DELETE SET NULL,
    batch          integer,
    PRIMARY KEY (thermometer_id, channel)
);

-- A reading is known by the device's own time, so that one sent twice counts once.
CREATE TABLE probe_readings (
    thermometer_id uuid NOT NULL REFERENCES thermometers ON DELETE CASCADE,
    channel        integer NOT NULL,
    device_at      timestamptz NOT NULL,
    at             timestamptz NOT NULL,
    celsius        double precision NOT NULL,
    kind           text NOT NULL,
    cook_id        uuid REFERENCES cooks ON DELETE CASCADE,
    batch          integer,
    PRIMARY KEY (thermometer_id, channel, device_at)
);
CREATE INDEX probe_readings_of_cook ON probe_readings (cook_id, at) WHERE cook_id IS NOT NULL;
CREATE INDEX probe_readings_free ON probe_readings (at) WHERE cook_id IS NULL;
