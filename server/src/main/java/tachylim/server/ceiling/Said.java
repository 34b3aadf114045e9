package tachylim.server.ceiling;

import java.time.LocalDate;

/**
 * What a belief said when its piece was last played, without the belief.
 *
 * @param day the day it was played
 * @param passes the evidence it rests on
 * @param estimate what it said; null of a belief that was kept before that was
 */
record Said(Long pieceId, LocalDate day, double passes, KeptEstimate estimate) {}
