-- How effort is counted: by tempo and tension, or by how hard sessions felt. A change holds from the day after.
ALTER TABLE account
  ADD COLUMN IF NOT EXISTS felt BOOLEAN NOT NULL DEFAULT FALSE,
  ADD COLUMN IF NOT EXISTS felt_from DATE NULL;

-- How hard a session felt, asked once at its end: its effort so, and as it is counted otherwise.
CREATE TABLE IF NOT EXISTS session_rating (
  run_id BIGINT NOT NULL PRIMARY KEY,
  account_id BIGINT NOT NULL,
  day DATE NOT NULL,
  rating INT NOT NULL,
  felt DOUBLE NOT NULL,
  counted DOUBLE NOT NULL,
  CONSTRAINT rating_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE,
  INDEX rating_of_account (account_id, day, felt, counted)
);
