-- A change that is counted may belong to a transition of a passage, and its plan follows the slowest.
ALTER TABLE counted_change
  ADD COLUMN IF NOT EXISTS passage_id BIGINT NULL,
  ADD COLUMN IF NOT EXISTS transition INT NULL,
  ADD INDEX IF NOT EXISTS change_of_passage (account_id, passage_id),
  ADD CONSTRAINT change_passage FOREIGN KEY IF NOT EXISTS (passage_id) REFERENCES passage (id) ON DELETE SET NULL;

-- What a player is used to on instruments beside their first: a warm-up and minutes of its own.
ALTER TABLE account ADD COLUMN IF NOT EXISTS other_instruments TEXT NULL;

-- A registration whose answer was lost signs in when it comes again.
ALTER TABLE account ADD COLUMN IF NOT EXISTS client_id CHAR(36) NULL;
