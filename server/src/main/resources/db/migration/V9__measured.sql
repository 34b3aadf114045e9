-- What a microphone measured of a pass: figures, never the sound.
CREATE TABLE IF NOT EXISTS measured_pass (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  run_id BIGINT NULL,
  ordinal INT NOT NULL,
  turn INT NOT NULL,
  piece_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  music INT NOT NULL,
  day DATE NOT NULL,
  instrument VARCHAR(20) NOT NULL,
  way VARCHAR(80) NOT NULL,
  tempo DOUBLE NOT NULL,
  edition INT NOT NULL,
  measured VARCHAR(12) NOT NULL,
  why VARCHAR(20) NOT NULL,
  place INT NULL,
  evenness DOUBLE NULL,
  tempo_ratio DOUBLE NOT NULL,
  late DOUBLE NULL,
  said VARCHAR(10) NULL,
  by_hand BOOLEAN NOT NULL,
  links BLOB NOT NULL,
  PRIMARY KEY (id),
  INDEX measured_of_run (account_id, run_id, ordinal),
  INDEX measured_piece (piece_id),
  INDEX measured_run (run_id),
  INDEX measured_of_passage (account_id, passage_id, day, id),
  INDEX measured_by_day (account_id, day, id),
  INDEX measured_by_instrument (account_id, instrument, by_hand, said, measured),
  CONSTRAINT measured_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT measured_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE,
  CONSTRAINT measured_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE,
  CONSTRAINT measured_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE
);
-- What it was as evidence when it was answered.
ALTER TABLE run_event
  ADD COLUMN IF NOT EXISTS heard TEXT NULL;
