-- A reason is stored as a code with its values, which takes more room than a sentence.
ALTER TABLE chosen_variant MODIFY why VARCHAR(1000) NOT NULL;
