-- How much a passage matters beside the others, and from when on gains are learned from.
ALTER TABLE passage
  ADD COLUMN IF NOT EXISTS matters VARCHAR(10) NOT NULL DEFAULT 'USUAL';
ALTER TABLE account
  ADD COLUMN IF NOT EXISTS gains_since DATE NULL;
-- How much a player tires is asked of the beliefs that were learned last.
ALTER TABLE ceiling_belief
  ADD INDEX IF NOT EXISTS ceiling_belief_of_account (account_id, day);
