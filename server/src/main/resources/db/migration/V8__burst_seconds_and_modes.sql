-- Of a pass that is fast for a beat or two only, no more than that is burst time.
ALTER TABLE played_pass ADD COLUMN IF NOT EXISTS burst_seconds DOUBLE NOT NULL DEFAULT 0;
UPDATE played_pass SET burst_seconds = play_seconds WHERE kind = 'BURST';
CREATE INDEX IF NOT EXISTS pass_day_sums ON played_pass (account_id, day, play_seconds, burst_seconds, effort, tension);
DROP INDEX IF EXISTS pass_sums ON played_pass;

-- A session says how many pieces were played in it; its fastest clean pass is one of the piece that it is named after.
ALTER TABLE run_summary ADD COLUMN IF NOT EXISTS pieces INT NOT NULL DEFAULT 1;

-- A mode has a ceiling of its own, by its last passes.
CREATE INDEX IF NOT EXISTS pass_in_mode ON played_pass (account_id, piece_id, way, id);

-- Why a link broke, in the player's words.
ALTER TABLE link_break ADD COLUMN IF NOT EXISTS cause VARCHAR(60) NULL;
