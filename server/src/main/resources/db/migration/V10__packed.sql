-- A workout that a browser has taken along, to be begun where there is no network: as it was planned, until it is begun.
CREATE TABLE IF NOT EXISTS packed_workout (
  id BIGINT NOT NULL AUTO_INCREMENT,
  account_id BIGINT NOT NULL,
  packed_at DATETIME(6) NOT NULL,
  wish TEXT NOT NULL,
  basis MEDIUMTEXT NOT NULL,
  run_id BIGINT NULL,
  PRIMARY KEY (id),
  INDEX packed_of_account (account_id, id),
  INDEX packed_run (run_id),
  CONSTRAINT packed_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT packed_run FOREIGN KEY (run_id) REFERENCES run (id) ON DELETE CASCADE
);
