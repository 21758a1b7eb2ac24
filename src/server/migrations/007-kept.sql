-- Days on which the shop was used, counted: by these, and not by a clock, it is decided what is long ago.
ALTER TABLE identity ADD COLUMN days INTEGER NOT NULL DEFAULT 1;
ALTER TABLE identity ADD COLUMN last_day TEXT NOT NULL DEFAULT '';
-- Of a job in the bin, the day it was put there, by that count.
ALTER TABLE job ADD COLUMN deleted_day INTEGER;
UPDATE job SET deleted_day = 1 WHERE deleted_at IS NOT NULL;
-- Of a save, its day by that count, the form of the document its edits are said in, and the program it came from.
ALTER TABLE revision ADD COLUMN day INTEGER NOT NULL DEFAULT 0;
ALTER TABLE revision ADD COLUMN format INTEGER;
ALTER TABLE revision ADD COLUMN program TEXT;
