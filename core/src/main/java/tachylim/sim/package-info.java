/**
 * The simulated player: someone with a true ceiling, who tires, tenses and slips by seeded chance. It
 * drives tests, the history of the demo, and nothing a user's own record is made of.
 */
package tachylim.sim;
