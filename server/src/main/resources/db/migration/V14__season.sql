-- Days of the week without practice, one bit each from Monday, and what names the account's days in a calendar for good.
ALTER TABLE account
  ADD COLUMN IF NOT EXISTS days_off INT NOT NULL DEFAULT 0,
  ADD COLUMN IF NOT EXISTS calendar_name CHAR(36) NULL;

-- The minutes that are wanted on a day; 0 for none.
CREATE TABLE IF NOT EXISTS asked_day (
  account_id BIGINT NOT NULL,
  day DATE NOT NULL,
  minutes INT NOT NULL,
  PRIMARY KEY (account_id, day),
  CONSTRAINT asked_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

-- Performances, rehearsals that count and auditions: days before which less is done.
CREATE TABLE IF NOT EXISTS performance (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  name VARCHAR(80) NOT NULL,
  day DATE NOT NULL,
  CONSTRAINT performance_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  INDEX performance_of_account (account_id, day)
);

-- A private address from which a calendar reads the season: only what its secret digests to is kept.
CREATE TABLE IF NOT EXISTS calendar_feed (
  account_id BIGINT NOT NULL PRIMARY KEY,
  digest VARBINARY(32) NOT NULL,
  since DATETIME(6) NOT NULL,
  CONSTRAINT feed_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  UNIQUE INDEX feed_digest (digest)
);
