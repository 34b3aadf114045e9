-- When what was said of a pass was put right.
ALTER TABLE run_segment ADD COLUMN IF NOT EXISTS corrected_at DATETIME(6) NULL;

-- Practice away from the screen is put down afterwards, for a day that may have gone by, with a word on what it was.
ALTER TABLE bench_practice
  ADD COLUMN IF NOT EXISTS note VARCHAR(200) NOT NULL DEFAULT '',
  ADD COLUMN IF NOT EXISTS withdrawn_at DATETIME(6) NULL;

-- A month is looked at by its days.
CREATE INDEX IF NOT EXISTS run_of_day ON run (account_id, day);
CREATE INDEX IF NOT EXISTS practice_of_day ON bench_practice (account_id, day, at);
