-- The lowest that the caps of a day have been: what is taken back or deleted during it does not raise them.
CREATE TABLE IF NOT EXISTS held_cap (
  account_id BIGINT NOT NULL,
  kind VARCHAR(20) NOT NULL,
  day DATE NOT NULL,
  cap DOUBLE NOT NULL,
  why VARCHAR(500) NOT NULL,
  PRIMARY KEY (account_id, kind),
  CONSTRAINT held_cap_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE
);

-- What a workout that was sent long after it was played left, is history: it says nothing of the ceiling.
ALTER TABLE run ADD COLUMN IF NOT EXISTS late BOOLEAN NOT NULL DEFAULT FALSE;
ALTER TABLE played_pass ADD COLUMN IF NOT EXISTS history BOOLEAN NOT NULL DEFAULT FALSE;

-- What is played on the pages above the ceiling is fast playing as well, and nothing is played twice at a time.
ALTER TABLE bench_practice
  ADD COLUMN IF NOT EXISTS burst_seconds DOUBLE NOT NULL DEFAULT 0,
  ADD INDEX IF NOT EXISTS practice_at (account_id, at);
