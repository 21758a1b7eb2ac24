-- What each cabinet came to when it was last figured, and by which edition of the rules; NULL until it is figured again.
ALTER TABLE cabinet ADD COLUMN built TEXT;
ALTER TABLE cabinet ADD COLUMN edition INTEGER NOT NULL DEFAULT 1;
-- What corrected rules changed in it, kept to compare: { edition, before, after }; before is null where it was not kept.
ALTER TABLE cabinet ADD COLUMN corrected TEXT;
-- The edition whose corrections somebody has looked at.
ALTER TABLE job ADD COLUMN seen_edition INTEGER NOT NULL DEFAULT 1;
-- Lists count findings by the rules of today.
UPDATE cabinet SET summary = NULL;
