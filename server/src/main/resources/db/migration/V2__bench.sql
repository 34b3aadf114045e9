-- Every statement may be run again: a migration that was cut off is begun anew.

ALTER TABLE passage
  MODIFY text MEDIUMTEXT NOT NULL,
  ADD COLUMN IF NOT EXISTS wanted_mode VARCHAR(60) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS stitching VARCHAR(20) NOT NULL DEFAULT 'FIRST_TO_LAST',
  ADD COLUMN IF NOT EXISTS stitching_link INT NOT NULL DEFAULT 0;

-- Besides the pieces a passage is cut into there are joins of them, and links taken out to be drilled.
ALTER TABLE piece ADD COLUMN IF NOT EXISTS kind VARCHAR(10) NOT NULL DEFAULT 'PIECE';

-- Marks are never overwritten: the newest of a kind on a note holds, and an empty one takes it away.
CREATE TABLE IF NOT EXISTS note_mark (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  note INT NOT NULL,
  kind VARCHAR(12) NOT NULL,
  value VARCHAR(8) NOT NULL,
  why VARCHAR(300) NOT NULL,
  at DATETIME(6) NOT NULL,
  superseded BOOLEAN NOT NULL,
  CONSTRAINT mark_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT mark_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE,
  INDEX mark_of_passage (account_id, passage_id, superseded, id)
);

CREATE TABLE IF NOT EXISTS link_break (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  link INT NOT NULL,
  day DATE NOT NULL,
  CONSTRAINT break_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT break_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE,
  INDEX break_of_passage (account_id, passage_id, day)
);

CREATE TABLE IF NOT EXISTS chosen_variant (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
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
  CONSTRAINT chosen_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT chosen_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE,
  INDEX chosen_of_passage (account_id, passage_id, day, place)
);

CREATE TABLE IF NOT EXISTS readiness_day (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  passage_id BIGINT NOT NULL,
  item VARCHAR(24) NOT NULL,
  reached BOOLEAN NOT NULL,
  why VARCHAR(120) NOT NULL,
  day DATE NOT NULL,
  CONSTRAINT readiness_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT readiness_passage FOREIGN KEY (passage_id) REFERENCES passage (id) ON DELETE CASCADE,
  INDEX readiness_of_passage (account_id, passage_id, id)
);

CREATE TABLE IF NOT EXISTS mode (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  instrument VARCHAR(20) NOT NULL,
  place INT NOT NULL,
  name VARCHAR(60) NOT NULL,
  CONSTRAINT mode_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  INDEX mode_of_account (account_id, instrument, place)
);
