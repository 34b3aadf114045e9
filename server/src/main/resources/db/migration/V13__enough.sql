-- What was played elsewhere is practice too: its kind.
ALTER TABLE bench_practice ADD COLUMN IF NOT EXISTS elsewhere VARCHAR(20) NULL;
CREATE INDEX IF NOT EXISTS practice_elsewhere ON bench_practice (account_id, elsewhere, id);

-- Limits that a teacher or a clinician gave, and the days on which they hold.
CREATE TABLE IF NOT EXISTS given_limit (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  kind VARCHAR(20) NOT NULL,
  cap DOUBLE NOT NULL,
  by_whom VARCHAR(60) NOT NULL,
  from_day DATE NOT NULL,
  until_day DATE NULL,
  CONSTRAINT given_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  INDEX given_of_account (account_id, until_day)
);

-- After a second report bursts stay closed until the player has had advice.
ALTER TABLE symptom ADD COLUMN IF NOT EXISTS advised_at DATETIME(6) NULL;

-- What is needed in the next days is asked for with every plan.
CREATE INDEX IF NOT EXISTS passage_needed ON passage (account_id, needed_on);
