-- A price of 0 is a price: a piece may be given away.
ALTER TABLE shelf DROP CONSTRAINT shelf_price_check;
ALTER TABLE shelf ADD CONSTRAINT shelf_price_check CHECK (price >= 0);
