-- What a page asks of years of passes is answered by an index alone, without reading the passes.
CREATE INDEX IF NOT EXISTS pass_sums ON played_pass (account_id, day, kind, play_seconds, effort, tension);
DROP INDEX IF EXISTS pass_of_day ON played_pass;
CREATE INDEX IF NOT EXISTS pass_felt ON played_pass (account_id, piece_id, day, kind, verdict, tempo, tension);
DROP INDEX IF EXISTS pass_of_account_piece ON played_pass;
CREATE INDEX IF NOT EXISTS pass_reached ON played_pass (account_id, piece_id, verdict, rate);

-- What a session came to, added up once when it is first looked at after its end.
CREATE TABLE IF NOT EXISTS run_summary (
  run_id BIGINT NOT NULL PRIMARY KEY,
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
  CONSTRAINT run_summary_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE,
  INDEX run_summary_of_account (account_id, run_id)
);

-- Where tension says that ease ends, as it was felt when a piece was last played. Those kept before are asked once more.
ALTER TABLE ceiling_belief
  ADD COLUMN IF NOT EXISTS alert DOUBLE NULL,
  ADD COLUMN IF NOT EXISTS felt_kept BOOLEAN NOT NULL DEFAULT FALSE;
