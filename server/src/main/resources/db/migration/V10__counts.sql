-- A change that is counted, several times a day, and what was counted.
CREATE TABLE IF NOT EXISTS counted_change (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  name VARCHAR(60) NOT NULL,
  song VARCHAR(60) NOT NULL,
  target_bpm DOUBLE NOT NULL,
  beats DOUBLE NOT NULL,
  created_at DATETIME(6) NOT NULL,
  CONSTRAINT change_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  INDEX change_of_account (account_id, song, id)
);
CREATE TABLE IF NOT EXISTS taken_count (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  change_id BIGINT NOT NULL,
  client_id VARCHAR(36) NOT NULL,
  day DATE NOT NULL,
  at DATETIME(6) NOT NULL,
  seconds INT NOT NULL,
  clean INT NOT NULL,
  CONSTRAINT count_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT count_change FOREIGN KEY (change_id) REFERENCES counted_change (id) ON DELETE CASCADE,
  CONSTRAINT count_once UNIQUE (account_id, client_id),
  INDEX count_of_day (account_id, day, id),
  INDEX count_of_change (change_id, seconds, clean)
);

-- What is counted is practice too, and belongs to no passage.
ALTER TABLE bench_practice MODIFY passage_id BIGINT NULL;
