-- What every row has had from the first release on, the database may rely on.
ALTER TABLE ceiling_belief
  MODIFY ease_low DOUBLE NOT NULL,
  MODIFY ease DOUBLE NOT NULL,
  MODIFY ease_high DOUBLE NOT NULL,
  MODIFY ceiling_low DOUBLE NOT NULL,
  MODIFY ceiling DOUBLE NOT NULL,
  MODIFY ceiling_high DOUBLE NOT NULL,
  MODIFY breakdown_low DOUBLE NOT NULL,
  MODIFY breakdown DOUBLE NOT NULL,
  MODIFY breakdown_high DOUBLE NOT NULL,
  MODIFY gain DOUBLE NOT NULL;

ALTER TABLE ceiling_test
  MODIFY ease_low DOUBLE NOT NULL,
  MODIFY ease DOUBLE NOT NULL,
  MODIFY ease_high DOUBLE NOT NULL,
  MODIFY ceiling_low DOUBLE NOT NULL,
  MODIFY ceiling DOUBLE NOT NULL,
  MODIFY ceiling_high DOUBLE NOT NULL,
  MODIFY breakdown_low DOUBLE NOT NULL,
  MODIFY breakdown DOUBLE NOT NULL,
  MODIFY breakdown_high DOUBLE NOT NULL,
  MODIFY gain DOUBLE NOT NULL;

ALTER TABLE ceiling_day
  MODIFY morning_mean DOUBLE NOT NULL,
  MODIFY morning_variance DOUBLE NOT NULL;

ALTER TABLE played_pass
  MODIFY rate DOUBLE NOT NULL;

ALTER TABLE workout
  MODIFY planned MEDIUMTEXT NOT NULL,
  MODIFY school VARCHAR(40) NOT NULL;
