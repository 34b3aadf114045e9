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

-- What does not fit any curve puts a ceiling in doubt: what was believed before is stored until the player has said why.
ALTER TABLE ceiling_belief
  ADD COLUMN IF NOT EXISTS surprise DOUBLE NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS doubted DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS doubted_weights MEDIUMBLOB NULL,
  ADD COLUMN IF NOT EXISTS doubted_passes DOUBLE NOT NULL DEFAULT 0;

-- A plan that was changed lasts until it is begun or dropped.
CREATE TABLE IF NOT EXISTS plan_draft (
  passage_id BIGINT NOT NULL,
  account_id BIGINT NOT NULL,
  wish TEXT NOT NULL,
  changed_at DATETIME(6) NOT NULL,
  PRIMARY KEY (passage_id),
  INDEX draft_of_account (account_id, changed_at),
  CONSTRAINT draft_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT draft_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE
);

-- Lips rest as long as they play: by the instrument, where nothing was said of it.
ALTER TABLE account ADD COLUMN IF NOT EXISTS rests_as_played BOOLEAN NULL;
