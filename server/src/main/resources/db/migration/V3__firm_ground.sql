-- Every statement may be run again: a migration that was cut off is begun anew.

-- Where a player lives: another zone holds only from a given moment on.
ALTER TABLE account
  ADD COLUMN IF NOT EXISTS next_zone VARCHAR(60) NULL,
  ADD COLUMN IF NOT EXISTS next_zone_from DATETIME(6) NULL,
  ADD COLUMN IF NOT EXISTS zone_asked_on DATE NULL,
  ADD COLUMN IF NOT EXISTS zone_asked_at DATETIME(6) NULL,
  ADD COLUMN IF NOT EXISTS opened_on DATE NULL;
UPDATE account SET opened_on = DATE(created_at) WHERE opened_on IS NULL;
ALTER TABLE account MODIFY opened_on DATE NOT NULL;

-- Tries at what is guarded, counted before they are looked at, in windows of time.
DROP TABLE IF EXISTS failed_sign_in;
CREATE TABLE IF NOT EXISTS guarded_try (
  subject CHAR(64) NOT NULL PRIMARY KEY,
  window_start DATETIME(6) NOT NULL,
  tries INT NOT NULL,
  INDEX try_by_window (window_start)
);

ALTER TABLE symptom
  ADD COLUMN IF NOT EXISTS client_id VARCHAR(36) NULL,
  ADD COLUMN IF NOT EXISTS withdrawn_at DATETIME(6) NULL;
CREATE UNIQUE INDEX IF NOT EXISTS symptom_once ON symptom (account_id, client_id);

-- The music of a passage is numbered; a piece says which edition its notes are counted in.
ALTER TABLE passage
  ADD COLUMN IF NOT EXISTS edition INT NOT NULL DEFAULT 1,
  ADD COLUMN IF NOT EXISTS client_id VARCHAR(36) NULL,
  ADD COLUMN IF NOT EXISTS text_size INT AS (OCTET_LENGTH(text)) STORED;
CREATE UNIQUE INDEX IF NOT EXISTS passage_once ON passage (account_id, client_id);
ALTER TABLE piece
  ADD COLUMN IF NOT EXISTS edition INT NOT NULL DEFAULT 1,
  ADD COLUMN IF NOT EXISTS grown_from BIGINT NULL,
  ADD COLUMN IF NOT EXISTS tempo_ratio DOUBLE NOT NULL DEFAULT 1;
CREATE INDEX IF NOT EXISTS piece_of_passage ON piece (passage_id, edition, put_away);

-- A workout keeps its plan as it was told, a run its segments as they were asked, answered and costed.
ALTER TABLE workout
  ADD COLUMN IF NOT EXISTS planned MEDIUMTEXT NULL,
  ADD COLUMN IF NOT EXISTS plan_size INT AS (OCTET_LENGTH(plan) + COALESCE(OCTET_LENGTH(planned), 0)) STORED;
CREATE INDEX IF NOT EXISTS workout_size ON workout (account_id, plan_size);
CREATE INDEX IF NOT EXISTS passage_size ON passage (account_id, text_size);
ALTER TABLE run
  ADD COLUMN IF NOT EXISTS rules INT NOT NULL DEFAULT 1,
  ADD COLUMN IF NOT EXISTS outcome_why VARCHAR(300) NULL,
  ADD COLUMN IF NOT EXISTS told_effort DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS told_burst_seconds DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS told_playing_seconds DOUBLE NULL;
ALTER TABLE run_event
  ADD COLUMN IF NOT EXISTS told_effort DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS told_burst_seconds DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS told_playing_seconds DOUBLE NULL;
CREATE TABLE IF NOT EXISTS run_segment (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  run_id BIGINT NOT NULL,
  place INT NOT NULL,
  ordinal INT NOT NULL,
  record TEXT NOT NULL,
  CONSTRAINT segment_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT segment_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE,
  CONSTRAINT segment_in_order UNIQUE (run_id, place)
);

-- How a player came out of what was played last: carried into the next workout.
CREATE TABLE IF NOT EXISTS player_condition (
  account_id BIGINT NOT NULL PRIMARY KEY,
  at DATETIME(6) NOT NULL,
  reserve DOUBLE NOT NULL,
  reserve_k DOUBLE NOT NULL,
  since_break DOUBLE NOT NULL,
  CONSTRAINT condition_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

-- A pass that was left has no verdict; how fast its notes came is kept with it.
ALTER TABLE played_pass
  MODIFY verdict VARCHAR(10) NULL,
  ADD COLUMN IF NOT EXISTS rate DOUBLE NULL;
CREATE INDEX IF NOT EXISTS pass_of_account_piece ON played_pass (account_id, piece_id, day);
CREATE INDEX IF NOT EXISTS run_by_piece ON run (piece_id);
CREATE INDEX IF NOT EXISTS run_newest ON run (account_id, id);

ALTER TABLE ceiling_belief ADD COLUMN IF NOT EXISTS passes DOUBLE NULL;
UPDATE ceiling_belief b SET passes = (
    SELECT COUNT(*) FROM played_pass p WHERE p.piece_id = b.piece_id AND p.kind <> 'WARM_UP')
  WHERE passes IS NULL;
ALTER TABLE ceiling_belief MODIFY passes DOUBLE NOT NULL;

-- What was played on the bench, along with a version or the plain notes.
CREATE TABLE IF NOT EXISTS bench_practice (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  client_id VARCHAR(36) NULL,
  choice_id BIGINT NULL,
  day DATE NOT NULL,
  at DATETIME(6) NOT NULL,
  tempo DOUBLE NOT NULL,
  play_seconds DOUBLE NOT NULL,
  effort DOUBLE NOT NULL,
  CONSTRAINT practice_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT practice_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE,
  CONSTRAINT practice_choice FOREIGN KEY (choice_id) REFERENCES chosen_variant (id) ON DELETE SET NULL,
  CONSTRAINT practice_once UNIQUE (account_id, client_id),
  INDEX practice_of_day (account_id, day)
);

-- What was played belongs to its piece.
DELETE FROM played_pass WHERE piece_id NOT IN (SELECT id FROM piece);
ALTER TABLE played_pass ADD CONSTRAINT FOREIGN KEY IF NOT EXISTS pass_piece (piece_id) REFERENCES piece (id) ON DELETE CASCADE;
DELETE FROM run WHERE piece_id NOT IN (SELECT id FROM piece);
ALTER TABLE run ADD CONSTRAINT FOREIGN KEY IF NOT EXISTS run_piece (piece_id) REFERENCES piece (id) ON DELETE CASCADE;
ALTER TABLE piece ADD CONSTRAINT FOREIGN KEY IF NOT EXISTS piece_grown (grown_from) REFERENCES piece (id) ON DELETE SET NULL;
