-- An accidental holds for its letter in every octave of its bar now, as the ABC standard has it. What was written before was
-- read in its own octave alone, and says so from here on, so that no note of it changes.
UPDATE passage SET text = CONCAT('%%propagate-accidentals octave\n', text)
  WHERE source = 'ABC' AND INSTR(text, 'propagate-accidentals') = 0
    AND (INSTR(text, '^') > 0 OR INSTR(text, '_') > 0 OR INSTR(text, '=') > 0);
