-- What a belief says is kept beside it, so that a list of pieces is shown without reading their beliefs. Beliefs kept before
-- are asked once more when they are needed.
ALTER TABLE ceiling_belief
  ADD COLUMN IF NOT EXISTS ease_low DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS ease DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS ease_high DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS ceiling_low DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS ceiling DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS ceiling_high DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS breakdown_low DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS breakdown DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS breakdown_high DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS gain DOUBLE NULL;

-- What was believed when a workout was begun, so that its run can be folded again and says the same.
CREATE TABLE IF NOT EXISTS starting_belief (
  workout_id BIGINT NOT NULL PRIMARY KEY,
  account_id BIGINT NOT NULL,
  day DATE NOT NULL,
  weights BLOB NOT NULL,
  passes DOUBLE NOT NULL,
  CONSTRAINT starting_belief_workout FOREIGN KEY (workout_id) REFERENCES workout (id) ON DELETE CASCADE,
  INDEX starting_belief_of_account (account_id, day)
);

-- What was believed before the first pass of a day: what the day alone says follows from both ends of it.
ALTER TABLE ceiling_day
  ADD COLUMN IF NOT EXISTS morning_mean DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS morning_variance DOUBLE NULL;

-- Ceiling tests, each with the belief it left.
CREATE TABLE IF NOT EXISTS ceiling_test (
  run_id BIGINT NOT NULL PRIMARY KEY,
  account_id BIGINT NOT NULL,
  piece_id BIGINT NOT NULL,
  day DATE NOT NULL,
  weights BLOB NOT NULL,
  passes DOUBLE NOT NULL,
  probes INT NOT NULL,
  ease_low DOUBLE NULL,
  ease DOUBLE NULL,
  ease_high DOUBLE NULL,
  ceiling_low DOUBLE NULL,
  ceiling DOUBLE NULL,
  ceiling_high DOUBLE NULL,
  breakdown_low DOUBLE NULL,
  breakdown DOUBLE NULL,
  breakdown_high DOUBLE NULL,
  gain DOUBLE NULL,
  CONSTRAINT ceiling_test_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE,
  CONSTRAINT ceiling_test_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE,
  INDEX ceiling_test_of_piece (account_id, piece_id, day)
);
