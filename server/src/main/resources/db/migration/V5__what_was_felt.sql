-- Tension that was said is told from what is assumed, and the edge that was marked in a glide is stored with its pass.
ALTER TABLE played_pass
  ADD COLUMN IF NOT EXISTS tension_said BOOLEAN NOT NULL DEFAULT TRUE,
  ADD COLUMN IF NOT EXISTS edge DOUBLE NULL,
  DROP INDEX IF EXISTS pass_felt,
  ADD INDEX pass_felt (account_id, piece_id, day, kind, verdict, tempo, tension, tension_said, edge),
  DROP INDEX IF EXISTS pass_day_sums,
  ADD INDEX pass_day_sums (account_id, day, play_seconds, burst_seconds, effort, tension, tension_said);

-- Of a pass that was left without a word, tension was taken from the pass before.
UPDATE played_pass SET tension_said = FALSE WHERE verdict IS NULL AND NOT history;
