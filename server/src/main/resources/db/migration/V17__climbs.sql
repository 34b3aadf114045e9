-- Where the last climb on each of some pieces ended is found by this index alone.
CREATE INDEX IF NOT EXISTS pass_climb ON played_pass (account_id, piece_id, part, kind, id);
