-- The schema of the first release. Every statement may be run again: a migration that was cut off is begun anew.

CREATE TABLE IF NOT EXISTS account (
  id BIGINT NOT NULL AUTO_INCREMENT,
  name VARCHAR(60) NOT NULL,
  password_hash VARCHAR(200) NOT NULL,
  instrument VARCHAR(20) NOT NULL,
  usual_minutes INT NOT NULL,
  next_minutes INT NULL,
  next_minutes_from DATE NULL,
  zone VARCHAR(60) NOT NULL,
  created_at DATETIME(6) NOT NULL,
  next_zone VARCHAR(60) NULL,
  next_zone_from DATETIME(6) NULL,
  zone_asked_on DATE NULL,
  zone_asked_at DATETIME(6) NULL,
  opened_on DATE NOT NULL,
  rough_counts BOOLEAN NOT NULL DEFAULT 0,
  loose_only BOOLEAN NOT NULL DEFAULT 0,
  routine VARCHAR(1000) NOT NULL DEFAULT '',
  days_off INT NOT NULL DEFAULT 0,
  calendar_name CHAR(36) NULL,
  felt BOOLEAN NOT NULL DEFAULT 0,
  felt_from DATE NULL,
  PRIMARY KEY (id),
  CONSTRAINT account_name UNIQUE (name)
);

CREATE TABLE IF NOT EXISTS passage (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  title VARCHAR(120) NOT NULL,
  instrument VARCHAR(20) NOT NULL,
  source VARCHAR(10) NOT NULL,
  meter VARCHAR(10) NOT NULL,
  beat_unit VARCHAR(10) NOT NULL,
  text MEDIUMTEXT NOT NULL,
  bars INT NOT NULL,
  target_bpm DOUBLE NOT NULL,
  needed_on DATE NULL,
  guess_bpm DOUBLE NOT NULL,
  guess_played BOOLEAN NOT NULL,
  put_away BOOLEAN NOT NULL,
  created_at DATETIME(6) NOT NULL,
  version INT NOT NULL,
  wanted_mode VARCHAR(60) NOT NULL DEFAULT '',
  stitching VARCHAR(20) NOT NULL DEFAULT 'FIRST_TO_LAST',
  stitching_link INT NOT NULL DEFAULT 0,
  edition INT NOT NULL DEFAULT 1,
  client_id VARCHAR(36) NULL,
  text_size INT GENERATED ALWAYS AS (octet_length(text)) STORED,
  PRIMARY KEY (id),
  CONSTRAINT passage_once UNIQUE (account_id, client_id),
  INDEX passage_of_account (account_id, put_away, id),
  INDEX passage_size (account_id, text_size),
  INDEX passage_needed (account_id, needed_on),
  CONSTRAINT passage_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS piece (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  place INT NOT NULL,
  name VARCHAR(80) NOT NULL,
  first_note INT NOT NULL,
  last_note INT NOT NULL,
  difficulty INT NOT NULL,
  put_away BOOLEAN NOT NULL,
  version INT NOT NULL,
  kind VARCHAR(10) NOT NULL DEFAULT 'PIECE',
  edition INT NOT NULL DEFAULT 1,
  grown_from BIGINT NULL,
  tempo_ratio DOUBLE NOT NULL DEFAULT 1,
  PRIMARY KEY (id),
  INDEX piece_of_account (account_id, put_away, passage_id, place),
  INDEX piece_of_passage (passage_id, edition, put_away),
  INDEX piece_grown (grown_from),
  CONSTRAINT piece_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT piece_grown FOREIGN KEY (grown_from) REFERENCES piece (id) ON DELETE SET NULL,
  CONSTRAINT piece_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS SPRING_SESSION (
  PRIMARY_ID CHAR(36) NOT NULL,
  SESSION_ID CHAR(36) NOT NULL,
  CREATION_TIME BIGINT NOT NULL,
  LAST_ACCESS_TIME BIGINT NOT NULL,
  MAX_INACTIVE_INTERVAL INT NOT NULL,
  EXPIRY_TIME BIGINT NOT NULL,
  PRINCIPAL_NAME VARCHAR(100) NULL,
  PRIMARY KEY (PRIMARY_ID),
  CONSTRAINT SPRING_SESSION_IX1 UNIQUE (SESSION_ID),
  INDEX SPRING_SESSION_IX2 (EXPIRY_TIME),
  INDEX SPRING_SESSION_IX3 (PRINCIPAL_NAME)
);

CREATE TABLE IF NOT EXISTS SPRING_SESSION_ATTRIBUTES (
  SESSION_PRIMARY_ID CHAR(36) NOT NULL,
  ATTRIBUTE_NAME VARCHAR(200) NOT NULL,
  ATTRIBUTE_BYTES BLOB NOT NULL,
  PRIMARY KEY (SESSION_PRIMARY_ID, ATTRIBUTE_NAME),
  CONSTRAINT SPRING_SESSION_ATTRIBUTES_FK FOREIGN KEY (SESSION_PRIMARY_ID) REFERENCES SPRING_SESSION (PRIMARY_ID) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS asked_day (
  account_id BIGINT NOT NULL,
  day DATE NOT NULL,
  minutes INT NOT NULL,
  PRIMARY KEY (account_id, day),
  CONSTRAINT asked_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS calendar_feed (
  account_id BIGINT NOT NULL,
  digest VARBINARY(32) NOT NULL,
  since DATETIME(6) NOT NULL,
  PRIMARY KEY (account_id),
  CONSTRAINT feed_digest UNIQUE (digest),
  CONSTRAINT feed_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS ceiling_belief (
  piece_id BIGINT NOT NULL,
  account_id BIGINT NOT NULL,
  day DATE NOT NULL,
  weights MEDIUMBLOB NOT NULL,
  passes DOUBLE NOT NULL,
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
  alert DOUBLE NULL,
  felt_kept BOOLEAN NOT NULL DEFAULT 0,
  PRIMARY KEY (piece_id),
  INDEX belief_of_account (account_id),
  CONSTRAINT belief_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT belief_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE
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
  morning_mean DOUBLE NULL,
  morning_variance DOUBLE NULL,
  PRIMARY KEY (piece_id, day),
  INDEX day_account (account_id),
  CONSTRAINT day_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT day_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS chosen_variant (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  day DATE NOT NULL,
  place INT NOT NULL,
  first_note INT NOT NULL,
  last_note INT NOT NULL,
  variant VARCHAR(60) NOT NULL,
  minutes DOUBLE NOT NULL,
  why VARCHAR(200) NOT NULL,
  played BOOLEAN NOT NULL,
  PRIMARY KEY (id),
  INDEX chosen_passage (passage_id),
  INDEX chosen_of_passage (account_id, passage_id, day, place),
  CONSTRAINT chosen_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT chosen_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS bench_practice (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NULL,
  client_id VARCHAR(36) NULL,
  choice_id BIGINT NULL,
  day DATE NOT NULL,
  at DATETIME(6) NOT NULL,
  tempo DOUBLE NOT NULL,
  play_seconds DOUBLE NOT NULL,
  effort DOUBLE NOT NULL,
  elsewhere VARCHAR(20) NULL,
  note VARCHAR(200) NOT NULL DEFAULT '',
  withdrawn_at DATETIME(6) NULL,
  PRIMARY KEY (id),
  CONSTRAINT practice_once UNIQUE (account_id, client_id),
  INDEX practice_passage (passage_id),
  INDEX practice_choice (choice_id),
  INDEX practice_of_day (account_id, day),
  INDEX practice_elsewhere (account_id, elsewhere, id),
  CONSTRAINT practice_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT practice_choice FOREIGN KEY (choice_id) REFERENCES chosen_variant (id) ON DELETE SET NULL,
  CONSTRAINT practice_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS counted_change (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  name VARCHAR(60) NOT NULL,
  song VARCHAR(60) NOT NULL,
  target_bpm DOUBLE NOT NULL,
  beats DOUBLE NOT NULL,
  created_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  INDEX change_of_account (account_id, song, id),
  CONSTRAINT change_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS given_limit (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  kind VARCHAR(20) NOT NULL,
  cap DOUBLE NOT NULL,
  by_whom VARCHAR(60) NOT NULL,
  from_day DATE NOT NULL,
  until_day DATE NULL,
  PRIMARY KEY (id),
  INDEX given_of_account (account_id, until_day),
  CONSTRAINT given_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS guarded_try (
  subject CHAR(64) NOT NULL,
  window_start DATETIME(6) NOT NULL,
  tries INT NOT NULL,
  PRIMARY KEY (subject),
  INDEX try_by_window (window_start)
);

CREATE TABLE IF NOT EXISTS link_break (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  link INT NOT NULL,
  day DATE NOT NULL,
  cause VARCHAR(60) NULL,
  PRIMARY KEY (id),
  INDEX break_passage (passage_id),
  INDEX break_of_passage (account_id, passage_id, day),
  CONSTRAINT break_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT break_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS mode (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  instrument VARCHAR(20) NOT NULL,
  place INT NOT NULL,
  name VARCHAR(60) NOT NULL,
  PRIMARY KEY (id),
  INDEX mode_of_account (account_id, instrument, place),
  CONSTRAINT mode_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS note_mark (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  note INT NOT NULL,
  kind VARCHAR(12) NOT NULL,
  value VARCHAR(8) NOT NULL,
  why VARCHAR(300) NOT NULL,
  at DATETIME(6) NOT NULL,
  superseded BOOLEAN NOT NULL,
  PRIMARY KEY (id),
  INDEX mark_passage (passage_id),
  INDEX mark_of_passage (account_id, passage_id, superseded, id),
  CONSTRAINT mark_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT mark_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS performance (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  name VARCHAR(80) NOT NULL,
  day DATE NOT NULL,
  PRIMARY KEY (id),
  INDEX performance_of_account (account_id, day),
  CONSTRAINT performance_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS plan_template (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  name VARCHAR(60) NOT NULL,
  wish TEXT NOT NULL,
  created_at DATETIME(6) NOT NULL,
  PRIMARY KEY (id),
  CONSTRAINT template_name UNIQUE (account_id, name),
  CONSTRAINT template_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS player_condition (
  account_id BIGINT NOT NULL,
  at DATETIME(6) NOT NULL,
  reserve DOUBLE NOT NULL,
  reserve_k DOUBLE NOT NULL,
  since_break DOUBLE NOT NULL,
  PRIMARY KEY (account_id),
  CONSTRAINT condition_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS pulse (
  row_no INT NOT NULL,
  at DATETIME(6) NOT NULL,
  PRIMARY KEY (row_no)
);

CREATE TABLE IF NOT EXISTS readiness_day (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  item VARCHAR(24) NOT NULL,
  reached BOOLEAN NOT NULL,
  why VARCHAR(120) NOT NULL,
  day DATE NOT NULL,
  PRIMARY KEY (id),
  INDEX readiness_passage (passage_id),
  INDEX readiness_of_passage (account_id, passage_id, id),
  CONSTRAINT readiness_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT readiness_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS symptom (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  at DATETIME(6) NOT NULL,
  client_id VARCHAR(36) NULL,
  withdrawn_at DATETIME(6) NULL,
  advised_at DATETIME(6) NULL,
  PRIMARY KEY (id),
  CONSTRAINT symptom_once UNIQUE (account_id, client_id),
  INDEX symptom_of_account (account_id, at),
  CONSTRAINT symptom_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS taken_count (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  change_id BIGINT NOT NULL,
  client_id VARCHAR(36) NOT NULL,
  day DATE NOT NULL,
  at DATETIME(6) NOT NULL,
  seconds INT NOT NULL,
  clean INT NOT NULL,
  PRIMARY KEY (id),
  CONSTRAINT count_once UNIQUE (account_id, client_id),
  INDEX count_of_day (account_id, day, id),
  INDEX count_of_change (change_id, seconds, clean),
  CONSTRAINT count_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT count_change FOREIGN KEY (change_id) REFERENCES counted_change (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS workout (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  piece_id BIGINT NOT NULL,
  day DATE NOT NULL,
  created_at DATETIME(6) NOT NULL,
  minutes INT NOT NULL,
  focus VARCHAR(60) NOT NULL,
  plan MEDIUMTEXT NOT NULL,
  planned MEDIUMTEXT NULL,
  plan_size INT GENERATED ALWAYS AS (octet_length(plan) + coalesce(octet_length(planned),0)) STORED,
  school VARCHAR(40) NULL,
  PRIMARY KEY (id),
  INDEX workout_piece (piece_id),
  INDEX workout_of_account (account_id, day),
  INDEX workout_size (account_id, plan_size),
  INDEX workout_of_piece (account_id, piece_id, id),
  CONSTRAINT workout_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT workout_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS run (
  id BIGINT NOT NULL AUTO_INCREMENT,
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
  rules INT NOT NULL DEFAULT 1,
  outcome_why VARCHAR(300) NULL,
  told_effort DOUBLE NULL,
  told_burst_seconds DOUBLE NULL,
  told_playing_seconds DOUBLE NULL,
  PRIMARY KEY (id),
  CONSTRAINT run_of_workout UNIQUE (workout_id),
  CONSTRAINT run_active UNIQUE (active_account),
  INDEX run_of_account (account_id, started_at),
  INDEX run_by_piece (piece_id),
  INDEX run_newest (account_id, id),
  INDEX run_of_day (account_id, day),
  CONSTRAINT run_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT run_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE,
  CONSTRAINT run_workout FOREIGN KEY (workout_id) REFERENCES workout (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS ceiling_test (
  run_id BIGINT NOT NULL,
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
  PRIMARY KEY (run_id),
  INDEX ceiling_test_piece (piece_id),
  INDEX ceiling_test_of_piece (account_id, piece_id, day),
  CONSTRAINT ceiling_test_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE,
  CONSTRAINT ceiling_test_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS played_pass (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  run_id BIGINT NOT NULL,
  ordinal INT NOT NULL,
  piece_id BIGINT NOT NULL,
  day DATE NOT NULL,
  at DATETIME(6) NOT NULL,
  kind VARCHAR(12) NOT NULL,
  part VARCHAR(20) NOT NULL,
  tempo DOUBLE NOT NULL,
  play_seconds DOUBLE NOT NULL,
  notes INT NOT NULL,
  verdict VARCHAR(10) NULL,
  tension INT NOT NULL,
  reserve DOUBLE NOT NULL,
  effort DOUBLE NOT NULL,
  rate DOUBLE NULL,
  turn INT NOT NULL DEFAULT 0,
  way VARCHAR(80) NOT NULL DEFAULT '',
  burst_seconds DOUBLE NOT NULL DEFAULT 0,
  PRIMARY KEY (id),
  CONSTRAINT pass_once_each UNIQUE (run_id, ordinal, turn),
  INDEX pass_of_piece (piece_id, id),
  INDEX pass_felt (account_id, piece_id, day, kind, verdict, tempo, tension),
  INDEX pass_reached (account_id, piece_id, verdict, rate),
  INDEX pass_day_sums (account_id, day, play_seconds, burst_seconds, effort, tension),
  INDEX pass_in_mode (account_id, piece_id, way, id),
  INDEX pass_climb (account_id, piece_id, part, kind, id),
  CONSTRAINT pass_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT pass_piece FOREIGN KEY (piece_id) REFERENCES piece (id) ON DELETE CASCADE,
  CONSTRAINT pass_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS run_event (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  run_id BIGINT NOT NULL,
  ordinal INT NOT NULL,
  client_id VARCHAR(36) NOT NULL,
  kind VARCHAR(20) NOT NULL,
  verdict VARCHAR(10) NULL,
  tension INT NULL,
  seconds DOUBLE NULL,
  at DATETIME(6) NOT NULL,
  told_effort DOUBLE NULL,
  told_burst_seconds DOUBLE NULL,
  told_playing_seconds DOUBLE NULL,
  told DOUBLE NULL,
  PRIMARY KEY (id),
  CONSTRAINT event_once UNIQUE (run_id, client_id),
  CONSTRAINT event_in_order UNIQUE (run_id, ordinal),
  INDEX event_account (account_id),
  CONSTRAINT event_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT event_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS run_segment (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  run_id BIGINT NOT NULL,
  place INT NOT NULL,
  ordinal INT NOT NULL,
  record TEXT NOT NULL,
  corrected_at DATETIME(6) NULL,
  PRIMARY KEY (id),
  CONSTRAINT segment_in_order UNIQUE (run_id, place),
  INDEX segment_account (account_id),
  CONSTRAINT segment_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT segment_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS run_summary (
  run_id BIGINT NOT NULL,
  account_id BIGINT NOT NULL,
  passes INT NOT NULL,
  clean INT NOT NULL,
  rough INT NOT NULL,
  broke INT NOT NULL,
  played_seconds DOUBLE NOT NULL,
  burst_seconds DOUBLE NOT NULL,
  effort DOUBLE NOT NULL,
  fastest_clean DOUBLE NULL,
  worst_tension INT NOT NULL,
  sketch MEDIUMTEXT NOT NULL,
  pieces INT NOT NULL DEFAULT 1,
  PRIMARY KEY (run_id),
  INDEX run_summary_of_account (account_id, run_id),
  CONSTRAINT run_summary_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS session_rating (
  run_id BIGINT NOT NULL,
  account_id BIGINT NOT NULL,
  day DATE NOT NULL,
  rating INT NOT NULL,
  felt DOUBLE NOT NULL,
  counted DOUBLE NOT NULL,
  PRIMARY KEY (run_id),
  INDEX rating_of_account (account_id, day, felt, counted),
  CONSTRAINT rating_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE
);

CREATE TABLE IF NOT EXISTS starting_belief (
  workout_id BIGINT NOT NULL,
  account_id BIGINT NOT NULL,
  day DATE NOT NULL,
  weights BLOB NOT NULL,
  passes DOUBLE NOT NULL,
  theme INT NOT NULL DEFAULT 0,
  PRIMARY KEY (workout_id, theme),
  INDEX starting_belief_of_account (account_id, day),
  CONSTRAINT starting_belief_workout FOREIGN KEY (workout_id) REFERENCES workout (id) ON DELETE CASCADE
);
