-- The method that a player chose for a passage against the advice: it holds for a week.
ALTER TABLE passage
  ADD COLUMN IF NOT EXISTS chosen_school VARCHAR(30) NULL,
  ADD COLUMN IF NOT EXISTS chosen_on DATE NULL;
