ALTER TABLE cards DROP CONSTRAINT cards_kind_check;
DELETE FROM cards WHERE kind = 'side';
UPDATE cards SET kind = 'blend' WHERE kind = 'recipe';
ALTER TABLE cards ADD CONSTRAINT cards_kind_check CHECK (kind IN ('method', 'blend'));
