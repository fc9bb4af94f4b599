-- The piece a probe is in, in the cook's words: "the thick one".
ALTER TABLE channels ADD COLUMN piece text
    CHECK (char_length(piece) BETWEEN 1 AND 40 AND piece !~ '[[:cntrl:]]');
