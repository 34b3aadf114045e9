-- Makes five years out of ten weeks: 1,500 workouts, 200,000 passes and 96 sections of the account that is there, by copying
-- what it played to earlier days and to copies of its passages. For measuring only: what is copied was never played.

SET @account = (SELECT MIN(id) FROM account);
SET @days = 96;

-- Nineteen copies of each passage with its sections and beliefs.
INSERT INTO passage (id, account_id, title, instrument, source, meter, beat_unit, text, bars, target_bpm, needed_on,
    guess_bpm, guess_played, put_away, created_at, version, wanted_mode, stitching, stitching_link, edition)
SELECT p.id + 1000 * c.seq, p.account_id, CONCAT(p.title, ' ', c.seq), p.instrument, p.source, p.meter, p.beat_unit,
    p.text, p.bars, p.target_bpm, p.needed_on, p.guess_bpm, p.guess_played, p.put_away, p.created_at, p.version,
    p.wanted_mode, p.stitching, p.stitching_link, p.edition
FROM passage p JOIN seq_1_to_19 c WHERE p.account_id = @account AND p.id < 1000;

INSERT INTO piece (id, account_id, passage_id, place, name, first_note, last_note, difficulty, put_away, version, kind,
    edition, tempo_ratio)
SELECT p.id + 1000 * c.seq, p.account_id, p.passage_id + 1000 * c.seq, p.place, p.name, p.first_note, p.last_note,
    p.difficulty, p.put_away, p.version, p.kind, p.edition, p.tempo_ratio
FROM piece p JOIN seq_1_to_19 c WHERE p.account_id = @account AND p.id < 1000;

INSERT INTO ceiling_belief
SELECT b.piece_id + 1000 * c.seq, b.account_id, b.day, b.weights, b.passes, b.ease_low, b.ease, b.ease_high,
    b.ceiling_low, b.ceiling, b.ceiling_high, b.breakdown_low, b.breakdown, b.breakdown_high, b.gain,
    b.alert, b.felt_kept
FROM ceiling_belief b JOIN seq_1_to_19 c WHERE b.account_id = @account AND b.piece_id < 1000;

-- Nineteen spans of 96 days before: every other one on the same sections, the rest on their copies. Their workouts have
-- numbers below those that were played, since numbers go with time.
CREATE TEMPORARY TABLE span AS
SELECT CAST(seq AS SIGNED) AS k, IF(seq % 2 = 0, 0, 1000 * (1 + (seq DIV 2) % 19)) AS shift FROM seq_1_to_19;

INSERT INTO workout (id, account_id, piece_id, day, created_at, minutes, focus, plan, planned)
SELECT w.id - 100000 * s.k, w.account_id, w.piece_id + s.shift, w.day - INTERVAL @days * s.k DAY,
    w.created_at - INTERVAL @days * s.k DAY, w.minutes, w.focus, w.plan, w.planned
FROM workout w JOIN span s WHERE w.account_id = @account AND w.id BETWEEN 1 AND 99999;

INSERT INTO run (id, account_id, workout_id, piece_id, day, started_at, last_at, outcome, holder, effort_before, note,
    version, rules, outcome_why, told_effort, told_burst_seconds, told_playing_seconds)
SELECT r.id - 100000 * s.k, r.account_id, r.workout_id - 100000 * s.k, r.piece_id + s.shift,
    r.day - INTERVAL @days * s.k DAY, r.started_at - INTERVAL @days * s.k DAY, r.last_at - INTERVAL @days * s.k DAY,
    COALESCE(r.outcome, 'PLAYED'), r.holder, r.effort_before, r.note, r.version, r.rules, r.outcome_why, r.told_effort,
    r.told_burst_seconds, r.told_playing_seconds
FROM run r JOIN span s WHERE r.account_id = @account AND r.id < 100000;

INSERT INTO run_event (account_id, run_id, ordinal, client_id, kind, verdict, tension, seconds, at, told_effort,
    told_burst_seconds, told_playing_seconds)
SELECT e.account_id, e.run_id - 100000 * s.k, e.ordinal, e.client_id, e.kind, e.verdict, e.tension, e.seconds,
    e.at - INTERVAL @days * s.k DAY, e.told_effort, e.told_burst_seconds, e.told_playing_seconds
FROM run_event e JOIN span s WHERE e.account_id = @account AND e.run_id < 100000;

-- Each workout as long as those of somebody who plays for two hours: its passes several times over.
SET @passes = (SELECT COUNT(*) FROM played_pass WHERE account_id = @account);
SET @sessions = (SELECT COUNT(*) FROM run WHERE account_id = @account);
SET @times = CEIL(200000 / (@passes * (1 + (SELECT COUNT(*) FROM span))));

INSERT INTO run_segment (account_id, run_id, place, ordinal, record)
SELECT g.account_id, g.run_id - 100000 * s.k, g.place + 1000 * t.seq, g.ordinal + 1000 * t.seq, g.record
FROM run_segment g JOIN span s JOIN seq_0_to_19 t
WHERE g.account_id = @account AND g.run_id < 100000 AND t.seq < @times;

INSERT INTO played_pass (account_id, run_id, ordinal, piece_id, day, at, kind, part, tempo, play_seconds, burst_seconds,
    notes, verdict, tension, reserve, effort, rate, way, turn)
SELECT p.account_id, p.run_id - 100000 * s.k, p.ordinal + 1000 * t.seq, p.piece_id + s.shift,
    p.day - INTERVAL @days * s.k DAY, p.at - INTERVAL @days * s.k DAY, p.kind, p.part, p.tempo, p.play_seconds,
    p.burst_seconds, p.notes, p.verdict, p.tension, p.reserve, p.effort, p.rate, p.way, p.turn
FROM played_pass p JOIN (SELECT 0 AS k, 0 AS shift UNION ALL SELECT k, shift FROM span) s JOIN seq_0_to_19 t
WHERE p.account_id = @account AND p.run_id < 100000 AND t.seq < @times AND (s.k > 0 OR t.seq > 0);

INSERT INTO ceiling_day
SELECT d.piece_id + s.shift, d.day - INTERVAL @days * s.k DAY, d.account_id, d.ease, d.ceiling, d.ceiling_low,
    d.ceiling_high, d.breakdown, d.log_mean, d.log_variance, d.morning_mean, d.morning_variance
FROM ceiling_day d JOIN span s WHERE d.account_id = @account AND d.piece_id < 1000 AND d.day > CURDATE() - INTERVAL @days DAY;

ANALYZE TABLE passage, piece, ceiling_belief, workout, run, run_event, run_segment, played_pass, ceiling_day;

SELECT CONCAT((SELECT COUNT(*) FROM run WHERE account_id = @account), ' workouts, ',
    (SELECT COUNT(*) FROM played_pass WHERE account_id = @account), ' passes, ',
    (SELECT COUNT(*) FROM piece WHERE account_id = @account AND NOT put_away), ' sections') AS made;
