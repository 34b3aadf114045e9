-- A session may be about several pieces: what was believed of each is kept.
ALTER TABLE starting_belief ADD COLUMN IF NOT EXISTS theme INT NOT NULL DEFAULT 0;
ALTER TABLE starting_belief DROP PRIMARY KEY, ADD PRIMARY KEY (workout_id, theme);

-- What was told where a figure was asked for: how many of a set were clean, a count, an edge.
ALTER TABLE run_event ADD COLUMN IF NOT EXISTS told DOUBLE NULL;

-- Passes that are answered together are kept one by one; and those played otherwise than as written say so.
ALTER TABLE played_pass
  ADD COLUMN IF NOT EXISTS turn INT NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS way VARCHAR(80) NOT NULL DEFAULT '',
  MODIFY COLUMN part VARCHAR(20) NOT NULL;
CREATE UNIQUE INDEX IF NOT EXISTS pass_once_each ON played_pass (run_id, ordinal, turn);
DROP INDEX IF EXISTS pass_once ON played_pass;

-- What was chosen on a piece lately is asked without reading whole plans.
ALTER TABLE workout ADD COLUMN IF NOT EXISTS school VARCHAR(40) NULL;
CREATE INDEX IF NOT EXISTS workout_of_piece ON workout (account_id, piece_id, id);
