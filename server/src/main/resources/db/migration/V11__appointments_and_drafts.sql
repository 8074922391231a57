-- What preparing for something that happens at its time is thought to bring, in percent of its points.
ALTER TABLE own_figure ADD COLUMN preparing_percent DECIMAL(9, 6);

-- Every state of a draft has a number of its own, so that nobody overwrites or hands in what they haven't seen.
CREATE SEQUENCE draft_number;
ALTER TABLE draft ADD COLUMN number BIGINT DEFAULT (NEXT VALUE FOR draft_number) NOT NULL;
