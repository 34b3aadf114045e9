-- Every statement may be run again: a migration that was cut off is begun anew.

CREATE TABLE IF NOT EXISTS account (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(60) NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  instrument VARCHAR(20) NOT NULL,
  usual_minutes INT NOT NULL,
  next_minutes INT NULL,
  next_minutes_from DATE NULL,
  zone VARCHAR(60) NOT NULL,
  created_at DATETIME(6) NOT NULL,
  CONSTRAINT account_name UNIQUE (name)
);

CREATE TABLE IF NOT EXISTS failed_sign_in (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  name VARCHAR(60) NOT NULL,
  address VARCHAR(60) NOT NULL,
  at DATETIME(6) NOT NULL,
  INDEX failed_by_name (name, at),
  INDEX failed_by_address (address, at)
);

CREATE TABLE IF NOT EXISTS passage (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  title VARCHAR(120) NOT NULL,
  instrument VARCHAR(20) NOT NULL,
  source VARCHAR(10) NOT NULL,
  meter VARCHAR(10) NOT NULL,
  beat_unit VARCHAR(10) NOT NULL,
  text TEXT NOT NULL,
  bars INT NOT NULL,
  target_bpm DOUBLE NOT NULL,
  needed_on DATE NULL,
  guess_bpm DOUBLE NOT NULL,
  guess_played BOOLEAN NOT NULL,
  put_away BOOLEAN NOT NULL,
  created_at DATETIME(6) NOT NULL,
  version INT NOT NULL,
  CONSTRAINT passage_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  INDEX passage_of_account (account_id, put_away, id)
);

CREATE TABLE IF NOT EXISTS piece (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  place INT NOT NULL,
  name VARCHAR(80) NOT NULL,
  first_note INT NOT NULL,
  last_note INT NOT NULL,
  difficulty INT NOT NULL,
  put_away BOOLEAN NOT NULL,
  version INT NOT NULL,
  CONSTRAINT piece_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT piece_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE,
  INDEX piece_of_account (account_id, put_away, passage_id, place)
);

CREATE TABLE IF NOT EXISTS workout (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  piece_id BIGINT NOT NULL,
  day DATE NOT NULL,
  created_at DATETIME(6) NOT NULL,
  minutes INT NOT NULL,
  focus VARCHAR(60) NOT NULL,
  plan MEDIUMTEXT NOT NULL,
  CONSTRAINT workout_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT workout_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE,
  INDEX workout_of_account (account_id, day)
);

-- active_account is the account while a run is being played, so that there is only one of them.
CREATE TABLE IF NOT EXISTS run (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  workout_id BIGINT NOT NULL,
  piece_id BIGINT NOT NULL,
  day DATE NOT NULL,
  started_at DATETIME(6) NOT NULL,
  last_at DATETIME(6) NOT NULL,
  outcome VARCHAR(20) NULL,
  active_account BIGINT NULL,
  holder VARCHAR(36) NOT NULL,
  effort_before DOUBLE NOT NULL,
  note VARCHAR(2000) NOT NULL,
  version INT NOT NULL,
  CONSTRAINT run_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT run_workout FOREIGN KEY (workout_id) REFERENCES workout (id) ON DELETE CASCADE,
  CONSTRAINT run_active UNIQUE (active_account),
  CONSTRAINT run_of_workout UNIQUE (workout_id),
  INDEX run_of_account (account_id, started_at)
);

CREATE TABLE IF NOT EXISTS run_event (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  run_id BIGINT NOT NULL,
  ordinal INT NOT NULL,
  client_id VARCHAR(36) NOT NULL,
  kind VARCHAR(20) NOT NULL,
  verdict VARCHAR(10) NULL,
  tension INT NULL,
  seconds DOUBLE NULL,
  at DATETIME(6) NOT NULL,
  CONSTRAINT event_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT event_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE,
  CONSTRAINT event_once UNIQUE (run_id, client_id),
  CONSTRAINT event_in_order UNIQUE (run_id, ordinal)
);

CREATE TABLE IF NOT EXISTS played_pass (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  run_id BIGINT NOT NULL,
  ordinal INT NOT NULL,
  piece_id BIGINT NOT NULL,
  day DATE NOT NULL,
  at DATETIME(6) NOT NULL,
  kind VARCHAR(12) NOT NULL,
  part VARCHAR(12) NOT NULL,
  tempo DOUBLE NOT NULL,
  play_seconds DOUBLE NOT NULL,
  notes INT NOT NULL,
  verdict VARCHAR(10) NOT NULL,
  tension INT NOT NULL,
  reserve DOUBLE NOT NULL,
  effort DOUBLE NOT NULL,
  CONSTRAINT pass_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT pass_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE,
  CONSTRAINT pass_once UNIQUE (run_id, ordinal),
  INDEX pass_of_piece (piece_id, id),
  INDEX pass_of_day (account_id, day)
);

CREATE TABLE IF NOT EXISTS symptom (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  at DATETIME(6) NOT NULL,
  CONSTRAINT symptom_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  INDEX symptom_of_account (account_id, at)
);

CREATE TABLE IF NOT EXISTS ceiling_belief (
  piece_id BIGINT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  day DATE NOT NULL,
  weights MEDIUMBLOB NOT NULL,
  CONSTRAINT belief_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT belief_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE,
  INDEX belief_of_account (account_id)
);

CREATE TABLE IF NOT EXISTS ceiling_day (
  piece_id BIGINT NOT NULL,
  day DATE NOT NULL,
  account_id BIGINT NOT NULL,
  ease DOUBLE NOT NULL,
  ceiling DOUBLE NOT NULL,
  ceiling_low DOUBLE NOT NULL,
  ceiling_high DOUBLE NOT NULL,
  breakdown DOUBLE NOT NULL,
  log_mean DOUBLE NOT NULL,
  log_variance DOUBLE NOT NULL,
  CONSTRAINT day_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT day_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE,
  PRIMARY KEY (piece_id, day)
);

-- Sessions of signed-in players, as Spring Session keeps them.
CREATE TABLE IF NOT EXISTS SPRING_SESSION (
  PRIMARY_ID CHAR(36) NOT NULL,
  SESSION_ID CHAR(36) NOT NULL,
  CREATION_TIME BIGINT NOT NULL,
  LAST_ACCESS_TIME BIGINT NOT NULL,
  MAX_INACTIVE_INTERVAL INT NOT NULL,
  EXPIRY_TIME BIGINT NOT NULL,
  PRINCIPAL_NAME VARCHAR(100),
  CONSTRAINT SPRING_SESSION_PK PRIMARY KEY (PRIMARY_ID),
  UNIQUE INDEX SPRING_SESSION_IX1 (SESSION_ID),
  INDEX SPRING_SESSION_IX2 (EXPIRY_TIME),
  INDEX SPRING_SESSION_IX3 (PRINCIPAL_NAME)
);

CREATE TABLE IF NOT EXISTS SPRING_SESSION_ATTRIBUTES (
  SESSION_PRIMARY_ID CHAR(36) NOT NULL,
  ATTRIBUTE_NAME VARCHAR(200) NOT NULL,
  ATTRIBUTE_BYTES BLOB NOT NULL,
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_PK PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID)
    REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
);
