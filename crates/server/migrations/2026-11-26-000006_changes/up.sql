-- Every change of a cook or a supper, in order, so that all devices hear of it: at once by a notification,
-- and after a lost connection by its number. Old ones are purged.
CREATE TABLE changes (
    seq  bigint GENERATED ALWAYS AS IDENTITY PRIMARY KEY,
    kind text NOT NULL,
    of   uuid NOT NULL,
    at   timestamptz NOT NULL DEFAULT now()
);
CREATE INDEX changes_at ON changes (at);

CREATE FUNCTION tell_change() RETURNS trigger LANGUAGE plpgsql AS $$
DECLARE
    number bigint;
BEGIN
    INSERT INTO changes (kind, of) VALUES (TG_ARGV[0], NEW.id) RETURNING seq INTO number;
    PERFORM pg_notify('ember_changes', number || ' ' || TG_ARGV[0] || ' ' || NEW.id);
    RETURN NULL;
END $$;

CREATE TRIGGER cooks_told AFTER INSERT OR UPDATE ON cooks
    FOR EACH ROW EXECUTE FUNCTION tell_change('cook');
CREATE TRIGGER suppers_told AFTER INSERT OR UPDATE ON suppers
    FOR EACH ROW EXECUTE FUNCTION tell_change('supper');
