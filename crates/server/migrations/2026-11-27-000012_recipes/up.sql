-- A blend of spices is a recipe: rubs, marinades, sauces, glazes, gravies and side dishes are kept the same
-- way. Its document is upgraded when it is read.
ALTER TABLE cards DROP CONSTRAINT cards_kind_check;
UPDATE cards SET kind = 'recipe' WHERE kind = 'blend';
ALTER TABLE cards ADD CONSTRAINT cards_kind_check CHECK (kind IN ('method', 'recipe', 'side'));
