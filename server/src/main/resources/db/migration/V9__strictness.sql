-- Schools differ on whether a small slip holds a tempo back, and on how much tension is worked with: a player's own.
ALTER TABLE account ADD COLUMN IF NOT EXISTS rough_counts BOOLEAN NOT NULL DEFAULT FALSE;
ALTER TABLE account ADD COLUMN IF NOT EXISTS loose_only BOOLEAN NOT NULL DEFAULT FALSE;
