-- A session that a player keeps to plan others like it.
CREATE TABLE IF NOT EXISTS plan_template (
  id BIGINT AUTO_INCREMENT PRIMARY KEY,
  account_id BIGINT NOT NULL,
  name VARCHAR(60) NOT NULL,
  wish TEXT NOT NULL,
  created_at DATETIME(6) NOT NULL,
  CONSTRAINT template_account FOREIGN KEY (account_id) REFERENCES account (id) ON DELETE CASCADE,
  CONSTRAINT template_name UNIQUE (account_id, name)
);
