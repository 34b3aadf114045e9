-- A player's own warm-up, a line for each of its parts: seconds, at or away from the instrument, and what.
ALTER TABLE account ADD COLUMN IF NOT EXISTS routine VARCHAR(1000) NOT NULL DEFAULT '';
