-- Sentences under a short address, to be sent to somebody. The identity is made of the sentence, so that
-- the same one is stored once.
CREATE TABLE shared (
    id         uuid PRIMARY KEY,
    sentence   jsonb NOT NULL,
    created_at timestamptz NOT NULL
);
CREATE INDEX shared_by_age ON shared (created_at);
